package lucidsweep.server.gather.crawl;

import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Stores the logins of properties, sealed. */
@Mapper
interface LoginMapper {

    record SealedLogin(byte[] sealed) {}

    @Select("select sealed from property_login where property_id = #{propertyId}")
    SealedLogin login(long propertyId);

    @Update("merge into property_login (property_id, sealed) key (property_id) values (#{propertyId}, #{sealed})")
    void keepLogin(long propertyId, byte[] sealed);

    @Delete("delete from property_login where property_id = #{propertyId}")
    void forgetLogin(long propertyId);
}
