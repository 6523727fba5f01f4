package org.opensatchel.web.account;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.FormData;
import com.microsoft.playwright.options.RequestOptions;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.opensatchel.web.RunningApplication;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;

/** Sessions end with the password they were begun with, and what other sites send is not taken for anybody's own. */
class SessionsTest extends RunningApplication {

    private static final String OTHER = "another-market-bell";

    @Autowired
    private JdbcTemplate database;
    @Autowired
    private SignInGuard guard;
    private String hash;

    @AfterEach
    void usualPassword() {
        // What one test tried wrongly would keep the next one waiting.
        guard.right("tamsin");
        if (hash != null) {
            database.update("update account set password_hash = ? where login = 'tamsin'", hash);
        }
    }

    private void change(Page page, String before, String after) {
        goTo(page, address("/account"));
        page.locator("[name=before]").fill(before);
        page.locator("[name=after]").fill(after);
        page.locator("form[action$='/account/password'] button").click();
    }

    @Test
    void aChangedPasswordEndsEveryOtherSession() {
        hash = database.queryForObject("select password_hash from account where login = 'tamsin'", String.class);
        Page here = signIn("tamsin");
        Page there = signIn("tamsin");
        Page somebody = signIn("liv.sorensen");
        change(here, PASSWORD, OTHER);
        assertThat(here.locator("main")).containsText("changed");
        goTo(here, address("/"));
        assertThat(here).hasURL(address("/"));
        goTo(there, address("/"));
        assertThat(there).hasURL(address("/sign-in?ended"));
        goTo(somebody, address("/"));
        assertThat(somebody).hasURL(address("/"));
    }

    @Test
    void tryingTheOldPasswordIsSlowedDownLikeSigningIn() {
        Page page = signIn("tamsin");
        for (int i = 0; i < 5; i++) {
            change(page, "not it " + i, OTHER);
        }
        change(page, PASSWORD, OTHER);
        assertThat(page.locator("main")).containsText("Too many wrong passwords");
        assertThat(page.locator("main")).not().containsText("is changed");
    }

    private static RequestOptions form(Map<String, String> headers) {
        RequestOptions options = RequestOptions.create().setForm(FormData.create().set("title", "planted")).setMaxRedirects(0);
        headers.forEach(options::setHeader);
        return options;
    }

    @Test
    void aFormOfAnotherSiteIsNotKeptToBeSentAgain() {
        Page page = unknown();
        APIResponse foreign = page.request().post(address("/courses"), form(Map.of("Sec-Fetch-Site", "cross-site")));
        assertThat(foreign.headers().get("location")).endsWith("/sign-in?ended");
        APIResponse own = page.request().post(address("/courses"), form(Map.of("Sec-Fetch-Site", "same-origin")));
        assertThat(own.headers().get("location")).endsWith("/sign-in?kept");
        APIResponse byOrigin = page.request().post(address("/courses"), form(Map.of("Origin", "http://elsewhere.example")));
        assertThat(byOrigin.headers().get("location")).endsWith("/sign-in?ended");
    }

    @Test
    void filesOfAnotherSiteAreRefusedWithoutATokenInTheAddress() {
        Page page = signIn("tamsin");
        String address = address("/assignments/" + market().id() + "/hand-in");
        goTo(page, address);
        assertThat(page.content()).doesNotContain("_csrf=");
        RequestOptions foreign = RequestOptions.create().setHeader("Sec-Fetch-Site", "cross-site").setHeader("Content-Type",
                "multipart/form-data; boundary=x").setData("--x--\r\n".getBytes()).setMaxRedirects(0);
        assertThat(page.request().post(address, foreign).status()).isEqualTo(403);
    }

    @Test
    void aRedirectFollowsNoForeignHost() {
        Page page = unknown();
        APIResponse answer = page.request().get(address("/account"),
                RequestOptions.create().setHeader("Host", "evil.example").setMaxRedirects(0));
        assertThat(answer.status()).isEqualTo(302);
        assertThat(answer.headers().get("location")).doesNotContain("evil.example");
    }
}
