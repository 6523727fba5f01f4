package org.opensatchel.base.fact;

import static org.opensatchel.base.fact.FactName.BYTES;
import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.NAME;
import static org.opensatchel.base.fact.FactName.TEXT;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;

/** The names facts have, and what kind of value each holds. Names are a contract of the report: they may be added, never changed. */
public enum FactName {
    /** The path a finding is about, its last name and the folder that lies in: not stored, since the finding has its path. */
    PATH("path", Kind.NAME),
    NAME("name", Kind.NAME),
    IN("in", Kind.NAME),
    /** A place inside a file, likewise. */
    AT("at", Kind.TEXT),
    /** The name or path that was found. */
    FOUND("found", Kind.NAME),
    /** What should be there in its place. */
    EXPECTED("expected", Kind.NAME),
    /** The path that is planned. */
    PLANNED("planned", Kind.NAME),
    /** Where something belongs; absent for the project folder itself. */
    PLACE("place", Kind.NAME),
    /** What a link says. */
    TEXT("text", Kind.NAME),
    /** The file a link leads to. */
    TARGET("target", Kind.NAME),
    /** The path a link asks for, or its last name. */
    WANTED("wanted", Kind.NAME),
    /** The root an absolute link was made under. */
    OLD_ROOT("oldRoot", Kind.NAME),
    /** Where the project lies on a machine. */
    ROOT("root", Kind.NAME),
    /** Another project's root. */
    PROJECT("project", Kind.NAME),
    /** A file that was probably meant. */
    CANDIDATE("candidate", Kind.NAME),
    /** Another name or path of the same matter. */
    OTHER("other", Kind.NAME),
    /** A location as it was declared. */
    LOCATION("location", Kind.NAME),
    /** A better location. */
    EXAMPLE("example", Kind.NAME),
    /** What stands from the place on where a name goes wrong. */
    REST("rest", Kind.NAME),
    /** A character. */
    CHARACTER("character", Kind.NAME),
    /** A value before, and one after. */
    BEFORE("before", Kind.NAME),
    AFTER("after", Kind.NAME),
    /** Several names or paths. */
    OTHERS("others", Kind.NAMES),
    /** A name pattern, or a field as a pattern writes it. */
    PATTERN("pattern", Kind.NAME),

    /** What the kit calls a document or file. */
    ROLE("role", Kind.TEXT),
    /** What the kit says a folder is for. */
    PURPOSE("purpose", Kind.TEXT),
    /** The code of a finding, shown by its title. */
    CODE("code", Kind.TERM),
    /** A person's name. */
    PERSON("person", Kind.TEXT),
    /** A file format's name. */
    FORMAT("format", Kind.TERM),
    /** A type of files: an extension. */
    TYPE("type", Kind.TEXT),
    /** A code point, as {@code U+200B}. */
    CODE_POINT("codePoint", Kind.TEXT),
    /** What a library of ours said, in its own words. */
    DETAIL("detail", Kind.TEXT),
    /** A key of a document. */
    KEY("key", Kind.NAME),
    /** Several types of files, codes or other short texts. */
    TYPES("types", Kind.TEXTS),
    CODES("codes", Kind.TEXTS),
    /** The types a folder takes. */
    ALLOWED_TYPES("allowedTypes", Kind.TEXTS),
    /** Several machines, by their titles. */
    MACHINES("machines", Kind.TEXTS),
    /** Several people. */
    PEOPLE("people", Kind.TEXTS),
    /** Missing numbers of a sequence, as ranges. */
    RANGES("ranges", Kind.TEXTS),

    /** Which of the ways a thing can be. */
    HOW("how", Kind.WORD),
    /** Where several are told together: {@code each} of them has its file in the folder. */
    THERE("there", Kind.WORD),
    /** What two names that are nearly the same differ in. */
    DIFFERENCE("difference", Kind.PHRASE),
    /** Why a candidate is one. */
    REASON("reason", Kind.TERM),
    /** Required, optional or forbidden. */
    NEED("need", Kind.WORD),
    /** A kind of storage. */
    STORAGE("storage", Kind.WORD),
    /** What was before: needed or not, grave or not. */
    WAS("was", Kind.WORD),
    /** How grave something is, or {@code off}. */
    SEVERITY("severity", Kind.WORD),
    /** A way of writing. */
    FORM("form", Kind.WORD),
    /** What a length is counted in. */
    UNIT("unit", Kind.WORD),
    /** Several kinds of storage. */
    ALLOWED("allowed", Kind.WORDS),

    /** Several places to keep away from. */
    PLACES("places", Kind.WORDS),

    /** Seconds, decibels, pictures a second. */
    VALUE("value", Kind.DECIMAL),
    LOW("low", Kind.DECIMAL),
    HIGH("high", Kind.DECIMAL),
    COUNT("count", Kind.COUNT),
    /** The same of what is asked for. */
    ASKED("asked", Kind.DECIMAL),
    ASKED_COUNT("askedCount", Kind.COUNT),
    /** A picture's size in pixels, and the one that is asked for. */
    WIDTH("width", Kind.COUNT),
    HEIGHT("height", Kind.COUNT),
    ASKED_WIDTH("askedWidth", Kind.COUNT),
    ASKED_HEIGHT("askedHeight", Kind.COUNT),
    /** A picture's shape as width to height, and the one that is asked for. */
    SHAPE("shape", Kind.TEXT),
    ASKED_SHAPE("askedShape", Kind.TEXT),
    /** How long something plays, in seconds, and how long it should. */
    LENGTH("length", Kind.SECONDS),
    ASKED_LENGTH("askedLength", Kind.SECONDS),
    /** A way of coding pictures or sound, by the name of its standard. */
    CODEC("codec", Kind.TEXT),
    LEAST("least", Kind.COUNT),
    MOST("most", Kind.COUNT),
    /** A version of the kit, of a document. */
    VERSION("version", Kind.COUNT),
    NEWER("newer", Kind.COUNT),
    /** How many of the same kind are not told one by one. */
    MORE("more", Kind.COUNT),
    /** A row, an entry, a line: counted from 1. */
    NUMBER("number", Kind.COUNT),
    BYTES("bytes", Kind.BYTES),
    MOST_BYTES("mostBytes", Kind.BYTES),

    /** A place in a text: a line and a column. */
    LINE("line", Kind.COUNT),
    COLUMN("column", Kind.COUNT),
    /** What is wrong with a file or name, completing a sentence that begins with it. */
    FAULT("fault", Kind.PHRASE),
    /** What should stand at a place. */
    WHAT("what", Kind.PHRASE),
    /** Several parts of what is asked, now and before. */
    PARTS("parts", Kind.PHRASES),
    WERE("were", Kind.PHRASES),
    /** What changed in a kit. */
    CHANGE("change", Kind.PHRASE),
    /** What has to be overlooked for a link to find its file. */
    OVERLOOKED("overlooked", Kind.PHRASE);

    /** What a fact's value is, and so how it is shown. */
    public enum Kind {
        /** The name of a file or the like, set apart from the words around it. */
        NAME,
        /** Several names. */
        NAMES,
        /** Words of a person, said as they are. */
        TEXT,
        /** Several of them. */
        TEXTS,
        /** One from a fixed list; it chooses a form of the sentence and is never shown itself. */
        WORD,
        /** Several from a fixed list, each with words of its own. */
        WORDS,
        /** A technical term with words of its own. */
        TERM,
        /** A whole number. */
        COUNT,
        /** A number of bytes, shown in the unit a person would use. */
        BYTES,
        /** A number that need not be whole. */
        DECIMAL,
        /** A time in seconds, shown in minutes where a person would. */
        SECONDS,
        /** Something said inside the sentence. */
        PHRASE,
        /** Several such things. */
        PHRASES
    }

    private static final Map<String, FactName> BY_WORD = new HashMap<>();

    static {
        for (FactName name : values()) {
            BY_WORD.put(name.word, name);
        }
    }

    private final String word;
    private final Kind kind;

    FactName(String word, Kind kind) {
        this.word = word;
        this.kind = kind;
    }

    /** The name as reports and bundles write it. */
    public String word() {
        return word;
    }

    public Kind kind() {
        return kind;
    }

    public static Optional<FactName> of(String word) {
        return Optional.ofNullable(BY_WORD.get(word));
    }
}
