package org.opensatchel.core.check.rule;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.check.rule.DepthEvidence.TooLong;

/**
 * Folders whose files have too long a path somewhere: the outermost of them, how many files, and the longest. Files are written
 * PATH=LENGTH.
 */
class DeepFolderTest {

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
            "'' | ''",
            "a/b/c=270 | a/b 1 270",
            "a/b/c=270;a/b/d=280 | a/b 2 280",
            "a/b/c=270;a/b/c2/d=290 | a/b 2 290",
            "a/b/c/d=270;x/y=261 | a/b/c 1 270;x 1 261",
            "long=300 | long 1 300",
            "kept/by/a=300 | ''",
            "../Take Store/a=300 | ''"})
    void theOutermostIsTold(String files, String expected) {
        Map<ProjectPath, TooLong> deep = new HashMap<>();
        Arrays.stream(files.split(";")).filter(file -> !file.isEmpty()).map(file -> file.split("="))
                .forEach(file -> deep.put(ProjectPath.of(file[0]), new TooLong("Lab", Integer.parseInt(file[1]), 259)));
        DepthEvidence evidence = mock(DepthEvidence.class);
        when(evidence.tooLong()).thenReturn(deep);
        when(evidence.isManaged(any())).thenAnswer(asked -> ((ProjectPath) asked.getArgument(0)).text().startsWith("kept/"));
        assertThat(new DeepFolder().judge(evidence).stream().map(
                finding -> finding.path() + " " + finding.facts().number(FactName.COUNT) + " " + finding.facts().number(FactName.LEAST))
                .collect(Collectors.joining(";"))).isEqualTo(expected);
    }
}
