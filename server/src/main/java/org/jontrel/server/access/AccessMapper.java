package org.jontrel.server.access;

import java.time.LocalDateTime;
import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

@Mapper
interface AccessMapper {
    /** {@code scopes} are words with blanks between them. */
    record AccessRow(
            long id,
            long workspaceId,
            String workspacePath,
            String workspaceTitle,
            String name,
            String scopes,
            LocalDateTime createdAt,
            String createdBy,
            LocalDateTime usedAt,
            LocalDateTime expiresAt) {}

    String TOKEN =
            "SELECT t.id, t.workspace_id, w.path AS workspace_path, w.title AS workspace_title, t.name, t.scopes,"
                    + " t.created_at, a.name AS created_by, t.used_at, t.expires_at FROM access_token t"
                    + " JOIN workspace w ON w.id = t.workspace_id JOIN account a ON a.id = t.account_id";

    @Select(TOKEN + " WHERE t.workspace_id = #{workspaceId} ORDER BY t.created_at, t.id")
    List<AccessRow> of(long workspaceId);

    /** Only while whoever made it is an architect. */
    @Select(TOKEN + " WHERE t.secret_hash = #{hash} AND (t.expires_at IS NULL OR t.expires_at > UTC_TIMESTAMP(3))"
            + " AND a.disabled = 0 AND a.role = 'ARCHITECT'")
    AccessRow find(String hash);

    @Insert("INSERT INTO access_token (id, workspace_id, account_id, name, scopes, secret_hash, created_at, expires_at)"
            + " SELECT #{id}, #{workspaceId}, id, #{name}, #{scopes}, #{secretHash}, UTC_TIMESTAMP(3), #{expiresAt}"
            + " FROM account WHERE name = #{author}")
    int insert(
            @Param("id") long id,
            @Param("workspaceId") long workspaceId,
            @Param("author") String author,
            @Param("name") String name,
            @Param("scopes") String scopes,
            @Param("secretHash") String secretHash,
            @Param("expiresAt") LocalDateTime expiresAt);

    @Delete("DELETE FROM access_token WHERE workspace_id = #{workspaceId} AND id = #{id}")
    int delete(@Param("workspaceId") long workspaceId, @Param("id") long id);

    @Update("UPDATE access_token SET used_at = UTC_TIMESTAMP(3) WHERE id = #{id}")
    void used(long id);
}
