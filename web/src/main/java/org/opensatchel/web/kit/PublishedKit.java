package org.opensatchel.web.kit;

import java.time.Instant;
import org.opensatchel.core.kit.Kit;

/** A published version, read. */
public record PublishedKit(long id, Kit kit, String sha256, Instant publishedAt) {}
