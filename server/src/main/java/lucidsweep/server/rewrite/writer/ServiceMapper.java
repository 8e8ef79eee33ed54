package lucidsweep.server.rewrite.writer;

import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;

/** Stores how the text-generation service is reached. */
@Mapper
interface ServiceMapper {

    record Line(
            String address,
            String model,
            byte[] sealedKey,
            boolean privateAllowed,
            int parallel,
            double inputPrice,
            double outputPrice,
            String currency) {}

    @Select("""
            select address, model, sealed_key, private_allowed, parallel, input_price, output_price, currency
            from writer_service""")
    Line find();

    @Insert("""
            merge into writer_service (id, address, model, sealed_key, private_allowed, parallel, input_price,
                output_price, currency) key (id)
            values (1, #{address}, #{model}, #{sealedKey}, #{privateAllowed}, #{parallel}, #{inputPrice},
                #{outputPrice}, #{currency})""")
    void save(Line line);
}
