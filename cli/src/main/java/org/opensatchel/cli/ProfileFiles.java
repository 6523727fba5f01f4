package org.opensatchel.cli;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.opensatchel.base.hash.Sha256;
import org.opensatchel.base.json.JsonFault;
import org.opensatchel.formats.described.Profile;
import org.opensatchel.formats.described.ProfileReader;
import org.opensatchel.formats.described.ProfileReading;
import org.opensatchel.formats.described.ProfileWriter;

/** Profiles that are given as files, in their order. */
final class ProfileFiles {

    private final List<Profile> profiles = new ArrayList<>();
    private final Set<String> hashes = new HashSet<>();

    private ProfileFiles() {
    }

    static ProfileFiles open(List<String> files) throws Refusal {
        ProfileFiles out = new ProfileFiles();
        for (String file : files) {
            out.add(file);
        }
        return out;
    }

    private void add(String file) throws Refusal {
        byte[] json = bytes(file);
        ProfileReading reading = ProfileReader.read(json);
        Profile profile = reading.profile().orElseThrow(() -> new Refusal("profile.unusable", file,
                new Refusal.Phrases(reading.faults().stream().map(JsonFault::said).toList(), " ")));
        profiles.add(profile);
        hashes.add(Sha256.of(json));
        hashes.add(ProfileWriter.sha256(profile));
    }

    private static byte[] bytes(String file) throws Refusal {
        try {
            Path path = Path.of(file);
            if (!Files.isRegularFile(path)) {
                throw new Refusal("profile.no-file", file);
            }
            try (InputStream in = Files.newInputStream(path)) {
                return in.readNBytes(Profile.MAX_BYTES + 1);
            }
        } catch (InvalidPathException | IOException unreadable) {
            throw new Refusal("profile.unreadable", file);
        }
    }

    List<Profile> profiles() {
        return profiles;
    }

    /** Makes sure that every profile is here that a kit names by its content. */
    void requireAll(List<String> named) throws Refusal {
        for (String hash : named) {
            if (!hashes.contains(hash)) {
                throw new Refusal("profile.not-given", hash);
            }
        }
    }
}
