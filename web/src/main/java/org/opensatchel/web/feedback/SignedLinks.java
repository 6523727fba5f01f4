package org.opensatchel.web.feedback;

import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.security.SecureRandom;
import java.util.Base64;
import java.util.Optional;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Links that open one slip's report for whoever has them: its number, signed with a key of this installation (HMAC-SHA256, RFC 2104). */
@Component
class SignedLinks {

    private static final String NAME = "slip-links";
    private static final int KEY_BYTES = 32;
    private static final int SIGNATURE_BYTES = 18;

    private final FeedbackLetterRows slips;
    private final String address;

    SignedLinks(FeedbackLetterRows slips, @Value("${satchel.address}") String address) {
        this.slips = slips;
        this.address = address.replaceFirst("/+$", "");
    }

    @Transactional
    public String link(long slip) {
        return address + "/slips/" + slip + "-" + signature(slip);
    }

    /** The slip that a link's last part opens; empty for one that nobody signed. */
    @Transactional
    public Optional<Long> opens(String token) {
        int dash = token.indexOf('-');
        if (dash < 1 || dash > 18 || !token.substring(0, dash).chars().allMatch(c -> c >= '0' && c <= '9')) {
            return Optional.empty();
        }
        long slip = Long.parseLong(token.substring(0, dash));
        boolean ours = MessageDigest.isEqual(signature(slip).getBytes(StandardCharsets.US_ASCII),
                token.substring(dash + 1).getBytes(StandardCharsets.UTF_8));
        return Optional.of(slip).filter(one -> ours);
    }

    private static byte[] random() {
        byte[] made = new byte[KEY_BYTES];
        new SecureRandom().nextBytes(made);
        return made;
    }

    private String signature(long slip) {
        byte[] key = slips.secret(NAME).orElseGet(() -> slips.keepSecret(NAME, random()));
        try {
            Mac mac = Mac.getInstance("HmacSHA256");
            mac.init(new SecretKeySpec(key, "HmacSHA256"));
            byte[] all = mac.doFinal(("slip " + slip).getBytes(StandardCharsets.US_ASCII));
            return Base64.getUrlEncoder().withoutPadding().encodeToString(java.util.Arrays.copyOf(all, SIGNATURE_BYTES));
        } catch (GeneralSecurityException impossible) {
            throw new IllegalStateException("every Java has HMAC-SHA256", impossible);
        }
    }
}
