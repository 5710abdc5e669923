package org.jontrel.site.run.move;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.move.Move;
import org.jontrel.core.move.MoveLosses;
import org.jontrel.core.move.MovedValues;
import org.jontrel.core.move.NameLookup;
import org.jontrel.core.move.RelatedFields;
import org.jontrel.core.plan.MovePlan;
import org.jontrel.core.plan.fact.Answer;
import org.jontrel.core.plan.fact.Breach;
import org.jontrel.core.record.Values;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.site.record.read.RecordLoader;
import org.jontrel.site.record.read.UnconvertedValues.CountedValue;
import org.jontrel.site.record.read.UnconvertedValues.CountedValues;
import org.jontrel.site.table.Binding;

/** What a move would do to the records of a site: counted, without writing anything. */
public final class MoveCounts implements MoveLosses {
    private static final int CHUNK = 2_000;
    private static final int EXAMPLES = 5;
    private static final List<String> SEPARATORS = List.of(";", "|", "\n", " / ", ",");
    private static final int REMEMBERED = 20_000;
    private final Map<String, Long> unconverted = new LinkedHashMap<>();
    private long records;
    private long empty;
    private long several;
    private long rowless;
    private long values;
    private long aside;
    private long unmade;
    private boolean more;
    private long splittable;
    private long matched;
    private long tooMany;
    private long outside;
    private long twice;
    private final Set<Object> seen = new HashSet<>();
    private final List<String> outsideExamples = new ArrayList<>();
    private final Map<String, Long> separators = new LinkedHashMap<>();

    private final MovedValues moved;
    private final Field target;
    private final Move move;
    private final boolean own;
    private final NameLookup references;

    /** One that is told values by {@link #add}. */
    public MoveCounts(RecordType was, RecordType is, Move move, NameLookup references) {
        moved = new MovedValues(was, is, List.of(move), references, this);
        target = is.field(move.target()).orElseThrow();
        this.move = move;
        this.references = references;
        own = is.home(move.target()).table().isEmpty();
    }

    /** The values of one more record. */
    public void add(Map<String, Object> values) {
        records++;
        var value = find(moved.apply(values), target.id());
        if (own && value.isEmpty()) {
            empty++;
        }
        value.ifPresent(this::limits);
        value.filter(_ -> isUnique()).ifPresent(this::once);
    }

    /** Looks through all records. */
    public static MoveCounts of(
            Connection connection,
            Binding binding,
            Binding.BoundTables table,
            RecordType is,
            Move move,
            NameLookup references)
            throws SQLException {
        var was = RelatedFields.seen(table.recordType(), binding.model(), move.sources());
        var related = new RelatedValues(binding, table.recordType(), move.sources());
        var counts = new MoveCounts(was, is, move, references);
        var loader = new RecordLoader(table, MovePlan.read(was, is, List.of(move)));
        for (long after = 0; ; ) {
            var some = related.with(connection, loader.after(connection, after, CHUNK));
            if (some.isEmpty()) {
                return counts;
            }
            some.forEach(record -> counts.add(record.values()));
            after = some.getLast().id();
        }
    }

    /** The value of a field of the record itself, in whatever group it stands. */
    private static Optional<Object> find(Map<?, ?> values, String fieldId) {
        return values.containsKey(fieldId)
                ? Optional.of(values.get(fieldId))
                : values.values().stream()
                        .filter(Map.class::isInstance)
                        .flatMap(group -> find((Map<?, ?>) group, fieldId).stream())
                        .findFirst();
    }

    private boolean isUnique() {
        return target.kind() instanceof Kind.Text text && text.unique();
    }

    /** Of very many values only the first ones are remembered. */
    private void once(Object value) {
        if (seen.contains(value)) {
            twice++;
        } else if (seen.size() < REMEMBERED) {
            seen.add(value);
        }
    }

    private void limits(Object value) {
        var most = target.kind() instanceof Kind.Repeater rows
                ? rows.maxRows()
                : target.kind().amount().max();
        if (value instanceof List<?> list) {
            tooMany += most != null && list.size() > most ? 1 : 0;
        } else if (!Values.fits(target, value)) {
            outside++;
            if (outsideExamples.size() < EXAMPLES) {
                outsideExamples.add(Values.show(target.kind(), value));
            }
        }
    }

    @Override
    public void several() {
        several++;
    }

    @Override
    public void rowless() {
        rowless++;
    }

    @Override
    public void unconverted(String value) {
        var meant = move.corrections().getOrDefault(value, value);
        if (meant.isEmpty()) {
            aside++;
            return;
        }
        values++;
        unmade += target.kind() instanceof Kind.Reference && !references.canMake(target, move.path(meant)) ? 1 : 0;
        if (unconverted.size() < REMEMBERED || unconverted.containsKey(value)) {
            unconverted.merge(value, 1L, Long::sum);
        } else {
            more = true;
        }
    }

    @Override
    public void matched() {
        matched++;
    }

    @Override
    public void splittable(String text) {
        boolean holds = false;
        for (var each : SEPARATORS) {
            if (text.strip().contains(each)) {
                separators.merge(each, 1L, Long::sum);
                holds = true;
            }
        }
        splittable += holds ? 1 : 0;
    }

    /** What most texts have between their parts, as an answer writes it. */
    private String separator() {
        return separators.entrySet().stream()
                .max(Map.Entry.comparingByValue())
                .map(each -> each.getKey().replace("\n", "\\n"))
                .orElse("");
    }

    /** Another field by which what is meant can be found. */
    private Optional<NameLookup.FoundNames> matching() {
        return unconverted.isEmpty() || !move.match().isEmpty() || !(target.kind() instanceof Kind.Relation)
                ? Optional.empty()
                : references.matching(target, unconverted.keySet());
    }

    /** As a plan asks for it. */
    public Answer answer() {
        var breaches = new EnumMap<Breach, Long>(Breach.class);
        if (several > 0) {
            breaches.put(Breach.SEVERAL, several);
        }
        if (rowless > 0) {
            breaches.put(Breach.ROWLESS, rowless);
        }
        if (tooMany > 0) {
            breaches.put(Breach.TOO_MANY, tooMany);
        }
        if (twice > 0) {
            breaches.put(Breach.TWICE, twice);
        }
        if (unmade > 0) {
            breaches.put(Breach.UNMADE, unmade);
        }
        if (splittable > 0) {
            breaches.put(Breach.SPLITTABLE, splittable);
        }
        var match = matching();
        long matchable = matched
                + match.map(found -> found.names().stream()
                                .mapToLong(name -> unconverted.getOrDefault(name, 0L))
                                .sum())
                        .orElse(0L);
        if (matchable > 0) {
            breaches.put(Breach.MATCHABLE, matchable);
        }
        return new Answer(
                        records,
                        empty,
                        values,
                        outside,
                        unconverted.keySet().stream().limit(EXAMPLES).toList(),
                        List.copyOf(outsideExamples))
                .breaking(breaches)
                .splitting(separator())
                .matchedBy(match.map(found -> found.by().key()).orElse(""))
                .settingAside(aside);
    }

    /** The values that cannot be taken over, the most frequent first. */
    public CountedValues values(int most) {
        return new CountedValues(
                unconverted.entrySet().stream()
                        .sorted(Map.Entry.<String, Long>comparingByValue(Comparator.reverseOrder())
                                .thenComparing(Map.Entry.comparingByKey()))
                        .limit(most)
                        .map(each -> new CountedValue(each.getKey(), each.getValue()))
                        .toList(),
                unconverted.size(),
                more);
    }
}
