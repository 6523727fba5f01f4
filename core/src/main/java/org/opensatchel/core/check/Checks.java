package org.opensatchel.core.check;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.opensatchel.core.finding.Advice;
import org.opensatchel.core.finding.Code;

/** All checks. Adding one is a class, a line here and its test. */
public final class Checks {

    private static final List<Check> ALL = List.of(
            // What came in.
            new PackageFaults(), new Shortcuts(), new Placeholders(), new RootTrouble(), new Junk(),
            // Found tree against planned tree.
            new MissingFolder(), new MisnamedFolder(), new ForbiddenFolder(), new OtherFolder(), new TooFewFiles(), new RoleFiles(), new FileTypes(), new OutdatedKit(),
            // Names.
            new RootName(), new RoleNames(), new NameRulesCheck(), new CaseClash(),
            // Links.
            new PinnedLink(), new MovedLink(), new MissingLink(), new OutsideLink(), new MisspeltLink(), new RemoteLink(), new UnknownLink(), new WebRootLink(),
            new SequenceGap(), new InclusionCycle(), new UnreadableDocument(),
            // Files.
            new StarterFiles(), new EmptyFile(), new LyingType(), new DuplicateFiles(), new UnusedFile(), new SizeLimits(),
            // Where it lies.
            new LocationFaults());

    private Checks() {
    }

    public static List<Check> all() {
        return ALL;
    }

    /** What is said about every code that some check gives. */
    public static Map<Code, Advice> catalogue() {
        Map<Code, Advice> all = new EnumMap<>(Code.class);
        ALL.forEach(check -> all.putAll(check.catalogue()));
        return all;
    }
}
