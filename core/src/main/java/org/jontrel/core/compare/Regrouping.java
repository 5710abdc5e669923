package org.jontrel.core.compare;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.GroupUse;

/** Sees that a group of a type's own became a shared one, or back, in what looks like removals and additions. */
final class Regrouping {
    private Regrouping() {}

    /** The changes with such pairs as one change, in the place of the first. */
    static List<Change> joined(List<Change> changes) {
        var owners = new HashMap<String, String>();
        for (var change : changes) {
            if (change instanceof Change.Moved moved && moved.distance() == Change.Moved.Distance.SHARED) {
                owners.putIfAbsent(moved.before().ownerId(), moved.after().ownerId());
                owners.putIfAbsent(moved.after().ownerId(), moved.before().ownerId());
            }
        }
        if (owners.isEmpty()) {
            return changes;
        }
        var joined = new ArrayList<>(changes);
        for (var change : changes) {
            if (change instanceof Change.Removed removed && removed.content() instanceof Group group) {
                pair(joined, removed, owners.get(group.id()));
            } else if (change instanceof Change.Added added && added.content() instanceof Group group) {
                pair(joined, added, owners.get(group.id()));
            }
        }
        return joined;
    }

    private static void pair(List<Change> changes, Change.Removed group, String sharedId) {
        changes.stream()
                .filter(change -> change instanceof Change.Added added
                        && added.content() instanceof GroupUse use
                        && use.group().equals(sharedId)
                        && added.spot().ownerId().equals(group.spot().ownerId()))
                .findFirst()
                .ifPresent(use -> {
                    changes.set(changes.indexOf(group), new Change.Shared(group, (Change.Added) use));
                    changes.remove(use);
                });
    }

    private static void pair(List<Change> changes, Change.Added group, String sharedId) {
        changes.stream()
                .filter(change -> change instanceof Change.Removed removed
                        && removed.content() instanceof GroupUse use
                        && use.group().equals(sharedId)
                        && removed.spot().ownerId().equals(group.spot().ownerId()))
                .findFirst()
                .ifPresent(use -> {
                    changes.set(changes.indexOf(group), new Change.Owned(group, (Change.Removed) use));
                    changes.remove(use);
                });
    }

    /** Changes as the single steps that {@link Rebuild} takes. */
    static List<Change> parted(List<Change> changes) {
        var parted = new ArrayList<Change>();
        for (var change : changes) {
            switch (change) {
                case Change.Shared(Change.Removed group, Change.Added use) -> parted.addAll(List.of(group, use));
                case Change.Owned(Change.Added group, Change.Removed use) -> parted.addAll(List.of(group, use));
                default -> parted.add(change);
            }
        }
        return parted;
    }
}
