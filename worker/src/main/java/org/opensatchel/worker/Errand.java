package org.opensatchel.worker;

import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.nio.file.Path;
import java.util.List;
import org.opensatchel.core.json.JsonDocuments;
import org.opensatchel.core.project.FileIndex;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.core.project.ReadLimits;

/** What a worker is asked besides checks: whatever else reads, draws or learns from what somebody sent. It goes over like a {@link WorkOrder}. */
@JsonTypeInfo(use = JsonTypeInfo.Id.SIMPLE_NAME, property = "errand")
public sealed interface Errand {

    Project project();

    /**
     * A project as it lies on this machine.
     *
     * @param archive where the archive or the list lies
     * @param contents where the file lies that says where each content is; empty unless it is a folder
     * @param form what the archive holds
     */
    record Project(String archive, String contents, WorkOrder.Form form, ReadLimits limits) {

        /** The project, to be closed. */
        ProjectSource open() throws java.io.IOException {
            return form.open(Path.of(archive), contents.isEmpty() ? HeldContents.NONE : HeldContents.read(Path.of(contents)));
        }
    }

    /**
     * One file to be looked at; answered by a {@link org.opensatchel.worker.view.FileView}.
     *
     * @param at the place as the report writes it
     * @param text what stands there
     */
    record View(Project project, FileIndex.Line file, String at, String text) implements Errand {}

    /**
     * A picture drawn anew; answered by a PNG file, or by nothing.
     *
     * @param largest how long its longer side becomes at most, in pixels
     */
    record Picture(Project project, FileIndex.Line file, int largest) implements Errand {

        /** How long the longer side of a picture in a list is, in pixels. */
        public static final int IN_A_LIST = 108;
    }

    /** Several of both; answered by a list of {@link Made}, of what could be made within the limits. */
    record Prepare(Project project, List<Wish> wishes, long mostBytes) implements Errand {}

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
    record Index(Project project, String kit, java.util.Map<org.opensatchel.core.naming.RosterField, String> fields) implements Errand {}

    /**
     * What an example teaches; answered by a {@link Taught}.
     *
     * @param mostDocuments most bytes of documents that are learned from
     */
    record Learn(Project project, long mostDocuments) implements Errand {}

    /** A description tried on a project; answered by a {@link Trial}. */
    record Try(Project project, String profile) implements Errand {}

    /** The errand as it goes over. */
    default byte[] bytes() {
        return JsonDocuments.MAPPER.writerFor(Errand.class).writeValueAsBytes(this);
    }

    static Errand read(byte[] json) {
        return JsonDocuments.MAPPER.readValue(json, Errand.class);
    }
}
