package org.opensatchel.cli;

import java.util.List;
import java.util.concurrent.Callable;
import org.opensatchel.formats.described.Profile;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.ParentCommand;

/** {@code satchel profile explain}: what a profile says, in words. */
@Command(name = "explain", mixinStandardHelpOptions = true, description = "Says what is in a profile.")
final class ProfileExplainCommand implements Callable<Integer> {

    @ParentCommand
    private ProfileCommand parent;
    @Parameters(paramLabel = "PROFILE", description = "the profile")
    private String file;

    @Override
    public Integer call() throws Refusal {
        Profile profile = ProfileFiles.open(List.of(file)).profiles().get(0);
        parent.satchel().out().println(Printable.line(profile.title()));
        profile.kinds().forEach(parent::print);
        parent.satchel().out().flush();
        return 0;
    }
}
