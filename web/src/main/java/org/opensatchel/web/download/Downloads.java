package org.opensatchel.web.download;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.core.kit.KitWriter;
import org.opensatchel.core.naming.RosterField;
import org.opensatchel.core.words.Words;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.errand.Errands;
import org.opensatchel.web.errand.Lent;
import org.opensatchel.web.handin.HandInProject;
import org.opensatchel.web.job.Job;
import org.opensatchel.web.job.JobService;
import org.opensatchel.web.job.JobWork;
import org.opensatchel.web.kit.KitService;
import org.opensatchel.web.storage.MadeFiles;
import org.opensatchel.web.storage.NoRoom;
import org.opensatchel.web.text.Speech;
import org.opensatchel.worker.Copied;
import org.opensatchel.worker.Errand;
import org.springframework.stereotype.Component;

/** Archives of hand-ins that are made to be downloaded: jobs, in which a worker copies one project after the other. */
@Component
class Downloads implements JobWork {

    private final JobService jobs;
    private final HandInProject projects;
    private final KitService kits;
    private final Errands errands;
    private final MadeFiles made;

    Downloads(JobService jobs, HandInProject projects, KitService kits, Errands errands, MadeFiles made) {
        this.jobs = jobs;
        this.projects = projects;
        this.kits = kits;
        this.errands = errands;
        this.made = made;
    }

    /**
     * A project that goes along.
     *
     * @param root what its folder is called in the archive
     * @param asItCame what it is called there when it cannot be opened
     * @param whose whose it is, for what is noted
     */
    record Picked(long handIn, long enrolment, Map<RosterField, String> fields, String root, String asItCame, String whose) {}

    /**
     * What is asked for.
     *
     * @param kit the version of the kit by which roots are known; 0 for none
     * @param name what the archive is called
     * @param language in which what could not come along is noted
     */
    record Wanted(long assignment, long kit, List<Picked> picked, String name, String language) {}

    /**
     * What was made.
     *
     * @param file what {@link MadeFiles} calls it
     */
    record Made(String file, String name, long bytes) {}

    /** Asks for it; empty when this person waits for as much as one may. */
    Optional<Job> ask(AssignmentView assignment, long account, Wanted wanted) {
        Optional<Job> asked = jobs.ask(kind(), assignment.courseId(), account, JsonDocuments.MAPPER.writeValueAsBytes(wanted));
        if (asked.filter(Job::isDone).isPresent() && file(asked.get()).isEmpty()) {
            jobs.forget(asked.get());
            return jobs.ask(kind(), assignment.courseId(), account, JsonDocuments.MAPPER.writeValueAsBytes(wanted));
        }
        return asked;
    }

    /** A job of an assignment, by its number. */
    Optional<Job> find(AssignmentView assignment, long id) {
        return jobs.find(kind(), assignment.courseId(), id).filter(job -> wanted(job).assignment == assignment.id());
    }

    Wanted wanted(Job job) {
        return JsonDocuments.MAPPER.readValue(jobs.work(job), Wanted.class);
    }

    Made made(Job done) {
        return JsonDocuments.MAPPER.readValue(jobs.answer(done), Made.class);
    }

    /** The archive itself, as long as it stays. */
    Optional<Path> file(Job done) {
        try {
            return made.find(made(done).file);
        } catch (IOException gone) {
            return Optional.empty();
        }
    }

    @Override
    public String kind() {
        return "download";
    }

    @Override
    public Lane lane() {
        return Lane.CLASSES;
    }

    @Override
    public byte[] run(JobWork.Asked asked, JobWork.Going going) throws Failed {
        Wanted wanted = JsonDocuments.MAPPER.readValue(asked.work(), Wanted.class);
        String kit = wanted.kit == 0 ? "" : new String(KitWriter.write(kits.version(wanted.kit).kit()), StandardCharsets.UTF_8);
        Words words = Speech.in(Locale.forLanguageTag(wanted.language));
        try (MadeFiles.Folder folder = made.folder()) {
            List<String> parts = new ArrayList<>();
            StringBuilder note = new StringBuilder();
            int done = 0;
            for (Picked one : wanted.picked) {
                going.done(done, wanted.picked.size());
                String part = folder.path().resolve(Integer.toString(done++)).toString();
                Copied copied = copied(one, kit, part, wanted.picked.size() > 1, going);
                if (Files.exists(Path.of(part))) {
                    parts.add(part);
                }
                if (!copied.readable()) {
                    note.append(one.whose).append(": ").append(words.fill("download.unreadable")).append("\r\n");
                }
                copied.left().forEach(path -> note.append(one.whose).append(": ").append(words.fill("download.left", path)).append("\r\n"));
            }
            going.done(done, wanted.picked.size());
            Path all = folder.path().resolve("all");
            room(answer(() -> new Lent<>(new Errand.Join(parts, note.toString(), all.toString()), List.of()), going));
            long bytes = Files.size(all);
            return JsonDocuments.MAPPER.writeValueAsBytes(new Made(made.keep(all), wanted.name, bytes));
        } catch (NoRoom full) {
            throw new Failed(Job.Trouble.ROOM);
        } catch (IOException broken) {
            throw new UncheckedIOException(broken);
        }
    }

    /** @param others whether there are others, so that one that is not to be had is noted and not the end of all */
    private Copied copied(Picked one, String kit, String to, boolean others, JobWork.Going going) throws Failed {
        try {
            return room(
                    answer(() -> projects.lend(one.handIn).as(project -> new Errand.Copy(project, kit, one.fields, one.root, one.asItCame,
                            to, made.room())), going));
        } catch (Errands.NoAnswer none) {
            if (!others || !none.isGone() && !none.isOfSize()) {
                throw none;
            }
            // Half an archive is none.
            deleted(Path.of(to));
            return new Copied(true, List.of(one.root), false);
        }
    }

    private static void deleted(Path part) {
        try {
            Files.deleteIfExists(part);
        } catch (IOException stays) {
            throw new UncheckedIOException(stays);
        }
    }

    private static Copied room(Copied copied) throws Failed {
        if (copied.full()) {
            throw new Failed(Job.Trouble.ROOM);
        }
        return copied;
    }

    private Copied answer(Errands.Lending lending, JobWork.Going going) {
        return JsonDocuments.MAPPER.readValue(errands.run(lending, errands.copy(), going::isStopped), Copied.class);
    }
}
