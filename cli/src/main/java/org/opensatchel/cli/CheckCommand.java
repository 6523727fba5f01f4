package org.opensatchel.cli;

import java.io.IOException;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Callable;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.core.check.CheckRequest;
import org.opensatchel.core.check.ProjectCheck;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.location.ProjectLocation;
import org.opensatchel.core.location.TeamLocation;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.core.report.Report;
import org.opensatchel.core.report.ReportJson;
import org.opensatchel.core.report.Verdict;
import org.opensatchel.core.words.SarifLog;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.ParentCommand;

/** {@code satchel check}: checks folders, archives and listings, and prints what was found. */
@Command(name = "check", mixinStandardHelpOptions = true, description = "Checks projects: folders, ZIP archives or listings.")
final class CheckCommand implements Callable<Integer> {

    private static final int MOST_NAMED = 3;

    /** The output formats. */
    enum Format {
        text, json, sarif
    }

    @ParentCommand
    private Satchel satchel;
    @Parameters(paramLabel = "PROJECT", arity = "1..*", description = "a folder, a ZIP archive or a listing")
    private List<String> projects;
    @Option(names = "--kit", paramLabel = "FILE", description = "the kit to check against")
    private String kitFile;
    @Option(names = "--for", paramLabel = "FIELDS", description = "whose project it is: last=…,first=…,course=…,assignment=…")
    private List<String> whose = new ArrayList<>();
    @Option(names = "--location", paramLabel = "PATH", description = "where the student says the project lies")
    private String location;
    @Option(names = "--team-location", paramLabel = "NAME=PATH", description = "where another of the team says it lies; may be given several times")
    private Map<String, String> team = new LinkedHashMap<>();
    @Option(names = "--earlier", paramLabel = "REPORT", description = "the report of the hand-in before: what sealed folders had then")
    private String earlier;
    @Option(names = "--documents", paramLabel = "DIR|ZIP", description = "the documents of a listing")
    private String documents;
    @Option(names = "--machine", paramLabel = "NAME|FILE", description = "a machine it has to open on; may be given several times")
    private List<String> machines = new ArrayList<>();
    @Option(names = "--profile", paramLabel = "FILE", description = "a profile that says where a program's documents keep their links; may be given several times")
    private List<String> profiles = new ArrayList<>();
    @Option(names = "--format", paramLabel = "text|json|sarif", description = "how to print (${DEFAULT-VALUE})", defaultValue = "text")
    private Format format;
    @Option(names = "--why", description = "say of each finding why it matters")
    private boolean why;

    @Option(names = "--quiet", description = "print only what must be fixed")
    private boolean quiet;
    private final Set<String> absent = new LinkedHashSet<>();
    /** For the formats that hold all reports in one document. */
    private final List<Report> made = new ArrayList<>();
    @Mixin
    private LimitOptions limits;

    @Override
    public Integer call() throws Refusal, IOException {
        RosterFields fields = ForFields.read(whose);
        if (projects.size() > 1 && (!whose.isEmpty() || earlier != null)) {
            throw new Refusal("check.for-one");
        }
        Optional<Kit> kit = kitFile == null ? Optional.empty() : Optional.of(KitFiles.document(kitFile, limits.kitBytes()));
        ProfileFiles described = ProfileFiles.open(profiles);
        if (kit.isPresent()) {
            described.requireAll(kit.get().links().named());
        }
        CheckRequest request = CheckRequest.of(kit, fields).at(Instant.now().truncatedTo(ChronoUnit.SECONDS)).within(limits.limits())
                .located(Optional.ofNullable(location).filter(text -> !text.isBlank()).map(ProjectLocation::of))
                .teamed(team.entrySet().stream().map(member -> new TeamLocation(member.getKey(), member.getValue())).toList())
                .after(earlier == null ? List.of() : EarlierReport.sealed(earlier))
                .carriedTo(MachineFiles.read(machines)).described(described.profiles()).in(satchel.words());
        int worst = tellAbsent() ? Satchel.FAILED : 0;
        for (String project : projects) {
            worst = Math.max(worst, absent.contains(project) ? 0 : one(project, request));
        }
        if (format == Format.sarif) {
            satchel.out().println(JsonDocuments.MAPPER.writeValueAsString(SarifLog.of(made, satchel.words())));
            satchel.out().flush();
        }
        return worst;
    }

    /** Projects that do not exist are told in one line, however many they are: a wrong folder is one mistake. */
    private boolean tellAbsent() {
        projects.stream().filter(Sources::isAbsent).forEach(absent::add);
        if (absent.size() < 2) {
            absent.clear();
            return false;
        }
        List<String> shown = absent.stream().limit(MOST_NAMED).map(project -> satchel.words().fill("source.quoted", project)).toList();
        satchel.err().println(Printable.line("satchel: " + satchel.words().fill("source.absent-many", absent.size(), projects.size(),
                String.join(", ", shown), absent.size() - shown.size())));
        return true;
    }

    private int one(String project, CheckRequest request) throws IOException {
        try {
            Sources.Opened opened = Sources.open(project, Optional.ofNullable(documents));
            try (ProjectSource source = opened.source()) {
                Report report = new ProjectCheck(request.withDocuments(opened.hasDocuments())).run(source);
                print(project, report);
                return status(report.verdict());
            }
        } catch (Refusal refusal) {
            satchel.err().println(Printable.line("satchel: " + refusal.in(satchel.words())));
        } catch (IOException unreadable) {
            satchel.err().println(Printable.line("satchel: " + satchel.words().fill("check.failed", project)));
        }
        return Satchel.FAILED;
    }

    private void print(String project, Report report) {
        if (report.verdict() == Verdict.BLOCKED) {
            satchel.err().println(Printable.line(
                    "satchel: " + satchel.words().fill("check.blocked", project, satchel.words().of(report.findings().get(0)).message())));
        }
        if (format == Format.sarif) {
            made.add(report);
        } else if (format == Format.json) {
            ReportJson.write(report, satchel.out());
            satchel.out().println();
        } else if (projects.size() > 1) {
            satchel.out().println(TextReport.summary(project, report, Colours.wanted(), satchel.words()));
        } else if (report.verdict() != Verdict.BLOCKED) {
            satchel.out().print(new TextReport(report, quiet, why, Colours.wanted(), satchel.words()).text());
        }
        satchel.out().flush();
    }

    private static int status(Verdict verdict) {
        return switch (verdict) {
            case READY -> 0;
            case FIX -> 1;
            case BLOCKED -> Satchel.FAILED;
        };
    }
}
