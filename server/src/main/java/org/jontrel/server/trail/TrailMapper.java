package org.jontrel.server.trail;

import java.time.LocalDateTime;
import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

@Mapper
interface TrailMapper {
    record TrailRow(long id, LocalDateTime at, String who, String address, TrailAction act, String about) {}

    @Insert("INSERT INTO trail (id, at, who, address, act, about) VALUES"
            + " (#{id}, UTC_TIMESTAMP(3), #{who}, #{address}, #{act}, #{about})")
    void add(TrailRow row);

    @Select("SELECT id, at, who, address, act, about FROM trail WHERE id < #{before} ORDER BY id DESC LIMIT #{most}")
    List<TrailRow> before(@Param("before") long before, @Param("most") int most);

    @Select("SELECT EXISTS(SELECT 1 FROM trail WHERE who = #{who} AND act = 'SIGNED_IN' AND address = #{address}"
            + " AND at > UTC_TIMESTAMP(3) - INTERVAL 90 DAY)")
    boolean signedInFrom(@Param("who") String who, @Param("address") String address);

    @Delete("DELETE FROM trail WHERE at < UTC_TIMESTAMP(3) - INTERVAL 400 DAY"
            + " OR act = 'SIGN_IN_REFUSED' AND at < UTC_TIMESTAMP(3) - INTERVAL 90 DAY")
    void prune();
}
