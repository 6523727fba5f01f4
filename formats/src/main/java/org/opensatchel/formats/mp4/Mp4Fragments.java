package org.opensatchel.formats.mp4;

import java.io.IOException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.formats.binary.Window;

/** What the fragments of a movie bring to its tracks (ISO/IEC 14496-12, sections 8.8.3, 8.8.7 and 8.8.8). */
final class Mp4Fragments {

    private static final int MOST_SAMPLES = 5_000_000;
    private static final int BASE = 1;
    private static final int DESCRIPTION = 2;
    private static final int TIME = 8;

    private final Window file;
    private final Map<Long, Long> usual = new HashMap<>();
    private final Map<Long, Mp4Times> times = new HashMap<>();
    private long samples;

    private Mp4Fragments(Window file) {
        this.file = file;
    }

    static void read(Window file, Box movie, List<Box> top, List<Mp4Track> tracks) throws IOException {
        Mp4Fragments fragments = new Mp4Fragments(file);
        for (Box one : movie.find(file, "mvex").get().children(file)) {
            if (one.type().equals("trex")) {
                fragments.usual.put(file.u32(one.body() + 4), file.u32(one.body() + 12));
            }
        }
        for (Box box : top) {
            if (box.type().equals("moof") && box.end() <= file.length()) {
                for (Box part : box.children(file)) {
                    fragments.part(part);
                }
            }
        }
        for (Mp4Track track : tracks) {
            Mp4Times brought = fragments.times.get(track.id());
            if (brought != null) {
                track.brought(brought);
            }
        }
    }

    private void part(Box part) throws IOException {
        Optional<Box> header = part.type().equals("traf") ? part.find(file, "tfhd") : Optional.empty();
        if (header.isEmpty()) {
            return;
        }
        long flags = file.u24(header.get().body() + 1);
        long track = file.u32(header.get().body() + 4);
        long at = header.get().body() + 8 + ((flags & BASE) != 0 ? 8 : 0) + ((flags & DESCRIPTION) != 0 ? 4 : 0);
        long time = (flags & TIME) != 0 ? file.u32(at) : usual.getOrDefault(track, 0L);
        for (Box run : part.children(file)) {
            if (run.type().equals("trun")) {
                run(run, times.computeIfAbsent(track, key -> new Mp4Times()), time);
            }
        }
    }

    private void run(Box run, Mp4Times into, long usualTime) throws IOException {
        long flags = file.u24(run.body() + 1);
        long count = file.u32(run.body() + 4);
        if ((flags & 0x100) == 0) {
            into.add(Math.min(count, MOST_SAMPLES), usualTime);
            return;
        }
        long at = run.body() + 8 + ((flags & 1) != 0 ? 4 : 0) + ((flags & 4) != 0 ? 4 : 0);
        int size = 4 * Long.bitCount(flags & 0xf00);
        for (long i = 0; i < count && at + size <= run.end() && samples++ < MOST_SAMPLES; i++) {
            into.add(1, file.u32(at));
            at += size;
        }
    }
}
