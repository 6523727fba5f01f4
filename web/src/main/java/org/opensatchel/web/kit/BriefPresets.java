package org.opensatchel.web.kit;

import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.opensatchel.core.kit.MediaPreset;
import org.opensatchel.core.kit.MediaRule;
import org.opensatchel.web.text.Speech;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The briefs that are kept under a name: a few that ship, and those of the school. */
@Service
class BriefPresets {

    private static final int MOST = 200;
    private static final int MOST_TITLE = 60;

    private final BriefPresetRepository presets;
    private final Clock clock;

    BriefPresets(BriefPresetRepository presets, Clock clock) {
        this.presets = presets;
        this.clock = clock;
    }

    /**
     * A preset as the page offers it.
     *
     * @param id 0 for one that ships
     * @param own whether who asks may remove it
     */
    record Preset(long id, String title, String brief, boolean own) {}

    @Transactional(readOnly = true)
    List<Preset> offered(long account) {
        return Stream.concat(
                MediaPreset.SHIPPED.stream().map(one -> new Preset(0, Speech.say("preset." + one.word()), one.brief(), false)),
                presets.all().stream().map(one -> new Preset(one.id(), one.title(), one.brief(), one.isBy(account)))).toList();
    }

    /** Keeps a brief; who gave one of that name before changes it. Gives a sentence where it cannot be kept. */
    @Transactional
    Optional<String> keep(String title, String brief, long account) {
        String name = title.strip();
        Optional<MediaRule> rule = MediaPreset.read(brief).rule();
        if (name.isEmpty() || name.length() > MOST_TITLE || name.chars().anyMatch(Character::isISOControl)) {
            return Optional.of(Speech.say("preset.title", MOST_TITLE));
        }
        if (rule.isEmpty()) {
            return Optional.of(Speech.say("preset.no-brief"));
        }
        Optional<BriefPreset> before = presets.titled(name);
        boolean shipped = MediaPreset.SHIPPED.stream().anyMatch(one -> Speech.say("preset." + one.word()).equalsIgnoreCase(name));
        if (shipped || before.isPresent() && !before.get().isBy(account)) {
            return Optional.of(Speech.say("preset.taken", name));
        }
        if (before.isEmpty() && presets.count() >= MOST) {
            return Optional.of(Speech.say("preset.many", MOST));
        }
        BriefPreset preset = before.orElseGet(() -> new BriefPreset(name));
        preset.keep(MediaPreset.written(rule.get()), clock.instant(), account);
        presets.save(preset);
        return Optional.empty();
    }

    /** Removes one of who asks; one that is gone or another's stays as it is. */
    @Transactional
    void remove(long id, long account) {
        presets.findById(id).filter(preset -> preset.isBy(account)).ifPresent(presets::delete);
    }
}
