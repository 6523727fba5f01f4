package org.opensatchel.web.errand;

import java.io.Closeable;
import java.io.IOException;
import java.util.List;
import org.opensatchel.worker.Errand;

/** A project that lies on this machine for as long as a worker needs it. */
public record Lent(Errand.Project project, List<Closeable> held) implements Closeable {

    public Lent {
        held = List.copyOf(held);
    }

    @Override
    public void close() throws IOException {
        IOException first = null;
        for (Closeable one : held) {
            try {
                one.close();
            } catch (IOException broken) {
                first = first == null ? broken : first;
            }
        }
        if (first != null) {
            throw first;
        }
    }
}
