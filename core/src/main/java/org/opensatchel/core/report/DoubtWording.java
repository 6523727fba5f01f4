package org.opensatchel.core.report;

import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.PATH;

import java.util.Set;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Wording;

/** What is said of documents that nobody described: sentences. */
public enum DoubtWording implements Wording {
    /** In one of them links may be broken. */
    DOCUMENT(COUNT, PATH);

    private final Set<FactName> takes;

    DoubtWording(FactName... takes) {
        this.takes = Facts.declared(takes);
    }

    @Override
    public String key() {
        return Wording.key("doubt", this);
    }

    @Override
    public Set<FactName> takes() {
        return takes;
    }
}
