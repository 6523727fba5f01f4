package org.opensatchel.base.json;

import static org.opensatchel.base.fact.FactName.CODE_POINT;
import static org.opensatchel.base.fact.FactName.COLUMN;
import static org.opensatchel.base.fact.FactName.EXPECTED;
import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.KEY;
import static org.opensatchel.base.fact.FactName.LEAST;
import static org.opensatchel.base.fact.FactName.LINE;
import static org.opensatchel.base.fact.FactName.TYPES;

import java.util.Set;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Wording;

/** What may be wrong with a JSON document of ours: sentences. */
public enum JsonWording implements Wording {
    AT(FactName.AT, FactName.FAULT),
    NO_OBJECT,
    NO_TEXT(KEY),
    MISSING(KEY),
    NO_FLAG(KEY),
    NO_INTEGER(KEY, LEAST),
    NO_NUMBER(KEY),
    NO_CHOICE(KEY, FOUND, TYPES),
    NO_TEXTS(KEY),
    UNKNOWN_KEY(KEY, EXPECTED),
    NO_LIST(KEY),
    TWICE(KEY, LINE),
    NO_JSON(LINE, COLUMN),
    CONTROL(CODE_POINT);

    private final Set<FactName> takes;

    JsonWording(FactName... takes) {
        this.takes = Facts.declared(takes);
    }

    @Override
    public String key() {
        return Wording.key("document-fault", this);
    }

    @Override
    public Set<FactName> takes() {
        return takes;
    }
}
