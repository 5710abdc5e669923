package org.jontrel.site.run.move;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.move.NameLookup;
import org.jontrel.core.move.RelatedFields;
import org.jontrel.core.plan.PlannedValues;
import org.jontrel.core.plan.Step;
import org.jontrel.core.record.ValueTexts;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.Link;
import org.jontrel.site.record.read.RecordLoader;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.run.name.SiteNameLookup;
import org.jontrel.site.table.Binding;

/** What a plan would make of some records, computed without writing anything. */
public final class PlanSamples {
    private final Connection connection;
    private final Binding binding;
    private final Model to;
    private final Names names;

    public PlanSamples(Connection connection, Binding binding, Model to) {
        this.connection = connection;
        this.binding = binding;
        this.to = to;
        this.names = new Names(new SiteNameLookup(connection, binding, to, false));
    }

    /**
     * A record with its values by field as texts, as they are and as they become.
     *
     * @param after empty texts are left out
     */
    public record SampledRecord(StoredRecord record, Map<String, String> before, Map<String, String> after) {}

    /** Records of a type, the first ones that there are. */
    public record SampledType(RecordType was, RecordType is, List<SampledRecord> records) {}

    /**
     * Of each type that a plan changes.
     *
     * @param most how many records of each
     */
    public List<SampledType> of(List<Step> steps, int most) throws SQLException {
        var all = new ArrayList<SampledType>();
        for (var table : binding.tables().values()) {
            var was = table.recordType();
            var is = to.definition(was.id()).flatMap(each -> RecordType.of(to, each));
            boolean retyped = steps.stream()
                    .anyMatch(each -> each instanceof Step.RetypeRecords
                            && each.recordTypeId().equals(was.id()));
            if (is.isPresent() && !is.get().equals(was) && !retyped) {
                all.add(new SampledType(was, is.get(), records(table, is.get(), steps, most)));
            }
            all.addAll(made(table, steps, most));
        }
        return all;
    }

    /** Records that are made of rows. */
    private List<SampledType> made(Binding.BoundTables table, List<Step> steps, int most) throws SQLException {
        var types = new LinkedHashMap<RecordType, SampledType>();
        var around = living(table, most);
        for (var each : making(steps).records(table, around)) {
            var type = types.computeIfAbsent(each.is(), is -> new SampledType(each.was(), is, new ArrayList<>()));
            if (type.records().size() < most) {
                type.records()
                        .add(new SampledRecord(
                                each.record(),
                                texts(binding.model(), each.was(), each.row()),
                                texts(to, each.is(), each.record().values())));
            }
        }
        return List.copyOf(types.values());
    }

    private MadeSamples making(List<Step> steps) {
        return new MadeSamples(connection, binding, to, steps, names, names::call);
    }

    private List<StoredRecord> living(Binding.BoundTables table, int most) throws SQLException {
        return new RecordLoader(table)
                .after(connection, 0, most).stream()
                        .filter(record -> !record.deleted())
                        .toList();
    }

    private List<SampledRecord> records(Binding.BoundTables table, RecordType is, List<Step> steps, int most)
            throws SQLException {
        var sources = steps.stream()
                .filter(each ->
                        each instanceof Step.MoveValues && each.recordTypeId().equals(is.id()))
                .flatMap(each -> ((Step.MoveValues) each).moves().stream())
                .flatMap(move -> move.sources().stream())
                .toList();
        var related = new RelatedValues(binding, table.recordType(), sources);
        var seen = RelatedFields.seen(table.recordType(), binding.model(), sources);
        var planned = new PlannedValues(seen, is, steps, names);
        var all = new ArrayList<SampledRecord>();
        var found = living(table, most);
        var made = making(steps).around(table, is, found);
        for (var record : related.with(connection, found)) {
            var after = MadeSamples.merged(planned.apply(record.values()), made.getOrDefault(record.id(), Map.of()));
            all.add(new SampledRecord(
                    record, texts(binding.model(), table.recordType(), record.values()), texts(to, is, after)));
        }
        return all;
    }

    /**
     * Values by field as people read them; without empty ones.
     *
     * @param model to which the values belong: what leads to types that it does not have leads nowhere
     */
    public Map<String, String> texts(Model model, RecordType recordType, Map<String, Object> values) {
        return texts(model, recordType, values, names);
    }

    /** @param lookup knows what records and terms are called */
    public Map<String, String> texts(
            Model model, RecordType recordType, Map<String, Object> values, NameLookup lookup) {
        var texts = new LinkedHashMap<String, String>();
        recordType.fields().filter(field -> values.get(field.id()) != null).forEach(field -> {
            var text = ValueTexts.text(field, values.get(field.id()), (of, value) -> shown(lookup, model, of, value));
            if (!text.isEmpty()) {
                texts.put(field.id(), text);
            }
        });
        return texts;
    }

    /** Finds names, also of terms and records that the plan would make. */
    public NameLookup names() {
        return names;
    }

    /** Pictures and files stay what they are. */
    private static String shown(NameLookup names, Model model, Field field, Object reference) {
        return switch (reference) {
            case Link link when model.definition(link.type()).isEmpty() -> "";
            case Long _ when !(field.kind() instanceof Kind.TermPick) -> String.valueOf(reference);
            default -> names.name(field, reference).orElse("");
        };
    }

    /** Knows the terms and records that would be made by the names that they would have. */
    private record Names(SiteNameLookup site, Map<Object, String> made) implements NameLookup {
        Names(SiteNameLookup site) {
            this(site, new HashMap<>());
        }

        @Override
        public Optional<Object> find(Field field, String name, String makes) {
            return known(site.find(field, name, makes), name);
        }

        @Override
        public Optional<Object> find(Field field, String name, NamingField by) {
            return site.find(field, name, by);
        }

        @Override
        public Optional<Object> find(Field field, List<String> path) {
            return site.find(field, path);
        }

        @Override
        public Optional<Object> make(Field field, List<String> path, String makes) {
            return known(site.make(field, path, makes), path.getLast());
        }

        void call(Object reference, String name) {
            made.put(reference, name);
        }

        private Optional<Object> known(Optional<Object> found, String name) {
            found.filter(each -> each instanceof Long id && id < 0 || each instanceof Link link && link.id() < 0)
                    .ifPresent(each -> made.putIfAbsent(each, name.strip()));
            return found;
        }

        @Override
        public Optional<String> name(Field field, Object reference) {
            return Optional.ofNullable(made.get(reference)).or(() -> site.name(field, reference));
        }

        @Override
        public List<String> path(Field field, Object reference) {
            return site.path(field, reference);
        }
    }
}
