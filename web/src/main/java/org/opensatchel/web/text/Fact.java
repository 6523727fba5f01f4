package org.opensatchel.web.text;

import java.util.List;
import org.opensatchel.core.words.Sentence;

/**
 * Something known of something, as a list of terms shows it ({@code say:facts}).
 *
 * @param values one, or several below each other
 */
public record Fact(String term, List<Sentence> values) {}
