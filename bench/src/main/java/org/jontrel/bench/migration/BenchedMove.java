package org.jontrel.bench.migration;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jontrel.core.code.Decision;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Part;
import org.jontrel.core.model.Taxonomy;

/**
 * A move.
 *
 * @param filling statements that fill a new site, with {@code %d} for the number of records
 * @param hand statements that do the same by hand
 */
record BenchedMove(
        String name, Model before, Model after, List<Decision> decisions, List<String> filling, List<String> hand) {
    private static final int ROWS = 4;
    private static final int LABELS = 211;
    private static final Kind.Amount MANY = new Kind.Amount(true, null, null);
    private static final Field NOTE = text("note");

    static final List<BenchedMove> ALL = List.of(rows(), records(), terms(), types());

    private static Field field(String key, Kind kind) {
        return new Field("f" + key, key, key, "", false, kind);
    }

    private static Field text(String key) {
        return field(key, Kind.Text.PLAIN);
    }

    private static Field repeated(String key, Field... fields) {
        return field(key, new Kind.Repeater(List.of(fields), null, null, "", Kind.Repeater.RowStyle.CARDS));
    }

    private static ContentType type(String key, Field... fields) {
        return new ContentType(
                "t" + key,
                key,
                key,
                key + "s",
                "",
                "",
                key + "s",
                Map.of(),
                List.of(Part.TITLE),
                List.of(new Group("g" + key, key, "", List.of(fields))));
    }

    private static Model model(Definition... definitions) {
        return new Model(List.of(definitions));
    }

    private static String moorings(String columns, String values) {
        return "INSERT INTO mooring (id, slug, state, version, complete, created_at, updated_at, created_by, updated_by, title"
                + columns
                + ") SELECT seq, CONCAT('m-', seq), 'published', 1, 1, UTC_TIMESTAMP(6), UTC_TIMESTAMP(6), 'x',"
                + " 'x', CONCAT('Mooring ', seq)" + values + " FROM seq_1_to_%d";
    }

    private static final String WORDS =
            "INSERT INTO jontrel_text (holder_id, record_id, words)" + " SELECT 'tmooring', id, title FROM mooring";

    private static BenchedMove rows() {
        var numbered = new ArrayList<Field>(List.of(NOTE));
        var columns = new StringBuilder();
        var values = new StringBuilder();
        var hand = new ArrayList<String>();
        hand.add("CREATE TABLE mooring__remarks (record_id BIGINT NOT NULL, id BIGINT NOT NULL, row_id BIGINT NOT NULL,"
                + " position INT NOT NULL, remark VARCHAR(255), PRIMARY KEY (record_id, id))");
        for (int i = 1; i <= ROWS; i++) {
            numbered.add(text("remark_" + i));
            columns.append(", remark_").append(i);
            values.append(", CONCAT('Remark ', seq % 97, ' of ', ").append(i).append(')');
            hand.add("INSERT INTO mooring__remarks SELECT id, id * 4 + " + i + ", 0, " + (i - 1) + ", remark_" + i
                    + " FROM mooring WHERE remark_" + i + " IS NOT NULL");
        }
        hand.add("ALTER TABLE mooring RENAME COLUMN remark_1 TO held_1, RENAME COLUMN remark_2 TO held_2,"
                + " RENAME COLUMN remark_3 TO held_3, RENAME COLUMN remark_4 TO held_4");
        hand.add("UPDATE jontrel_text t JOIN (SELECT record_id, GROUP_CONCAT(remark SEPARATOR '\\n') words FROM"
                + " mooring__remarks GROUP BY record_id) r ON r.record_id = t.record_id SET t.words ="
                + " CONCAT_WS('\\n', t.words, r.words)");
        return new BenchedMove(
                "numbered fields to rows",
                model(type("mooring", numbered.toArray(Field[]::new))),
                model(type("mooring", NOTE, repeated("remarks", text("remark")))),
                List.of(new Decision(
                        "fremarks",
                        Decision.Topic.SOURCES,
                        Decision.Action.GATHER,
                        "remark_1, remark_2, remark_3, remark_4")),
                List.of(moorings(columns.toString(), values.toString()), WORDS),
                hand);
    }

    private static BenchedMove records() {
        var link = field("contact_list", new Kind.Relation(Set.of("tcontact"), MANY, true, false, null));
        var after = model(
                type("mooring", NOTE, link),
                type("contact", field("role", Kind.Text.PLAIN).withId("frole_of")));
        return new BenchedMove(
                "rows to records with a relation",
                model(type("mooring", NOTE, repeated("contacts", text("name"), text("role")))),
                after,
                List.of(new Decision("tcontact", Decision.Topic.RECORDS, Decision.Action.GATHER, "mooring.contacts")),
                List.of(
                        moorings("", ""),
                        "INSERT INTO mooring__contacts (record_id, id, row_id, position, name, role) SELECT m.seq,"
                                + " m.seq * 4 + r.seq, 0, r.seq, CONCAT('Person ', m.seq, ' ', r.seq), 'Warden' FROM"
                                + " seq_1_to_%d m JOIN seq_0_to_3 r",
                        WORDS),
                List.of(
                        "CREATE TABLE contact LIKE mooring",
                        "ALTER TABLE contact ADD COLUMN role VARCHAR(255)",
                        "INSERT INTO contact (id, slug, state, version, complete, created_at, updated_at, created_by,"
                                + " updated_by, title, role) SELECT c.id, CONCAT(LOWER(REPLACE(c.name, ' ', '-'))), m.state,"
                                + " 1, 1, m.created_at, m.updated_at, m.created_by, m.updated_by, c.name, c.role FROM"
                                + " mooring__contacts c JOIN mooring m ON m.id = c.record_id",
                        "CREATE TABLE mooring__contact_list (record_id BIGINT NOT NULL, row_id BIGINT NOT NULL, position INT"
                                + " NOT NULL, target_type VARCHAR(40) NOT NULL, target_id BIGINT NOT NULL, PRIMARY KEY"
                                + " (record_id, row_id, target_id), KEY target (target_id, record_id))",
                        "INSERT INTO mooring__contact_list SELECT record_id, 0, position, 'tcontact', id FROM"
                                + " mooring__contacts",
                        "RENAME TABLE mooring__contacts TO held_contacts",
                        "INSERT INTO jontrel_text (holder_id, record_id, words) SELECT 'tcontact', id,"
                                + " CONCAT_WS('\\n', title, role) FROM contact"));
    }

    private static BenchedMove types() {
        var berths = moorings(", note", ", CONCAT('Note ', seq)")
                .replace("INTO mooring ", "INTO berth ")
                .replace("SELECT seq, CONCAT('m-', seq)", "SELECT seq + 1000000000, CONCAT('b-', seq)");
        return new BenchedMove(
                "records of one type to those of another",
                model(type("mooring", NOTE), type("berth", NOTE.withId("fberth_note"))),
                model(type("mooring", NOTE)),
                List.of(new Decision("tberth", Decision.Topic.RECORD_TYPE, Decision.Action.MOVE, "mooring")),
                List.of(
                        moorings(", note", ", CONCAT('Note ', seq)"),
                        berths,
                        WORDS,
                        WORDS.replace("'tmooring'", "'tberth'").replace("FROM mooring", "FROM berth")),
                List.of(
                        "INSERT INTO mooring (id, slug, state, version, complete, created_at, updated_at, created_by,"
                                + " updated_by, title, note) SELECT id, slug, state, version, complete, created_at,"
                                + " updated_at, created_by, updated_by, title, note FROM berth",
                        "RENAME TABLE berth TO held_berth",
                        "INSERT INTO jontrel_address (holder_id, parent_id, slug, record_id) SELECT 'tberth', 0, slug, id"
                                + " FROM held_berth",
                        "UPDATE jontrel_text SET holder_id = 'tmooring' WHERE holder_id = 'tberth'"));
    }

    private static BenchedMove terms() {
        var region = new Taxonomy(
                "xregion", "region", "Region", "Regions", "", "regions", false, false, List.of(), List.of(), List.of());
        return new BenchedMove(
                "text to terms",
                model(type("mooring", NOTE, text("region"))),
                model(type("mooring", NOTE, field("region", new Kind.TermPick("xregion", Kind.Amount.ONE))), region),
                List.of(new Decision("fregion", Decision.Topic.UNCONVERTED, Decision.Action.MAKE, "")),
                List.of(moorings(", region", ", CONCAT('Region ', seq % " + LABELS + ")"), WORDS),
                List.of(
                        "CREATE TABLE terms__region LIKE mooring",
                        "INSERT INTO terms__region (id, slug, state, version, complete, created_at, updated_at, created_by,"
                                + " updated_by, title) SELECT MIN(id), LOWER(REPLACE(region, ' ', '-')), 'published', 1, 1,"
                                + " UTC_TIMESTAMP(6), UTC_TIMESTAMP(6), 'x', 'x', region FROM mooring GROUP BY region",
                        "CREATE TABLE mooring__region (record_id BIGINT NOT NULL, row_id BIGINT NOT NULL, position INT NOT"
                                + " NULL, term_id BIGINT NOT NULL, PRIMARY KEY (record_id, row_id, term_id), KEY term"
                                + " (term_id, record_id))",
                        "INSERT INTO mooring__region SELECT m.id, 0, 0, t.id FROM mooring m JOIN terms__region t ON t.title ="
                                + " m.region",
                        "ALTER TABLE mooring RENAME COLUMN region TO held_region",
                        "UPDATE jontrel_text t JOIN mooring m ON m.id = t.record_id SET t.words = CONCAT_WS('\\n', m.title,"
                                + " m.held_region)"));
    }
}
