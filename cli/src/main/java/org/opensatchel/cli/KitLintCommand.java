package org.opensatchel.cli;

import java.io.IOException;
import java.io.PrintStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.opensatchel.core.finding.Severity;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.lint.KitLint;
import org.opensatchel.core.lint.LintFault;
import org.opensatchel.core.lint.LintSubject;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.words.Words;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.ParentCommand;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** {@code satchel kit lint}: what is wrong with a kit before it goes out. */
@Command(name = "lint", mixinStandardHelpOptions = true, description = "Checks a kit before it goes out.")
final class KitLintCommand implements Callable<Integer> {

    @ParentCommand
    private KitCommand parent;
    @Parameters(paramLabel = "KIT", description = "a kit document or a kit package")
    private String kit;
    @Option(names = "--starter", paramLabel = "DIR", description = "the folder with the starter files")
    private String starter;
    @Option(names = "--for", paramLabel = "FIELDS", description = "a student it goes to: last=…,first=…")
    private List<String> whose = new ArrayList<>();
    @Option(names = "--format", paramLabel = "text|json", description = "how to print (${DEFAULT-VALUE})", defaultValue = "text")
    private Output format;

    @Override
    public Integer call() throws Refusal, IOException {
        RosterFields fields = ForFields.read(whose);
        try (KitFiles files = KitFiles.open(kit, Optional.ofNullable(starter))) {
            List<LintFault> faults = KitLint
                    .judge(new LintSubject(files.kit(), fields.values().isEmpty() ? List.of() : List.of(fields), files.contents()));
            boolean good = KitLint.mayBePublished(faults);
            if (format == Output.json) {
                Output.print(json(files.kit(), faults, good, parent.satchel().words()), parent.satchel().out());
            } else {
                text(files, faults, good);
            }
            return good ? 0 : 1;
        }
    }

    private static ObjectNode json(Kit kit, List<LintFault> faults, boolean good, Words words) {
        ObjectNode out = Output.object().put("lint", 1);
        out.set("kit", Output.kit(kit));
        out.put("publishable", good);
        ArrayNode list = out.putArray("faults");
        faults.forEach(fault -> list.addObject().put("code", fault.code().id()).put("severity", fault.code().severity().word())
                .put("at", fault.at()).put("message", words.text(fault.what())).put("remedy", words.text(fault.remedy())));
        return out;
    }

    private void text(KitFiles files, List<LintFault> faults, boolean good) {
        PrintStream out = parent.satchel().out();
        Words words = parent.satchel().words();
        long must = faults.stream().filter(fault -> fault.code().severity() == Severity.MUST).count();
        out.println(Printable.line(words.fill("lint.head", files.kit().title(), files.kit().version(), good, must, faults.size() - must)));
        for (LintFault fault : faults) {
            out.println();
            out.println(Printable
                    .line((fault.code().severity() == Severity.MUST ? "◆ must  " : "◇ should  ") + fault.code().id() + "  " + fault.at()));
            out.println(Printable.line("  " + words.text(fault.what())));
            out.println(Printable.line("  " + words.text(fault.remedy())));
        }
        if (files.contents().isEmpty() && !files.kit().starter().isEmpty()) {
            out.println();
            out.println(words.fill("lint.no-starter"));
        }
        out.flush();
    }
}
