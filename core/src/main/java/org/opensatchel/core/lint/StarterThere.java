package org.opensatchel.core.lint;

import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.OTHER;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.NoSuchFileException;
import java.security.DigestInputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.hash.Sha256;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.Kit.StarterFile;
import org.opensatchel.core.pack.Handout.StarterContents;

/** Every starter file is at hand, and is the one the kit names. */
final class StarterThere implements LintRule {

    @Override
    public List<LintFault> judge(LintSubject subject) throws IOException {
        List<LintFault> out = new ArrayList<>(pictures(subject.kit()));
        if (subject.contents().isEmpty()) {
            return out;
        }
        for (int i = 0; i < subject.kit().starter().size(); i++) {
            StarterFile file = subject.kit().starter().get(i);
            String at = "/starter/" + i;
            Optional<String> found = sha256(subject.contents().get(), file);
            if (found.isEmpty()) {
                out.add(new LintFault(LintCode.STARTER_MISSING, at, LintWording.STARTER_MISSING.say(Facts.of(FOUND, file.path()))));
            } else if (!found.get().equals(file.sha256())) {
                out.add(new LintFault(LintCode.STARTER_DIFFERS, at, LintWording.STARTER_DIFFERS.say(Facts.of(FOUND, file.path()))));
            }
        }
        return out;
    }

    /** The pictures of steps are starter files. */
    private static List<LintFault> pictures(Kit kit) {
        List<LintFault> out = new ArrayList<>();
        for (int i = 0; i < kit.steps().size(); i++) {
            Kit.Step step = kit.steps().get(i);
            if (step.picture().isPresent() && kit.starter().stream().noneMatch(file -> file.path().equals(step.picture().get()))) {
                out.add(new LintFault(LintCode.PICTURE_NOWHERE, "/steps/" + i,
                        LintWording.PICTURE_NOWHERE.say(Facts.of(OTHER, step.title()).and(FOUND, step.picture().get()))));
            }
        }
        return out;
    }

    private static Optional<String> sha256(StarterContents contents, StarterFile file) throws IOException {
        try (InputStream content = contents.open(file)) {
            DigestInputStream digest = new DigestInputStream(content, Sha256.digest());
            digest.transferTo(java.io.OutputStream.nullOutputStream());
            return Optional.of(Sha256.hex(digest.getMessageDigest().digest()));
        } catch (NoSuchFileException missing) {
            return Optional.empty();
        }
    }
}
