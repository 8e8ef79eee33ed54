package lucidsweep.server.backup;

import java.util.List;
import java.util.Objects;
import java.util.function.LongFunction;
import lucidsweep.core.set.SetConditions;
import tools.jackson.databind.json.JsonMapper;

/** The conditions of a set, which may name items by their ids, after those items have moved. */
final class MovedConditions {

    private MovedConditions() {}

    static String of(String conditions, LongFunction<Long> item) {
        SetConditions set = JsonMapper.shared().readValue(conditions, SetConditions.class);
        if (set.ids() == null) return conditions;
        List<Long> ids =
                set.ids().stream().map(item::apply).filter(Objects::nonNull).toList();
        return JsonMapper.shared().writeValueAsString(set.of(ids));
    }
}
