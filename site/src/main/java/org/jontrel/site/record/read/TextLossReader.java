package org.jontrel.site.record.read;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.stream.Collectors;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.model.Model;
import org.jontrel.core.plan.fact.TextLosses;
import org.jontrel.core.value.kind.Insertions;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.PhysicalNames;

/** Finds the texts of a site that show what another model no longer has. */
public record TextLossReader(Connection connection, Binding binding) {
    private static final int NAMED = 3;

    /** A warning for each field with such texts. */
    public List<Finding> findings(Model to) throws SQLException {
        var losses = new TextLosses(binding.model(), to);
        var findings = new ArrayList<Finding>();
        for (var each : losses.fields()) {
            var place = binding.table(each.recordTypeId())
                    .flatMap(table -> table.placeOf(each.field().id()));
            if (place.isEmpty()
                    || !place.get().columns().containsKey(each.field().id())) {
                continue;
            }
            var lost = new LinkedHashSet<String>();
            long[] texts = {0};
            Jdbc.each(connection, texts(place.get(), each.field().id()), row -> {
                var of = losses.of(each.recordTypeId(), row.getString(1));
                lost.addAll(of);
                texts[0] += of.isEmpty() ? 0 : 1;
            });
            if (texts[0] > 0) {
                findings.add(Finding.of(
                        Code.PLAN_TEXTS_LEFT,
                        Place.field(each.recordTypeId(), each.field().id(), ""),
                        each.field().label(),
                        texts[0],
                        lost.stream().limit(NAMED).collect(Collectors.joining(", "))
                                + (lost.size() > NAMED ? ", …" : "")));
            }
        }
        return findings;
    }

    private static String texts(Binding.ValueTable place, String fieldId) {
        var column = PhysicalNames.quoted(place.columns().get(fieldId));
        return "SELECT " + column + " FROM " + PhysicalNames.quoted(place.name()) + " WHERE " + column + " LIKE '%"
                + Insertions.VALUE + "=%' OR " + column + " LIKE '%" + Insertions.LISTING + "=%'";
    }
}
