package org.opensatchel.core.report;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.core.report.Report.CarryLine;
import org.opensatchel.core.report.Report.ConsequenceLine;
import org.opensatchel.core.report.Report.FindingLine;
import org.opensatchel.core.report.Report.LinkLine;

/**
 * On how many of the machines a project was carried to everything opens, once what must be fixed is fixed. Nobody is promised more than that.
 *
 * @param machines how many there are, at least one
 * @param open on how many of them every link opens and every file can be
 */
public record Opening(int machines, int open) {

    /** Empty where it cannot be said: links were not looked at or only guessed, or no machine was tried. */
    public static Optional<Opening> of(Report report) {
        List<CarryLine> machines = report.carry().orElse(List.of());
        boolean known = report.notChecked().stream().noneMatch(Report::isLinks) && report.doubtful() == 0
                && report.verdict() != Verdict.BLOCKED;
        if (!known || machines.isEmpty()) {
            return Optional.empty();
        }
        Mended mended = new Mended(report);
        return Optional.of(new Opening(machines.size(), (int) machines.stream().filter(mended::opens).count()));
    }

    public boolean everywhere() {
        return open == machines;
    }

    /** What is put right by fixing what must be fixed: places of links, and files. */
    private static final class Mended {
        private final List<LinkLine> links;
        private final Set<String> places = new HashSet<>();
        private final Set<String> files = new HashSet<>();

        Mended(Report report) {
            this.links = report.links();
            report.findings().stream().filter(finding -> finding.severity().equals("must")).forEach(this::hear);
        }

        private void hear(FindingLine finding) {
            hear(finding.code(), finding.path(), finding.at());
            if (finding.code().equals("name.case-clash")) {
                finding.facts().ifPresent(facts -> files.addAll(facts.texts(FactName.OTHERS)));
            }
            finding.consequences().orElse(List.of()).forEach((ConsequenceLine one) -> hear(one.code(), one.path(), one.at()));
        }

        private void hear(String code, String path, Optional<String> at) {
            if (code.startsWith("link.")) {
                at.ifPresent(place -> places.add(place(path, place)));
            } else if (code.startsWith("name.") || code.startsWith("asset.") || code.equals("structure.too-deep")) {
                files.add(path);
            }
        }

        private static String place(String document, String at) {
            return document + "\0" + at;
        }

        boolean opens(CarryLine machine) {
            return machine.links().stream().map(broken -> links.get(broken.link())).allMatch(this::isMended)
                    && machine.files().stream().allMatch(file -> isMended(file.path()));
        }

        private boolean isMended(LinkLine link) {
            return places.contains(place(link.document(), link.at())) || link.target().filter(this::isMended).isPresent();
        }

        /** A file that is put right itself, or with the folder it lies in. */
        private boolean isMended(String file) {
            return Stream.iterate(file, path -> !path.isEmpty(), path -> path.substring(0, Math.max(0, path.lastIndexOf('/'))))
                    .anyMatch(files::contains);
        }
    }
}
