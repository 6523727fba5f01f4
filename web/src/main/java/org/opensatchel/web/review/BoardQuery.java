package org.opensatchel.web.review;

import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.opensatchel.base.path.NameFolding;
import org.opensatchel.base.text.Shortened;
import org.opensatchel.web.handin.HandInView;
import org.springframework.web.util.UriComponentsBuilder;

/**
 * What somebody wants to see of the class, as it stands in the address. Values that mean nothing are passed over.
 *
 * @param q what the name or number holds
 * @param verdict as {@link BoardRow#told()} says it, or {@code open} for what is to fix or cannot be read; empty for any
 * @param code a finding's code; empty for any
 * @param show {@code new}, {@code waiting} or {@code late}; empty for everybody
 * @param sort {@code worst}, {@code name}, {@code time} or {@code points}
 * @param open which section is unfolded, or {@link #ALL_OPEN}; empty for none
 */
public record BoardQuery(String q, String verdict, String code, String section, String team, String show, String sort, String open) {

    static final BoardQuery ALL = new BoardQuery("", "", "", "", "", "", "worst", "");
    /** No section is called so. */
    static final String ALL_OPEN = "*";
    private static final String OPEN = "open";
    static final Set<String> SHOWS = Set.of("new", "waiting", "late");
    static final List<String> SORTS = List.of("worst", "name", "time", "points");
    private static final int LONGEST = 200;

    static BoardQuery of(Map<String, String> asked) {
        String sort = text(asked, "sort");
        String show = text(asked, "show");
        return new BoardQuery(text(asked, "q").strip(), text(asked, "verdict"), text(asked, "code"), text(asked, "section"),
                text(asked, "team"), SHOWS.contains(show) ? show : "", SORTS.contains(sort) ? sort : "worst", text(asked, "open"));
    }

    private static String text(Map<String, String> asked, String name) {
        String text = asked.getOrDefault(name, "");
        return Shortened.cut(text, LONGEST);
    }

    public boolean opensAll() {
        return open.equals(ALL_OPEN);
    }

    /** The same students in the same order, whatever is unfolded of them. */
    BoardQuery folded() {
        return new BoardQuery(q, verdict, code, section, team, show, sort, "");
    }

    public boolean isAll() {
        return q.isEmpty() && verdict.isEmpty() && code.isEmpty() && section.isEmpty() && team.isEmpty() && show.isEmpty();
    }

    boolean takes(BoardRow row) {
        return takesWho(row) && takesVerdict(row.told())
                && (code.isEmpty() || row.tally().codes().containsKey(code)) && takesShown(row);
    }

    private boolean takesVerdict(String told) {
        return verdict.isEmpty() || told.equals(verdict) || verdict.equals(OPEN) && (told.equals("fix") || told.equals("blocked"));
    }

    private boolean takesWho(BoardRow row) {
        String sought = NameFolding.loose(q);
        boolean named = q.isEmpty() || NameFolding.loose(row.student().name()).contains(sought)
                || NameFolding.loose(row.student().listed()).contains(sought)
                || row.student().number().toLowerCase(Locale.ROOT).startsWith(q.toLowerCase(Locale.ROOT));
        return named && (section.isEmpty() || row.student().section().equals(section))
                && (team.isEmpty() || row.student().team().equals(team));
    }

    private boolean takesShown(BoardRow row) {
        return switch (show) {
            case "new" -> row.isNew();
            case "waiting" -> row.waits();
            case "late" -> row.late().isPresent();
            default -> true;
        };
    }

    /** Most must first, then most should; who has not handed in stands last. Rows that are equal stay in the order of the roster. */
    Comparator<BoardRow> order() {
        Comparator<BoardRow> missingLast = Comparator.comparing(row -> row.handIn().isEmpty());
        return switch (sort) {
            case "name" -> (a, b) -> 0;
            case "time" -> missingLast.thenComparing(row -> row.handIn().map(HandInView::receivedAt).orElse(java.time.Instant.EPOCH),
                    Comparator.reverseOrder());
            case "points" -> missingLast.thenComparing(row -> row.points().map(one -> one.earned().doubleValue()).orElse(-1.0));
            default -> missingLast.thenComparing(row -> row.told().equals("blocked") ? 0 : 1)
                    .thenComparing(row -> -row.handIn().map(HandInView::must).orElse(0))
                    .thenComparing(row -> -row.handIn().map(HandInView::should).orElse(0));
        };
    }

    private Map<String, String> parts() {
        Map<String, String> parts = new LinkedHashMap<>();
        parts.put("q", q);
        parts.put("verdict", verdict);
        parts.put("code", code);
        parts.put("section", section);
        parts.put("team", team);
        parts.put("show", show);
        parts.put("sort", sort.equals("worst") ? "" : sort);
        parts.put("open", open);
        parts.values().removeIf(String::isEmpty);
        return parts;
    }

    /** The address of the board with one thing changed, an empty value for any. */
    public String with(long assignment, String name, String value) {
        Map<String, String> parts = parts();
        parts.put(name, value);
        parts.values().removeIf(String::isEmpty);
        return address("/assignments/" + assignment + "/review", parts);
    }

    /** What of it goes along to a student's page, so that next and previous are those of the board; begins with a question mark, or is empty. */
    public String carried() {
        return address("", parts());
    }

    private static String address(String path, Map<String, String> parts) {
        UriComponentsBuilder address = UriComponentsBuilder.fromPath(path);
        parts.keySet().forEach(name -> address.queryParam(name, "{" + name + "}"));
        return address.encode().buildAndExpand(parts.entrySet().stream().collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue)))
                .toUriString();
    }
}
