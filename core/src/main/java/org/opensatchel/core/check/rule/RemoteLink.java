package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.HOW;
import static org.opensatchel.base.fact.FactName.OTHERS;
import static org.opensatchel.base.fact.FactName.TEXT;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.resolve.Outcome;
import org.opensatchel.core.resolve.ResolvedLink;

/** Links to something on the web. Those in texts that people read are its sources, and are told together. */
final class RemoteLink implements Rule<LinkEvidence> {

    /** Texts for people: whoever reads them follows their links, and nothing else asks for what is there. */
    private static final Set<String> PROSE = Set.of("odt", "ott", "odm", "fodt", "docx", "docm", "dotx", "rtf", "pdf", "md", "markdown",
            "mdown", "mkd", "epub", "tex", "ltx");

    @Override
    public Class<LinkEvidence> needs() {
        return LinkEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.LINK_REMOTE);
    }

    @Override
    public List<Finding> judge(LinkEvidence evidence) {
        List<Finding> out = new ArrayList<>();
        List<ResolvedLink> sources = new ArrayList<>();
        for (ResolvedLink link : evidence.links()) {
            if (link.outcome() == Outcome.REMOTE) {
                if (PROSE.contains(link.link().file().extension())) {
                    sources.add(link);
                } else {
                    out.add(LinkCheck.finding(evidence, Code.LINK_REMOTE, link).fact(TEXT, link.link().text()).make());
                }
            }
        }
        if (!sources.isEmpty()) {
            List<ProjectPath> documents = sources.stream().map(link -> link.link().file()).distinct().toList();
            out.add(Finding.of(Code.LINK_REMOTE).path(documents.get(0)).fact(HOW, "sources").fact(COUNT, sources.size())
                    .fact(OTHERS, documents).make());
        }
        return out;
    }
}
