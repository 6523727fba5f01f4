package org.opensatchel.web.drive;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.opensatchel.web.storage.SatchelProperties;
import org.springframework.util.unit.DataSize;

/** A drive is nobody's until a course loads something onto it, and then that course's alone. */
class BayTest {

    @TempDir
    Path folder;

    @Test
    void aDriveOfOneCourseIsNotShownToAnother() {
        Bay bay = new Bay(new SatchelProperties(folder, folder.resolve("drives"), DataSize.ofMegabytes(1), DataSize.ofMegabytes(1), false,
                null, null, null));
        Bay.Slot drive = bay.slot("SATCHEL-01", "MOV 120").orElseThrow();
        assertThat(bay.slots("OBJ 210")).hasSize(5);
        bay.give(drive, "MOV 120");
        assertThat(bay.slots("OBJ 210")).hasSize(4).extracting(Bay.Slot::label).doesNotContain("SATCHEL-01");
        assertThat(bay.slot("SATCHEL-01", "OBJ 210")).isEmpty();
        assertThat(bay.slot("SATCHEL-01", "MOV 120").orElseThrow().capacity()).isEqualTo(drive.capacity());
    }
}
