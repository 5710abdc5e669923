package org.jontrel.core.move;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.recordtype.RecordType;

/** Where the records of a new content type may come from, and rows or groups that come where a content type goes. */
public final class RecordProposals {
    private final Model from;
    private final Model to;

    public RecordProposals(Model from, Model to) {
        this.from = from;
        this.to = to;
    }

    /** Of a new content type, or of new rows or a new group, those that match most fields first. */
    public List<RecordProposal> to(String id) {
        var type = to.definition(id)
                .filter(each ->
                        each instanceof ContentType && from.definition(id).isEmpty());
        var all = type.isPresent()
                ? records(recordType(to, id))
                : contentTypes(to).flatMap(is -> rows(is, id)).toList();
        return all.stream()
                .sorted(Comparator.comparing(
                                (RecordProposal each) -> each.rule().matched().size())
                        .reversed()
                        .thenComparing(each -> each.rule().place().isEmpty())
                        .thenComparing(RecordProposal::path))
                .toList();
    }

    private static RecordType recordType(Model model, String id) {
        return model.definition(id).flatMap(each -> RecordType.of(model, each)).orElseThrow();
    }

    private static Stream<RecordType> contentTypes(Model model) {
        return RecordType.all(model).stream().filter(each -> each.definition() instanceof ContentType);
    }

    private List<RecordProposal> records(RecordType records) {
        var all = new ArrayList<RecordProposal>();
        contentTypes(from).filter(was -> to.definition(was.id()).isPresent()).forEach(was -> {
            var is = recordType(to, was.id());
            var gone = was.byId().values().stream()
                    .filter(each -> is.field(each.id()).isEmpty())
                    .filter(each -> was.home(each.id()).table().isEmpty())
                    .toList();
            gone.stream()
                    .filter(each -> each.kind() instanceof Kind.Nested)
                    .forEach(each -> record(was, is, records, Optional.of(each), each.inner())
                            .ifPresent(all::add));
            var own = was.fields().filter(gone::contains).toList();
            record(was, is, records, Optional.empty(), own).ifPresent(all::add);
        });
        return all;
    }

    private Optional<RecordProposal> record(
            RecordType was, RecordType is, RecordType records, Optional<Field> place, List<Field> fields) {
        boolean several = place.filter(MovedScope::isRows).isPresent();
        var theirs = links(records, Set.of(was.id())).findFirst();
        var mine = links(is, Set.of(records.id()))
                .filter(each -> was.field(each.id()).isEmpty())
                .filter(each -> !several || each.kind().amount().many())
                .findFirst();
        var link = mine.or(() -> theirs);
        var matched = place.isEmpty()
                ? FieldMatch.among(fields, others(records, theirs))
                : FieldMatch.of(fields, rowName(place), others(records, theirs), false);
        if (link.isEmpty() || matched.isEmpty()) {
            return Optional.empty();
        }
        boolean titled = records.title().isEmpty() || matched.containsValue("part_title");
        var title = titled ? "" : title(was, place);
        var rule = new RecordMove(
                records.id(),
                place.map(Field::id).orElse(""),
                link.get().id(),
                mine.isEmpty(),
                matched,
                title,
                false,
                List.of());
        return Optional.of(new RecordProposal(
                was.key() + place.map(each -> "." + each.key()).orElse(""),
                label(was, place.stream().toList(), fields, matched),
                was,
                was,
                rule));
    }

    /** What the rows stand in, and what names the row. */
    private static String title(RecordType was, Optional<Field> place) {
        var name = place.stream()
                .flatMap(each -> each.inner().stream())
                .filter(each -> each.id().equals(rowName(place)))
                .findFirst()
                .map(each -> "{" + each.key() + "}");
        var around = was.title().map(_ -> "{" + was.key() + "}");
        return Stream.of(around, name).flatMap(Optional::stream).collect(Collectors.joining(", "));
    }

    private static String label(RecordType was, List<Field> place, List<Field> fields, Map<String, String> matched) {
        var named = place.isEmpty()
                ? fields.stream().filter(each -> matched.containsKey(each.id())).toList()
                : place;
        return named.stream().map(Field::label).collect(Collectors.joining(", ")) + " of " + was.plural();
    }

    /** New rows, or a new group, of a record type that stays, from the records of types that go. */
    private Stream<RecordProposal> rows(RecordType is, String fieldId) {
        var was = from.definition(is.id()).flatMap(each -> RecordType.of(from, each));
        var place = is.field(fieldId)
                .filter(each -> each.kind() instanceof Kind.Nested)
                .filter(each -> is.home(fieldId).table().isEmpty());
        if (was.isEmpty() || place.isEmpty() || was.get().field(fieldId).isPresent()) {
            return Stream.empty();
        }
        boolean several = MovedScope.isRows(place.get());
        return contentTypes(from)
                .filter(each -> to.definition(each.id()).isEmpty())
                .flatMap(records -> {
                    var theirs = links(records, Set.of(is.id()))
                            .filter(each -> several || isSingle(each))
                            .findFirst();
                    var mine = links(was.get(), Set.of(records.id()))
                            .filter(each -> several || !each.kind().amount().many())
                            .findFirst();
                    var link = mine.or(() -> theirs);
                    var matched = FieldMatch.of(place.get().inner(), rowName(place), others(records, theirs), true);
                    return link.isEmpty() || matched.isEmpty()
                            ? Stream.empty()
                            : Stream.of(new RecordProposal(
                                    records.key(),
                                    records.plural(),
                                    records,
                                    is,
                                    new RecordMove(
                                            records.id(),
                                            fieldId,
                                            link.get().id(),
                                            mine.isEmpty(),
                                            matched,
                                            "",
                                            true,
                                            List.of())));
                });
    }

    private static boolean isSingle(Field link) {
        return link.kind() instanceof Kind.Relation relation
                && relation.inverse() != null
                && !relation.inverse().many();
    }

    /** The relations of records themselves, in one direction, that lead to these types. */
    private static Stream<Field> links(RecordType recordType, Set<String> to) {
        return recordType.byId().values().stream()
                .filter(each -> recordType.home(each.id()).table().isEmpty())
                .filter(each -> each.kind() instanceof Kind.Relation relation
                        && !relation.symmetric()
                        && relation.to().equals(to));
    }

    private static List<Field> others(RecordType recordType, Optional<Field> link) {
        return recordType
                .fields()
                .filter(each -> !link.equals(Optional.of(each)))
                .toList();
    }

    private static String rowName(Optional<Field> place) {
        return place.map(Field::kind)
                .filter(Kind.Repeater.class::isInstance)
                .map(each -> ((Kind.Repeater) each).rowName())
                .orElse("");
    }

    /** The one that an answer names; empty where there is none. */
    public Optional<RecordProposal> named(String id, String answer) {
        var parts = answer.strip().split(RecordProposal.TITLED, 2);
        return to(id).stream()
                .filter(each -> each.path().equals(parts[0].strip()))
                .findFirst()
                .map(each -> parts.length == 1 || each.rule().toRows() ? each : each.titled(parts[1].strip()));
    }

    /** By the ids of what they come to, those that can come; empty for most models. */
    public Map<String, List<RecordProposal>> all() {
        var all = new LinkedHashMap<String, List<RecordProposal>>();
        Stream.concat(
                        contentTypes(to).map(RecordType::id),
                        contentTypes(to)
                                .flatMap(is -> is.byId().values().stream()
                                        .filter(each -> each.kind() instanceof Kind.Nested)
                                        .map(Field::id)))
                .forEach(id -> {
                    var found = to(id);
                    if (!found.isEmpty()) {
                        all.put(id, found);
                    }
                });
        return all;
    }
}
