package org.opensatchel.cli;

import java.util.Arrays;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import org.opensatchel.core.check.Checks;
import org.opensatchel.core.finding.Advice;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.naming.EditDistance;
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
        Map<Code, Advice> catalogue = Checks.catalogue();
        if (code == null) {
            catalogue.forEach((known, advice) -> satchel.out().println(String.format("%-30s %-7s %s", known.id(), known.severity().word(), advice.title())));
            return 0;
        }
        Code known = Code.of(code).filter(catalogue::containsKey).orElseThrow(() -> new Refusal("There is no finding “" + code + "”." + near(catalogue)));
        Advice advice = catalogue.get(known);
        if (format == Output.json) {
            ObjectNode json = Output.object().put("code", known.id()).put("severity", known.severity().word()).put("title", advice.title()).put("why", advice.why());
            ArrayNode remedy = json.putArray("remedy");
            advice.remedy().forEach(remedy::add);
            Output.print(json, satchel.out());
            return 0;
        }
        satchel.out().println(known.id() + "  (" + known.severity().word() + ", unless the kit says otherwise)");
        satchel.out().println(advice.title() + ".");
        satchel.out().println();
        satchel.out().println("Why it matters: " + advice.why());
        satchel.out().println();
        for (int i = 0; i < advice.remedy().size(); i++) {
            satchel.out().println("  " + (i + 1) + ". " + advice.remedy().get(i));
        }
        return 0;
    }

    private String near(Map<Code, Advice> catalogue) {
        String asked = code.toLowerCase(java.util.Locale.ROOT);
        Optional<String> near = catalogue.keySet().stream().map(Code::id).filter(id -> id.endsWith("." + asked) || EditDistance.within(asked, id, 3) <= 3).findFirst();
        return near.map(id -> " Did you mean “" + id + "”?").orElse(" Families are " + Arrays.stream(Code.values()).map(one -> one.family().word()).distinct().collect(Collectors.joining(", ")) + "; satchel explain lists all codes.");
    }
}
