package org.opensatchel.web.feedback;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface FeedbackLetterRepository extends Repository<FeedbackLetter, Long> {

    Optional<FeedbackLetter> findById(long id);

    @Query("select s from FeedbackLetter s where s.handInId = :handIn and s.sentAt is null")
    Optional<FeedbackLetter> open(long handIn);

    @Query("select s from FeedbackLetter s where s.handInId in :handIns and s.sentAt is not null order by s.sentAt")
    List<FeedbackLetter> sent(Collection<Long> handIns);

    FeedbackLetter saveAndFlush(FeedbackLetter slip);

    @Modifying
    @Query("delete from FeedbackLetter s where s.handInId = :handIn and s.sentAt is null")
    void removeOpen(long handIn);
}
