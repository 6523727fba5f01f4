package org.opensatchel.formats.kind;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.opensatchel.formats.Formats;

/** What would do as well as the types that are there. */
class TypeFamilyTest {

    @ParameterizedTest
    @CsvSource({"png,exr jpg tif", "jpeg tiff,exr png", "mp4,mov", "wav,flac", "flac wav,''", "png wav,exr flac jpg tif", "webp,''",
            "otio,''", "svg,''",
            "'',''",
            "glb,''"})
    void mediaOfOneFamilyDoAsWellAndDocumentsDoNot(String given, String alike) {
        assertThat(String.join(" ", TypeFamily.alike(List.of(given.split(" "))))).isEqualTo(alike);
    }

    @Test
    void picturesAreCalledPicturesEverywhere() {
        assertThat(TypeFamily.PICTURES.types()).allMatch(type -> Formats.kind(type) == FileKind.PICTURE);
        assertThat(TypeFamily.SOUND.types()).allMatch(type -> Formats.kind(type) == FileKind.SOUND);
        assertThat(TypeFamily.FILMS.types()).allMatch(type -> Formats.kind(type) == FileKind.MOVING_PICTURE);
    }
}
