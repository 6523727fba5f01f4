package org.opensatchel.web.kit;

import static org.opensatchel.base.fact.FactName.MOST_BYTES;
import static org.opensatchel.base.fact.FactName.NEWER;
import static org.opensatchel.base.fact.FactName.VERSION;

import java.util.Set;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Wording;

/** Why a plan is not published or not taken, apart from what is wrong with the kit itself: sentences. */
enum PublishWording implements Wording {
    MEANWHILE(NEWER, VERSION),
    SAME_MOMENT,
    NO_OBJECT(MOST_BYTES),
    NAMED_PROFILE;

    private final Set<FactName> takes;

    PublishWording(FactName... takes) {
        this.takes = Facts.declared(takes);
    }

    @Override
    public String key() {
        return Wording.key("publish", this);
    }

    @Override
    public Set<FactName> takes() {
        return takes;
    }
}
