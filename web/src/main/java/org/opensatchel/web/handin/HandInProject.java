package org.opensatchel.web.handin;

import java.io.Closeable;
import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.web.errand.Lent;
import org.opensatchel.web.storage.Contents;
import org.opensatchel.web.storage.LocalFile;
import org.opensatchel.web.storage.SatchelProperties;
import org.opensatchel.worker.Errand;
import org.opensatchel.worker.HeldContents;
import org.opensatchel.worker.WorkOrder;
import org.springframework.stereotype.Service;

/** The project of a hand-in, as it came: lent to workers, or opened here to be given out. */
@Service
public class HandInProject {

    private final HandInRepository handIns;
    private final Contents contents;
    private final SatchelProperties properties;

    HandInProject(HandInRepository handIns, Contents contents, SatchelProperties properties) {
        this.handIns = handIns;
        this.contents = contents;
        this.properties = properties;
    }

    /** An open project, and the file it is read from. */
    public record Opened(ProjectSource source, LocalFile stored) implements Closeable {
        @Override
        public void close() throws IOException {
            try (stored; source) {
                // Both are closed, whichever breaks.
            }
        }
    }

    /** Opens it here, to be given out as a whole; closed by who asks. */
    public Opened open(HandInService.Shown shown) throws IOException {
        HandInRepository.Claimed handIn = handIns.claimed(shown.handIn().id());
        LocalFile stored = contents.local(handIn.getSha256());
        try {
            return new Opened(WorkOrder.Form.valueOf(handIn.getForm()).open(stored.path(), this::content), stored);
        } catch (IOException broken) {
            stored.close();
            throw broken;
        }
    }

    private InputStream content(String sha256) throws IOException {
        LocalFile file = contents.local(sha256);
        return new FilterInputStream(Files.newInputStream(file.path())) {
            @Override
            public void close() throws IOException {
                try (file) {
                    super.close();
                }
            }
        };
    }

    /** All of it. */
    public Lent lend(long handIn) throws IOException {
        return lend(handIns.claimed(handIn));
    }

    /** All of what is known already. */
    Lent lend(HandInRepository.Claimed row) throws IOException {
        return lend(row, handIns.files(row.getId()));
    }

    /**
     * As much of it as is needed for some of its files.
     *
     * @param handles where they lie; of a folder, the hashes of their contents
     */
    public Lent lend(long handIn, Collection<String> handles) throws IOException {
        return lend(handIns.claimed(handIn), handles);
    }

    private Lent lend(HandInRepository.Claimed row, Collection<String> handles) throws IOException {
        WorkOrder.Form form = WorkOrder.Form.valueOf(row.getForm());
        List<Closeable> held = new ArrayList<>();
        try {
            LocalFile stored = contents.local(row.getSha256());
            held.add(stored);
            String list = form == WorkOrder.Form.FOLDER ? list(handles, held) : "";
            return new Lent(new Errand.Project(stored.path().toString(), list, form, properties.limits().read()), held);
        } catch (IOException broken) {
            new Lent(new Errand.Project("", "", form, properties.limits().read()), held).close();
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
