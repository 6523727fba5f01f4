package org.opensatchel.core.kit;

import static org.opensatchel.base.fact.FactName.BYTES;
import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.LEAST;
import static org.opensatchel.base.fact.FactName.MOST;
import static org.opensatchel.base.fact.FactName.MOST_BYTES;
import static org.opensatchel.base.fact.FactName.OTHER;
import static org.opensatchel.base.fact.FactName.PLACE;
import static org.opensatchel.base.fact.FactName.PURPOSE;
import static org.opensatchel.base.fact.FactName.ROLE;
import static org.opensatchel.base.fact.FactName.TYPES;

import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.OptionalLong;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.base.path.Glob;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.naming.NamePattern;
import org.opensatchel.core.naming.ProxyName;
import org.opensatchel.core.naming.RosterFields;

/** Something more that a kit asks of folders, files or documents. Each says itself, for the guide of a hand-out and for what changed. */
public sealed interface Demand {

    /** How a sentence writes the patterns of a plan: as they stand there, or as the names of one student. */
    interface Spelling {
        String folder(FolderPattern pattern);

        String name(NamePattern pattern);

        /** A glob as it is, or without what only says that the place does not matter. */
        String files(String glob);

        /** How a proxy is called: as the plan says it, or as that of some original would be. */
        String proxy(ProxyName name);

        /** As they stand in the plan, for who made it. */
        Spelling WRITTEN = new Spelling() {
            @Override
            public String folder(FolderPattern pattern) {
                return pattern.text();
            }

            @Override
            public String name(NamePattern pattern) {
                return pattern.text();
            }

            @Override
            public String files(String glob) {
                return glob;
            }

            @Override
            public String proxy(ProxyName name) {
                return name.text();
            }
        };

        /** As names of somebody, who need not know what a pattern is. */
        static Spelling of(RosterFields fields, boolean ascii) {
            return new Spelling() {
                @Override
                public String folder(FolderPattern pattern) {
                    return pattern.example(fields, ascii);
                }

                @Override
                public String name(NamePattern pattern) {
                    return pattern.example(fields, ascii);
                }

                @Override
                public String files(String glob) {
                    return glob.startsWith("**/") ? glob.substring(3) : glob;
                }

                @Override
                public String proxy(ProxyName name) {
                    return name.before() + "lamp" + name.after();
                }
            };
        }
    }

    /** What is asked for, as a sentence. */
    default Phrase say() {
        return say(Spelling.WRITTEN);
    }

    /** The same, with names spelt in a certain way. */
    Phrase say(Spelling spelling);

    /**
     * How many files a folder holds.
     *
     * @param in the folder rule's path
     * @param types which files count; empty for all
     */
    record Amount(FolderPattern in, List<String> types, int atLeast, OptionalInt atMost) implements Demand {
        public Amount {
            types = List.copyOf(types);
        }

        @Override
        public Phrase say(Spelling spelling) {
            boolean exact = atMost.isPresent() && atMost.getAsInt() == atLeast;
            Facts facts = Facts.of(FOUND, spelling.folder(in)).and(TYPES, given(types));
            return exact ? DemandWording.EXACTLY.say(facts.and(LEAST, atLeast))
                    : atMost.isEmpty() ? DemandWording.AT_LEAST.say(facts.and(LEAST, atLeast))
                            : DemandWording.BETWEEN.say(facts.and(LEAST, atLeast).and(MOST, atMost.getAsInt()));
        }
    }

    /**
     * How large files are, each and together.
     *
     * @param in the folder it is about; empty for the whole project
     */
    record Sizes(Optional<FolderPattern> in, List<String> types, OptionalLong fileBytes, OptionalLong totalBytes) implements Demand {
        public Sizes {
            types = List.copyOf(types);
        }

        /** Whether it says a size at all; in a plan that is being made one may stand open. */
        public boolean limits() {
            return fileBytes.isPresent() || totalBytes.isPresent();
        }

        @Override
        public Phrase say(Spelling spelling) {
            Facts facts = Facts.of(PLACE, in.map(spelling::folder)).and(TYPES, given(types));
            facts = fileBytes.isPresent() ? facts.and(BYTES, fileBytes.getAsLong()) : facts;
            return DemandWording.SIZES.say(totalBytes.isPresent() ? facts.and(MOST_BYTES, totalBytes.getAsLong()) : facts);
        }
    }

    /** Files of a folder that are numbered without a gap. */
    record Numbering(FolderPattern in, NamePattern name, List<String> types) implements Demand {
        public Numbering {
            types = List.copyOf(types);
        }

        @Override
        public Phrase say(Spelling spelling) {
            return DemandWording.NUMBERED.say(Facts.of(PLACE, spelling.folder(in)).and(FactName.PATTERN, spelling.name(name)));
        }
    }

    /** Files that must be nowhere in the project. */
    record Forbidden(String files, String purpose) implements Demand {
        public Glob glob() {
            return new Glob(files);
        }

        @Override
        public Phrase say(Spelling spelling) {
            return DemandWording.FORBIDDEN
                    .say(Facts.of(FactName.PATTERN, spelling.files(files)).and(PURPOSE,
                            Optional.of(purpose).filter(why -> !why.isBlank())));
        }
    }

    /**
     * What a document has to link.
     *
     * @param role the document's
     * @param in files of a folder
     * @param other the file or document of another role
     * @param starter a file that came with the kit
     */
    record Linking(String role, Optional<FolderPattern> in, Optional<String> other, Optional<ProjectPath> starter, int atLeast)
            implements
                Demand {

        @Override
        public Phrase say(Spelling spelling) {
            return DemandWording.LINKING
                    .say(Facts.of(ROLE, role).and(LEAST, atLeast).and(PLACE, in.map(spelling::folder)).and(OTHER, other)
                            .and(FOUND, starter.map(ProjectPath::text)));
        }
    }

    /**
     * What pictures, films and sounds have to be: those of a folder, or the files that fill a role. It stands with the folder's or the
     * file's own rule, and is a demand like any other to who reads it.
     *
     * @param in the folder rule's path
     * @param role of documents or files; exactly one of the two is given
     */
    record Media(Optional<FolderPattern> in, Optional<String> role, MediaRule rule) implements Demand {

        static Media of(FolderPattern in, MediaRule rule) {
            return new Media(Optional.of(in), Optional.empty(), rule);
        }

        static Media of(String role, MediaRule rule) {
            return new Media(Optional.empty(), Optional.of(role), rule);
        }

        @Override
        public Phrase say(Spelling spelling) {
            return DemandWording.MEDIA
                    .say(Facts.of(ROLE, role).and(PLACE, in.map(spelling::folder)).and(FactName.PARTS, rule.parts()));
        }
    }

    /**
     * How stand-ins of lower resolution are known.
     *
     * @param in the folder they lie in; empty where their names tell them
     * @param name how they are called after their originals; empty where as those are. One of the two is given
     */
    record Proxies(Optional<FolderPattern> in, Optional<ProxyName> name) implements Demand {

        @Override
        public Phrase say(Spelling spelling) {
            return DemandWording.PROXIES
                    .say(Facts.of(PLACE, in.map(spelling::folder)).and(FactName.PATTERN, name.map(spelling::proxy)));
        }
    }

    /** What the timelines of a role's documents have to be like; it stands with the document's own rule. */
    record Timing(String role, TimelineRule rule) implements Demand {

        @Override
        public Phrase say(Spelling spelling) {
            List<Phrase> parts = rule.parts(spelling);
            return DemandWording.TIMING.say(Facts.of(ROLE, role).and(FactName.PARTS, Optional.of(parts).filter(some -> !some.isEmpty())));
        }
    }

    private static Optional<List<String>> given(List<String> types) {
        return Optional.of(types).filter(some -> !some.isEmpty());
    }
}
