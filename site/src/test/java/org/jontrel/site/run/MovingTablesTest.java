package org.jontrel.site.run;

import static org.testng.Assert.assertEquals;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jontrel.core.model.Model;
import org.jontrel.site.record.read.ListQuery;
import org.jontrel.site.record.read.RecordList;
import org.jontrel.site.table.Gate;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.testing.Moorings;
import org.jontrel.site.testing.TestSite;
import org.testng.annotations.Test;

/** A switch of several tables takes them under names that nobody knows; lists are read on, before, within and after it. */
public class MovingTablesTest {
    @Test
    public void listsAreReadWhileTablesMove() throws SQLException {
        var model = Moorings.standard();
        var test = TestSite.open();
        try (var connection = test.source().getConnection()) {
            test.install("1.0.0", model);
            test.save("tmooring", Map.of("title", "A"));
            assertEquals(titles(test), List.of("A"));
            Gate.close(connection);
            say(connection, TableSteps.gather(connection, Set.of("tmooring")));
            assertEquals(titles(test), List.of("A"), "while the table has another name");
            back(connection, model);
            assertEquals(titles(test), List.of("A"), "when it has its own again");
        } finally {
            test.close();
        }
    }

    private static void back(Connection connection, Model model) throws SQLException {
        say(connection, new TableSteps(model, model).renameTables(connection));
        Gate.reopen(connection);
    }

    private static void say(Connection connection, List<String> statements) throws SQLException {
        for (var sql : statements) {
            Jdbc.execute(connection, sql);
        }
    }

    private static List<String> titles(TestSite test) {
        return test.site().records().page("tmooring", ListQuery.ALL).map(RecordList::records).orElseThrow().stream()
                .map(each -> each.title())
                .toList();
    }
}
