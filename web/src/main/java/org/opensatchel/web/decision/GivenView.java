package org.opensatchel.web.decision;

import java.math.BigDecimal;
import java.time.Instant;

/** Points given by hand, for pages and other features. */
public record GivenView(long id, long handIn, BigDecimal points, String reason, long madeBy, Instant madeAt) {}
