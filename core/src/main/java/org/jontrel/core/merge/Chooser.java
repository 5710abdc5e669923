package org.jontrel.core.merge;

import java.util.List;
import java.util.Objects;
import org.jontrel.core.compare.SettingTexts;

/**
 * Takes the side that changed; ours, with a clash, where both did and differ.
 *
 * @param what the thing that is chosen for, in words
 */
record Chooser(String definitionId, String elementId, String what, SideTexts words, List<Clash> clashes) {
    /** How the settings of each model read. */
    record SideTexts(SettingTexts base, SettingTexts ours, SettingTexts theirs) {}

    <V> V choose(String property, V before, V mine, V other) {
        if (Objects.equals(mine, other) || Objects.equals(before, other)) {
            return mine;
        }
        if (Objects.equals(before, mine)) {
            return other;
        }
        clash(property, before, mine, other);
        return mine;
    }

    void clash(String property, Object before, Object mine, Object other) {
        clashes.add(new Clash(
                definitionId,
                elementId,
                what + ": " + words.ours().name(property),
                text(words.base(), before),
                text(words.ours(), mine),
                text(words.theirs(), other)));
    }

    private static String text(SettingTexts words, Object value) {
        return words.value(value instanceof ThreeWay.SlotLocation home ? home.owner() : value);
    }
}
