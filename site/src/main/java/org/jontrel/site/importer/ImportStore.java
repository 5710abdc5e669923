package org.jontrel.site.importer;

import java.io.IOException;
import java.sql.SQLException;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import org.apache.ibatis.session.SqlSession;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.importer.BoundSheet;
import org.jontrel.core.importer.ColumnNames;
import org.jontrel.core.importer.ImportMapping;
import org.jontrel.core.importer.MappingProposal;
import org.jontrel.core.importer.SheetMapping;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.sheet.Sheet;
import org.jontrel.core.sheet.WorkbookFacts;
import org.jontrel.site.importer.chunk.ImportPlan;
import org.jontrel.site.importer.name.ImportWork;
import org.jontrel.site.importer.name.SiteNames;
import org.jontrel.site.importer.row.ImportRows;
import org.jontrel.site.importer.row.MappingText;
import org.jontrel.site.importer.row.RowOutcome;
import org.jontrel.site.importer.row.StagedRows;
import org.jontrel.site.importer.row.Staging;
import org.jontrel.site.lease.Lease;
import org.jontrel.site.media.MediaStore;
import org.jontrel.site.table.Bindings;
import org.jontrel.site.table.Database;
import org.jontrel.site.table.DatabaseException;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.RecordIds;

/** Imports as they are kept with a site: their rows, where these go, what was found out of them; and mappings under a name. */
public class ImportStore {
    private static final int KEPT_DAYS = 30;
    final Database database;
    final Bindings bindings;
    final MediaStore media;
    final RecordIds ids;
    final Duration stale;
    private final Ids shortNames;

    /** @param stale silence after which an import counts as interrupted */
    ImportStore(Database database, Bindings bindings, MediaStore media, RecordIds ids, Ids shortNames, Duration stale) {
        this.database = database;
        this.bindings = bindings;
        this.media = media;
        this.ids = ids;
        this.shortNames = shortNames;
        this.stale = stale;
        database.use(ImportMapper.class);
    }

    /**
     * Reads the rows of sheets, and keeps them for 30 days.
     *
     * @param mapping {@code null} for one that is proposed
     * @param findings of the files, asked for when all is read
     */
    public long create(
            String name, List<Sheet> sheets, ImportMapping mapping, Supplier<List<Finding>> findings, String by)
            throws IOException {
        long id = ids.next();
        forgetOld();
        database.transaction(session -> {
            session.getMapper(ImportMapper.class).insert(id, name, by);
            return null;
        });
        try {
            var staged = new Staging(database, id).stage(sheets);
            var to = mapping == null ? proposed(staged.facts()) : mapping;
            database.transaction(session -> {
                session.getMapper(ImportMapper.class)
                        .read(
                                id,
                                MappingText.facts(staged.facts()),
                                MappingText.findings(findings.get()),
                                MappingText.write(to),
                                staged.rows());
                return null;
            });
        } catch (IOException | RuntimeException e) {
            delete(id);
            throw e;
        }
        return id;
    }

    private ImportMapping proposed(WorkbookFacts facts) {
        return bindings.reading(database, (_, binding) -> MappingProposal.of(facts, binding.model(), shortNames));
    }

    /** The mapping that a sheet would have, where its rows are these. */
    public Optional<SheetMapping> propose(long id, int sheet, SheetMapping.SheetUse use, String to) {
        return bindings.reading(database, (session, binding) -> {
            var row = session.getMapper(ImportMapper.class).find(id);
            if (row == null || row.facts().isEmpty()) {
                return Optional.empty();
            }
            var facts = MappingText.facts(row.facts());
            var type = BoundSheet.recordType(binding.model(), to);
            boolean known = sheet >= 0 && sheet < facts.sheets().size();
            return known && (type.isPresent() || use == SheetMapping.SheetUse.SKIP)
                    ? Optional.of(MappingProposal.of(facts, sheet, use, type.orElse(null), binding.model(), shortNames))
                    : Optional.empty();
        });
    }

    private void forgetOld() {
        var old = database.transaction(session -> Jdbc.query(
                session.getConnection(),
                "SELECT id FROM jontrel_import WHERE made_at < UTC_TIMESTAMP() - INTERVAL " + KEPT_DAYS
                        + " DAY AND state NOT IN ('trying', 'running', 'undoing', 'paused')",
                row -> row.getLong(1)));
        old.forEach(this::delete);
    }

    /** Pictures and files that were sent beside its rows. */
    public ImportFiles files(long id) {
        return new ImportFiles(database, media, id);
    }

    /** Says that something is another than was tried; whether that can be said now. */
    public boolean revised(long id) {
        return database.transaction(
                session -> session.getMapper(ImportMapper.class).revised(id) > 0);
    }

    /** Forgets an import with its rows and its journal: what it brought stays, and cannot be undone any more. */
    public boolean delete(long id) {
        boolean deleted = database.transaction(session -> {
            var mapper = session.getMapper(ImportMapper.class);
            var row = mapper.find(id);
            if (row == null || row.state().working() || row.state() == ImportState.PAUSED) {
                return false;
            }
            new StagedRows(session.getConnection(), id).delete();
            mapper.delete(id);
            return true;
        });
        if (deleted) {
            files(id).forget();
        }
        return deleted;
    }

    /** The imports of the last 30 days, the newest first. */
    public List<ImportView> all() {
        return database.transaction(session -> {
            boolean held = held(session);
            return session.getMapper(ImportMapper.class).all().stream()
                    .map(row -> ImportView.of(row, held))
                    .toList();
        });
    }

    public Optional<ImportView> find(long id) {
        return database.transaction(session -> Optional.ofNullable(
                        session.getMapper(ImportMapper.class).find(id))
                .map(row -> ImportView.of(row, held(session))));
    }

    boolean held(SqlSession session) {
        try {
            return Lease.isHeld(session.getConnection(), Lease.IMPORT, stale);
        } catch (SQLException e) {
            throw new DatabaseException(e);
        }
    }

    public Optional<OpenedImport> open(long id) {
        return bindings.reading(database, (session, binding) -> {
            var row = session.getMapper(ImportMapper.class).find(id);
            if (row == null || row.state() == ImportState.READING) {
                return Optional.empty();
            }
            var facts = MappingText.facts(row.facts());
            var mapping = MappingText.read(row.mapping());
            return Optional.of(new OpenedImport(
                    ImportView.of(row, held(session)),
                    facts,
                    mapping,
                    MappingText.findings(row.findings()),
                    ImportPlan.of(facts, mapping, binding.model()).findings(),
                    new ImportRows(session.getConnection(), id).outcomes()));
        });
    }

    /**
     * Says where its rows go.
     *
     * @param revision that was looked at
     * @return whether it was stored: nobody said anything else meanwhile, and nothing is under way or done
     */
    public boolean map(long id, int revision, ImportMapping mapping) {
        return database.transaction(
                        session -> session.getMapper(ImportMapper.class).map(id, revision, MappingText.write(mapping)))
                > 0;
    }

    /** Reads a text in a column as another from now on, in this import and whenever its mapping is used. */
    public boolean replace(long id, int sheet, int column, String text, String as) {
        return open(id).filter(opened -> {
                    var seen = opened.facts().sheets();
                    var name = ColumnNames.of(seen.get(sheet)).getOrDefault(column, "");
                    var mapping = opened.mapping()
                            .replacing(seen.get(sheet).name(), seen.size() == 1, name, text.strip(), as.strip());
                    return map(id, opened.view().revision(), mapping);
                })
                .isPresent();
    }

    /** Corrects one cell, of this import only. */
    public boolean correct(long id, int sheet, int number, int column, String text) {
        return database.transaction(
                session -> session.getMapper(ImportMapper.class).revised(id) > 0
                        && new ImportRows(session.getConnection(), id).correct(sheet, number, column, text));
    }

    /** Work with the rows of an import, within one transaction. */
    public interface RowsWork<T> {
        T with(ImportRows rows) throws SQLException;
    }

    public List<ImportRows.ShownRow> rows(long id, int sheet, RowOutcome outcome, int after, int most) {
        return reading(id, rows -> rows.rows(sheet, outcome, after, most));
    }

    public List<ImportRows.SameProblem> problems(long id) {
        return reading(id, ImportRows::problems);
    }

    private <T> T reading(long id, RowsWork<T> work) {
        return database.transaction(session -> work.with(new ImportRows(session.getConnection(), id)));
    }

    /** What some rows would change, as the records are now. */
    public List<RowChange> changes(long id, int sheet, List<Integer> numbers) {
        return bindings.reading(database, (session, binding) -> {
            var row = session.getMapper(ImportMapper.class).find(id);
            if (row == null || numbers.isEmpty()) {
                return List.of();
            }
            var plan = ImportPlan.of(MappingText.facts(row.facts()), MappingText.read(row.mapping()), binding.model());
            return RowChange.of(session.getConnection(), binding, work(row), plan, sheet, numbers);
        });
    }

    ImportWork work(ImportMapper.ImportRow row) {
        return new ImportWork(row.id(), row.byWhom(), row.total() > SiteNames.MANY, media, ids, false);
    }

    /** Mappings that are kept under a name. */
    public KeptMappings mappings() {
        return new KeptMappings(database);
    }
}
