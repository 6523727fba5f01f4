package org.opensatchel.web.resumable;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.List;
import org.opensatchel.web.account.SignedIn;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.course.CourseService.Membership;
import org.opensatchel.web.resumable.ListReading.Refused;
import org.opensatchel.web.resumable.ResumableUploadService.Busy;
import org.opensatchel.web.resumable.ResumableUploadService.Finished;
import org.opensatchel.web.resumable.ResumableUploadService.OpenUpload;
import org.opensatchel.web.resumable.ResumableUploadService.Own;
import org.opensatchel.web.resumable.ResumableUploadService.PartTaken;
import org.opensatchel.web.resumable.ResumableUploadService.Stand;
import org.opensatchel.web.storage.NoRoom;
import org.opensatchel.web.text.Speech;
import org.opensatchel.web.upload.SentName;
import org.opensatchel.web.upload.UploadPlaces;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PatchMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.bind.annotation.RequestParam;

/**
 * Sending a project in parts that go on after anything that breaks them off. The parts follow the core of tus 1.0.0 (HEAD and PATCH with
 * {@code Upload-Offset}) and its extension for termination; how a sending begins and ends is our own, since a list of files with their
 * hashes decides what has to come (docs/formats.md).
 */
@Controller
class ResumableUploadController {

    private static final Logger LOG = LoggerFactory.getLogger(ResumableUploadController.class);
    private static final String TUS = "Tus-Resumable";
    private static final String VERSION = "1.0.0";
    private static final String OFFSET = "Upload-Offset";
    private static final String PART = "application/offset+octet-stream";

    private final ResumableUploadService sendings;
    private final CourseService courses;
    private final UploadPlaces places;

    ResumableUploadController(ResumableUploadService sendings, CourseService courses, UploadPlaces places) {
        this.sendings = sendings;
        this.courses = courses;
        this.places = places;
    }

    /** What our script is told; what does not apply is empty. */
    record Answer(String refusal, String at, List<String> send, long offset, long length, String next, List<String> differ) {
        static Answer refused(String why) {
            return new Answer(why, "", List.of(), 0, 0, "", List.of());
        }
    }

    /** What the student was sending, if anything. */
    record Unfinished(String at, String name, String form, int files, long bytes) {}

    /** Begins with a list, or goes on with another. */
    @PostMapping(path = "/assignments/{id}/sendings", consumes = "application/json")
    ResponseEntity<Answer> begin(@PathVariable long id, @RequestParam(defaultValue = "folder") String form,
            @AuthenticationPrincipal SignedIn me,
            @RequestHeader(name = "X-File-Name", defaultValue = "") String name, HttpServletRequest request) throws IOException {
        Membership place = courses.forStudent(id, me.accountId());
        if (!places.take(me.accountId())) {
            return refused(HttpStatus.TOO_MANY_REQUESTS, Speech.say("hand-in.crowd"));
        }
        try {
            OpenUpload going = sendings.begin(place, "zip".equals(form) ? ResumableUpload.Form.ZIP : ResumableUpload.Form.FOLDER,
                    SentName.decoded(name),
                    request.getInputStream(), "gzip".equals(request.getHeader(HttpHeaders.CONTENT_ENCODING)));
            return ResponseEntity
                    .ok(new Answer("", "/sendings/" + going.token(), going.send(), going.offset(), going.length(), "", List.of()));
        } finally {
            places.giveBack(me.accountId());
        }
    }

    /** What is unfinished, so that the page can say so. */
    @GetMapping("/assignments/{id}/sendings")
    ResponseEntity<Unfinished> unfinished(@PathVariable long id, @AuthenticationPrincipal SignedIn me) {
        return sendings.unfinished(courses.forStudent(id, me.accountId()))
                .map(one -> ResponseEntity
                        .ok(new Unfinished("/sendings/" + one.token(), one.name(), one.form().name(), one.files(), one.bytes())))
                .orElseGet(() -> ResponseEntity.noContent().build());
    }

    /** What this understands of tus. */
    @RequestMapping(path = "/sendings/{token}", method = RequestMethod.OPTIONS)
    ResponseEntity<Void> options(@PathVariable String token) {
        return ResponseEntity.noContent().header(TUS, VERSION).header("Tus-Version", VERSION).header("Tus-Extension", "termination")
                .build();
    }

    /** How far it is. */
    @RequestMapping(path = "/sendings/{token}", method = RequestMethod.HEAD)
    ResponseEntity<Void> stand(@PathVariable String token, @AuthenticationPrincipal SignedIn me) throws IOException {
        Stand stand = sendings.stand(sendings.own(token, me.accountId()));
        return ResponseEntity.ok().header(TUS, VERSION).header(OFFSET, Long.toString(stand.offset()))
                .header("Upload-Length", Long.toString(stand.length())).header(HttpHeaders.CACHE_CONTROL, "no-store").build();
    }

    /** The next part. */
    @PatchMapping("/sendings/{token}")
    ResponseEntity<Answer> part(@PathVariable String token, @AuthenticationPrincipal SignedIn me,
            @RequestHeader(name = OFFSET, defaultValue = "-1") String offset, @RequestHeader(name = TUS, defaultValue = "") String version,
            HttpServletRequest request) throws IOException {
        Own own = sendings.own(token, me.accountId());
        if (!VERSION.equals(version)) {
            return ResponseEntity.status(HttpStatus.PRECONDITION_FAILED).header("Tus-Version", VERSION).build();
        }
        if (!PART.equals(request.getContentType())) {
            return ResponseEntity.status(HttpStatus.UNSUPPORTED_MEDIA_TYPE).build();
        }
        if (own.sending().isFinished()) {
            return ResponseEntity.status(HttpStatus.GONE).build();
        }
        if (!offset.matches("[0-9]{1,18}")) {
            return ResponseEntity.badRequest().build();
        }
        if (!places.take(me.accountId())) {
            return refused(HttpStatus.TOO_MANY_REQUESTS, Speech.say("hand-in.crowd"));
        }
        try {
            PartTaken took = sendings.take(own, Long.parseLong(offset), request.getContentLengthLong(), request.getInputStream());
            return ResponseEntity.status(took.isElsewhere() ? HttpStatus.CONFLICT : HttpStatus.NO_CONTENT).header(TUS, VERSION)
                    .header(OFFSET, Long.toString(took.stand().offset())).build();
        } finally {
            places.giveBack(me.accountId());
        }
    }

    /** Hands it in, or says what has to be sent again. */
    @PostMapping("/sendings/{token}/finish")
    ResponseEntity<Answer> finish(@PathVariable String token, @AuthenticationPrincipal SignedIn me) throws IOException {
        Finished finished = sendings.finish(sendings.own(token, me.accountId()));
        return finished.handIn() > 0 ? ResponseEntity.ok(new Answer("", "", List.of(), 0, 0, "/hand-ins/" + finished.handIn(), List.of()))
                : ResponseEntity.status(HttpStatus.CONFLICT).body(new Answer("", "", List.of(), 0, 0, "", finished.differ()));
    }

    @DeleteMapping("/sendings/{token}")
    ResponseEntity<Void> cancel(@PathVariable String token, @AuthenticationPrincipal SignedIn me) throws IOException {
        sendings.cancel(sendings.own(token, me.accountId()));
        return ResponseEntity.noContent().header(TUS, VERSION).build();
    }

    private static ResponseEntity<Answer> refused(HttpStatus status, String why) {
        return ResponseEntity.status(status).body(Answer.refused(why));
    }

    @ExceptionHandler
    ResponseEntity<Answer> refused(Refused why) {
        return refused(HttpStatus.UNPROCESSABLE_CONTENT, why.getMessage());
    }

    @ExceptionHandler
    ResponseEntity<Answer> busy(Busy other) {
        return refused(HttpStatus.LOCKED, Speech.say("sending.busy"));
    }

    @ExceptionHandler
    ResponseEntity<Answer> full(NoRoom full) {
        LOG.error("a part could not be stored: {}", full.getMessage(), full.getCause());
        return refused(HttpStatus.INSUFFICIENT_STORAGE, Speech.say("hand-in.not-stored"));
    }
}
