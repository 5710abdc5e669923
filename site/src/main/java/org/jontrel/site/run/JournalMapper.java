package org.jontrel.site.run;

import java.time.LocalDateTime;
import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

interface JournalMapper {
    /** A run's row. */
    record RunRow(
            long id,
            RunView.RunKind kind,
            RunView.RunState state,
            String fromVersion,
            String toVersion,
            String fromModel,
            String toModel,
            String byWhom,
            Long undoes,
            String message,
            String findings,
            LocalDateTime startedAt,
            LocalDateTime finishedAt,
            String pausedBy,
            Long journey) {}

    /** A step's row. */
    record StepRow(
            long runId,
            int seq,
            String step,
            String sentence,
            RunView.StepState state,
            long rowsExpected,
            long rowsDone,
            long reached,
            LocalDateTime startedAt,
            LocalDateTime finishedAt) {}

    String RUN =
            "SELECT id, kind, state, from_version, to_version, from_model, to_model, by_whom, undoes, message, findings,"
                    + " started_at, finished_at, paused_by, journey FROM jontrel_run";

    @Insert(
            "INSERT INTO jontrel_run (id, kind, state, from_version, to_version, from_model, to_model, by_whom, undoes, findings, journey, started_at)"
                    + " VALUES (#{id}, #{kind}, #{state}, #{fromVersion}, #{toVersion}, #{fromModel}, #{toModel}, #{byWhom}, #{undoes}, #{findings}, #{journey}, UTC_TIMESTAMP(3))")
    void insertRun(RunRow run);

    @Insert("INSERT INTO jontrel_step (run_id, seq, step, sentence, state, rows_expected, rows_done, reached)"
            + " VALUES (#{runId}, #{seq}, #{step}, #{sentence}, 'pending', #{rowsExpected}, 0, 0)")
    void insertStep(StepRow step);

    @Select(RUN + " WHERE id = #{id}")
    RunRow run(long id);

    /** Without the two models, which are long and not for lists. */
    String BRIEF =
            "SELECT id, kind, state, from_version, to_version, '' AS from_model, '' AS to_model, by_whom, undoes,"
                    + " message, findings, started_at, finished_at, paused_by, journey FROM jontrel_run";

    @Select(BRIEF + " WHERE id = #{id}")
    RunRow brief(long id);

    @Select(RUN + " ORDER BY id DESC LIMIT 1")
    RunRow lastRun();

    @Select(BRIEF + " ORDER BY id DESC LIMIT 1")
    RunRow lastBrief();

    @Select(BRIEF + " ORDER BY id DESC LIMIT 100")
    List<RunRow> runs();

    @Select("SELECT run_id, seq, step, sentence, state, rows_expected, rows_done, reached, started_at, finished_at"
            + " FROM jontrel_step WHERE run_id = #{runId} ORDER BY seq")
    List<StepRow> steps(long runId);

    @Update("UPDATE jontrel_step SET state = 'acting', started_at = COALESCE(started_at, UTC_TIMESTAMP(3))"
            + " WHERE run_id = #{runId} AND seq = #{seq}")
    void act(@Param("runId") long runId, @Param("seq") int seq);

    @Update(
            "UPDATE jontrel_step SET reached = #{reached}, rows_done = rows_done + #{rows} WHERE run_id = #{runId} AND seq = #{seq}")
    void advance(
            @Param("runId") long runId,
            @Param("seq") int seq,
            @Param("reached") long reached,
            @Param("rows") long rows);

    @Update(
            "UPDATE jontrel_step SET state = 'done', finished_at = UTC_TIMESTAMP(3) WHERE run_id = #{runId} AND seq = #{seq}")
    void done(@Param("runId") long runId, @Param("seq") int seq);

    @Update(
            "UPDATE jontrel_run SET state = #{state}, message = #{message}, finished_at = UTC_TIMESTAMP(3) WHERE id = #{id}")
    void finish(@Param("id") long id, @Param("state") RunView.RunState state, @Param("message") String message);

    /** Why the work stopped; nothing where another process has ended the run since. */
    @Update("UPDATE jontrel_run SET message = #{message}, finished_at = UTC_TIMESTAMP(3)"
            + " WHERE id = #{id} AND state = 'running'")
    void stopped(@Param("id") long id, @Param("message") String message);

    @Update("UPDATE jontrel_run SET findings = #{findings} WHERE id = #{id}")
    void report(@Param("id") long id, @Param("findings") String findings);

    @Update("UPDATE jontrel_run SET state = #{state} WHERE id = #{id}")
    void turn(@Param("id") long id, @Param("state") RunView.RunState state);

    /** The run that an undo took back stands again when the undo itself is undone. */
    @Update("UPDATE jontrel_run r JOIN jontrel_run u ON u.undoes = r.id SET r.state = 'done'"
            + " WHERE u.id = #{undo} AND u.kind = 'undo'")
    void redone(@Param("undo") long undo);

    /** The generation that the run brings, as the gate opens for it. */
    @Update(
            "UPDATE jontrel_run SET generation = (SELECT generation + 1 FROM jontrel_gate WHERE slot = 0) WHERE id = #{id}")
    void keepGeneration(long id);

    /** @return 0 where it has ended */
    @Update("UPDATE jontrel_run SET paused_by = #{by} WHERE id = #{id} AND state = 'running'")
    int pause(@Param("id") long id, @Param("by") String by);

    @Select("SELECT paused_by IS NOT NULL FROM jontrel_run WHERE id = #{id}")
    boolean isPaused(long id);

    /** What steps of a kind have done in a second, by the code of the kind. */
    record PaceRow(String code, double rows) {}

    /** Of steps that were long enough to say something of it, in runs that have ended. */
    @Select("SELECT JSON_VALUE(s.step, '$.do') AS code,"
            + " SUM(s.rows_done) * 1e6 / SUM(TIMESTAMPDIFF(MICROSECOND, s.started_at, s.finished_at)) AS `rows`"
            + " FROM jontrel_step s JOIN jontrel_run r ON r.id = s.run_id WHERE s.state = 'done' AND s.rows_done >= 500"
            + " AND s.finished_at > s.started_at AND r.state IN ('done', 'undone') GROUP BY code")
    List<PaceRow> paces();

    @Select("SELECT generation FROM jontrel_run WHERE id = #{id}")
    Long generation(long id);

    @Update(
            "UPDATE jontrel_run SET state = 'running', message = NULL, finished_at = NULL, paused_by = NULL WHERE id = #{id}")
    void reopen(long id);

    @Update(
            "UPDATE jontrel_installed SET version = #{version}, model = #{model}, checksum = #{checksum}, run_id = #{runId},"
                    + " installed_at = UTC_TIMESTAMP(3) WHERE id = 1")
    void install(
            @Param("version") String version,
            @Param("model") String model,
            @Param("checksum") String checksum,
            @Param("runId") long runId);

    /** For reading what is written under them when others are installed; the gate opens for the next generation. */
    @Insert("REPLACE INTO jontrel_definitions (generation, version, model) SELECT g.generation + 1, i.version, i.model"
            + " FROM jontrel_gate g, jontrel_installed i WHERE g.slot = 0 AND i.id = 1")
    void keepDefinitions();

    /** A step that was begun and did nothing. */
    @Update("UPDATE jontrel_step SET state = 'pending' WHERE run_id = #{runId} AND seq = #{seq}")
    void unact(@Param("runId") long runId, @Param("seq") int seq);

    /** A record that was saved while a run is under way. */
    record ChangeRow(long seq, String recordTypeId, long recordId) {}

    @Select("SELECT seq, holder_id AS record_type_id, record_id FROM jontrel_change ORDER BY seq LIMIT #{most}")
    List<ChangeRow> changes(int most);

    /** Records that a run has followed are looked at once more behind its switch. */
    @Insert(
            "<script>INSERT IGNORE INTO jontrel_followed (holder_id, record_id)"
                    + " SELECT holder_id, record_id FROM jontrel_change WHERE seq IN"
                    + " <foreach item='each' collection='changes' open='(' separator=',' close=')'>#{each.seq}</foreach></script>")
    void follow(@Param("changes") List<ChangeRow> changes);

    @Delete("DELETE FROM jontrel_followed")
    void forgetFollowed();

    @Delete(
            "<script>DELETE FROM jontrel_change WHERE seq IN"
                    + " <foreach item='each' collection='changes' open='(' separator=',' close=')'>#{each.seq}</foreach></script>")
    void forget(@Param("changes") List<ChangeRow> changes);

    /**
     * A value that somebody saved while a run was under way, and that the run could not take over.
     *
     * @param records how many there are; 1 where one record was asked about
     */
    record SetAsideRow(String recordTypeId, String fieldId, long runId, long records) {}

    @Insert("INSERT IGNORE INTO jontrel_set_aside (holder_id, record_id, field_id, run_id)"
            + " VALUES (#{recordTypeId}, #{recordId}, #{fieldId}, #{runId})")
    void setAside(
            @Param("runId") long runId,
            @Param("recordTypeId") String recordTypeId,
            @Param("fieldId") String fieldId,
            @Param("recordId") long recordId);

    @Delete("DELETE FROM jontrel_set_aside WHERE holder_id = #{recordTypeId} AND record_id = #{recordId}"
            + " AND field_id = #{fieldId} AND run_id = #{runId}")
    void takenOver(
            @Param("runId") long runId,
            @Param("recordTypeId") String recordTypeId,
            @Param("fieldId") String fieldId,
            @Param("recordId") long recordId);

    @Select(
            "SELECT holder_id AS record_type_id, field_id, run_id, COUNT(*) AS records FROM jontrel_set_aside WHERE run_id = #{runId}"
                    + " GROUP BY holder_id, field_id ORDER BY holder_id, field_id")
    List<SetAsideRow> setAsideBy(long runId);

    @Select("SELECT holder_id AS record_type_id, field_id, MAX(run_id) AS run_id, 1 AS records FROM jontrel_set_aside"
            + " WHERE holder_id = #{recordTypeId} AND record_id = #{recordId} GROUP BY holder_id, field_id")
    List<SetAsideRow> setAsideOf(@Param("recordTypeId") String recordTypeId, @Param("recordId") long recordId);

    @Delete("DELETE FROM jontrel_set_aside WHERE run_id = #{runId} AND holder_id = #{recordTypeId}"
            + " AND (field_id = #{fieldId} OR #{fieldId} = '')")
    void forgetSetAside(
            @Param("runId") long runId, @Param("recordTypeId") String recordTypeId, @Param("fieldId") String fieldId);

    @Insert("INSERT IGNORE INTO jontrel_purged (name, run_id, holder_id, field_id, amount, by_whom, at)"
            + " VALUES (#{name}, #{runId}, #{recordTypeId}, #{fieldId}, #{amount}, #{by}, UTC_TIMESTAMP(3))")
    void purge(
            @Param("name") String name,
            @Param("runId") long runId,
            @Param("recordTypeId") String recordTypeId,
            @Param("fieldId") String fieldId,
            @Param("amount") long amount,
            @Param("by") String by);

    @Select(
            "SELECT name, run_id, holder_id AS record_type_id, field_id, amount, by_whom, at FROM jontrel_purged ORDER BY at DESC, name")
    List<HeldValues.PurgedValues> purged();

    @Select("SELECT run_id FROM jontrel_installed WHERE id = 1")
    long installedBy();

    @Select("SELECT version FROM jontrel_installed WHERE id = 1")
    String installedVersion();
}
