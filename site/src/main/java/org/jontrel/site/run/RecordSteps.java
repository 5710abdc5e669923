package org.jontrel.site.run;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.LongSupplier;
import java.util.stream.Collectors;
import org.apache.ibatis.session.SqlSession;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Model;
import org.jontrel.core.plan.Step;
import org.jontrel.core.record.Conversion;
import org.jontrel.core.record.RecordCheck;
import org.jontrel.core.recordtype.FieldStorage;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.retype.TypeMove;
import org.jontrel.site.record.read.RecordLoader;
import org.jontrel.site.record.read.SearchWords;
import org.jontrel.site.record.read.SiteSurroundings;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.write.WholeRecords;
import org.jontrel.site.run.move.MovedReturn;
import org.jontrel.site.run.move.RecordCarries;
import org.jontrel.site.run.move.RecordMaker;
import org.jontrel.site.run.move.RecordWork;
import org.jontrel.site.run.move.RelatedValues;
import org.jontrel.site.run.move.RowMaker;
import org.jontrel.site.run.move.SavedSince;
import org.jontrel.site.run.move.ValueMover;
import org.jontrel.site.run.name.SiteNameLookup;
import org.jontrel.site.run.retype.RetypeMaker;
import org.jontrel.site.run.retype.RetypeReturn;
import org.jontrel.site.run.retype.RetypedLinks;
import org.jontrel.site.table.Bindings;
import org.jontrel.site.table.ColumnValues;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.PhysicalNames;
import org.jontrel.site.table.Schema;
import org.jontrel.site.table.SureValues;

/** Steps over records, a bounded number of them within one transaction. */
final class RecordSteps {
    private final Model from;
    private final Model to;
    private final int size;
    private final Bindings bindings;
    private final Optional<Long> since;
    private final Map<String, Optional<Field>> heldFields = new HashMap<>();

    private final long runId;
    private final LongSupplier rowIds;
    private final List<TypeMove> retyped;

    /**
     * @param since the generation of definitions that the run brought which is undone; empty where nobody knows
     * @param rowIds gives new rows their ids
     */
    RecordSteps(
            long runId,
            Model from,
            Model to,
            List<TypeMove> retyped,
            int size,
            Bindings bindings,
            Optional<Long> since,
            LongSupplier rowIds) {
        this.retyped = retyped;
        this.runId = runId;
        this.rowIds = rowIds;
        this.since = since;
        this.from = from;
        this.to = to;
        this.size = size;
        this.bindings = bindings;
    }

    /**
     * How far a chunk came.
     *
     * @param reached id of the last record looked at
     * @param rows rows looked at; 0 where there were no records left
     */
    record Progress(long reached, int rows) {}

    /** Which records: the next ones behind an id, or some that were saved meanwhile. */
    sealed interface Which {
        record After(long id) implements Which {}

        /** Those with these ids. */
        record Those(List<Long> ids) implements Which {}
    }

    Progress work(SqlSession session, Step step, Which which) throws SQLException {
        return switch (step) {
            case Step.CopyColumn copy -> copy(session, copy, which);
            case Step.CarryBack carry -> carry(session.getConnection(), ReturnCarry.back(from, to, carry), which);
            case Step.CarryForth carry -> carry(session.getConnection(), ReturnCarry.forth(from, to, carry), which);
            case Step.MoveValues move -> move(session, move, which);
            case Step.CarryMoved carry -> carry(session, carry, which);
            case Step.MakeRecords make -> work(session.getConnection(), maker(session, make), which);
            case Step.MakeRows make -> work(session.getConnection(), maker(session, make), which);
            case Step.CarryRecords carry -> carry(session, carry, which);
            case Step.RetypeRecords retype -> work(session.getConnection(), maker(session, retype), which);
            case Step.CarryRetyped carry -> carry(session, carry, which);
            case Step.NoteFiles files when which instanceof Which.After(long id) -> files(session, files, id);
            case Step.RenewWords words when which instanceof Which.After(long id) -> renew(session, words, id);
            case Step.CheckRecords check when which instanceof Which.After(long id) -> check(session, check, id);
            default -> new Progress(0, 0);
        };
    }

    private Progress move(SqlSession session, Step.MoveValues move, Which which) throws SQLException {
        var connection = session.getConnection();
        var binding = bindings.current(session);
        var mover = new ValueMover(
                connection,
                binding,
                binding.table(move.recordTypeId()).orElseThrow(),
                SiteFacts.recordType(to, move.recordTypeId()),
                move.moves(),
                new SiteNameLookup(connection, binding, to, true),
                rowIds);
        var records =
                switch (which) {
                    case Which.After(long id) -> mover.after(connection, id, size);
                    case Which.Those(List<Long> ids) -> mover.byIds(connection, ids);
                };
        mover.move(connection, records, which instanceof Which.Those(List<Long> ids) ? ids : List.of());
        return reached(which, records);
    }

    /** The records that a step has to do with, of those that were saved meanwhile, by their type. */
    Set<Long> concerned(SqlSession session, Step step, Map<String, Set<Long>> saved) throws SQLException {
        var own = saved.getOrDefault(step.recordTypeId(), Set.of());
        if (step instanceof Step.RetypeRecords || step instanceof Step.CarryRetyped) {
            return RetypedLinks.followed(
                    session.getConnection(), bindings.current(session), step.recordTypeId(), retyped, saved);
        }
        if (step instanceof Step.MoveValues moves) {
            var all = new HashSet<>(own);
            all.addAll(RelatedValues.leading(session.getConnection(), bindings.current(session), moves, saved));
            return all;
        }
        var rule = RecordCarries.followed(step);
        if (rule.isEmpty() || !saved.containsKey(rule.get().records())) {
            return own;
        }
        var all = new HashSet<>(own);
        var others = saved.get(rule.get().records());
        all.addAll(RecordCarries.around(
                session.getConnection(), bindings.current(session), step.recordTypeId(), rule.get(), others));
        return all;
    }

    private RecordWork maker(SqlSession session, Step.MakeRecords make) throws SQLException {
        var connection = session.getConnection();
        var binding = bindings.current(session);
        var around = binding.table(make.recordTypeId()).orElseThrow();
        return new RecordMaker(
                connection, around, to, make.rule(), new SiteNameLookup(connection, binding, to, true), rowIds);
    }

    private RecordWork maker(SqlSession session, Step.RetypeRecords retype) throws SQLException {
        return new RetypeMaker(session.getConnection(), bindings.current(session), to, retype, retyped, rowIds);
    }

    private Progress carry(SqlSession session, Step.CarryRetyped carry, Which which) throws SQLException {
        var connection = session.getConnection();
        var binding = bindings.current(session);
        // a switch that never came to its end left nobody time to enter anything
        return binding.model().equals(from)
                ? work(connection, new RetypeReturn(connection, binding, to, carry, since(connection), rowIds), which)
                : new Progress(0, 0);
    }

    private RecordWork maker(SqlSession session, Step.MakeRows make) throws SQLException {
        var connection = session.getConnection();
        var binding = bindings.current(session);
        var references = new SiteNameLookup(connection, binding, to, true);
        return new RowMaker(connection, binding, make.recordTypeId(), to, make.rule(), references, rowIds);
    }

    private Progress work(Connection connection, RecordWork work, Which which) throws SQLException {
        var records =
                switch (which) {
                    case Which.After(long id) -> work.after(connection, id, size);
                    case Which.Those(List<Long> ids) -> work.byIds(connection, ids);
                };
        work.work(connection, records, which instanceof Which.Those(List<Long> ids) ? ids : List.of());
        return reached(which, records);
    }

    private Progress carry(SqlSession session, Step.CarryRecords carry, Which which) throws SQLException {
        var connection = session.getConnection();
        var binding = bindings.current(session);
        // a switch that never came to its end left nobody time to enter anything
        return binding.model().equals(from)
                ? work(connection, RecordCarries.of(connection, binding, to, carry, since(connection), rowIds), which)
                : new Progress(0, 0);
    }

    private SavedSince since(Connection connection) {
        return (recordTypeId, ids) -> savedSince(connection, recordTypeId, ids);
    }

    private Progress files(SqlSession session, Step.NoteFiles files, long after) throws SQLException {
        var table = bindings.current(session).table(files.recordTypeId());
        if (table.isEmpty()) {
            return new Progress(after, 0);
        }
        var records = new RecordLoader(table.get()).after(session.getConnection(), after, size);
        WholeRecords.noteFiles(session.getConnection(), table.get(), records);
        return reached(new Which.After(after), records);
    }

    private static Progress reached(Which which, List<StoredRecord> records) {
        return which instanceof Which.After(long id)
                ? new Progress(records.isEmpty() ? id : records.getLast().id(), records.size())
                : new Progress(0, records.size());
    }

    private Progress carry(SqlSession session, Step.CarryMoved carry, Which which) throws SQLException {
        var connection = session.getConnection();
        var binding = bindings.current(session);
        var present = binding.table(carry.recordTypeId());
        // a switch that never came to its end left nobody time to enter anything
        if (present.isEmpty() || !present.get().recordType().equals(SiteFacts.recordType(from, carry.recordTypeId()))) {
            return new Progress(0, 0);
        }
        var back = new MovedReturn(
                connection,
                present.get(),
                SiteFacts.recordType(to, carry.recordTypeId()),
                carry,
                new SiteNameLookup(connection, binding, to, carry.forth()));
        var records =
                switch (which) {
                    case Which.After(long id) -> back.after(connection, id, size);
                    case Which.Those(List<Long> ids) -> back.byIds(connection, ids);
                };
        var saved = which instanceof Which.After
                ? savedSince(
                        connection,
                        carry.recordTypeId(),
                        records.stream().map(StoredRecord::id).toList())
                : records.stream().map(StoredRecord::id).collect(Collectors.toSet());
        back.carry(connection, records, saved, rowIds);
        return reached(which, records);
    }

    private Progress copy(SqlSession session, Step.CopyColumn copy, Which which) throws SQLException {
        var connection = session.getConnection();
        var table = new ChunkRows(connection, SiteFacts.recordType(to, copy.recordTypeId()), copy.fieldId(), size);
        var newer = SiteFacts.field(to, copy.recordTypeId(), copy.fieldId());
        var older = (copy.held().isEmpty()
                        ? from.definition(copy.recordTypeId())
                                .flatMap(each -> RecordType.of(from, each))
                                .flatMap(each -> each.field(copy.fieldId()))
                        : held(connection, copy.held()))
                .filter(each -> FieldStorage.of(each.kind()) != FieldStorage.NOT);
        var fill = SiteFacts.Conversions.fill(newer, copy.fill());
        var conversion = new Conversion(older.orElse(newer), newer, fill, copy.corrections());
        var present = older.flatMap(_ -> copy.held().isEmpty()
                ? Schema.columnOf(table.columns(), copy.fieldId())
                : Optional.of(PhysicalNames.held(copy.held())).filter(table.columns()::containsKey));
        var kind = conversion.from().kind();
        var value = present.map(PhysicalNames::quoted);
        long sure = 0;
        var doubtful = "";
        var condition = value.flatMap(column -> SureValues.condition(column, conversion));
        if (condition.isPresent() && which instanceof Which.After(long id)) {
            sure = table.convertSure(PhysicalNames.next(copy.fieldId()), value.get(), condition.get(), id);
            doubtful = " AND " + condition.get() + " IS NOT TRUE";
        }
        var rows = table.rows(value.orElse("NULL"), kind, "NULL", kind, which, doubtful);
        var update = table.update(PhysicalNames.next(copy.fieldId()), newer.kind());
        if (which instanceof Which.Those && copy.held().isEmpty()) {
            note(session.getMapper(JournalMapper.class), copy, rows, conversion);
        }
        for (var row : rows) {
            update.set(row.key(), ColumnValues.toColumn(conversion.apply(row.first())));
        }
        update.execute(connection);
        return table.progress(which, rows, sure);
    }

    /** The field whose values are held under a name, as it was then. */
    private Optional<Field> held(Connection connection, String name) throws SQLException {
        if (!heldFields.containsKey(name)) {
            heldFields.put(name, HeldPlace.find(connection, name).flatMap(HeldPlace::field));
        }
        return heldFields.get(name);
    }

    /** Nobody was asked about what was saved meanwhile and cannot be taken over: the report tells it. */
    private void note(
            JournalMapper journal, Step.CopyColumn copy, List<ChunkRows.ChunkRow> rows, Conversion conversion) {
        var records = rows.stream().map(ChunkRows.ChunkRow::record).collect(Collectors.toSet());
        records.forEach(record -> journal.takenOver(runId, copy.recordTypeId(), copy.fieldId(), record));
        rows.stream()
                .filter(row -> row.first() != null && !conversion.takes(row.first()))
                .forEach(row -> journal.setAside(runId, copy.recordTypeId(), copy.fieldId(), row.record()));
    }

    /** What was saved while the run was under way and set aside, in sentences. */
    List<String> setAside(JournalMapper journal) {
        return journal.setAsideBy(runId).stream()
                .map(each -> "Records saved while the run was under way whose value of "
                        + SiteFacts.field(to, each.recordTypeId(), each.fieldId())
                                .label() + " could not be taken over: "
                        + each.records() + ". These values are held.")
                .toList();
    }

    private Progress carry(Connection connection, ReturnCarry carry, Which which) throws SQLException {
        var table = new ChunkRows(connection, SiteFacts.recordType(to, carry.recordTypeId()), carry.fieldId(), size);
        var held = PhysicalNames.held(carry.held());
        var present = Schema.columnOf(table.columns(), carry.fieldId());
        if (present.isEmpty() || !table.columns().containsKey(held)) {
            return new Progress(0, 0);
        }
        var rows = table.rows(
                PhysicalNames.quoted(held),
                carry.goal().kind(),
                PhysicalNames.quoted(present.get()),
                carry.source().kind(),
                which,
                "");
        var saved = savedSince(
                connection,
                carry.recordTypeId(),
                rows.stream().map(ChunkRows.ChunkRow::record).toList());
        var update = table.update(held, carry.goal().kind());
        for (var row : rows) {
            boolean known = row.first() == null || saved.contains(row.record());
            if (known && carry.carries(row.first(), row.second())) {
                update.set(row.key(), ColumnValues.toColumn(carry.carried(row.second())));
            }
        }
        update.execute(connection);
        return table.progress(which, rows, 0);
    }

    /** The records among these that people have saved since the run that is undone; all where nobody knows. */
    private Set<Long> savedSince(Connection connection, String recordTypeId, List<Long> records) throws SQLException {
        if (since.isEmpty() || records.isEmpty()) {
            return Set.copyOf(records);
        }
        var saved = new HashSet<Long>();
        var sql = "SELECT DISTINCT record_id FROM jontrel_history WHERE holder_id = ? AND generation >= ?"
                + " AND record_id BETWEEN ? AND ?";
        Jdbc.each(
                connection,
                sql,
                row -> saved.add(row.getLong(1)),
                recordTypeId,
                since.get(),
                Collections.min(records),
                Collections.max(records));
        return saved;
    }

    private Progress renew(SqlSession session, Step.RenewWords words, long after) throws SQLException {
        var table = bindings.current(session).table(words.recordTypeId());
        if (table.isEmpty()) {
            return new Progress(after, 0);
        }
        var renewed = SearchWords.renew(session.getConnection(), table.get(), after);
        return new Progress(renewed.reached(), renewed.records());
    }

    private Progress check(SqlSession session, Step.CheckRecords check, long afterId) throws SQLException {
        var binding = bindings.current(session);
        var table = binding.table(check.recordTypeId());
        if (table.isEmpty()) {
            return new Progress(0, 0);
        }
        var connection = session.getConnection();
        var loader = new RecordLoader(table.get());
        var records =
                switch (check.among()) {
                    case ALL -> loader.after(connection, afterId, size);
                    case INCOMPLETE -> loader.incompleteAfter(connection, afterId, size);
                };
        var update =
                "UPDATE " + PhysicalNames.quoted(table.get().name()) + " SET complete = ? WHERE id = ? AND version = ?";
        var changes = new ArrayList<List<?>>();
        for (var record : records) {
            var around = new SiteSurroundings(connection, binding, record.state(), record.parent());
            boolean complete = RecordCheck.check(table.get().recordType(), record.values(), around)
                    .complete();
            if (complete != record.complete()) {
                changes.add(List.of(complete, record.id(), record.version()));
            }
        }
        Jdbc.batch(connection, update, changes);
        return records.isEmpty()
                ? new Progress(afterId, 0)
                : new Progress(records.getLast().id(), records.size());
    }
}
