package org.opensatchel.web.job;

import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Duration;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.function.Supplier;
import org.opensatchel.web.text.Speech;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

/**
 * Pages that need what a job brings. Who asks waits a moment, without a thread; then the page says how far it is, and can be left and come
 * back to under the same address.
 */
@Component
public class JobPages {

    /** For what can be shown later as well. */
    public static final Duration MOMENT = Duration.ofSeconds(3);
    /** For what was decided on, and has been looked at before. */
    public static final Duration LONG = Duration.ofSeconds(30);
    private static final String WAITED = JobPages.class.getName() + ".waited";

    private final JobWaits waits;

    JobPages(JobWaits waits) {
        this.waits = waits;
    }

    /**
     * What a page says while its job goes on.
     *
     * @param kind what is made, as the keys of its words end
     * @param back where Cancel leads
     */
    public record Waiting(String kind, String back) {}

    /**
     * The page, or the one that says how far it is.
     *
     * @param asked the job; empty when this person waits for too much already
     * @param page makes the page when the job is done
     * @return the name of a view, or something that brings one; what a handler method gives back
     */
    public Object show(Optional<Job> asked, Waiting waiting, HttpServletRequest request, HttpServletResponse response, Model model,
            Supplier<String> page) {
        if (asked.isPresent() && asked.get().isDone()) {
            return page.get();
        }
        boolean goesOn = asked.isPresent() && asked.get().isOpen();
        if (goesOn && request.getAttribute(WAITED) == null) {
            return after(MOMENT, asked.get(), request);
        }
        model.addAttribute("waiting", waiting);
        model.addAttribute("job", asked.orElse(null));
        if (asked.isEmpty() || goesOn) {
            // Browsers look again by themselves, with and without script.
            response.setHeader("Refresh", "1; url=" + address(request));
        } else {
            model.addAttribute("wrong", wrong(waiting, asked.get()));
            response.setStatus(
                    asked.get().state() == Job.State.CANCELLED ? HttpStatus.OK.value() : HttpStatus.UNPROCESSABLE_CONTENT.value());
        }
        return "job/waiting";
    }

    /**
     * What is to be done when a job is done, or else what is given instead.
     *
     * @param patience how long it is waited for
     */
    public Object once(Optional<Job> asked, Duration patience, HttpServletRequest request, Supplier<String> then, String otherwise) {
        if (asked.isPresent() && asked.get().isOpen() && request.getAttribute(WAITED) == null) {
            return after(patience, asked.get(), request);
        }
        return asked.isPresent() && asked.get().isDone() ? then.get() : otherwise;
    }

    /** The same request once more. */
    private CompletableFuture<String> after(Duration patience, Job job, HttpServletRequest request) {
        request.setAttribute(WAITED, true);
        String again = "forward:" + request.getServletPath();
        return waits.ended(job, patience).thenApply(ended -> again);
    }

    private static String wrong(Waiting waiting, Job job) {
        return switch (job.trouble().orElse(Job.Trouble.SIZE)) {
            case FAULT -> Speech.say("job.fault");
            case ROOM -> Speech.say("job.room");
            case GONE -> Speech.say("job.gone");
            case SIZE -> Speech.say(job.state() == Job.State.CANCELLED ? "job.cancelled" : "job.failed-" + waiting.kind);
        };
    }

    /** The address that was asked for, before anything was forwarded. */
    private static String address(HttpServletRequest request) {
        Object before = request.getAttribute(RequestDispatcher.FORWARD_REQUEST_URI);
        Object query = before == null ? request.getQueryString() : request.getAttribute(RequestDispatcher.FORWARD_QUERY_STRING);
        return (before == null ? request.getRequestURI() : before) + (query == null ? "" : "?" + query);
    }
}
