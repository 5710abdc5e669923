package org.jontrel.server.record;

import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

@Mapper
interface ListViewMapper {
    record ListViewRow(String sitePath, String recordTypeId, String name, String content, String byWhom) {}

    @Select(
            "SELECT site_path, holder_id AS record_type_id, name, content, by_whom FROM list_view WHERE site_path = #{site} AND"
                    + " holder_id = #{recordType} ORDER BY name")
    List<ListViewRow> of(@Param("site") String site, @Param("recordType") String recordType);

    @Insert("INSERT INTO list_view (site_path, holder_id, name, content, by_whom, saved_at) VALUES (#{sitePath},"
            + " #{recordTypeId}, #{name}, #{content}, #{byWhom}, UTC_TIMESTAMP(3)) ON DUPLICATE KEY UPDATE"
            + " content = VALUES(content), by_whom = VALUES(by_whom), saved_at = VALUES(saved_at)")
    void put(ListViewRow view);

    @Delete("DELETE FROM list_view WHERE site_path = #{site} AND holder_id = #{recordType} AND name = #{name}")
    int delete(@Param("site") String site, @Param("recordType") String recordType, @Param("name") String name);
}
