package org.opensatchel.worker;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.core.example.Examples;
import org.opensatchel.core.example.NothingLearned;
import org.opensatchel.core.example.ProfileTrial;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.project.ContentUnavailable;
import org.opensatchel.core.project.FileIndex;
import org.opensatchel.core.project.Intake;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.core.project.RootFinder;
import org.opensatchel.core.project.SourceEntry;
import org.opensatchel.core.project.TreeBuilder;
import org.opensatchel.core.report.ReportDigest;
import org.opensatchel.core.report.ReportJson;
import org.opensatchel.formats.described.Profile;
import org.opensatchel.formats.described.ProfileReader;
import org.opensatchel.formats.described.ProfileWriter;
import org.opensatchel.formats.described.learn.Example;
import org.opensatchel.formats.described.learn.Learned;
import org.opensatchel.formats.described.learn.Learner;
import org.opensatchel.worker.view.FileView;
import org.opensatchel.worker.view.Viewer;

/** What is made of one project for an errand. */
final class ErrandWork {

    private ErrandWork() {
    }

    /** What is made of an open project. */
    interface Use {
        byte[] of(ProjectSource source) throws IOException;
    }

    static byte[] with(Errand.Project project, Use use) throws IOException {
        try (ProjectSource source = project.open()) {
            return use.of(source);
        }
    }

    static FileView viewed(Errand.View view, ProjectSource source) throws IOException {
        return new Viewer(source).view(entry(source, view.file()), view.at(), view.text());
    }

    static byte[] drawn(Errand.Picture picture, ProjectSource source) throws IOException {
        return new Viewer(source).picture(entry(source, picture.file()), picture.largest()).orElse(new byte[0]);
    }

    private static SourceEntry entry(ProjectSource source, FileIndex.Line file) throws ContentUnavailable {
        return source.entry(file);
    }

    static List<Errand.Made> prepared(Errand.Prepare prepare, ProjectSource source) throws IOException {
        Viewer viewer = new Viewer(source);
        List<Errand.Made> out = new ArrayList<>();
        long bytes = 0;
        for (int i = 0; i < prepare.wishes().size() && bytes < prepare.mostBytes(); i++) {
            Errand.Wish wish = prepare.wishes().get(i);
            SourceEntry entry = entry(source, wish.file());
            Optional<byte[]> content = wish.largest() > 0 ? viewer.picture(entry, wish.largest())
                    : Optional.of(JsonDocuments.MAPPER.writeValueAsBytes(viewer.view(entry, wish.at(), wish.text())));
            if (content.isPresent() && bytes + content.get().length <= prepare.mostBytes()) {
                bytes += content.get().length;
                out.add(new Errand.Made(i, content.get()));
            }
        }
        return out;
    }

    static List<byte[]> pages(Errand.Index index, ProjectSource source) throws IOException {
        if (!(source.list(index.project().limits()) instanceof Intake.Opened opened)) {
            return List.of();
        }
        Optional<Kit> kit = WorkOrder.kitIn(index.kit());
        RosterFields fields = WorkOrder.fields(index.fields());
        return FileIndex.pages(new TreeBuilder(source, kit, fields, index.project().limits())
                .build(opened.listing(), new RootFinder(kit, fields).find(opened.listing())).tree(), source);
    }

    static Taught learned(Errand.Learn learn, ProjectSource source) throws IOException {
        Examples.Reading reading = Examples.open(source, learn.project().limits(), learn.mostDocuments(), Optional.empty(),
                Optional.empty());
        if (reading.example().isEmpty()) {
            return nothing(reading.refusal().orElseThrow());
        }
        List<Example> examples = List.of(reading.example().get());
        Learned learned = new Learner(examples).learn();
        Optional<Phrase> nothing = NothingLearned.of(examples, learned);
        return new Taught(learned.profile("Learned").map(profile -> new String(ProfileWriter.write(profile), StandardCharsets.UTF_8)),
                learned.samples(), learned.locations(), learned.documents(), nothing.map(Facts::json));
    }

    private static Taught nothing(Phrase why) {
        return new Taught(Optional.empty(), Map.of(), List.of(), List.of(), Optional.of(Facts.json(why)));
    }

    static Trial tried(Errand.Try errand, ProjectSource source) throws IOException {
        Profile profile = ProfileReader.read(errand.profile().getBytes(StandardCharsets.UTF_8)).profile()
                .orElseThrow(() -> new IOException("the profile of this errand cannot be read"));
        ProfileTrial trial = ProfileTrial.of(source, true, profile, errand.project().limits());
        return new Trial(trial.documents(), trial.differing(), trial.unread(),
                Packed.pack(ReportJson.bytes(ReportDigest.of(trial.report()))));
    }
}
