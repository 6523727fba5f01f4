package org.opensatchel.cli;

import java.io.PrintStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.opensatchel.core.naming.NamePattern;
import org.opensatchel.core.naming.NameVerdict;
import org.opensatchel.core.naming.PatternFault;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.words.Words;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.ParentCommand;
import tools.jackson.databind.node.ObjectNode;

/** {@code satchel name …}: name patterns. */
@Command(name = "name", mixinStandardHelpOptions = true, description = "Tries out name patterns.", synopsisSubcommandLabel = "COMMAND", subcommands = NameCommand.Trial.class)
final class NameCommand implements Runnable {

    @ParentCommand
    private Satchel satchel;

    @Override
    public void run() {
        satchel.out().println("satchel name test PATTERN NAME [--for last=…,first=…] [--ascii] [--format text|json]");
    }

    /** {@code satchel name test}: whether a name fits a pattern, and where it first differs. */
    @Command(name = "test", mixinStandardHelpOptions = true, description = "Tests a name against a pattern.")
    static final class Trial implements Callable<Integer> {

        @ParentCommand
        private NameCommand parent;
        @Parameters(index = "0", paramLabel = "PATTERN", description = "literal text and {fields}")
        private String pattern;
        @Parameters(index = "1", paramLabel = "NAME", description = "the name to test")
        private String name;
        @Option(names = "--for", paramLabel = "FIELDS", description = "whose name it is: last=…,first=…")
        private List<String> whose = new ArrayList<>();
        @Option(names = "--ascii", description = "accents are dropped")
        private boolean ascii;
        @Option(names = "--format", paramLabel = "text|json", description = "how to print (${DEFAULT-VALUE})", defaultValue = "text")
        private Output format;

        @Override
        public Integer call() throws Refusal {
            NamePattern.Reading reading = NamePattern.read(pattern);
            if (reading.fault().isPresent()) {
                PatternFault fault = reading.fault().get();
                throw new Refusal("name.unreadable", fault.at() + 1, pattern, fault.what());
            }
            RosterFields fields = ForFields.read(whose);
            NameVerdict result = reading.pattern().orElseThrow().test(name, fields, ascii);
            Optional<String> made = reading.pattern().orElseThrow().make(fields, ascii);
            if (format == Output.json) {
                Output.print(json(result, made), parent.satchel.out());
            } else {
                text(result, made, parent.satchel.out());
            }
            return result.fits() ? 0 : 1;
        }

        private Words words() {
            return parent.satchel.words();
        }

        private ObjectNode json(NameVerdict result, Optional<String> made) {
            ObjectNode out = Output.object().put("pattern", pattern).put("name", name).put("fits", result.fits());
            made.ifPresent(text -> out.put("makes", text));
            if (result instanceof NameVerdict.Differs differs) {
                out.put("at", differs.at()).put("expected", words().text(differs.expected()));
                differs.nearest().ifPresent(text -> out.put("nearest", text));
            }
            return out;
        }

        private void text(NameVerdict result, Optional<String> made, PrintStream out) {
            if (result instanceof NameVerdict.Differs differs) {
                out.println(Printable.line(name));
                int shown = Printable
                        .of(name.substring(0, name.offsetByCodePoints(0, Math.min(differs.at(), name.codePointCount(0, name.length())))))
                        .length();
                out.println(" ".repeat(Math.min(shown, 1_000)) + "^");
                out.println(Printable.line(words().fill("name.at", differs.at() + 1, words().text(differs.expected()))));
                differs.nearest().ifPresent(text -> out.println(Printable.line(words().fill("name.nearest", text))));
            } else {
                out.println(Printable.line(words().fill("name.fits", name)));
            }
            made.filter(text -> !result.fits()).ifPresent(text -> out.println(Printable.line(words().fill("name.makes", text))));
            out.flush();
        }
    }
}
