package org.opensatchel.cli;

import org.opensatchel.core.project.ReadLimits;
import picocli.CommandLine.Option;

/** The limits of reading, each with an option. */
final class LimitOptions {

    @Option(names = "--max-entries", paramLabel = "N", description = "most entries of an archive (${DEFAULT-VALUE})", defaultValue = "200000")
    private int entries;
    @Option(names = "--max-files", paramLabel = "N", description = "most files of a folder or listing (${DEFAULT-VALUE})", defaultValue = "1000000")
    private int files;
    @Option(names = {"--max-unpacked",
            "--max-unpacked-bytes"}, paramLabel = "BYTES", description = "most bytes an archive may unpack to (${DEFAULT-VALUE})", defaultValue = "17179869184")
    private long unpacked;
    @Option(names = "--max-ratio", paramLabel = "N", description = "most times an archive may grow (${DEFAULT-VALUE})", defaultValue = "200")
    private int ratio;
    @Option(names = "--max-depth", paramLabel = "N", description = "most folders inside one another (${DEFAULT-VALUE})", defaultValue = "100")
    private int depth;
    @Option(names = {"--max-document", "--max-documents",
            "--max-document-bytes"}, paramLabel = "BYTES", description = "longest document that is read (${DEFAULT-VALUE})", defaultValue = "67108864")
    private long document;
    @Option(names = "--max-link-text", paramLabel = "N", description = "longest link text (${DEFAULT-VALUE})", defaultValue = "4096")
    private int linkText;
    @Option(names = "--max-findings", paramLabel = "N", description = "most findings of one code (${DEFAULT-VALUE})", defaultValue = "1000")
    private int findings;

    @Option(names = "--max-links", paramLabel = "N", description = "most links of all documents (${DEFAULT-VALUE})", defaultValue = "400000")
    private int links;
    @Option(names = "--max-links-text", paramLabel = "N", description = "most characters of all links (${DEFAULT-VALUE})", defaultValue = "67108864")
    private long linksText;
    @Option(names = "--max-documents-in-memory", paramLabel = "BYTES", description = "most bytes of all documents that are not read as streams (${DEFAULT-VALUE})", defaultValue = "1073741824")
    private long documentsInMemory;
    @Option(names = "--max-all-findings", paramLabel = "N", description = "most findings of all codes (${DEFAULT-VALUE})", defaultValue = "20000")
    private int allFindings;
    @Option(names = "--max-candidates", paramLabel = "N", description = "most candidates for broken links (${DEFAULT-VALUE})", defaultValue = "200000")
    private int candidates;
    @Option(names = "--max-hashed", paramLabel = "BYTES", description = "most bytes that are hashed to tell files that are alike (${DEFAULT-VALUE})", defaultValue = "274877906944")
    private long hashed;
    @Option(names = "--max-kit", paramLabel = "BYTES", description = "largest kit document (${DEFAULT-VALUE})", defaultValue = "16777216")
    private int kit;

    /** Largest kit document in bytes; never more than what the core reads. */
    int kitBytes() {
        return kit;
    }

    ReadLimits limits() throws Refusal {
        boolean positive = entries > 0 && files > 0 && unpacked > 0 && ratio > 0 && depth > 0 && document > 0 && linkText > 15
                && findings > 0 && kit > 0
                && links > 0 && linksText > 0 && documentsInMemory > 0 && allFindings > 0 && candidates > 0 && hashed > 0;
        if (!positive) {
            throw new Refusal("limits.wrong");
        }
        return new ReadLimits(entries, files, unpacked, ratio, depth, document, linkText, findings,
                new ReadLimits.Sums(links, linksText, documentsInMemory, allFindings, candidates, hashed));
    }
}
