package org.opensatchel.web.handout;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Page;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.KitReader;
import org.opensatchel.web.RunningApplication;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.kit.KitService;
import org.opensatchel.web.storage.ContentStore.Stored;
import org.opensatchel.web.storage.Contents;
import org.opensatchel.web.storage.Purpose;
import org.springframework.beans.factory.annotation.Autowired;

/** The picture of a step is seen by who has the kit, and by nobody else. */
class StepPictureTest extends RunningApplication {

    private static final byte[] PNG = {(byte) 0x89, 'P', 'N', 'G', 13, 10, 26, 10};

    @Autowired
    private Contents contents;
    @Autowired
    private KitService kits;

    private String starter(long course, String path) throws IOException {
        long teacher = accounts.loadUserByUsername("quillfeather").accountId();
        Stored stored = contents.keep(new ByteArrayInputStream(PNG), Purpose.STARTER, course, teacher, 100);
        return "{\"path\": \"" + path + "\", \"sha256\": \"" + stored.sha256() + "\", \"bytes\": " + PNG.length + "}";
    }

    @Test
    void whoHasTheKitSeesIt() throws IOException {
        long teacher = accounts.loadUserByUsername("quillfeather").accountId();
        long student = accounts.loadUserByUsername("samuel.ikande").accountId();
        long course = courses.createCourse("STP 1", "Steps", "", teacher);
        long assignment = courses.createAssignment(course, "P1", "Steps", Instant.now().plus(Duration.ofDays(9)));
        courses.enrol(course, student, "Ikande", Optional.of("Samuel"), "7", "A");
        AssignmentView view = courses.forPlanner(assignment, teacher);
        String document = "{\"kit\": 1, \"title\": \"Steps\", \"assignment\": \"P1\", \"root\": {\"name\": \"{last}\"}, \"starter\": ["
                + starter(course, "help/autosave.png") + "," + starter(course, "help/page.svg")
                + "], \"steps\": [{\"title\": \"Autosave on\", \"text\": \"Every 5 minutes.\", \"confirm\": true, \"picture\": \"help/autosave.png\"}, "
                + "{\"title\": \"Drawing\", \"picture\": \"help/page.svg\"}, {\"title\": \"Plain\"}]}";
        Kit kit = KitReader.read(document.getBytes(StandardCharsets.UTF_8)).kit().orElseThrow();
        assertThat(kits.publish(view, kit, 0, teacher).published()).isPresent();

        Page page = signIn("samuel.ikande");
        String steps = address("/assignments/" + assignment + "/steps/");
        APIResponse picture = page.context().request().get(steps + "0/picture");
        assertThat(picture.status()).isEqualTo(200);
        assertThat(picture.headers().get("content-type")).isEqualTo("image/png");
        assertThat(picture.body()).isEqualTo(PNG);
        // A drawing may hold a script: it is not shown.
        for (String path : new String[]{"1/picture", "2/picture", "3/picture", "-1/picture"}) {
            assertThat(page.context().request().get(steps + path).status()).as(path).isEqualTo(404);
        }
        Page other = signIn("ottoline.marsh");
        assertThat(other.context().request().get(steps + "0/picture").status()).isEqualTo(404);
        goTo(page, address("/assignments/" + assignment + "/kit"));
        assertThat(page.locator("ol.steps li").count()).isEqualTo(3);
        assertThat(page.locator("ol.steps form").count()).isEqualTo(1);
        accessible(page);
    }
}
