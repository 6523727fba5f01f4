package org.opensatchel.core.pack;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.opensatchel.base.path.NameFolding;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.Kit.StarterFile;

/**
 * What a student who holds one version needs for a newer one, so that unpacking it over the old one touches none of their work.
 *
 * @param fresh starter files that are new, or changed and never the student's to change
 * @param kept starter files that changed in the kit but may hold the student's work by now: they are told, not sent
 * @param gone starter files the newer version no longer has
 */
public record KitUpdate(List<StarterFile> fresh, List<StarterFile> kept, List<StarterFile> gone) {

    public KitUpdate {
        fresh = List.copyOf(fresh);
        kept = List.copyOf(kept);
        gone = List.copyOf(gone);
    }

    public static KitUpdate between(Kit held, Kit newer) {
        Map<String, StarterFile> before = new HashMap<>();
        held.starter().forEach(file -> before.put(key(file), file));
        List<StarterFile> fresh = new ArrayList<>();
        List<StarterFile> kept = new ArrayList<>();
        for (StarterFile file : newer.starter()) {
            StarterFile old = before.remove(key(file));
            boolean same = old != null && old.sha256().equals(file.sha256());
            boolean students = old != null && old.treat() != StarterFile.Treat.KEEP;
            if (!same) {
                (students ? kept : fresh).add(file);
            }
        }
        return new KitUpdate(fresh, kept, held.starter().stream().filter(file -> before.containsKey(key(file))).toList());
    }

    private static String key(StarterFile file) {
        return NameFolding.folded(file.path().text());
    }

    public boolean isEmpty() {
        return fresh.isEmpty() && kept.isEmpty() && gone.isEmpty();
    }
}
