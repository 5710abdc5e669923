package org.jontrel.site;

import static org.testng.Assert.assertEquals;

import java.sql.SQLException;
import java.util.Set;
import java.util.concurrent.atomic.AtomicBoolean;
import org.jontrel.site.table.Bindings;
import org.jontrel.site.table.Database;
import org.jontrel.site.testing.Orchard;
import org.jontrel.site.testing.TestSite;
import org.testng.annotations.Test;

/** Where values stand is found also while tables are being changed. */
public class BindingTest {
    private static final int TIMES = Integer.getInteger("binding.times", 300);

    /** A table that gets an index seems to have no columns for a moment. */
    @Test
    public void aTableThatIsBeingChangedHasAllItsColumns() throws Exception {
        try (var test = TestSite.open()) {
            test.install("1.0.0", Orchard.model());
            var database = new Database(test.source());
            var bindings = new Bindings(_ -> Set.of());
            var whole = database.transaction(bindings::reload).tables();
            var over = new AtomicBoolean();
            var indexing = Thread.ofVirtual().start(() -> {
                while (!over.get()) {
                    change(test, "ADD KEY probe (fruits)");
                    change(test, "DROP KEY probe");
                    Database.pause(30);
                }
            });
            try {
                for (int i = 0; i < TIMES; i++) {
                    assertEquals(database.transaction(bindings::reload).tables(), whole);
                }
            } finally {
                over.set(true);
                indexing.join();
            }
        }
    }

    private static void change(TestSite test, String how) {
        try (var connection = test.source().getConnection();
                var statement = connection.createStatement()) {
            statement.execute("ALTER TABLE tree " + how + ", ALGORITHM=INPLACE, LOCK=NONE");
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }
}
