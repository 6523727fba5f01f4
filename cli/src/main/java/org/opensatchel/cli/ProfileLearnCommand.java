package org.opensatchel.cli;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.core.example.Examples;
import org.opensatchel.core.example.NothingLearned;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.formats.described.Profile;
import org.opensatchel.formats.described.ProfileWriter;
import org.opensatchel.formats.described.learn.Example;
import org.opensatchel.formats.described.learn.Learned;
import org.opensatchel.formats.described.learn.Learner;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.ParentCommand;

/** {@code satchel profile learn}: writes a profile from projects that work. */
@Command(name = "learn", mixinStandardHelpOptions = true, description = "Learns a format from projects that work: folders, ZIP archives or listings.")
final class ProfileLearnCommand implements Callable<Integer> {

    @ParentCommand
    private ProfileCommand parent;
    @Parameters(paramLabel = "EXAMPLE", arity = "1..*", description = "a project that works; two saved in two places tell more than one")
    private List<String> examples;
    @Option(names = "--files", paramLabel = "GLOB", description = "learn from these files only, as *.kin")
    private String files;
    @Option(names = "--location", paramLabel = "PATH", description = "where an example lay when it was saved; may be given once for each, in their order")
    private List<String> locations = new ArrayList<>();
    @Option(names = "--documents", paramLabel = "DIR|ZIP", description = "the documents of a listing")
    private String documents;
    @Option(names = "--title", paramLabel = "TITLE", description = "what the format is to be called")
    private String title;
    @Option(names = {"-o", "--output"}, paramLabel = "FILE", required = true, description = "the file to write")
    private String output;
    @Mixin
    private LimitOptions limits;

    @Override
    public Integer call() throws Refusal, IOException {
        OutputFile to = OutputFile.of(output);
        List<Example> opened = new ArrayList<>();
        for (int i = 0; i < examples.size(); i++) {
            opened.add(open(examples.get(i), i < locations.size() ? Optional.of(locations.get(i)) : Optional.empty()));
        }
        Learned learned = new Learner(opened).learn();
        Optional<Phrase> nothing = NothingLearned.of(opened, learned);
        if (nothing.isPresent()) {
            throw new Refusal("profile.nothing", nothing.get());
        }
        String first = learned.kinds().get(0).files();
        Profile profile = learned.profile(title == null || title.isBlank()
                ? parent.satchel().words().fill("profile.title", first.substring(first.lastIndexOf('/') + 1))
                : title).orElseThrow();
        to.write(out -> out.write(ProfileWriter.write(profile)));
        learned.kinds().forEach(parent::print);
        parent.satchel().out().flush();
        return 0;
    }

    private Example open(String example, Optional<String> location) throws Refusal, IOException {
        try (ProjectSource source = Sources.open(example, Optional.ofNullable(documents)).source()) {
            Examples.Reading reading = Examples.open(source, limits.limits(), Optional.ofNullable(files), location);
            return reading.example().orElseThrow(() -> new Refusal("profile.refused", example, reading.refusal().orElseThrow()));
        }
    }
}
