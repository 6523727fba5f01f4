package org.opensatchel.web.handin;

/** Whether a project is handed in, or only checked before that, which counts for nothing. */
public enum HandInKind {
    HAND_IN, PRE_CHECK
}
