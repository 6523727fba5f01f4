package org.opensatchel.cli;

import java.math.BigDecimal;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import org.opensatchel.core.report.FindingGroups;
import org.opensatchel.core.report.Report;
import org.opensatchel.core.report.Report.CarryLine;
import org.opensatchel.core.report.Report.ConsequenceLine;
import org.opensatchel.core.report.Report.FindingLine;
import org.opensatchel.core.report.Score;
import org.opensatchel.core.words.Sentence;
import org.opensatchel.core.words.Words;

/**
 * A report as text for a terminal. Links of one code in one document, and other findings of one code, stand together, with one remedy.
 * Severities have a mark each, so that none depends on colour.
 */
final class TextReport {

    private static final int MOST_OF_A_KIND = 12;
    private static final int MOST_BREAKS = 5;

    private final Report report;
    private final boolean quiet;
    private final boolean why;
    private final Colours colours;
    private final Words words;
    private final StringBuilder out = new StringBuilder();

    /** @param quiet keeps to what must be fixed */
    TextReport(Report report, boolean quiet, boolean why, Colours colours, Words words) {
        this.report = report;
        this.quiet = quiet;
        this.why = why;
        this.colours = colours;
        this.words = words;
    }

    /** One line for one of several projects. */
    static String summary(String project, Report report, Colours colours, Words words) {
        return colours.of(report.told().word(), String.format(Locale.ROOT, "%-28s", verdict(report, words)))
                + "  " + words.fill("report.tally", pad(report.counts().must()), pad(report.counts().should()), pad(report.counts().note()))
                + "  " + Printable.of(project);
    }

    private static String verdict(Report report, Words words) {
        return words.fill("verdict." + report.told().word());
    }

    private static String pad(int number) {
        return String.format(Locale.ROOT, "%3d", number);
    }

    String text() {
        out.append(colours.strong(Printable.line(report.project().root().orElse(words.fill("report.no-root"))))).append(": ")
                .append(colours.of(report.told().word(), verdict(report, words)))
                .append(report.unjudged().isEmpty() ? "" : " (" + words.fill("report.unjudged", String.join(", ", report.unjudged())) + ")")
                .append('\n');
        line(words.fill("report.head", report.project().files(), report.project().documents(), report.project().links(),
                report.counts().must(), report.counts().should(), report.counts().note(), report.project().guessed().orElse(0)));
        report.doubted().forEach(doubt -> line(words.say(doubt.say()).toString()));
        FindingGroups.of(report.findings()).stream().filter(group -> !quiet || group.severity().equals("must")).forEach(this::group);
        if (!quiet) {
            report.points().ifPresent(this::points);
            report.carry().ifPresent(this::carry);
        }
        if (!report.notChecked().isEmpty()) {
            line("");
            words.notChecked(report.notChecked()).forEach(what -> line(what.toString()));
        }
        return out.toString();
    }

    /** A heading, what each of them says, and one remedy for all. */
    private void group(FindingGroups.Group group) {
        FindingLine first = group.first();
        out.append('\n').append(colours.of(first.severity(), mark(first.severity()) + " " + words.fill("severity." + first.severity())))
                .append("  ").append(colours.strong(first.code()));
        String where = group.isMany() ? group.onePath().orElse("") : first.path() + first.at().map(at -> at(first.path(), at)).orElse("");
        out.append(where.isEmpty() ? "" : "  " + Printable.line(where)).append('\n');
        if (group.isMany()) {
            line("  " + words.heading(group) + ":");
        }
        boolean onePath = group.onePath().isPresent();
        for (FindingLine finding : group.findings().subList(0, Math.min(MOST_OF_A_KIND, group.findings().size()))) {
            String at = group.isMany() && onePath ? finding.at().map(place -> words.place(finding.path(), place) + "  ").orElse("") : "";
            line("  " + at + words.of(finding).message());
            consequences(finding.consequences().orElse(List.of()));
        }
        long more = group.count() - Math.min(MOST_OF_A_KIND, group.findings().size());
        if (more > 0) {
            line("  " + words.fill("report.more", more));
        }
        if (why) {
            line("  " + words.of(first).why());
        }
        List<Sentence> remedy = words.remedy(group);
        for (int i = 0; i < remedy.size(); i++) {
            out.append(colours.soft(Printable.line("  " + (i + 1) + ". " + remedy.get(i)))).append('\n');
        }
    }

    /** A line and column follow a colon, as compilers write them; other places stand in words. */
    private String at(String path, String at) {
        return Character.isDigit(at.charAt(0)) ? ":" + at : ", " + words.place(path, at);
    }

    private void consequences(List<ConsequenceLine> consequences) {
        for (ConsequenceLine consequence : consequences.subList(0, Math.min(MOST_OF_A_KIND, consequences.size()))) {
            line("    " + words.fill("report.so", words.of(consequence)));
        }
        if (consequences.size() > MOST_OF_A_KIND) {
            line("    " + words.fill("report.more-following", consequences.size() - MOST_OF_A_KIND));
        }
    }

    /** What was earned, and what each part lost for what. */
    private void points(Score points) {
        line("");
        line(words.fill("report.points", points.earned(), points.of()));
        points.parts().stream().filter(part -> part.of() > 0).forEach(part -> line("  " + words.fill("report.points-part",
                words.fill("points." + part.part()), BigDecimal.valueOf(part.of()).subtract(part.taken()), part.of())
                + part.off().stream().map(one -> words.fill("report.points-off", one.off(), one.code())).collect(Collectors.joining())));
    }

    /** A line for each machine, and the first links and files that fail there. */
    private void carry(List<CarryLine> machines) {
        line("");
        line(words.fill("report.carry"));
        for (CarryLine machine : machines) {
            boolean good = machine.breaks() == 0 && machine.files().isEmpty();
            out.append("  ").append(colours.of(good ? "ready" : "must", String.format(Locale.ROOT, "%-16s", machine.machine())))
                    .append(Printable.line(words.fill("report.machine", machine.opens(), machine.breaks(), machine.files().size())))
                    .append('\n');
            machine.links().stream().limit(MOST_BREAKS).forEach(broken -> line("    " + report.links().get(broken.link()).document() + ": “"
                    + report.links().get(broken.link()).text() + "”: " + words.of(broken)));
            machine.files().stream().limit(MOST_BREAKS).forEach(refused -> line("    “" + refused.path() + "”: " + words.of(refused)));
            int more = Math.max(0, machine.links().size() - MOST_BREAKS) + Math.max(0, machine.files().size() - MOST_BREAKS);
            if (more > 0) {
                line("    " + words.fill("report.more-here", more));
            }
        }
    }

    private static String mark(String severity) {
        return switch (severity) {
            case "must" -> "◆";
            case "should" -> "◈";
            default -> "○";
        };
    }

    private void line(String text) {
        out.append(Printable.line(text)).append('\n');
    }
}
