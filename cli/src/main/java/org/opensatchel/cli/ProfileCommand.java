package org.opensatchel.cli;

import java.io.PrintStream;
import java.util.List;
import org.opensatchel.core.example.SlotStory;
import org.opensatchel.core.words.Words;
import org.opensatchel.formats.described.Kind;
import org.opensatchel.formats.described.Slot;
import picocli.CommandLine.Command;
import picocli.CommandLine.ParentCommand;

/** {@code satchel profile …}: what is known of the documents of programs that write no open format. */
@Command(name = "profile", mixinStandardHelpOptions = true, description = "Learns from examples where a program's documents keep their links.", synopsisSubcommandLabel = "COMMAND", subcommands = {
        ProfileLearnCommand.class, ProfileTestCommand.class, ProfileExplainCommand.class})
final class ProfileCommand implements Runnable {

    @ParentCommand
    private Satchel satchel;

    Satchel satchel() {
        return satchel;
    }

    @Override
    public void run() {
        satchel.out().println(
                "satchel profile learn EXAMPLE… [--files GLOB] -o P.profile.json · profile test P.profile.json PROJECT… · profile explain P.profile.json");
    }

    /** Prints what a kind's slots are, and what is undecided. */
    void print(Kind kind) {
        PrintStream out = satchel.out();
        Words words = satchel.words();
        out.println(Printable.line(words.fill("profile.kind", kind.files().substring(kind.files().lastIndexOf('/') + 1))));
        if (kind.absolute()) {
            out.println(Printable.line("  " + words.fill("profile.absolute")));
        }
        slots(kind, kind.slots(), "  ");
        if (!kind.undecided().isEmpty()) {
            out.println(Printable.line("  " + words.fill("profile.undecided")));
            slots(kind, kind.undecided(), "    ");
        }
    }

    private void slots(Kind kind, List<Slot> slots, String indent) {
        Words words = satchel.words();
        for (Slot slot : slots) {
            SlotStory story = SlotStory.of(kind, slot);
            satchel.out().println(Printable.line(indent + words.text(story.role()) + ": " + words.text(story.where())));
            satchel.out().println(Printable.line(indent + "    " + words.text(story.evidence())));
        }
    }
}
