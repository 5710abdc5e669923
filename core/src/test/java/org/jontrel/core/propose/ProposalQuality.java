package org.jontrel.core.propose;

import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Random;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.propose.word.SheetNoun;
import org.jontrel.core.sheet.WorkbookProfile;

/** How much of the models that workbooks were written from a proposal finds again. */
public final class ProposalQuality {
    /** What there was to find, what was found of it, and what was proposed. */
    public static final class QualityTally {
        private int there;
        private int found;
        private int proposed;

        void of(boolean is, boolean said, boolean right) {
            there += is ? 1 : 0;
            proposed += said ? 1 : 0;
            found += is && right ? 1 : 0;
        }

        public double recall() {
            return there == 0 ? 1 : (double) found / there;
        }

        public double precision() {
            return proposed == 0 ? 1 : (double) found / proposed;
        }

        @Override
        public String toString() {
            return "%3d of %3d found, %3d proposed: recall %5.1f %%, precision %5.1f %%"
                    .formatted(found, there, proposed, recall() * 100, precision() * 100);
        }
    }

    private final Map<String, QualityTally> tallies = new LinkedHashMap<>();
    private final List<String> misses = new ArrayList<>();

    public ProposalQuality() {
        for (var each :
                List.of("kinds", "roles of sheets", "titles", "relations", "repeaters", "taxonomies", "parents")) {
            tallies.put(each, new QualityTally());
        }
    }

    public Map<String, QualityTally> tallies() {
        return tallies;
    }

    public List<String> misses() {
        return misses;
    }

    /** All but kinds together. */
    public QualityTally structure() {
        var all = new QualityTally();
        tallies.forEach((name, tally) -> {
            if (!name.equals("kinds")) {
                all.there += tally.there;
                all.found += tally.found;
                all.proposed += tally.proposed;
            }
        });
        return all;
    }

    public ProposalQuality with(KnownWorkbook book) throws IOException {
        var facts = WorkbookProfile.of(book.written());
        var proposed = Proposing.of(facts, Choices.NONE, Model.EMPTY, new Ids(new Random(1)));
        for (int i = 0; i < book.sheets.size(); i++) {
            var known = book.sheets.get(i);
            var sheet = proposed.sheets().get(i);
            tally(
                    "roles of sheets",
                    true,
                    true,
                    sheet.role() == known.role,
                    book.name + "/" + known.name + ": " + sheet.role() + ", " + sheet.why());
            for (int j = 0; j < known.columns.size(); j++) {
                column(book, known, j, sheet, proposed);
            }
        }
        return this;
    }

    private void tally(String name, boolean is, boolean said, boolean right, String miss) {
        tallies.get(name).of(is, said, right);
        if (is != said || is && !right) {
            misses.add(name + " " + miss);
        }
    }

    private void column(
            KnownWorkbook book, KnownWorkbook.KnownSheet known, int at, ProposedSheet sheet, ProposedModel model) {
        var column = known.columns.get(at);
        var got = sheet.columns().stream()
                .filter(each -> each.column() == at)
                .findFirst()
                .orElseThrow();
        var code = code(got);
        var miss = book.name + "/" + known.name + "/" + column.header() + ": " + code + " " + got.target()
                + got.rowsOf() + ", " + got.why();
        boolean structural = List.of(
                        "title", "relation", "row", "terms", "parent", "owner", "state", "address", "place", "field")
                .contains(column.kind());
        if (!structural) {
            // a choice of few words and a taxonomy of few words are both right: what counts is that they are told apart
            // from texts
            tally("kinds", true, true, code.equals(column.kind()), miss);
        }
        tally("titles", column.kind().equals("title"), code.equals("title"), code.equals("title"), miss);
        boolean relation = column.kind().equals("relation");
        tally(
                "relations",
                relation,
                code.equals("relation"),
                code.equals("relation") && got.target().equals(noun(column.to())),
                miss);
        boolean row = column.kind().equals("row");
        boolean rows =
                code.equals("row") || code.equals("relation") && got.separator().isEmpty() && isMany(got);
        tally("repeaters", row, rows && !relation, rows, miss);
        boolean terms = column.kind().equals("terms");
        tally("taxonomies", terms, code.equals("terms"), code.equals("terms"), miss);
        tally("parents", column.kind().equals("parent"), code.equals("parent"), code.equals("parent"), miss);
        for (var use : List.of("place", "state", "address", "owner")) {
            if (column.kind().equals(use)) {
                tally("kinds", true, true, code.equals(use), miss);
            }
        }
    }

    private static boolean isMany(ProposedColumn column) {
        return column.field() != null
                && column.field().kind() instanceof Kind.Relation relation
                && relation.amount().many();
    }

    private static String noun(String sheet) {
        return SheetNoun.singular(sheet);
    }

    private static String code(ProposedColumn column) {
        if (column.use() == ColumnUse.FIELD && column.field() != null) {
            return column.field().kind().code();
        }
        if (column.use() == ColumnUse.ROW
                && column.field() != null
                && !(column.field().kind() instanceof Kind.Repeater)) {
            return column.rowsOf().isEmpty() ? "row" : column.field().kind().code();
        }
        return Objects.requireNonNull(column.use()).code();
    }
}
