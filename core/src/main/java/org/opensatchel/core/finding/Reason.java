package org.opensatchel.core.finding;

import static org.opensatchel.base.fact.FactName.PLANNED;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Set;
import java.util.stream.Stream;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Wording;

/** Why a file was probably meant. */
public enum Reason implements Wording {
    /** It has the content of the kit's own file that was linked. */
    SAME_CONTENT,
    /** It lies under the root where it lay under the old one. */
    SAME_PLACE,
    /** It has the same name, in a folder of the same name. */
    SAME_FOLDER,
    SAME_NAME,
    /** The same name, if capitals and small letters are one. */
    SAME_BUT_CAPITALS,
    /** A numbered set of the same name. */
    SAME_SET,
    /** The same name, if spaces, hyphens and accents are overlooked. */
    SAME_BUT_SIGNS,
    OTHER_VERSION,
    OTHER_ENDING,
    ONE_LETTER,
    TWO_LETTERS,
    /** It is the file itself, spelt another way. */
    OTHER_SPELLING,
    /** The kit put or plans it there. */
    PLANNED,
    /** The nearest name the pattern makes. */
    RIGHT_NAME;

    /** As reports write it. */
    @JsonValue
    public String word() {
        return Wording.word(this);
    }

    /** A reason by its word; null, which reads as absent, for one of a later version. */
    @JsonCreator
    static Reason of(String word) {
        return Stream.of(values()).filter(reason -> reason.word().equals(word)).findFirst().orElse(null);
    }

    @Override
    public String key() {
        return Wording.key("reason", this);
    }

    @Override
    public Set<FactName> takes() {
        return Facts.declared();
    }
}
