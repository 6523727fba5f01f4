package org.opensatchel.web.checks;

import java.util.List;
import org.opensatchel.worker.Errand;

/**
 * That a hand-in was checked.
 *
 * @param wishes what is worth preparing of it
 */
public record HandInChecked(long handIn, List<Errand.Wish> wishes) {}
