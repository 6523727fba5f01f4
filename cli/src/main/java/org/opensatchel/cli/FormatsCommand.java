package org.opensatchel.cli;

import java.util.Locale;
import java.util.concurrent.Callable;
import org.opensatchel.core.words.Words;
import org.opensatchel.formats.Formats;
import org.opensatchel.formats.format.Format;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParentCommand;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** {@code satchel formats}: which documents are read. */
@Command(name = "formats", mixinStandardHelpOptions = true, description = "Lists the formats whose links are read.")
final class FormatsCommand implements Callable<Integer> {

    @ParentCommand
    private Satchel satchel;
    @Option(names = "--format", paramLabel = "text|json", description = "how to print (${DEFAULT-VALUE})", defaultValue = "text")
    private Output format;

    @Override
    public Integer call() {
        if (format == Output.json) {
            ObjectNode json = Output.object();
            ArrayNode formats = json.putArray("formats");
            for (Format reader : Formats.documents()) {
                ObjectNode one = formats.addObject().put("id", reader.id()).put("format", Words.ENGLISH.format(reader.id()));
                ArrayNode extensions = one.putArray("extensions");
                reader.endings().forEach(extensions::add);
            }
            Output.print(json, satchel.out());
            return 0;
        }
        Formats.documents().stream()
                .map(reader -> String.format(Locale.ROOT, "%-32s %s", satchel.words().format(reader.id()),
                        String.join(" ", reader.endings().stream().map(extension -> "." + extension).toList())))
                .sorted(String.CASE_INSENSITIVE_ORDER)
                .forEach(satchel.out()::println);
        satchel.out().println();
        satchel.out().println(satchel.words().fill("formats.more"));
        return 0;
    }
}
