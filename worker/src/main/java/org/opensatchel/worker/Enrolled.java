package org.opensatchel.worker;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.core.project.ReadLimits;
import org.opensatchel.core.project.ZipSource;
import org.opensatchel.core.roster.OneRoster;
import org.opensatchel.core.roster.RosterChoice;
import org.opensatchel.core.roster.RosterFault;
import org.opensatchel.core.roster.RosterLine;
import org.opensatchel.core.roster.RosterReading;
import org.opensatchel.core.roster.RosterTable;
import org.opensatchel.core.roster.Sheets;

/**
 * A roster file, read: a {@link RosterReading} with the facts of its phrases.
 *
 * @param classes the classes of a bundle, by what it calls them
 */
public record Enrolled(Map<String, String> classes, List<RosterLine> lines, List<Wrong> faults, List<RosterLine> aside,
        List<RosterReading.Repeat> repeats, List<RosterReading.Column> columns, boolean headless) {

    /** Something wrong in it, as a {@link RosterFault} with the facts of its phrase. */
    public record Wrong(String file, int row, String column, Map<String, Object> what) {}

    static Enrolled read(Path file, Set<String> classes, RosterChoice choice, ReadLimits limits) throws IOException {
        try (InputStream content = Files.newInputStream(file)) {
            byte[] head = content.readNBytes(2);
            if (head.length == 2 && head[0] == 'P' && head[1] == 'K') {
                return Sheets.isWorkbook(file) ? of(Map.of(), RosterTable.read(Sheets.workbook(file), choice))
                        : bundle(file, classes, limits);
            }
        }
        return of(Map.of(), RosterTable.read(Files.readAllBytes(file), choice));
    }

    private static Enrolled bundle(Path file, Set<String> classes, ReadLimits limits) throws IOException {
        try (ZipSource source = ZipSource.open(file)) {
            OneRoster.Bundle bundle = OneRoster.read(source, classes, limits);
            return of(bundle.classes(), bundle.roster());
        }
    }

    private static Enrolled of(Map<String, String> classes, RosterReading reading) {
        return new Enrolled(classes, reading.lines(),
                reading.faults().stream().map(fault -> new Wrong(fault.file(), fault.row(), fault.column(), Facts.json(fault.what())))
                        .toList(),
                reading.aside(), reading.repeats(), reading.columns(), reading.headless());
    }

    /** As core tells it. */
    public RosterReading reading() {
        return new RosterReading(lines, faults.stream()
                .map(wrong -> new RosterFault(wrong.file, wrong.row, wrong.column, Facts.phrase(wrong.what).orElseThrow())).toList(),
                aside, repeats, columns, headless);
    }
}
