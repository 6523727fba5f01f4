package org.opensatchel.formats.timeline;

import java.util.Locale;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Times as a clock of pictures shows them (SMPTE ST 12-1): hours, minutes, seconds and pictures. */
public final class TimeCode {

    private static final Pattern CODE = Pattern.compile("(\\d+):(\\d+):(\\d+)([:;])(\\d+)");
    private static final double USUAL = 25;

    private TimeCode() {
    }

    /** A time by the clock that leaves out no numbers; with hundredths where no rate is known. */
    public static String of(double seconds, OptionalDouble rate) {
        if (rate.isEmpty()) {
            long hundredths = Math.round(seconds * 100);
            return String.format(Locale.ROOT, "%02d:%02d:%02d.%02d", hundredths / 360_000, hundredths / 6_000 % 60, hundredths / 100 % 60,
                    hundredths % 100);
        }
        long nominal = Math.max(1, Math.round(rate.getAsDouble()));
        long frames = Math.round(seconds * rate.getAsDouble());
        long whole = frames / nominal;
        return String.format(Locale.ROOT, "%02d:%02d:%02d:%02d", whole / 3_600, whole / 60 % 60, whole % 60, frames % nominal);
    }

    /**
     * Whether a time is the one that is asked for, to a picture.
     *
     * @param asked a time code, one of whose clock leaves out numbers with a semicolon, or seconds
     */
    public static boolean isAt(String asked, double seconds, OptionalDouble rate) {
        double perSecond = rate.orElse(USUAL);
        double frames = seconds * perSecond;
        Matcher code = CODE.matcher(asked);
        long nominal = Math.max(1, Math.round(perSecond));
        if (!code.matches()) {
            double wanted = Double.parseDouble(asked);
            // An hour by the clock of 29.97 pictures a second is longer than one by the sun.
            return Math.abs(frames - wanted * perSecond) < 1 || Math.abs(frames - wanted * nominal) < 1;
        }
        long minutes = Long.parseLong(code.group(1)) * 60 + Long.parseLong(code.group(2));
        long wanted = (minutes * 60 + Long.parseLong(code.group(3))) * nominal + Long.parseLong(code.group(5));
        boolean dropping = Math.abs(perSecond - nominal) > 1e-6 && nominal % 30 == 0;
        long dropped = nominal / 15 * (minutes - minutes / 10);
        return Math.abs(frames - wanted) < 1 || dropping && Math.abs(frames - (wanted - dropped)) < 1;
    }
}
