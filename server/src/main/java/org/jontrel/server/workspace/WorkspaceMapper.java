package org.jontrel.server.workspace;

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

    @Select("SELECT workspace_id, definition_id, revision, content FROM draft_definition WHERE workspace_id = #{id}")
    List<DefinitionRow> definitions(long id);

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

    @Select(EDIT + " AND undone = 0 ORDER BY seq DESC LIMIT 1")
    EditRow lastEdit(long id);

    @Select(EDIT + " AND undone = 1 ORDER BY seq LIMIT 1")
    EditRow nextEdit(long id);

    @Insert(
            "INSERT INTO draft_edit (workspace_id, seq, definition_id, title, topic, content_before, content_after, by_whom, edited_at, undone)"
                    + " VALUES (#{workspaceId}, #{seq}, #{definitionId}, #{title}, #{topic}, #{contentBefore}, #{contentAfter}, #{byWhom}, UTC_TIMESTAMP(3), 0)")
    void insertEdit(EditRow edit);

    @Update("UPDATE draft_edit SET title = #{title}, content_after = #{contentAfter}, edited_at = UTC_TIMESTAMP(3)"
            + " WHERE workspace_id = #{workspaceId} AND seq = #{seq}")
    void extendEdit(EditRow edit);

    @Update("UPDATE draft_edit SET undone = #{undone} WHERE workspace_id = #{id} AND seq = #{seq}")
    void mark(@Param("id") long id, @Param("seq") long seq, @Param("undone") boolean undone);

    @Delete("DELETE FROM draft_edit WHERE workspace_id = #{id} AND undone = 1")
    void forgetUndone(long id);
}
