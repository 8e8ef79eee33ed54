package lucidsweep.server.item.table;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import lucidsweep.core.set.SetConditions;
import lucidsweep.core.set.SetMember;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.standard.StandardForm;
import lucidsweep.server.client.Property;
import org.springframework.stereotype.Service;

/** Says which standard each item of a property is held to: the property's, with what its sets say instead. */
@Service
public class SetStandards {

    /** One bit of a number each. */
    static final int MAX = 60;

    private final ItemSets sets;
    private final ItemTables tables;

    SetStandards(ItemSets sets, ItemTables tables) {
        this.sets = sets;
        this.tables = tables;
    }

    public ItemStandards of(Property property) {
        return of(property, property.standard(), null, null);
    }

    /**
     * What would hold under another standard.
     *
     * @param base the property's
     * @param changed the set whose standard would be another; null for none
     * @param form that one; null for the property's
     */
    public ItemStandards of(Property property, Standard base, ItemSet changed, StandardForm form) {
        List<String> names = new ArrayList<>();
        List<StandardForm> forms = new ArrayList<>();
        List<Predicate<SetMember>> members = new ArrayList<>();
        List<ItemSet> all = sets.ofProperty(property.id());
        Map<String, SetConditions> named = ItemSets.byName(all);
        for (ItemSet set : all) {
            StandardForm own = changed != null && set.id() == changed.id() ? form : set.standard();
            if (own == null || forms.size() == MAX) continue;
            names.add(set.name());
            forms.add(own);
            members.add(ItemSets.test(set, named));
        }
        return new ItemStandards(
                base,
                names,
                forms,
                ids -> members.isEmpty()
                        ? new long[ids.length]
                        : tables.of(property.id()).memberships(ids, members));
    }
}
