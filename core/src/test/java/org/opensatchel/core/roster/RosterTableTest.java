package org.opensatchel.core.roster;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.opensatchel.core.words.Words;

/** Tables as they really come: with titles, gaps, any separator and heading, as workbooks; good rows are read and the others set apart. */
class RosterTableTest {

    @TempDir
    Path temp;

    private static RosterReading read(String table) {
        return RosterTable.read(table.replace("~", "\n").getBytes(StandardCharsets.UTF_8), RosterChoice.NONE);
    }

    private static String told(RosterReading reading) {
        return reading.lines().stream()
                .map(line -> line.row() + " " + String.join("/", line.last(), line.first(), line.id(), line.section(), line.email()))
                .collect(Collectors.joining("; "));
    }

    @ParameterizedTest
    @CsvSource(delimiterString = "=>", quoteCharacter = '`', textBlock = """
            Class list MOV 120~~Last name;First name;Number~Marsh;Ottoline;261000                => 4 Marsh/Ottoline/261000//
            sep=;~Last name;First name~Marsh, the elder;Ottoline                                 => 3 Marsh, the elder/Ottoline///
            sep=|~Last name|First name~Marsh|Ottoline                                            => 3 Marsh/Ottoline///
            Last name|First name|ID~Marsh|Ottoline|7                                             => 2 Marsh/Ottoline/7//
            Student	ID~Marsh, Ottoline	7~Rudge, Barnaby	8                                     => 2 Marsh/Ottoline/7//; 3 Rudge/Barnaby/8//
            Name~Marsh, Ottoline~Rudge, Barnaby                                                  => 2 Marsh/Ottoline///; 3 Rudge/Barnaby///
            ID,Name~7,Marsh, Ottoline~8,Rudge, Barnaby                                           => 2 Marsh/Ottoline/7//; 3 Rudge/Barnaby/8//
            Name~Jan van der Berg~Vida de la Cruz~Tamsin                                         => 2 van der Berg/Jan///; 3 de la Cruz/Vida///; 4 Tamsin////
            Name;Vorname;Matrikelnr.~Größe;Änne;7                                                => 2 Größe/Änne/7//
            Nom,Prénom,Groupe~Lafèche,Zoë,2                                                      => 2 Lafèche/Zoë//2/
            Apellidos,Nombre~Ortega Ruiz,Inés                                                    => 2 Ortega Ruiz/Inés///
            Last name,First name~"Marsh","Ottoline ""Otto""\"~"Rudge" jr,Barnaby                  => 2 Marsh/Ottoline "Otto"///; 3 Rudge jr/Barnaby///
            Last name,First name,ID~Marsh,Ottoline,7~Last name,First name,ID~Rudge,Barnaby,8     => 2 Marsh/Ottoline/7//; 4 Rudge/Barnaby/8//
            First name~Tamsin                                                                    => 2 Tamsin////
            <table><tr><td>Title</td></tr></table><table><tr><th>Last name</th><th>First name</th></tr><tr><td>Marsh</td><td>Ottoline</td></tr></table> => 2 Marsh/Ottoline///
            """)
    void tablesAreReadAsTheyCome(String table, String lines) {
        RosterReading reading = read(table);
        assertThat(reading.faults()).isEmpty();
        assertThat(told(reading)).isEqualTo(lines);
    }

    @Test
    void badRowsAreSetApartAndTheOthersAreRead() {
        RosterReading reading = read("Last,First,ID~Marsh,Ottoline,1~,,2~Rudge,Barnaby,1~Marsh,Odile,3~Fa\u0007ir,Juno,4");
        assertThat(told(reading)).isEqualTo("2 Marsh/Ottoline/1//; 5 Marsh/Odile/3//");
        assertThat(reading.faults()).extracting(fault -> Words.ENGLISH.text(fault.said())).containsExactly(
                "row 3, column “Last”: There is no name in this row.",
                "row 4, column “ID”: The student number “1” stands in row 2 already.",
                "row 6: The last name holds a character that cannot be seen (U+0007).");
        assertThat(reading.aside()).extracting(RosterLine::listed).containsExactly("Rudge, Barnaby", "Fa\u0007ir, Juno");
    }

    @Test
    void whatIsSaidTwiceCountsOnce() {
        RosterReading reading = read("Last,First,ID~Marsh,Ottoline,1~Rudge,Barnaby,~Marsh,Ottoline,1~Rudge,Barnaby,");
        assertThat(told(reading)).isEqualTo("2 Marsh/Ottoline/1//; 3 Rudge/Barnaby///");
        assertThat(reading.faults()).isEmpty();
        assertThat(reading.repeats()).extracting(repeat -> repeat.line().row() + "=" + repeat.before()).containsExactly("4=2", "5=3");
    }

    @Test
    void columnsAreChosenWhereTheirHeadingsSayNothing() {
        String table = "Kood,Perenimi,Eesnimi\n7,Marsh,Ottoline";
        RosterReading first = read(table);
        assertThat(first.isGood()).isFalse();
        assertThat(first.columns()).extracting(RosterReading.Column::heading).containsExactly("Kood", "Perenimi", "Eesnimi");
        assertThat(first.columns().get(1).examples()).containsExactly("Marsh");
        Map<Integer, RosterColumn> columns = Map.of(0, RosterColumn.ID, 1, RosterColumn.LAST, 2, RosterColumn.FIRST);
        byte[] bytes = table.getBytes(StandardCharsets.UTF_8);
        assertThat(told(RosterTable.read(bytes, new RosterChoice(true, false, columns, Map.of())))).isEqualTo("2 Marsh/Ottoline/7//");
        assertThat(told(RosterTable.read(bytes, new RosterChoice(false, false, Map.of(), Map.of("perenimi", RosterColumn.LAST, "eesnimi",
                RosterColumn.FIRST))))).as("remembered").isEqualTo("2 Marsh/Ottoline///");
        assertThat(told(RosterTable.read(bytes, new RosterChoice(true, true, Map.of(1, RosterColumn.NAME), Map.of())))).as("no headings")
                .isEqualTo("1 Perenimi////; 2 Marsh////");
    }

    @Test
    void aTableWithoutHeadingsIsSeenToHaveNone() {
        RosterReading reading = read("Marsh,Ottoline,261000,o.marsh@school.example~Rudge,Barnaby,261001,b.rudge@school.example");
        assertThat(reading.headless()).isTrue();
        assertThat(reading.columns()).extracting(column -> column.meaning().map(Enum::name).orElse("")).containsExactly("", "", "ID",
                "EMAIL");
        assertThat(read("\"Marsh, Ottoline\",261000").lines()).singleElement()
                .satisfies(line -> assertThat(line.listed()).isEqualTo("Marsh, Ottoline"));
    }

    @Test
    void aTableOfOneSectionTellsOfThatSectionAlone() {
        List<RosterChange.Known> known = List.of(new RosterChange.Known(1, "Marsh", "Ottoline", "1", "1"),
                new RosterChange.Known(2, "Rudge", "Barnaby", "2", "1"), new RosterChange.Known(3, "Quist", "Annelie", "3", "2"));
        assertThat(RosterChange.between(known, read("Last,First,ID,Section~Marsh,Ottoline,1,1")).left())
                .extracting(RosterChange.Known::key).containsExactly(2L);
        assertThat(RosterChange.between(known, read("Last,First,ID~Marsh,Ottoline,1")).left())
                .extracting(RosterChange.Known::key).containsExactly(2L, 3L);
        assertThat(RosterChange.between(known, read("Last,First,ID,Section~Marsh,Ottoline,1,1~Rudge,Bar\u0007naby,2,1")).left())
                .as("who stands in a row that cannot be imported is not missing").isEmpty();
    }

    @Test
    void workbooksAreRead() throws IOException {
        Path workbook = zip("book.xlsx", "[Content_Types].xml", TYPES, "_rels/.rels", RELS, "xl/workbook.xml", BOOK,
                "xl/_rels/workbook.xml.rels",
                BOOK_RELS, "xl/styles.xml", STYLES, "xl/worksheets/sheet1.xml", sheet(""), "xl/worksheets/sheet2.xml",
                sheet("""
                        <row r="1"><c r="A1" t="inlineStr"><is><t>Class list</t></is></c></row>
                        <row r="3"><c r="A3" t="inlineStr"><is><t>Last name</t></is></c><c r="B3" t="inlineStr"><is><t>First name</t></is></c>
                          <c r="C3" t="inlineStr"><is><t>Number</t></is></c></row>
                        <row r="4"><c r="A4" t="inlineStr"><is><t>Marsh</t></is></c><c r="B4" t="inlineStr"><is><t>Ottoline</t></is></c>
                          <c r="C4"><v>261000123456</v></c></row>
                        <row r="5"><c r="A5" t="inlineStr"><is><t>Tamsin</t></is></c><c r="C5" s="1"><v>42</v></c></row>"""));
        assertThat(Sheets.isWorkbook(workbook)).isTrue();
        RosterReading reading = RosterTable.read(Sheets.workbook(workbook), RosterChoice.NONE);
        assertThat(reading.faults()).isEmpty();
        assertThat(told(reading)).isEqualTo("4 Marsh/Ottoline/261000123456//; 5 Tamsin//000042//");
    }

    @Test
    void openWorkbooksAreReadAndNothingFromOutsideOfThem() throws IOException {
        Path secret = Files.writeString(temp.resolve("secret"), "secret");
        String rows = """
                <table:table-row table:number-rows-repeated="2"><table:table-cell table:number-columns-repeated="1024"/></table:table-row>
                <table:table-row><table:table-cell office:value-type="string"><text:p>Last name</text:p></table:table-cell>
                  <table:table-cell office:value-type="string"><text:p>ID</text:p></table:table-cell></table:table-row>
                <table:table-row><table:table-cell office:value-type="string"><text:p>Marsh%s</text:p></table:table-cell>
                  <table:table-cell office:value-type="float" office:value="261000"><text:p>261000</text:p></table:table-cell></table:table-row>
                <table:table-row table:number-rows-repeated="1048000"><table:table-cell table:number-columns-repeated="16384"/></table:table-row>""";
        Path plain = zip("book.ods", "mimetype", "application/vnd.oasis.opendocument.spreadsheet", "META-INF/manifest.xml", MANIFEST,
                "content.xml",
                ODS.formatted("", rows.formatted("")), "styles.xml", ODS_STYLES);
        assertThat(Sheets.isWorkbook(plain)).isTrue();
        assertThat(told(RosterTable.read(Sheets.workbook(plain), RosterChoice.NONE))).isEqualTo("4 Marsh//261000//");
        Path hostile = zip("hostile.ods", "mimetype", "application/vnd.oasis.opendocument.spreadsheet", "META-INF/manifest.xml", MANIFEST,
                "content.xml",
                ODS.formatted("<!DOCTYPE x [<!ENTITY e SYSTEM \"" + secret.toUri() + "\">]>", rows.formatted("&e;")), "styles.xml",
                ODS_STYLES);
        assertThat(told(RosterTable.read(Sheets.workbook(hostile), RosterChoice.NONE))).doesNotContain("secret");
    }

    @ParameterizedTest
    @ValueSource(strings = {"xl/workbook.xml", "content.xml"})
    void aBrokenWorkbookIsRefused(String member) throws IOException {
        Path broken = zip("broken.zip", member, "<office:document-content");
        assertThat(RosterTable.read(Sheets.workbook(broken), RosterChoice.NONE).faults())
                .extracting(fault -> Words.ENGLISH.text(fault.said()))
                .containsExactly("This workbook cannot be read. Save it again, or save it as CSV.");
    }

    @Test
    void anOldWorkbookIsRefusedWithWhatToDo() {
        byte[] old = {(byte) 0xD0, (byte) 0xCF, 0x11, (byte) 0xE0, (byte) 0xA1, (byte) 0xB1, 0x1A, (byte) 0xE1};
        assertThat(RosterTable.read(old, RosterChoice.NONE).faults()).extracting(fault -> Words.ENGLISH.text(fault.said()))
                .containsExactly("This is a workbook of an old kind. Save it as .xlsx, .ods or CSV.");
    }

    private Path zip(String name, String... entries) throws IOException {
        Path file = temp.resolve(name);
        try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(file))) {
            for (int i = 0; i < entries.length; i += 2) {
                zip.putNextEntry(new ZipEntry(entries[i]));
                zip.write(entries[i + 1].getBytes(StandardCharsets.UTF_8));
                zip.closeEntry();
            }
        }
        return file;
    }

    private static String sheet(String rows) {
        return "<worksheet xmlns=\"http://schemas.openxmlformats.org/spreadsheetml/2006/main\"><sheetData>" + rows
                + "</sheetData></worksheet>";
    }

    private static final String TYPES = """
            <Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types">
              <Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/>
              <Default Extension="xml" ContentType="application/xml"/>
              <Override PartName="/xl/workbook.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.sheet.main+xml"/>
              <Override PartName="/xl/styles.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.styles+xml"/>
            </Types>""";
    private static final String RELS = """
            <Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="rId1"
              Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/officeDocument" Target="xl/workbook.xml"/></Relationships>""";
    private static final String BOOK = """
            <workbook xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main"
              xmlns:r="http://schemas.openxmlformats.org/officeDocument/2006/relationships"><sheets>
              <sheet name="Empty" sheetId="1" r:id="rId1"/><sheet name="Students" sheetId="2" r:id="rId2"/></sheets></workbook>""";
    private static final String BOOK_RELS = """
            <Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships">
              <Relationship Id="rId1" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/worksheet"
                Target="worksheets/sheet1.xml"/>
              <Relationship Id="rId2" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/worksheet"
                Target="worksheets/sheet2.xml"/>
              <Relationship Id="rId3" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/styles" Target="styles.xml"/>
            </Relationships>""";
    private static final String STYLES = """
            <styleSheet xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main"><numFmts count="1"><numFmt numFmtId="164"
              formatCode="000000"/></numFmts><cellXfs count="2"><xf numFmtId="0"/><xf numFmtId="164"/></cellXfs></styleSheet>""";
    private static final String MANIFEST = """
            <manifest:manifest xmlns:manifest="urn:oasis:names:tc:opendocument:xmlns:manifest:1.0"><manifest:file-entry manifest:full-path="/"
              manifest:media-type="application/vnd.oasis.opendocument.spreadsheet"/><manifest:file-entry manifest:full-path="content.xml"
              manifest:media-type="text/xml"/></manifest:manifest>""";
    private static final String ODS = """
            <?xml version="1.0"?>%s<office:document-content xmlns:office="urn:oasis:names:tc:opendocument:xmlns:office:1.0"
              xmlns:table="urn:oasis:names:tc:opendocument:xmlns:table:1.0" xmlns:text="urn:oasis:names:tc:opendocument:xmlns:text:1.0"
              xmlns:style="urn:oasis:names:tc:opendocument:xmlns:style:1.0" office:version="1.2"><office:automatic-styles/><office:body>
              <office:spreadsheet><table:table table:name="Students">%s</table:table></office:spreadsheet></office:body></office:document-content>""";
    private static final String ODS_STYLES = """
            <office:document-styles xmlns:office="urn:oasis:names:tc:opendocument:xmlns:office:1.0" office:version="1.2"/>""";
}
