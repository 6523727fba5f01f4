package org.opensatchel.cli;

import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.zip.CRC32;

/** A number for a fault of ours: the same for the same fault at the same place in the code, so that it can be reported and found. */
final class FaultNumber {

    private static final int PLACES = 3;

    private FaultNumber() {
    }

    static String of(Throwable fault) {
        CRC32 sum = new CRC32();
        sum.update(fault.getClass().getName().getBytes(StandardCharsets.UTF_8));
        StackTraceElement[] trace = fault.getStackTrace();
        for (int i = 0; i < Math.min(PLACES, trace.length); i++) {
            sum.update((trace[i].getClassName() + trace[i].getMethodName()).getBytes(StandardCharsets.UTF_8));
        }
        return String.format(Locale.ROOT, "%08X", sum.getValue());
    }
}
