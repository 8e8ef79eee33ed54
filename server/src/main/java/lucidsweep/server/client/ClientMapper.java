package lucidsweep.server.client;

import java.util.List;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Options;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

@Mapper
interface ClientMapper {

    final class Key {
        long id;
    }

    @Select("select * from client where removed is null order by name, id")
    List<Client> clients();

    @Select("select * from client where id = #{id}")
    Client client(long id);

    @Insert("insert into client (name, brand, places) values (#{form.name}, #{form.brand}, #{form.places})")
    @Options(useGeneratedKeys = true, keyProperty = "key.id")
    void insertClient(Key key, ClientForm form);

    @Update("update client set name = #{form.name}, brand = #{form.brand}, places = #{form.places} where id = #{id}")
    void updateClient(long id, ClientForm form);

    /** Removes a client or brings it back; none that is being removed for good. */
    @Update("update client set removed = case when #{removed} then now() end where id = #{id} and not leaving")
    int removeClient(long id, boolean removed);

    @Select("""
            select p.* from property p join client c on c.id = p.client_id
            where p.removed is null and c.removed is null order by p.client_id, p.id""")
    List<Property> properties();

    @Select("select * from property where id = #{id}")
    Property propertyOrRemoved(long id);

    @Select("select * from property where id = #{id} and removed is null")
    Property property(long id);

    @Insert("""
            insert into property (client_id, kind, name, address, language, private_allowed)
            values (#{form.clientId}, #{form.kind}, #{form.name}, #{form.address}, #{form.language}, #{form.privateAllowed})""")
    @Options(useGeneratedKeys = true, keyProperty = "key.id")
    void insertProperty(Key key, PropertyForm form);

    @Update("""
            update property set name = #{form.name}, address = #{form.address}, language = #{form.language},
                private_allowed = #{form.privateAllowed}, revision = revision + 1 where id = #{id}""")
    void updateProperty(long id, PropertyForm form);

    /** Sets what is set of a standard; that changes what is found. */
    @Update("""
            update property set own_standard = #{standard}, text_changes = text_changes + 1, revision = revision + 1
            where id = #{id}""")
    void setStandard(long id, String standard);

    /** Says that what its items are held to changed otherwise, and with it what is found. */
    @Update("update property set text_changes = text_changes + 1 where id = #{id}")
    void countStandardChange(long id);

    /** The same of a property. */
    @Update("update property set removed = case when #{removed} then now() end where id = #{id} and not leaving")
    int removeProperty(long id, boolean removed);

    /** Counts the revision up and returns it; null where the property is removed. */
    @Select(
            value = "select revision from final table (update property set revision = revision + 1 where id = #{id})"
                    + " where removed is null",
            affectData = true)
    Long touch(long id);

    @Select("""
            select 'client' as kind, id, name, removed from client
            where removed is not null and not arriving and not leaving
            union all select 'property', id, name, removed from property where removed is not null and not leaving
            order by removed desc""")
    List<Removed> removed();
}
