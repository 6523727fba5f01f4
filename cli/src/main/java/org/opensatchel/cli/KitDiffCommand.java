package org.opensatchel.cli;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.opensatchel.core.kit.KitChange;
import org.opensatchel.core.kit.KitDifference;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.words.Words;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.ParentCommand;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** {@code satchel kit diff}: what changed from one kit to another, in words. Exit status 0: nothing; 1: something. */
@Command(name = "diff", mixinStandardHelpOptions = true, description = "Says what changed from one kit to another.")
final class KitDiffCommand implements Callable<Integer> {

    @ParentCommand
    private KitCommand parent;
    @Parameters(index = "0", paramLabel = "A", description = "the earlier kit")
    private String before;
    @Parameters(index = "1", paramLabel = "B", description = "the later kit")
    private String after;
    @Option(names = "--format", paramLabel = "text|json", description = "how to print (${DEFAULT-VALUE})", defaultValue = "text")
    private Output format;

    @Override
    public Integer call() throws Refusal, IOException {
        try (KitFiles old = KitFiles.open(before, Optional.empty()); KitFiles fresh = KitFiles.open(after, Optional.empty())) {
            List<KitChange> changes = KitDifference.between(old.kit(), fresh.kit());
            if (format == Output.json) {
                Output.print(json(old.kit(), fresh.kit(), changes, parent.satchel().words()), parent.satchel().out());
            } else {
                changes.forEach(change -> parent.satchel().out().println(Printable.line(parent.satchel().words().text(change.what()))));
                if (changes.isEmpty()) {
                    parent.satchel().out().println(parent.satchel().words().fill("diff.same"));
                }
                parent.satchel().out().flush();
            }
            return changes.isEmpty() ? 0 : 1;
        }
    }

    private static ObjectNode json(Kit before, Kit after, List<KitChange> changes, Words words) {
        ObjectNode out = Output.object().put("diff", 1);
        out.set("before", Output.kit(before));
        out.set("after", Output.kit(after));
        ArrayNode list = out.putArray("changes");
        changes.forEach(change -> {
            ObjectNode one = list.addObject().put("part", change.part()).put("kind", change.kind().word());
            if (!change.name().isEmpty()) {
                one.put("name", change.name());
            }
            one.put("text", words.text(change.what()));
        });
        return out;
    }
}
