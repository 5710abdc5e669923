package org.jontrel.site.importer;

import java.time.LocalDateTime;
import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

interface ImportMapper {
    /**
     * An import's row.
     *
     * @param revision counts what was said of it: its mapping, its answers, its corrections
     * @param tried the revision that was tried; {@code null} where none was
     * @param triedAt the state that the site was tried in
     * @param generation of the definitions that it was tried with
     * @param stops whether somebody wants it to stop
     * @param runs whether its rows are to be brought when they are tried
     * @param sheet place of the sheet that is worked on, in the order of working
     * @param reached within the sheet and level, up to where the work is done
     */
    record ImportRow(
            long id,
            String name,
            ImportState state,
            String phase,
            String facts,
            String findings,
            String mapping,
            int revision,
            Integer tried,
            String triedAt,
            Long generation,
            String byWhom,
            LocalDateTime madeAt,
            LocalDateTime begunAt,
            LocalDateTime endedAt,
            boolean stops,
            boolean runs,
            int sheet,
            int level,
            long reached,
            long done,
            long total,
            String message) {}

    /** A mapping that is kept under a name. */
    record KeptMapping(String name, String mapping, String byWhom, LocalDateTime at) {}

    String IMPORT =
            "SELECT id, name, state, phase, facts, findings, mapping, revision, tried, tried_at, generation, by_whom,"
                    + " made_at, begun_at, ended_at, stops, runs, sheet, level, reached, done, total, message FROM jontrel_import";

    String BRIEF =
            "SELECT id, name, state, phase, '' AS facts, '' AS findings, '' AS mapping, revision, tried, tried_at,"
                    + " generation, by_whom, made_at, begun_at, ended_at, stops, runs, sheet, level, reached, done, total, message"
                    + " FROM jontrel_import";

    @Insert(
            "INSERT INTO jontrel_import (id, name, state, phase, facts, findings, mapping, revision, by_whom, made_at, stops, sheet,"
                    + " level, reached, done, total) VALUES (#{id}, #{name}, 'reading', '', '', '', '', 1, #{by}, UTC_TIMESTAMP(3), 0,"
                    + " 0, 0, 0, 0, 0)")
    void insert(@Param("id") long id, @Param("name") String name, @Param("by") String by);

    @Update(
            "UPDATE jontrel_import SET state = 'ready', facts = #{facts}, findings = #{findings}, mapping = #{mapping}, total ="
                    + " #{total} WHERE id = #{id}")
    void read(
            @Param("id") long id,
            @Param("facts") String facts,
            @Param("findings") String findings,
            @Param("mapping") String mapping,
            @Param("total") long total);

    @Select(IMPORT + " WHERE id = #{id}")
    ImportRow find(long id);

    @Select(BRIEF + " ORDER BY id DESC LIMIT 200")
    List<ImportRow> all();

    @Select(BRIEF + " WHERE state IN ('trying', 'running', 'undoing') ORDER BY id")
    List<ImportRow> working();

    @Select("SELECT stops FROM jontrel_import WHERE id = #{id} FOR UPDATE")
    Boolean stops(long id);

    @Update("UPDATE jontrel_import SET mapping = #{mapping}, revision = revision + 1,"
            + " state = CASE WHEN state IN ('tried', 'undone') THEN 'ready' ELSE state END"
            + " WHERE id = #{id} AND revision = #{revision} AND state IN ('ready', 'tried', 'undone')")
    int map(@Param("id") long id, @Param("revision") int revision, @Param("mapping") String mapping);

    /** From one state to another, at the beginning of its work. */
    @Update(
            "UPDATE jontrel_import SET state = #{state}, phase = #{phase}, stops = 0, runs = #{runs}, sheet = 0, level = 0, reached = 0, done = 0,"
                    + " message = NULL, begun_at = UTC_TIMESTAMP(3), ended_at = NULL WHERE id = #{id}")
    void begin(
            @Param("id") long id,
            @Param("state") ImportState state,
            @Param("phase") String phase,
            @Param("runs") boolean runs);

    @Update("UPDATE jontrel_import SET state = #{state}, stops = 0, message = NULL WHERE id = #{id}")
    void resume(@Param("id") long id, @Param("state") ImportState state);

    @Update("UPDATE jontrel_import SET phase = #{phase}, sheet = 0, level = 0, reached = 0, done = 0 WHERE id = #{id}")
    void phase(@Param("id") long id, @Param("phase") String phase);

    @Update("UPDATE jontrel_import SET tried_at = #{at}, generation = #{generation} WHERE id = #{id}")
    void trying(@Param("id") long id, @Param("at") String at, @Param("generation") long generation);

    @Update(
            "UPDATE jontrel_import SET sheet = #{sheet}, level = #{level}, reached = #{reached}, done = done + #{done} WHERE id ="
                    + " #{id}")
    void reached(
            @Param("id") long id,
            @Param("sheet") int sheet,
            @Param("level") int level,
            @Param("reached") long reached,
            @Param("done") long done);

    @Update("UPDATE jontrel_import SET total = #{total} WHERE id = #{id}")
    void total(@Param("id") long id, @Param("total") long total);

    @Update(
            "UPDATE jontrel_import SET state = #{state}, phase = '', stops = 0, message = #{message}, ended_at = UTC_TIMESTAMP(3)"
                    + " WHERE id = #{id}")
    void end(@Param("id") long id, @Param("state") ImportState state, @Param("message") String message);

    /** Where it was left, so that it can go on. */
    @Update("UPDATE jontrel_import SET state = #{state}, stops = 0, message = #{message} WHERE id = #{id}")
    void stopped(@Param("id") long id, @Param("state") ImportState state, @Param("message") String message);

    @Update(
            "UPDATE jontrel_import SET state = 'tried', phase = '', tried = revision, stops = 0, ended_at = UTC_TIMESTAMP(3)"
                    + " WHERE id = #{id}")
    void tried(long id);

    @Update("UPDATE jontrel_import SET stops = 1 WHERE id = #{id} AND state IN ('trying', 'running')")
    int stop(long id);

    @Update(
            "UPDATE jontrel_import SET revision = revision + 1, state = CASE WHEN state IN ('tried', 'undone') THEN 'ready' ELSE"
                    + " state END WHERE id = #{id} AND state IN ('ready', 'tried', 'undone')")
    int revised(long id);

    @Delete("DELETE FROM jontrel_import WHERE id = #{id}")
    void delete(long id);

    @Select("SELECT name, mapping, by_whom, at FROM jontrel_mapping ORDER BY name")
    List<KeptMapping> mappings();

    @Select("SELECT name, mapping, by_whom, at FROM jontrel_mapping WHERE name = #{name}")
    KeptMapping mapping(String name);

    @Insert(
            "REPLACE INTO jontrel_mapping (name, mapping, by_whom, at) VALUES (#{name}, #{mapping}, #{by}, UTC_TIMESTAMP(3))")
    void keep(@Param("name") String name, @Param("mapping") String mapping, @Param("by") String by);

    @Delete("DELETE FROM jontrel_mapping WHERE name = #{name}")
    int forget(String name);
}
