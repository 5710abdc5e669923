package org.jontrel.server.rehearsal;

import java.time.LocalDateTime;
import java.util.List;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

@Mapper
interface RehearsalMapper {
    /** @param copyPath of the copy, or {@code null} where it is gone */
    record RehearsalRow(
            long id,
            String sitePath,
            String version,
            String state,
            String byWhom,
            String copyPath,
            long rowsCopied,
            long rowsExpected,
            String message,
            String report,
            LocalDateTime startedAt,
            LocalDateTime finishedAt) {}

    String WITHOUT_REPORT =
            "SELECT id, site_path, version, state, by_whom, copy_path, rows_copied, rows_expected, message,"
                    + " NULL report, started_at, finished_at FROM rehearsal";
    String UNDER_WAY = "state IN ('copying', 'running')";

    @Insert(
            "INSERT INTO rehearsal (id, site_path, version, state, by_whom, copy_path, rows_expected, started_at, beat_at)"
                    + " VALUES (#{id}, #{site}, #{version}, 'copying', #{by}, #{copy}, #{rows}, UTC_TIMESTAMP(3), UTC_TIMESTAMP(3))")
    void insert(
            @Param("id") long id,
            @Param("site") String site,
            @Param("version") String version,
            @Param("by") String by,
            @Param("copy") String copy,
            @Param("rows") long rows);

    @Select(WITHOUT_REPORT + " WHERE site_path = #{site} ORDER BY id DESC LIMIT #{most}")
    List<RehearsalRow> of(@Param("site") String site, @Param("most") int most);

    @Select("SELECT * FROM rehearsal WHERE site_path = #{site} AND id = #{id}")
    RehearsalRow find(@Param("site") String site, @Param("id") long id);

    /** How many of a site are under way. */
    @Select("SELECT COUNT(*) FROM rehearsal WHERE site_path = #{site} AND " + UNDER_WAY)
    int underWay(String site);

    @Update("UPDATE rehearsal SET rows_copied = #{rows} WHERE id = #{id}")
    void copied(@Param("id") long id, @Param("rows") long rows);

    @Update("UPDATE rehearsal SET state = 'running' WHERE id = #{id} AND " + UNDER_WAY)
    void running(long id);

    /** @return 0 where it had ended already */
    @Update(
            "UPDATE rehearsal SET state = #{state}, message = #{message}, report = #{report}, finished_at = UTC_TIMESTAMP(3)"
                    + " WHERE id = #{id} AND " + UNDER_WAY)
    int end(
            @Param("id") long id,
            @Param("state") String state,
            @Param("message") String message,
            @Param("report") String report);

    @Update("UPDATE rehearsal SET beat_at = UTC_TIMESTAMP(3) WHERE id = #{id}")
    void beat(long id);

    /** Those that are under way, and whose application has been silent for so many seconds. */
    @Select(WITHOUT_REPORT + " WHERE " + UNDER_WAY + " AND beat_at < UTC_TIMESTAMP(3) - INTERVAL #{seconds} SECOND")
    List<RehearsalRow> silent(int seconds);

    /** Those that ended so many seconds ago and whose copies are still there. */
    @Select(WITHOUT_REPORT + " WHERE copy_path IS NOT NULL AND NOT " + UNDER_WAY
            + " AND finished_at < UTC_TIMESTAMP(3) - INTERVAL #{seconds} SECOND")
    List<RehearsalRow> old(long seconds);

    @Update("UPDATE rehearsal SET copy_path = NULL WHERE id = #{id}")
    void copyIsGone(long id);
}
