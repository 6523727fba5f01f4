package org.opensatchel.core.project;

import static org.opensatchel.base.fact.FactName.BYTES;
import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.EXPECTED;
import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.MOST;
import static org.opensatchel.base.fact.FactName.MOST_BYTES;
import static org.opensatchel.base.fact.FactName.NUMBER;

import java.util.Set;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Wording;

/** What may be wrong with a package or with one of its members; of a member, completing a sentence that begins with its name. */
public enum PackageWording implements Wording {
    /** Members. */
    DAMAGED,
    LONGER_THAN_PROMISED,
    CUT_OFF(COUNT, MOST),
    CHECKSUM,
    ENCRYPTED,
    ALL_ENCRYPTED(COUNT),
    ELSEWHERE,
    METHOD(NUMBER),
    GONE,
    NOT_AT_HAND,
    REFUSED,
    TOO_DEEP(MOST),
    DEVICE,
    CLAIMS_TOO_MUCH(BYTES),
    CLAIMS_FALSELY,
    ENDS_BEYOND,
    /** Unsafe entries. */
    NUL,
    ABSOLUTE,
    ALL_ABSOLUTE(COUNT),
    LEADS_OUT,
    LEADS_OUT_OF_PROJECT,
    DRIVE,
    FOLDER_OF_SAME_NAME,
    NAMELESS,
    DEVICE_ENTRY,
    TWICE,
    /** Whole packages: sentences. */
    EMPTY_FOLDER,
    TOO_MANY_FILES(MOST),
    ONLY_LEFTOVERS,
    ZIP_EMPTY,
    UNPACKS_TOO_LARGE(BYTES, MOST_BYTES),
    UNPACKS_TOO_MUCH(MOST),
    OVERLAPS,
    TOO_MANY_ENTRIES(COUNT, MOST),
    MORE_ENTRIES_THAN(MOST),
    EMPTY_FILE,
    NO_ZIP,
    ZIP_CUT_OFF,
    ZIP_IN_PARTS,
    ZIP_CONTENTS_OUTSIDE,
    ZIP_CONTENTS_BREAK_OFF,
    ZIP_CONTENTS_NOWHERE,
    ZIP_CONTENTS_MISCOUNTED(MOST, COUNT),
    ZIP_END_RECORD,
    ZIP_CONTENTS_UNREADABLE,
    ZIP_SIZE_IMPOSSIBLE,
    /** Listings: sentences. */
    LISTING_NO_JSON(NUMBER),
    LISTING_GOES_ON,
    LISTING_NOT_ONE,
    LISTING_NO_OBJECT,
    LISTING_TOO_MANY(MOST),
    LISTING_TOO_MANY_FOLDERS(MOST),
    LISTING_EMPTY,
    LISTING_TWICE(FOUND),
    LISTING_FILE_AND_FOLDER(FOUND),
    LISTING_LONG_PATH(FOUND, MOST),
    LISTING_BAD_ROOT(FOUND),
    LISTING_NO_FLAG(FOUND, NUMBER, EXPECTED),
    LISTING_ROOT_NO_TEXT,
    LISTING_FILES_NO_LIST,
    LISTING_ENTRY_NO_OBJECT(NUMBER),
    LISTING_PATH_NO_TEXT(NUMBER),
    LISTING_NO_PATH(NUMBER),
    LISTING_NO_SIZE(FOUND),
    LISTING_BAD_SIZE(FOUND, NUMBER),
    LISTING_TIME_NO_TEXT(FOUND, NUMBER),
    LISTING_BAD_HASH(FOUND, NUMBER),
    LISTING_HASH_NO_TEXT(FOUND, NUMBER),
    LISTING_FOLDERS_NO_LIST,
    LISTING_FOLDER_NO_TEXT;

    private final Set<FactName> takes;

    PackageWording(FactName... takes) {
        this.takes = Facts.declared(takes);
    }

    @Override
    public String key() {
        return Wording.key("package-fault", this);
    }

    @Override
    public Set<FactName> takes() {
        return takes;
    }
}
