package org.opensatchel.core.roster;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.opensatchel.core.project.SourceEntry;

/**
 * What one person's work is in something that holds the work of many: a folder, or an archive.
 *
 * @param name the name of the folder or archive, as a course system gave it
 * @param archive the archive to be handed in; absent for a folder, whose files are
 * @param files the files of the folder
 * @param folders the folders in it, empty ones too
 * @param prefix the path of the folder, with a slash at its end; empty for an archive, and for the top of what it is read from
 */
public record Delivery(String name, Optional<SourceEntry> archive, List<SourceEntry> files, List<String> folders, String prefix) {

    /** What course systems lay beside an archive: what somebody typed, and a comment. */
    private static final Set<String> BESIDE = Set.of("txt", "html", "htm");
    private static final int MOST_WRAPPINGS = 3;
    /** How much of a name is kept, in code units: enough to tell deliveries apart, and no more than a table holds. */
    private static final int MOST_NAME = 250;

    public Delivery {
        files = List.copyOf(files);
        folders = List.copyOf(folders);
    }

    /** How much came, as it came: an archive as it is packed. */
    public long bytes() {
        return archive.map(SourceEntry::bytes).orElseGet(() -> files.stream().mapToLong(SourceEntry::bytes).sum());
    }

    /** A name as it is kept. */
    public static String kept(String name) {
        String plain = name.replace("\0", "");
        return plain.length() <= MOST_NAME ? plain : plain.substring(0, MOST_NAME);
    }

    /** The name without what says that it is an archive, and on which drive it lies. */
    public String bareName() {
        return root().replaceFirst("(?i)\\.zip$", "");
    }

    /** The folder's own name, without where it lies. */
    public String root() {
        return name.substring(name.lastIndexOf('/') + 1);
    }

    /** One project's folder, which is all that there is where it is read from. */
    public static Delivery project(String name, List<SourceEntry> files, List<String> folders) {
        return new Delivery(name, Optional.empty(), files.stream().filter(entry -> !isLeftover(entry.path())).toList(), folders, "");
    }

    /** The deliveries of a batch, in the order of their names. One folder around all of them is looked into. */
    public static List<Delivery> of(List<SourceEntry> entries, List<String> folders) {
        List<SourceEntry> files = entries.stream().filter(entry -> !isLeftover(entry.path())).toList();
        String around = "";
        for (int i = 0; i < MOST_WRAPPINGS; i++) {
            Map<String, List<SourceEntry>> tops = tops(files, around);
            boolean wrapped = tops.size() == 1 && tops.keySet().iterator().next().endsWith("/");
            if (!wrapped || !holdsSeveral(files, around + tops.keySet().iterator().next())) {
                break;
            }
            around += tops.keySet().iterator().next();
        }
        List<Delivery> out = new ArrayList<>();
        String prefix = around;
        tops(files, around).forEach((top, below) -> out.add(delivery(top, below, folders, prefix)));
        return out;
    }

    /** By what stands first in the path: a folder with a slash, or a file. */
    private static Map<String, List<SourceEntry>> tops(List<SourceEntry> files, String around) {
        Map<String, List<SourceEntry>> tops = new LinkedHashMap<>();
        files.stream().filter(file -> file.path().startsWith(around)).sorted(java.util.Comparator.comparing(SourceEntry::path))
                .forEach(file -> {
                    String rest = file.path().substring(around.length());
                    int slash = rest.indexOf('/');
                    tops.computeIfAbsent(slash < 0 ? rest : rest.substring(0, slash + 1), top -> new ArrayList<>()).add(file);
                });
        return tops;
    }

    /** Whether a folder looks like a batch and not like one project: archives lie in it, or folders that each hold one. */
    private static boolean holdsSeveral(List<SourceEntry> files, String folder) {
        long archives = tops(files, folder).entrySet().stream()
                .filter(top -> isArchive(top.getKey()) || top.getKey().endsWith("/") && onlyArchive(top.getValue()).isPresent()).count();
        return archives > 1;
    }

    private static Delivery delivery(String top, List<SourceEntry> below, List<String> folders, String around) {
        if (!top.endsWith("/")) {
            return new Delivery(top, Optional.of(below.get(0)), List.of(), List.of(), "");
        }
        String name = top.substring(0, top.length() - 1);
        String prefix = around + top;
        Optional<SourceEntry> only = onlyArchive(below);
        return only.isPresent() ? new Delivery(name, only, List.of(), List.of(), "")
                : new Delivery(name, Optional.empty(), below, folders.stream().filter(folder -> folder.startsWith(prefix)).toList(),
                        prefix);
    }

    private static Optional<SourceEntry> onlyArchive(List<SourceEntry> files) {
        List<SourceEntry> archives = files.stream().filter(file -> isArchive(file.path())).toList();
        boolean nothingElse = files.stream().allMatch(file -> isArchive(file.path()) || BESIDE.contains(extension(file.path())));
        return archives.size() == 1 && nothingElse ? Optional.of(archives.get(0)) : Optional.empty();
    }

    private static boolean isArchive(String path) {
        return extension(path).equals("zip");
    }

    private static String extension(String path) {
        int dot = path.lastIndexOf('.');
        return dot < path.lastIndexOf('/') ? "" : path.substring(dot + 1).toLowerCase(Locale.ROOT);
    }

    private static boolean isLeftover(String path) {
        return path.startsWith("__MACOSX/") || path.contains("/__MACOSX/") || path.endsWith(".DS_Store") || path.endsWith("Thumbs.db");
    }
}
