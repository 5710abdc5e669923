package org.jontrel.core.merge;

import java.util.ArrayList;
import org.jontrel.core.compare.SettingTexts;
import org.jontrel.core.format.Difference;
import org.jontrel.core.format.Located;

/** What one side did to a thing that the other removed, in a few words. */
final class SideSummary {
    private SideSummary() {}

    /** {@code " (maximum, moved)"}, or empty where nothing of it can be named. */
    static String edits(Located before, Located after, SettingTexts words) {
        var edits = new ArrayList<String>();
        Difference.between(before.thing(), after.thing()).stream()
                .map(difference -> words.name(difference.name()))
                .forEach(edits::add);
        boolean moved = before.owner() != null
                && after.owner() != null
                && !before.owner().key().equals(after.owner().key());
        if (moved) {
            edits.add("moved");
        }
        if (edits.isEmpty()) {
            edits.add("changed within");
        }
        return " (" + String.join(", ", edits) + ")";
    }
}
