package org.opensatchel.web.report;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.opensatchel.core.report.MediaFound;
import org.opensatchel.core.report.MediaFound.Font;
import org.opensatchel.core.report.MediaFound.Line;
import org.opensatchel.core.report.MediaFound.Model;
import org.opensatchel.core.report.MediaFound.Picture;

/** What is said of media that are neither film nor sound, and which columns a table of them has. */
class MediaSheetTest {

    private static Line line(String format, Optional<Double> seconds, Optional<Picture> picture, Optional<Integer> cues,
            Optional<Font> font,
            Optional<Model> model) {
        return new Line("a", format, "whole", seconds, picture, List.of(), Optional.empty(), List.of(), Optional.empty(), cues, font,
                model);
    }

    private static Line picture(String format, String codec, Optional<String> colour) {
        return line(format, Optional.empty(), Optional.of(new Picture(codec, 640, 360, Optional.empty(), Optional.empty(), Optional.empty(),
                Optional.empty(), Optional.empty(), Optional.of(8), Optional.empty(), colour)), Optional.empty(), Optional.empty(),
                Optional.empty());
    }

    @Test
    void wordsLettersAndModelsSayWhatTheyHold() {
        MediaSheet sheet = MediaSheet.of(new MediaFound(5, List.of(
                line("SubRip", Optional.of(14.0), Optional.empty(), Optional.of(2), Optional.empty(), Optional.empty()),
                line("OpenType", Optional.empty(), Optional.empty(), Optional.empty(),
                        Optional.of(new Font(Optional.of("Dayroom Sans"), Optional.of("Bold"), Optional.of(240L))), Optional.empty()),
                line("WOFF2", Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty()),
                line("OBJ", Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(),
                        Optional.of(new Model(1_204, 9, 2, Optional.of("2048x1024")))),
                line("glTF", Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(),
                        Optional.of(new Model(1, 0, 0, Optional.empty()))))));
        assertThat(sheet.rows()).extracting(MediaSheet.Row::format).containsExactly("SubRip, 2 subtitles", "OpenType, Dayroom Sans Bold",
                "WOFF2",
                "OBJ, 1,204 vertices, 2 textures up to 2048 × 1024", "glTF, 1 vertex");
        assertThat(sheet.columns()).containsExactly("length");
    }

    @Test
    void aColumnStandsThereForWhatSomeFileHas() {
        MediaSheet sheet = MediaSheet
                .of(new MediaFound(3, List.of(picture("PNG", "PNG", Optional.of("RGB")), picture("JPEG", "JPEG", Optional.of("CMYK")),
                        picture("TIFF", "TIFF", Optional.of("grey")))));
        assertThat(sheet.columns()).containsExactly("frame");
        assertThat(sheet.rows()).extracting(row -> row.frame().text() + ": " + row.frame().note()).containsExactly(
                "640 × 360: 16:9, 8 bits",
                "640 × 360: 16:9, 8 bits, CMYK", "640 × 360: 16:9, 8 bits, shades of grey");
        assertThat(MediaSheet.of(new MediaFound(0, List.of())).columns()).isEmpty();
    }
}
