package org.opensatchel.cli;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import org.opensatchel.core.check.rule.Rules;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.naming.EditDistance;
import org.opensatchel.core.words.Sentence;
import org.opensatchel.core.words.Words;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.ParentCommand;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** {@code satchel explain CODE}: what a finding means, why it matters, and how it is fixed. */
@Command(name = "explain", mixinStandardHelpOptions = true, description = "Explains a finding's code; without one, lists all.")
final class ExplainCommand implements Callable<Integer> {

    @ParentCommand
    private Satchel satchel;
    @Parameters(paramLabel = "CODE", arity = "0..1", description = "like link.pinned")
    private String code;
    @Option(names = "--format", paramLabel = "text|json", description = "how to print (${DEFAULT-VALUE})", defaultValue = "text")
    private Output format;

    @Override
    public Integer call() throws Refusal {
        Set<Code> judged = Rules.judged();
        Words words = satchel.words();
        if (code == null) {
            judged.forEach(known -> satchel.out()
                    .println(String.format(Locale.ROOT, "%-30s %-7s %s", known.id(), known.severity().word(), words.title(known))));
            return 0;
        }
        Code known = Code.of(code).filter(judged::contains).orElseThrow(() -> near(judged));
        if (format == Output.json) {
            ObjectNode json = Output.object().put("code", known.id()).put("severity", known.severity().word())
                    .put("title", words.title(known)).put("why", words.why(known).toString());
            ArrayNode remedy = json.putArray("remedy");
            words.remedy(known).forEach(step -> remedy.add(step.toString()));
            Output.print(json, satchel.out());
            return 0;
        }
        satchel.out().println(words.fill("explain.code", known.id(), known.severity()));
        satchel.out().println(words.title(known) + ".");
        satchel.out().println();
        satchel.out().println(words.fill("explain.why", words.why(known)));
        satchel.out().println();
        List<Sentence> remedy = words.remedy(known);
        for (int i = 0; i < remedy.size(); i++) {
            satchel.out().println("  " + (i + 1) + ". " + remedy.get(i));
        }
        return 0;
    }

    private Refusal near(Set<Code> judged) {
        String asked = code.toLowerCase(Locale.ROOT);
        Optional<String> near = judged.stream().map(Code::id)
                .filter(id -> id.endsWith("." + asked) || EditDistance.within(asked, id, 3) <= 3).findFirst();
        return near.map(id -> new Refusal("explain.near", code, id))
                .orElseGet(() -> new Refusal("explain.unknown", code,
                        judged.stream().map(one -> one.family().word()).distinct().collect(Collectors.joining(", "))));
    }
}
