package org.opensatchel.cli;

import picocli.CommandLine.Command;
import picocli.CommandLine.ParentCommand;

/** {@code satchel kit …}: what an instructor does with a kit before it goes out. */
@Command(name = "kit", mixinStandardHelpOptions = true, description = "Checks, hands out, compares and proposes kits.", synopsisSubcommandLabel = "COMMAND", subcommands = {
        KitLintCommand.class, KitHandoutCommand.class, KitDiffCommand.class, KitProposeCommand.class,
        KitSchemaCommand.class})
final class KitCommand implements Runnable {

    @ParentCommand
    private Satchel satchel;

    Satchel satchel() {
        return satchel;
    }

    @Override
    public void run() {
        satchel.out().println(
                "satchel kit lint KIT [--starter DIR] · kit handout KIT --for … [--starter DIR] -o OUT.zip · kit diff A B · kit propose PROJECT · kit schema");
    }
}
