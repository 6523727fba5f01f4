package org.opensatchel.core.judging;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.core.report.Report.FindingLine;

/**
 * What makes a finding the same one in the next hand-in: its code, its file, and what in it is meant, wherever that stands in the file.
 * Numbers in the file's name do not count, so that the next version of a document is the same document.
 */
public final class FindingKey {

    /** Letters of a key. */
    public static final int LENGTH = 32;
    /** What tells findings of one code in one file apart; counts and what was proposed are not among them. */
    private static final List<FactName> TELLING = List.of(FactName.TEXT, FactName.WANTED, FactName.ROLE, FactName.FOUND, FactName.HOW,
            FactName.PATTERN);

    private FindingKey() {
    }

    public static String of(FindingLine finding) {
        StringBuilder what = new StringBuilder(finding.code()).append('\0').append(finding.path().replaceAll("[0-9]+", "#"));
        for (FactName name : TELLING) {
            Optional<String> text = finding.facts().flatMap(facts -> facts.text(name));
            what.append('\0').append(text.orElse(""));
        }
        try {
            byte[] hash = MessageDigest.getInstance("SHA-256").digest(what.toString().getBytes(StandardCharsets.UTF_8));
            return HexFormat.of().formatHex(hash, 0, LENGTH / 2);
        } catch (NoSuchAlgorithmException impossible) {
            throw new IllegalStateException("every Java has SHA-256", impossible);
        }
    }
}
