package org.opensatchel.web.drive;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.opensatchel.core.kit.Marker;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.kit.KitService;
import org.opensatchel.web.kit.PublishedKit;
import org.springframework.data.domain.Pageable;
import org.springframework.stereotype.Service;

/**
 * The projects on the drives that are plugged in. A folder is a project of an assignment when the marker in it is of a version of its kit; on
 * a drive that is the course's own, one without a marker may be one too. What else lies on somebody's drive is nobody's business.
 */
@Service
public class PluggedIn {

    private final Bay bay;
    private final KitService kits;

    PluggedIn(Bay bay, KitService kits) {
        this.bay = bay;
        this.kits = kits;
    }

    /**
     * A project on a drive.
     *
     * @param root the name of its folder
     * @param marker whom the kit was made for, which is nobody where there is no marker
     * @param marked whether it has the marker of this assignment's kit
     */
    public record Project(String drive, String root, Path folder, RosterFields marker, boolean marked) {
        /** What it is called among all that are plugged in. */
        public String name() {
            return drive + "/" + root;
        }
    }

    /** Those of an assignment, by drive and name. */
    public List<Project> projects(AssignmentView assignment) {
        Set<String> kitsOfIt = kits.all(assignment, Pageable.unpaged()).stream().map(PublishedKit::sha256).collect(Collectors.toSet());
        List<Project> out = new ArrayList<>();
        for (Bay.Slot slot : bay.slots(assignment.courseCode())) {
            for (String root : slot.roots()) {
                Path folder = slot.content().resolve(root);
                if (Files.isDirectory(folder, LinkOption.NOFOLLOW_LINKS)) {
                    Optional<Marker> marker = marker(folder);
                    boolean marked = marker.flatMap(Marker::sha256).filter(kitsOfIt::contains).isPresent();
                    if (marked || marker.isEmpty() && !slot.course().isEmpty()) {
                        out.add(new Project(slot.label(), root, folder, marked ? marker.get().fields() : RosterFields.NONE, marked));
                    }
                }
            }
        }
        return out;
    }

    /** Empty where there is none; a drive may be pulled out at any time. */
    private static Optional<Marker> marker(Path folder) {
        Path file = folder.resolve(Marker.FILE);
        if (!Files.isRegularFile(file, LinkOption.NOFOLLOW_LINKS)) {
            return Optional.empty();
        }
        try (InputStream content = Files.newInputStream(file, StandardOpenOption.READ, LinkOption.NOFOLLOW_LINKS)) {
            return Optional.of(Marker.read(content.readNBytes(Marker.MAX_BYTES)));
        } catch (IOException unplugged) {
            return Optional.empty();
        }
    }
}
