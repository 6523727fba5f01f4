package org.opensatchel.core.example;

import static org.opensatchel.base.fact.FactName.ALLOWED_TYPES;
import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.TYPES;

import java.util.Set;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Wording;

/** Why a part of a kit is proposed: sentences; and titles that have to be made. */
public enum ProposalWording implements Wording {
    NOTHING_THERE,
    ROOT_GENERAL,
    ROOT_USUAL,
    NO_SPACES,
    SMALL_LETTERS,
    NO_SPACES_SMALL_LETTERS,
    PROGRAM_KEEPS,
    SAME_KIND(COUNT),
    NO_FILES,
    HOLDS(TYPES, ALLOWED_TYPES),
    DOCUMENT_NAMED,
    NAMED_FOR_STUDENT,
    IN_ROOT,
    NAME_RULES;

    private final Set<FactName> takes;

    ProposalWording(FactName... takes) {
        this.takes = Facts.declared(takes);
    }

    @Override
    public String key() {
        return Wording.key("proposal", this);
    }

    @Override
    public Set<FactName> takes() {
        return takes;
    }
}
