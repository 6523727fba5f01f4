package org.opensatchel.web;

import java.io.PrintStream;
import java.util.List;
import java.util.Optional;
import org.opensatchel.web.account.AccountService;
import org.opensatchel.web.account.AccountService.AccountView;
import org.opensatchel.web.account.Role;

/** {@code satchel account add|reset|list}: for whoever runs the installation, to make the first instructor and help those who forgot. */
final class AccountCommand {

    private static final String USAGE = "satchel account add SIGN-IN NAME [EMAIL] | reset SIGN-IN | list";

    private final AccountService accounts;
    private final PrintStream out;
    private final PrintStream err;
    private final String address;

    /** @param address where people reach the application, before {@code /welcome/…} */
    AccountCommand(AccountService accounts, PrintStream out, PrintStream err, String address) {
        this.accounts = accounts;
        this.out = out;
        this.err = err;
        this.address = address;
    }

    /** Carries out the words after {@code account}; returns the exit status. */
    int run(List<String> words) {
        if (words.size() == 1 && words.get(0).equals("list")) {
            accounts.all().forEach(one -> out.println(one.login() + "  " + one.role().name().toLowerCase(java.util.Locale.ROOT) + "  "
                    + one.name() + (one.hasPassword() ? "" : "  (no password yet)")));
            return 0;
        }
        if ((words.size() == 3 || words.size() == 4) && words.get(0).equals("add")) {
            return add(words.get(1), words.get(2), words.size() == 4 ? words.get(3) : "");
        }
        if (words.size() == 2 && words.get(0).equals("reset")) {
            return reset(words.get(1));
        }
        err.println("satchel: Usage: " + USAGE);
        return 2;
    }

    private int add(String login, String name, String email) {
        boolean good = login.matches("[\\p{L}\\p{N}._-]{1,50}") && !name.isBlank() && name.length() <= 120
                && name.chars().noneMatch(Character::isISOControl);
        if (!good) {
            return refused("A sign-in has 1 to 50 letters, digits, dots, hyphens or underscores, and a name at most 120 characters.");
        }
        if (accounts.byLogin(login).isPresent()) {
            return refused("Somebody signs in as “" + login + "” already.");
        }
        if (!email.isEmpty() && (!email.matches("[^@\\s]{1,64}@[^@\\s]{1,185}") || accounts.byEmail(email).isPresent())) {
            return refused("“" + email + "” is no address, or that of another account.");
        }
        AccountView made = accounts.make(login, name, email, Role.INSTRUCTOR, Optional.empty());
        out.println("“" + made.login() + "” is an instructor now. This link works once, for 30 days; it sets the password:");
        out.println(address + "/welcome/" + accounts.link(made.id()));
        return 0;
    }

    private int reset(String login) {
        Optional<AccountView> account = accounts.byLogin(login);
        if (account.isEmpty()) {
            return refused("Nobody signs in as “" + login + "”.");
        }
        out.println("This link sets a new password for “" + account.get().login()
                + "”. It works once, for 30 days; until then the old password stays:");
        out.println(address + "/welcome/" + accounts.link(account.get().id()));
        return 0;
    }

    private int refused(String why) {
        err.println("satchel: " + why);
        return 2;
    }
}
