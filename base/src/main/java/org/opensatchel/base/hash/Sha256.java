package org.opensatchel.base.hash;

import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;

/** SHA-256 (FIPS 180-4), by which contents are told apart; written in 64 small hexadecimal digits. */
public final class Sha256 {

    private Sha256() {
    }

    /** A digest to be fed. */
    public static MessageDigest digest() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException impossible) {
            throw new IllegalStateException("every Java has SHA-256", impossible);
        }
    }

    public static String of(byte[] content) {
        return hex(digest().digest(content));
    }

    public static String hex(byte[] digest) {
        return HexFormat.of().formatHex(digest);
    }
}
