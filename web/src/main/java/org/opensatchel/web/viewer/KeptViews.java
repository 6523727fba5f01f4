package org.opensatchel.web.viewer;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import org.opensatchel.base.hash.Sha256;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** What was made to be shown of files of hand-ins. It goes with its hand-in, and when that is checked again; of each only so much is kept. */
@Component
class KeptViews {

    private static final long MOST_BYTES = 16L << 20;

    private final JdbcClient database;

    KeptViews(JdbcClient database) {
        this.database = database;
    }

    /**
     * What a view is kept under.
     *
     * @param largest how large a picture was drawn; 0 for what is no picture
     */
    static String name(String path, int largest, String at, String text) {
        String all = String.join("\n", path, Integer.toString(largest), at, text);
        return Sha256.hex(Sha256.digest().digest(all.getBytes(StandardCharsets.UTF_8)));
    }

    Optional<byte[]> find(long handIn, String name) {
        List<byte[]> found = database.sql("select content from hand_in_view where hand_in_id = ? and name = ?").param(handIn).param(name)
                .query((row, number) -> row.getBytes(1)).list();
        return found.stream().findFirst();
    }

    /** Keeps one, while there is room and the hand-in is there, which is not deleted meanwhile. */
    void keep(long handIn, String name, byte[] content) {
        database.sql("insert into hand_in_view (hand_in_id, name, content) select h.id, ?, ? from hand_in h where h.id = ? and ? > "
                + "(select coalesce(sum(length(v.content)), 0) from hand_in_view v where v.hand_in_id = h.id) for key share of h on conflict do nothing")
                .param(name).param(content).param(handIn).param(MOST_BYTES - content.length).update();
    }
}
