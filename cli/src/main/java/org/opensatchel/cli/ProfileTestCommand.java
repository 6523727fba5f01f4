package org.opensatchel.cli;

import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import org.opensatchel.core.example.ProfileTrial;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.core.words.Words;
import org.opensatchel.formats.described.Profile;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.ParentCommand;

/** {@code satchel profile test}: which documents of other projects a profile describes, and what becomes of their links. */
@Command(name = "test", mixinStandardHelpOptions = true, description = "Tries a profile on projects.")
final class ProfileTestCommand implements Callable<Integer> {

    @ParentCommand
    private ProfileCommand parent;
    @Parameters(index = "0", paramLabel = "PROFILE", description = "the profile")
    private String file;
    @Parameters(index = "1..*", paramLabel = "PROJECT", arity = "1..*", description = "a folder, a ZIP archive or a listing")
    private List<String> projects;
    @Mixin
    private LimitOptions limits;

    @Override
    public Integer call() throws Refusal, IOException {
        Profile profile = ProfileFiles.open(List.of(file)).profiles().get(0);
        int worst = 0;
        for (String project : projects) {
            worst = Math.max(worst, one(project, profile));
        }
        parent.satchel().out().flush();
        return worst;
    }

    private int one(String project, Profile profile) throws Refusal, IOException {
        Sources.Opened opened = Sources.open(project, Optional.empty());
        try (ProjectSource source = opened.source()) {
            ProfileTrial trial = ProfileTrial.of(source, opened.hasDocuments(), profile, limits.limits());
            if (trial.isBlocked()) {
                throw new Refusal("check.blocked", project,
                        parent.satchel().words().of(trial.report().findings().get(0)).message().toString());
            }
            print(project, trial);
            return trial.fits() ? 0 : 1;
        }
    }

    private void print(String project, ProfileTrial trial) {
        if (trial.documents().isEmpty() && trial.differing().isEmpty() && trial.unread().isEmpty()) {
            say("profile.none-here", project);
        }
        trial.documents().forEach((document, counts) -> say("profile.document", document, counts(counts)));
        trial.differing().forEach(document -> say("profile.differs", document));
        trial.unread().forEach(document -> say("profile.unread", document));
    }

    private String counts(Map<String, Integer> counts) {
        Words words = parent.satchel().words();
        int all = counts.values().stream().mapToInt(Integer::intValue).sum();
        String each = counts.entrySet().stream().map(count -> count.getValue() + " " + count.getKey()).collect(Collectors.joining(", "));
        return words.fill("profile.counts", all, each.isEmpty() ? "none" : each);
    }

    private void say(String key, Object... values) {
        parent.satchel().out().println(Printable.line(parent.satchel().words().fill(key, values)));
    }
}
