package org.jontrel.site.importer;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jontrel.core.finding.Code;
import org.jontrel.core.importer.BoundSheet;
import org.jontrel.core.importer.CellProblem;
import org.jontrel.core.importer.CellReader;
import org.jontrel.core.importer.ColumnMapping;
import org.jontrel.core.importer.ReadRow;
import org.jontrel.core.importer.SheetMapping;
import org.jontrel.core.value.Link;
import org.jontrel.site.importer.chunk.ImportPlan;
import org.jontrel.site.importer.chunk.RowFindings;
import org.jontrel.site.importer.name.FoundName;
import org.jontrel.site.importer.name.ImportWork;
import org.jontrel.site.importer.name.NameFinder;
import org.jontrel.site.importer.name.SiteNames;
import org.jontrel.site.importer.row.RowOutcome;
import org.jontrel.site.importer.row.StagedRow;
import org.jontrel.site.importer.row.StagedRows;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Jdbc;

/** Finds out which record each row is, or belongs to, and what the rows are called, before anything else is asked of them. */
final class IndexPass {
    static final int TOGETHER = 1_000;
    private static final String NAME = "INSERT INTO jontrel_import_name (import_id, by_what, text, sheet, number)";

    private final Connection connection;
    private final Binding binding;
    private final ImportWork work;
    private final ImportPlan plan;
    private final StagedRows rows;
    private final SiteNames names;

    IndexPass(Connection connection, Binding binding, ImportWork work, ImportPlan plan) {
        this.connection = connection;
        this.binding = binding;
        this.work = work;
        this.plan = plan;
        this.rows = new StagedRows(connection, work.id());
        this.names = new SiteNames(connection, binding, work.id(), work.large());
    }

    /** Reads what the site's records are called, as far as rows name them. */
    void prepare() throws SQLException {
        var asked = new LinkedHashSet<List<String>>();
        for (var sheet : plan.sheets()) {
            sheet.keyBy().ifPresent(by -> asked.add(List.of(sheet.recordType().id(), by)));
            for (var column : sheet.columns()) {
                var by = column.mapping().by().equals(ColumnMapping.BY_PATH)
                        ? ColumnMapping.BY_TITLE
                        : column.mapping().by();
                column.targets().forEach(target -> asked.add(List.of(target, by)));
            }
        }
        for (var each : asked) {
            names.prepare(each.getFirst(), each.getLast());
        }
    }

    /** Some rows behind a number; where they end, or -1 where there are none left. */
    long some(BoundSheet sheet, long after) throws SQLException {
        var some = rows.after(sheet.index(), after, TOGETHER);
        if (some.isEmpty()) {
            return -1;
        }
        if (sheet.mapping().use() == SheetMapping.SheetUse.ROWS) {
            owners(sheet, some);
        } else {
            records(sheet, some);
        }
        return some.getLast().number();
    }

    private void records(BoundSheet sheet, List<StagedRow> some) throws SQLException {
        var reader = new CellReader(sheet);
        var type = sheet.recordType();
        var by = sheet.keyBy();
        var keys = new LinkedHashMap<StagedRow, String>();
        var read = new HashMap<StagedRow, ReadRow>();
        for (var row : some) {
            read.put(row, reader.read(row.cells()));
            keys.put(
                    row,
                    by.map(each -> SiteNames.folded(type, each, read.get(row).key()))
                            .orElse(""));
        }
        var texts = keys.values().stream()
                .filter(each -> !each.isEmpty())
                .distinct()
                .toList();
        var there = by.isPresent() ? names.find(type.id(), by.get(), texts) : Map.<String, Set<Long>>of();
        var found = new IndexedRows(sheet, by.orElse(""));
        keys.forEach((row, key) -> found.take(row, read.get(row), key, there.getOrDefault(key, Set.of())));
        rows.records(sheet.index(), found.records);
        rows.problems(sheet.index(), found.problems);
        called(sheet, some);
    }

    /** What was found out of some rows. */
    private final class IndexedRows {
        private final BoundSheet sheet;
        private final String by;
        private final RowFindings findings;
        private final List<List<Object>> records = new ArrayList<>();
        private final Map<Integer, List<CellProblem>> problems = new LinkedHashMap<>();

        IndexedRows(BoundSheet sheet, String by) {
            this.sheet = sheet;
            this.by = by;
            this.findings = new RowFindings(plan, sheet);
        }

        void take(StagedRow row, ReadRow read, String key, Set<Long> there) {
            boolean numbers = by.equals(ColumnMapping.BY_NUMBER);
            if (numbers && !key.isEmpty() && there.isEmpty()) {
                fail(
                        row,
                        read.key(),
                        Code.IMPORT_NUMBER_UNKNOWN,
                        sheet.recordType().singular());
            } else if (!by.isEmpty() && !numbers && key.isEmpty()) {
                problem(row, findings.of(sheet.key().orElseThrow().index(), "", Code.IMPORT_KEY_EMPTY));
            } else if (there.size() > 1) {
                fail(row, read.key(), Code.IMPORT_KEY_SEVERAL);
            } else {
                var mode = sheet.mapping().mode();
                boolean left = there.isEmpty() ? mode == SheetMapping.Mode.CHANGED : mode == SheetMapping.Mode.NEW;
                long id = there.isEmpty()
                        ? left ? 0 : work.nextId()
                        : there.iterator().next();
                records.add(Arrays.asList(
                        id, there.isEmpty() && !left, left ? RowOutcome.LEFT.code() : null, row.number()));
            }
        }

        private void fail(StagedRow row, String text, Code code, Object... more) {
            var arguments = new ArrayList<Object>(List.of(text));
            arguments.addAll(List.of(more));
            problem(row, findings.of(sheet.key().orElseThrow().index(), text, code, arguments.toArray()));
        }

        private void problem(StagedRow row, CellProblem problem) {
            problems.put(row.number(), List.of(problem));
            records.add(List.of(0L, false, RowOutcome.FAILED.code(), row.number()));
        }
    }

    /** What others name the rows by. */
    private void called(BoundSheet sheet, List<StagedRow> some) throws SQLException {
        var type = sheet.recordType();
        var called = new ArrayList<List<Object>>();
        plan.named(sheet).forEach((by, column) -> {
            for (var row : some) {
                var text = SiteNames.folded(type, by, CellReader.text(column, row.cells()));
                if (!text.isEmpty()) {
                    called.add(List.of(work.id(), SiteNames.what(type.id(), by), text, sheet.index(), row.number()));
                }
            }
        });
        Jdbc.insertAll(connection, NAME, "", called);
    }

    private void owners(BoundSheet sheet, List<StagedRow> some) throws SQLException {
        var reader = new CellReader(sheet);
        var findings = new RowFindings(plan, sheet);
        var read = new LinkedHashMap<StagedRow, ReadRow>();
        some.forEach(row -> read.put(row, reader.read(row.cells())));
        var finder = new NameFinder(connection, binding, work);
        finder.look(read.values().stream().flatMap(row -> row.owner().stream()).toList());
        var records = new ArrayList<List<Object>>();
        var problems = new LinkedHashMap<Integer, List<CellProblem>>();
        int column = sheet.column(ColumnMapping.Goal.OWNER).orElseThrow().index();
        read.forEach((row, each) -> {
            var owner = each.owner().map(finder::find);
            var problem = owner.isEmpty()
                    ? Optional.of(findings.of(column, "", Code.IMPORT_KEY_EMPTY))
                    : findings.of(each.owner().get(), owner.get());
            if (owner.isPresent() && owner.get() instanceof FoundName.Known(Link link, Set<Link> awaited)) {
                records.add(Arrays.asList(link.id(), !awaited.isEmpty(), null, row.number()));
            } else {
                problem.ifPresent(found -> problems.put(row.number(), List.of(found)));
                records.add(List.of(0L, false, RowOutcome.FAILED.code(), row.number()));
            }
        });
        rows.records(sheet.index(), records);
        rows.problems(sheet.index(), problems);
    }
}
