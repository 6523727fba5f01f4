package org.opensatchel.formats.described;

import java.nio.charset.StandardCharsets;
import java.util.List;
import org.opensatchel.base.hash.Sha256;
import org.opensatchel.base.json.JsonDocuments;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Writes a profile's document: the same profile, the same bytes. */
public final class ProfileWriter {

    private ProfileWriter() {
    }

    public static byte[] write(Profile profile) {
        String text = JsonDocuments.MAPPER.writer().with(SerializationFeature.INDENT_OUTPUT).writeValueAsString(document(profile));
        return (text.replace("\r\n", "\n") + "\n").getBytes(StandardCharsets.UTF_8);
    }

    /** What a profile is named by: the SHA-256 of its document. */
    public static String sha256(Profile profile) {
        return Sha256.hex(Sha256.digest().digest(write(profile)));
    }

    public static ObjectNode document(Profile profile) {
        ObjectNode out = JsonNodeFactory.instance.objectNode();
        out.put("profile", Profile.VERSION).put("title", profile.title());
        kind(out, profile.kinds().get(0));
        if (profile.kinds().size() > 1) {
            ArrayNode beside = out.putArray("beside");
            profile.kinds().stream().skip(1).forEach(kind -> kind(beside.addObject(), kind));
        }
        return out;
    }

    private static void kind(ObjectNode out, Kind kind) {
        out.put("files", kind.files()).put("content", kind.content().word());
        if (!kind.unwrap().isEmpty()) {
            ArrayNode unwrap = out.putArray("unwrap");
            kind.unwrap().forEach(wrap -> unwrap.add(wrap.text()));
        }
        Kind.Begins begins = kind.begins();
        if (!begins.equals(Kind.Begins.NOTHING)) {
            ObjectNode object = out.putObject("begins");
            text(object, "bytes", begins.bytes());
            text(object, "root", begins.root());
            texts(object, "keys", begins.keys());
            text(object, "line", begins.line());
        }
        if (kind.absolute()) {
            out.put("writes", "absolute");
        }
        slots(out.putArray("slots"), kind.slots());
        if (!kind.undecided().isEmpty()) {
            slots(out.putArray("undecided"), kind.undecided());
        }
        texts(out, "known", List.copyOf(kind.known()));
    }

    private static void text(ObjectNode out, String key, String text) {
        if (!text.isEmpty()) {
            out.put(key, text);
        }
    }

    private static void texts(ObjectNode out, String key, List<String> texts) {
        if (!texts.isEmpty()) {
            ArrayNode list = out.putArray(key);
            texts.forEach(list::add);
        }
    }

    private static void flag(ObjectNode out, String key, boolean is) {
        if (is) {
            out.put(key, true);
        }
    }

    private static void slots(ArrayNode out, List<Slot> slots) {
        slots.forEach(slot -> slot(out.addObject(), slot));
    }

    private static void slot(ObjectNode out, Slot slot) {
        out.put("id", slot.id());
        where(out, slot.where());
        out.put("role", ProfileReader.word(slot.role()));
        slot.of().ifPresent(of -> out.put("of", of));
        if (slot.within() > 0) {
            out.put("within", slot.within());
        }
        if (!slot.when().isEmpty()) {
            ObjectNode when = out.putObject("when");
            slot.when().forEach((key, texts) -> texts(when, key, List.copyOf(texts)));
        }
        flag(out, "base64", slot.base64());
        flag(out, "escapes", slot.escapes());
        if (slot.writing() != Slot.Writing.PLAIN) {
            out.put("writing", ProfileReader.word(slot.writing()));
        }
        flag(out, "backslashes", slot.backslashes());
        start(out, slot.starts());
        if (!slot.prefixes().isEmpty()) {
            ArrayNode prefixes = out.putArray("prefixes");
            slot.prefixes().forEach(prefix -> start(prefixes.addObject().put("text", prefix.text()), prefix.starts()));
        }
        slot.numbers().ifPresent(mark -> out.put("numbers", mark));
        texts(out, "nothing", List.copyOf(slot.nothing()));
        flag(out, "empty", slot.empty());
        flag(out, "always", slot.always());
        Slot.Evidence evidence = slot.evidence();
        if (!evidence.equals(Slot.Evidence.NONE)) {
            ObjectNode object = out.putObject("evidence").put("values", evidence.values()).put("leading", evidence.leading());
            if (evidence.same() > 0) {
                object.put("same", evidence.same());
            }
        }
    }

    private static void where(ObjectNode out, Where where) {
        if (where instanceof Where.InLine line) {
            ObjectNode object = out.putObject("line");
            if (!line.section().equals(Where.ANY)) {
                object.put("section", line.section());
            }
            if (!line.begins().equals(Where.ANY)) {
                object.put("begins", line.begins());
            }
            object.put("value", line.value().text());
        } else if (where instanceof Where.Matched matched) {
            out.put("pattern", matched.pattern());
        } else if (where instanceof Where.InBytes bytes) {
            ObjectNode object = out.putObject("bytes");
            text(object, "before", bytes.mark());
            object.put("length", bytes.length().text()).put("text", bytes.chars().word());
        } else {
            out.put("at", where.text());
        }
    }

    /** That paths start from the document's folder need not be said. */
    private static void start(ObjectNode out, Slot.Start start) {
        if (start instanceof Slot.Start.Root) {
            out.put("starts", "root");
        } else if (start instanceof Slot.Start.Anywhere) {
            out.put("starts", "anywhere");
        } else if (start instanceof Slot.Start.Folder folder) {
            out.putObject("starts").put("folder", folder.path());
        } else if (start instanceof Slot.Start.Base base) {
            ObjectNode object = out.putObject("starts").put("slot", base.slot());
            if (base.within() > 0) {
                object.put("within", base.within());
            }
        }
    }
}
