package org.opensatchel.core.check.brief;

import static org.opensatchel.base.fact.FactName.CODEC;
import static org.opensatchel.base.fact.FactName.HOW;
import static org.opensatchel.base.fact.FactName.TYPES;

import java.util.List;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.core.check.brief.CodecNames.Kind;
import org.opensatchel.core.finding.Code;
import org.opensatchel.formats.media.MediaFacts;
import org.opensatchel.formats.media.MediaFacts.Picture;
import org.opensatchel.formats.media.MediaFacts.Sound;

/** How pictures and sound are coded, against what is asked for. Of what the names in a brief are not of, it asks nothing. */
final class CodecJudge {

    private final List<String> asked;
    private final Verdicts out;

    CodecJudge(List<String> asked, Verdicts out) {
        this.asked = asked;
        this.out = out;
    }

    void judge(MediaFacts media) {
        if (asked.isEmpty()) {
            return;
        }
        boolean film = !media.pictures().isEmpty();
        media.pictures().stream().map(Picture::codec).distinct().forEach(codec -> judge(codec, Kind.PICTURE, film));
        media.sounds().stream().map(Sound::codec).distinct().forEach(codec -> judge(codec, Kind.SOUND, !film));
        if (media.pictures().isEmpty() && media.sounds().isEmpty()) {
            out.open(BriefWording.CODEC);
        }
    }

    /** @param main whether a name that nobody knows is meant for it, too */
    private void judge(String codec, Kind kind, boolean main) {
        List<String> meant = asked.stream().filter(name -> CodecNames.kind(name).map(kind::equals).orElse(main)).toList();
        if (meant.isEmpty() || meant.stream().anyMatch(name -> CodecNames.isMeant(name, codec))) {
            return;
        }
        if (codec.isBlank() || CodecNames.kind(codec).isEmpty()) {
            out.open(BriefWording.CODEC);
        } else {
            out.differs(Code.MEDIA_CODEC, Facts.of(CODEC, codec).and(TYPES, meant).and(HOW, kind));
        }
    }
}
