package org.jontrel.server.record;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jontrel.core.model.Kind;
import org.jontrel.core.record.Values;
import org.jontrel.core.value.Link;
import org.jontrel.serve.record.RecordProblem;
import org.jontrel.serve.record.ReferenceNames;
import org.jontrel.site.record.RecordStore;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.write.Write;
import org.springframework.stereotype.Component;

/** Records as forms need them: with names for everything they lead to, and what leads to them. */
@Component
class RecordForms {
    RecordViews.OpenRecord open(RecordTypes.BoundSite at, StoredRecord record) {
        var recordType = at.table().recordType();
        var known = ReferenceNames.of(at.engine(), recordType, List.of(record.values()));
        var records = at.engine().records();
        var address = records.addresses(at.id(), List.of(record)).getOrDefault(record.id(), record.slug());
        var write = Write.fresh(
                at.id(), record.state(), Values.wire(recordType.fields().toList(), record.values()), "");
        var checked =
                records.check(record.parent().map(write::under).orElse(write)).orElseThrow();
        return new RecordViews.OpenRecord(
                RecordViews.view(at.site(), recordType, record, address, known),
                links(at, record, known),
                FileView.of(at.site(), known),
                RecordProblem.of(checked.problems()),
                pointers(at, record.id()),
                List.copyOf(checked.hidden()),
                setAside(at, record));
    }

    private static List<RecordViews.SetAsideView> setAside(RecordTypes.BoundSite at, StoredRecord record) {
        return at.engine().runs().setAside(at.id(), record.id()).stream()
                .filter(each -> !record.values().containsKey(each.fieldId()))
                .flatMap(each -> at
                        .table()
                        .recordType()
                        .field(each.fieldId())
                        .map(field -> new RecordViews.SetAsideView(field.label(), each.runId()))
                        .stream())
                .toList();
    }

    /** Also what it stands under. */
    private static List<LinkView> links(RecordTypes.BoundSite at, StoredRecord record, ReferenceNames known) {
        if (record.parent().isEmpty()) {
            return LinkView.of(known);
        }
        var all = new java.util.ArrayList<>(LinkView.of(known));
        all.addAll(LinkView.of(
                ReferenceNames.of(at.engine(), Set.of(record.parent().get()))));
        return all;
    }

    private static List<RecordViews.PointerView> pointers(RecordTypes.BoundSite at, long id) {
        var pointers = at.engine().records().pointers(at.id(), id);
        var links = new HashSet<Link>();
        pointers.forEach(each -> each.records().forEach(record -> links.add(new Link(each.recordTypeId(), record))));
        var named = at.engine().records().named(links);
        return pointers.stream().map(each -> pointer(at, each, named)).toList();
    }

    private static RecordViews.PointerView pointer(
            RecordTypes.BoundSite at, RecordStore.Pointers pointers, Map<Link, RecordStore.Named> named) {
        var recordType = at.engine()
                .installed()
                .table(pointers.recordTypeId())
                .orElseThrow()
                .recordType();
        var field = recordType.field(pointers.fieldId()).orElseThrow();
        var inverse = field.kind() instanceof Kind.Relation relation ? relation.inverse() : null;
        var records = pointers.records().stream()
                .map(record -> new Link(pointers.recordTypeId(), record))
                .filter(named::containsKey)
                .map(link -> new LinkView(
                        link.type(),
                        link.id(),
                        named.get(link).title(),
                        named.get(link).slug(),
                        named.get(link).state()))
                .toList();
        return new RecordViews.PointerView(
                recordType.id(),
                field.id(),
                recordType.definition().sort().folder(),
                recordType.key(),
                inverse == null ? field.label() + " (" + recordType.singular() + ")" : inverse.label(),
                inverse != null && inverse.shown(),
                records);
    }
}
