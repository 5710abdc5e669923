package org.jontrel.site.testing;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.jontrel.core.move.RecordMove;
import org.jontrel.core.plan.Plan;
import org.jontrel.core.plan.Step;
import org.jontrel.core.record.GroupedValues;
import org.jontrel.core.value.Link;
import org.jontrel.site.Site;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.write.SaveResult;
import org.jontrel.site.record.write.Write;

/** Edits of a person to records that a run has made: what they were may have other values when it comes back. */
public record MadeEdits(Site site) {
    private static final int MOST = 1_000;

    /** Gives one record of each such type another title; the ids of these records and of those that they belong to. */
    public Set<Long> edit(Plan plan) {
        var edited = new HashSet<Long>();
        for (var planned : plan.steps()) {
            if (planned.step() instanceof Step.MakeRecords make) {
                var rule = make.rule();
                site.records().all(rule.records(), MOST).stream()
                        .filter(each -> !each.title().isEmpty())
                        .findFirst()
                        .filter(each -> site.records()
                                        .save(Write.change(
                                                rule.records(),
                                                each,
                                                Map.of("title", "Edited by hand too"),
                                                false,
                                                "ben"))
                                instanceof SaveResult.Stored)
                        .ifPresent(each -> edited.addAll(belonging(make.recordTypeId(), rule, each)));
            }
        }
        return edited;
    }

    private Set<Long> belonging(String aroundId, RecordMove rule, StoredRecord made) {
        var edited = new HashSet<Long>(Set.of(made.id()));
        var holder = rule.linkThere() ? rule.records() : aroundId;
        var recordType = site.installed().table(holder).orElseThrow().recordType();
        site.records().all(holder, MOST).forEach(each -> {
            var links = links(GroupedValues.get(recordType, each.values(), rule.link()));
            if (!rule.linkThere() && links.contains(made.id())) {
                edited.add(each.id());
            } else if (rule.linkThere() && each.id() == made.id()) {
                edited.addAll(links);
            }
        });
        return edited;
    }

    private static List<Long> links(Optional<Object> value) {
        return value.stream()
                .flatMap(each -> each instanceof List<?> several ? several.stream() : Stream.of(each))
                .map(each -> ((Link) each).id())
                .toList();
    }
}
