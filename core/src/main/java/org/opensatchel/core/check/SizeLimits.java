package org.opensatchel.core.check;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.opensatchel.core.finding.Advice;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.kit.Kit;

/** Files, and projects, over the kit's limits. */
final class SizeLimits implements Check {

    private static final Advice FILE = Advice.of("A file is too large", "It cannot be copied or uploaded everywhere it has to go.",
            "Export it again, smaller or shorter.", "Link the new file, and save.");
    private static final Advice TOTAL = Advice.of("The project is too large", "It cannot be copied or uploaded everywhere it has to go.",
            "See which files take the room, and remove what is not linked.");

    @Override
    public Map<Code, Advice> catalogue() {
        return Map.of(Code.ASSET_TOO_LARGE, FILE, Code.ASSET_TOTAL_TOO_LARGE, TOTAL);
    }

    @Override
    public List<Finding> judge(Evidence evidence) {
        List<Finding> out = new ArrayList<>();
        Kit.Limits limits = evidence.kit().map(Kit::limits).orElse(Kit.Limits.NONE);
        limits.fileBytes().ifPresent(most -> evidence.tree().ownFiles().stream().filter(file -> file.bytes() > most)
                .forEach(file -> out.add(Finding.of(Code.ASSET_TOO_LARGE, FILE).path(file.path()).saying("“" + file.path() + "” has " + size(file.bytes()) + "; " + size(most) + " are allowed."))));
        limits.totalBytes().ifPresent(most -> {
            if (evidence.tree().bytes() > most) {
                out.add(Finding.of(Code.ASSET_TOTAL_TOO_LARGE, TOTAL).saying("The project has " + size(evidence.tree().bytes()) + "; " + size(most) + " are allowed."));
            }
        });
        return out;
    }

    private static String size(long bytes) {
        return bytes < 1_000_000 ? bytes + " bytes" : String.format(Locale.ROOT, "%.1f MB", bytes / 1_000_000.0);
    }
}
