package org.jontrel.server.site;

import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jontrel.serve.site.SiteSettings;

@Mapper
interface SiteMapper {
    record SiteRow(
            long id,
            long workspaceId,
            String path,
            String name,
            String databaseName,
            int position,
            String look,
            String address,
            boolean unlisted,
            String copyOf) {}

    String SITE =
            "SELECT id, workspace_id, path, name, database_name, position, look, address, unlisted, copy_of FROM site";

    @Select(SITE + " WHERE workspace_id = #{workspaceId} ORDER BY position, id")
    List<SiteRow> of(long workspaceId);

    @Select(SITE + " ORDER BY id")
    List<SiteRow> all();

    /** Runs of a site that have not ended. */
    @Select("SELECT COUNT(*) FROM `${database}`.jontrel_run WHERE state = 'running'")
    long running(@Param("database") String database);

    /** Imports into a site on which somebody should be working. */
    @Select("SELECT COUNT(*) FROM `${database}`.jontrel_import WHERE state IN ('trying', 'running', 'undoing')")
    long importing(@Param("database") String database);

    @Select(SITE + " WHERE path = #{path}")
    SiteRow find(String path);

    @Insert("INSERT INTO site (id, workspace_id, path, name, database_name, position, look, address, unlisted, copy_of,"
            + " created_at) VALUES (#{id}, #{workspaceId}, #{path}, #{name}, #{databaseName}, #{position}, #{look},"
            + " #{address}, #{unlisted}, #{copyOf}, UTC_TIMESTAMP(3))")
    void insert(SiteRow site);

    @Update("UPDATE site SET look = #{settings.look}, address = #{settings.address}, unlisted = #{settings.unlisted}"
            + " WHERE path = #{path}")
    void set(@Param("path") String path, @Param("settings") SiteSettings settings);

    @Select("SELECT COUNT(*) FROM site WHERE database_name = #{database}")
    long sitesOf(String database);

    @Select("SELECT schema_name FROM information_schema.schemata WHERE schema_name LIKE #{pattern}")
    List<String> databases(String pattern);

    @Select("SELECT DATABASE()")
    String database();

    /** Of copies only. */
    @Delete("DELETE FROM site WHERE path = #{path} AND copy_of IS NOT NULL")
    int removeCopy(String path);

    @Delete("DELETE FROM api_token WHERE site_path = #{path}")
    void removeTokens(String path);

    @Delete("DELETE FROM list_view WHERE site_path = #{path}")
    void removeViews(String path);

    @Update("DROP DATABASE IF EXISTS `${name}`")
    void dropDatabase(@Param("name") String name);

    @Update("CREATE DATABASE IF NOT EXISTS `${name}` CHARACTER SET utf8mb4 COLLATE utf8mb4_uca1400_ai_ci")
    void createDatabase(@Param("name") String name);
}
