package org.opensatchel.cli;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.opensatchel.core.report.Report;
import org.opensatchel.core.report.Report.CarryLine;
import org.opensatchel.core.report.Report.ConsequenceLine;
import org.opensatchel.core.report.Report.FindingLine;

/**
 * A report as text for a terminal. Links of one code in one document, and other findings of one code, stand together, with one remedy.
 * Severities have a mark each, so that none depends on colour.
 */
final class TextReport {

    private static final int MOST_OF_A_KIND = 12;
    private static final int MOST_BREAKS = 5;

    private final Report report;
    private final boolean quiet;
    private final Colours colours;
    private final StringBuilder out = new StringBuilder();

    /** @param quiet keeps to what must be fixed */
    TextReport(Report report, boolean quiet, Colours colours) {
        this.report = report;
        this.quiet = quiet;
        this.colours = colours;
    }

    /** One line for one of several projects. */
    static String summary(String project, Report report, Colours colours) {
        return colours.of(report.verdict().word(), String.format("%-7s", report.verdict().word()))
                + String.format("  %3d must  %3d should  %3d note  ", report.counts().must(), report.counts().should(), report.counts().note()) + Printable.of(project);
    }

    String text() {
        String verdict = report.verdict().word();
        out.append(colours.strong(Printable.line(report.project().root().orElse("(no project folder)")))).append(": ").append(colours.of(verdict, verdict)).append('\n');
        line(report.project().files() + " files, " + report.project().documents() + " documents, " + report.project().links() + " links; "
                + report.counts().must() + " must, " + report.counts().should() + " should, " + report.counts().note() + " note");
        groups().values().forEach(this::group);
        if (!quiet) {
            report.carry().ifPresent(this::carry);
        }
        if (!report.notChecked().isEmpty()) {
            line("");
            line("Not checked: " + String.join(", ", report.notChecked()) + ".");
        }
        return out.toString();
    }

    private Map<String, List<FindingLine>> groups() {
        Map<String, List<FindingLine>> groups = new LinkedHashMap<>();
        for (FindingLine finding : report.findings()) {
            if (!quiet || finding.severity().equals("must")) {
                groups.computeIfAbsent(finding.severity() + " " + finding.code() + " " + (finding.code().startsWith("link.") ? finding.path() : "") + " " + finding.remedy(), key -> new ArrayList<>()).add(finding);
            }
        }
        return groups;
    }

    private void group(List<FindingLine> findings) {
        FindingLine first = findings.get(0);
        out.append('\n');
        String head = mark(first.severity()) + " " + first.severity();
        boolean onePlace = findings.stream().allMatch(finding -> finding.path().equals(first.path()));
        String where = findings.size() > 1 ? (onePlace ? first.path() : "") : first.path() + first.at().map(at -> (at.startsWith("/") || at.startsWith("p") || at.startsWith("b") ? " " : ":") + at).orElse("");
        out.append(colours.of(first.severity(), head)).append("  ").append(colours.strong(first.code()));
        out.append(where.isEmpty() ? "" : "  " + Printable.line(where)).append(findings.size() > 1 ? "  (" + findings.size() + ")" : "").append('\n');
        for (FindingLine finding : findings.subList(0, Math.min(MOST_OF_A_KIND, findings.size()))) {
            line((findings.size() > 1 ? finding.at().map(at -> "  " + at + "  ").orElse("  ") : "  ") + finding.message());
            consequences(finding.consequences().orElse(List.of()));
        }
        if (findings.size() > MOST_OF_A_KIND) {
            line("  and " + (findings.size() - MOST_OF_A_KIND) + " more of the same kind");
        }
        for (int i = 0; i < first.remedy().size(); i++) {
            out.append(colours.soft(Printable.line("  " + (i + 1) + ". " + first.remedy().get(i)))).append('\n');
        }
    }

    private void consequences(List<ConsequenceLine> consequences) {
        for (ConsequenceLine consequence : consequences.subList(0, Math.min(MOST_OF_A_KIND, consequences.size()))) {
            line("    so: " + consequence.message());
        }
        if (consequences.size() > MOST_OF_A_KIND) {
            line("    and " + (consequences.size() - MOST_OF_A_KIND) + " more that follow from it");
        }
    }

    /** A line for each machine, and the first links and files that fail there. */
    private void carry(List<CarryLine> machines) {
        line("");
        line("On other machines:");
        for (CarryLine machine : machines) {
            boolean good = machine.breaks() == 0 && machine.files().isEmpty();
            out.append("  ").append(colours.of(good ? "ready" : "must", String.format("%-16s", machine.machine())))
                    .append(Printable.line(machine.opens() + " links open, " + machine.breaks() + " break" + (machine.files().isEmpty() ? "" : ", " + machine.files().size() + " files cannot be there"))).append('\n');
            machine.links().stream().limit(MOST_BREAKS).forEach(broken -> line("    " + report.links().get(broken.link()).document() + ": “" + report.links().get(broken.link()).text() + "”: " + broken.why()));
            machine.files().stream().limit(MOST_BREAKS).forEach(refused -> line("    “" + refused.path() + "”: " + refused.why()));
            int more = Math.max(0, machine.links().size() - MOST_BREAKS) + Math.max(0, machine.files().size() - MOST_BREAKS);
            if (more > 0) {
                line("    and " + more + " more");
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
