package org.opensatchel.web.download;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyLong;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.stream.LongStream;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.core.project.ReadLimits;
import org.opensatchel.web.errand.Errands;
import org.opensatchel.web.errand.Lent;
import org.opensatchel.web.handin.HandInProject;
import org.opensatchel.web.job.JobService;
import org.opensatchel.web.job.JobWork;
import org.opensatchel.web.kit.KitService;
import org.opensatchel.web.storage.MadeFiles;
import org.opensatchel.worker.Errand;
import org.opensatchel.worker.WorkOrder;
import org.opensatchel.worker.WorkOutcome.Reason;

/** A project that ends in the middle of being copied is noted, and the others come along whole. */
class BrokenOffTest {

    private static final long TOO_MUCH = 2;

    @TempDir
    private Path temp;
    private final Errands errands = mock(Errands.class);
    private final HandInProject projects = mock(HandInProject.class);
    private final MadeFiles made = mock(MadeFiles.class);
    private Downloads downloads;
    private boolean atOnce;

    @BeforeEach
    void aWorkerThatGivesUpOnOne() throws IOException {
        when(projects.lend(anyLong())).thenAnswer(asked -> new Lent<>(project(asked.getArgument(0)), List.of()));
        when(made.room()).thenReturn(1L << 20);
        when(made.folder()).thenAnswer(asked -> new MadeFiles.Folder(Files.createDirectory(temp.resolve("work"))));
        when(made.keep(any())).thenAnswer(asked -> Files.move(asked.getArgument(0), temp.resolve("kept")).getFileName().toString());
        when(errands.copy()).thenReturn(Duration.ofMinutes(1));
        when(errands.run(any(), any(), any())).thenAnswer(asked -> {
            Errand errand = asked.<Errands.Lending>getArgument(0).lend().what();
            if (errand instanceof Errand.Copy copy && copy.project().archive().endsWith(Long.toString(TOO_MUCH))) {
                byte[] whole = zip(TOO_MUCH);
                Files.write(Path.of(copy.to()), atOnce ? new byte[0] : Arrays.copyOf(whole, whole.length / 2));
                throw new Errands.NoAnswer(Reason.MEMORY);
            }
            return errand.answer();
        });
        downloads = new Downloads(mock(JobService.class), projects, mock(KitService.class), errands, made);
    }

    private Errand.Project project(long number) throws IOException {
        Path archive = Files.write(temp.resolve("project-" + number), zip(number));
        return new Errand.Project(archive.toString(), "", WorkOrder.Form.ZIP, ReadLimits.DEFAULT);
    }

    private static byte[] zip(long number) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            zip.putNextEntry(new ZipEntry("kettle/" + number + ".txt"));
            zip.write("x".repeat(500).getBytes(StandardCharsets.UTF_8));
        }
        return out.toByteArray();
    }

    private byte[] run(long... numbers) throws JobWork.Failed {
        List<Downloads.Picked> picked = LongStream.of(numbers)
                .mapToObj(number -> new Downloads.Picked(number, number, Map.of(), "Project_" + number, "x.zip", "Person " + number))
                .toList();
        byte[] work = JsonDocuments.MAPPER.writeValueAsBytes(new Downloads.Wanted(1, 0, picked, "all.zip", "en"));
        return downloads.run(new JobWork.Asked(1, 1, work), mock(JobWork.Going.class));
    }

    @Test
    void theOthersComeAlongAndItIsNoted() throws Exception {
        for (boolean empty : List.of(false, true)) {
            atOnce = empty;
            Files.deleteIfExists(temp.resolve("kept"));
            run(1, TOO_MUCH, 3);
            try (ZipFile all = new ZipFile(temp.resolve("kept").toFile())) {
                assertThat(all.stream().map(ZipEntry::getName)).containsExactly("Project_1/1.txt", "Project_3/3.txt",
                        "NOT-COPIED.txt");
                assertThat(new String(all.getInputStream(all.getEntry("NOT-COPIED.txt")).readAllBytes(), StandardCharsets.UTF_8))
                        .startsWith("Person 2: ").doesNotContain("Person 1", "Person 3");
            }
            assertThat(temp.resolve("work")).doesNotExist();
        }
    }

    @Test
    void aloneItIsToldInsteadOfAnEmptyArchive() throws IOException {
        assertThatThrownBy(() -> run(TOO_MUCH)).isInstanceOfSatisfying(Errands.NoAnswer.class,
                none -> assertThat(none.isOfSize()).isTrue());
        try (Stream<Path> left = Files.list(temp)) {
            assertThat(left.map(path -> path.getFileName().toString())).doesNotContain("work", "kept");
        }
    }
}
