package org.opensatchel.formats.media;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.opensatchel.formats.MediaReaders;

/** How colours are written in each format that says it. */
class ColourTest {

    private static String colour(Out file) throws IOException {
        return MediaReaders.read(Bytes.of(file.bytes())).map(Sample::colour).orElseThrow();
    }

    @ParameterizedTest
    @CsvSource({"0, grey", "2, RGB", "3, palette", "4, grey", "6, RGB"})
    void png(int type, String colour) throws IOException {
        Out header = new Out().u32(13).text("IHDR").u32(16).u32(9).u8(8).u8(type).u24(0).u32(0);
        assertThat(colour(new Out().text("\u0089PNG\r\n\u001a\n").add(header).u32(0).text("IEND").u32(0))).isEqualTo(colour);
    }

    @ParameterizedTest
    @CsvSource({"1, grey", "3, YCbCr", "4, CMYK", "2, -"})
    void jpeg(int parts, String colour) throws IOException {
        Out frame = Out.of(0xff, 0xc0).u16(8 + 3 * parts).u8(8).u16(9).u16(16).u8(parts).zeros(3 * parts);
        assertThat(colour(Out.of(0xff, 0xd8).add(frame).add(Out.of(0xff, 0xda)).u16(2).zeros(9).add(Out.of(0xff, 0xd9)))).isEqualTo(colour);
    }

    @ParameterizedTest
    @CsvSource({"0, grey", "1, grey", "2, RGB", "3, palette", "5, CMYK", "6, YCbCr", "8, CIELAB", "99, -", "-1, -"})
    void tiff(int meaning, String colour) throws IOException {
        Out out = new Out().text("II*\0").le32(8).le16(meaning < 0 ? 2 : 3).le16(256).le16(3).le32(1).le32(16).le16(257).le16(3).le32(1)
                .le32(9);
        if (meaning >= 0) {
            out.le16(262).le16(3).le32(1).le32(meaning);
        }
        assertThat(colour(out.le32(0).zeros(20))).isEqualTo(colour);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"nclx | 1 | 1 | BT.709", "nclc | 9 | 16 | BT.2020, SMPTE ST 2084",
            "nclx | 9 | 18 | BT.2020, ARIB STD-B67",
            "nclx | 2 | 2 | -", "nclx | 12 | 13 | SMPTE EG 432-1", "rICC | 1 | 1 | -"})
    void film(String kind, int primaries, int transfer, String colour) throws IOException {
        Out box = FilmSamples.box("colr", new Out().text(kind).u16(primaries).u16(transfer).u16(1).u8(0));
        byte[] film = FilmSamples.of(FilmSamples.pictureEntry("avc1", 64, 36, 24, box));
        assertThat(colour(new Out().add(film))).isEqualTo(colour);
    }
}
