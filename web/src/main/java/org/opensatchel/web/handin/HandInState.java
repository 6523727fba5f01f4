package org.opensatchel.web.handin;

/** How far a hand-in's check has come. */
public enum HandInState {
    WAITING, CHECKING, DONE, FAILED
}
