package org.opensatchel.web.page;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.opensatchel.core.check.Checks;
import org.opensatchel.core.finding.Advice;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Family;
import org.opensatchel.core.link.LinkReader;
import org.opensatchel.core.link.LinkReaders;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;

/** What is checked: every code, from the catalogue the checks themselves have, and the formats that are read. */
@Controller
class CatalogueController {

    /** One code on the page. */
    record Entry(String id, String severity, Advice advice, CodeExample example) {
    }

    /** A family of codes under its heading. */
    record Section(String word, String title, List<Entry> entries) {
    }

    @GetMapping("/what-is-checked")
    String catalogue(Model model) {
        Map<Family, List<Entry>> families = new LinkedHashMap<>();
        Checks.catalogue().forEach((code, advice) -> families.computeIfAbsent(code.family(), family -> new ArrayList<>()).add(entry(code, advice)));
        model.addAttribute("sections", families.entrySet().stream().map(family -> new Section(family.getKey().word(), title(family.getKey()), family.getValue())).toList());
        model.addAttribute("formats", LinkReaders.all().stream().sorted(java.util.Comparator.comparing(LinkReader::format, String.CASE_INSENSITIVE_ORDER)).toList());
        return "page/what-is-checked";
    }

    private static Entry entry(Code code, Advice advice) {
        return new Entry(code.id(), code.severity().word(), advice, CodeExample.of(code));
    }

    private static String title(Family family) {
        return switch (family) {
            case PACKAGE -> "What comes in";
            case STRUCTURE -> "Folders";
            case NAME -> "Names";
            case LINK -> "Links";
            case ASSET -> "Files";
            case MEDIA -> "Pictures and sound";
            case TIMELINE -> "Timelines";
            default -> family.word().substring(0, 1).toUpperCase(java.util.Locale.ROOT) + family.word().substring(1);
        };
    }
}
