package org.opensatchel.web.home;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.opensatchel.core.check.rule.Rules;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Family;
import org.opensatchel.core.words.Sentence;
import org.opensatchel.core.words.Words;
import org.opensatchel.formats.Formats;
import org.opensatchel.web.text.Speech;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;

/** What is checked: every code, from the catalogue the checks themselves have, and the formats that are read. */
@Controller
class CatalogueController {

    /** One code on the page. */
    record Entry(String id, String severity, String title, Sentence why, List<Sentence> remedy, CodeExample example) {}

    /** A family of codes under its heading. */
    record Section(String word, String title, List<Entry> entries) {}

    /** A format whose links are read. */
    record Format(String title, List<String> extensions) {}

    @GetMapping("/what-is-checked")
    String catalogue(Model model) {
        Words words = Speech.words();
        Map<Family, List<Entry>> families = new EnumMap<>(Family.class);
        Rules.judged().forEach(code -> families.computeIfAbsent(code.family(), family -> new ArrayList<>()).add(entry(code, words)));
        model.addAttribute("sections",
                families.entrySet().stream().map(
                        family -> new Section(family.getKey().word(), words.fill("family." + family.getKey().word()), family.getValue()))
                        .toList());
        model.addAttribute("formats",
                Formats.documents().stream().map(reader -> new Format(words.format(reader.id()), reader.endings()))
                        .sorted(Comparator.comparing(Format::title, String.CASE_INSENSITIVE_ORDER)).toList());
        return "home/what-is-checked";
    }

    private static Entry entry(Code code, Words words) {
        return new Entry(code.id(), code.severity().word(), words.title(code), words.why(code), words.remedy(code),
                CodeExample.of(code, words));
    }
}
