package org.opensatchel.core.project;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.Arrays;
import java.util.Collection;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import org.opensatchel.base.path.ProjectPath;

/**
 * Folders that hold nothing anybody made for the project: hidden ones, those that a package manager fills beside its manifest,
 * environments, and caches that say that they are some. Links may lead into them; what is in them is not judged.
 */
final class AsideFolders {

    /** What a package manager fills, by the manifest that lies beside it. */
    private static final Map<String, Set<String>> BESIDE = Map.ofEntries(
            Map.entry("package.json", Set.of("node_modules", "bower_components", "jspm_packages", "web_modules")),
            Map.entry("bower.json", Set.of("bower_components")), Map.entry("composer.json", Set.of("vendor")),
            Map.entry("go.mod", Set.of("vendor")), Map.entry("Gemfile", Set.of("vendor")), Map.entry("Cargo.toml", Set.of("target")),
            Map.entry("pom.xml", Set.of("target")), Map.entry("elm.json", Set.of("elm-stuff")),
            Map.entry("mix.exs", Set.of("deps", "_build")),
            Map.entry("Podfile", Set.of("Pods")));
    /** Folders that no person names so; what lies in them says so once more. */
    private static final String PACKAGES = "node_modules";
    private static final String COMPILED = "__pycache__";
    /** The last letters of all names that tell something. */
    private static final String LAST_LETTERS = "ndelsg";
    /** A file that lies in an environment's own folder. */
    private static final String ENVIRONMENT = "pyvenv.cfg";
    private static final String CACHE_TAG = "CACHEDIR.TAG";
    /** The Cache Directory Tagging Specification, version 0.6. */
    private static final byte[] CACHE_SIGNATURE = "Signature: 8a477f597d28d172789f06886806bc55".getBytes(StandardCharsets.US_ASCII);

    /** Of a path only so many folders are looked at. */
    private static final int MOST_LEVELS = 256;

    private final Predicate<ProjectPath> isPlanned;
    private final Set<String> known = new HashSet<>();
    private final Map<String, Optional<String>> byFolder = new HashMap<>();
    /** Most files lie where the one before lay. */
    private String lastFolder = "";
    private Optional<String> lastAnswer = Optional.empty();

    /**
     * @param tags files that may say that their folder is a cache, by their path from the root
     * @param manifests files whose names tell of folders, by their path from the root
     * @param isPlanned whether a folder is planned, or on the way to something planned
     */
    AsideFolders(Map<String, SourceEntry> tags, Collection<String> manifests, ProjectSource source, Predicate<ProjectPath> isPlanned)
            throws IOException {
        this.isPlanned = isPlanned;
        for (String manifest : manifests) {
            look(manifest);
        }
        for (Map.Entry<String, SourceEntry> tag : tags.entrySet()) {
            if (isSigned(tag.getValue(), source)) {
                known.add(folder(tag.getKey()));
            }
        }
    }

    /** Whether a file's name may say something about the folder it lies in, or one beside it. */
    static boolean tells(String path) {
        if (path.isEmpty() || LAST_LETTERS.indexOf(path.charAt(path.length() - 1)) < 0) {
            // There may be a million of them, and hardly one tells anything.
            return false;
        }
        String name = path.substring(path.lastIndexOf('/') + 1);
        return BESIDE.containsKey(name) || name.equals(ENVIRONMENT);
    }

    static boolean isTag(String path) {
        return path.endsWith(CACHE_TAG) && path.length() > CACHE_TAG.length()
                && path.charAt(path.length() - CACHE_TAG.length() - 1) == '/';
    }

    private void look(String path) {
        int slash = path.lastIndexOf('/');
        String name = path.substring(slash + 1);
        String folder = folder(path);
        if (name.equals(ENVIRONMENT)) {
            if (!folder.isEmpty()) {
                known.add(folder);
            }
            return;
        }
        BESIDE.get(name).forEach(filled -> known.add(folder.isEmpty() ? filled : folder + "/" + filled));
        // A package that lies among others, in a folder of its own or of who made it.
        int packages = folder.lastIndexOf(PACKAGES + "/");
        boolean whole = packages == 0 || (packages > 0 && folder.charAt(packages - 1) == '/');
        if (whole && folder.substring(packages + PACKAGES.length() + 1).split("/").length <= 2) {
            known.add(folder.substring(0, packages + PACKAGES.length()));
        }
    }

    private static String folder(String path) {
        return path.substring(0, Math.max(0, path.lastIndexOf('/')));
    }

    private static boolean isSigned(SourceEntry tag, ProjectSource source) throws IOException {
        if (!source.hasContent(tag) || tag.bytes() < CACHE_SIGNATURE.length) {
            return false;
        }
        try (InputStream content = source.open(tag)) {
            return Arrays.equals(content.readNBytes(CACHE_SIGNATURE.length), CACHE_SIGNATURE);
        } catch (ContentUnavailable none) {
            return false;
        }
    }

    /** The topmost folder set aside that a file lies in. */
    Optional<String> around(String file) {
        int slash = file.lastIndexOf('/');
        if (slash < 0) {
            return Optional.empty();
        }
        if (slash != lastFolder.length() || !file.startsWith(lastFolder)) {
            lastFolder = file.substring(0, slash);
            lastAnswer = of(lastFolder);
        }
        return lastAnswer;
    }

    /** The topmost folder set aside that a folder is, or lies in. */
    Optional<String> of(String folder) {
        // What may not be unpacked can be named with any number of folders; whoever is set aside is so near the top.
        String near = upTo(MOST_LEVELS, folder);
        Deque<String> unknown = new ArrayDeque<>();
        Optional<String> answer = Optional.empty();
        for (String at = near; at != null; at = above(at)) {
            Optional<String> known = byFolder.get(at);
            if (known != null) {
                answer = known;
                break;
            }
            unknown.push(at);
        }
        for (String at : unknown) {
            answer = answer.isPresent() || !isOne(at, at.substring(at.lastIndexOf('/') + 1)) ? answer : Optional.of(at);
            byFolder.put(at, answer);
        }
        return answer;
    }

    private static String upTo(int levels, String folder) {
        int slash = -1;
        for (int i = 0; i < levels; i++) {
            slash = folder.indexOf('/', slash + 1);
            if (slash < 0) {
                return folder;
            }
        }
        return folder.substring(0, slash);
    }

    /** The folder around one; null where there is none. */
    private static String above(String folder) {
        int slash = folder.lastIndexOf('/');
        return slash < 0 ? null : folder.substring(0, slash);
    }

    private boolean isOne(String folder, String name) {
        boolean hidden = name.length() > 1 && name.charAt(0) == '.' && !name.equals("..");
        return (hidden || name.equals(COMPILED) || known.contains(folder)) && !isPlanned.test(ProjectPath.of(folder));
    }
}
