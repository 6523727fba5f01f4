package org.opensatchel.core.check;

import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.core.finding.Advice;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.path.LinkForm;
import org.opensatchel.core.resolve.Outcome;
import org.opensatchel.core.resolve.ResolvedLink;

/** A link that leads out of the project: anywhere, into another project, onto a network share, or to a temporary folder. */
final class OutsideLink extends LinkCheck {

    private static final Advice OUTSIDE = Advice.of("A link leads out of the project", "The file stayed behind on your own disk: whoever opens the project does not have it.",
            "Find the file and copy it into the project folder.", "Open the document and link that copy.", "Save, and hand in again.");
    private static final Advice OTHER = Advice.of("A link leads into another project", "That project was not handed in, and will be changed or deleted without a thought for this one.",
            "Copy the file from the other project into this one.", "Open the document and link that copy.", "Save, and hand in again.");
    private static final Advice SHARE = Advice.of("A link leads onto a network share", "It opens only at desks that are connected to that share.",
            "Copy the file from the share into the project folder.", "Open the document and link that copy.", "Save, and hand in again.");
    private static final Advice TEMPORARY = Advice.of("A link leads to a temporary folder", "The system deletes what lies there, most likely it already has.",
            "Get the file once more (from the message or page it came with) and save it into the project folder.", "Open the document and link that copy.", "Save, and hand in again.");

    OutsideLink() {
        super(Outcome.OUTSIDE);
    }

    @Override
    public Map<Code, Advice> catalogue() {
        return Map.of(Code.LINK_OUTSIDE, OUTSIDE, Code.LINK_OTHER_PROJECT, OTHER, Code.LINK_NETWORK_SHARE, SHARE, Code.LINK_TEMPORARY, TEMPORARY);
    }

    @Override
    Finding judge(Evidence evidence, ResolvedLink link) {
        Code code = code(link);
        String what = switch (code) {
            case LINK_OTHER_PROJECT -> "is linked from another project, “" + link.otherProject().orElseThrow() + "”";
            case LINK_NETWORK_SHARE -> "is linked from a network share";
            case LINK_TEMPORARY -> "is linked from a temporary folder";
            default -> home(link).map(whose -> "is linked from the home folder of “" + whose + "”").orElse("is linked from outside the project folder");
        };
        String inside = link.candidates().stream().findFirst().map(candidate -> " A file of that name is in the folder: “" + candidate.path() + "”.").orElse("");
        return finding(evidence, code, catalogue().get(code), link).saying("“" + name(link) + "” " + what + ": “" + link.link().text() + "”." + inside);
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
                .filter(address -> address.names().get(0).equalsIgnoreCase("users") || address.names().get(0).equals("home")).map(address -> address.names().get(1))
                .filter(name -> !name.equalsIgnoreCase("public") && !name.equalsIgnoreCase("shared"));
    }

    private static boolean isTemporary(String text) {
        String path = text.replace('\\', '/').toLowerCase(Locale.ROOT);
        return path.contains("/appdata/local/temp/") || path.contains("/windows/temp/") || path.contains("/var/folders/") || path.contains("/temporary internet files/")
                || path.matches("(?s)(file:)?/*(private/)?(var/)?tmp/.*") || path.matches("(?s)(file:/*)?[a-z]:/(temp|tmp)/.*");
    }
}
