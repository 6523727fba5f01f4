package org.opensatchel.core.kit;

import static org.opensatchel.base.fact.FactName.AFTER;
import static org.opensatchel.base.fact.FactName.ALLOWED;
import static org.opensatchel.base.fact.FactName.BEFORE;
import static org.opensatchel.base.fact.FactName.BYTES;
import static org.opensatchel.base.fact.FactName.CODE;
import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.FORM;
import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.HOW;
import static org.opensatchel.base.fact.FactName.LEAST;
import static org.opensatchel.base.fact.FactName.MOST;
import static org.opensatchel.base.fact.FactName.NEED;
import static org.opensatchel.base.fact.FactName.OTHER;
import static org.opensatchel.base.fact.FactName.OTHERS;
import static org.opensatchel.base.fact.FactName.PARTS;
import static org.opensatchel.base.fact.FactName.PATTERN;
import static org.opensatchel.base.fact.FactName.PLACE;
import static org.opensatchel.base.fact.FactName.PLACES;
import static org.opensatchel.base.fact.FactName.PURPOSE;
import static org.opensatchel.base.fact.FactName.SEVERITY;
import static org.opensatchel.base.fact.FactName.TYPES;
import static org.opensatchel.base.fact.FactName.VALUE;
import static org.opensatchel.base.fact.FactName.WAS;
import static org.opensatchel.base.fact.FactName.WERE;
import static org.opensatchel.base.fact.FactName.WHAT;

import java.util.Set;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Wording;

/** What changed between two kits: sentences, and the parts of which they are made. */
public enum ChangeWording implements Wording {
    DEMAND(WHAT),
    DEMAND_NO_LONGER(WHAT),
    IGNORES(TYPES),
    IGNORES_NO_LONGER(TYPES),
    TITLE(BEFORE, AFTER),
    ASSIGNMENT(BEFORE, AFTER),
    ROOT(BEFORE, AFTER),
    SPACES(HOW),
    LETTERS(HOW),
    NAME_LENGTH(MOST, COUNT),
    PORTABLE(HOW),
    ACCENTS(HOW),
    WHOLE_WORDS(HOW),
    AVOIDS(TYPES),
    AVOIDS_NO_LONGER(TYPES),
    OTHER_FOLDERS(HOW),
    NEW(FOUND, WHAT),
    GONE(FOUND),
    NEED_OF(FOUND, NEED, WAS),
    TAKES_ANY(FOUND),
    TAKES_ONLY(FOUND, TYPES),
    TAKES_ALSO(FOUND, TYPES),
    TAKES_NO_LONGER(FOUND, TYPES),
    AT_LEAST(FOUND, LEAST, COUNT),
    REPEATS(FOUND, LEAST),
    MEANT_FOR(FOUND, PURPOSE),
    COMPANION(FOUND, NEED, HOW, PURPOSE),
    VERSIONS(FOUND, LEAST, COUNT),
    LENGTH_OF(FOUND, MOST),
    NAMED_LIKE(FOUND, OTHER),
    EITHER(FOUND, OTHER),
    MEDIA(FOUND, PARTS, WERE),
    BELONGS_IN(FOUND, BEFORE, AFTER),
    NAMED(FOUND, BEFORE, AFTER),
    STARTER_NEW(FOUND),
    STARTER_CONTENT(FOUND),
    STARTER_TREAT(FOUND, HOW),
    STARTER_GONE(FOUND),
    LINKS(HOW, SEVERITY, WAS),
    LINK_RULE(FOUND, HOW, FORM),
    PROFILE(FOUND),
    STORAGE_MORE(ALLOWED),
    STORAGE_LESS(ALLOWED),
    PLACES_MORE(PLACES),
    PLACES_LESS(PLACES),
    ROOT_LENGTH(MOST),
    MACHINES_MORE(OTHERS),
    MACHINES_LESS(OTHERS),
    LIMITS(PARTS, WERE),
    STEP(FOUND, OTHER, HOW),
    SEVERITY_OF(CODE, SEVERITY, WAS),
    POINTS(PARTS, WERE),
    NEW_FOLDER(NEED, TYPES, PURPOSE),
    NEW_FILE(PATTERN, PLACE),
    BYTES_IN_ALL(BYTES),
    BYTES_A_FILE(BYTES),
    POINTS_IN_ALL(COUNT),
    POINTS_FOLDERS(COUNT),
    POINTS_NAMES(COUNT),
    POINTS_LINKS(COUNT),
    POINTS_FILES(COUNT),
    POINTS_OFF_MUST(VALUE),
    POINTS_OFF_SHOULD(VALUE),
    POINTS_OFF_NOTE(VALUE);

    private final Set<FactName> takes;

    ChangeWording(FactName... takes) {
        this.takes = Facts.declared(takes);
    }

    @Override
    public String key() {
        return Wording.key("change", this);
    }

    @Override
    public Set<FactName> takes() {
        return takes;
    }
}
