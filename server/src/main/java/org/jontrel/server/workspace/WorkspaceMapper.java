package org.jontrel.server.workspace;

import java.time.LocalDateTime;
import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

@Mapper
interface WorkspaceMapper {
    record WorkspaceRow(long id, String path, String title, long revision) {}

    record DefinitionRow(long workspaceId, String definitionId, long revision, String content) {}

    record EditRow(
            long workspaceId,
            long seq,
            String definitionId,
            String title,
            String topic,
            String contentBefore,
            String contentAfter,
            String byWhom,
            boolean recent) {}

    record EditTitle(long seq, String title, String byWhom, LocalDateTime editedAt, boolean undone, int definitions) {}

    record PresenceRow(String visit, String name, String definitionId) {}

    @Select("SELECT id, path, title, revision FROM workspace ORDER BY id")
    List<WorkspaceRow> all();

    @Select("SELECT id, path, title, revision FROM workspace WHERE path = #{path}")
    WorkspaceRow find(String path);

    @Insert(
            "INSERT INTO workspace (id, path, title, revision, created_at) VALUES (#{id}, #{path}, #{title}, 0, UTC_TIMESTAMP(3))")
    void insert(WorkspaceRow workspace);

    @Update("UPDATE workspace SET revision = revision + 1 WHERE id = #{id}")
    void raise(long id);

    @Select("SELECT revision FROM workspace WHERE id = #{id}")
    long revision(long id);

    @Select("SELECT workspace_id, definition_id, revision, content FROM draft_definition"
            + " WHERE workspace_id = #{id} AND revision > #{since}")
    List<DefinitionRow> definitions(@Param("id") long id, @Param("since") long since);

    @Select("SELECT definition_id FROM draft_definition WHERE workspace_id = #{id}")
    List<String> ids(long id);

    @Select("SELECT workspace_id, definition_id, revision, content FROM draft_definition"
            + " WHERE workspace_id = #{id} AND definition_id = #{definitionId}")
    DefinitionRow definition(@Param("id") long id, @Param("definitionId") String definitionId);

    @Insert("REPLACE INTO draft_definition (workspace_id, definition_id, revision, content)"
            + " VALUES (#{workspaceId}, #{definitionId}, #{revision}, #{content})")
    void put(DefinitionRow definition);

    @Delete("DELETE FROM draft_definition WHERE workspace_id = #{id} AND definition_id = #{definitionId}")
    void remove(@Param("id") long id, @Param("definitionId") String definitionId);

    String EDIT = "SELECT workspace_id, seq, definition_id, title, topic, content_before, content_after, by_whom,"
            + " edited_at > UTC_TIMESTAMP(3) - INTERVAL 8 SECOND AS recent FROM draft_edit WHERE workspace_id = #{id}";

    @Select(EDIT + " AND seq = (SELECT MAX(seq) FROM draft_edit WHERE workspace_id = #{id} AND undone = 0)")
    List<EditRow> lastEdit(long id);

    @Select(EDIT + " AND seq = (SELECT MIN(seq) FROM draft_edit WHERE workspace_id = #{id} AND undone = 1)")
    List<EditRow> nextEdit(long id);

    /** Notes what a definition was at a revision, without its comments. */
    @Insert("REPLACE INTO draft_stored (workspace_id, definition_id, revision, sha256, stored_at)"
            + " VALUES (#{workspaceId}, #{definitionId}, #{revision}, SHA2(#{content}, 256), UTC_TIMESTAMP(3))")
    void note(DefinitionRow stored);

    @Delete("DELETE FROM draft_stored WHERE stored_at < UTC_TIMESTAMP(3) - INTERVAL 90 DAY LIMIT 10000")
    void forgetStored();

    /** Whether a definition was this at some revision after {@code since}. */
    @Select("SELECT COUNT(*) > 0 FROM draft_stored WHERE workspace_id = #{id} AND definition_id = #{definitionId}"
            + " AND revision > #{since} AND sha256 = SHA2(#{content}, 256)")
    boolean wasStored(
            @Param("id") long id,
            @Param("definitionId") String definitionId,
            @Param("since") long since,
            @Param("content") String content);

    @Select("SELECT title FROM draft_edit WHERE workspace_id = #{id} AND undone = 0 ORDER BY seq DESC LIMIT 1")
    String undoTitle(long id);

    @Select("SELECT title FROM draft_edit WHERE workspace_id = #{id} AND undone = 1 ORDER BY seq LIMIT 1")
    String redoTitle(long id);

    @Select(
            "SELECT seq, MIN(title) AS title, MIN(by_whom) AS by_whom, MAX(edited_at) AS edited_at, MAX(undone) AS undone,"
                    + " CAST(COUNT(*) AS SIGNED) AS definitions FROM draft_edit WHERE workspace_id = #{id} GROUP BY seq"
                    + " ORDER BY seq DESC LIMIT #{most}")
    List<EditTitle> edits(@Param("id") long id, @Param("most") int most);

    @Insert("INSERT INTO presence (workspace_id, visit, name, definition_id, seen_at)"
            + " VALUES (#{id}, #{visit}, #{name}, #{definitionId}, UTC_TIMESTAMP(3))"
            + " ON DUPLICATE KEY UPDATE definition_id = VALUES(definition_id), seen_at = VALUES(seen_at)")
    void see(
            @Param("id") long id,
            @Param("visit") String visit,
            @Param("name") String name,
            @Param("definitionId") String definitionId);

    @Select("SELECT visit, name, definition_id FROM presence WHERE workspace_id = #{id}"
            + " AND seen_at > UTC_TIMESTAMP(3) - INTERVAL 10 SECOND ORDER BY name, visit")
    List<PresenceRow> present(long id);

    @Delete("DELETE FROM presence WHERE workspace_id = #{id} AND seen_at < UTC_TIMESTAMP(3) - INTERVAL 1 HOUR")
    void forgetPresence(long id);

    @Insert(
            "INSERT INTO draft_edit (workspace_id, seq, definition_id, title, topic, content_before, content_after, by_whom, edited_at, undone)"
                    + " VALUES (#{workspaceId}, #{seq}, #{definitionId}, #{title}, #{topic}, #{contentBefore}, #{contentAfter}, #{byWhom}, UTC_TIMESTAMP(3), 0)")
    void insertEdit(EditRow edit);

    @Update("UPDATE draft_edit SET title = #{title}, content_after = #{contentAfter}, edited_at = UTC_TIMESTAMP(3)"
            + " WHERE workspace_id = #{workspaceId} AND seq = #{seq} AND definition_id = #{definitionId}")
    void extendEdit(EditRow edit);

    @Update("UPDATE draft_edit SET undone = #{undone} WHERE workspace_id = #{id} AND seq = #{seq}")
    void mark(@Param("id") long id, @Param("seq") long seq, @Param("undone") boolean undone);

    @Delete("DELETE FROM draft_edit WHERE workspace_id = #{id} AND undone = 1")
    void forgetUndone(long id);
}
