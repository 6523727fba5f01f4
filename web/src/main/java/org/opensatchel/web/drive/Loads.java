package org.opensatchel.web.drive;

import jakarta.annotation.PreDestroy;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.apache.commons.lang3.concurrent.BasicThreadFactory;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.core.pack.Handout;
import org.opensatchel.core.pack.KitLoader;
import org.opensatchel.core.words.Sentence;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.NotAccessible;
import org.opensatchel.web.course.Student;
import org.opensatchel.web.handout.HandoutService;
import org.opensatchel.web.kit.PublishedKit;
import org.opensatchel.web.storage.Contents;
import org.opensatchel.web.text.Speech;
import org.springframework.context.i18n.LocaleContextHolder;
import org.springframework.stereotype.Service;

/** Loading kits onto drives, several at once, each drive one at a time. The bay hangs on this machine, and so do its loads. */
@Service
class Loads {

    private static final int AT_ONCE = 4;

    private final Bay bay;
    private final Contents contents;
    private final HandoutService handouts;
    private final ExecutorService workers = Executors.newFixedThreadPool(AT_ONCE,
            BasicThreadFactory.builder().namingPattern("drive-load-%d").daemon(true).build());
    private final Map<String, State> states = new ConcurrentHashMap<>();

    Loads(Bay bay, Contents contents, HandoutService handouts) {
        this.bay = bay;
        this.contents = contents;
        this.handouts = handouts;
    }

    /**
     * How far a drive has come.
     *
     * @param word {@code waiting}, {@code loading}, {@code done} or {@code refused}
     * @param of bytes to be written and read back
     */
    record State(String word, String root, long bytes, long of, Optional<Sentence> refusal) {
        public boolean isBusy() {
            return word.equals("waiting") || word.equals("loading");
        }
    }

    Map<String, State> states() {
        return Map.copyOf(states);
    }

    /** Begins to load a student's kit onto a drive, unless something is being loaded onto it. */
    void begin(String label, PublishedKit kit, AssignmentView assignment, Student student) {
        Bay.Slot slot = bay.slot(label, assignment.courseCode()).orElseThrow(NotAccessible::new);
        Handout handout = Handout.of(kit.kit(), kit.sha256(), student.fields(assignment), Speech.words()).orElseThrow(NotAccessible::new);
        KitLoader loader = new KitLoader(handout, kit.kit().starter(), contents.starters(assignment.courseId()));
        State waiting = new State("waiting", handout.root(), 0, 2 * loader.bytesNeeded(), Optional.empty());
        State before = states.compute(label, (key, state) -> state != null && state.isBusy() ? state : waiting);
        if (before == waiting) {
            bay.give(slot, assignment.courseCode());
            Locale language = LocaleContextHolder.getLocale();
            workers.execute(() -> load(slot, assignment.courseCode(), loader, waiting, kit, student, language));
        }
    }

    private void load(Bay.Slot slot, String course, KitLoader loader, State state, PublishedKit kit, Student student, Locale language) {
        try {
            // Looked at again: another load may have taken the room meanwhile.
            KitLoader.Loading loading = loader.load(bay.slot(slot.label(), course).orElse(slot).drive(),
                    bytes -> states.put(slot.label(), new State("loading", state.root(), bytes, state.of(), Optional.empty())));
            if (loading.loaded()) {
                handouts.loaded(kit, student, slot.label());
            }
            states.put(slot.label(), new State(loading.loaded() ? "done" : "refused", state.root(), state.of(), state.of(),
                    loading.refusal().map(Speech.in(language)::say)));
        } catch (RuntimeException broke) {
            states.put(slot.label(),
                    new State("refused", state.root(), 0, state.of(), Optional.of(Speech.in(language).say("drive.broke", Facts.NONE))));
            throw broke;
        }
    }

    @PreDestroy
    void stop() {
        workers.shutdownNow();
    }
}
