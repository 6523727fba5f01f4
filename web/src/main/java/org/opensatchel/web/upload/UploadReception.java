package org.opensatchel.web.upload;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.Optional;
import org.opensatchel.web.account.SignedIn;
import org.opensatchel.web.course.CourseService.Membership;
import org.opensatchel.web.handin.HandInQuota;
import org.opensatchel.web.storage.ContentStore;
import org.opensatchel.web.storage.ContentStore.Stored;
import org.opensatchel.web.storage.NoRoom;
import org.opensatchel.web.text.Speech;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;

/** Where uploads come in: one of few places, kept as they come, and whatever is wrong told in a sentence. */
@Component
class UploadReception {

    private static final Logger LOG = LoggerFactory.getLogger(UploadReception.class);

    private final ContentStore store;
    private final HandInQuota quota;
    private final UploadPlaces places;
    private final UploadMetrics metrics;

    UploadReception(ContentStore store, HandInQuota quota, UploadPlaces places, UploadMetrics metrics) {
        this.store = store;
        this.quota = quota;
        this.places = places;
        this.metrics = metrics;
    }

    /** What came of an upload: what was made of it, or why nothing was. */
    record Answer(HttpStatus status, long made, String refusal) {

        boolean isRefused() {
            return !refusal.isEmpty();
        }

        static Answer refused(HttpStatus status, String why) {
            return new Answer(status, 0, why);
        }
    }

    /** Makes something of what was stored. */
    interface Keeping {
        long keep(String fileName, Stored stored);
    }

    /** @param fileName the file's name as a header has it; a form brings its own */
    Answer take(Membership place, SignedIn me, String fileName, HttpServletRequest request, long mostBytes, Keeping keeping)
            throws IOException {
        Optional<String> refusal = quota.refusal(place, Math.max(0, request.getContentLengthLong()));
        if (refusal.isPresent()) {
            return Answer.refused(HttpStatus.UNPROCESSABLE_CONTENT, refusal.get());
        }
        if (!places.take(me.accountId())) {
            return Answer.refused(HttpStatus.TOO_MANY_REQUESTS, Speech.say("hand-in.crowd"));
        }
        try {
            Upload.Taken taken = new Upload(store, mostBytes).take(request, SentName.decoded(fileName));
            if (taken.stored().isEmpty()) {
                metrics.refused("refused");
                return Answer.refused(HttpStatus.UNPROCESSABLE_CONTENT, taken.refusal());
            }
            metrics.uploaded(taken.stored().get().bytes());
            return new Answer(HttpStatus.OK, keeping.keep(taken.fileName(), taken.stored().get()), "");
        } catch (NoRoom full) {
            metrics.refused("not-stored");
            LOG.error("an upload could not be stored: {}", full.getMessage(), full.getCause());
            return Answer.refused(HttpStatus.INSUFFICIENT_STORAGE, Speech.say("hand-in.not-stored"));
        } finally {
            places.giveBack(me.accountId());
        }
    }
}
