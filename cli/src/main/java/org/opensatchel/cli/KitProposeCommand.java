package org.opensatchel.cli;

import java.io.IOException;
import java.io.PrintStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.opensatchel.core.example.KitProposal;
import org.opensatchel.core.example.ProposalWording;
import org.opensatchel.core.example.ProposedPart;
import org.opensatchel.core.kit.KitWriter;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.core.words.Words;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.ParentCommand;

/** {@code satchel kit propose}: a kit proposed from an example; with {@code --format json} the kit document itself. */
@Command(name = "propose", mixinStandardHelpOptions = true, description = "Proposes a kit from an example folder, ZIP archive or listing.")
final class KitProposeCommand implements Callable<Integer> {

    @ParentCommand
    private KitCommand parent;
    @Parameters(paramLabel = "PROJECT", description = "the example")
    private String project;
    @Option(names = "--for", paramLabel = "FIELDS", description = "whose the example is: their names become fields")
    private List<String> whose = new ArrayList<>();
    @Option(names = "--title", paramLabel = "TITLE", description = "the kit's title")
    private String title;
    @Option(names = "--format", paramLabel = "text|json", description = "how to print (${DEFAULT-VALUE})", defaultValue = "text")
    private Output format;
    @Mixin
    private LimitOptions limits;

    @Override
    public Integer call() throws Refusal, IOException {
        try (ProjectSource source = Sources.open(project, Optional.empty()).source()) {
            KitProposal.Reading reading = KitProposal.of(source, ForFields.read(whose), limits.limits());
            KitProposal proposal = reading.proposal()
                    .orElseThrow(() -> new Refusal("propose.refused", project, reading.refusal().orElseThrow()));
            PrintStream out = parent.satchel().out();
            if (format == Output.json) {
                out.writeBytes(KitWriter.write(proposal.kit(title == null ? proposal.title() : title, part -> true)));
                out.println();
            } else {
                proposal.parts().forEach(part -> print(part, out));
            }
            out.flush();
            return 0;
        }
    }

    private void print(ProposedPart part, PrintStream out) {
        Words words = parent.satchel().words();
        out.println(Printable.line(
                kind(part) + "  " + (part instanceof ProposedPart.Names ? words.text(ProposalWording.NAME_RULES.say()) : part.title())));
        out.println(Printable.line("    " + words.text(part.why())
                + (part.examples().isEmpty() ? "" : " " + words.fill("propose.seen", String.join(", ", part.examples())))));
    }

    private static String kind(ProposedPart part) {
        return part instanceof ProposedPart.Root ? "root    "
                : part instanceof ProposedPart.Names ? "names   "
                        : part instanceof ProposedPart.Folder ? "folder  "
                                : part instanceof ProposedPart.Document ? "document" : "file    ";
    }
}
