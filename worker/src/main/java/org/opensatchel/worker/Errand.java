package org.opensatchel.worker;

import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.core.naming.RosterField;
import org.opensatchel.core.project.FileIndex;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.core.project.ReadLimits;
import org.opensatchel.core.roster.RosterChoice;
import org.opensatchel.core.words.SarifLog;
import org.opensatchel.core.words.Words;

/** What a worker is asked besides checks: whatever else reads, draws or learns from what somebody sent. It goes over like a {@link WorkOrder}. */
@JsonTypeInfo(use = JsonTypeInfo.Id.SIMPLE_NAME, property = "errand")
public sealed interface Errand {

    /**
     * Carries it out, in the worker's process.
     *
     * @return the answer, as each errand says
     * @throws IOException when what it is about is not to be had, or cannot be written
     */
    byte[] answer() throws IOException;

    /**
     * A project as it lies on this machine.
     *
     * @param archive where the archive or the list lies
     * @param contents where the file lies that says where each content is; empty unless it is a folder
     * @param form what the archive holds
     */
    record Project(String archive, String contents, WorkOrder.Form form, ReadLimits limits) {

        /** The project, to be closed. */
        ProjectSource open() throws IOException {
            return form.open(Path.of(archive), contents.isEmpty() ? HeldContents.NONE : HeldContents.read(Path.of(contents)));
        }
    }

    /**
     * One file to be looked at; answered by a {@link org.opensatchel.worker.view.FileView}.
     *
     * @param at the place as the report writes it
     * @param text what stands there
     */
    record View(Project project, FileIndex.Line file, String at, String text) implements Errand {
        @Override
        public byte[] answer() throws IOException {
            return ErrandWork.with(project, source -> json(ErrandWork.viewed(this, source)));
        }
    }

    /**
     * A picture drawn anew; answered by a PNG file, or by nothing.
     *
     * @param largest how long its longer side becomes at most, in pixels
     */
    record Picture(Project project, FileIndex.Line file, int largest) implements Errand {

        /** How long the longer side of a picture in a list is, in pixels. */
        public static final int IN_A_LIST = 108;

        @Override
        public byte[] answer() throws IOException {
            return ErrandWork.with(project, source -> ErrandWork.drawn(this, source));
        }
    }

    /** Several of both; answered by a list of {@link Made}, of what could be made within the limits. */
    record Prepare(Project project, List<Wish> wishes, long mostBytes) implements Errand {
        @Override
        public byte[] answer() throws IOException {
            return ErrandWork.with(project, source -> json(ErrandWork.prepared(this, source)));
        }
    }

    /**
     * One thing to be prepared.
     *
     * @param largest for a picture; 0 for a view
     */
    record Wish(FileIndex.Line file, int largest, String at, String text) {}

    /**
     * What came of a wish.
     *
     * @param number which one, from 0
     */
    record Made(int number, byte[] content) {}

    /**
     * The index of a project that was checked before there was one; answered by its pages.
     *
     * @param kit the kit document it was held against; empty for none
     */
    record Index(Project project, String kit, Map<RosterField, String> fields) implements Errand {
        @Override
        public byte[] answer() throws IOException {
            return ErrandWork.with(project, source -> json(ErrandWork.pages(this, source)));
        }
    }

    /**
     * What an example teaches; answered by a {@link Taught}.
     *
     * @param mostDocuments most bytes of documents that are learned from
     */
    record Learn(Project project, long mostDocuments) implements Errand {
        @Override
        public byte[] answer() throws IOException {
            return ErrandWork.with(project, source -> json(ErrandWork.learned(this, source)));
        }
    }

    /** A description tried on a project; answered by a {@link Trial}. */
    record Try(Project project, String profile) implements Errand {
        @Override
        public byte[] answer() throws IOException {
            return ErrandWork.with(project, source -> json(ErrandWork.tried(this, source)));
        }
    }

    /**
     * What many people's work is read from.
     *
     * @param alone what it is called when it is one person's project as a whole; empty where it holds the work of many
     */
    record Lot(Project project, Optional<String> alone) {}

    /**
     * Whose work there is among many people's; answered by a {@link Delivered.All}.
     *
     * @param most so many are told of at most
     * @param mostBytes archives in it are looked into for their markers, up to so many bytes together
     */
    record Look(List<Lot> lots, int most, long mostBytes) implements Errand {
        @Override
        public byte[] answer() throws IOException {
            try (Batch batch = Batch.open(lots)) {
                return json(batch.all(this));
            }
        }
    }

    /**
     * One of them, written as an archive; answered by a {@link Delivered.Single}.
     *
     * @param number its place among all
     * @param name its name as it is kept, by which it is found when something came or went meanwhile
     * @param to the file that is written
     * @param mostBytes the longest it may be
     */
    record Take(List<Lot> lots, int number, String name, String to, long mostBytes) implements Errand {
        @Override
        public byte[] answer() throws IOException {
            try (Batch batch = Batch.open(lots)) {
                return json(batch.take(this));
            }
        }
    }

    /**
     * A project as an archive, its root under another name; answered by a {@link Copied}.
     *
     * @param kit the kit document that its root is known by; empty for none
     * @param root what its root is called in the archive
     * @param asItCame what it is called in the archive when it cannot be opened
     * @param to the file that is written
     * @param mostBytes the longest it may become
     */
    record Copy(Project project, String kit, Map<RosterField, String> fields, String root, String asItCame, String to,
            long mostBytes) implements Errand {
        @Override
        public byte[] answer() throws IOException {
            return ErrandWork.with(project, source -> json(Copies.copy(this, source)));
        }
    }

    /**
     * Archives of {@link Copy}, as one; they are gone then. Answered by a {@link Copied}.
     *
     * @param note what is said about what did not come along; empty for nothing
     * @param to the file that is written
     */
    record Join(List<String> parts, String note, String to) implements Errand {
        @Override
        public byte[] answer() throws IOException {
            return json(Copies.join(this));
        }
    }

    /**
     * A project at one time.
     *
     * @param kit the kit document it was held against; empty for none
     * @param report the file its report lies in, compressed
     */
    record Side(Project project, String kit, Map<RosterField, String> fields, String report) {}

    /**
     * What became of a project; answered by a {@link Compared}.
     *
     * @param most of each kind of change so many are told at most
     */
    record Compare(Side before, Side now, int most) implements Errand {
        @Override
        public byte[] answer() throws IOException {
            return json(Compared.of(this));
        }
    }

    /**
     * A roster file; answered by an {@link Enrolled}.
     *
     * @param classes of a bundle, the classes that are wanted; all when empty
     * @param choice of a table, what was said of its columns
     */
    record Enrol(String file, Set<String> classes, RosterChoice choice, ReadLimits limits) implements Errand {
        @Override
        public byte[] answer() throws IOException {
            return json(Enrolled.read(Path.of(file), classes, choice, limits));
        }
    }

    /**
     * A plan that an example project suggests; answered by an {@link Offered}.
     *
     * @param title what the kit that is planned is called
     */
    record Propose(Project project, String title) implements Errand {
        @Override
        public byte[] answer() throws IOException {
            return ErrandWork.with(project, source -> json(Offered.proposed(source, title, project.limits())));
        }
    }

    /**
     * A kit package; answered by an {@link Offered}.
     *
     * @param into the folder its starter files are laid into
     * @param mostBytes the most that all of them may hold
     */
    record Unpack(String file, String into, long mostBytes, ReadLimits limits) implements Errand {
        @Override
        public byte[] answer() throws IOException {
            return json(Offered.unpacked(this));
        }
    }

    /**
     * A report in the form of other programs (SARIF 2.1.0), which is the answer.
     *
     * @param report the file it lies in, compressed
     * @param language in which things are said
     */
    record Sarif(String report, String language) implements Errand {
        @Override
        public byte[] answer() throws IOException {
            return json(SarifLog.of(List.of(Packed.report(Path.of(report))), Words.in(Locale.forLanguageTag(language))));
        }
    }

    /** A page of ours as a PDF file, which is the answer. */
    record Print(String page) implements Errand {
        @Override
        public byte[] answer() throws IOException {
            return Printer.pdf(page);
        }
    }

    private static byte[] json(Object answer) {
        return JsonDocuments.MAPPER.writeValueAsBytes(answer);
    }

    /** The errand as it goes over. */
    default byte[] bytes() {
        return JsonDocuments.MAPPER.writerFor(Errand.class).writeValueAsBytes(this);
    }

    static Errand read(byte[] json) {
        return JsonDocuments.MAPPER.readValue(json, Errand.class);
    }
}
