package org.opensatchel.core.words;

import static org.assertj.core.api.Assertions.assertThat;
import static org.opensatchel.base.fact.FactName.BYTES;
import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.EXPECTED;
import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.LEAST;
import static org.opensatchel.base.fact.FactName.MACHINES;
import static org.opensatchel.base.fact.FactName.MORE;
import static org.opensatchel.base.fact.FactName.MOST_BYTES;
import static org.opensatchel.base.fact.FactName.OTHERS;
import static org.opensatchel.base.fact.FactName.PURPOSE;
import static org.opensatchel.base.fact.FactName.TEXT;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.report.FindingGroups;
import org.opensatchel.core.report.Report.FindingLine;

/**
 * Sentences made from facts: names set apart, numbers and lists as each language writes them, nothing taken for a pattern that came from a
 * student.
 */
class WordsTest {

    private static final Words GERMAN = Words.in(Locale.GERMAN);

    private static Finding missing(String purpose) {
        return Finding.of(Code.STRUCTURE_FOLDER_MISSING).path(ProjectPath.of("sound")).fact(PURPOSE, Optional.ofNullable(purpose)).make();
    }

    @Test
    void aFactThatIsAbsentLeavesNoTrace() {
        assertThat(Words.ENGLISH.of(missing(null)).message()).hasToString("The folder “sound” is missing.");
        assertThat(Words.ENGLISH.of(missing("Music")).message()).hasToString("The folder “sound” is missing (Music).");
        assertThat(GERMAN.of(missing("Musik")).message().toString()).contains("„sound“", "(Musik)");
    }

    /** What looks like a hole, a choice or a quotation in a name is a name. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '`', value = {"{count}", "a '{0}' b", "it's {x, plural, other {#}}", "“quoted” ”", "{{{",
            "#", "\u0001\u0002", "''"})
    void aNameIsNeverAPattern(String name) {
        Sentence said = Words.ENGLISH.of(Finding.of(Code.STRUCTURE_FOLDER_RENAMED).path(ProjectPath.of("x")).fact(EXPECTED, name).make())
                .message();
        assertThat(said.pieces()).filteredOn(Sentence.Piece::isName).extracting(Sentence.Piece::text).containsExactly("x", name);
    }

    @Test
    void numbersAndSizesAreWrittenAsTheLanguageDoes() {
        Facts facts = Facts.of(BYTES, 5_368_709_120L).and(MOST_BYTES, 1_500L);
        Finding large = Finding.of(Code.ASSET_TOO_LARGE).path(ProjectPath.of("a.mov")).facts(facts).make();
        assertThat(Words.ENGLISH.of(large).message().toString()).contains("5.4 GB");
        assertThat(GERMAN.of(large).message().toString()).contains("5,4 GB");
        Finding few = Finding.of(Code.STRUCTURE_TOO_FEW).path(ProjectPath.of("a")).fact(FOUND, "a").fact(COUNT, 1).fact(LEAST, 12_345)
                .make();
        assertThat(Words.ENGLISH.of(few).message().toString()).contains("12,345");
        assertThat(GERMAN.of(few).message().toString()).contains("12.345");
    }

    @Test
    void listsEndWithTheLanguagesAnd() {
        Finding clash = Finding.of(Code.NAME_CASE_CLASH).path(ProjectPath.of("b")).fact(OTHERS, List.of("B", "b")).make();
        assertThat(Words.ENGLISH.of(clash).message().toString()).contains("“B” and “b”");
        assertThat(GERMAN.of(clash).message().toString()).contains("„B“ und „b“");
        Finding misspelt = Finding.of(Code.LINK_WEB_ROOT).path(ProjectPath.of("i.html")).fact(MACHINES, List.of("Lab", "Render node"))
                .make();
        assertThat(Words.ENGLISH.of(misspelt).why().toString()).contains("Lab and Render computer");
        assertThat(Words.ENGLISH.list(List.of("a", "b", "c"))).isEqualTo("a, b, and c");
        assertThat(GERMAN.list(List.of("a", "b", "c"))).isEqualTo("a, b und c");
    }

    @Test
    void ofVeryManyNamesAFewAreSaidAndTheRestCounted() {
        Finding clash = Finding.of(Code.ASSET_DUPLICATE).path(ProjectPath.of("b"))
                .fact(OTHERS, IntStream.range(0, 400).mapToObj(i -> "copy" + i).toList()).make();
        String said = Words.ENGLISH.of(clash).message().toString();
        assertThat(said).contains("copy0", "more").hasSizeLessThan(1_000);
    }

    @Test
    void whatStandsForMoreOfItsKindSaysHowMany() {
        assertThat(Words.ENGLISH.of(missing(null).andMore(7)).message().toString()).contains("7");
        assertThat(Words.ENGLISH.of(missing(null).andMore(7)).title()).isEqualTo(Words.ENGLISH.title(Code.STRUCTURE_FOLDER_MISSING));
    }

    @Test
    void theSentenceAloneIsTheOneThatStandsAboveWhyAndHow() {
        List<Facts> told = List.of(Facts.NONE, Facts.of(TEXT, "../a.wav"), Facts.of(MORE, 12));
        for (Code code : Code.values()) {
            for (Facts facts : told) {
                for (double sure : new double[]{0.3, 1}) {
                    FindingLine line = new FindingLine(code.id(), "must", "edit/cut.otio", Optional.of("12"), "said", "why", List.of(),
                            Optional.of(sure), Optional.empty(), Optional.empty(), Optional.of(facts));
                    assertThat(GERMAN.message(line)).as("%s %s", code, facts).hasToString(GERMAN.of(line).message().toString());
                }
            }
        }
        FindingLine later = new FindingLine("later.version", "must", "a", Optional.empty(), "as it was said", "why", List.of(),
                Optional.empty(), Optional.empty(), Optional.empty(), Optional.of(Facts.NONE));
        assertThat(GERMAN.message(later)).hasToString("as it was said");
    }

    @Test
    void oneAndManyHaveHeadingsOfTheirOwn() {
        FindingLine one = line("sound");
        FindingLine two = line("edit");
        assertThat(Words.ENGLISH.heading(new FindingGroups.Group(one.code(), "must", List.of(one), 0)))
                .hasToString("A planned folder is missing");
        assertThat(Words.ENGLISH.heading(new FindingGroups.Group(one.code(), "must", List.of(one, two), 0)))
                .hasToString("2 planned folders are missing");
        assertThat(Words.ENGLISH.heading(new FindingGroups.Group(one.code(), "must", List.of(one, two), 98)))
                .hasToString("100 planned folders are missing");
    }

    private static FindingLine line(String path) {
        return new FindingLine("structure.folder-missing", "must", path, Optional.empty(), "as it was said", "as it was explained",
                List.of("as it was mended"), Optional.empty(), Optional.empty(), Optional.empty(), Optional.of(Facts.NONE));
    }

    /** A report from before there were facts, or from a later version, says what it came with. */
    @Test
    void aReportWithoutFactsKeepsItsSentences() {
        FindingLine old = new FindingLine("structure.folder-missing", "must", "sound", Optional.empty(), "as it was said",
                "as it was explained", List.of("as it was mended"), Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty());
        Said said = GERMAN.of(old);
        assertThat(said.message()).hasToString("as it was said");
        assertThat(said.title()).isEqualTo(GERMAN.title(Code.STRUCTURE_FOLDER_MISSING));
        FindingLine later = new FindingLine("structure.of-tomorrow", "must", "sound", Optional.empty(), "as it was said", "", List.of(),
                Optional.empty(), Optional.empty(), Optional.empty(), Optional.of(Facts.of(MORE, 0)));
        assertThat(GERMAN.of(later).message()).hasToString("as it was said");
        assertThat(GERMAN.text(new Phrase("nothing.like-it", Facts.NONE))).isEqualTo("nothing.like-it");
    }

    @Test
    void theLanguageNearestToTheOneAskedForIsTaken() {
        assertThat(Words.in(Locale.forLanguageTag("de-AT")).locale()).isEqualTo(Locale.GERMAN);
        assertThat(Words.in(Locale.FRENCH)).isSameAs(Words.ENGLISH);
        assertThat(Words.languages()).contains(Locale.ENGLISH, Locale.GERMAN);
    }

    @Test
    void aSentenceOfAReportIsBounded() {
        Sentence said = Words.ENGLISH
                .of(Finding.of(Code.STRUCTURE_FOLDER_RENAMED).path(ProjectPath.of("x")).fact(EXPECTED, "y".repeat(5_000)).make()).message();
        assertThat(said.bounded()).hasSize(Sentence.MOST).endsWith("…");
        assertThat(Sentence.words("élan").begun()).hasToString("Élan");
        assertThat(Sentence.words("").begun().isEmpty()).isTrue();
    }

    /** Places in the words of who made the document; what has no word stays as it is. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
            "cut.otio | /tracks/children/0/children/3/media_reference/target_url | track 1, clip 4",
            "cut.otioz!/content.otio | /tracks/children/2/children/0/media_reference/target_url | track 3, clip 1",
            "deck.pptx!/ppt/slides/_rels/slide7.xml.rels | /Relationships[1]/Relationship[3]/@Target | slide 7",
            "notes.docx!/word/_rels/document.xml.rels | /Relationships[1]/Relationship[3]/@Target | in the text",
            "sums.xlsx!/xl/worksheets/_rels/sheet2.xml.rels | /Relationships[1]/Relationship[1]/@Target | sheet 2",
            "sums.ods!/content.xml | /office:document-content[1]/office:body[1]/office:spreadsheet[1]/table:table[2]/table:table-row[5]/table:table-cell[28]/text:p[1]/text:a[1]/@xlink:href | sheet 2, cell AB5",
            "deck.odp!/content.xml | /office:document-content[1]/office:body[1]/office:presentation[1]/draw:page[4]/draw:frame[1]/draw:image[1]/@xlink:href | slide 4",
            "poster.pdf | page 3 | page 3",
            "walk.svg | /svg[1]/g[2]/image[5]/@href | image 5",
            "pot.gltf | /images/3/uri | images 4",
            "page.html | 12:5 | 12:5",
            "cut.prj | byte 4096 | byte 4096"})
    void placesAreSaidAsTheirMakersWould(String document, String at, String said) {
        assertThat(Words.ENGLISH.place(document, at)).isEqualTo(said);
    }
}
