package org.opensatchel.core.check.rule;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.KitReader;
import org.opensatchel.core.kit.Marker;
import org.opensatchel.core.naming.RosterField;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.project.ProjectTree;

/** What a marker says against whom and what a project was handed in for. Fields are written FIELD=VALUE. */
class HandOutMarkerTest {

    private static final Kit KIT = KitReader
            .read("{\"kit\": 1, \"title\": \"Ident\", \"version\": 3, \"assignment\": \"A2\", \"root\": {\"name\": \"{last}_{first}\"}}"
                    .getBytes(StandardCharsets.UTF_8))
            .kit().orElseThrow();

    private static RosterFields fields(String all) {
        Map<RosterField, String> values = new EnumMap<>(RosterField.class);
        Arrays.stream((all == null ? "" : all).split(",")).filter(field -> !field.isBlank()).map(field -> field.split("="))
                .forEach(field -> values.put(RosterField.of(field[0].strip()).orElseThrow(), field[1]));
        return new RosterFields(values);
    }

    private static List<String> judge(Marker marker, RosterFields given, List<RosterFields> roster, String root) {
        PlanEvidence evidence = mock(PlanEvidence.class);
        when(evidence.marker()).thenReturn(marker);
        when(evidence.kit()).thenReturn(Optional.of(KIT));
        when(evidence.given()).thenReturn(given);
        when(evidence.fields()).thenReturn(given.or(marker.fields()));
        when(evidence.roster()).thenReturn(roster);
        when(evidence.tree()).thenReturn(new ProjectTree(Optional.of(root), List.of(), List.of()));
        return new HandOutMarker().judge(evidence).stream().map(Finding::code).map(code -> code.id()).toList();
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
            // marker's fields | handed in for | title | version | told
            "course=MOV 120, assignment=A2 | course=MOV 120 | Ident | 3 | ''",
            "course=MOV 120, assignment=A1 | course=MOV 120 | Ident | 3 | structure.other-kit",
            "course=MOV 210, assignment=A2 | course=MOV 120 | Ident | 3 | structure.other-kit",
            "course=mov120, assignment=a2 | course=MOV 120, assignment=A2 | Ident | 3 | ''",
            "course=MOV 120 | '' | Another | 3 | structure.other-kit",
            "course=MOV 120 | course=MOV 120 | Another | 3 | ''",
            "'' | '' | Another | 2 | ''",
            "'' | '' | Another | - | ''",
            "'' | '' | ident | 3 | ''",
            "assignment=A2 | assignment=A3 | Ident | 3 | structure.other-kit"})
    void anotherKit(String made, String given, String title, String version, String expected) {
        Marker marker = new Marker(Optional.of(title),
                version.equals("-") ? OptionalInt.empty() : OptionalInt.of(Integer.parseInt(version)), Optional.empty(), fields(made));
        assertThat(String.join(" ", judge(marker, fields(given), List.of(), "x"))).isEqualTo(expected);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
            // marker's person | handed in for | somebody of the roster | root | told
            "last=Marsh, first=Ottoline | last=Marsh, first=Ottoline | last=Kestrel, first=Rowan | Marsh_Ottoline | ''",
            "last=Kestrel, first=Rowan | last=Marsh, first=Ottoline | last=Kestrel, first=Rowan | Marsh_Ottoline | name.someone-else",
            "last=Kestrel, first=Rowan | last=Marsh, first=Ottoline | last=Quist, first=Annelie | Marsh_Ottoline | ''",
            "last=Kestrel, first=Rowan | last=Marsh, first=Ottoline | - | Marsh_Ottoline | name.someone-else",
            "last=Marsh, first=Odile | last=Marsh, first=Ottoline | - | Marsh_Ottoline | ''",
            "last=Marsh, first=Odile | last=Marsh, first=Ottoline | last=Marsh, first=Odile | Marsh_Ottoline | name.someone-else",
            "last=MARSH, first=ottoline | last=Marsh, first=Ottoline | last=Kestrel, first=Rowan | Marsh_Ottoline | ''",
            "id=7, last=Marsh-Pell, first=Ottoline | id=7, last=Marsh, first=Ottoline | last=Kestrel, first=Rowan | Marsh_Ottoline | ''",
            "team=Owls, last=Kestrel, first=Rowan | team=Owls, last=Marsh, first=Ottoline | team=Owls, last=Kestrel, first=Rowan | Marsh_Ottoline | ''",
            "team=Jays | team=Owls | team=Jays | Owls | name.someone-else",
            "'' | last=Marsh, first=Ottoline | last=Kestrel, first=Rowan | Marsh_Ottoline | ''",
            // The root says it already.
            "last=Kestrel, first=Rowan | last=Marsh, first=Ottoline | last=Kestrel, first=Rowan | Kestrel_Rowan | ''"})
    void somebodyElse(String made, String given, String other, String root, String expected) {
        Marker marker = new Marker(Optional.empty(), OptionalInt.empty(), Optional.empty(), fields(made));
        assertThat(
                String.join(" ", judge(marker, fields(given), other.equals("-") ? List.of() : List.of(fields(given), fields(other)), root)))
                .isEqualTo(expected);
    }
}
