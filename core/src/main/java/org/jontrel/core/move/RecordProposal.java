package org.jontrel.core.move;

import java.util.Arrays;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.stream.Collectors;
import org.jontrel.core.recordtype.RecordType;

/**
 * Rows, a group or fields that could become records, or records that could become rows or a group.
 *
 * @param path as an answer names it: {@code mooring.contacts}, {@code mooring}; for records that become rows {@code contact}
 * @param label what people call what goes
 * @param was the record type that they go from
 * @param around the record type whose rows, group or fields they are
 */
public record RecordProposal(String path, String label, RecordType was, RecordType around, RecordMove rule) {
    static final String TITLED = " titled ";

    /** The answer that takes it, with the formula for titles where one is needed: {@code mooring.contacts titled {name}}. */
    public String answer() {
        return path + (rule.title().isEmpty() ? "" : TITLED + rule.title());
    }

    /** The answer where one record stands for rows of several: its title says nothing of what they are in. */
    public String unitedAnswer() {
        var title = Arrays.stream(rule.title().split(", "))
                .filter(part -> !part.equals(aroundName()))
                .collect(Collectors.joining(", "));
        return path + (title.isEmpty() ? "" : TITLED + title);
    }

    /** Whether titles name what the rows are in. */
    public boolean namesAround() {
        return rule.title().contains(aroundName());
    }

    private String aroundName() {
        return "{" + around.key() + "}";
    }

    /** The same with titles by a formula; what it says comes from no single field. */
    RecordProposal titled(String formula) {
        var matched = new LinkedHashMap<>(rule.matched());
        matched.values().removeIf("part_title"::equals);
        var own = new RecordMove(
                rule.records(), rule.place(), rule.link(), rule.linkThere(), matched, formula, false, "", List.of());
        return new RecordProposal(path, label, was, around, own);
    }

    /** Whether both take what goes away from the other. */
    public boolean contends(RecordProposal other) {
        return was.id().equals(other.was().id())
                && (rule.toRows()
                        || rule.place().equals(other.rule().place())
                        || !Collections.disjoint(
                                rule.matched().keySet(), other.rule().matched().keySet()));
    }
}
