package org.opensatchel.web.account;

/** What an account may do. */
public enum Role {
    INSTRUCTOR, STUDENT
}
