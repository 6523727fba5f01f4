package org.opensatchel.web.kit;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface BriefPresetRepository extends Repository<BriefPreset, Long> {

    BriefPreset save(BriefPreset preset);

    void delete(BriefPreset preset);

    @Query("select p from BriefPreset p order by lower(p.title)")
    List<BriefPreset> all();

    Optional<BriefPreset> findById(long id);

    @Query("select p from BriefPreset p where lower(p.title) = lower(?1)")
    Optional<BriefPreset> titled(String title);

    long count();
}
