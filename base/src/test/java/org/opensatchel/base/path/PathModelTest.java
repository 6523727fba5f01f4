package org.opensatchel.base.path;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Paths inside a project, and the texts that lead from one to another. */
class PathModelTest {

    @ParameterizedTest
    @CsvSource({"a/b.c/lamp.tar.GZ,lamp.tar.GZ,lamp.tar,gz,a/b.c,3", "lamp,lamp,lamp,'','',1", ".hidden,.hidden,.hidden,'','',1",
            "a/.png,.png,.png,'',a,2", "a.b/lamp,lamp,lamp,'',a.b,2", "lamp.,lamp.,lamp,'','',1",
            "x/é.PNG,é.PNG,é,png,x,2"})
    void aPathIsTakenApart(String text, String name, String stem, String extension, String parent, int depth) {
        ProjectPath path = ProjectPath.of(text);
        assertThat(path.name()).isEqualTo(name);
        assertThat(path.stem()).isEqualTo(stem);
        assertThat(path.extension()).isEqualTo(extension);
        assertThat(path.parent().text()).isEqualTo(parent);
        assertThat(path.depth()).isEqualTo(depth).isEqualTo(path.names().size());
        assertThat(ProjectPath.of(path.names())).isEqualTo(path);
    }

    @Test
    void theRootIsItsOwnParentAndHoldsEverything() {
        assertThat(ProjectPath.ROOT.parent()).isEqualTo(ProjectPath.ROOT);
        assertThat(ProjectPath.ROOT.names()).isEmpty();
        assertThat(ProjectPath.of("a/b").isWithin(ProjectPath.ROOT)).isTrue();
        assertThat(ProjectPath.ROOT.isBelow(ProjectPath.ROOT)).isFalse();
    }

    @ParameterizedTest
    @CsvSource({"a/b,a,true", "a,a,true", "ab,a,false", "a,a/b,false", "a-b/c,a,false"})
    void withinGoesByWholeNames(String path, String folder, boolean within) {
        assertThat(ProjectPath.of(path).isWithin(ProjectPath.of(folder))).isEqualTo(within);
        if (within) {
            assertThat(ProjectPath.of(folder).child(ProjectPath.of(path).from(ProjectPath.of(folder)))).isEqualTo(ProjectPath.of(path));
        } else {
            assertThatThrownBy(() -> ProjectPath.of(path).from(ProjectPath.of(folder))).isInstanceOf(IllegalArgumentException.class);
        }
    }

    @ParameterizedTest
    @CsvSource(nullValues = "-", value = {"a/b,../c,a/c", "a/b,../../c,c", "a,../../c,-", "'',..,-", "a/b,c/../d,a/b/d", "a,x/../../y,y"})
    void stepsUpAreWorkedOffAndNeverOverTheTop(String folder, String way, String expected) {
        List<String> from = folder.isEmpty() ? List.of() : Arrays.asList(folder.split("/"));
        assertThat(LinkAddress.resolve(from, Arrays.asList(way.split("/"))).map(names -> String.join("/", names)).orElse(null))
                .isEqualTo(expected);
    }

    @ParameterizedTest
    @CsvSource({"edit/cut.otio,footage/a b.mp4,URI,../footage/a%20b.mp4", "edit/cut.otio,footage/a b.mp4,PLAIN,../footage/a b.mp4",
            "cut.otio,a.mp4,URI,a.mp4", "a/b/c.md,a/b/d.png,WEB,d.png", "a/b/c.md,a/d.png,WEB,../d.png",
            "c.obj,~a.mtl,PLAIN,./~a.mtl", "c.obj,$x.mtl,PLAIN,./$x.mtl", "c.svg,a#b?.png,URI,a%23b%3F.png",
            "c.svg,100%.png,URI,100%25.png", "a/c.svg,a,URI,.", "c.svg,é.png,URI,%C3%A9.png"})
    void aLinkIsMadeRelative(String document, String target, Notation notation, String expected) {
        assertThat(RelativeLink.text(ProjectPath.of(document), ProjectPath.of(target), notation)).isEqualTo(expected);
    }

    /** Any name made into a link leads back to itself. */
    @RepeatedTest(400)
    void aLinkLeadsBack(RepetitionInfo repetition) {
        Random random = new Random(repetition.getCurrentRepetition());
        ProjectPath document = ProjectPath.of(folder(random) + "cut.doc");
        ProjectPath target = ProjectPath.of(folder(random) + name(random));
        Notation notation = random.nextBoolean() ? Notation.URI : Notation.PLAIN;
        String text = RelativeLink.text(document, target, notation);
        LinkAddress address = LinkText.read(text, notation).orElseThrow();
        assertThat(address.form()).as("%s to %s: %s", document, target, text).isEqualTo(LinkForm.RELATIVE);
        assertThat(LinkAddress.resolve(document.parent().names(), address.names()).map(ProjectPath::of))
                .as("%s to %s: %s", document, target, text).contains(target);
    }

    private static String folder(Random random) {
        StringBuilder out = new StringBuilder();
        for (int i = random.nextInt(4); i > 0; i--) {
            out.append(name(random)).append('/');
        }
        return out.toString();
    }

    private static String name(Random random) {
        String[] pieces = {"a", "B", "é", " ", "#", "?", "%", "%41", "&", "'", "+", "~", "$", "x.png", "(", "名", "😀", "-", "_", ";", "=",
                "@"};
        StringBuilder out = new StringBuilder("n");
        for (int i = random.nextInt(6); i > 0; i--) {
            out.append(pieces[random.nextInt(pieces.length)]);
        }
        return random.nextInt(4) == 0 ? out.substring(1).isBlank() ? "n" : out.substring(1).strip() : out.toString();
    }

    @ParameterizedTest
    @CsvSource({"a%20b,a b", "100%,100%", "%4,%4", "%zz,%zz", "%C3%A9,é", "%E9,%E9", "%C3%A9%E9,%C3%A9%E9", "a%2Fb,a/b", "%25,%",
            "%2541,%41"})
    void percentSignsAreUndoneLeniently(String text, String expected) {
        assertThat(PercentCoding.decode(text)).isEqualTo(expected);
    }

    @ParameterizedTest
    @CsvSource({"shot.0001.png,shot.#.png", "s12_003,s#_#", "none,none", "2026,#", "e\u03011,é#"})
    void withoutNumbersNamesOfOneSetAreOne(String name, String expected) {
        assertThat(NameFolding.withoutNumbers(name)).isEqualTo(expected);
    }

    @ParameterizedTest
    @CsvSource({"a/Lamp.PNG,2,lamp.png", "É.png,0,é.png", "x/STRASSE,2,straße", "plain,0,plain", "x/,2,''"})
    void theHashOfWhatIsFoldedIsThatOfTheFoldedName(String text, int from, String same) {
        assertThat(NameFolding.foldedHash(text, from)).isEqualTo(NameFolding.folded(text.substring(from)).hashCode())
                .isEqualTo(NameFolding.folded(same).hashCode());
    }
}
