package org.opensatchel.web.account;

import java.util.Optional;
import org.springframework.data.repository.Repository;

interface AccountRepository extends Repository<Account, Long> {

    Optional<Account> findByLogin(String login);

    Optional<Account> findById(long id);

    long count();

    Account save(Account account);
}
