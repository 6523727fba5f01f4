package org.opensatchel.core.project;

import java.util.Optional;
import org.opensatchel.base.path.ProjectPath;

/**
 * A file of a sealed folder as one hand-in had it, to hold the next one against.
 *
 * @param path where it lies by the plan, composed
 * @param bytes its size
 * @param sha256 its content's hash in hexadecimal, where it was found out
 * @param checksum its CRC-32, where its archive told it; 0 where none did
 */
public record SealedFile(ProjectPath path, long bytes, Optional<String> sha256, long checksum) {

    /** Whether the two have the same content, as far as can be told from what is known of both. */
    public boolean isSameAs(SealedFile other) {
        if (bytes != other.bytes) {
            return false;
        }
        if (sha256.isPresent() && other.sha256.isPresent()) {
            return sha256.equals(other.sha256);
        }
        return checksum == 0 || other.checksum == 0 || checksum == other.checksum;
    }

    /** Whether enough is known of both to say that they are the same, wherever they lie. */
    public boolean isSurelySameAs(SealedFile other) {
        boolean hashes = sha256.isPresent() && other.sha256.isPresent();
        return bytes > 0 && (hashes || (checksum != 0 && other.checksum != 0)) && isSameAs(other);
    }
}
