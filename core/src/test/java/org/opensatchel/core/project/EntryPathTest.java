package org.opensatchel.core.project;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Random;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class EntryPathTest {

    @ParameterizedTest
    @CsvSource({"a/b.png,a/b.png,false", "a//b.png,a/b.png,false", "./a/./b.png,a/b.png,false", "a\\b.png,a/b.png,false", "a/,a,true",
            "a\\,a,true", "a/b/../c,a/c,false", ".hidden,.hidden,false",
            "a/.b/c,a/.b/c,false", "...,...,false", "a/...,a/...,false", "'a b/c d','a b/c d',false", "é/ü.png,é/ü.png,false",
            "ab:c,ab:c,false", "a/c:d,a/c:d,false", "1:x,1:x,false"})
    void isMadeSafe(String raw, String path, boolean folder) {
        assertThat(EntryPath.read(raw)).isEqualTo(new EntryPath.Safe(path, folder));
    }

    @ParameterizedTest
    @ValueSource(strings = {"/a", "\\a", "//server/a", "C:a", "c:/a", "C:\\a", "../a", "..\\a", "a/../../b", "a/..", "a/../..", "a\0b",
            ".."})
    void whatWouldLeaveIsRefused(String raw) {
        assertThat(EntryPath.read(raw)).isInstanceOf(EntryPath.Unsafe.class);
    }

    /** Whatever comes, what is safe is a plain path below the top, and reads as itself. */
    @RepeatedTest(300)
    void safeIsSafe(RepetitionInfo repetition) {
        Random random = new Random(repetition.getCurrentRepetition());
        StringBuilder raw = new StringBuilder();
        for (int i = 0; i < 1 + random.nextInt(8); i++) {
            raw.append(new String[]{"a", "..", ".", "/", "\\", ":", "b c", "/", "é", "C:", " ", "/"}[random.nextInt(12)]);
        }
        if (EntryPath.read(raw.toString()) instanceof EntryPath.Safe safe && !safe.path().isEmpty()) {
            assertThat(safe.path()).as(raw.toString()).doesNotStartWith("/").doesNotEndWith("/").doesNotContain("//", "\\");
            assertThat(safe.path().split("/")).as(raw.toString()).doesNotContain("..", ".", "");
            assertThat(EntryPath.read(safe.path())).as(raw.toString()).isEqualTo(new EntryPath.Safe(safe.path(), false));
        }
    }
}
