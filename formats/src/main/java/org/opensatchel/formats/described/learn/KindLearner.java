package org.opensatchel.formats.described.learn;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.opensatchel.base.path.LinkForm;
import org.opensatchel.base.path.LinkText;
import org.opensatchel.base.path.Notation;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.formats.described.Joining;
import org.opensatchel.formats.described.Slot;
import org.opensatchel.formats.described.Slot.Role;
import org.opensatchel.formats.described.Slot.Start;
import org.opensatchel.formats.described.Spot;
import org.opensatchel.formats.described.Where;
import org.opensatchel.formats.described.learn.Column.Val;
import org.opensatchel.formats.described.learn.Lead.From;
import org.opensatchel.formats.guessed.Passing;

/** What the documents of one kind tell: which places hold links, and what else belongs to those. */
final class KindLearner {

    private static final int MOST_ALONE = 40;
    /** Each name may be held against each folder: a document that is all names and folders is none. */
    private static final int MOST_FOLDERS = 40;
    private static final int MOST_NAMES = 300;
    /** Beyond so many places of links no more is told of which belong together. */
    private static final int MOST_JOINED = 150;

    private final Map<Where, List<Val>> columns;
    private final List<Drafted> drafts = new ArrayList<>();
    private final Set<Where> used = new HashSet<>();
    private final long documents;

    /** What was learned: the slots, those that are undecided, and three values of each. */
    record Told(List<Slot> slots, List<Slot> undecided, Map<String, List<String>> samples, boolean absolute) {

        long links() {
            return slots.stream().filter(slot -> slot.role() == Role.LINK).mapToLong(slot -> slot.evidence().leading()).sum();
        }
    }

    /** @param documents how many documents there are; a place that each has is one of their kind */
    KindLearner(Map<Where, List<Val>> columns, long documents) {
        this.columns = columns;
        this.documents = documents;
    }

    Told told() {
        ChosenPlaces picked = new ChosenPlaces(columns);
        List<Column> links = new ArrayList<>();
        for (Column column : picked.certain()) {
            if (isKept(column)) {
                drafts.add(new Drafted(column, Role.ALONE));
                used.add(column.where());
            } else if (isOfItself(column)) {
                drafts.add(new Drafted(column, column.isAllAbsolute() ? Role.SAVED : Role.ALONE));
                used.add(column.where());
            } else {
                links.add(column);
            }
        }
        List<Drafted> undecided = new ArrayList<>();
        List<Drafted> stated = new ArrayList<>();
        links.forEach(column -> stated.add(new Drafted(column, Role.LINK)));
        List<Drafted> loose = stated.stream().filter(one -> isLoose(one.column)).toList();
        stated.removeAll(loose);
        folders(stated);
        loose.stream().filter(one -> stated.stream().noneMatch(other -> other.column.where().equals(one.column.where())))
                .forEach(stated::add);
        join(stated);
        for (Drafted one : drafts) {
            used.add(one.column.where());
        }
        picked.doubtful().stream().limit(MOST_NAMES).filter(column -> !used.contains(column.where()) && !isOfItself(column))
                .filter(column -> nameOf(column, stated).isEmpty()).forEach(column -> undecided.add(new Drafted(column, Role.LINK)));
        saved();
        alone(stated);
        return new SlotMaker(drafts, documents).told(undecided);
    }

    /** Whether paths were only found by looking everywhere: a folder that stands beside them would say more. */
    private static boolean isLoose(Column column) {
        return column.way().startsWith(From.ANYWHERE + "/") || column.way().startsWith(From.FOLDER + "/");
    }

    /** Whether most of a column's values name the very document they stand in. */
    private static boolean isOfItself(Column column) {
        int own = 0;
        for (int i = 0; i < column.values().size(); i++) {
            ProjectPath document = column.values().get(i).doc().path();
            own += column.target(i).filter(document::equals).isPresent() ? 1 : 0;
        }
        return own * 2 > column.leading();
    }

    /** Whether it leads to what programs make again: that is not there where a project was cleaned up. */
    private static boolean isKept(Column column) {
        int kept = 0;
        for (int i = 0; i < column.values().size(); i++) {
            kept += column.target(i).filter(path -> Passing.isKept(path.text())).isPresent() ? 1 : 0;
        }
        return kept * 100 >= column.leading() * 95;
    }

    private static List<Spot> spots(Column column) {
        return column.values().stream().map(Val::spot).toList();
    }

    /** Joins places that name the same files to one link in several forms. */
    private void join(List<Drafted> stated) {
        List<Drafted> order = new ArrayList<>(stated);
        order.sort(Comparator.comparing((Drafted one) -> one.column.isAbsolute()).thenComparing(one -> isBare(one.column))
                .thenComparing(one -> one.column.way()).thenComparing(one -> one.column.decoding())
                .thenComparing(one -> -one.column.leading()).thenComparing(one -> one.column.where()));
        List<Drafted> first = new ArrayList<>();
        for (Drafted one : order) {
            Optional<Drafted> same = first.stream().limit(MOST_JOINED).map(of -> form(one.column, of)).flatMap(Optional::stream)
                    .max(Comparator.comparingInt(form -> form.same));
            if (same.isEmpty()) {
                first.add(one);
                drafts.add(one);
            } else if (isBare(one.column) && !isBare(same.get().of.column)) {
                // A name beside its path is for people: a file beside the document may happen to bear it.
                Drafted name = new Drafted(one.column, Role.ALONE);
                name.same = same.get().same;
                name.of = same.get().of;
                drafts.add(name);
            } else {
                drafts.add(same.get());
            }
        }
        stated.clear();
        stated.addAll(first);
    }

    /** A column as another form of a link: where nearly all its values go with one of the link's that leads to the same file. */
    private static Optional<Drafted> form(Column column, Drafted of) {
        List<Spot> mine = spots(column);
        List<Spot> its = spots(of.column);
        for (int depth : Joining.depths(column.where(), of.column.where())) {
            int[] pairs = Joining.pairs(mine, its, depth);
            int same = 0;
            int told = 0;
            int twice = 0;
            for (int i = 0; i < pairs.length; i++) {
                boolean leads = column.target(i).isPresent();
                boolean pair = leads && pairs[i] >= 0 && column.target(i).equals(of.column.target(pairs[i]));
                told += leads ? 1 : 0;
                same += pair ? 1 : 0;
                twice += pair && column.values().get(i).text().equals(of.column.values().get(pairs[i]).text()) ? 1 : 0;
            }
            // What is written alike is no other form: two links to one file.
            boolean forms = told > 0 && same * 100 >= told * 95 && same * 2 >= of.column.leading() && twice * 2 < same;
            if (forms && Joining.takeTurns(mine, its, depth)) {
                Drafted form = new Drafted(column, Role.SAME);
                form.of = of;
                form.within = depth;
                form.same = same;
                return Optional.of(form);
            }
        }
        return Optional.empty();
    }

    private static boolean isBare(Column column) {
        return column.values().stream().map(Val::text).noneMatch(text -> text.indexOf('/') >= 0 || text.indexOf('\\') >= 0)
                && !column.decoding().base64;
    }

    /** A column as the names of the files that a link beside it leads to: where nearly all its values are their last names. */
    private static Optional<Drafted> nameOf(Column column, List<Drafted> stated) {
        if (!isBare(column)) {
            return Optional.empty();
        }
        List<Spot> mine = spots(column);
        for (Drafted of : stated.subList(0, Math.min(stated.size(), MOST_JOINED))) {
            List<Spot> its = spots(of.column);
            for (int depth : Joining.depths(column.where(), of.column.where())) {
                int[] pairs = Joining.pairs(mine, its, depth);
                int same = 0;
                for (int i = 0; i < pairs.length; i++) {
                    String text = column.values().get(i).text();
                    same += pairs[i] >= 0 && of.column.target(pairs[i]).filter(path -> path.name().equals(text) || path.stem().equals(text))
                            .isPresent() ? 1 : 0;
                }
                if (same >= 2 && same * 100 >= mine.size() * 95) {
                    Drafted name = new Drafted(column, Role.ALONE);
                    name.of = of;
                    name.same = same;
                    return Optional.of(name);
                }
            }
        }
        return Optional.empty();
    }

    /** Finds names and paths that lead somewhere only behind a folder that stands in another place. */
    private void folders(List<Drafted> stated) {
        Set<Where> certain = new HashSet<>();
        stated.forEach(one -> certain.add(one.column.where()));
        List<Map.Entry<Where, List<Val>>> set = columns.entrySet().stream().sorted(Map.Entry.comparingByKey())
                .filter(entry -> namesFolders(entry.getValue())).limit(MOST_FOLDERS).toList();
        Set<Val.Anchor> covered = new HashSet<>();
        List<Folded> found = new ArrayList<>();
        columns.entrySet().stream().sorted(Map.Entry.comparingByKey()).filter(entry -> !certain.contains(entry.getKey()))
                .filter(entry -> entry.getValue().stream().filter(value -> looksLikeFile(value.text())).count() * 2 > entry.getValue()
                        .size())
                .limit(MOST_NAMES).forEach(entry -> set.stream().filter(folder -> !folder.getKey().equals(entry.getKey()))
                        .flatMap(folder -> folded(entry.getKey(), entry.getValue(), folder.getKey(), folder.getValue()).stream())
                        .max(Comparator.comparingInt((Folded one) -> one.column.leading()).thenComparing(one -> one.within))
                        .ifPresent(found::add));
        // Beside a name that is told apart in several ways, the place that holds most of them is meant.
        found.sort(Comparator.comparingInt((Folded one) -> -one.column.leading()).thenComparing(one -> one.column.where()));
        for (Folded one : found) {
            boolean fresh = one.column.values().stream().map(Val::anchor).noneMatch(covered::contains);
            if (fresh) {
                one.column.values().forEach(value -> covered.add(value.anchor()));
                stated.add(one.drafted(drafts));
            }
        }
    }

    private static boolean looksLikeFile(String text) {
        int dot = text.lastIndexOf('.');
        return dot > 0 && text.length() - dot <= 9 && text.length() - dot > 1 && text.indexOf(' ', dot) < 0;
    }

    private static boolean namesFolders(List<Val> values) {
        int named = 0;
        int told = 0;
        for (Val value : values) {
            if (!value.text().isEmpty() && told < 500) {
                told++;
                named += value.doc().leads().folder(value.text(), value.doc().folder()).isEmpty() ? 0 : 1;
            }
        }
        return named > 0 && named * 100 >= told * 95;
    }

    /** Names behind their folders, read as one. */
    private record Folded(Column column, Column folder, int within, boolean each) {

        /** The name's slot; the folder's is added to the others. */
        Drafted drafted(List<Drafted> drafts) {
            Drafted link = new Drafted(column, Role.LINK);
            Drafted set = new Drafted(folder, each ? Role.FOLDER : Role.BASE);
            set.same = column.leading();
            if (each) {
                set.of = link;
                set.within = within;
            } else {
                link.base = set;
                link.baseWithin = within;
            }
            drafts.add(set);
            return link;
        }
    }

    private static Optional<Folded> folded(Where where, List<Val> names, Where folderWhere, List<Val> folders) {
        List<Spot> mine = names.stream().map(Val::spot).toList();
        List<Spot> its = folders.stream().map(Val::spot).toList();
        for (int depth : Joining.depths(where, folderWhere)) {
            int[] last = Joining.last(mine, its, depth);
            List<Val> joined = new ArrayList<>();
            Set<Integer> serving = new HashSet<>();
            for (int i = 0; i < last.length; i++) {
                Val name = names.get(i);
                String folder = last[i] < 0 || folders.get(last[i]).doc() != name.doc() ? "" : folders.get(last[i]).text();
                if (last[i] >= 0) {
                    serving.add(last[i]);
                }
                String text = name.text().isEmpty() || folder.isEmpty() ? name.text()
                        : folder.endsWith("/") || folder.endsWith("\\") ? folder + name.text() : folder + "/" + name.text();
                Spot spot = name.spot();
                joined.add(new Val(new Spot(spot.where(), text, spot.place(), spot.level(), spot.anchor()), name.doc()));
            }
            Column column = new Column(where, joined);
            boolean plain = column.way().isEmpty() || column.way().startsWith(From.DOCUMENT + "/")
                    || column.way().startsWith(From.ROOT + "/");
            if (plain && column.isCertain() && column.prefixes().isEmpty()) {
                boolean each = serving.size() == mine.size() && folders.size() == mine.size();
                return Optional.of(new Folded(column, new Column(folderWhere, folders), depth, each));
            }
        }
        return Optional.empty();
    }

    /** Finds places that say where the document, its folder or the project lay. */
    private void saved() {
        columns.entrySet().stream().sorted(Map.Entry.comparingByKey()).filter(entry -> !used.contains(entry.getKey())).forEach(entry -> {
            Optional<Start> place = savedPlace(entry.getValue());
            if (place.isPresent() && drafts.stream().noneMatch(one -> covers(one.column, entry.getValue()))) {
                Drafted saved = new Drafted(new Column(entry.getKey(), entry.getValue()), Role.SAVED);
                saved.starts = place.get();
                drafts.add(saved);
                used.add(entry.getKey());
            }
        });
    }

    private static boolean covers(Column column, List<Val> values) {
        Set<Val.Anchor> own = new HashSet<>();
        column.values().forEach(value -> own.add(value.anchor()));
        return values.stream().anyMatch(value -> own.contains(value.anchor()));
    }

    private static Optional<Start> savedPlace(List<Val> values) {
        int told = 0;
        int root = 0;
        int own = 0;
        for (Val value : values) {
            if (value.text().isEmpty()) {
                continue;
            }
            told++;
            Optional<List<String>> below = LinkText.read(value.text(), Notation.SLASHED).filter(address -> address.form().isAbsolute())
                    .flatMap(address -> value.doc().leads().ground().below(address));
            root += below.filter(List::isEmpty).isPresent() ? 1 : 0;
            own += below.filter(names -> !names.isEmpty()
                    && (names.equals(value.doc().path().names()) || names.equals(value.doc().folder().names()))).isPresent() ? 1 : 0;
        }
        return told == 0 || (root < told && own < told) ? Optional.empty()
                : Optional.of(own == told ? new Start.Document() : new Start.Root());
    }

    /** What looks like paths and leads nowhere, or stands beside a link for people: told, so that nobody wonders. */
    private void alone(List<Drafted> stated) {
        Set<Val.Anchor> covered = new HashSet<>();
        drafts.forEach(one -> one.column.values().forEach(value -> covered.add(value.anchor())));
        List<Drafted> found = new ArrayList<>();
        columns.entrySet().stream().sorted(Map.Entry.comparingByKey()).filter(entry -> !used.contains(entry.getKey()))
                .filter(entry -> saysEnough(entry.getKey()) && found.size() < MOST_ALONE).forEach(entry -> {
                    List<Val> fresh = entry.getValue().stream()
                            .filter(value -> !covered.contains(value.anchor())).toList();
                    boolean paths = fresh.stream().filter(value -> looksLikePath(value.text())).count() * 2 > fresh.size();
                    if (paths && fresh.size() == entry.getValue().size()) {
                        Column column = new Column(entry.getKey(), entry.getValue());
                        Optional<Drafted> name = nameOf(column, stated);
                        if (column.leading() * 2 < column.total() || name.isPresent()) {
                            found.add(name.orElseGet(() -> new Drafted(column, Role.ALONE)));
                            entry.getValue().forEach(value -> covered.add(value.anchor()));
                        }
                    }
                });
        drafts.addAll(found);
    }

    /** Of bytes, and of lines as a whole, most that looks like a path is a part of something. */
    private static boolean saysEnough(Where where) {
        return where instanceof Where.InTree || (where instanceof Where.InLine line
                && Set.of(Where.Part.Kind.REST, Where.Part.Kind.QUOTED, Where.Part.Kind.AFTER).contains(line.value().kind()));
    }

    private static boolean looksLikePath(String text) {
        boolean absolute = LinkText.read(text, Notation.SLASHED).map(address -> address.form()).filter(LinkForm::isAbsolute).isPresent();
        return looksLikeFile(text) && text.chars().anyMatch(Character::isLetter) && (absolute || text.indexOf(' ') < 0) || absolute;
    }
}
