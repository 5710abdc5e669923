package org.jontrel.server.account;

import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

@Mapper
interface AccountMapper {
    record AccountRow(long id, String name, Role role, String passwordHash) {}

    @Select("SELECT id, name, role, password_hash FROM account WHERE name = #{name}")
    AccountRow find(String name);

    @Select("SELECT id, name, role, password_hash FROM account ORDER BY name")
    List<AccountRow> all();

    @Select("SELECT COUNT(*) FROM account")
    long count();

    @Insert(
            "INSERT INTO account (id, name, role, password_hash, created_at) VALUES (#{id}, #{name}, #{role}, #{passwordHash}, UTC_TIMESTAMP(3))")
    void insert(AccountRow account);

    @Insert(
            "INSERT INTO sign_in_failure (id, name, address, failed_at) VALUES (#{id}, #{name}, #{address}, UTC_TIMESTAMP(3))")
    void fail(@Param("id") long id, @Param("name") String name, @Param("address") String address);

    @Select("SELECT COUNT(*) FROM sign_in_failure WHERE name = #{name} AND address = #{address}"
            + " AND failed_at > UTC_TIMESTAMP(3) - INTERVAL 10 MINUTE")
    int failures(@Param("name") String name, @Param("address") String address);

    @Select(
            "SELECT COUNT(*) FROM sign_in_failure WHERE address = #{address} AND failed_at > UTC_TIMESTAMP(3) - INTERVAL 10 MINUTE")
    int failuresFrom(String address);

    @Delete("DELETE FROM sign_in_failure WHERE name = #{name} AND address = #{address}")
    void forgive(@Param("name") String name, @Param("address") String address);
}
