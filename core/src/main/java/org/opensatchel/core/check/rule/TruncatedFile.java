package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.WHAT;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.scan.FileFacts;
import org.opensatchel.formats.format.ContentWording;
import org.opensatchel.formats.media.MediaFacts;

/** A picture, a sound or a film that ends before its own structure says that it does: a copy that did not finish. */
final class TruncatedFile implements Rule<ContentEvidence> {

    private static final Map<String, ContentWording> WORDS = Map.ofEntries(Map.entry("PNG", ContentWording.PNG),
            Map.entry("JPEG", ContentWording.JPEG), Map.entry("GIF", ContentWording.GIF), Map.entry("BMP", ContentWording.BMP),
            Map.entry("WebP", ContentWording.WEBP), Map.entry("TIFF", ContentWording.TIFF), Map.entry("WAVE", ContentWording.WAVE),
            Map.entry("AIFF", ContentWording.AIFF), Map.entry("FLAC", ContentWording.FLAC), Map.entry("Ogg", ContentWording.OGG),
            Map.entry("MPEG audio", ContentWording.MP3), Map.entry("AVI", ContentWording.AVI),
            Map.entry("Matroska", ContentWording.MATROSKA),
            Map.entry("WebM", ContentWording.MATROSKA));

    @Override
    public Class<ContentEvidence> needs() {
        return ContentEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.ASSET_TRUNCATED);
    }

    @Override
    public List<Finding> judge(ContentEvidence evidence) {
        Map<ProjectPath, MediaFacts> cut = new TreeMap<>();
        evidence.facts().forEach((path, facts) -> {
            if (isCut(facts) && !evidence.isManaged(path)) {
                cut.put(path, facts.media().get());
            }
        });
        return cut.entrySet().stream()
                .map(file -> Finding.of(Code.ASSET_TRUNCATED).path(file.getKey()).explains(new Cause(Cause.Kind.CONTENT, file.getKey()))
                        .fact(WHAT, WORDS.getOrDefault(file.getValue().container(), ContentWording.MP4).say()).make())
                .toList();
    }

    /** What is something else than its name says is told as that. */
    private static boolean isCut(FileFacts facts) {
        return facts.media().filter(media -> media.end() == MediaFacts.End.CUT).isPresent() && facts.lie().isEmpty() && !facts.shortcut();
    }
}
