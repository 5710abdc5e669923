package org.jontrel.server.workbook;

import java.time.LocalDateTime;
import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Options;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

@Mapper
interface WorkbookMapper {
    record WorkbookRow(
            long id,
            String name,
            String byWhom,
            String facts,
            String findings,
            String choices,
            long chosen,
            LocalDateTime readAt,
            LocalDateTime takenAt) {}

    record WorkbookLine(long id, String name, String byWhom, LocalDateTime readAt, LocalDateTime takenAt) {}

    /** One that is to be stored; its id is given then. */
    final class NewWorkbook {
        private long id;
        private final long workspaceId;
        private final String name;
        private final String byWhom;
        private final String facts;
        private final String findings;

        NewWorkbook(long workspaceId, String name, String byWhom, String facts, String findings) {
            this.workspaceId = workspaceId;
            this.name = name;
            this.byWhom = byWhom;
            this.facts = facts;
            this.findings = findings;
        }

        long id() {
            return id;
        }
    }

    @Insert("INSERT INTO workbook (workspace_id, name, by_whom, facts, findings, choices, read_at)"
            + " VALUES (#{workspaceId}, #{name}, #{byWhom}, #{facts}, #{findings}, '{}', UTC_TIMESTAMP(3))")
    @Options(useGeneratedKeys = true, keyProperty = "id")
    void insert(NewWorkbook workbook);

    @Select("SELECT id, name, by_whom, facts, findings, choices, chosen, read_at, taken_at FROM workbook"
            + " WHERE workspace_id = #{workspace} AND id = #{id}")
    WorkbookRow find(@Param("workspace") long workspace, @Param("id") long id);

    @Select(
            "SELECT id, name, by_whom, read_at, taken_at FROM workbook WHERE workspace_id = #{workspace} ORDER BY id DESC")
    List<WorkbookLine> all(long workspace);

    /** Nothing where somebody else chose since. */
    @Update("UPDATE workbook SET choices = #{choices}, chosen = chosen + 1"
            + " WHERE workspace_id = #{workspace} AND id = #{id} AND chosen = #{chosen}")
    int choose(
            @Param("workspace") long workspace,
            @Param("id") long id,
            @Param("chosen") long chosen,
            @Param("choices") String choices);

    @Update("UPDATE workbook SET taken_at = UTC_TIMESTAMP(3) WHERE workspace_id = #{workspace} AND id = #{id}")
    void taken(@Param("workspace") long workspace, @Param("id") long id);

    @Delete("DELETE FROM workbook WHERE workspace_id = #{workspace} AND id = #{id}")
    void delete(@Param("workspace") long workspace, @Param("id") long id);

    @Delete("DELETE FROM workbook WHERE read_at < UTC_TIMESTAMP(3) - INTERVAL 30 DAY LIMIT 100")
    void forget();
}
