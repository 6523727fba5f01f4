package org.opensatchel.formats.sound;

import java.util.List;
import java.util.OptionalDouble;

/**
 * How high and how loud a sound is.
 *
 * @param peakDb its highest sample in dBFS; negative infinity for silence
 * @param clipped how often it was cut off at full scale
 * @param loudness integrated, in LUFS; absent where nobody asked, for less than 0.4 seconds, and for silence
 * @param wave how high it goes in each of equal parts, from 0 to 100
 */
public record SoundLevels(double peakDb, long clipped, OptionalDouble loudness, List<Integer> wave) {

    public SoundLevels {
        wave = List.copyOf(wave);
    }

    public boolean isSilent() {
        return peakDb == Double.NEGATIVE_INFINITY;
    }
}
