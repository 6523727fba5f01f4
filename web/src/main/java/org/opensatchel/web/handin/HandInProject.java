package org.opensatchel.web.handin;

import java.io.Closeable;
import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.web.storage.Contents;
import org.opensatchel.web.storage.LocalFile;
import org.opensatchel.worker.WorkOrder;
import org.springframework.stereotype.Service;

/** The project of a hand-in, as it came. */
@Service
public class HandInProject {

    private final HandInRepository handIns;
    private final Contents contents;

    HandInProject(HandInRepository handIns, Contents contents) {
        this.handIns = handIns;
        this.contents = contents;
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

    /** Opens it, to be closed. */
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
}
