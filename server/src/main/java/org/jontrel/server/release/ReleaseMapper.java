package org.jontrel.server.release;

import java.time.LocalDateTime;
import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

@Mapper
interface ReleaseMapper {
    record ReleaseRow(
            long workspaceId,
            String version,
            int position,
            String notes,
            String model,
            String comments,
            String checksum,
            String byWhom,
            LocalDateTime releasedAt) {}

    record DecisionRow(
            long workspaceId,
            String version,
            String fieldId,
            String about,
            String answer,
            String value,
            String corrections,
            String byWhom) {}

    String RELEASE =
            "SELECT workspace_id, version, position, notes, model, comments, checksum, by_whom, released_at FROM model_release";

    record VersionRow(String version, String byWhom, LocalDateTime releasedAt) {}

    @Select("SELECT version, by_whom, released_at FROM model_release WHERE workspace_id = #{workspaceId}"
            + " ORDER BY position DESC")
    List<VersionRow> versions(long workspaceId);

    @Select(RELEASE + " WHERE workspace_id = #{workspaceId} AND version = #{version}")
    ReleaseRow find(@Param("workspaceId") long workspaceId, @Param("version") String version);

    @Select("SELECT version FROM model_release WHERE workspace_id = #{workspaceId} ORDER BY position DESC LIMIT 1")
    String latestVersion(long workspaceId);

    @Insert(
            "INSERT INTO model_release (workspace_id, version, position, notes, model, comments, checksum, by_whom, released_at) VALUES"
                    + " (#{workspaceId}, #{version}, #{position}, #{notes}, #{model}, #{comments}, #{checksum}, #{byWhom}, UTC_TIMESTAMP(3))")
    void insert(ReleaseRow release);

    @Select(
            "SELECT workspace_id, version, field_id, about, answer, value, corrections, by_whom FROM decision WHERE workspace_id = #{workspaceId}"
                    + " ORDER BY version, field_id, about")
    List<DecisionRow> decisions(long workspaceId);

    @Insert(
            "REPLACE INTO decision (workspace_id, version, field_id, about, answer, value, corrections, by_whom, decided_at) VALUES"
                    + " (#{workspaceId}, #{version}, #{fieldId}, #{about}, #{answer}, #{value}, #{corrections}, #{byWhom}, UTC_TIMESTAMP(3))")
    void decide(DecisionRow decision);

    @Delete(
            "DELETE FROM decision WHERE workspace_id = #{workspaceId} AND version = #{version} AND field_id = #{fieldId}")
    void forget(
            @Param("workspaceId") long workspaceId, @Param("version") String version, @Param("fieldId") String fieldId);

    /** The zip of the package of this name that came last from another installation. */
    @Select("SELECT version, content FROM arrived_package WHERE workspace_id = #{workspaceId} AND name = #{name}")
    ArrivedRow arrived(@Param("workspaceId") long workspaceId, @Param("name") String name);

    record ArrivedRow(String version, byte[] content) {}

    @Insert("REPLACE INTO arrived_package (workspace_id, name, version, content, arrived_at) VALUES"
            + " (#{workspaceId}, #{name}, #{version}, #{content}, UTC_TIMESTAMP(3))")
    void arrive(
            @Param("workspaceId") long workspaceId,
            @Param("name") String name,
            @Param("version") String version,
            @Param("content") byte[] content);

    @Update("UPDATE decision SET version = #{to} WHERE workspace_id = #{workspaceId} AND version = #{from}")
    void move(@Param("workspaceId") long workspaceId, @Param("from") String from, @Param("to") String to);
}
