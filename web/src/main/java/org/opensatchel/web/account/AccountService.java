package org.opensatchel.web.account;

import java.util.Optional;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Accounts: who there is, and how they are made. */
@Service
public class AccountService implements UserDetailsService {

    private final AccountRepository accounts;
    private final PasswordEncoder passwords;

    AccountService(AccountRepository accounts, PasswordEncoder passwords) {
        this.accounts = accounts;
        this.passwords = passwords;
    }

    @Override
    @Transactional(readOnly = true)
    public SignedIn loadUserByUsername(String login) {
        return accounts.findByLogin(login.strip().toLowerCase(java.util.Locale.ROOT)).map(SignedIn::new)
                .orElseThrow(() -> new UsernameNotFoundException("no such account"));
    }

    /** Makes an account and returns its number. */
    @Transactional
    public long create(String login, String displayName, String password, Role role) {
        return accounts.save(new Account(login, displayName, passwords.encode(password), role)).id();
    }

    /** What an account is called on pages; empty when there is none. */
    @Transactional(readOnly = true)
    public String displayName(long accountId) {
        return accounts.findById(accountId).map(Account::displayName).orElse("");
    }

    @Transactional(readOnly = true)
    public Optional<Long> byLogin(String login) {
        return accounts.findByLogin(login.strip().toLowerCase(java.util.Locale.ROOT)).map(Account::id);
    }

    @Transactional(readOnly = true)
    public boolean isInstructor(long accountId) {
        return accounts.findById(accountId).filter(account -> account.role() == Role.INSTRUCTOR).isPresent();
    }

    @Transactional(readOnly = true)
    public boolean isEmpty() {
        return accounts.count() == 0;
    }
}
