package org.opensatchel.core.example;

import java.util.List;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.core.kit.FolderRule;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.naming.NamePattern;
import org.opensatchel.core.naming.NameRules;

/** One part of a proposed kit, to be accepted or left. */
public sealed interface ProposedPart {

    /** What the part is about, as it stands in the kit: a pattern, a path, a role. Name rules have no such name of their own. */
    String title();

    /** Why it is proposed, as a sentence. */
    Phrase why();

    /** Names from the example that it was made from. */
    List<String> examples();

    /** The root's name. */
    record Root(NamePattern name, Phrase why, List<String> examples) implements ProposedPart {
        @Override
        public String title() {
            return name.text();
        }
    }

    /** Rules for names. */
    record Names(NameRules rules, Phrase why) implements ProposedPart {
        @Override
        public String title() {
            return "";
        }

        @Override
        public List<String> examples() {
            return List.of();
        }
    }

    /** A planned folder. */
    record Folder(FolderRule rule, Phrase why, List<String> examples) implements ProposedPart {
        @Override
        public String title() {
            return rule.path().text();
        }
    }

    /** A document the student makes. */
    record Document(Kit.DocumentRule rule, Phrase why, List<String> examples) implements ProposedPart {
        @Override
        public String title() {
            return rule.in().child(rule.name().text() + (rule.types().isEmpty() ? "" : "." + rule.types().get(0))).text();
        }
    }

    /** Another file the student makes. */
    record File(Kit.FileRule rule, Phrase why, List<String> examples) implements ProposedPart {
        @Override
        public String title() {
            return rule.in().child(rule.name().text() + (rule.types().isEmpty() ? "" : "." + rule.types().get(0))).text();
        }
    }
}
