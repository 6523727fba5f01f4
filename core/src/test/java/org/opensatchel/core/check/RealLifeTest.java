package org.opensatchel.core.check;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.opensatchel.core.report.Report;

/** What real folders hold beside the work, and how real documents link: told when it is a fault, and left in peace when it is none. */
class RealLifeTest {

    private static final String PAGE = "index.html = <!DOCTYPE html><html><body>%s</body></html>";

    @TempDir
    Path temp;

    static Stream<Arguments> setAside() {
        String broken = " = <!DOCTYPE html><img src=gone.png>";
        return Stream.of(
                Scene.of("a hidden folder", ".history/a.html" + broken, ".history/aux.txt = x", "a.txt = x").clean("package.junk .history"),
                Scene.of("the same, not hidden", "history/a.html" + broken, "a.txt = x").finds("must link.missing history/a.html"),
                Scene.of("version control", ".git/config = [core]", ".git/objects/aa/bb = x", "a.txt = x").clean("package.junk .git"),
                Scene.of("a hidden file stays", ".notes.html" + broken, "a.txt = x").finds("must link.missing .notes.html"),
                Scene.of("packages beside their manifest", "site/package.json = {\"dependencies\": {}}",
                        "site/node_modules/x/a.html" + broken, "site/a.txt = x").clean("package.junk site/node_modules"),
                Scene.of("packages of another manager", "composer.json = {\"require\": {}}", "vendor/x/a.html" + broken)
                        .clean("package.junk vendor"),
                Scene.of("a folder of that name without a manifest", "vendor/x/a.html" + broken)
                        .finds("must link.missing vendor/x/a.html"),
                Scene.of("an environment that says so", "env/pyvenv.cfg = home = /usr/bin", "env/lib/a.html" + broken, "a.txt = x")
                        .clean("package.junk env"),
                Scene.of("compiled programs", "tools/__pycache__/a.cpython-311.pyc = x", "tools/a.py = x")
                        .clean("package.junk tools/__pycache__"),
                Scene.of("a cache that says so", "tmp/CACHEDIR.TAG = Signature: 8a477f597d28d172789f06886806bc55", "tmp/a.html" + broken,
                        "a.txt = x").clean("package.junk tmp"),
                Scene.of("a hidden folder that is planned", ".look/a.html" + broken)
                        .kit("\"folders\": [{\"path\": \".look\", \"need\": \"required\"}]").finds("must link.missing .look/a.html"),
                Scene.of("links into what is set aside still open", PAGE.formatted("<img src=node_modules/x/a.png>"),
                        "package.json = {\"dependencies\": {}}", "node_modules/x/a.png = x").clean());
    }

    static Stream<Arguments> sites() {
        return Stream.of(
                Scene.of("a site in one folder", "web/index.html = <a href=/img/a.png>x</a>", "web/img/a.png = x", "a.txt = x")
                        .finds("should link.web-root web/index.html"),
                Scene.of("a site in one of two", "web/index.html = <a href=/img/a.png>x</a>", "web/img/a.png = x", "old/img/b.png = y")
                        .finds("should link.web-root web/index.html"),
                Scene.of("a site that two folders may be", "web/index.html = <a href=/img/a.png>x</a>", "web/img/a.png = x",
                        "old/img/a.png = y").finds("should link.web-root web/index.html"),
                Scene.of("a site in none of two", "pages/index.html = <a href=/img/a.png>x</a>", "web/img/a.png = x", "old/img/a.png = y")
                        .finds("must link.moved pages/index.html"),
                Scene.of("the root comes first", "index.html = <a href=/img/a.png>x</a>", "img/a.png = x", "old/img/a.png = y")
                        .finds("should link.web-root index.html"),
                Scene.of("nowhere", "web/index.html = <a href=/img/a.png>x</a>", "a.txt = x").finds("must link.missing web/index.html"),
                Scene.of("a page of a kit for a template", PAGE.formatted("<img src=\"{{ image }}\"><img src=\"{% url 'a' %}/b.png\">"
                        + "<img src=\"<%= x %>\"><img src=\"%logo%\"><img src=\"${base}/a.png\"><img src=\"#{base}/a.png\">"
                        + "<img src=\"[logo]\"><a href=\"../[slug]/a.html\">x</a><img src=\"img/{{name}}.png\">"))
                        .clean("link.unknown index.html"),
                Scene.of("a part with quotation marks in it", "index.html = <link rel=stylesheet href=\"{{ pathto(\"_static/a.css\") }}\">")
                        .clean("link.unknown index.html"),
                Scene.of("a page with a base", "a/b/index.html = <base href=\"../../../\"><img src=\"../x/c.png\">", "a/x/c.png = x")
                        .finds("must link.outside a/b/index.html"),
                Scene.of("brackets that are a name", PAGE.formatted("<img src=\"a[1].png\">")).finds("must link.missing index.html"));
    }

    static Stream<Arguments> versions() {
        String gone = " = <!DOCTYPE html><img src=gone.png>";
        String kit = "\"folders\": [{\"path\": \"edit\"}], \"documents\": [{\"role\": \"Page\", \"in\": \"edit\", \"name\": \"page_v{version:2}\", \"types\": [\"html\"]}]";
        return Stream.of(
                Scene.of("an older version of a rule", "edit/page_v01.html" + gone, "edit/page_v02.html = <p>x").kit(kit)
                        .clean("link.older edit/page_v01.html"),
                Scene.of("the newest", "edit/page_v01.html = <p>x", "edit/page_v02.html" + gone).kit(kit)
                        .finds("must link.missing edit/page_v02.html"),
                Scene.of("both", "edit/page_v01.html" + gone, "edit/page_v02.html" + gone).kit(kit)
                        .finds("must link.missing edit/page_v02.html"),
                Scene.of("versions by name alone", "cut_v1.html" + gone, "cut_v2.html = <p>x").clean("link.older cut_v1.html"),
                Scene.of("older versions that open", "cut_v1.html = <a href=https://x.example>x</a>", "cut_v2.html = <p>x")
                        .clean("link.remote cut_v1.html"),
                Scene.of("numbered parts are no versions", "part 1.html" + gone, "part 2.html = <p>x")
                        .finds("must link.missing part 1.html"),
                Scene.of("dated versions", "plan_2026-10-01.html" + gone, "plan_2026-11-01.html = <p>x")
                        .clean("link.older plan_2026-10-01.html"));
    }

    static Stream<Arguments> empty() {
        return Stream.of(
                Scene.of("text and code", "notes.txt = ", "a/__init__.py = ", "style/extra.css = ", "a/.keep = ").clean(),
                Scene.of("a module that is imported", "app.js = import './types.js';", "types.js = ").clean(),
                Scene.of("a picture", "a.png = ").finds("must asset.empty a.png"),
                Scene.of("a linked style sheet", "index.html = <link rel=stylesheet href=a.css>", "a.css = ")
                        .finds("must asset.empty a.css"),
                Scene.of("a text that a rule asks for", "a.txt = ").kit(
                        "\"files\": [{\"role\": \"Notes\", \"in\": \"\", \"name\": \"a\", \"types\": [\"txt\"], \"need\": \"required\"}]")
                        .finds("must asset.empty a.txt"));
    }

    static Stream<Arguments> alternatives() {
        return Stream.of(
                Scene.of("font sources",
                        "a.css = @font-face { font-family: x; src: url(a.woff2) format('woff2'), url(a.woff) format('woff') }",
                        "a.woff2 = x").clean("link.missing a.css"),
                Scene.of("no font source", "a.css = @font-face { font-family: x; src: url(a.woff2), url(a.woff) }")
                        .finds("must link.missing a.css", "must link.missing a.css"),
                Scene.of("picture sources", PAGE.formatted("<picture><source srcset=a.avif><img src=a.png></picture>"), "a.png = x")
                        .clean("link.missing index.html"),
                Scene.of("film sources", PAGE.formatted("<video><source src=a.webm><source src=a.mp4></video>"), "a.mp4 = x")
                        .clean("link.missing index.html"),
                Scene.of("two pictures are no alternatives", PAGE.formatted("<img src=a.png><img src=b.png>"), "a.png = x")
                        .finds("must link.missing index.html"),
                Scene.of("a clip's other reference",
                        "a.otio = {\"OTIO_SCHEMA\": \"Timeline.1\", \"tracks\": [{\"OTIO_SCHEMA\": \"Clip.2\", \"active_media_reference_key\": \"DEFAULT_MEDIA\", \"media_references\": {"
                                + "\"DEFAULT_MEDIA\": {\"OTIO_SCHEMA\": \"ExternalReference.1\", \"target_url\": \"a.mp4\"}, \"proxy\": {\"OTIO_SCHEMA\": \"ExternalReference.1\", \"target_url\": \"p.mp4\"}}}]}",
                        "a.mp4 = x").clean("link.missing a.otio"),
                Scene.of("a clip's own reference",
                        "a.otio = {\"OTIO_SCHEMA\": \"Timeline.1\", \"tracks\": [{\"OTIO_SCHEMA\": \"Clip.2\", \"active_media_reference_key\": \"DEFAULT_MEDIA\", \"media_references\": {"
                                + "\"DEFAULT_MEDIA\": {\"OTIO_SCHEMA\": \"ExternalReference.1\", \"target_url\": \"a.mp4\"}, \"proxy\": {\"OTIO_SCHEMA\": \"ExternalReference.1\", \"target_url\": \"p.mp4\"}}}]}",
                        "p.mp4 = x").finds("must link.missing a.otio"));
    }

    static Stream<Arguments> names() {
        return Stream.of(
                Scene.of("a clip of which there are several",
                        "cut.edl = TITLE: X\n001  AX V C 00:00:00:00 00:00:01:00 00:00:00:00 00:00:01:00\n* FROM CLIP NAME: twice.mov",
                        "f/twice.mov = x", "g/twice.mov = y").clean(),
                Scene.of("a clip of which there is none",
                        "cut.edl = TITLE: X\n001  AX V C 00:00:00:00 00:00:01:00 00:00:00:00 00:00:01:00\n* FROM CLIP NAME: none.mov",
                        "f/a.mov = x")
                        .finds("must link.missing cut.edl"),
                Scene.of("a template of a text",
                        "a.fodt = <office:document xmlns:office=\"urn:oasis:names:tc:opendocument:xmlns:office:1.0\" xmlns:meta=\"urn:oasis:names:tc:opendocument:xmlns:meta:1.0\" xmlns:xlink=\"http://www.w3.org/1999/xlink\"><office:meta><meta:template xlink:href=\"/usr/lib/t.ott\"/></office:meta></office:document>")
                        .clean(),
                Scene.of("what follows a map's name",
                        "a.mtl = newmtl a\nmap_Kd wood.png # the old one\nmap_Bump -bm 0.4 -texopt x wood.png\nmap_Ks wood.png -clamp on",
                        "wood.png = x").clean(),
                Scene.of("a name with a mark", "a.mtl = newmtl a\nmap_Kd wood #2.png", "wood #2.png = x").clean(),
                Scene.of("an inner prefix replaces the outer",
                        "a.sfz = <control> default_path=../outer/\n<global>\n<region> sample=a.wav\n<control> default_path=inner/\n<region> sample=b.wav",
                        "inner/b.wav = x", "../outer/a.wav".replace("../", "") + " = x").finds("must link.outside a.sfz"));
    }

    static Stream<Arguments> codePages() {
        return Stream.of(
                Scene.of("umlauts of western Windows", "Fotos/Tür.jpg = x", "a.html = <img src=\"Fotos/Tür.jpg\">").zipped("windows-1252")
                        .clean(),
                Scene.of("umlauts of western DOS", "Fotos/Tür.jpg = x", "a.html = <img src=\"Fotos/Tür.jpg\">").zipped("IBM850").clean(),
                Scene.of("Polish", "Zdjęcia/Łódź.jpg = x", "a.html = <img src=\"Zdjęcia/Łódź.jpg\">").zipped("windows-1250").clean(),
                Scene.of("Russian", "Фото/Дверь.jpg = x", "a.html = <meta charset=utf-8><img src=\"Фото/Дверь.jpg\">").zipped("IBM866")
                        .clean(),
                Scene.of("Russian without a link", "Фото/Дверь.jpg = x", "a.txt = x").zipped("IBM866").clean(),
                Scene.of("Japanese", "写真/店.jpg = x", "a.html = <meta charset=utf-8><img src=\"写真/店.jpg\">").zipped("windows-31j").clean(),
                Scene.of("Chinese", "照片/门.jpg = x", "a.html = <meta charset=utf-8><img src=\"照片/门.jpg\">").zipped("GBK").clean(),
                Scene.of("a broken link all the same", "Fotos/Tür.jpg = x", "a.html = <meta charset=utf-8><img src=\"Fotos/Tor.jpg\">")
                        .zipped("windows-1252")
                        .finds("must link.missing a.html"));
    }

    static Stream<Arguments> standIns() {
        return Stream.of(
                Scene.of("a hidden file with one more ending", "a.html = <video src=clip.mp4>", ".clip.mp4.cloudy = x")
                        .finds("must package.placeholder .clip.mp4.cloudy"),
                Scene.of("beside the file itself", "a.html = <video src=clip.mp4>", "clip.mp4 = x", ".clip.mp4.cloudy = x").clean(),
                Scene.of("settings of editors", ".eslintrc.json = {}", ".a.b.yml = x", "a.txt = x").clean(),
                Scene.of("an address instead of a film", "a.html = <video src=clip.mp4>", "clip.mp4 = https://drive.example/clip.mp4\n")
                        .finds("must package.shortcut clip.mp4"),
                Scene.of("a path instead of a film", "clip.mp4 = ../../shared/clip.mp4").finds("must package.shortcut clip.mp4"),
                Scene.of("a property list of an address",
                        "clip.webloc = <?xml version=\"1.0\"?><plist version=\"1.0\"><dict><key>URL</key><string>https://x.example/a</string></dict></plist>")
                        .finds("must package.shortcut clip.webloc"),
                Scene.of("the same under another ending",
                        "clip.mov = <?xml version=\"1.0\"?><!DOCTYPE plist PUBLIC \"-//X//DTD PLIST 1.0//EN\" \"http://x.example/p.dtd\"><plist version=\"1.0\"><dict><key>URL</key><string>https://x.example/a</string></dict></plist>")
                        .finds("must package.shortcut clip.mov"),
                Scene.of("an internet shortcut", "clip.url = [InternetShortcut]\r\nURL=https://x.example/a\r\n")
                        .finds("must package.shortcut clip.url"),
                Scene.of("a document that lies elsewhere",
                        "board.gsheetlike = {\"url\": \"https://x.example/a\", \"doc_id\": \"1\", \"email\": \"a@x.example\"}")
                        .finds("must package.shortcut board.gsheetlike"),
                Scene.of("a film's address in a text", "film.txt = https://x.example/film\n").finds("must package.shortcut film.txt"),
                Scene.of("notes with an address", "sources.txt = The sound is from https://x.example/a\n").clean(),
                Scene.of("a date with slashes", "when.txt = 28/11.2026", "parts.txt = and/or.not").clean(),
                Scene.of("several addresses", "sources.txt = https://x.example/a\nhttps://x.example/b\n").clean(),
                Scene.of("a list of one film", "a.m3u = clip.mp4", "clip.mp4 = x").clean(),
                Scene.of("a package's manifest", "package.json = {\"name\": \"x\", \"homepage\": \"https://x.example\"}").clean(),
                Scene.of("a number", "VERSION = 1.0.2\n", "b/CNAME = x.example\n").clean());
    }

    static Stream<Arguments> guesses() {
        String absolute = "\"F:\\\\takes\\\\lamp.mov\"";
        return Stream.of(
                Scene.of("an absolute path", "cut.prj = {\"file\": " + absolute + "}").finds("should link.outside cut.prj"),
                Scene.of("in a map to sources", "cut.js.map = {\"version\": 3, \"sources\": [" + absolute + "], \"mappings\": \"\"}")
                        .clean(),
                Scene.of("in a map under another name", "cut.prj = {\"version\": 3, \"sources\": [" + absolute + "], \"mappings\": \"\"}")
                        .clean(),
                Scene.of("in its history", "cut.prj = {\"history\": [{\"saved\": " + absolute + "}]}").clean(),
                Scene.of("in what it was derived from", "cut.prj = <a><derivedFrom><file>F:/takes/lamp.mov</file></derivedFrom></a>")
                        .clean(),
                Scene.of("in a comment", "cut.prj = map = none\n# was F:/takes/lamp.mov before\n").clean(),
                Scene.of("in a line of its own", "cut.prj = map = F:/takes/lamp.mov\n").finds("should link.outside cut.prj"),
                Scene.of("in a backup copy", "cut.prj.bak = map = F:/takes/lamp.mov", "cut.prj~ = map = F:/takes/lamp.mov",
                        "cut.prj1 = map = F:/takes/lamp.mov",
                        "backup/cut.prj = map = F:/takes/lamp.mov").clean(),
                Scene.of("in a lock", "cut.prj.lock = map = F:/takes/lamp.mov").clean(),
                Scene.of("in a cache", "cache/cut.dat = map = F:/takes/lamp.mov").clean(),
                Scene.of("beside its relative twin", "cut.prj = <c abs=\"F:/takes/lamp.mov\" rel=\"takes/lamp.mov\"/>",
                        "takes/lamp.mov = x").clean(),
                Scene.of("a title", "cut.prj = {\"title\": \"lamp.mov\", \"src\": \"takes/tea.mov\"}", "takes/tea.mov = x").clean(),
                Scene.of("the same as a source", "cut.prj = {\"source\": \"lamp.mov\", \"src\": \"takes/tea.mov\"}", "takes/tea.mov = x")
                        .finds("should link.missing cut.prj"),
                Scene.of("names alone, none of which is there", "cut.prj = {\"a\": \"lamp.mov\", \"b\": \"tea.mov\"}")
                        .clean("link.missing cut.prj"),
                Scene.of("a numbered set", "cut.prj = {\"a\": \"shots/shot.####.png\"}", "shots/shot.0001.png = x",
                        "shots/shot.0002.png = y").clean(),
                Scene.of("from a folder above", "levels/one/a.lvl = tex = \"images/lamp.png\"", "images/lamp.png = x").clean(),
                Scene.of("from a folder nobody knows", "levels/a.lvl = tex = \"images/lamp.png\"", "data/images/lamp.png = x").clean(),
                Scene.of("backslashes", "levels/a.lvl = tex = \"images\\\\lamp.png\"", "levels/images/lamp.png = x").clean(),
                Scene.of("something escaped", "a.tmac = \\\\def\\\\enspace{\\\\kern.5em}").clean(),
                Scene.of("an example for people", "a.page = <page><p>Open <file>/home/jim/cv.pdf</file></p></page>").clean());
    }

    static Stream<Arguments> nothingOverlooked() {
        String map = "<?xml version=\"1.0\"?><kml xmlns=\"http://www.opengis.net/kml/2.2\"><Document><Placemark><description><![CDATA[<img src=\"b.png\">]]></description><Style><IconStyle><Icon><href>%s</href></Icon></IconStyle></Style></Placemark></Document></kml>";
        return Stream.of(
                Scene.of("a set under other capitals", "t.mtl = newmtl a\nmap_Kd s/shot.####.png", "s/Shot.0001.png = x",
                        "s/Shot.0002.png = y")
                        .finds("should link.misspelt t.mtl"),
                Scene.of("a drive behind a slash", PAGE.formatted("<img src=\"/C:/x/a.png\">")).finds("must link.outside index.html"),
                Scene.of("encoded twice", PAGE.formatted("<img src=\"a%2520b.png\">"), "a b.png = x")
                        .finds("should link.misspelt index.html"),
                Scene.of("through a folder's shortcut", PAGE.formatted("<img src=\"takes/a.png\"><img src=\"takes/b.png\">"),
                        "takes.lnk = x")
                        .finds("must package.shortcut takes.lnk"),
                Scene.of("frames", "index.html = <frameset><frame src=a.html><frame src=b.html></frameset>", "a.html = <p>")
                        .finds("must link.missing index.html"),
                Scene.of("behind a page", "index.html = <body background=a.png><table background=b.png></table>", "a.png = x")
                        .finds("must link.missing index.html"),
                Scene.of("a small picture first", PAGE.formatted("<img src=a.png lowsrc=b.png>"), "a.png = x")
                        .finds("must link.missing index.html"),
                Scene.of("an object's parameter", PAGE.formatted("<object><param name=movie value=a.mp4></object>"))
                        .finds("must link.missing index.html"),
                Scene.of("a parameter that names no file", PAGE.formatted("<object><param name=quality value=high></object>")).clean(),
                Scene.of("a button's picture", PAGE.formatted("<input type=image src=a.png>")).finds("must link.missing index.html"),
                Scene.of("a drawing's filter, cursor and mask",
                        "a.svg = <svg xmlns='http://www.w3.org/2000/svg'><filter><feImage href='a.png'/></filter><g style='cursor: url(b.cur)' mask='url(c.svg#m)'/></svg>",
                        "a.png = x")
                        .finds("must link.missing a.svg", "must link.missing a.svg"),
                Scene.of("a module",
                        "app.js = import { a } from './lib/a.js';\nimport './style';\nconst b = await import('./b');\nimport x from 'left';",
                        "lib/a.js = x", "style.css = x", "b/index.js = x").clean(),
                Scene.of("a module that is not there", "app.js = import { a } from './lib/a.js';\nimport { b } from './lib/b.js';",
                        "lib/a.js = x")
                        .finds("should link.missing app.js"),
                Scene.of("a picture in a script",
                        "app.js = import './a.js';\nimg.src = 'img/lamp.png'; // not 'img/none.png'\nconst r = /['\"]/; x = \"img/tea.png\";",
                        "a.js = x", "img/lamp.png = x").clean("link.missing app.js"),
                Scene.of("a worker in a page", "index.html = <script type=module>import './a.js'; new Worker('work.js')</script>",
                        "a.js = x")
                        .clean("link.missing index.html"),
                Scene.of("data in a page", "index.html = <script type='application/json'>{\"a\": \"gone.png\"}</script>").clean(),
                Scene.of("an application's icons",
                        "site.webmanifest = {\"name\": \"x\", \"icons\": [{\"src\": \"a.png\"}, {\"src\": \"b.png\"}]}", "a.png = x")
                        .finds("must link.missing site.webmanifest"),
                Scene.of("another JSON with icons", "data.json = {\"icons\": [{\"src\": \"gone.png\"}]}").clean("link.missing data.json"),
                Scene.of("a map", "a.kml = " + map.formatted("icons/a.png"), "icons/a.png = x", "b.png = y").clean(),
                Scene.of("a map without its icon", "a.kml = " + map.formatted("icons/a.png"), "b.png = y").finds("must link.missing a.kml"),
                Scene.of("a text and its parts",
                        "main.tex = \\documentclass{article}\n\\graphicspath{{img/}}\n\\input{parts/one}\n\\includegraphics[width=3cm]{lamp}\n%\\includegraphics{none}\n\\bibliography{refs}",
                        "parts/one.tex = \\includegraphics{img/tea.png}", "img/lamp.pdf = x", "img/tea.png = x", "refs.bib = x").clean(),
                Scene.of("a text without a part", "main.tex = \\input{parts/two}", "parts/one.tex = x").finds("must link.missing main.tex"),
                Scene.of("parts of an instrument", "a.sfz = #include \"parts/b.sfz\"", "parts/b.sfz = <region> sample=samples/tea.wav",
                        "samples/tea.wav = x").clean(),
                Scene.of("parts of an instrument whose samples lie elsewhere",
                        "i/a.sfz = <control> default_path=../samples/\n#include \"parts/b.sfz\"", "i/parts/b.sfz = <region> sample=tea.wav",
                        "samples/tea.wav = x").clean(),
                Scene.of("a part that says so itself", "i/a.sfz = <control> default_path=../samples/\n#include \"parts/b.sfz\"",
                        "i/parts/b.sfz = <control> default_path=own/\n<region> sample=tea.wav", "samples/tea.wav = x")
                        .finds("must link.moved i/parts/b.sfz"),
                Scene.of("links between pages", "a.md = [[b]] and [[b|that]] and ![[lamp.png]] and [[not yet]]", "b.md = x",
                        "deep/lamp.png = x").clean(),
                Scene.of("a picture between pages that is not there", "a.md = ![[lamp.png]]", "b.md = x").finds("must link.missing a.md"),
                Scene.of("code in a page", "a.md = `[[x.png]]` and\n\n    [[y.png]]\n").clean(),
                Scene.of("what a page says of itself", "a.md = ---\ntitle: x\nimage: lamp.png\ncover: tea.png\n---\ntext", "lamp.png = x")
                        .finds("should link.missing a.md"),
                Scene.of("parts of a style sheet",
                        "a.scss = @use 'sass:math';\n@use \"parts/colours\";\n@import 'base';\n// don't @import 'none';\na { background: url(img/a.png) }",
                        "parts/_colours.scss = x", "base.scss = x", "img/a.png = x").clean(),
                Scene.of("a part that is not there", "a.scss = @import 'base', 'gone';", "base.scss = x")
                        .finds("should link.missing a.scss"));
    }

    static Stream<Arguments> toldOnce() {
        String four = "edit/index.html = <img src=../takes/a.png><img src=../takes/b.png><img src=../takes/day/c.png><img src=../takes/d.png>";
        return Stream.of(
                Scene.of("a renamed folder without a plan", four, "clips/a.png = 1", "clips/b.png = 2", "clips/day/c.png = 3",
                        "clips/d.png = 4")
                        .finds("must structure.folder-renamed clips"),
                Scene.of("one that moved", four, "old/takes/a.png = 1", "old/takes/b.png = 2", "old/takes/day/c.png = 3",
                        "old/takes/d.png = 4")
                        .finds("must structure.folder-moved old/takes"),
                Scene.of("a folder that has some of the names",
                        PAGE.formatted("<img src=t/a.png><img src=t/b.png><img src=t/c.png><img src=t/d.png>"), "x/a.png = 1",
                        "x/b.png = 2", "x/c.png = 3")
                        .finds("must link.missing index.html", "must link.moved index.html", "must link.moved index.html",
                                "must link.moved index.html"),
                Scene.of("two files that moved", PAGE.formatted("<img src=takes/a.png><img src=takes/b.png>"), "clips/a.png = 1",
                        "clips/b.png = 2")
                        .finds("must link.moved index.html", "must link.moved index.html"),
                Scene.of("files that went several ways", PAGE.formatted("<img src=t/a.png><img src=t/b.png><img src=t/c.png>"),
                        "x/a.png = 1", "y/b.png = 2", "z/c.png = 3")
                        .finds("must link.moved index.html", "must link.moved index.html", "must link.moved index.html"),
                Scene.of("a folder that is right and links to another",
                        PAGE.formatted("<img src=t/a.png><img src=t/b.png><img src=t/c.png><img src=x/a.png>"),
                        "x/a.png = 1", "x/b.png = 2", "x/c.png = 3")
                        .finds("must link.moved index.html", "must link.moved index.html", "must link.moved index.html"),
                Scene.of("sources of an essay",
                        "a.md = See <https://x.example/a> and [b](https://x.example/b) and ![c](https://x.example/c.png)",
                        "b.md = <https://y.example>")
                        .clean("link.remote a.md"),
                Scene.of("pictures of a page from the web", PAGE.formatted("<img src=https://x.example/a.png>"))
                        .clean("link.remote index.html"));
    }

    static Stream<Arguments> places() {
        String two = "<img src='E:\\Work\\a.png'><img src='E:\\Work\\b.png'>";
        return Stream.of(
                Scene.of("a place that the links themselves prove", PAGE.formatted(two), "a.png = 1", "b.png = 2").at("E:\\Work")
                        .finds("must link.pinned index.html", "must link.pinned index.html"),
                Scene.of("a place that nothing proves", PAGE.formatted("<img src=a.png>"), "a.png = 1").at("E:\\Other")
                        .finds("must location.root-name "),
                Scene.of("another place than the links were made in", PAGE.formatted(two), "a.png = 1", "b.png = 2").at("E:\\Other")
                        .finds("must link.pinned index.html", "must link.pinned index.html", "must location.root-name "),
                Scene.of("the template of a document").with("a.docx", docx("attachedTemplate", "file:///C:\\Users\\o\\Brief.dotx")).clean(),
                Scene.of("a picture outside of a document").with("a.docx", docx("image", "file:///C:\\Users\\o\\lamp.png"))
                        .finds("must link.outside a.docx!/word/_rels/document.xml.rels"));
    }

    private static byte[] docx(String type, String target) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
            zip.putNextEntry(new ZipEntry("[Content_Types].xml"));
            zip.write("<Types xmlns=\"http://schemas.openxmlformats.org/package/2006/content-types\"/>".getBytes(StandardCharsets.UTF_8));
            zip.putNextEntry(new ZipEntry("word/_rels/document.xml.rels"));
            zip.write(("<Relationships xmlns=\"http://schemas.openxmlformats.org/package/2006/relationships\"><Relationship Id=\"r1\" "
                    + "Type=\"http://schemas.openxmlformats.org/officeDocument/2006/relationships/" + type + "\" Target=\"" + target
                    + "\" TargetMode=\"External\"/></Relationships>").getBytes(StandardCharsets.UTF_8));
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
        return bytes.toByteArray();
    }

    @ParameterizedTest
    @MethodSource({"setAside", "sites", "versions", "empty", "alternatives", "names", "codePages", "standIns", "guesses",
            "nothingOverlooked", "toldOnce", "places"})
    void isToldAsItIs(Scene scene) throws IOException {
        Report report = scene.check(temp);
        assertThat(scene.told(report)).as("%s", scene).containsExactlyElementsOf(scene.wanted());
    }
}
