package org.opensatchel.web.kit;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.regex.Pattern;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.opensatchel.core.kit.Demand;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.web.RunningApplication;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.CourseService;
import org.springframework.beans.factory.annotation.Autowired;

/** An instructor plans a kit: in place, by keys, from an example, against somebody else's save, and publishes it. */
class PlanTest extends RunningApplication {

    @Autowired
    private KitService kits;
    @Autowired
    private CourseService courseService;

    /** An assignment of its own for each test, so that none disturbs another. */
    private AssignmentView fresh(String code) {
        long instructor = accounts.loadUserByUsername("quillfeather").accountId();
        AssignmentView market = market();
        long id = courseService.createAssignment(market.courseId(), code, "Lantern Study", Instant.now().plus(Duration.ofDays(9)));
        return courses.forInstructor(id, instructor);
    }

    private Page plan(AssignmentView assignment) {
        Page page = signIn("quillfeather");
        goTo(page, address("/assignments/" + assignment.id() + "/plan"));
        return page;
    }

    /** A part of the plan; what is not set is folded away. */
    private static Locator part(Page page, String name) {
        Locator part = page.locator("#part-" + name);
        Locator folded = page.locator("details.part").filter(new Locator.FilterOptions().setHas(part));
        folded.locator("> summary").click();
        assertThat(folded).hasAttribute("open", "");
        return part;
    }

    @Test
    void aPlanIsMadeFromNothingAndPublished() {
        AssignmentView assignment = fresh("P1");
        Page page = plan(assignment);
        accessible(page);
        assertThat(page.locator("#plan-state")).containsText("Nothing is published yet");
        page.getByText("Add a folder").click();
        page.keyboard().type("stills");
        page.keyboard().press("Enter");
        assertThat(page.locator(".band-head").first()).isFocused();
        Locator edit = page.locator(".band .edit");
        edit.getByLabel("What it is for").fill("Pictures");
        edit.getByText("pictures", new Locator.GetByTextOptions().setExact(true)).click();
        assertThat(page.locator(".band .types")).hasText("png jpg tif exr");
        edit.getByRole(AriaRole.RADIO, new Locator.GetByRoleOptions().setName("optional")).check();
        assertThat(page.locator(".band")).hasClass(Pattern.compile(".*optional.*"));
        part(page, "files").getByText("Add").click();
        Locator rule = page.locator("#part-files .edit");
        rule.getByLabel("What it is").fill("Contact sheet");
        rule.getByLabel("What it is").press("Tab");
        rule.getByLabel("Where").selectOption("stills");
        rule.getByLabel("Its name").fill("{last}_{lst}");
        rule.getByLabel("Its name").press("Tab");
        assertThat(page.locator("#part-files .wrongly")).containsText("character 8");
        page.locator("#publish").click();
        assertThat(page.locator("#told")).containsText("It was not published");
        rule.getByLabel("Its name").fill("{last}_sheet");
        rule.getByLabel("Its name").press("Tab");
        assertThat(page.locator("#part-files .wrongly")).hasCount(0);
        assertThat(page.locator(".bag")).containsText("must hold: {last}_sheet");
        page.locator("#publish").click();
        assertThat(page.locator("#told")).containsText("Version 1 is published");
        accessible(page);
        assertThat(kits.current(assignment).orElseThrow().kit().folders()).singleElement()
                .satisfies(folder -> assertThat(folder.path().text() + folder.accepts()).isEqualTo("stills[png, jpg, tif, exr]"));
    }

    /** What pictures, films and sounds have to be: field by field, by a preset, and kept for the next plan. */
    @Test
    void aBriefIsMadeAndKeptForOthers() {
        AssignmentView assignment = fresh("R1");
        Page page = plan(assignment);
        page.waitForLoadState();
        page.getByText("Add a folder").click();
        page.keyboard().type("footage");
        page.keyboard().press("Enter");
        Locator brief = page.locator(".band .brief");
        brief.getByText("Screen 16:9, 720p").click();
        assertThat(brief.getByLabel("Width, pixels")).hasValue("1280");
        assertThat(brief.getByLabel("Shape")).hasValue("16:9");
        brief.getByLabel("Frames a second").fill("25");
        brief.getByLabel("Frames a second").press("Tab");
        brief.getByLabel("Peak, dBFS, from").fill("-12");
        brief.getByLabel("Peak, dBFS, to").fill("-6");
        brief.getByLabel("Peak, dBFS, to").press("Tab");
        brief.getByLabel("Name of the preset").fill("Market footage");
        brief.getByText("Save as preset").click();
        assertThat(brief.locator(".groups")).containsText("Market footage");
        accessible(page);
        page.locator("#publish").click();
        assertThat(page.locator("#told")).containsText("Version 1 is published");
        assertThat(kits.current(assignment).orElseThrow().kit().folders()).singleElement()
                .satisfies(folder -> assertThat(folder.media().orElseThrow().parts()).hasSize(4));
        // Elsewhere it is one of the presets; of another's plan nothing changes when it goes.
        Page other = plan(fresh("R2"));
        other.waitForLoadState();
        part(other, "files").getByText("Add").click();
        Locator second = other.locator("#part-files .brief");
        second.getByText("Market footage").click();
        assertThat(second.getByLabel("Frames a second")).hasValue("25");
        second.getByLabel("Height, pixels").fill("0");
        second.getByLabel("Height, pixels").press("Tab");
        assertThat(other.locator("#part-files .wrongly")).containsText("height");
        second.getByText("Remove “Market footage”").click();
        assertThat(second.locator(".groups")).not().containsText("Market footage");
        second.getByText("Remove all requirements").click();
        assertThat(other.locator("#part-files .wrongly")).hasCount(0);
    }

    /** How proxies are known, and which folders a program makes again. */
    @Test
    void proxiesAndCachesArePlanned() {
        AssignmentView assignment = fresh("X1");
        Page page = plan(assignment);
        page.waitForLoadState();
        page.getByText("Add a folder").click();
        page.keyboard().type("proxies");
        page.keyboard().press("Enter");
        page.locator(".band .edit").getByText("a program makes again what is in here").click();
        part(page, "proxies").locator("[data-add=proxies]").click();
        Locator rule = page.locator("#part-proxies .edit");
        rule.getByLabel("File name").fill("small");
        rule.getByLabel("File name").press("Tab");
        assertThat(page.locator("#part-proxies .wrongly")).containsText("{original}");
        rule.getByLabel("File name").fill("");
        rule.getByLabel("File name").press("Tab");
        rule.getByLabel("Where").selectOption("proxies");
        assertThat(page.locator("#part-proxies .wrongly")).hasCount(0);
        assertThat(page.locator("#part-proxies .rule-head")).containsText("called like their originals");
        accessible(page);
        page.locator("#publish").click();
        assertThat(page.locator("#told")).containsText("Version 1 is published");
        Kit kit = kits.current(assignment).orElseThrow().kit();
        assertThat(kit.folders()).singleElement().satisfies(folder -> assertThat(folder.rebuildable()).isTrue());
        assertThat(kit.demands(Demand.Proxies.class)).singleElement()
                .satisfies(proxies -> assertThat(proxies.in().orElseThrow().text()).isEqualTo("proxies"));
    }

    /** The whole of it without a pointer: names typed, moved, put inside, taken back, saved. */
    @Test
    void aPlanIsMadeByKeysAlone() {
        AssignmentView assignment = fresh("P2");
        Page page = plan(assignment);
        page.locator("#add-folder").focus();
        page.keyboard().press("Enter");
        page.keyboard().type("sound");
        page.keyboard().press("Enter");
        page.keyboard().press("n");
        page.keyboard().type("edit");
        page.keyboard().press("Enter");
        page.keyboard().press("n");
        // As slowly as people type: what is judged meanwhile must not take half a name for the whole.
        page.keyboard().type("edit/autosave", new com.microsoft.playwright.Keyboard.TypeOptions().setDelay(120));
        page.keyboard().press("Enter");
        assertThat(page.locator(".band-head[data-path='edit/autosave']")).isFocused();
        page.keyboard().press("c");
        page.keyboard().type("old");
        page.keyboard().press("Enter");
        page.keyboard().press("Delete");
        assertThat(names(page)).containsExactly("sound", "edit", "autosave");
        page.locator(".band-head[data-path='edit/autosave']").focus();
        page.keyboard().press("ArrowUp");
        page.keyboard().press("Alt+ArrowUp");
        assertThat(page.locator(".band-head[data-path='edit']")).isFocused();
        assertThat(names(page)).containsExactly("edit", "autosave", "sound");
        page.locator(".band-head[data-path='sound']").focus();
        page.keyboard().press("Alt+ArrowRight");
        assertThat(page.locator(".band-head[data-path='edit/sound']")).isFocused();
        page.keyboard().press("Alt+ArrowLeft");
        assertThat(page.locator(".band-head[data-path='sound']")).isFocused();
        page.locator(".band-head[data-path='edit']").focus();
        page.keyboard().press("F2");
        page.keyboard().type("cut");
        page.keyboard().press("Enter");
        assertThat(page.locator(".band-head[data-path='cut/autosave']")).isVisible();
        page.keyboard().press("Delete");
        assertThat(names(page)).containsExactly("sound");
        page.keyboard().press("Control+z");
        assertThat(names(page)).containsExactly("cut", "autosave", "sound");
        page.keyboard().press("Control+Shift+z");
        assertThat(names(page)).containsExactly("sound");
        page.keyboard().press("Control+z");
        page.keyboard().press("Control+s");
        assertThat(page.locator("#plan-state")).containsText("Saved, not published");
        page.reload();
        assertThat(names(page)).containsExactly("cut", "autosave", "sound");
        page.keyboard().press("?");
        assertThat(page.locator("#plan-keys")).isVisible();
        page.keyboard().press("Escape");
        assertThat(page.locator("#plan-keys")).isHidden();
    }

    /** After every edit the next Tab goes on from there. */
    @Test
    void theFocusStaysWhereOneWorks() {
        Page page = plan(fresh("P11"));
        Locator files = part(page, "files");
        files.locator("[data-add]").focus();
        page.keyboard().press("Enter");
        assertThat(files.getByLabel("What it is")).isFocused();
        page.keyboard().type("Contact sheet");
        page.keyboard().press("Tab");
        assertThat(files.getByLabel("Where")).isFocused();
        assertThat(files.locator(".rule-what")).hasText("Contact sheet");
        page.keyboard().press("Tab");
        page.keyboard().type("{last}_sheet");
        page.keyboard().press("Tab");
        assertThat(files.locator(".rule-head")).containsText("{last}_sheet");
        page.keyboard().press("Tab");
        assertThat(files.locator(":focus")).hasCount(1);
        files.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("pictures")).focus();
        page.keyboard().press("Enter");
        assertThat(files.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("pictures"))).isFocused();
        files.locator("[data-add]").focus();
        page.keyboard().press("Enter");
        assertThat(files.locator(".rule-head")).hasCount(2);
        files.locator(".rule").first().getByText("Remove").focus();
        page.keyboard().press("Enter");
        assertThat(files.locator(".rule-head")).isFocused();
        page.keyboard().press("Control+z");
        assertThat(files.locator(".rule-head")).hasCount(2);
        assertThat(files.locator(":focus")).hasCount(1);
        page.locator("#undo").focus();
        for (int i = 0; i < 9; i++) {
            page.keyboard().press("Enter");
        }
        assertThat(files.locator(".rule-head")).hasCount(0);
        assertThat(page.locator("#undo")).isFocused();
        assertThat(page.locator("#undo")).isDisabled();
    }

    /** Arrows walk through a choice; Enter, the space bar or leaving it decides. */
    @Test
    void arrowsInAChoiceDecideNothing() {
        Page page = plan(fresh("P12"));
        Locator spaces = part(page, "names").locator("[data-at='/names/spaces']");
        Locator allow = spaces.locator("input[value=allow]");
        Locator forbid = spaces.locator("input[value=forbid]");
        allow.focus();
        page.keyboard().press("ArrowRight");
        assertThat(forbid).isFocused();
        assertThat(page.locator("#undo")).isDisabled();
        page.keyboard().press("Escape");
        assertThat(allow).isChecked();
        assertThat(page.locator("#undo")).isDisabled();
        page.keyboard().press("ArrowRight");
        page.keyboard().press("Space");
        assertThat(page.locator("#undo")).isEnabled();
        assertThat(forbid).isFocused();
        page.keyboard().press("Control+z");
        assertThat(allow).isChecked();
        Locator another = part(page, "severities").locator("select").last();
        another.focus();
        page.keyboard().press("ArrowDown");
        page.keyboard().press("ArrowDown");
        assertThat(page.locator("#undo")).isDisabled();
        page.keyboard().press("Tab");
        assertThat(page.locator("#part-severities [data-at]")).hasCount(1);
        assertThat(page.locator("#undo")).isEnabled();
    }

    private static List<String> names(Page page) {
        return page.locator(".band-head .path-name").allTextContents();
    }

    @Test
    void aFolderIsDraggedIntoAnother() {
        Page page = plan(fresh("P3"));
        for (String name : List.of("surfaces", "maps")) {
            page.locator("#add-folder").click();
            page.keyboard().type(name);
            page.keyboard().press("Enter");
            page.keyboard().press("Enter");
        }
        Locator onto = page.locator(".band-head[data-path='surfaces']");
        // What is told of the plan comes a moment later and moves what stands there: who grasps into the void grasps once more.
        page.waitForCondition(() -> {
            page.locator(".band-head[data-path='maps']").hover();
            page.mouse().down();
            // What is dragged is told to lie over something with the second movement there.
            onto.hover();
            onto.hover();
            boolean over = (boolean) onto.evaluate("head => head.classList.contains('drop-inside')");
            if (!over) {
                page.mouse().move(2, 2);
                page.mouse().up();
            }
            return over;
        });
        page.mouse().up();
        assertThat(page.locator(".band-head[data-path='surfaces/maps']")).isVisible();
    }

    @Test
    void theSecondOfTwoWhoSaveSeesWhatChangedAndLosesNothing() {
        AssignmentView assignment = fresh("P4");
        Page first = plan(assignment);
        Page second = plan(assignment);
        first.locator("#add-folder").click();
        first.keyboard().type("sound");
        first.keyboard().press("Enter");
        second.locator("#add-folder").click();
        second.keyboard().type("stills");
        second.keyboard().press("Enter");
        first.keyboard().press("Control+s");
        assertThat(first.locator("#plan-state")).containsText("Saved");
        second.keyboard().press("Control+s");
        assertThat(second.locator("#told")).containsText("R. Quillfeather saved this plan while you changed it");
        assertThat(second.locator("#told")).containsText("“sound” is new");
        second.getByText("Put both together").click();
        assertThat(second.locator("#plan-state")).containsText("Saved");
        assertThat(names(second)).containsExactlyInAnyOrder("stills", "sound");
        first.reload();
        assertThat(names(first)).containsExactlyInAnyOrder("stills", "sound");
    }

    @Test
    void theWorkshopShowsEveryNameAndWhereOneDiffers() {
        Page page = plan(market());
        Locator workshop = page.locator("#workshop");
        assertThat(workshop.locator("li")).hasCount(24);
        assertThat(workshop).containsText("MOV120_A2_ÓDuibhne_Séafra");
        assertThat(workshop.locator("li").first()).containsText("Tamsin");
        page.fill("#workshop-try", "MOV120_A2_Marsh_Otoline");
        assertThat(workshop.locator(".proposal")).hasText("MOV120_A2_Marsh_Ottoline");
        assertThat(workshop.locator("mark")).hasText("o");
        page.fill("#workshop-pattern", "{course}_{last}");
        assertThat(workshop).containsText("Marsh, Odile and Marsh, Ottoline get the same name");
        page.fill("#workshop-pattern", "{course}_{last");
        assertThat(workshop.locator(".wrongly")).containsText("never closed");
    }

    @Test
    void starterFilesAreStoredAndTheirLinksChecked() {
        AssignmentView assignment = fresh("P5");
        Page page = plan(assignment);
        page.locator("#add-folder").click();
        page.keyboard().type("pages");
        page.keyboard().press("Enter");
        part(page, "starter");
        page.locator("#starter-into").selectOption("pages");
        page.setInputFiles("#starter-files", new FilePayload[]{file("brief.html", "<img src=\"arrow.svg\"><img src=\"gone.svg\">"),
                file("arrow.svg", "<svg xmlns=\"http://www.w3.org/2000/svg\"/>")});
        assertThat(page.locator("#starter-told")).containsText("2 files added");
        assertThat(page.locator(".bag")).containsText("comes with the kit: brief.html");
        page.locator("#publish").click();
        assertThat(page.locator("#told")).containsText("gone.svg");
        page.setInputFiles("#starter-files", file("brief.html", "<img src=\"arrow.svg\">"));
        assertThat(page.locator("#starter-told")).containsText("1 file added");
        page.locator("#publish").click();
        assertThat(page.locator("#told")).containsText("Version 1 is published");
    }

    @Test
    void aPlanIsProposedFromAnExampleAndTakenPartByPart() throws IOException {
        Page page = plan(fresh("P6"));
        page.setInputFiles("#example-file",
                new FilePayload("example.zip", "application/zip",
                        zip("MOV120_A2_Marsh_Ottoline/stills/Marsh_A2_v01.png", "MOV120_A2_Marsh_Ottoline/shots/s01/a.png",
                                "MOV120_A2_Marsh_Ottoline/shots/s02/a.png",
                                "MOV120_A2_Marsh_Ottoline/shots/s03/a.png")));
        assertThat(page.locator("#offer")).containsText("shots/s{number:2}");
        accessible(page);
        page.locator(".offer-part").filter(new Locator.FilterOptions().setHasText("shots/s{number:2}")).locator("input").uncheck();
        page.getByText("Add what is ticked").click();
        assertThat(names(page)).containsExactly("shots", "stills");
        assertThat(page.locator("#part-files")).containsText("stills/{last}_{assignment}_v{version:2}.png");
        page.setInputFiles("#example-file", file("no.zip", "nothing like an archive"));
        assertThat(page.locator("#offer")).containsText("It was not imported");
    }

    @Test
    void aKitGoesToAnotherAssignmentAsAPackage() throws IOException {
        Page page = plan(market());
        Path whole = page.waitForDownload(() -> page.getByText("The kit with its files").click()).path();
        try (ZipFile zip = new ZipFile(whole.toFile())) {
            assertThat(zip.stream().map(ZipEntry::getName).toList()).contains("kit.json", "starter/sound/market-bell.wav");
        }
        AssignmentView other = fresh("P7");
        goTo(page, address("/assignments/" + other.id() + "/plan"));
        page.setInputFiles("#package-file", new FilePayload("k.satchelkit", "application/zip", Files.readAllBytes(whole)));
        assertThat(page.locator("#offer")).containsText("“Night Market Ident” would change this");
        assertThat(page.locator("#offer")).containsText("“footage” is new");
        page.locator("#offer").getByText("Import").click();
        assertThat(page.locator(".bag")).containsText("footage");
        page.setInputFiles("#package-file",
                new FilePayload("k.satchelkit", "application/zip", java.util.Arrays.copyOf(Files.readAllBytes(whole), 700)));
        assertThat(page.locator("#offer")).containsText("It was not imported");
        page.setInputFiles("#package-file", file("k.kit.json", "{\"kit\": 1, \"title\": \"x\", \"root\": {\"name\": \"{nobody}\"}}"));
        assertThat(page.locator("#offer")).containsText("{nobody}");
    }

    @Test
    void versionsAreComparedInWords() {
        AssignmentView assignment = fresh("P8");
        Page page = plan(assignment);
        page.locator("#add-folder").click();
        page.keyboard().type("sound");
        page.keyboard().press("Enter");
        page.locator("#publish").click();
        assertThat(page.locator("#told")).containsText("Version 1 is published");
        page.locator(".band .edit").getByText("sound", new Locator.GetByTextOptions().setExact(true)).click();
        page.locator("#publish").click();
        assertThat(page.locator("#told")).containsText("Version 2 is published");
        page.getByText("Versions and changes").click();
        assertThat(page.locator(".changes")).containsText("sound now takes only wav, flac.");
        accessible(page);
    }

    @Test
    void theNextAssignmentIsMadeFromThisOne() {
        AssignmentView assignment = fresh("Q4");
        Page page = plan(assignment);
        page.fill("#root", "{course}_Q4_{last}_{first}");
        page.locator("#add-folder").click();
        page.keyboard().type("stills_Q4");
        page.keyboard().press("Enter");
        page.keyboard().press("Control+s");
        assertThat(page.locator("#plan-state")).containsText("Saved");
        page.getByText("The next assignment from this one").click();
        accessible(page);
        assertThat(page.locator("#code")).hasValue("Q5");
        page.fill("#code", "P1 ?");
        page.fill("#title", "Lantern Walk");
        page.getByText("Create assignment").click();
        assertThat(page.locator(".told")).containsText("needs a code");
        assertThat(page.locator("#title")).hasValue("Lantern Walk");
        page.fill("#code", "Q5");
        page.getByText("Create assignment").click();
        assertThat(page.locator("#root")).hasValue("{course}_Q5_{last}_{first}");
        assertThat(names(page)).containsExactly("stills_Q5");
        assertThat(page.locator("#title")).hasValue("Lantern Walk");
    }

    @Test
    void aLinkRuleIsTriedOnAPastedDocument() {
        Page page = plan(fresh("P10"));
        part(page, "links").locator("> .act").click();
        Locator rule = page.locator("#part-links .rule .edit");
        rule.getByLabel("Written").fill("map = (?<link>\\S+)");
        rule.getByLabel("Written").press("Tab");
        page.getByLabel("Try it on a document").fill("a\nmap = maps/wood.png\n");
        assertThat(page.locator("#part-links .roots")).containsText("2:7  maps/wood.png");
        rule.getByLabel("Written").fill("map = (\\S+");
        rule.getByLabel("Written").press("Tab");
        assertThat(page.locator("#part-links .wrongly").first()).containsText("cannot be read");
    }

    /** Without script the document itself is edited, saved and refused with its faults. */
    @Test
    void withoutScriptTheDocumentItselfIsEdited() {
        AssignmentView assignment = fresh("P9");
        Page page = signIn("quillfeather", new com.microsoft.playwright.Browser.NewContextOptions().setJavaScriptEnabled(false));
        goTo(page, address("/assignments/" + assignment.id() + "/plan"));
        String document = page.locator("#document").inputValue();
        page.fill("#document", document.replace("{course}", "{curse}"));
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Publish").setExact(true)).click();
        assertThat(page.locator("#plain .told")).containsText("There is no field “{curse}”");
        assertThat(page.locator("#document")).hasValue(Pattern.compile("curse"));
    }

    @Test
    void nobodyElseReachesAPlan() {
        long market = market().id();
        Page page = signIn("odile.marsh");
        assertThat(goTo(page, address("/assignments/" + market + "/plan")).status()).isEqualTo(404);
        assertThat(goTo(page, address("/assignments/" + market + "/plan/versions")).status()).isEqualTo(404);
        assertThat(goTo(page, address("/assignments/" + market + "/plan/kit.satchelkit")).status()).isEqualTo(404);
    }

    private static FilePayload file(String name, String content) {
        return new FilePayload(name, "text/plain", content.getBytes(StandardCharsets.UTF_8));
    }

    private static byte[] zip(String... names) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (String name : names) {
                zip.putNextEntry(new ZipEntry(name));
                zip.write(("picture of " + name).getBytes(StandardCharsets.UTF_8));
                zip.closeEntry();
            }
        }
        return out.toByteArray();
    }
}
