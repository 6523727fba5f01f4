package org.opensatchel.web.viewer;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.function.Function;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.core.project.FileIndex;
import org.opensatchel.web.checks.HandInChecked;
import org.opensatchel.web.course.NotAccessible;
import org.opensatchel.web.errand.Errands;
import org.opensatchel.web.handin.HandInFiles;
import org.opensatchel.web.handin.HandInProject;
import org.opensatchel.web.handin.HandInService.Shown;
import org.opensatchel.worker.Errand;
import org.opensatchel.worker.view.FileView;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import tools.jackson.core.type.TypeReference;

/**
 * Files of hand-ins, to be looked at: texts as lines, pictures drawn anew and small, sounds as a line of peaks. Nothing of a student reaches a
 * browser in a form that it could run, and nothing of one is opened here: what people look at first is made by a worker right after the check,
 * the rest by one when it is asked for, and all of it is kept.
 */
@Service
class FileViews {

    private static final int LARGE = 900;
    private static final long MOST_PREPARED = 8L << 20;

    private final HandInProject projects;
    private final HandInFiles files;
    private final KeptViews kept;
    private final Errands errands;

    FileViews(HandInProject projects, HandInFiles files, KeptViews kept, Errands errands) {
        this.projects = projects;
        this.files = files;
        this.kept = kept;
        this.errands = errands;
    }

    /**
     * A file as it is shown.
     *
     * @param account who waits for it
     * @param at the place as the report writes it
     * @param text what stands there
     * @throws NotAccessible when there is no such file in it, also later
     * @throws Errands.Busy when too much is looked at, also later
     */
    CompletableFuture<ShownFile> view(Shown shown, long account, String path, String at, String text) {
        return made(shown, account, path, KeptViews.name(path, 0, at, text),
                line -> project -> new Errand.View(project, line, at, text), line -> JsonDocuments.MAPPER.writeValueAsBytes(
                        new FileView(FileView.Kind.NONE, line.bytes(), Optional.empty(), false, Optional.empty(), false)))
                .thenApply(json -> ShownFile.of(JsonDocuments.MAPPER.readValue(json, FileView.class)));
    }

    /**
     * A picture drawn anew, as PNG; empty for what is no picture, or too large to look at.
     *
     * @param small whether it stands in a list
     */
    CompletableFuture<Optional<byte[]>> picture(Shown shown, long account, String path, boolean small) {
        int largest = small ? Errand.Picture.IN_A_LIST : LARGE;
        return made(shown, account, path, KeptViews.name(path, largest, "", ""),
                line -> project -> new Errand.Picture(project, line, largest), line -> new byte[0])
                .thenApply(png -> Optional.of(png).filter(bytes -> bytes.length > 0));
    }

    /** @param without the answer for a file without content */
    private CompletableFuture<byte[]> made(Shown shown, long account, String path, String name,
            Function<FileIndex.Line, Function<Errand.Project, Errand>> errand, Function<FileIndex.Line, byte[]> without) {
        long handIn = shown.handIn().id();
        Optional<byte[]> known = kept.find(handIn, name);
        if (known.isPresent()) {
            return CompletableFuture.completedFuture(known.get());
        }
        return indexed(shown, account).thenCompose(there -> {
            FileIndex.Line line = files.find(handIn, path).orElseThrow(NotAccessible::new);
            if (line.handle().isEmpty()) {
                return CompletableFuture.completedFuture(without.apply(line));
            }
            return errands.ask(account, () -> projects.lend(handIn, List.of(line.handle())).as(errand.apply(line)), errands.view())
                    .thenApply(answer -> {
                        kept.keep(handIn, name, answer);
                        return answer;
                    });
        });
    }

    /** Completes when the hand-in has an index. */
    private CompletableFuture<Boolean> indexed(Shown shown, long account) {
        long handIn = shown.handIn().id();
        if (files.pages(handIn) > 0) {
            return CompletableFuture.completedFuture(true);
        }
        return errands.ask(account, () -> projects.lend(handIn).as(project -> files.missing(shown, project)), errands.lesson())
                .thenApply(pages -> {
                    files.keepMissing(handIn, pages);
                    return true;
                });
    }

    /** Has made what people look at first. */
    @EventListener
    void checked(HandInChecked checked) {
        if (!checked.wishes().isEmpty()) {
            errands.later(() -> prepare(checked.handIn(), checked.wishes()));
        }
    }

    private void prepare(long handIn, List<Errand.Wish> wishes) {
        byte[] answer = errands.run(() -> projects.lend(handIn, wishes.stream().map(wish -> wish.file().handle()).distinct().toList())
                .as(project -> new Errand.Prepare(project, wishes, MOST_PREPARED)), errands.lesson(), () -> false);
        for (Errand.Made made : JsonDocuments.MAPPER.readValue(answer, new TypeReference<List<Errand.Made>>() {})) {
            Errand.Wish wish = wishes.get(made.number());
            kept.keep(handIn, KeptViews.name(wish.file().path(), wish.largest(), wish.at(), wish.text()), made.content());
        }
    }
}
