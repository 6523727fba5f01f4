package org.opensatchel.core.scan;

import java.util.List;
import java.util.Optional;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.formats.link.DocumentLinks;
import org.opensatchel.formats.media.Samples;
import org.opensatchel.formats.timeline.Timeline;

/** What one file told, while it is being found out. */
final class ScanResult {
    FileFacts facts = FileFacts.NONE;
    Optional<Samples> samples = Optional.empty();
    List<Timeline> timelines = List.of();
    DocumentLinks document;
    Phrase damage;
    String failure;
    boolean unhashed;
    boolean cutShort;
    DocumentSums.Held held = DocumentSums.Held.NOTHING;
}
