package lucidsweep.server.gather.imports;

import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Stores what imports need besides their rows. */
@Mapper
interface ImportMapper {

    @Select("""
            select choice from column_memory
            where property_id = #{propertyId} and kind = #{kind} and columns_hash = #{columnsHash}""")
    String rememberedColumns(long propertyId, String kind, long columnsHash);

    @Update("""
            merge into column_memory (property_id, kind, columns_hash, choice) key (property_id, kind, columns_hash)
            values (#{propertyId}, #{kind}, #{columnsHash}, #{choice})""")
    void rememberColumns(long propertyId, String kind, long columnsHash, String choice);

    /** The file of an import that is under way. */
    record ImportSource(long sweepId, String token, String sheet, boolean stored, String hash) {}

    @Insert("insert into import_source (sweep_id, token, sheet, hash) values (#{sweepId}, #{token}, #{sheet}, #{hash})")
    void insertSource(ImportSource source);

    @Update("update import_source set stored = true where sweep_id = #{sweepId}")
    void setStored(long sweepId);

    @Select("select * from import_source where sweep_id = #{sweepId}")
    ImportSource source(long sweepId);

    @Select("select * from import_source")
    List<ImportSource> sources();

    @Delete("delete from import_source where sweep_id = #{sweepId}")
    void forgetSource(long sweepId);
}
