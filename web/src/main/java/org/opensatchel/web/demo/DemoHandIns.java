package org.opensatchel.web.demo;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.function.Function;
import java.util.function.UnaryOperator;

/**
 * What the class handed in for the Night Market Ident, and the findings each hand-in must give: no more, no fewer. The
 * expectation stands beside the fault that was planted.
 */
final class DemoHandIns {

    /**
     * One hand-in.
     *
     * @param student index on the demo roster
     * @param location where the student says it lies, empty for nowhere
     * @param expected the codes of its findings, sorted, each as often as it is given
     */
    record Planted(int student, String location, Function<DemoProject, byte[]> make, List<String> expected) {}

    private static final Function<DemoProject, byte[]> CLEAN = DemoProject::zip;
    private static final String STICK = "E:\\@";

    private DemoHandIns() {
    }

    static List<Planted> all() {
        return List.of(
                // Marsh, Ottoline: six clips tied to F:, a sound left in Downloads, the film's name, one capital.
                planted(0, "E:\\@", project -> {
                    List<String> links = project.links();
                    for (int i = 0; i < 6; i++) {
                        links.set(i, "file:///F:/MOV120_A2_Marsh_Ottoline/" + links.get(i).substring(3));
                    }
                    links.add("C:\\Users\\omarsh\\Downloads\\rain_loop.wav");
                    links.add("../titles/lantern.png");
                    return project.relink(links).move("delivery/Marsh_A2_final.mp4", "delivery/Marsh_final.mp4").zip();
                }, "link.misspelt", "link.outside", "link.pinned", "link.pinned", "link.pinned", "link.pinned", "link.pinned",
                        "link.pinned", "location.differs", "name.file"),
                // Ó Duibhne, Séafra: the sound folder renamed, and a clip that is gone.
                planted(1, STICK, project -> project.move("sound", "Sounds").remove("footage/lamp.mp4").zip(), "link.missing",
                        "structure.folder-renamed"),
                // Vandermolen-Ashgrove, Wilhelmina: a share, a temporary folder, last assignment's folder, and the root's name.
                planted(2, "C:\\Users\\wva\\Downloads\\@", project -> {
                    List<String> links = project.links();
                    links.add("\\\\media-01\\pool\\rain.wav");
                    links.add("file:///C:/Users/wva/AppData/Local/Temp/plate.png");
                    links.add("../../MOV120_A1_Vandermolen-Ashgrove_Wilhelmina/footage/bus.mp4");
                    return project.relink(links).named("MOV120_A2_Vandermolen_Wilhelmina").zip();
                }, "link.network-share", "link.other-project", "link.temporary", "location.avoided-place", "name.root"),
                // Brightwater, Kofi: the newest timeline saved into the root.
                planted(4, STICK, project -> project.move("edit/Brightwater_A2_v02.otio", "Brightwater_A2_v02.otio").zip(),
                        "structure.document-misplaced"),
                // Castellane, Inès: no story, two clips moved after linking, a frame missing from a sequence.
                planted(5, "/Volumes/INES/@", project -> {
                    List<String> links = project.links();
                    links.set(0, "../footage/day1/stall_01.mp4");
                    return project.relink(links).remove("story").zip();
                }, "link.moved", "structure.folder-missing"),
                // Drury, Halvard: a friend's folder.
                planted(6, STICK, project -> project.named("MOV120_A2_Marsh_Odile").zip(), "name.someone-else"),
                // Eskildsen, Maren: the kit's bell renamed.
                planted(7, STICK, project -> project.move("sound/market-bell.wav", "sound/bell.wav").zip(), "asset.starter-renamed"),
                // Fairweather, Juno: capitals in three links.
                planted(8, STICK, project -> {
                    List<String> links = project.links();
                    links.set(0, "../Footage/stall_01.mp4");
                    links.set(1, "../footage/Stall_02.mp4");
                    links.set(9, "..\\sound\\hum.wav");
                    return project.relink(links).zip();
                }, "link.misspelt", "link.misspelt", "link.misspelt"),
                // The film exported too small.
                planted(9, STICK, project -> project.delivered(960, 540, 1).zip(), "media.size"),
                planted(10, "/Volumes/COSIMA/@", CLEAN),
                // The film copied while it was still being written.
                planted(11, STICK, project -> project.cut("delivery/" + project.last() + "_A2_final.mp4").zip(), "asset.truncated"),
                // Jessop, Ffion: a space, a take nobody links, music on the web, and a mix that is cut off.
                planted(12, STICK, project -> {
                    List<String> links = project.links();
                    links.add("https://sounds.example/night-market.wav");
                    return project.relink(links).sound("sound/hum take2.wav").delivered(1280, 720, 2.6).zip();
                }, "asset.unused", "link.remote", "media.clipping", "name.space"),
                // Square, as for a phone.
                planted(13, STICK, project -> project.delivered(720, 720, 1).zip(), "media.size"),
                planted(14, "/Volumes/LINDQVIST/@", CLEAN),
                planted(15, STICK, CLEAN),
                // Nakagoshi, Ren: a clip twice, and a folder nobody planned.
                planted(16, STICK, project -> project.add("old/steam.mp4", project.content("footage/steam.mp4")).zip(), "asset.duplicate",
                        "asset.unused", "structure.folder-other"),
                // Oyelaran, Bisi: a variable in a link, and a clip that flashes by.
                planted(17, STICK, project -> {
                    List<String> links = project.links();
                    links.add("$MEDIA/rain.wav");
                    return project.flash(links).zip();
                }, "link.unknown", "timeline.flash-frame"),
                // Pellworm, Jost: packed what is in the folder, without the folder.
                planted(18, "", project -> project.zip(""), "location.undeclared", "package.no-root"),
                // Quist, Annelie: unpacked into itself.
                planted(19, STICK, project -> project.zip(project.root() + "/" + project.root() + "/"), "package.nested-root"),
                // Rudge, Barnaby: an empty clip, a picture that is a web page, a shortcut, a system's leftover.
                planted(20, "C:\\Users\\barnaby\\Desktop", project -> project.add("footage/lamp.mp4", new byte[0])
                        .add("titles/grain.png", text("<!DOCTYPE html><html><body>Not found</body></html>"))
                        .remove("footage/steam.mp4").add("footage/steam.mp4.lnk", new byte[]{0x4C, 0, 0, 0, 1, 0x14, 2, 0, 0, 0})
                        .add(".DS_Store", text("x")).zip(),
                        "asset.empty", "asset.type-lies", "location.avoided-place", "location.parent", "package.junk", "package.shortcut"),
                // Thackeray, Noor: only the film, and that not as an archive.
                planted(22, "", project -> project.content("delivery/Thackeray_A2_final.mp4"), "package.unreadable"));
    }

    /** The student who handed in twice: what came first. */
    static Planted firstTry() {
        return planted(15, STICK, project -> {
            UnaryOperator<String> tied = link -> "F:\\school\\MOV120_A2_Marsh_Odile\\" + link.substring(3).replace('/', '\\');
            return project.relink(project.links().stream().map(tied).toList()).zip();
        });
    }

    private static Planted planted(int student, String location, Function<DemoProject, byte[]> make, String... expected) {
        return new Planted(student, location, make, List.of(expected));
    }

    private static byte[] text(String content) {
        return content.getBytes(StandardCharsets.UTF_8);
    }
}
