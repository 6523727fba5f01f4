package org.opensatchel.core.words;

import java.util.List;
import java.util.function.Function;
import java.util.regex.MatchResult;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Says where something stands in the words of who made the document: a slide, a cell, a track and a clip. A report keeps the exact place;
 * what nobody has a word for is shown as it is.
 */
final class PlaceWords {

    /** What a place looks like, behind the member it stands in, and what is said of it. */
    private record Known(Pattern pattern, String key, Function<MatchResult, Object[]> values) {}

    private static final List<Known> KNOWN = List.of(
            known("^ppt/slides/_rels/slide([0-9]{1,6})\\.xml\\.rels ", "place.slide"),
            known("^xl/worksheets/_rels/sheet([0-9]{1,6})\\.xml\\.rels ", "place.sheet"),
            known("^xl/drawings/_rels/drawing([0-9]{1,6})\\.xml\\.rels ", "place.drawing"),
            known("^word/_rels/document\\.xml\\.rels ", "place.text"),
            known("^word/_rels/(?:foot|end)notes\\.xml\\.rels ", "place.notes"),
            known("^word/_rels/header[0-9]*\\.xml\\.rels ", "place.header"),
            known("^word/_rels/footer[0-9]*\\.xml\\.rels ", "place.footer"),
            known(" page ([0-9]{1,6})$", "place.page"),
            counted(" /tracks/children/([0-9]{1,6})/children/([0-9]{1,6})(?:/|$)", "place.clip"),
            counted(" /tracks/children/([0-9]{1,6})(?:/|$)", "place.track"),
            new Known(Pattern.compile(
                    "table:table\\[([0-9]{1,6})\\](?:/table:table-row-group\\[1\\])*/table:table-row\\[([0-9]{1,6})\\]/table:table-cell\\[([0-9]{1,4})\\]"),
                    "place.cell", at -> new Object[]{Integer.parseInt(at.group(1)), column(Integer.parseInt(at.group(3))) + at.group(2)}),
            known("office:presentation\\[1\\]/draw:page\\[([0-9]{1,6})\\]", "place.slide"),
            known("draw:page\\[([0-9]{1,6})\\]", "place.page"),
            known("office:text\\[1\\](?:/text:section\\[[0-9]+\\])*/text:p\\[([0-9]{1,6})\\]", "place.paragraph"),
            known("/Track\\[([0-9]{1,6})\\](?:/[^/]+)*?/Clips?\\[([0-9]{1,6})\\]", "place.clip"),
            known("/track(?:List\\[1\\]/track)?\\[([0-9]{1,6})\\]", "place.track"),
            new Known(Pattern.compile("/(?:[\\w.-]+:)?([\\w.-]+)\\[([0-9]{1,6})\\](?:/@[^/]*)?$"), "place.element",
                    at -> new Object[]{at.group(1), Integer.parseInt(at.group(2))}),
            new Known(Pattern.compile(" (?:/[^/]*)*?/([A-Za-z_]+)/([0-9]{1,6})(?:/[A-Za-z_]+)?$"), "place.element",
                    at -> new Object[]{at.group(1), Integer.parseInt(at.group(2)) + 1}));

    private PlaceWords() {
    }

    private static Known known(String pattern, String key) {
        return new Known(Pattern.compile(pattern), key, at -> {
            Object[] numbers = new Object[at.groupCount()];
            for (int i = 0; i < numbers.length; i++) {
                numbers[i] = Integer.parseInt(at.group(i + 1));
            }
            return numbers;
        });
    }

    /** The same for places that count from zero. */
    private static Known counted(String pattern, String key) {
        Known plain = known(pattern, key);
        return new Known(plain.pattern, key, at -> {
            Object[] numbers = plain.values.apply(at);
            for (int i = 0; i < numbers.length; i++) {
                numbers[i] = (Integer) numbers[i] + 1;
            }
            return numbers;
        });
    }

    private static String column(int number) {
        StringBuilder out = new StringBuilder();
        for (int left = number; left > 0; left = (left - 1) / 26) {
            out.insert(0, (char) ('A' + (left - 1) % 26));
        }
        return out.toString();
    }

    /**
     * @param document what the place is in; a member of a package behind {@code !/}
     * @param at the place as reports write it
     */
    static String of(Words words, String document, String at) {
        String member = document.contains("!/") ? document.substring(document.indexOf("!/") + 2) : "";
        String whole = member + " " + at;
        for (Known known : at.length() > 2_000 ? List.<Known>of() : KNOWN) {
            Matcher matcher = known.pattern.matcher(whole);
            if (matcher.find()) {
                return words.fill(known.key, known.values.apply(matcher));
            }
        }
        return at;
    }
}
