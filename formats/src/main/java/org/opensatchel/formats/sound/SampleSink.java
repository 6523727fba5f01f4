package org.opensatchel.formats.sound;

/** Is given samples as they come. */
public interface SampleSink {

    /**
     * Some more samples, all channels of a moment one after the other.
     *
     * @param samples full scale is from -1 to 1; not to be kept, since the next ones come in the same place
     * @param count how many of them count: a multiple of the number of channels
     */
    void samples(double[] samples, int count);
}
