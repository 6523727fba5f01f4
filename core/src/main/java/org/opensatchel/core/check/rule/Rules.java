package org.opensatchel.core.check.rule;

import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.opensatchel.core.finding.Code;

/** All rules. Adding one is a class, a line here, a line in {@link Code}, its block in the bundles of words, and its tests. */
public final class Rules {

    private static final List<Rule<?>> ALL = List.of(
            // What came in.
            new PackageFaults(), new Shortcuts(), new Placeholders(), new RootPacking(), new Junk(),
            // Found tree against planned tree.
            new MissingFolder(), new MisnamedFolder(), new ForbiddenFolder(), new OtherFolder(), new TooFewFiles(), new Amounts(),
            new RoleFiles(),
            new FileTypes(), new OutdatedKit(),
            new HandOutMarker(), new TouchedFiles(), new ManagedFolder(), new MissingCompanion(), new DeepFolder(),
            // Names.
            new RootName(), new RoleNames(), new NameRulesCheck(), new CaseClash(), new SplitAccents(), new VersionGaps(),
            new TooFewVersions(),
            // Links.
            new PinnedLink(), new MovedLink(), new MissingLink(), new OutsideLink(), new MisspeltLink(), new RemoteLink(),
            new UnknownLink(), new WebRootLink(),
            new SequenceGap(), new OlderDocuments(), new TooFewLinks(), new InclusionCycle(), new UnreadableDocument(),
            new ProfileDiffers(),
            // Files.
            new StarterFiles(), new EmptyFile(), new TruncatedFile(), new LyingType(), new DuplicateFiles(), new UnusedFile(),
            new SizeLimits(), new ProxyFiles(), new RebuildableFiles(),
            // What pictures, films and sounds are.
            new MediaBrief(),
            // How a film is put together.
            new Timelines(), new MediaMix(),
            // Where it lies.
            new LocationFaults(), new TeamLocations(),
            // What was to be done once.
            new OpenSteps(),
            // How somebody works.
            new StaleExport(), new MissingAutosave());

    /**
     * Given by the check itself: a package that cannot be opened at all, names that nobody can read, and a rule or reader that broke; and by
     * whoever takes a hand-in in: that it came too late.
     */
    private static final Set<Code> BY_OTHERS = Set.of(Code.PACKAGE_BOMB, Code.PACKAGE_RULE_FAILED, Code.PACKAGE_NAMES_UNSURE,
            Code.HABIT_LATE);

    private Rules() {
    }

    public static List<Rule<?>> all() {
        return ALL;
    }

    /** Every code that can be given, in the order of the report; no other is offered to anybody. */
    public static Set<Code> judged() {
        Set<Code> codes = EnumSet.copyOf(BY_OTHERS);
        ALL.forEach(rule -> codes.addAll(rule.gives()));
        return codes;
    }
}
