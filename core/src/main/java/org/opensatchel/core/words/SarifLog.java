package org.opensatchel.core.words;

import static org.opensatchel.base.fact.FactName.FOUND;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.base.path.PercentCoding;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Severity;
import org.opensatchel.core.report.FindingGroups;
import org.opensatchel.core.report.Report;
import org.opensatchel.core.report.Report.FindingLine;
import org.opensatchel.core.report.Verdict;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Reports as a log of the Static Analysis Results Interchange Format (SARIF 2.1.0, OASIS, with errata 01): a run for each
 * project, a rule for each code that was found, and under {@code headings} what a person would read first. Paths are URIs below the
 * project's root.
 */
public final class SarifLog {

    private static final String SCHEMA = "https://docs.oasis-open.org/sarif/sarif/v2.1.0/errata01/os/schemas/sarif-schema-2.1.0.json";
    private static final String ROOT = "PROJECTROOT";
    private static final Pattern LINE = Pattern.compile("([1-9][0-9]{0,8}):([1-9][0-9]{0,8})");

    private final Words words;

    private SarifLog(Words words) {
        this.words = words;
    }

    /** The log of some reports, one run each, in their order. */
    public static ObjectNode of(List<Report> reports, Words words) {
        SarifLog writer = new SarifLog(words);
        ObjectNode log = object().put("$schema", SCHEMA).put("version", "2.1.0");
        ArrayNode runs = log.putArray("runs");
        reports.forEach(report -> runs.add(writer.run(report)));
        return log;
    }

    private static ObjectNode object() {
        return JsonDocuments.MAPPER.createObjectNode();
    }

    private ObjectNode run(Report report) {
        ObjectNode run = object();
        ObjectNode driver = run.putObject("tool").putObject("driver").put("name", "Open Satchel").put("version", "0.1.0");
        ArrayNode rules = driver.putArray("rules");
        Map<Code, Integer> indexes = new EnumMap<>(Code.class);
        ObjectNode invocation = run.putArray("invocations").addObject().put("executionSuccessful", report.verdict() != Verdict.BLOCKED)
                .put("endTimeUtc", report.made().toString());
        if (!report.notChecked().isEmpty()) {
            ArrayNode told = invocation.putArray("toolExecutionNotifications");
            words.notChecked(report.notChecked())
                    .forEach(what -> told.addObject().put("level", "note").putObject("message").put("text", what.toString()));
        }
        ObjectNode root = run.putObject("originalUriBaseIds").putObject(ROOT);
        root.putObject("description").put("text", words.say("sarif.root", Facts.NONE.and(FOUND, report.project().root())).toString());
        run.put("columnKind", "unicodeCodePoints");
        ArrayNode results = run.putArray("results");
        for (FindingLine finding : report.findings()) {
            Code code = Code.of(finding.code()).orElseThrow(() -> new IllegalArgumentException("unknown code " + finding.code()));
            int index = indexes.computeIfAbsent(code, added -> {
                rules.add(rule(added));
                return rules.size() - 1;
            });
            results.add(result(finding, index));
        }
        ObjectNode properties = run.putObject("properties").put("verdict", report.verdict().word());
        ArrayNode headings = properties.putArray("headings");
        FindingGroups.of(report.findings()).forEach(group -> headings.add(words.heading(group).bounded()));
        report.kit().ifPresent(kit -> properties.put("kit", kit.title() + " v" + kit.version()));
        return run;
    }

    private ObjectNode rule(Code code) {
        ObjectNode rule = object().put("id", code.id());
        rule.putObject("shortDescription").put("text", words.title(code) + ".");
        rule.putObject("fullDescription").put("text", words.why(code).toString());
        rule.putObject("help").put("text", String.join("\n", words.remedy(code).stream().map(Sentence::toString).toList()));
        rule.putObject("defaultConfiguration").put("level", level(code.severity().word()));
        return rule;
    }

    private static String level(String severity) {
        return severity.equals(Severity.MUST.word()) ? "error" : severity.equals(Severity.SHOULD.word()) ? "warning" : "note";
    }

    private ObjectNode result(FindingLine finding, int rule) {
        Said said = words.of(finding);
        ObjectNode result = object().put("ruleId", finding.code()).put("ruleIndex", rule).put("level", level(finding.severity()));
        result.putObject("message").put("text", said.message().bounded());
        result.putArray("locations").add(location(finding.path(), finding.at().orElse("")));
        ArrayNode related = JsonDocuments.MAPPER.createArrayNode();
        finding.consequences().orElse(List.of()).forEach(follows -> {
            ObjectNode location = location(follows.path(), follows.at().orElse(""));
            location.putObject("message").put("text", words.of(follows).bounded());
            related.add(location.put("id", related.size()));
        });
        if (!related.isEmpty()) {
            result.set("relatedLocations", related);
        }
        finding.sure().ifPresent(sure -> result.put("rank", Math.round(sure * 100)));
        ObjectNode properties = result.putObject("properties");
        ArrayNode remedy = properties.putArray("remedy");
        said.remedy().forEach(step -> remedy.add(step.bounded()));
        finding.proposal()
                .ifPresent(proposal -> properties.putObject("proposal").put("path", proposal.path()).put("sure", proposal.sure()));
        return result;
    }

    private static ObjectNode location(String path, String at) {
        ObjectNode location = object();
        ObjectNode physical = location.putObject("physicalLocation");
        physical.putObject("artifactLocation").put("uri", path.isEmpty() ? "./" : PercentCoding.encode(path)).put("uriBaseId", ROOT);
        Matcher line = LINE.matcher(at);
        if (line.matches()) {
            physical.putObject("region").put("startLine", Integer.parseInt(line.group(1))).put("startColumn",
                    Integer.parseInt(line.group(2)));
        } else if (!at.isEmpty()) {
            location.putArray("logicalLocations").addObject().put("fullyQualifiedName", at);
        }
        return location;
    }
}
