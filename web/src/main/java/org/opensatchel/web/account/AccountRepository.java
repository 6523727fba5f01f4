package org.opensatchel.web.account;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface AccountRepository extends Repository<Account, Long> {

    @Query("select a.passwordHash from Account a where a.id = :id")
    Optional<String> passwordHash(long id);

    Optional<Account> findByLogin(String login);

    Optional<Account> findById(long id);

    Optional<Account> findByEmail(String email);

    @Query("select a from Account a order by a.role, a.login")
    List<Account> all();

    @Modifying
    @Query(nativeQuery = true, value = "delete from sign_in_link where account_id = :account")
    void removeLinks(long account);

    @Modifying
    @Query(nativeQuery = true, value = "insert into sign_in_link (account_id, token_hash, made_at, expires_at) values (:account, :hash, :now, :until)")
    void addLink(long account, String hash, Instant now, Instant until);

    @Query(nativeQuery = true, value = "select account_id from sign_in_link where token_hash = :hash and expires_at > :now")
    Optional<Long> linked(String hash, Instant now);

    /** Uses a link up; 0 when it was used already. */
    @Modifying
    @Query(nativeQuery = true, value = "delete from sign_in_link where token_hash = :hash and expires_at > :now")
    int use(String hash, Instant now);

    /** The language somebody chose for themselves. */
    @Query(nativeQuery = true, value = "select language from account where id = :account and language is not null")
    Optional<String> language(long account);

    @Modifying
    @Query(nativeQuery = true, value = "update account set language = nullif(:language, '') where id = :account")
    void choose(long account, String language);

    @Query("select a.id as id, a.email as email from Account a where a.id in :ids and a.email is not null")
    List<Addressed> addressed(Collection<Long> ids);

    /** An account with an address. */
    interface Addressed {
        long getId();

        String getEmail();
    }

    @Modifying
    @Query(nativeQuery = true, value = "update account set email = :email where id = :account and email is null")
    void address(long account, String email);

    long count();

    Account save(Account account);
}
