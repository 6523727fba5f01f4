package org.opensatchel.web.handin;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.core.kit.KitWriter;
import org.opensatchel.core.project.FileIndex;
import org.opensatchel.web.course.NotAccessible;
import org.opensatchel.web.kit.KitService;
import org.opensatchel.worker.Errand;
import org.opensatchel.worker.Packed;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.type.TypeReference;

/** Where the files of hand-ins lie in what came: an index in pages, made by the check, so that to find one costs the same however many there are. */
@Service
public class HandInFiles {

    private final HandInRows rows;
    private final KitService kits;

    HandInFiles(HandInRows rows, KitService kits) {
        this.rows = rows;
        this.kits = kits;
    }

    /** Puts these pages in the place of those there are; what was made of files by the old ones goes too. */
    @Transactional
    public void keep(long handIn, List<byte[]> packed) {
        rows.keepIndex(handIn, packed);
    }

    /** How many pages there are; none for a hand-in that was checked before there was an index. */
    @Transactional(readOnly = true)
    public int pages(long handIn) {
        return rows.indexPages(handIn);
    }

    /** A file of a hand-in. */
    @Transactional(readOnly = true)
    public Optional<FileIndex.Line> find(long handIn, String path) {
        int pages = rows.indexPages(handIn);
        return pages == 0 ? Optional.empty()
                : rows.indexPage(handIn, FileIndex.page(path, pages))
                        .flatMap(page -> FileIndex.find(Packed.unpack(page), path));
    }

    /** Makes the index of a hand-in that has none. */
    public Errand missing(HandInService.Shown shown, Errand.Project project) {
        CameIn row = rows.cameIn(shown.handIn().id()).orElseThrow(NotAccessible::new);
        String kit = new String(KitWriter.write(kits.version(row.kitVersion()).kit()), StandardCharsets.UTF_8);
        return new Errand.Index(project, kit, shown.place().student().fields(shown.place().assignment()).values());
    }

    /** The pages that such an errand brings, kept. */
    public void keepMissing(long handIn, byte[] answer) {
        List<byte[]> pages = JsonDocuments.MAPPER.readValue(answer, new TypeReference<List<byte[]>>() {});
        keep(handIn, pages.stream().map(Packed::pack).toList());
    }
}
