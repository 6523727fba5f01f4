package org.opensatchel.core.check;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.opensatchel.base.path.NameFolding;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.match.PlanMatch;
import org.opensatchel.core.match.PlannedRole;
import org.opensatchel.core.naming.NamePattern;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.project.ProjectFile;
import org.opensatchel.core.project.ProjectTree;
import org.opensatchel.formats.link.DocumentLinks;

/**
 * Which documents are kept older versions of another: files that fill one document rule and differ in its version, and files side by
 * side whose names differ in a version or a date alone. Of these the newest counts.
 */
final class OlderVersions {

    /** A version as names have it, {@code _v02} or {@code version 3}, or a date. A number alone may be a part, and is none. */
    private static final Pattern VERSION = Pattern
            .compile("(?i)(?:(?<=^)|(?<=[ _.\\-]))v(?:er(?:s|sion)?)?[ _.\\-]?([0-9]{1,4})(?=$|[ _.\\-])");
    private static final Pattern DATE = Pattern.compile("(?<![0-9])((?:19|20)[0-9]{2})([-_.]?)([0-9]{2})\\2([0-9]{2})(?![0-9])");

    /** A name without its version, and where that stands among others. */
    private record Dated(String rest, long order) {}

    private OlderVersions() {
    }

    static Set<ProjectPath> among(ProjectTree tree, List<DocumentLinks> documents, Optional<PlanMatch> plan, Optional<Kit> kit,
            RosterFields fields) {
        Set<ProjectPath> older = new HashSet<>();
        plan.ifPresent(match -> match.roles().stream().filter(PlannedRole::document)
                .forEach(role -> older(named(role), path -> byRule(role, path, fields, kit.orElseThrow().ascii()), older)));
        Set<ProjectPath> folders = new HashSet<>();
        for (DocumentLinks document : documents) {
            if (byName(document.document()).isPresent()) {
                folders.add(document.document().parent());
            }
        }
        folders.forEach(folder -> older(tree.filesIn(folder).stream().map(ProjectFile::path).toList(), OlderVersions::byName, older));
        return older;
    }

    /** What bears the right name, also where it lies in another place. */
    private static List<ProjectPath> named(PlannedRole role) {
        return Stream.concat(role.fitting().stream(), role.misplaced().stream()).toList();
    }

    private interface Reading {
        Optional<Dated> of(ProjectPath path);
    }

    private static void older(Collection<ProjectPath> files, Reading reading, Set<ProjectPath> into) {
        Map<String, Dated> newest = new HashMap<>();
        for (ProjectPath file : files) {
            reading.of(file).ifPresent(dated -> newest.merge(dated.rest, dated, (a, b) -> a.order >= b.order ? a : b));
        }
        for (ProjectPath file : files) {
            reading.of(file).filter(dated -> dated.order < newest.get(dated.rest).order).ifPresent(dated -> into.add(file));
        }
    }

    private static Optional<Dated> byRule(PlannedRole role, ProjectPath file, RosterFields fields, boolean ascii) {
        Optional<NamePattern.Version> version = role.name().version(file.stem(), fields, ascii);
        return version.map(number -> new Dated(number.rest() + "." + file.extension(), number.number()));
    }

    private static Optional<Dated> byName(ProjectPath file) {
        String stem = file.stem();
        Matcher version = VERSION.matcher(stem);
        if (version.find()) {
            return Optional.of(new Dated(rest(stem, version, file), Long.parseLong(version.group(1))));
        }
        Matcher date = DATE.matcher(stem);
        return date.find() && isDate(date)
                ? Optional.of(new Dated(rest(stem, date, file), Long.parseLong(date.group(1) + date.group(3) + date.group(4))))
                : Optional.empty();
    }

    private static boolean isDate(Matcher date) {
        try {
            LocalDate.of(Integer.parseInt(date.group(1)), Integer.parseInt(date.group(3)), Integer.parseInt(date.group(4)));
            return true;
        } catch (DateTimeException none) {
            return false;
        }
    }

    private static String rest(String stem, Matcher found, ProjectPath file) {
        return NameFolding.folded(stem.substring(0, found.start()) + "\0" + stem.substring(found.end()) + "." + file.extension());
    }
}
