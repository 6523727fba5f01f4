package org.opensatchel.core.roster;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.opensatchel.core.naming.RosterField;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.project.EntryHandle;
import org.opensatchel.core.project.SourceEntry;
import org.opensatchel.core.roster.WhoIsWho.Person;

/** Whose is what in a batch from a course system. */
class WhoIsWhoTest {

    private static final EntryHandle NO_HANDLE = new EntryHandle() {};

    private static Person person(long id, String last, String first, String number) {
        return new Person(id, new RosterFields(Map.of(RosterField.LAST, last, RosterField.FIRST, first, RosterField.ID, number)));
    }

    private static final List<Person> ROSTER = List.of(person(1, "Marsh", "Ottoline", "261001"), person(2, "Marsh", "Odile", "261002"),
            person(3, "Ó Duibhne", "Séafra", "261003"), person(4, "Vandermolen-Ashgrove", "Wilhelmina", "261004"),
            person(5, "Tamsin", "", "261005"),
            person(6, "Quist", "Anne", "261006"), person(7, "Quist", "Annelie", "261007"), person(8, "Sørensen", "Liv", "261008"),
            person(9, "山田", "太郎", "261009"));

    private static RosterFields marker(long id) {
        return id == 0 ? RosterFields.NONE : ROSTER.stream().filter(one -> one.id() == id).findFirst().orElseThrow().fields();
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
            "Marsh_Ottoline_8812_assignsubmission | | 0 | 1 NAME 0",
            "ottoline marsh - project final | | 0 | 1 NAME 0",
            "Marsh_project | | 0 | 0 NOBODY 0",
            "MOV120_A2_ODuibhne_Seafra | | 0 | 3 NAME 0",
            "Ó Duibhne Séafra (late) | | 0 | 3 NAME 0",
            "vandermolenashgrovewilhelmina_LATE_31 | | 0 | 4 NAME 0",
            "Sorensen_Liv_9 | | 0 | 8 NAME 0",
            "Sorensen_Liv_9_x | {last}_{first}_{number}_{text} | 0 | 8 SCHEME 0",
            "山田_太郎_12 | | 0 | 9 NAME 0",
            "鈴木_12 | | 0 | 0 NOBODY 0",
            "Tamsin_4411 | | 0 | 5 NAME 0",
            "Tamsinstown film | | 0 | 0 NOBODY 0",
            "Quist_Annelie | | 0 | 7 NAME 0",
            "Quist_Anne | | 0 | 6 NAME 0",
            "submission 261003 | | 0 | 3 NUMBER 0",
            "project | | 2 | 2 MARKER 0",
            "Marsh_Ottoline | | 2 | 1 NAME 2",
            "Odile Marsh_99_file | {first} {last}_{number}_{text} | 0 | 2 SCHEME 0",
            "Odile Marsh_99_file | {last} {first}_{text} | 0 | 2 NAME 0",
            "a-261004-b | {text}-{id}-{text} | 4 | 4 SCHEME 0",
            "'' | | 0 | 0 NOBODY 0"})
    void isToldByNameSchemeNumberOrMarker(String name, String scheme, long marked, String wanted) {
        Optional<NameScheme> read = scheme == null || scheme.isBlank() ? Optional.empty() : NameScheme.read(scheme.strip());
        WhoIsWho.Guess guess = new WhoIsWho(ROSTER, read).guess(name, marker(marked));
        assertThat(guess.who().orElse(0L) + " " + guess.how() + " " + guess.marker().orElse(0L)).isEqualTo(wanted);
    }

    @ParameterizedTest
    @CsvSource({"{last}_{first}, true", "{id}, true", "{course}_{assignment}, false", "project, false", "{text}, false",
            "'[{last}(*', true"})
    void aSchemeHasToTellWhoItIs(String text, boolean scheme) {
        assertThat(NameScheme.read(text).isPresent()).isEqualTo(scheme);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
            "a.zip;b.zip | a.zip:zip;b.zip:zip",
            "all/a.zip;all/b.zip | a.zip:zip;b.zip:zip",
            "Marsh_1_file_/p.zip;Quist_2_file_/q.zip;Quist_2_file_/onlinetext.html | Marsh_1_file_:zip;Quist_2_file_:zip",
            "Marsh/edit/a.otio;Marsh/b.mp4;Quist/edit/a.otio | Marsh:2;Quist:1",
            "out/Marsh/p.zip;out/Quist/q.zip | Marsh:zip;Quist:zip",
            "One/edit/a.otio;One/footage/b.mp4 | One:2",
            "a.zip;__MACOSX/a.zip;.DS_Store | a.zip:zip",
            "a.zip;report.pdf | a.zip:zip;report.pdf:zip"})
    void aBatchIsTakenApart(String entries, String wanted) {
        List<SourceEntry> files = Stream.of(entries.split(";"))
                .map(path -> new SourceEntry(path, 5, Optional.empty(), Optional.empty(), false, 0, NO_HANDLE)).toList();
        assertThat(Delivery.of(files, List.of()).stream()
                .map(one -> one.name() + ":" + (one.archive().isPresent() ? "zip" : one.files().size()))
                .toList())
                .isEqualTo(List.of(wanted.split(";")));
    }

    @Test
    void emptyFoldersComeAlongAndADriveIsNoPartOfAName() {
        List<SourceEntry> files = Stream.of("Marsh/edit/a.otio", "Marsh/.DS_Store", "Quist/b.txt")
                .map(path -> new SourceEntry(path, 5, Optional.empty(), Optional.empty(), false, 0, NO_HANDLE)).toList();
        List<Delivery> batch = Delivery.of(files, List.of("Marsh", "Marsh/edit", "Marsh/edit/autosave", "Marshall", "Quist"));
        assertThat(batch).extracting(Delivery::folders).containsExactly(List.of("Marsh/edit", "Marsh/edit/autosave"), List.of());
        Delivery onDrive = Delivery.project("DRIVE-7/MOV_Marsh", files, List.of("edit"));
        assertThat(onDrive.bareName()).isEqualTo("MOV_Marsh");
        assertThat(onDrive.files()).extracting(SourceEntry::path).containsExactly("Marsh/edit/a.otio", "Quist/b.txt");
    }

    @Test
    void aThousandAreToldApart() {
        List<Person> many = Stream.iterate(1, i -> i <= 1_000, i -> i + 1)
                .map(i -> person(i, "Last" + (char) ('a' + i % 26) + i, "First" + i, "" + (100_000 + i))).toList();
        WhoIsWho who = new WhoIsWho(many, Optional.empty());
        assertThat(many).allMatch(one -> who.guess("x_" + one.fields().values().get(RosterField.ID) + "_y", RosterFields.NONE).who()
                .equals(Optional.of(one.id())));
    }
}
