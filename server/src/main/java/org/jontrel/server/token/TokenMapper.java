package org.jontrel.server.token;

import java.time.LocalDateTime;
import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jontrel.server.account.Role;

@Mapper
interface TokenMapper {
    record TokenRow(
            long id,
            String sitePath,
            String name,
            Role role,
            String secretHash,
            LocalDateTime createdAt,
            String createdBy,
            LocalDateTime usedAt,
            LocalDateTime expiresAt) {}

    String TOKEN =
            "SELECT id, site_path, name, role, secret_hash, created_at, created_by, used_at, expires_at FROM api_token";

    @Select(TOKEN + " WHERE site_path = #{sitePath} ORDER BY created_at, id")
    List<TokenRow> of(String sitePath);

    @Select(TOKEN + " WHERE secret_hash = #{hash} AND site_path = #{sitePath}"
            + " AND (expires_at IS NULL OR expires_at > UTC_TIMESTAMP(3))")
    TokenRow find(@Param("sitePath") String sitePath, @Param("hash") String hash);

    @Insert("INSERT INTO api_token (id, site_path, name, role, secret_hash, created_at, created_by, expires_at) VALUES"
            + " (#{id}, #{sitePath}, #{name}, #{role}, #{secretHash}, UTC_TIMESTAMP(3), #{createdBy}, #{expiresAt})")
    void insert(TokenRow token);

    @Delete("DELETE FROM api_token WHERE site_path = #{sitePath} AND id = #{id}")
    int delete(@Param("sitePath") String sitePath, @Param("id") long id);

    /** Once a minute at most, so that reading is not writing. */
    @Update("UPDATE api_token SET used_at = UTC_TIMESTAMP(3) WHERE id = #{id}"
            + " AND (used_at IS NULL OR used_at < UTC_TIMESTAMP(3) - INTERVAL 1 MINUTE)")
    void used(long id);
}
