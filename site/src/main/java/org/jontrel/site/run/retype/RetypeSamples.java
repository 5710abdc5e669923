package org.jontrel.site.run.retype;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Model;
import org.jontrel.core.move.NameLookup;
import org.jontrel.core.move.NameLookupOver;
import org.jontrel.core.plan.Step;
import org.jontrel.core.retype.TypeMove;
import org.jontrel.core.value.Link;
import org.jontrel.site.record.read.RecordLoader;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.run.move.PlanSamples;
import org.jontrel.site.run.move.RecordMaker;
import org.jontrel.site.table.Binding;

/** Some records as a plan would make them records of another type, computed without writing anything. */
public final class RetypeSamples {
    private final Connection connection;
    private final Binding binding;
    private final Model to;
    private final PlanSamples samples;
    private final List<TypeMove> ways;

    /** @param steps of the plan */
    public RetypeSamples(Connection connection, Binding binding, Model to, List<Step> steps) {
        this.connection = connection;
        this.binding = binding;
        this.to = to;
        this.samples = new PlanSamples(connection, binding, to);
        this.ways = steps.stream()
                .filter(Step.RetypeRecords.class::isInstance)
                .flatMap(step -> ((Step.RetypeRecords) step).ways().stream())
                .toList();
    }

    /** @param most how many records of each type are looked at */
    public List<PlanSamples.SampledType> of(int most) throws SQLException {
        var all = new ArrayList<PlanSamples.SampledType>();
        for (var type : ways.stream().map(TypeMove::from).distinct().toList()) {
            var table = binding.table(type);
            if (table.isPresent()) {
                all.addAll(of(table.get(), most));
            }
        }
        return all;
    }

    private List<PlanSamples.SampledType> of(Binding.BoundTables table, int most) throws SQLException {
        var was = table.recordType();
        var names = new RetypedNames(samples.names(), ways);
        var homes = new RecordHomes.HomesAfter(connection, binding, ways, names);
        var lookup = new LinkedLookup(names, homes);
        var mine = ways.stream().filter(each -> each.from().equals(was.id())).toList();
        var records = new RecordLoader(table).after(connection, 0, most);
        var all = new ArrayList<PlanSamples.SampledType>();
        for (var way : mine) {
            var is = RecordMaker.type(to, way.to());
            var retype = new RetypeWay(way, was, is, lookup, lookup);
            var seen = retype.view();
            var sampled = new ArrayList<PlanSamples.SampledRecord>();
            for (var record : records) {
                if (!record.deleted() && takes(mine, way, table, record, names)) {
                    sampled.add(new PlanSamples.SampledRecord(
                            record,
                            samples.texts(binding.model(), seen.type(), seen.seen(record.values())),
                            samples.texts(to, is, retype.there(record.values()), names)));
                }
            }
            all.add(new PlanSamples.SampledType(seen.type(), is, sampled));
        }
        return all;
    }

    private static boolean takes(
            List<TypeMove> mine, TypeMove way, Binding.BoundTables table, StoredRecord record, NameLookup names) {
        return RecordHomes.way(mine, table, record.values(), names)
                .filter(way::equals)
                .isPresent();
    }

    /** Records that become those of another type have the names that they have now. */
    private record RetypedNames(NameLookup names, List<TypeMove> ways) implements NameLookupOver {
        @Override
        public Optional<String> name(Field field, Object reference) {
            return names.name(field, reference)
                    .or(() -> reference instanceof Link(String type, long id)
                            ? ways.stream()
                                    .filter(each -> each.to().equals(type))
                                    .flatMap(each -> names.name(field, new Link(each.from(), id)).stream())
                                    .findFirst()
                            : Optional.empty());
        }
    }
}
