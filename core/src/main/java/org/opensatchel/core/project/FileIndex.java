package org.opensatchel.core.project;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.zip.CRC32;
import org.opensatchel.base.json.JsonDocuments;
import tools.jackson.core.type.TypeReference;

/**
 * Where each file of a project lies in what was handed in, so that one is found again without listing all of it: in pages, of which a file's
 * path tells the one it stands in.
 */
public final class FileIndex {

    private static final int A_PAGE = 400;

    private FileIndex() {
    }

    /**
     * One file.
     *
     * @param path from the root
     * @param bytes its size
     * @param handle where its source finds it, as {@link ProjectSource#handle} says; empty where there is no content
     */
    public record Line(String path, long bytes, String handle) {}

    /** The pages of a project, each in its own JSON. */
    public static List<byte[]> pages(ProjectTree tree, ProjectSource source) {
        int count = 1 + tree.files().size() / A_PAGE;
        List<List<Line>> pages = new ArrayList<>();
        IntStream.range(0, count).forEach(i -> pages.add(new ArrayList<>()));
        for (ProjectFile file : tree.files()) {
            String path = file.path().text();
            Optional<String> handle = source.hasContent(file.entry()) ? source.handle(file.entry()) : Optional.empty();
            pages.get(page(path, count)).add(new Line(path, file.bytes(), handle.orElse("")));
        }
        pages.forEach(page -> page.sort(Comparator.comparing(Line::path)));
        return pages.stream().map(JsonDocuments.MAPPER::writeValueAsBytes).toList();
    }

    /** Which of so many pages a file stands in. */
    public static int page(String path, int count) {
        CRC32 sum = new CRC32();
        sum.update(path.getBytes(StandardCharsets.UTF_8));
        return (int) (sum.getValue() % count);
    }

    /** A file in its page; empty when there is none at this path. */
    public static Optional<Line> find(byte[] page, String path) {
        return JsonDocuments.MAPPER.readValue(page, new TypeReference<List<Line>>() {}).stream().filter(line -> line.path().equals(path))
                .findFirst();
    }
}
