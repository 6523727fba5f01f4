package org.opensatchel.web.home;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.KitReader;
import org.springframework.context.i18n.LocaleContextHolder;

/** A plan in small, filled as far as a class filled it. */
class SmallBagTest {

    private static final Kit KIT = KitReader.read("""
            {"kit": 1, "title": "Ident", "version": 1, "root": {"name": "{last}_{first}"}, "folders": [
              {"path": "story", "need": "required"}, {"path": "titles", "need": "optional"}, {"path": "{last}_raw", "need": "required"},
              {"path": "edit", "need": "required"}, {"path": "edit/autosave", "need": "optional"}]}""".getBytes(StandardCharsets.UTF_8))
            .kit().orElseThrow();

    @BeforeEach
    void english() {
        LocaleContextHolder.setLocale(Locale.ENGLISH);
    }

    @AfterEach
    void asBefore() {
        LocaleContextHolder.resetLocaleContext();
    }

    @Test
    void aClassFillsItsFoldersAsFarAsStudentsDid() {
        SmallBag bag = SmallBag.of(KIT, Map.of("story", 3, "edit", 4, "gone", 2), 4);
        assertThat(bag.bands()).extracting(SmallBag.Band::name).startsWith("story", "titles").endsWith("edit").hasSize(4);
        assertThat(bag.bands()).filteredOn(band -> band.share() >= 0)
                .extracting(band -> band.name() + " " + band.says() + " " + band.share())
                .containsExactly("story in 3 of 4 75", "titles in 0 of 4 0", "edit in 4 of 4 100");
    }

    @Test
    void whatIsCalledDifferentlyForEverybodyIsCountedForNobody() {
        assertThat(SmallBag.of(KIT, Map.of(), 4).bands()).filteredOn(band -> band.name().endsWith("_raw")).singleElement()
                .satisfies(band -> assertThat(band.says() + band.share()).isEqualTo("-1"));
    }

    @Test
    void whereNothingWasHandedInThePlanIsDrawn() {
        assertThat(SmallBag.of(KIT, Map.of(), 0).bands()).allMatch(band -> band.share() < 0 && band.says().isEmpty());
    }
}
