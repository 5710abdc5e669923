package org.jontrel.site.importer.chunk;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.importer.BoundSheet;
import org.jontrel.core.importer.CellName;
import org.jontrel.core.importer.CellProblem;
import org.jontrel.core.importer.CellReader;
import org.jontrel.core.importer.ImportedValues;
import org.jontrel.core.importer.ReadRow;
import org.jontrel.core.model.Field;
import org.jontrel.core.record.FormCheck;
import org.jontrel.core.record.Values;
import org.jontrel.core.value.Link;
import org.jontrel.site.importer.name.FoundName;
import org.jontrel.site.importer.name.ImportJournal;
import org.jontrel.site.importer.name.ImportWork;
import org.jontrel.site.importer.name.NameFinder;
import org.jontrel.site.importer.row.RowOutcome;
import org.jontrel.site.importer.row.StagedRow;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.write.SaveResult;
import org.jontrel.site.record.write.SaveTransaction;
import org.jontrel.site.record.write.Write;
import org.jontrel.site.table.Binding;

/** Some rows of a sheet whose rows belong to records: all those of one record together are the value of one of its fields. */
public final class OwnedChunk {
    private final Connection connection;
    private final Binding binding;
    private final ImportWork work;
    private final BoundSheet sheet;
    private final Field into;
    private final RowFindings findings;
    private final NameFinder names;
    private final RowWrites writes;

    public final Map<Integer, RowOutcome> outcomes = new LinkedHashMap<>();
    public final Map<Integer, List<CellProblem>> problems = new LinkedHashMap<>();
    public final Map<Integer, Long> leading = new LinkedHashMap<>();
    private final Map<Long, Optional<StoredRecord>> before = new HashMap<>();
    private final Map<CellName, FoundName> found = new HashMap<>();

    /** The rows of one record. */
    private record OwnedRows(long owner, boolean fresh, List<StagedRow> rows, List<ReadRow> read) {}

    public OwnedChunk(Connection connection, Binding binding, ImportWork work, ImportPlan plan, BoundSheet sheet) {
        this.connection = connection;
        this.binding = binding;
        this.work = work;
        this.sheet = sheet;
        this.into = sheet.rowsOf().orElseThrow();
        this.findings = new RowFindings(plan, sheet);
        this.names = new NameFinder(connection, binding, work);
        this.writes = new RowWrites(sheet, work.author());
    }

    public void work(List<StagedRow> rows, boolean stores) throws SQLException {
        var reader = new CellReader(sheet);
        var byOwner = new LinkedHashMap<Long, OwnedRows>();
        for (var row : rows) {
            if (row.outcome() != RowOutcome.FAILED) {
                var owned = byOwner.computeIfAbsent(
                        row.record(), owner -> new OwnedRows(owner, row.fresh(), new ArrayList<>(), new ArrayList<>()));
                owned.rows().add(row);
                owned.read().add(reader.read(row.cells()));
            }
        }
        names.look(byOwner.values().stream()
                .flatMap(owned -> owned.read().stream())
                .flatMap(row -> Stream.concat(row.names().stream(), row.owner().stream()))
                .toList());
        var whole = byOwner.values().stream().filter(this::isWhole).toList();
        if (whole.isEmpty()) {
            return;
        }
        var awaited = new LinkedHashSet<Link>();
        found.values().forEach(each -> {
            if (each instanceof FoundName.Known(Link _, Set<Link> links)) {
                awaited.addAll(links);
            }
        });
        var expected = stores ? names.store(awaited) : awaited;
        var saving = work.saving(connection, binding, sheet.recordType().id(), expected);
        var incoming = whole.stream().map(owned -> incoming(owned, stores)).toList();
        var results = stores ? saving.bring(incoming) : saving.examine(incoming);
        var brought = new ArrayList<ImportJournal.BroughtRecord>();
        for (int i = 0; i < whole.size(); i++) {
            var stored = result(whole.get(i), results.get(i), stores);
            var was = before.get(whole.get(i).owner());
            if (stores && stored.isPresent()) {
                brought.add(new ImportJournal.BroughtRecord(was, stored.get()));
            }
        }
        new ImportJournal(connection, work.id()).add(sheet.recordType(), brought, binding.generation());
    }

    /** Where one row cannot be brought, none of the same record can: they would take the place of what is there. */
    private boolean isWhole(OwnedRows owned) {
        for (int i = 0; i < owned.rows().size(); i++) {
            var row = owned.read().get(i);
            var all = new ArrayList<>(row.problems());
            boolean leads = owned.fresh();
            var owner = row.owner().map(names::find);
            owner.flatMap(each -> findings.of(row.owner().get(), each)).ifPresent(all::add);
            leads |= owner.filter(each -> each instanceof FoundName.Failing).isPresent();
            for (var name : row.names()) {
                var looked = names.find(name);
                found.put(name, looked);
                findings.of(name, looked).ifPresent(all::add);
                leads |= looked instanceof FoundName.Failing
                        || looked instanceof FoundName.Known(Link _, Set<Link> awaited) && !awaited.isEmpty();
            }
            if (leads) {
                leading.put(owned.rows().get(i).number(), 0L);
            }
            if (!all.isEmpty()) {
                fail(owned.rows().get(i), all);
            }
        }
        failTogether(owned);
        return owned.rows().stream().noneMatch(row -> outcomes.get(row.number()) == RowOutcome.FAILED);
    }

    private void failTogether(OwnedRows owned) {
        owned.rows().stream()
                .filter(row -> problems.containsKey(row.number()))
                .findFirst()
                .ifPresent(failing -> owned.rows().stream()
                        .filter(row -> !problems.containsKey(row.number()))
                        .forEach(row -> fail(
                                row,
                                List.of(new CellProblem(
                                        CellProblem.ROW,
                                        "",
                                        Finding.of(Code.IMPORT_ROWS_TOGETHER, Place.NOWHERE, failing.number()))))));
    }

    private void fail(StagedRow row, List<CellProblem> all) {
        outcomes.put(row.number(), RowOutcome.FAILED);
        problems.put(row.number(), all.stream().distinct().toList());
    }

    private SaveTransaction.Incoming incoming(OwnedRows owned, boolean stores) {
        return new SaveTransaction.Incoming(owned.owner(), was -> {
            before.put(owned.owner(), was);
            if (was.isEmpty() && (stores || !owned.fresh())) {
                return null;
            }
            var type = sheet.recordType();
            var fields = type.fields().toList();
            var wire = was.map(record -> Values.wire(fields, record.values())).orElseGet(LinkedHashMap::new);
            var raw =
                    owned.read().stream().map(row -> row.raw().get(into.key())).toList();
            var known = wire.get(into.key()) instanceof List<?> list ? list : List.of();
            wire.put(into.key(), ImportedValues.list(known, raw, name -> writes.wire(name, found.get(name))));
            return was.map(record -> Write.change(type.id(), record, wire, true, work.author()))
                    .orElseGet(() -> fresh(owned.owner(), wire));
        });
    }

    /** Of a record that another sheet makes, when both are only tried. */
    private Write fresh(long owner, Map<String, Object> wire) {
        return Write.fresh(sheet.recordType().id(), sheet.mapping().state(), wire, work.author())
                .numbered(owner);
    }

    /** The changed record; empty where it stays, or is refused. */
    private Optional<StoredRecord> result(OwnedRows owned, SaveResult result, boolean stores) {
        switch (result) {
            case SaveResult.Stored(StoredRecord after) -> {
                boolean same = before.get(owned.owner())
                        .filter(record -> record.version() == after.version())
                        .isPresent();
                owned.rows().forEach(row -> outcomes.put(row.number(), same ? RowOutcome.SAME : RowOutcome.CHANGED));
                return same ? Optional.empty() : Optional.of(after);
            }
            case SaveResult.Refused(List<FormCheck.Problem> all) -> {
                // of a record that is not there yet, only what the rows say is looked at
                var own = all.stream()
                        .filter(each -> stores || before.get(owned.owner()).isPresent() || isOwn(each.path()))
                        .toList();
                if (own.isEmpty()) {
                    owned.rows().forEach(row -> outcomes.put(row.number(), RowOutcome.CHANGED));
                }
                own.forEach(each -> refuse(owned, each));
                failTogether(owned);
                return Optional.empty();
            }
            case SaveResult.Missing _ -> {
                owned.rows()
                        .forEach(row -> fail(
                                row,
                                List.of(new CellProblem(
                                        CellProblem.ROW, "", Finding.of(Code.IMPORT_GONE, Place.NOWHERE)))));
                return Optional.empty();
            }
            case SaveResult.Conflict _, SaveResult.Closed _ -> throw new SaveTransaction.Overtaken();
        }
    }

    private boolean isOwn(String path) {
        return path.equals(into.key()) || path.startsWith(into.key() + ".");
    }

    /** At the row that it is about: rows have numbers from 0 in the way to their values. */
    private void refuse(OwnedRows owned, FormCheck.Problem problem) {
        var way = problem.path().split("\\.");
        int at = way.length > 1 && way[1].matches("[0-9]{1,6}") ? Integer.parseInt(way[1]) : 0;
        var row = owned.rows().get(Math.min(at, owned.rows().size() - 1));
        var told = new ArrayList<>(problems.getOrDefault(row.number(), List.of()));
        told.add(findings.of(problem, row.cells()));
        fail(row, told);
    }
}
