package org.opensatchel.cli;

import java.util.List;
import org.opensatchel.core.report.Report;
import org.opensatchel.core.report.Report.ConsequenceLine;
import org.opensatchel.core.report.Report.FindingLine;

/** A report as text for a terminal. Severities have a mark each, so that none depends on colour. */
final class TextReport {

    private static final int MOST_CONSEQUENCES = 10;

    private TextReport() {
    }

    /** One line for one of several projects. */
    static String summary(String project, Report report) {
        return String.format("%-7s  %3d must  %3d should  %3d note  %s", report.verdict().word(), report.counts().must(), report.counts().should(), report.counts().note(), Printable.of(project));
    }

    /** The whole report; quiet keeps to what must be fixed. */
    static String whole(Report report, boolean quiet) {
        StringBuilder out = new StringBuilder();
        line(out, report.project().root().orElse("(no project folder)") + ": " + report.verdict().word());
        line(out, report.project().files() + " files, " + report.project().documents() + " documents, " + report.project().links() + " links; "
                + report.counts().must() + " must, " + report.counts().should() + " should, " + report.counts().note() + " note");
        List<FindingLine> shown = report.findings().stream().filter(finding -> !quiet || finding.severity().equals("must")).toList();
        for (FindingLine finding : shown) {
            out.append('\n');
            finding(out, finding);
        }
        if (!report.notChecked().isEmpty()) {
            line(out, "");
            line(out, "Not checked: " + String.join(", ", report.notChecked()) + ".");
        }
        return out.toString();
    }

    private static void finding(StringBuilder out, FindingLine finding) {
        String place = finding.path() + finding.at().map(at -> (at.startsWith("/") ? " " : ":") + at).orElse("");
        line(out, mark(finding.severity()) + " " + finding.severity() + "  " + finding.code() + (place.isEmpty() ? "" : "  " + place));
        line(out, "  " + finding.message());
        for (int i = 0; i < finding.remedy().size(); i++) {
            line(out, "  " + (i + 1) + ". " + finding.remedy().get(i));
        }
        List<ConsequenceLine> consequences = finding.consequences().orElse(List.of());
        for (ConsequenceLine consequence : consequences.subList(0, Math.min(MOST_CONSEQUENCES, consequences.size()))) {
            line(out, "    so: " + consequence.message());
        }
        if (consequences.size() > MOST_CONSEQUENCES) {
            line(out, "    and " + (consequences.size() - MOST_CONSEQUENCES) + " more that follow from it");
        }
    }

    private static String mark(String severity) {
        return switch (severity) {
            case "must" -> "◆";
            case "should" -> "◈";
            default -> "○";
        };
    }

    private static void line(StringBuilder out, String text) {
        out.append(Printable.line(text)).append('\n');
    }
}
