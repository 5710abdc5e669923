package org.jontrel.site.record.read;

import static org.mybatis.dynamic.sql.SqlBuilder.and;

import java.util.ArrayList;
import java.util.List;
import org.jontrel.site.table.Binding;
import org.mybatis.dynamic.sql.AndOrCriteriaGroup;
import org.mybatis.dynamic.sql.SqlCriterion;
import org.mybatis.dynamic.sql.SqlTable;

/** Which records of a record type a query means, as criteria of SQL. */
final class ListConditions {
    private ListConditions() {}

    /** @param state which states they may have */
    static List<AndOrCriteriaGroup> of(
            Binding binding, Binding.BoundTables table, SqlTable main, ListQuery query, SqlCriterion state) {
        var all = new ArrayList<AndOrCriteriaGroup>(List.of(and(state)));
        new Criteria(binding, table, main, query.audience())
                .of(query.where())
                .ifPresent(criterion -> all.add(and(criterion)));
        new WordCriteria(table, main)
                .of(query.search(), query.audience())
                .ifPresent(criterion -> all.add(and(criterion)));
        return all;
    }

    /** All records that the audience of a query may read. */
    static List<AndOrCriteriaGroup> of(Binding binding, Binding.BoundTables table, SqlTable main, ListQuery query) {
        var state = query.audience().everyState() ? Criteria.present(main) : Criteria.visible(main);
        return of(binding, table, main, query, state);
    }
}
