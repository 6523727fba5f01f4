package org.opensatchel.worker;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.core.example.KitProposal;
import org.opensatchel.core.example.ProposedPart;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.KitWriter;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.pack.KitPackage;
import org.opensatchel.core.pack.PackWording;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.core.project.ReadLimits;

/**
 * A plan that came from outside: proposed from an example, or out of a package.
 *
 * @param title what it is called
 * @param parts what is proposed, part by part; empty for a package
 * @param kit the document of a package
 * @param starters where each starter file of a package lies now, in the order of its document
 * @param faults why there is nothing, as the facts of phrases
 */
public record Offered(String title, List<Part> parts, Optional<String> kit, List<String> starters, List<Map<String, Object>> faults) {

    /** What a part of a proposal is about. */
    public enum Kind {
        ROOT, NAMES, FOLDER, DOCUMENT, FILE
    }

    /**
     * A part of a proposal.
     *
     * @param why why it is proposed, as the facts of a phrase
     * @param kit a kit document with nothing but this part
     */
    public record Part(Kind kind, String title, Map<String, Object> why, List<String> examples, String kit) {
        static Part of(KitProposal proposal, ProposedPart part, String title) {
            Kind kind = part instanceof ProposedPart.Root ? Kind.ROOT
                    : part instanceof ProposedPart.Names ? Kind.NAMES
                            : part instanceof ProposedPart.Folder ? Kind.FOLDER
                                    : part instanceof ProposedPart.Document ? Kind.DOCUMENT : Kind.FILE;
            return new Part(kind, part.title(), Facts.json(part.why()), part.examples(),
                    new String(KitWriter.write(proposal.kit(title, part::equals)), StandardCharsets.UTF_8));
        }
    }

    /** @param title what the kit that is planned is called */
    static Offered proposed(ProjectSource source, String title, ReadLimits limits) throws IOException {
        KitProposal.Reading reading = KitProposal.of(source, RosterFields.NONE, limits);
        if (reading.proposal().isEmpty()) {
            return refused(List.of(reading.refusal().orElseThrow()));
        }
        KitProposal proposal = reading.proposal().get();
        return new Offered(proposal.title(), proposal.parts().stream().map(part -> Part.of(proposal, part, title)).toList(),
                Optional.empty(),
                List.of(), List.of());
    }

    /** Reads a package whole, and lays its starter files into a folder, numbered. */
    static Offered unpacked(Errand.Unpack unpack) throws IOException {
        KitPackage.Reading reading = KitPackage.open(Path.of(unpack.file()), unpack.limits());
        if (reading.kitPackage().isEmpty()) {
            return refused(reading.faults());
        }
        try (KitPackage whole = reading.kitPackage().get()) {
            long bytes = whole.kit().starter().stream().mapToLong(Kit.StarterFile::bytes).sum();
            if (bytes > unpack.mostBytes()) {
                return refused(List.of(PackWording.TOO_LARGE.say(Facts.of(FactName.MOST_BYTES, unpack.mostBytes()))));
            }
            List<String> starters = new ArrayList<>();
            for (Kit.StarterFile starter : whole.kit().starter()) {
                Path to = Path.of(unpack.into(), Integer.toString(starters.size()));
                try (InputStream content = whole.open(starter)) {
                    Target.write(content, to, starter.bytes());
                }
                starters.add(to.toString());
            }
            return new Offered(whole.kit().title(), List.of(),
                    Optional.of(new String(KitWriter.write(whole.kit()), StandardCharsets.UTF_8)),
                    starters, List.of());
        }
    }

    private static Offered refused(List<Phrase> why) {
        return new Offered("", List.of(), Optional.empty(), List.of(), why.stream().map(Facts::json).toList());
    }
}
