package org.opensatchel.core.match;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.kit.FolderRule;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.naming.RosterFields;

/**
 * The parts of a project that a kit sets apart: folders a program keeps, and folders nobody may touch. Answers are
 * remembered by folder, since every file of a folder asks the same.
 */
public final class ExcludedParts {

    private final Optional<Kit> kit;
    private final RosterFields fields;
    private final List<FolderRule> managedRules;
    private final List<FolderRule> sealedRules;
    private final Map<ProjectPath, Boolean> managed = new ConcurrentHashMap<>();
    private final Map<ProjectPath, Boolean> sealed = new ConcurrentHashMap<>();

    public ExcludedParts(Optional<Kit> kit, RosterFields fields) {
        this.kit = kit;
        this.fields = fields;
        this.managedRules = kit.map(plan -> plan.folders().stream().filter(FolderRule::managed).toList()).orElse(List.of());
        this.sealedRules = kit.map(plan -> plan.folders().stream().filter(FolderRule::sealed).toList()).orElse(List.of());
    }

    /** Whether a path is a managed folder or lies in one; what lies beside the root is kept by programs too. */
    public boolean isManaged(ProjectPath path) {
        return path.isBesideRoot() || isOne(path, managedRules) || lies(path.parent(), managedRules, managed);
    }

    /** Whether a path lies in a sealed folder; the folder itself is not meant. */
    public boolean isInSealed(ProjectPath path) {
        return !path.isRoot() && lies(path.parent(), sealedRules, sealed);
    }

    private boolean lies(ProjectPath folder, List<FolderRule> rules, Map<ProjectPath, Boolean> known) {
        if (rules.isEmpty()) {
            return false;
        }
        boolean answer = false;
        Deque<ProjectPath> below = new ArrayDeque<>();
        for (ProjectPath at = folder; !at.isRoot() && !answer; at = at.parent()) {
            Boolean told = known.get(at);
            if (told != null) {
                answer = told;
                break;
            }
            below.push(at);
            answer = isOne(at, rules);
        }
        for (ProjectPath at : below) {
            known.put(at, answer);
        }
        return answer;
    }

    private boolean isOne(ProjectPath folder, List<FolderRule> rules) {
        for (FolderRule rule : rules) {
            if (rule.path().fits(folder, fields, kit.orElseThrow().ascii())) {
                return true;
            }
        }
        return false;
    }
}
