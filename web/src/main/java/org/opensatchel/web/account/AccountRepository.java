package org.opensatchel.web.account;

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

    List<Account> findByEmailIn(Collection<String> emails);

    List<Account> findByLoginIn(Collection<String> logins);

    @Query("select a from Account a order by a.role, a.login")
    List<Account> all();

    @Query("select a.id as id, a.email as email from Account a where a.id in :ids and a.email is not null")
    List<Addressed> addressed(Collection<Long> ids);

    /** An account with an address. */
    interface Addressed {
        long getId();

        String getEmail();
    }

    @Modifying
    @Query("update Account a set a.email = :email where a.id = :account and a.email is null")
    void address(long account, String email);

    long count();

    Account save(Account account);
}
