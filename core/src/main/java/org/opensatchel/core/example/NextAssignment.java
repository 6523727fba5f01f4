package org.opensatchel.core.example;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.KitReader;
import org.opensatchel.core.kit.KitWriter;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The next assignment's kit from this one's: its code raised wherever it is written, its dates moved, its starter files kept or not. */
public final class NextAssignment {

    private static final Pattern NUMBER = Pattern.compile("(.*?)([0-9]+)([^0-9]*)");
    private static final Pattern DATE = Pattern.compile("(?<![0-9])([0-9]{4}-[0-9]{2}-[0-9]{2})(?![0-9])");
    /** Keys whose texts are not words of the instructor's. */
    private static final Set<String> UNTOUCHED = Set.of("sha256", "need", "treat", "spaces", "letters", "otherFolders", "pattern",
            "element", "pointer", "files", "base");

    private final String code;
    private final String newCode;
    private final long days;

    private NextAssignment(String code, String newCode, long days) {
        this.code = code;
        this.newCode = newCode;
        this.days = days;
    }

    /** The code after this one: its last number raised by one, digits kept ({@code A2} to {@code A3}, {@code W09} to {@code W10}). */
    public static String codeAfter(String code) {
        Matcher number = NUMBER.matcher(code);
        if (!number.matches() || number.group(2).length() > 9) {
            return code + "2";
        }
        String raised = Integer.toString(Integer.parseInt(number.group(2)) + 1);
        return number.group(1) + "0".repeat(Math.max(0, number.group(2).length() - raised.length())) + raised + number.group(3);
    }

    /**
     * Makes the kit; its version is 1.
     *
     * @param code the code this kit is written for
     * @param days how far dates move
     */
    public static Kit of(Kit kit, String code, String newCode, String title, long days, boolean keepStarter) {
        ObjectNode document = (ObjectNode) JsonDocuments.MAPPER.readTree(KitWriter.write(kit));
        new NextAssignment(code, newCode, days).walk(document);
        document.put("title", title).put("version", 1).put("assignment", newCode);
        if (!keepStarter) {
            document.putArray("starter");
        }
        return KitReader.read(JsonDocuments.MAPPER.writeValueAsBytes(document)).kit()
                .orElseThrow(() -> new IllegalStateException("a kit with its code raised cannot be read"));
    }

    private void walk(JsonNode node) {
        if (node instanceof ObjectNode object) {
            for (String key : List.copyOf(object.propertyNames())) {
                JsonNode value = object.get(key);
                if (value.isString() && !UNTOUCHED.contains(key)) {
                    object.put(key, raised(value.stringValue()));
                } else if (value.isContainer() && !UNTOUCHED.contains(key) || value.isArray() && key.equals("files")) {
                    walk(value);
                }
            }
        } else if (node instanceof ArrayNode array) {
            array.forEach(this::walk);
        }
    }

    private String raised(String text) {
        String coded = code.isEmpty() ? text
                : Pattern.compile("(?<![\\p{L}\\p{N}{])" + Pattern.quote(code) + "(?![\\p{L}\\p{N}}])").matcher(text)
                        .replaceAll(Matcher.quoteReplacement(newCode));
        return days == 0 ? coded : DATE.matcher(coded).replaceAll(date -> Matcher.quoteReplacement(moved(date.group(1))));
    }

    private String moved(String date) {
        try {
            return LocalDate.parse(date).plusDays(days).toString();
        } catch (DateTimeException noDate) {
            return date;
        }
    }
}
