package org.opensatchel.core.scan;

import java.util.Arrays;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.formats.Formats;
import org.opensatchel.formats.described.CustomLinkRule;
import org.opensatchel.formats.described.Kind;
import org.opensatchel.formats.guessed.PathFinder;
import org.opensatchel.formats.kind.FileKind;

/**
 * Which files of a folder have to be read for a check, told by their endings alone: for somebody who sends only those.
 *
 * @param documents endings of files that are read whatever they are
 * @param passedOver endings of files in which nothing is looked for; of any other ending, those that are not too long are looked through
 * @param standIn files up to so many bytes are read whatever their ending is: they may only stand for another
 */
public record WorthReading(Set<String> documents, Set<String> passedOver, int standIn) {

    /** What a check under a kit reads; the kit's own link rules may name files that nobody else would read. */
    public static WorthReading under(Optional<Kit> kit) {
        Set<String> documents = new TreeSet<>(Formats.documentEndings());
        kit.stream().flatMap(plan -> plan.links().custom().stream()).map(CustomLinkRule::files).map(WorthReading::ending)
                .filter(ending -> ending.matches("[a-z0-9]+")).forEach(documents::add);
        kit.stream().flatMap(plan -> plan.links().profiles().stream()).flatMap(profile -> profile.kinds().stream()).map(Kind::files)
                .map(WorthReading::ending).filter(ending -> ending.matches("[a-z0-9]+")).forEach(documents::add);
        Set<String> passed = new TreeSet<>(PathFinder.prose());
        Stream.concat(Arrays.stream(FileKind.values()).filter(FileKind::isMedia), Stream.of(FileKind.FONT))
                .forEach(kind -> passed.addAll(Formats.endings(kind)));
        passed.removeAll(documents);
        return new WorthReading(documents, passed, StandInProbe.MOST_BYTES);
    }

    private static String ending(String glob) {
        return glob.substring(glob.lastIndexOf('.') + 1).toLowerCase(java.util.Locale.ROOT);
    }
}
