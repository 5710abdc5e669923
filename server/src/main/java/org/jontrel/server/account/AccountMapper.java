package org.jontrel.server.account;

import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

@Mapper
interface AccountMapper {
    record AccountRow(long id, String name, Role role, String passwordHash, boolean disabled, String skeleton) {}

    String ACCOUNT = "SELECT id, name, role, password_hash, disabled, skeleton FROM account";

    @Select(ACCOUNT + " WHERE name = #{name}")
    AccountRow find(String name);

    @Select(ACCOUNT + " WHERE id = #{id}")
    AccountRow byId(long id);

    @Select(ACCOUNT + " WHERE reset_hash = #{hash} AND reset_until > UTC_TIMESTAMP(3)")
    AccountRow byReset(String hash);

    @Select(ACCOUNT + " ORDER BY name")
    List<AccountRow> all();

    @Select("SELECT COUNT(*) FROM account")
    long count();

    @Select("SELECT COUNT(*) FROM account WHERE role = 'ARCHITECT' AND disabled = 0 AND id <> #{id}")
    long otherArchitects(long id);

    @Insert("INSERT INTO account (id, name, role, password_hash, disabled, skeleton, created_at) VALUES"
            + " (#{id}, #{name}, #{role}, #{passwordHash}, #{disabled}, #{skeleton}, UTC_TIMESTAMP(3))")
    void insert(AccountRow account);

    @Update("UPDATE account SET role = #{role}, disabled = #{disabled} WHERE id = #{id}")
    void change(@Param("id") long id, @Param("role") Role role, @Param("disabled") boolean disabled);

    @Update("UPDATE account SET skeleton = #{skeleton} WHERE id = #{id}")
    void skeleton(@Param("id") long id, @Param("skeleton") String skeleton);

    /** A link for a new password works once. */
    @Update("UPDATE account SET password_hash = #{hash}, reset_hash = NULL, reset_until = NULL WHERE id = #{id}")
    void password(@Param("id") long id, @Param("hash") String hash);

    @Update("UPDATE account SET password_hash = #{hash}, reset_hash = NULL, reset_until = NULL"
            + " WHERE reset_hash = #{reset} AND reset_until > UTC_TIMESTAMP(3)")
    int passwordByReset(@Param("reset") String reset, @Param("hash") String hash);

    @Update("UPDATE account SET reset_hash = #{hash}, reset_until = UTC_TIMESTAMP(3) + INTERVAL 1 DAY WHERE id = #{id}")
    void reset(@Param("id") long id, @Param("hash") String hash);

    @Delete("DELETE FROM account WHERE id = #{id}")
    void delete(long id);
}
