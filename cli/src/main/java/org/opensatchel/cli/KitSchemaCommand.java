package org.opensatchel.cli;

import org.opensatchel.core.kit.KitSchema;
import picocli.CommandLine.Command;
import picocli.CommandLine.ParentCommand;

/** {@code satchel kit schema}: the JSON Schema of the kit document. */
@Command(name = "schema", mixinStandardHelpOptions = true, description = "Prints the JSON Schema of kits, for editors that complete and check them.")
final class KitSchemaCommand implements Runnable {

    @ParentCommand
    private KitCommand parent;

    @Override
    public void run() {
        parent.satchel().out().print(KitSchema.text());
        parent.satchel().out().flush();
    }
}
