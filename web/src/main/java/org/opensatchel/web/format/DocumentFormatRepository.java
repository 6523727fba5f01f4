package org.opensatchel.web.format;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface DocumentFormatRepository extends Repository<DocumentFormat, Long> {

    DocumentFormat save(DocumentFormat format);

    /** What a course may use: its own, then what is shared. */
    @Query("select f from DocumentFormat f where f.courseId = ?1 or f.courseId is null order by f.courseId nulls last, f.title")
    List<DocumentFormat> usable(long course);

    @Query("select f from DocumentFormat f where f.id = ?1 and (f.courseId = ?2 or f.courseId is null)")
    Optional<DocumentFormat> usable(long id, long course);

    @Query("select f from DocumentFormat f where f.title = ?1 and (f.courseId = ?2 or (?2 is null and f.courseId is null))")
    Optional<DocumentFormat> titled(String title, Long course);
}
