package org.opensatchel.cli;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.lint.KitLint;
import org.opensatchel.core.lint.LintCode;
import org.opensatchel.core.lint.LintFault;
import org.opensatchel.core.lint.LintSubject;
import org.opensatchel.core.naming.RosterField;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.pack.Handout;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.ParentCommand;

/** {@code satchel kit handout}: one student's kit as a ZIP; the same kit for the same student is the same bytes. */
@Command(name = "handout", mixinStandardHelpOptions = true, description = "Makes one student's kit as a ZIP.")
final class KitHandoutCommand implements Callable<Integer> {

    @ParentCommand
    private KitCommand parent;
    @Parameters(paramLabel = "KIT", description = "a kit document or a kit package")
    private String kit;
    @Option(names = "--for", paramLabel = "FIELDS", description = "whose kit it is: last=…,first=…,course=…,assignment=…")
    private List<String> whose = new ArrayList<>();
    @Option(names = "--starter", paramLabel = "DIR", description = "the folder with the starter files")
    private String starter;
    @Option(names = {"-o", "--output"}, paramLabel = "OUT.zip", required = true, description = "the file to write")
    private String output;

    @Override
    public Integer call() throws Refusal, IOException {
        RosterFields given = ForFields.read(whose);
        try (KitFiles files = KitFiles.open(kit, Optional.ofNullable(starter))) {
            RosterFields fields = assignment(files.kit(), given);
            Handout handout = Handout.of(files.kit(), files.sha256(), fields, parent.satchel().words())
                    .orElseThrow(() -> nameless(files.kit(), fields));
            Handout.StarterContents contents = contents(files);
            write(handout, contents, OutputFile.of(output), files.kit());
            return 0;
        }
    }

    /** The kit itself may tell which assignment it is for. */
    private static RosterFields assignment(Kit kit, RosterFields given) {
        return given.values().containsKey(RosterField.ASSIGNMENT) ? given
                : kit.assignment().map(code -> given.with(RosterField.ASSIGNMENT, code)).orElse(given);
    }

    private static Refusal nameless(Kit kit, RosterFields fields) {
        List<String> missing = Handout.missing(kit, fields).stream().map(RosterField::word).toList();
        return missing.isEmpty()
                ? Handout.refusal(kit, fields).map(why -> new Refusal("said", why))
                        .orElse(new Refusal("handout.free-field", kit.root().text()))
                : new Refusal("handout.missing", kit.root().text(), String.join(", ", missing));
    }

    private Handout.StarterContents contents(KitFiles files) throws Refusal, IOException {
        if (files.kit().starter().isEmpty()) {
            return file -> {
                throw new IOException("this kit has no starter files");
            };
        }
        Handout.StarterContents contents = files.contents().orElseThrow(() -> new Refusal("handout.no-starter"));
        for (LintFault fault : KitLint.judge(new LintSubject(files.kit(), List.of(), files.contents()))) {
            if (fault.code() == LintCode.STARTER_MISSING || fault.code() == LintCode.STARTER_DIFFERS) {
                throw new Refusal("said", fault.what());
            }
        }
        return contents;
    }

    private void write(Handout handout, Handout.StarterContents contents, OutputFile to, Kit planned) throws Refusal {
        to.write(out -> handout.write(out, contents));
        parent.satchel().out().println(Printable.line(parent.satchel().words().fill("handout.made", to.name(), handout.root(),
                handout.folders().size(), planned.starter().size())));
        parent.satchel().out().flush();
    }
}
