package org.opensatchel.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyString;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.opensatchel.web.account.AccountService;
import org.opensatchel.web.account.AccountService.AccountView;
import org.opensatchel.web.account.Role;

/** The command that makes the first instructor: a link, or one line that says why not. */
class AccountCommandTest {

    private final AccountService accounts = mock(AccountService.class);
    private final ByteArrayOutputStream out = new ByteArrayOutputStream();
    private final ByteArrayOutputStream err = new ByteArrayOutputStream();

    private int run(String... words) {
        PrintStream good = new PrintStream(out, true, StandardCharsets.UTF_8);
        return new AccountCommand(accounts, good, new PrintStream(err, true, StandardCharsets.UTF_8), "http://school.example")
                .run(List.of(words));
    }

    private String said() {
        return out.toString(StandardCharsets.UTF_8);
    }

    @Test
    void addsAnInstructorAndPrintsTheLink() {
        when(accounts.make("pell", "A. Pell", "pell@school.example", Role.INSTRUCTOR, Optional.empty()))
                .thenReturn(new AccountView(7, "pell", "A. Pell", Role.INSTRUCTOR, false));
        when(accounts.link(7)).thenReturn("abcde-fghjk");
        assertThat(run("add", "pell", "A. Pell", "pell@school.example")).isZero();
        assertThat(said()).contains("http://school.example/welcome/abcde-fghjk");
    }

    @Test
    void resetsByALinkAndListsEverybody() {
        AccountView pell = new AccountView(7, "pell", "A. Pell", Role.INSTRUCTOR, false);
        when(accounts.byLogin("pell")).thenReturn(Optional.of(pell));
        when(accounts.link(7)).thenReturn("abcde-fghjk");
        when(accounts.all()).thenReturn(List.of(pell));
        assertThat(run("reset", "pell")).isZero();
        assertThat(run("list")).isZero();
        assertThat(said()).contains("/welcome/abcde-fghjk", "pell  instructor  A. Pell  (no password yet)");
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "add", "add pell", "add ../x Name", "add pell Name not-an-address", "add taken Name", "reset nobody",
            "list all", "remove pell"})
    void saysInOneLineWhyNot(String words) {
        when(accounts.byLogin(anyString())).thenReturn(Optional.empty());
        when(accounts.byLogin("taken")).thenReturn(Optional.of(new AccountView(1, "taken", "T", Role.STUDENT, true)));
        assertThat(run(words.isEmpty() ? new String[0] : words.split(" "))).isEqualTo(2);
        assertThat(err.toString(StandardCharsets.UTF_8).strip()).startsWith("satchel: ").doesNotContain("\n");
        verify(accounts, never()).make(any(), any(), any(), eq(Role.INSTRUCTOR), any());
    }
}
