package org.opensatchel.web.kit;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** A brief that somebody keeps for everybody here. */
@Entity
@Table(name = "media_preset")
class BriefPreset {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;
    private String title;
    @Column(columnDefinition = "text")
    private String brief;
    private Instant keptAt;
    private Long keptBy;

    protected BriefPreset() {
    }

    BriefPreset(String title) {
        this.title = title;
    }

    void keep(String written, Instant at, long by) {
        brief = written;
        keptAt = at;
        keptBy = by;
    }

    long id() {
        return id;
    }

    String title() {
        return title;
    }

    String brief() {
        return brief;
    }

    boolean isBy(long account) {
        return keptBy != null && keptBy == account;
    }
}
