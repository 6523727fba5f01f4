package org.opensatchel.web.account;

import java.time.Instant;
import java.util.Optional;
import org.opensatchel.web.storage.Moments;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What belongs to an account and is changed apart from it: the language somebody chose, and links to sign in by. */
@Repository
class AccountRows {

    private final JdbcClient database;

    AccountRows(JdbcClient database) {
        this.database = database;
    }

    /** The language somebody chose for themselves. */
    Optional<String> language(long account) {
        return database.sql("select language from account where id = ? and language is not null").param(account).query(String.class)
                .optional();
    }

    /** Sets it; empty leaves it to their courses and their browser. */
    void choose(long account, String language) {
        database.sql("update account set language = nullif(?, '') where id = ?").params(language, account).update();
    }

    /** Gives somebody a link in the place of those they have. */
    void putLink(long account, String hash, Instant now, Instant until) {
        removeLinks(account);
        database.sql("insert into sign_in_link (account_id, token_hash, made_at, expires_at) values (?, ?, ?, ?)")
                .params(account, hash, Moments.at(now), Moments.at(until)).update();
    }

    void removeLinks(long account) {
        database.sql("delete from sign_in_link where account_id = ?").param(account).update();
    }

    /** Whose a link is, while it lasts. */
    Optional<Long> linked(String hash, Instant now) {
        return database.sql("select account_id from sign_in_link where token_hash = ? and expires_at > ?").params(hash, Moments.at(now))
                .query(Long.class).optional();
    }

    /** Uses a link up; whose it was, empty when it was used already. */
    Optional<Long> use(String hash, Instant now) {
        return database.sql("delete from sign_in_link where token_hash = ? and expires_at > ? returning account_id")
                .params(hash, Moments.at(now)).query(Long.class).optional();
    }
}
