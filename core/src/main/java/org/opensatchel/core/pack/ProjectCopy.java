package org.opensatchel.core.pack;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.project.ContentUnavailable;
import org.opensatchel.core.project.Intake;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.core.project.ReadLimits;
import org.opensatchel.core.project.RootChoice;
import org.opensatchel.core.project.RootFinder;
import org.opensatchel.core.project.SourceEntry;
import org.opensatchel.core.project.SourceListing;

/** Copies a project as it came into an archive, its root under a name of ours: so every project of a class lies in the same way. */
public final class ProjectCopy {

    /** What was not copied, or not whole, by its path from the root; and whether the project could be opened at all. */
    public record Copied(int files, List<String> left, boolean readable) {}

    private final ReadLimits limits;

    public ProjectCopy(ReadLimits limits) {
        this.limits = limits;
    }

    /**
     * @param root the name its root gets
     * @param fields whose project it is, by which its root is known among others
     * @throws IOException when the archive cannot be written; what is wrong with the project is told in what comes back
     */
    public Copied copy(ProjectSource source, Optional<Kit> kit, RosterFields fields, String root, ZipWriter out) throws IOException {
        Intake intake = source.list(limits);
        if (!(intake instanceof Intake.Opened opened)) {
            return new Copied(0, List.of(), false);
        }
        SourceListing listing = opened.listing();
        RootChoice choice = new RootFinder(kit, fields).find(listing);
        Copying copying = new Copying(source, choice.prefix(), root, out);
        copying.folders(listing.folders());
        for (SourceEntry file : listing.files()) {
            copying.file(file);
        }
        return new Copied(copying.files, copying.left, true);
    }

    /** One project on its way. */
    private static final class Copying {
        private final ProjectSource source;
        private final String prefix;
        private final String root;
        private final ZipWriter out;
        private final Set<String> written = new HashSet<>();
        private final List<String> left = new ArrayList<>();
        private int files;

        Copying(ProjectSource source, String prefix, String root, ZipWriter out) {
            this.source = source;
            this.prefix = prefix.isEmpty() ? "" : prefix + "/";
            this.root = root;
            this.out = out;
        }

        /** Folders come first, so that one without files comes along. */
        void folders(List<String> folders) throws IOException {
            for (String folder : new TreeSet<>(folders)) {
                String path = folder.startsWith(prefix) ? folder.substring(prefix.length()) : "";
                if (!path.isEmpty() && WriteGuard.refusal(root + "/" + path).isEmpty() && written.add(path + "/")) {
                    out.folder(root + "/" + path);
                }
            }
        }

        void file(SourceEntry entry) throws IOException {
            if (!entry.path().startsWith(prefix)) {
                left.add("../" + entry.path());
                return;
            }
            String path = entry.path().substring(prefix.length());
            boolean may = WriteGuard.refusal(root + "/" + path).isEmpty() && source.hasContent(entry) && written.add(path);
            if (!may) {
                left.add(path);
                return;
            }
            boolean[] whole = {true};
            out.file(root + "/" + path, to -> {
                try (InputStream content = source.open(entry)) {
                    content.transferTo(to);
                } catch (ContentUnavailable damaged) {
                    whole[0] = false;
                }
            });
            files++;
            if (!whole[0]) {
                left.add(path);
            }
        }
    }
}
