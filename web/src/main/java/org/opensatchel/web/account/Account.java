package org.opensatchel.web.account;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;

/** Somebody who can sign in. */
@Entity
class Account {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;
    private String login;
    private String displayName;
    private String passwordHash;
    @Enumerated(EnumType.STRING)
    private Role role;
    private String email;
    private Long madeFor;

    protected Account() {
    }

    /**
     * @param passwordHash null until its owner has chosen a password
     * @param email the whole address, null where none is known
     * @param madeFor the course whose roster it was made for, null for none
     */
    Account(String login, String displayName, String passwordHash, Role role, String email, Long madeFor) {
        this.email = email;
        this.madeFor = madeFor;
        this.login = login;
        this.displayName = displayName;
        this.passwordHash = passwordHash;
        this.role = role;
    }

    Long id() {
        return id;
    }

    String login() {
        return login;
    }

    String displayName() {
        return displayName;
    }

    /** Null where none is known. */
    String email() {
        return email;
    }

    void called(String name) {
        displayName = name;
    }

    /** @param address null for none */
    void address(String address) {
        email = address;
    }

    String passwordHash() {
        return passwordHash;
    }

    void password(String hash) {
        passwordHash = hash;
    }

    Role role() {
        return role;
    }
}
