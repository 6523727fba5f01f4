package org.opensatchel.core.media.sound;

import java.util.OptionalDouble;

/**
 * How high and how loud a sound is.
 *
 * @param peakDb its highest sample in dBFS; negative infinity for silence
 * @param clipped how often it was cut off at full scale
 * @param loudness integrated, in LUFS; absent where nobody asked, for less than 0.4 seconds, and for silence
 */
public record SoundLevels(double peakDb, long clipped, OptionalDouble loudness) {

    public boolean isSilent() {
        return peakDb == Double.NEGATIVE_INFINITY;
    }
}
