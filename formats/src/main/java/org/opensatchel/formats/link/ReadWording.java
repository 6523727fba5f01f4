package org.opensatchel.formats.link;

import static org.opensatchel.base.fact.FactName.MOST;
import static org.opensatchel.base.fact.FactName.MOST_BYTES;

import java.util.Set;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Wording;

/** Why a document cannot be read to its end, completing a sentence that begins with its name. */
public enum ReadWording implements Wording {
    NO_PACKAGE,
    MEMBER_METHOD,
    TOO_MANY_MEMBERS,
    LONG_LINE,
    NO_TEXT,
    NO_XML,
    NOTHING,
    LIST,
    SINGLE_VALUE,
    GOES_ON,
    NESTED_TOO_DEEP,
    NO_JSON,
    TOO_LONG(MOST_BYTES),
    TOO_LONG_TOGETHER,
    TOO_MANY_LINKS(MOST),
    TOO_LONG_LINKS(MOST),
    LINKS_BEFORE(MOST),
    LONG_LINKS_BEFORE(MOST),
    BYTES_BEFORE(MOST_BYTES),
    TEXT_BREAKS_OFF,
    PATH_BREAKS_OFF,
    HEADER_BREAKS_OFF,
    NO_SCENE,
    SCENE_BREAKS_OFF,
    NOT_UNPACKED,
    TOO_MUCH_MARKUP(MOST),
    MEMBERS_TOO_MUCH(MOST),
    TAKES_IN_OTHERS,
    LOCKED_MEMBER,
    ENCRYPTED,
    ENCRYPTED_OR_OLD,
    LONG_HEADER,
    NO_PDF,
    NOT_TO_ITS_END,
    BINARY,
    BINARY_BY_NAME;

    private final Set<FactName> takes;

    ReadWording(FactName... takes) {
        this.takes = Facts.declared(takes);
    }

    @Override
    public String key() {
        return Wording.key("read-fault", this);
    }

    @Override
    public Set<FactName> takes() {
        return takes;
    }
}
