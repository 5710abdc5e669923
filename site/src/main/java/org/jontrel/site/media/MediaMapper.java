package org.jontrel.site.media;

import java.util.List;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

interface MediaMapper {
    @Insert(
            "INSERT INTO jontrel_media (id, format, width, height, bytes, name, alt, sha256, created_at, created_by) VALUES"
                    + " (#{p.id}, #{p.format}, #{p.width}, #{p.height}, #{p.bytes}, #{p.name}, #{p.alt}, #{sha256}, UTC_TIMESTAMP(3), #{author})")
    void insert(@Param("p") StoredPicture picture, @Param("sha256") String sha256, @Param("author") String author);

    @Insert("INSERT INTO jontrel_media_chunk (media_id, seq, content) VALUES (#{id}, #{seq}, #{content})")
    void insertPiece(@Param("id") long id, @Param("seq") int seq, @Param("content") byte[] content);

    @Select("SELECT id, format, width, height, bytes, name, alt FROM jontrel_media WHERE id = #{id}")
    StoredPicture find(long id);

    @Select("SELECT content FROM jontrel_media_chunk WHERE media_id = #{id} ORDER BY seq")
    List<byte[]> pieces(long id);
}
