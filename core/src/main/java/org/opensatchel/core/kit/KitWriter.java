package org.opensatchel.core.kit;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.core.kit.Kit.Grade;
import org.opensatchel.core.location.LocationPolicy;
import org.opensatchel.core.naming.NameRules;
import org.opensatchel.formats.described.CustomLinkRule;
import org.opensatchel.formats.described.ProfileWriter;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Writes a kit as version 1 of the kit document; reading it again gives an equal kit. */
public final class KitWriter {

    private KitWriter() {
    }

    public static byte[] write(Kit kit) {
        ObjectNode out = JsonDocuments.MAPPER.createObjectNode();
        out.put("kit", 1).put("title", kit.title()).put("version", kit.version());
        kit.assignment().ifPresent(code -> out.put("assignment", code));
        out.putObject("root").put("name", kit.root().text());
        kit.names().ifPresent(rules -> names(out.putObject("names"), rules));
        ArrayNode folders = out.putArray("folders");
        kit.folders().forEach(rule -> folder(folders.addObject(), rule, kit));
        out.put("otherFolders", word(kit.otherFolders()));
        ArrayNode companions = out.putArray("companions");
        kit.companions().forEach(companion -> companions.addObject().put("name", companion.name()).put("purpose", companion.purpose())
                .put("need", companion.need().word()).put("managed", companion.managed()));
        ArrayNode documents = out.putArray("documents");
        kit.documents().forEach(rule -> document(documents.addObject(), rule, kit));
        ArrayNode files = out.putArray("files");
        kit.files().forEach(rule -> file(files.addObject(), rule));
        ArrayNode starter = out.putArray("starter");
        kit.starter().forEach(file -> starter.addObject().put("path", file.path().text()).put("sha256", file.sha256())
                .put("bytes", file.bytes()).put("treat", word(file.treat())));
        links(out.putObject("links"), kit.links());
        kit.location().ifPresent(policy -> location(out.putObject("location"), policy));
        texts(out.putArray("machines"), kit.machines());
        rest(out, kit);
        return JsonDocuments.MAPPER.writerWithDefaultPrettyPrinter().writeValueAsBytes(out);
    }

    private static void names(ObjectNode out, NameRules rules) {
        out.put("spaces", rules.spaces() ? "allow" : "forbid").put("letters", word(rules.letters()));
        if (rules.maxLength() > 0) {
            out.put("maxLength", rules.maxLength());
        }
        out.put("portable", rules.portable()).put("ascii", rules.ascii());
        texts(out.putArray("avoid"), rules.avoid());
        if (rules.wholeWords()) {
            out.put("avoidWholeWords", true);
        }
    }

    private static void folder(ObjectNode out, FolderRule rule, Kit kit) {
        out.put("path", rule.path().text()).put("purpose", rule.purpose()).put("need", rule.need().word());
        if (!rule.accepts().isEmpty()) {
            texts(out.putArray("accepts"), rule.accepts());
        }
        if (rule.atLeast() > 0) {
            out.put("atLeast", rule.atLeast());
        }
        if (rule.sealed()) {
            out.put("sealed", true);
        }
        if (rule.managed()) {
            out.put("managed", true);
        }
        if (rule.autosave()) {
            out.put("autosave", true);
        }
        if (rule.rebuildable()) {
            out.put("rebuildable", true);
        }
        rule.repeats().ifPresent(least -> out.putObject("repeats").put("atLeast", least));
        String path = rule.path().text();
        media(out, rule.media());
        List<Demand.Amount> counts = kit.demands(Demand.Amount.class).stream().filter(count -> count.in().text().equals(path)).toList();
        if (!counts.isEmpty()) {
            ArrayNode list = out.putArray("counts");
            counts.forEach(count -> {
                ObjectNode one = list.addObject();
                texts(one.putArray("types"), count.types());
                one.put("atLeast", count.atLeast());
                count.atMost().ifPresent(most -> one.put("atMost", most));
            });
        }
        kit.demands(Demand.Numbering.class).stream().filter(numbering -> numbering.in().text().equals(path)).forEach(numbering -> texts(
                out.putObject("numbered").put("name", numbering.name().text()).putArray("types"), numbering.types()));
    }

    private static void document(ObjectNode out, Kit.DocumentRule rule, Kit kit) {
        out.put("role", rule.role()).put("in", rule.in().text()).put("name", rule.name().text());
        texts(out.putArray("types"), rule.types());
        out.put("need", rule.need().word());
        if (rule.versions() > 0) {
            out.put("versions", rule.versions());
        }
        if (rule.maxLength() > 0) {
            out.put("maxLength", rule.maxLength());
        }
        rule.namedLike().ifPresent(role -> out.put("namedLike", role));
        rule.either().ifPresent(group -> out.put("either", group));
        media(out, rule.media());
        rule.timeline().ifPresent(timeline -> TimelineRuleWriter.write(out.putObject("timeline"), timeline));
        List<Demand.Linking> links = kit.demands(Demand.Linking.class).stream().filter(link -> link.role().equals(rule.role())).toList();
        if (!links.isEmpty()) {
            ArrayNode list = out.putArray("links");
            links.forEach(link -> {
                ObjectNode one = list.addObject().put("atLeast", link.atLeast());
                link.in().ifPresent(in -> one.put("in", in.text()));
                link.other().ifPresent(role -> one.put("role", role));
                link.starter().ifPresent(starter -> one.put("starter", starter.text()));
            });
        }
    }

    private static void file(ObjectNode out, Kit.FileRule rule) {
        out.put("role", rule.role()).put("in", rule.in().text()).put("name", rule.name().text());
        texts(out.putArray("types"), rule.types());
        out.put("need", rule.need().word());
        media(out, rule.media());
        rule.namedLike().ifPresent(role -> out.put("namedLike", role));
        rule.either().ifPresent(group -> out.put("either", group));
    }

    private static void media(ObjectNode out, Optional<MediaRule> brief) {
        brief.ifPresent(rule -> MediaRuleWriter.write(out.putObject("media"), rule));
    }

    private static void links(ObjectNode out, Kit.LinkPolicy policy) {
        grade(out, "absolute", policy.absolute());
        grade(out, "outside", policy.outside());
        grade(out, "missing", policy.missing());
        grade(out, "remote", policy.remote());
        ArrayNode custom = out.putArray("custom");
        for (CustomLinkRule rule : policy.custom()) {
            ObjectNode one = custom.addObject().put("files", rule.files());
            rule.pattern().ifPresent(text -> one.put("pattern", text));
            rule.element().ifPresent(text -> one.put("element", text));
            rule.pointer().ifPresent(text -> one.put("pointer", text));
            one.put("base", rule.fromRoot() ? "root" : "document").put("uri", rule.uri());
        }
        if (!policy.profiles().isEmpty() || !policy.named().isEmpty()) {
            ArrayNode profiles = out.putArray("profiles");
            policy.profiles().forEach(profile -> profiles.add(ProfileWriter.document(profile)));
            policy.named().forEach(profiles::add);
        }
    }

    private static void grade(ObjectNode out, String key, Optional<Grade> grade) {
        grade.ifPresent(value -> out.put(key, word(value)));
    }

    private static void location(ObjectNode out, LocationPolicy policy) {
        texts(out.putArray("storage"), policy.storage().stream().map(KitWriter::word).toList());
        texts(out.putArray("avoid"), policy.avoid().stream().map(KitWriter::word).toList());
        if (policy.maxRootLength() > 0) {
            out.put("maxRootLength", policy.maxRootLength());
        }
    }

    private static void rest(ObjectNode out, Kit kit) {
        ObjectNode limits = out.putObject("limits");
        kit.limits().totalBytes().ifPresent(value -> limits.put("totalBytes", value));
        kit.limits().fileBytes().ifPresent(value -> limits.put("fileBytes", value));
        List<Demand.Sizes> sizes = kit.demands(Demand.Sizes.class);
        if (!sizes.isEmpty()) {
            ArrayNode list = limits.putArray("per");
            sizes.forEach(size -> {
                ObjectNode one = list.addObject();
                size.in().ifPresent(in -> one.put("in", in.text()));
                texts(one.putArray("types"), size.types());
                size.fileBytes().ifPresent(bytes -> one.put("fileBytes", bytes));
                size.totalBytes().ifPresent(bytes -> one.put("totalBytes", bytes));
            });
        }
        List<Demand.Forbidden> forbidden = kit.demands(Demand.Forbidden.class);
        if (!forbidden.isEmpty()) {
            ArrayNode list = out.putArray("forbidden");
            forbidden.forEach(files -> list.addObject().put("files", files.files()).put("purpose", files.purpose()));
        }
        List<Demand.Proxies> proxies = kit.demands(Demand.Proxies.class);
        if (!proxies.isEmpty()) {
            ArrayNode list = out.putArray("proxies");
            proxies.forEach(rule -> {
                ObjectNode one = list.addObject();
                rule.in().ifPresent(in -> one.put("in", in.text()));
                rule.name().ifPresent(name -> one.put("name", name.text()));
            });
        }
        if (!kit.rootFiles().isEmpty()) {
            ArrayNode list = out.putArray("rootFiles");
            kit.rootFiles().forEach(file -> texts(list.addObject().put("name", file.name().text()).putArray("types"), file.types()));
        }
        if (!kit.ignored().isEmpty()) {
            texts(out.putArray("ignore"), kit.ignored());
        }
        ArrayNode steps = out.putArray("steps");
        kit.steps().forEach(step -> {
            ObjectNode written = steps.addObject().put("title", step.title()).put("text", step.text()).put("confirm", step.confirm());
            step.picture().ifPresent(picture -> written.put("picture", picture.text()));
        });
        ObjectNode severities = out.putObject("severities");
        kit.severities().entrySet().stream().sorted(java.util.Map.Entry.comparingByKey())
                .forEach(entry -> severities.put(entry.getKey().id(), entry.getValue().map(severity -> severity.word()).orElse("off")));
        kit.points().ifPresent(points -> points(out.putObject("points"), points));
    }

    private static void points(ObjectNode out, Kit.Points points) {
        out.put("total", points.total()).put("structure", points.structure()).put("names", points.names()).put("links", points.links())
                .put("assets", points.assets());
        Kit.Deductions off = points.off();
        if (!off.equals(Kit.Deductions.USUAL)) {
            out.putObject("off").put("must", off.must()).put("should", off.should()).put("note", off.note());
        }
    }

    private static void texts(ArrayNode out, List<String> texts) {
        texts.forEach(out::add);
    }

    private static String word(Enum<?> value) {
        return value.name().toLowerCase(Locale.ROOT);
    }
}
