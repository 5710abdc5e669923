package org.jontrel.site.drift;

import static org.testng.Assert.assertEquals;

import java.sql.SQLException;
import java.util.List;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Model;
import org.jontrel.site.run.Runs;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.testing.Moorings;
import org.jontrel.site.testing.Orchard;
import org.jontrel.site.testing.TestSite;
import org.testng.annotations.Test;

/** What somebody added to a site's tables, or changed in what they say of themselves, is told; it cannot be put back here. */
public class ChangedTablesTest {
    private static void say(TestSite site, String sql) throws SQLException {
        try (var connection = site.source().getConnection()) {
            Jdbc.execute(connection, sql);
        }
    }

    @Test
    public void aColumnThatSomebodyAddedIsTold() throws SQLException {
        try (var other = TestSite.open()) {
            other.install("1.0.0", Moorings.model(Moorings.LENGTH));
            say(other, "ALTER TABLE mooring ADD COLUMN note TEXT");
            assertEquals(
                    other.site().drift().look().stream().map(Finding::sentence).toList(),
                    List.of(
                            "The table mooring of Moorings has a column note (text) that no definition knows: somebody added"
                                    + " it. Nobody sees it. Take it into the draft as a field, which brings its values along"
                                    + " once it is released; or drop the column."));
            assertEquals(
                    codes(other, Moorings.model(Moorings.LENGTH, Moorings.RISE)), List.of(), "it is in nobody's way");
            var wanted = Moorings.model(Moorings.LENGTH, Moorings.NOTE);
            assertEquals(codes(other, wanted), List.of(Code.DRIFT_COLUMN_IN_WAY));
            say(other, "ALTER TABLE mooring DROP COLUMN note");
            other.install("2.0.0", wanted);
        }
    }

    private static List<Code> codes(TestSite of, Model to) {
        return of.site().runs().plan(new Runs.RunTarget("2.0.0", to, List.of())).findings().stream()
                .map(Finding::code)
                .toList();
    }

    @Test
    public void definitionsThatSomebodyChangedAreTold() throws SQLException {
        try (var site = TestSite.open()) {
            site.install("1.0.0", Orchard.model());
            say(site, "UPDATE jontrel_installed SET model = REPLACE(model, 'Height', 'Tallness')");
            assertEquals(
                    site.site().drift().look().stream().map(Finding::code).toList(),
                    List.of(Code.DRIFT_DEFINITIONS_CHANGED));
            site.install("1.0.1", Orchard.model());
            assertEquals(site.site().drift().look(), List.of(), "a run leaves what it should");
            say(site, "DELETE FROM jontrel_run WHERE to_version = '1.0.1'");
            assertEquals(
                    site.site().drift().look().stream().map(Finding::code).toList(), List.of(Code.DRIFT_JOURNAL_GONE));
        }
    }
}
