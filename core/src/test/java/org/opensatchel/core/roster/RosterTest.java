package org.opensatchel.core.roster;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.opensatchel.core.project.ReadLimits;
import org.opensatchel.core.project.ZipSource;
import org.opensatchel.core.words.Words;

/** Rosters from tables and from bundles: read whole, or refused with the row and column. */
class RosterTest {

    @TempDir
    Path temp;

    private static RosterReading read(String table) {
        return RosterTable.read(table.getBytes(StandardCharsets.UTF_8), RosterChoice.NONE);
    }

    @ParameterizedTest
    @ValueSource(strings = {"Last name,First name,Student ID,Section\nMarsh,Ottoline,261000,1",
            "surname;Given Name;Number;group\nMarsh;Ottoline;261000;1", "ID\tName\tClass\n261000\tMarsh, Ottoline\t1",
            "\uFEFFStudent,Student no.,Section\r\n\"Ottoline Marsh\",261000,1\r\n\r\n",
            "Section,LAST_NAME,FIRST_NAME,ID,Remarks\n1,Marsh,Ottoline,261000,\"likes, commas\""})
    void columnsAreToldByTheirHeadings(String text) {
        RosterReading reading = read(text);
        assertThat(reading.faults()).isEmpty();
        assertThat(reading.lines()).singleElement()
                .satisfies(line -> assertThat(line.last() + "|" + line.first() + "|" + line.id() + "|" + line.section())
                        .isEqualTo("Marsh|Ottoline|261000|1"));
    }

    @ParameterizedTest
    @ValueSource(strings = {"UTF-8", "windows-1252", "UTF-16"})
    void accentsComeInEveryEncoding(String charset) {
        byte[] content = "Last,First\nÓ Duibhne,Séafra\nLindqvist,Åsa".getBytes(Charset.forName(charset));
        assertThat(RosterTable.read(content, RosterChoice.NONE).lines()).extracting(RosterLine::listed).containsExactly("Ó Duibhne, Séafra",
                "Lindqvist, Åsa");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '`', value = {"Mar\0sh,O,1,2 | last name holds a character that cannot be seen (U+0000)",
            "Marsh,\u202EO,1,2 | first name holds a character that cannot be seen (U+202E)",
            "Marsh,O,1\u00072,2 | student number holds", "Marsh,O,1,\u2066x | section holds", "..,O,1,2 | Nothing of the last name",
            "/:?,O,1,2 | Nothing of the last name"})
    void whatWouldBecomeAPathOrHideIsToldWithItsRow(String line, String says) {
        RosterReading reading = read("Last,First,ID,Section\n" + line);
        assertThat(reading.lines()).isEmpty();
        assertThat(reading.faults()).singleElement().satisfies(fault -> {
            assertThat(fault.row()).isEqualTo(2);
            assertThat(Words.ENGLISH.text(fault.what())).contains(says);
        });
    }

    @ParameterizedTest
    @CsvSource({"Last,121,last name", "First,121,first name", "ID,65,student number", "Section,61,section", "Mail,255,e-mail address",
            "Team,41,team"})
    void whatWouldNotFitIsToldWithItsRow(String heading, int length, String what) {
        String table = heading.equals("Last") ? "Last\n" + "x".repeat(length)
                : "Last," + heading + "\nMarsh," + (heading.equals("Mail") ? "x".repeat(length - 2) + "@x" : "x".repeat(length));
        assertThat(read(table).faults()).extracting(told -> Words.ENGLISH.text(told.said()))
                .containsExactly("row 2: The " + what + " has more than " + (length - 1) + " characters.");
    }

    @Test
    void anAddressIsKeptWholeAndNamesOfAllScriptsAreNames() {
        List<RosterLine> lines = read(
                "Name,Email,Username\nרות לוי,Ruth@School.example,\nمريم,m.h@school.example,mh\nZoë O’Con,,zoe@school.example")
                .lines();
        assertThat(lines).extracting(RosterLine::email).containsExactly("ruth@school.example", "m.h@school.example", "zoe@school.example");
        assertThat(lines).extracting(RosterLine::login).containsExactly("ruth", "mh", "zoe");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            Last,First,ID;Marsh,Ottoline,1;,,2  | 1 | row 3, column “Last”: There is no name in this row.
            Last,ID;Marsh,1;Rudge,1             | 1 | row 3, column “ID”: The student number “1” stands in row 2 already.
            Colour,Shoe size;red,big            | 0 | row 1: No column was recognised as the students’ names. Name one “Last name” and one “First name”, or one “Name”. There are: “Colour” and “Shoe size”.
            Last,First                          | 0 | There is a heading and no student below it.
            Name,mail;A B,x@y.z;C D,X@y.z       | 1 | row 3: The e-mail address “x@y.z” stands in row 2 already.
            Name,login;A B,x;C D,X              | 1 | row 3: The sign-in name “x” stands in row 2 already.
            """)
    void faultsAreToldWithRowAndColumn(String table, int good, String fault) {
        RosterReading reading = read(table.replace(";", "\n"));
        assertThat(reading.lines()).as("the others can be imported").hasSize(good);
        assertThat(reading.faults()).extracting(told -> Words.ENGLISH.text(told.said())).containsExactly(fault);
    }

    @Test
    void whatIsNoTableIsRefused() {
        assertThat(read("").faults()).singleElement()
                .satisfies(fault -> assertThat(Words.ENGLISH.text(fault.what())).contains("empty"));
        assertThat(read("Last,First\n\"Marsh,Ottoline").faults()).singleElement()
                .satisfies(fault -> assertThat(Words.ENGLISH.text(fault.what())).contains("no table"));
        assertThat(read("Last\n" + "x\n".repeat(20_001)).faults()).singleElement()
                .satisfies(fault -> assertThat(Words.ENGLISH.text(fault.what())).contains("20,000"));
        assertThat(read("Last\n" + "x".repeat(200)).faults()).singleElement()
                .satisfies(fault -> assertThat(fault.row()).isEqualTo(2));
    }

    @Test
    void oneNameIsTheLastOne() {
        assertThat(read("Last,First\n,Tamsin").lines()).singleElement()
                .satisfies(line -> assertThat(line.last() + "|" + line.first()).isEqualTo("Tamsin|"));
        assertThat(read("Name\nTamsin").lines()).singleElement()
                .satisfies(line -> assertThat(line.last() + "|" + line.first()).isEqualTo("Tamsin|"));
    }

    @ParameterizedTest
    @ValueSource(booleans = {true, false})
    void aBundleGivesItsActiveStudentsByClass(boolean newer) throws IOException {
        String role = newer ? "" : ",role";
        Path zip = zip("manifest.csv", "propertyName,value\noneroster.version," + (newer ? "1.2" : "1.1"),
                "users.csv",
                "sourcedId,status,username,givenName,familyName,identifier,email" + role + "\nu1,active,omarsh,Ottoline,Marsh,261000,o@x.y"
                        + (newer ? "" : ",student") + "\nu2,,,Tamsin,,,t.amsin@x.y" + (newer ? "" : ",student")
                        + "\nu3,tobedeleted,gone,Gone,Away,3," + (newer ? "" : ",student") + "\nu4,active,teach,R.,Quillfeather,4,"
                        + (newer ? "" : ",teacher"),
                "classes.csv", "sourcedId,status,title\nc1,active,MOV 120-1\nc2,active,MOV 120-2",
                "enrollments.csv",
                "sourcedId,status,classSourcedId,userSourcedId,role\ne1,active,c1,u1,student\ne2,active,c2,u2,student\ne3,active,c1,u3,student\ne4,active,c1,u4,teacher\ne5,tobedeleted,c2,u1,student");
        try (ZipSource source = ZipSource.open(zip)) {
            OneRoster.Bundle bundle = OneRoster.read(source, Set.of(), ReadLimits.DEFAULT);
            assertThat(bundle.roster().faults()).isEmpty();
            assertThat(bundle.classes()).containsEntry("c1", "MOV 120-1").hasSize(2);
            assertThat(bundle.roster().lines())
                    .extracting(line -> line.listed() + "|" + line.id() + "|" + line.section() + "|" + line.login())
                    .containsExactly("Marsh, Ottoline|261000|MOV 120-1|omarsh", "Tamsin|u2|MOV 120-2|t.amsin");
        }
        try (ZipSource source = ZipSource.open(zip)) {
            assertThat(OneRoster.read(source, Set.of("c2"), ReadLimits.DEFAULT).roster().lines()).extracting(RosterLine::last)
                    .containsExactly("Tamsin");
        }
    }

    @Test
    void aBrokenBundleIsRefusedWithTheFileAndColumn() throws IOException {
        assertThat(faults(zip("readme.txt", "x"))).containsExactly("This is no OneRoster bundle: there is no “users.csv” in it.");
        assertThat(
                faults(zip("users.csv", "sourcedId,givenName\n1,A", "enrollments.csv", "classSourcedId,userSourcedId,role\nc,1,student")))
                .containsExactly("“users.csv”, row 1, column “familyName”: The column “familyName” is missing.");
        assertThat(faults(zip("users.csv", "sourcedId,givenName,familyName\n1,A,B", "enrollments.csv",
                "classSourcedId,userSourcedId,role\nc,2,student")))
                .containsExactly("“enrollments.csv”, column “userSourcedId”: “2” is enrolled, and is not in users.csv.");
        assertThat(faults(Files.writeString(temp.resolve("no.zip"), "no archive"))).singleElement().asString().contains("no ZIP");
    }

    private static List<String> faults(Path zip) throws IOException {
        try (ZipSource source = ZipSource.open(zip)) {
            return OneRoster.read(source, Set.of(), ReadLimits.DEFAULT).roster().faults().stream()
                    .map(fault -> Words.ENGLISH.text(fault.said())).toList();
        }
    }

    @Test
    void aFileIsHeldAgainstWhoIsThere() {
        List<RosterChange.Known> known = List.of(new RosterChange.Known(1, "Marsh", "Ottoline", "1", "1"),
                new RosterChange.Known(2, "Marsh", "Odile", "2", "1"), new RosterChange.Known(3, "Ó Duibhne", "Séafra", "", "2"),
                new RosterChange.Known(4, "Rudge", "Barnaby", "4", "2"));
        RosterChange change = RosterChange.between(known,
                read("Last,First,ID,Section\nMarsh,Ottoline,1,1\nMarsh-Pell,Odile,2,1\nO Duibhne,Seafra,3,2\nNew,Person,9,2"));
        assertThat(change.same()).isEqualTo(1);
        assertThat(change.added()).extracting(RosterLine::listed).containsExactly("New, Person");
        assertThat(change.left()).extracting(RosterChange.Known::listed).containsExactly("Rudge, Barnaby");
        assertThat(change.changed())
                .extracting(changed -> changed.known().key() + " " + changed.what().stream().map(Words.ENGLISH::text).toList())
                .containsExactly("2 [last name “Marsh-Pell”, was “Marsh”]",
                        "3 [last name “O Duibhne”, was “Ó Duibhne”, first name “Seafra”, was “Séafra”, student number “3”, there was none]");
    }

    private Path zip(String... entries) throws IOException {
        Path file = Files.createTempFile(temp, "bundle", ".zip");
        try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(file))) {
            for (int i = 0; i < entries.length; i += 2) {
                zip.putNextEntry(new ZipEntry(entries[i]));
                zip.write(entries[i + 1].getBytes(StandardCharsets.UTF_8));
                zip.closeEntry();
            }
        }
        return file;
    }
}
