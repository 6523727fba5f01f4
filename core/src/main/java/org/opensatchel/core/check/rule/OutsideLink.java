package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.CANDIDATE;
import static org.opensatchel.base.fact.FactName.HOW;
import static org.opensatchel.base.fact.FactName.PERSON;
import static org.opensatchel.base.fact.FactName.PROJECT;
import static org.opensatchel.base.fact.FactName.TEXT;
import static org.opensatchel.base.fact.FactName.WANTED;

import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.opensatchel.base.path.LinkForm;
import org.opensatchel.core.finding.Candidate;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.resolve.Outcome;
import org.opensatchel.core.resolve.ResolvedLink;

/** A link that leads out of the project: anywhere, into another project, onto a network share, or to a temporary folder. */
final class OutsideLink extends LinkCheck {

    OutsideLink() {
        super(Outcome.OUTSIDE);
    }

    private static final Set<String> HOMES = Set.of("users", "home", "benutzer");
    private static final Map<String, String> PLACES = Map.of("desktop", "desktop", "schreibtisch", "desktop", "downloads", "downloads",
            "download", "downloads", "documents", "documents", "my documents", "documents", "dokumente", "documents");

    @Override
    public Set<Code> gives() {
        return Set.of(Code.LINK_OUTSIDE, Code.LINK_OTHER_PROJECT, Code.LINK_NETWORK_SHARE, Code.LINK_TEMPORARY);
    }

    @Override
    Finding judge(LinkEvidence evidence, ResolvedLink link) {
        Code code = code(link);
        Finding.Builder finding = finding(evidence, code, link).fact(WANTED, name(link)).fact(TEXT, link.link().text())
                .fact(CANDIDATE, link.candidates().stream().findFirst().map(Candidate::path));
        if (code == Code.LINK_OTHER_PROJECT) {
            finding.fact(PROJECT, link.otherProject());
        } else if (code == Code.LINK_OUTSIDE) {
            finding.fact(HOW, place(link)).fact(PERSON, home(link));
        }
        return finding.make();
    }

    private static Code code(ResolvedLink link) {
        if (link.otherProject().isPresent()) {
            return Code.LINK_OTHER_PROJECT;
        }
        if (link.form() == LinkForm.UNC) {
            return Code.LINK_NETWORK_SHARE;
        }
        return isTemporary(link.link().text()) ? Code.LINK_TEMPORARY : Code.LINK_OUTSIDE;
    }

    /** Whose home folder a link leads into, where its path says so. */
    private static Optional<String> home(ResolvedLink link) {
        return link.link().address().filter(address -> address.form().isAbsolute() && address.names().size() > 2)
                .filter(address -> address.names().get(0).equalsIgnoreCase("users") || address.names().get(0).equals("home"))
                .map(address -> address.names().get(1))
                .filter(name -> !name.equalsIgnoreCase("public") && !name.equalsIgnoreCase("shared"));
    }

    /** The folder a person would call it by: the one right in somebody's own folder, where everybody has that. */
    private static Optional<String> place(ResolvedLink link) {
        return link.link().address().filter(address -> address.form().isAbsolute() && address.names().size() > 3)
                .filter(address -> HOMES.contains(address.names().get(0).toLowerCase(Locale.ROOT)))
                .map(address -> PLACES.get(address.names().get(2).toLowerCase(Locale.ROOT)));
    }

    private static boolean isTemporary(String text) {
        String path = text.replace('\\', '/').toLowerCase(Locale.ROOT);
        return path.contains("/appdata/local/temp/") || path.contains("/windows/temp/") || path.contains("/var/folders/")
                || path.contains("/temporary internet files/")
                || path.matches("(?s)(file:)?/*(private/)?(var/)?tmp/.*") || path.matches("(?s)(file:/*)?[a-z]:/(temp|tmp)/.*");
    }
}
