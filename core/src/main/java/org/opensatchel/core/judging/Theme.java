package org.opensatchel.core.judging;

import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import org.opensatchel.base.fact.Fact;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.path.LinkForm;
import org.opensatchel.base.path.LinkText;
import org.opensatchel.base.path.Notation;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.report.Report.FindingLine;

/**
 * What many people do wrong in the same way: a finding's code, and where it makes a difference to what is said to a class, the kind of
 * place or difference. Its text is {@code code} or {@code code:kind}.
 *
 * @param kind {@code drive}, {@code downloads}, {@code capitals} and the like; empty where the code says it all
 */
public record Theme(String code, String kind) {

    private static final Set<String> BY_PLACE = Set.of(Code.LINK_OUTSIDE.id(), Code.LOCATION_AVOIDED_PLACE.id());
    /** Where the file's own name says how the class shares it: a sound from one source that all of them linked. */
    private static final Set<String> BY_FILE = Set.of(Code.LINK_OUTSIDE.id(), Code.LINK_MISSING.id(), Code.LINK_MOVED.id(),
            Code.LINK_TEMPORARY.id(), Code.LINK_NETWORK_SHARE.id(), Code.LINK_OTHER_PROJECT.id());

    public static Theme of(FindingLine finding) {
        if (finding.code().equals(Code.LINK_PINNED.id())) {
            return new Theme(finding.code(), form(finding));
        }
        if (finding.code().equals(Code.LINK_MISSPELT.id())) {
            return new Theme(finding.code(), overlooked(finding));
        }
        return new Theme(finding.code(), BY_PLACE.contains(finding.code()) ? fact(finding, FactName.HOW).orElse("") : "");
    }

    /** The last name of the file that is missed, where a class may share it; empty for others. */
    public static String subject(FindingLine finding) {
        if (!BY_FILE.contains(finding.code())) {
            return "";
        }
        String path = fact(finding, FactName.WANTED).or(() -> fact(finding, FactName.TEXT)).orElse("").replace('\\', '/');
        return path.substring(path.lastIndexOf('/') + 1);
    }

    private static String form(FindingLine finding) {
        Optional<LinkForm> form = fact(finding, FactName.TEXT).flatMap(text -> LinkText.read(text, Notation.URI))
                .map(address -> address.form());
        return form.filter(LinkForm::isAbsolute).map(LinkForm::word).orElse("");
    }

    private static String overlooked(FindingLine finding) {
        return finding.facts().flatMap(facts -> facts.get(FactName.OVERLOOKED))
                .flatMap(fact -> fact instanceof Fact.Said said ? Optional.of(said.phrase().key()) : Optional.empty())
                .map(key -> key.substring(key.indexOf('.') + 1).toLowerCase(Locale.ROOT)).orElse("");
    }

    private static Optional<String> fact(FindingLine finding, FactName name) {
        return finding.facts().flatMap(facts -> facts.text(name));
    }

    public String text() {
        return kind.isEmpty() ? code : code + ":" + kind;
    }

    /** Reads what {@link #text} wrote. */
    public static Theme read(String text) {
        int colon = text.indexOf(':');
        return colon < 0 ? new Theme(text, "") : new Theme(text.substring(0, colon), text.substring(colon + 1));
    }
}
