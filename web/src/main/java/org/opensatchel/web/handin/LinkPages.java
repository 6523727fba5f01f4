package org.opensatchel.web.handin;

import jakarta.persistence.EntityManager;
import java.sql.PreparedStatement;
import java.util.List;
import org.hibernate.Session;
import org.springframework.stereotype.Component;

/** Keeps the pages of a report's links: thousands of rows in one go, within the transaction of whoever asks. */
@Component
public class LinkPages {

    private static final int AT_ONCE = 200;

    private final EntityManager entities;

    LinkPages(EntityManager entities) {
        this.entities = entities;
    }

    /** Puts these pages in the place of those there are. */
    public void keep(long handIn, List<byte[]> pages) {
        entities.unwrap(Session.class).doWork(connection -> {
            try (PreparedStatement remove = connection.prepareStatement("delete from hand_in_links where hand_in_id = ?")) {
                remove.setLong(1, handIn);
                remove.executeUpdate();
            }
            try (PreparedStatement add = connection
                    .prepareStatement("insert into hand_in_links (hand_in_id, page, content) values (?, ?, ?)")) {
                for (int page = 0; page < pages.size(); page++) {
                    add.setLong(1, handIn);
                    add.setInt(2, page);
                    add.setBytes(3, pages.get(page));
                    add.addBatch();
                    if (page % AT_ONCE == AT_ONCE - 1) {
                        add.executeBatch();
                    }
                }
                add.executeBatch();
            }
        });
    }
}
