package org.jontrel.site.importer.chunk;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.importer.BoundSheet;
import org.jontrel.core.importer.CellName;
import org.jontrel.core.importer.CellProblem;
import org.jontrel.core.importer.CellReader;
import org.jontrel.core.importer.ReadRow;
import org.jontrel.core.value.Link;
import org.jontrel.site.importer.name.FoundName;
import org.jontrel.site.importer.name.ImportJournal;
import org.jontrel.site.importer.name.ImportWork;
import org.jontrel.site.importer.name.NameFinder;
import org.jontrel.site.importer.name.PictureTexts;
import org.jontrel.site.importer.row.RowOutcome;
import org.jontrel.site.importer.row.StagedRow;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.write.SaveResult;
import org.jontrel.site.record.write.SaveTransaction;
import org.jontrel.site.table.Binding;

/** Some rows of a sheet whose rows are records: read, looked up, and tried or brought. */
public final class RecordChunk {
    private final Connection connection;
    private final Binding binding;
    private final ImportWork work;
    private final BoundSheet sheet;
    private final RowFindings findings;
    private final NameFinder names;
    private final RowWrites writes;

    /** What became of each row, or would. */
    public final Map<Integer, RowOutcome> outcomes = new LinkedHashMap<>();

    public final Map<Integer, List<CellProblem>> problems = new LinkedHashMap<>();
    /** Rows that lead to records which other rows make, with the one that they stand under. */
    public final Map<Integer, Long> leading = new LinkedHashMap<>();

    public final Map<Integer, ImportJournal.BroughtRecord> changes = new LinkedHashMap<>();

    private record RowWrite(
            StagedRow staged, ReadRow row, Map<CellName, FoundName> found, SaveTransaction.Incoming incoming) {}

    private final Map<Integer, Optional<StoredRecord>> before = new HashMap<>();

    public RecordChunk(Connection connection, Binding binding, ImportWork work, ImportPlan plan, BoundSheet sheet) {
        this.connection = connection;
        this.binding = binding;
        this.work = work;
        this.sheet = sheet;
        this.findings = new RowFindings(plan, sheet);
        this.names = new NameFinder(connection, binding, work);
        this.writes = new RowWrites(sheet, work.author());
    }

    /** @param stores whether records are made and changed, or only looked at */
    public void work(List<StagedRow> rows, boolean stores) throws SQLException {
        var reader = new CellReader(sheet);
        var read = new LinkedHashMap<StagedRow, ReadRow>();
        var exported = new ExportedCells(connection, binding);
        exported.look(sheet, rows);
        rows.stream()
                .filter(row -> row.outcome() != RowOutcome.FAILED && row.outcome() != RowOutcome.LEFT)
                .forEach(row -> read.put(row, reader.read(row.cells(), exported.of(row))));
        names.look(read.values().stream().flatMap(row -> row.names().stream()).toList());
        var all = new ArrayList<RowWrite>();
        read.forEach((staged, row) -> write(staged, row).ifPresent(all::add));
        if (all.isEmpty()) {
            return;
        }
        var awaited = stores ? names.store(awaited(all)) : awaited(all);
        var saving = work.saving(connection, binding, sheet.recordType().id(), awaited);
        var incoming = all.stream().map(RowWrite::incoming).toList();
        var results = stores ? saving.bring(incoming) : saving.examine(incoming);
        for (int i = 0; i < all.size(); i++) {
            result(all.get(i), results.get(i));
            if (stores && results.get(i) instanceof SaveResult.Stored(StoredRecord after)) {
                new PictureTexts(connection, work.id())
                        .say(title(after), all.get(i).found().values());
            }
        }
        if (stores) {
            new ImportJournal(connection, work.id()).add(sheet.recordType(), changes.values(), binding.generation());
        }
    }

    private String title(StoredRecord record) {
        return sheet.recordType()
                .title()
                .map(field -> record.values().get(field.id()))
                .map(String::valueOf)
                .orElse("");
    }

    private static Set<Link> awaited(List<RowWrite> writes) {
        var awaited = new LinkedHashSet<Link>();
        writes.forEach(write -> write.found().values().forEach(found -> {
            if (found instanceof FoundName.Known(Link _, Set<Link> links)) {
                awaited.addAll(links);
            }
        }));
        return awaited;
    }

    private Optional<RowWrite> write(StagedRow staged, ReadRow row) {
        var all = new ArrayList<>(row.problems());
        var found = new LinkedHashMap<CellName, FoundName>();
        row.names().forEach(name -> {
            found.put(name, names.find(name));
            findings.of(name, found.get(name)).ifPresent(all::add);
        });
        note(staged, row, found);
        if (!all.isEmpty()) {
            fail(staged, all);
            return Optional.empty();
        }
        return Optional.of(new RowWrite(staged, row, found, new SaveTransaction.Incoming(staged.record(), was -> {
            before.put(staged.number(), was);
            return was.isEmpty() && !staged.fresh() ? null : writes.write(staged, row, found, was);
        })));
    }

    private void note(StagedRow staged, ReadRow row, Map<CellName, FoundName> found) {
        boolean leads = found.values().stream()
                .anyMatch(each -> each instanceof FoundName.Known(Link _, Set<Link> awaited) && !awaited.isEmpty()
                        || each instanceof FoundName.Failing);
        if (leads) {
            var parent = row.parent()
                    .map(found::get)
                    .filter(each -> each instanceof FoundName.Known(Link link, Set<Link> awaited)
                            && awaited.contains(link)
                            && link.type().equals(sheet.recordType().id()))
                    .map(each -> ((FoundName.Known) each).link().id());
            leading.put(staged.number(), parent.orElse(0L));
        }
    }

    private void fail(StagedRow staged, List<CellProblem> all) {
        outcomes.put(staged.number(), RowOutcome.FAILED);
        problems.put(staged.number(), all.stream().distinct().toList());
    }

    private void result(RowWrite write, SaveResult result) {
        var staged = write.staged();
        switch (result) {
            case SaveResult.Stored(StoredRecord after) -> {
                var was = before.get(staged.number());
                boolean same = was.filter(record -> record.version() == after.version())
                        .isPresent();
                outcomes.put(
                        staged.number(), same ? RowOutcome.SAME : was.isEmpty() ? RowOutcome.NEW : RowOutcome.CHANGED);
                if (!same) {
                    changes.put(staged.number(), new ImportJournal.BroughtRecord(was, after));
                }
            }
            case SaveResult.Refused(var all) ->
                fail(
                        staged,
                        all.stream()
                                .map(each -> findings.of(each, staged.cells()))
                                .toList());
            case SaveResult.Missing _ ->
                fail(
                        staged,
                        List.of(new CellProblem(CellProblem.ROW, "", Finding.of(Code.IMPORT_GONE, Place.NOWHERE))));
            case SaveResult.Conflict _, SaveResult.Closed _ -> throw new SaveTransaction.Overtaken();
        }
    }

    /** Numbers of those records that others may lead to already, and that are not made after all. */
    public Set<Integer> unmade(List<StagedRow> rows) {
        var unmade = new HashSet<Integer>();
        rows.stream()
                .filter(StagedRow::fresh)
                .filter(row -> outcomes.get(row.number()) == RowOutcome.FAILED)
                .forEach(row -> unmade.add(row.number()));
        return unmade;
    }
}
