package org.jontrel.bench.importing;

import java.nio.file.Path;
import java.util.List;

/** Statements that somebody writes who knows the tables: the files are loaded as they are, and the tables filled from them. */
final class HandImport {
    private static final String OWN = "state, version, complete, created_at, updated_at, created_by, updated_by";
    private static final String VALUES = "'draft', 1, 1, UTC_TIMESTAMP(6), UTC_TIMESTAMP(6), 'x', 'x'";

    private HandImport() {}

    private static String load(Path file, String table) {
        return "LOAD DATA LOCAL INFILE '" + file + "' INTO TABLE " + table
                + " FIELDS TERMINATED BY ',' LINES TERMINATED BY '\\n' IGNORE 1 LINES";
    }

    /** Where a taxonomy has its terms, their labels, and what stands above each. */
    record TermTables(String name, String label, String above, String uses) {}

    static List<String> statements(Path moorings, Path keepers, TermTables terms) {
        return List.of(
                "CREATE TABLE load_keeper (title VARCHAR(255))",
                load(keepers, "load_keeper"),
                "CREATE TABLE load_mooring (title VARCHAR(255), code VARCHAR(255), length DECIMAL(15,1), since DATE, note"
                        + " VARCHAR(255), keeper VARCHAR(255), kinds VARCHAR(255))",
                load(moorings, "load_mooring"),
                "SET @id = 0",
                "INSERT INTO keeper (id, slug, " + OWN
                        + ", title) SELECT @id := @id + 1, LOWER(REPLACE(title, ' ', '-')), " + VALUES
                        + ", title FROM load_keeper",
                "CREATE TEMPORARY TABLE kinds AS SELECT DISTINCT TRIM(SUBSTRING_INDEX(kinds, ';', 1)) AS kind FROM load_mooring"
                        + " UNION SELECT DISTINCT TRIM(SUBSTRING_INDEX(kinds, ';', -1)) FROM load_mooring",
                "INSERT INTO " + terms.name() + " (id, slug, " + OWN + ", " + terms.label()
                        + ") SELECT @id := @id + 1, LOWER(REPLACE(kind, ' ', '-')), " + VALUES
                        + ", kind FROM kinds",
                "INSERT INTO " + terms.above() + " (term_id, above_id, depth) SELECT id, id, 0 FROM " + terms.name(),
                "INSERT INTO mooring (id, slug, " + OWN + ", title, code, length, since, note) SELECT @id := @id + 1,"
                        + " LOWER(REPLACE(title, ' ', '-')), " + VALUES + ", title, code, length, since, note FROM"
                        + " load_mooring",
                "CREATE TEMPORARY TABLE keepers (title VARCHAR(255) PRIMARY KEY, id BIGINT) AS SELECT title, id FROM keeper",
                "INSERT INTO mooring__keeper (record_id, row_id, position, target_type, target_id) SELECT m.id, 0, 0, 'tkeeper',"
                        + " k.id FROM load_mooring l JOIN mooring m ON m.code = l.code JOIN keepers k ON k.title ="
                        + " l.keeper",
                "INSERT INTO " + terms.uses()
                        + " (record_id, row_id, position, term_id) SELECT m.id, 0, 0, k.id FROM load_mooring l"
                        + " JOIN mooring m ON m.code = l.code JOIN " + terms.name() + " k ON k." + terms.label()
                        + " = TRIM(SUBSTRING_INDEX(l.kinds, ';',"
                        + " 1))",
                "INSERT INTO " + terms.uses()
                        + " (record_id, row_id, position, term_id) SELECT m.id, 0, 1, k.id FROM load_mooring l"
                        + " JOIN mooring m ON m.code = l.code JOIN " + terms.name() + " k ON k." + terms.label()
                        + " = TRIM(SUBSTRING_INDEX(l.kinds, ';',"
                        + " -1))",
                "INSERT INTO jontrel_text (holder_id, record_id, words) SELECT 'tmooring', id, CONCAT_WS('\\n', title, code, note)"
                        + " FROM mooring",
                "INSERT INTO jontrel_text (holder_id, record_id, words) SELECT 'tkeeper', id, title FROM keeper",
                "DROP TABLE load_keeper",
                "DROP TABLE load_mooring");
    }
}
