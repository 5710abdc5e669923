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
    private final Map<String, RecordType> before;
    private final Map<String, RecordType> after;
    private final Map<String, List<RecordProposal>> all = new LinkedHashMap<>();

    public RecordProposals(Model from, Model to) {
        before = contentTypes(from);
        after = contentTypes(to);
        for (var is : after.values()) {
            var was = before.get(is.id());
            if (was == null) {
                keep(is.id(), records(is).stream());
            } else if (!was.equals(is)) {
                is.byId().values().stream()
                        .filter(each -> each.kind() instanceof Kind.Nested)
                        .filter(each -> was.field(each.id()).isEmpty())
                        .filter(each -> is.home(each.id()).table().isEmpty())
                        .forEach(each -> keep(each.id(), rows(was, is, each)));
            }
        }
    }

    /** The content types of a model by their ids. */
    public static Map<String, RecordType> contentTypes(Model model) {
        var types = new LinkedHashMap<String, RecordType>();
        RecordType.all(model).stream()
                .filter(each -> each.definition() instanceof ContentType)
                .forEach(each -> types.put(each.id(), each));
        return types;
    }

    private void keep(String id, Stream<RecordProposal> found) {
        var sorted = found.sorted(Comparator.comparing(
                                (RecordProposal each) -> each.rule().matched().size())
                        .reversed()
                        .thenComparing(each -> each.rule().place().isEmpty())
                        .thenComparing(RecordProposal::path))
                .toList();
        if (!sorted.isEmpty()) {
            all.put(id, sorted);
        }
    }

    /** Of a new content type, or of new rows or a new group, those that match most fields first. */
    public List<RecordProposal> to(String id) {
        return all.getOrDefault(id, List.of());
    }

    /** By the ids of what they come to, those that can come; empty for most models. */
    public Map<String, List<RecordProposal>> all() {
        return new LinkedHashMap<>(all);
    }

    private List<RecordProposal> records(RecordType records) {
        var all = new ArrayList<RecordProposal>();
        before.values().stream().filter(was -> after.containsKey(was.id())).forEach(was -> {
            var is = after.get(was.id());
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
                ? FieldMatch.among(fields, others(records, theirs), theirs, records.key())
                : FieldMatch.of(fields, rowName(place), others(records, theirs), theirs, false);
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
                "",
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
    private Stream<RecordProposal> rows(RecordType was, RecordType is, Field place) {
        boolean several = MovedScope.isRows(place);
        return before.values().stream()
                .filter(each -> !after.containsKey(each.id()))
                .flatMap(records -> {
                    var theirs = links(records, Set.of(is.id()))
                            .filter(each -> several || isSingle(each))
                            .findFirst();
                    var mine = links(was, Set.of(records.id()))
                            .filter(each -> several || !each.kind().amount().many())
                            .findFirst();
                    var link = mine.or(() -> theirs);
                    var matched = FieldMatch.of(
                            place.inner(), rowName(Optional.of(place)), others(records, theirs), theirs, true);
                    return link.isEmpty() || matched.isEmpty()
                            ? Stream.empty()
                            : Stream.of(new RecordProposal(
                                    records.key(),
                                    records.plural(),
                                    records,
                                    is,
                                    new RecordMove(
                                            records.id(),
                                            place.id(),
                                            link.get().id(),
                                            mine.isEmpty(),
                                            matched,
                                            "",
                                            true,
                                            "",
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
}
