package org.opensatchel.core.kit;

import static org.opensatchel.base.fact.FactName.FOUND;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.stream.Stream;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.json.StrictObject;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.kit.Kit.DocumentRule;
import org.opensatchel.core.kit.Kit.Limits;
import org.opensatchel.core.naming.NamePattern;
import org.opensatchel.core.naming.ProxyName;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Where further demands stand in the kit document: with a folder, a document or the limits, though they are kept in one list. */
final class KitDemands {

    static final Shape<Demand.Sizes> SIZES_OF = Shape.of(Demand.Sizes.class,
            Field.of("in", Demand.Sizes::in, FieldTypes.maybeFolder()),
            Field.of("types", Demand.Sizes::types, FieldTypes.types()),
            Field.of("fileBytes", Demand.Sizes::fileBytes, FieldTypes.size()),
            Field.of("totalBytes", Demand.Sizes::totalBytes, FieldTypes.size()));

    static final Shape<Demand.Forbidden> FORBIDDEN = Shape.of(Demand.Forbidden.class,
            Field.of("files", Demand.Forbidden::files, FieldTypes.needed()),
            Field.of("purpose", Demand.Forbidden::purpose, FieldTypes.text()));

    static final Shape<Demand.Proxies> PROXIES = Shape.of(Demand.Proxies.class,
            Field.of("in", Demand.Proxies::in, FieldTypes.maybeFolder()),
            Field.of("name", Demand.Proxies::name, proxyName())).checked(KitDemands::tells);

    /** How many files a folder holds at most. */
    static final Shape.Beside<FolderRule> AT_MOST = new Shape.Beside<>() {
        @Override
        public void read(StrictObject object, FolderRule folder, KitContext in) {
            OptionalLong most = object.integer("atMost", 0);
            if (most.isPresent()) {
                in.demand(new Demand.Amount(folder.path(), List.of(), 0, FieldTypes.whole(most)));
            }
        }

        /** Written as one of the counts. */
        @Override
        public void write(ObjectNode out, FolderRule folder, Kit kit) {
        }

        @Override
        public Map<String, ObjectNode> schema() {
            return Map.of("atMost", Schemas.integer(0));
        }
    };

    /** How many files of some types a folder holds. */
    static final Shape.Beside<FolderRule> COUNTS = new Shape.Beside<>() {
        @Override
        public void read(StrictObject object, FolderRule folder, KitContext in) {
            object.objects("counts", count -> {
                List<String> types = FieldTypes.extensions(count, "types");
                int least = count.integer("atLeast", 0, 0);
                OptionalLong limit = count.integer("atMost", 0);
                if (limit.isPresent() && limit.getAsLong() < least) {
                    count.fault("atMost", KitWording.MOST_UNDER_LEAST.say());
                }
                return new Demand.Amount(folder.path(), types, least, FieldTypes.whole(limit));
            }).forEach(in::demand);
        }

        @Override
        public void write(ObjectNode out, FolderRule folder, Kit kit) {
            of(kit, Demand.Amount.class, count -> count.in().text().equals(folder.path().text())).ifPresent(counts -> {
                ArrayNode list = out.putArray("counts");
                counts.forEach(count -> {
                    ObjectNode one = list.addObject();
                    Schemas.texts(one.putArray("types"), count.types());
                    one.put("atLeast", count.atLeast());
                    count.atMost().ifPresent(most -> one.put("atMost", most));
                });
            });
        }

        @Override
        public Map<String, ObjectNode> schema() {
            return Map.of("counts",
                    Schemas.list(Schemas.object(Map.of("types", Schemas.list(Schemas.type("string")), "atLeast", Schemas.integer(0),
                            "atMost", Schemas.integer(0)))));
        }
    };

    /** That the files of a folder are numbered without a gap. */
    static final Shape.Beside<FolderRule> NUMBERED = new Shape.Beside<>() {
        @Override
        public void read(StrictObject object, FolderRule folder, KitContext in) {
            object.object("numbered").ifPresent(numbered -> {
                NamePattern name = in.pattern(numbered, "name");
                if (!name.text().contains("{number")) {
                    numbered.fault("name", KitWording.NO_NUMBER.say());
                }
                in.demand(new Demand.Numbering(folder.path(), name, FieldTypes.extensions(numbered, "types")));
                numbered.close();
            });
        }

        @Override
        public void write(ObjectNode out, FolderRule folder, Kit kit) {
            of(kit, Demand.Numbering.class, one -> one.in().text().equals(folder.path().text())).ifPresent(all -> all.forEach(
                    one -> Schemas.texts(out.putObject("numbered").put("name", one.name().text()).putArray("types"), one.types())));
        }

        @Override
        public Map<String, ObjectNode> schema() {
            return Map.of("numbered",
                    Schemas.object(Map.of("name", Schemas.type("string"), "types", Schemas.list(Schemas.type("string"))), "name"));
        }
    };

    /** What every folder of a pattern holds: written with the documents and files of the kit. */
    static final Shape.Beside<FolderRule> EACH = new Shape.Beside<>() {
        @Override
        public void read(StrictObject object, FolderRule folder, KitContext in) {
            object.object("each").ifPresent(each -> {
                in.each(ProjectPath.of(folder.path().text()), each);
                each.close();
            });
        }

        @Override
        public void write(ObjectNode out, FolderRule folder, Kit kit) {
        }

        @Override
        public Map<String, ObjectNode> schema() {
            return Map.of("each", Schemas.object(Map.of("documents", Schemas.list(KitShapes.DOCUMENT.schema("in")), "files",
                    Schemas.list(KitShapes.FILE.schema("in")))));
        }
    };

    /** What a document links. */
    static final Shape.Beside<DocumentRule> LINKS = new Shape.Beside<>() {
        @Override
        public void read(StrictObject object, DocumentRule document, KitContext in) {
            object.objects("links", link -> {
                Optional<FolderPattern> folder = link.text("in").map(text -> in.folder(link, "in", text));
                Optional<String> other = link.text("role");
                Optional<ProjectPath> starter = link.text("starter").map(ProjectPath::of);
                if (Stream.of(folder.isPresent(), other.isPresent(), starter.isPresent()).filter(given -> given).count() != 1) {
                    link.fault(KitWording.LINKS_WHAT.say());
                }
                return new Demand.Linking(document.role(), folder, other, starter, link.integer("atLeast", 1, 1));
            }).forEach(in::demand);
        }

        @Override
        public void write(ObjectNode out, DocumentRule document, Kit kit) {
            of(kit, Demand.Linking.class, link -> link.role().equals(document.role())).ifPresent(links -> {
                ArrayNode list = out.putArray("links");
                links.forEach(link -> {
                    ObjectNode one = list.addObject().put("atLeast", link.atLeast());
                    link.in().ifPresent(folder -> one.put("in", folder.text()));
                    link.other().ifPresent(role -> one.put("role", role));
                    link.starter().ifPresent(starter -> one.put("starter", starter.text()));
                });
            });
        }

        @Override
        public Map<String, ObjectNode> schema() {
            return Map.of("links",
                    Schemas.list(Schemas.object(Map.of("in", Schemas.type("string"), "role", Schemas.type("string"), "starter",
                            Schemas.type("string"), "atLeast", Schemas.integer(1)))));
        }
    };

    /** How large the files of a folder, or of some types, may be. */
    static final Shape.Beside<Limits> SIZES = new Shape.Beside<>() {
        @Override
        public void read(StrictObject object, Limits limits, KitContext in) {
            object.objects("per", one -> SIZES_OF.read(one, in)).stream().filter(Demand.Sizes::limits).forEach(in::demand);
        }

        @Override
        public void write(ObjectNode out, Limits limits, Kit kit) {
            of(kit, Demand.Sizes.class, size -> true).ifPresent(sizes -> {
                ArrayNode list = out.putArray("per");
                sizes.forEach(size -> SIZES_OF.write(list.addObject(), size));
            });
        }

        @Override
        public Map<String, ObjectNode> schema() {
            return Map.of("per", Schemas.list(SIZES_OF.schema()));
        }
    };

    private KitDemands() {
    }

    private interface Wanted<D> {
        boolean is(D demand);
    }

    private static <D extends Demand> Optional<List<D>> of(Kit kit, Class<D> kind, Wanted<D> wanted) {
        return Optional.of(kit.demands(kind).stream().filter(wanted::is).toList()).filter(some -> !some.isEmpty());
    }

    /** Proxies lie somewhere, or are called otherwise than their originals. */
    private static void tells(StrictObject object, Demand.Proxies rule, KitContext in) {
        if (rule.in().isEmpty() && !object.has("name")) {
            object.fault(KitWording.PROXIES_WHAT.say());
        }
        if (rule.in().isEmpty() && rule.name().filter(ProxyName.SAME::equals).isPresent()) {
            object.fault("name", KitWording.PROXY_NAME.say(Facts.of(FOUND, rule.name().get().text())));
        }
    }

    /** How a proxy is called. */
    private static FieldType<Optional<ProxyName>> proxyName() {
        return FieldTypes.simple(Schemas.type("string").put("pattern", "^[^{}/\\\\]*\\{original\\}[^{}/\\\\]*$"), (object, key) -> {
            Optional<String> text = object.text(key);
            Optional<ProxyName> name = text.flatMap(ProxyName::read);
            text.filter(given -> name.isEmpty()).ifPresent(given -> object.fault(key, KitWording.PROXY_NAME.say(Facts.of(FOUND, given))));
            return name;
        }, (out, key, value) -> value.ifPresent(name -> out.put(key, name.text())));
    }
}
