package org.opensatchel.web.handin;

import java.io.Closeable;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.opensatchel.web.course.NotAccessible;
import org.opensatchel.web.errand.Lent;
import org.opensatchel.web.storage.Contents;
import org.opensatchel.web.storage.LocalFile;
import org.opensatchel.web.storage.SatchelProperties;
import org.opensatchel.worker.Errand;
import org.opensatchel.worker.HeldContents;
import org.opensatchel.worker.WorkOrder;
import org.springframework.stereotype.Service;

/** The project of a hand-in, as it came: lent to workers, or given out as it is. */
@Service
public class HandInProject {

    private final HandInRows rows;
    private final Contents contents;
    private final SatchelProperties properties;

    HandInProject(HandInRows rows, Contents contents, SatchelProperties properties) {
        this.rows = rows;
        this.contents = contents;
        this.properties = properties;
    }

    /** Of one that was deleted meanwhile nothing is there any more, like a file that is gone. */
    public CameIn cameIn(long handIn) throws NoSuchFileException {
        return rows.cameIn(handIn).orElseThrow(() -> new NoSuchFileException("hand-in " + handIn));
    }

    /** What came, as the file it is kept as. */
    public LocalFile asItCame(HandInService.Shown shown) throws IOException {
        return contents.local(cameIn(shown.handIn().id()).sha256());
    }

    /** All of it. */
    public Lent<Errand.Project> lend(long handIn) throws IOException {
        return lend(cameIn(handIn));
    }

    /** All of what is known already. */
    public Lent<Errand.Project> lend(CameIn row) throws IOException {
        return lend(row, rows.files(row.id()));
    }

    /**
     * As much of it as is needed for some of its files.
     *
     * @param handles where they lie; of a folder, the hashes of their contents
     */
    public Lent<Errand.Project> lend(long handIn, Collection<String> handles) throws IOException {
        return lend(cameIn(handIn), handles);
    }

    /** Its whole report, as a file. */
    public Lent<String> lendReport(long handIn) throws IOException {
        byte[] report = rows.report(handIn).orElseThrow(NotAccessible::new);
        Path file = Files.createTempFile("satchel-report", "");
        Lent<String> lent = new Lent<>(file.toString(), List.of(() -> Files.deleteIfExists(file)));
        try {
            Files.write(file, report);
            return lent;
        } catch (IOException broken) {
            lent.close();
            throw broken;
        }
    }

    private Lent<Errand.Project> lend(CameIn row, Collection<String> handles) throws IOException {
        WorkOrder.Form form = row.form();
        List<Closeable> held = new ArrayList<>();
        try {
            LocalFile stored = contents.local(row.sha256());
            held.add(stored);
            String list = form == WorkOrder.Form.FOLDER ? list(handles, held) : "";
            return new Lent<>(new Errand.Project(stored.path().toString(), list, form, properties.limits().read()), held);
        } catch (IOException broken) {
            new Lent<>(new Errand.Project("", "", form, properties.limits().read()), held).close();
            throw broken;
        }
    }

    private String list(Collection<String> hashes, List<Closeable> held) throws IOException {
        Map<String, Path> where = new HashMap<>();
        for (String hash : hashes) {
            LocalFile file = contents.local(hash);
            held.add(file);
            where.put(hash, file.path());
        }
        Path list = Files.createTempFile("satchel-held", "");
        held.add(() -> Files.deleteIfExists(list));
        HeldContents.write(where, list);
        return list.toString();
    }
}
