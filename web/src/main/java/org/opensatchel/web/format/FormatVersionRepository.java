package org.opensatchel.web.format;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface FormatVersionRepository extends Repository<FormatVersion, Long> {

    FormatVersion save(FormatVersion version);

    Optional<FormatVersion> findFirstByFormatIdOrderByVersionDesc(long formatId);

    Optional<FormatVersion> findByFormatIdAndVersion(long formatId, int version);

    /** The newest version of each of some formats. */
    @Query("select v from FormatVersion v where v.formatId in ?1"
            + " and v.version = (select max(w.version) from FormatVersion w where w.formatId = v.formatId)")
    List<FormatVersion> newest(Collection<Long> formats);
}
