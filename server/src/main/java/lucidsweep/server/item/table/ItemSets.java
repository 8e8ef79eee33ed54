package lucidsweep.server.item.table;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import lucidsweep.core.finding.Check;
import lucidsweep.core.finding.Checks;
import lucidsweep.core.set.SetConditions;
import lucidsweep.core.set.SetMember;
import lucidsweep.core.standard.StandardForm;
import lucidsweep.server.client.Clients;
import lucidsweep.server.web.Refusal;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.json.JsonMapper;

/** Named sets of the items of a property; new items belong to them by themselves. */
@Service
public class ItemSets {

    private static final int MAX_SETS = 200;
    private static final int LONGEST_NAME = 100;
    private static final int EXAMPLES = 5;
    private static final Set<String> CHECKS =
            Checks.all().stream().map(Check::id).collect(Collectors.toSet());

    private final ItemSetMapper mapper;
    private final ItemMapper items;
    private final ItemTables tables;
    private final Clients clients;
    private final TransactionTemplate transaction;
    private final ApplicationEventPublisher publisher;
    private final JsonMapper json;

    ItemSets(
            ItemSetMapper mapper,
            ItemMapper items,
            ItemTables tables,
            Clients clients,
            TransactionTemplate transaction,
            ApplicationEventPublisher publisher,
            JsonMapper json) {
        this.mapper = mapper;
        this.items = items;
        this.tables = tables;
        this.clients = clients;
        this.transaction = transaction;
        this.publisher = publisher;
        this.json = json;
    }

    /** All of a property, in the order in which their standards go before each other. */
    public List<ItemSet> ofProperty(long propertyId) {
        return mapper.ofProperty(propertyId).stream().map(this::read).toList();
    }

    /** One of them, a removed one too. */
    public ItemSet find(long id) {
        ItemSetMapper.SetLine line = mapper.find(id);
        if (line == null) throw Refusal.notFound("there is no set " + id);
        return read(line);
    }

    /** The same of a property; a set of another one is refused. */
    public ItemSet ofProperty(long propertyId, long id) {
        ItemSet set = find(id);
        if (set.propertyId() != propertyId) throw Refusal.notFound("there is no set " + id + " in this property");
        return set;
    }

    private ItemSet read(ItemSetMapper.SetLine line) {
        return new ItemSet(
                line.id(),
                line.propertyId(),
                line.name(),
                json.readValue(line.conditions(), SetConditions.class),
                line.ownStandard() == null ? null : json.readValue(line.ownStandard(), StandardForm.class));
    }

    /** Tells who belongs to a set; a set of another property is refused. */
    public Predicate<SetMember> test(long propertyId, long setId) {
        return test(ofProperty(propertyId, setId), named(propertyId));
    }

    /** @param named all sets of the property, as {@link #byName} gives them */
    static Predicate<SetMember> test(ItemSet set, Map<String, SetConditions> named) {
        return set.conditions().test(today(), named);
    }

    /** All of a property in their order, each with what tells who belongs to it. */
    public Map<ItemSet, Predicate<SetMember>> tests(long propertyId) {
        List<ItemSet> sets = ofProperty(propertyId);
        Map<String, SetConditions> named = byName(sets);
        Map<ItemSet, Predicate<SetMember>> tests = new LinkedHashMap<>();
        sets.forEach(set -> tests.put(set, test(set, named)));
        return tests;
    }

    private Map<String, SetConditions> named(long propertyId) {
        return byName(ofProperty(propertyId));
    }

    static Map<String, SetConditions> byName(List<ItemSet> sets) {
        Map<String, SetConditions> named = new LinkedHashMap<>();
        sets.forEach(set -> named.put(set.name(), set.conditions()));
        return named;
    }

    static long today() {
        return LocalDate.now(ZoneOffset.UTC).toEpochDay();
    }

    /** A set with how many items belong to it now. */
    record Counted(ItemSet set, int items) {}

    /** All of a property, counted. */
    List<Counted> counted(long propertyId) {
        return tests(propertyId).entrySet().stream()
                .map(each -> new Counted(each.getKey(), tables.of(propertyId).members(each.getValue()).length))
                .toList();
    }

    Counted counted(ItemSet set) {
        return new Counted(set, members(set.propertyId(), set.conditions()).length);
    }

    private long[] members(long propertyId, SetConditions conditions) {
        return tables.of(propertyId).members(conditions.test(today(), named(propertyId)));
    }

    private static void refuseStandardOnFindings(
            String name, SetConditions conditions, Map<String, SetConditions> sets) {
        if (!conditions.restsOnFindings(sets)) return;
        throw Refusal.badInput(
                "“" + name
                        + "” is told by findings, which follow from the standard; choose a set that is told by something else.");
    }

    /** Who would belong to a set: how many, and the addresses of a few. */
    record Preview(int items, List<String> examples) {}

    Preview preview(long propertyId, SetConditions conditions) {
        refuseUnusable(conditions);
        refuseCircle("this set", conditions, named(propertyId));
        long[] found = members(propertyId, conditions);
        Object[] some = Arrays.stream(found).limit(EXAMPLES).boxed().toArray();
        List<String> examples = some.length == 0
                ? List.of()
                : items.addresses(some).stream()
                        .map(ItemMapper.AddressOf::address)
                        .sorted()
                        .toList();
        return new Preview(found.length, examples);
    }

    /** Adds a set, behind the others. */
    public ItemSet add(long propertyId, String name, SetConditions conditions) {
        clients.property(propertyId);
        Map<String, SetConditions> others = named(propertyId);
        if (others.size() >= MAX_SETS) throw Refusal.badInput("a property has at most " + MAX_SETS + " sets");
        String tidy = usable(name, others.keySet());
        refuseUnusable(conditions);
        refuseCircle(tidy, conditions, others);
        ItemSetMapper.Key key = new ItemSetMapper.Key();
        mapper.insert(key, propertyId, tidy, json.writeValueAsString(conditions));
        clients.touch(propertyId);
        return find(key.id);
    }

    ItemSet change(long id, String name, SetConditions conditions) {
        ItemSet before = find(id);
        Map<String, SetConditions> others = named(before.propertyId());
        others.remove(before.name());
        String tidy = usable(name, others.keySet());
        refuseUnusable(conditions);
        Map<String, SetConditions> after = renamed(others, before.name(), tidy);
        refuseCircle(tidy, conditions, after);
        after.put(tidy, conditions);
        List<ItemSet> sets = ofProperty(before.propertyId());
        for (ItemSet set : sets) {
            if (set.standard() == null) continue;
            if (set.id() == id) refuseStandardOnFindings(tidy, conditions, after);
            else refuseStandardOnFindings(set.name(), set.conditions(), after);
        }
        change(before.propertyId(), sets, () -> {
            mapper.change(id, tidy, json.writeValueAsString(conditions));
            if (!tidy.equals(before.name())) rename(before, tidy);
        });
        return find(id);
    }

    /** Sets within one that gets another name say that name. */
    private void rename(ItemSet before, String name) {
        for (ItemSet set : ofProperty(before.propertyId())) {
            if (set.id() == before.id()
                    || !before.name().equals(set.conditions().within())) continue;
            mapper.change(
                    set.id(),
                    set.name(),
                    json.writeValueAsString(set.conditions().inside(name)));
        }
    }

    private static Map<String, SetConditions> renamed(Map<String, SetConditions> sets, String from, String to) {
        Map<String, SetConditions> all = new HashMap<>();
        sets.forEach((name, set) -> all.put(name, from.equals(set.within()) ? set.inside(to) : set));
        return all;
    }

    /** Takes a set away; it can be brought back. */
    public void remove(long id) {
        ItemSet set = find(id);
        Set<String> within = ofProperty(set.propertyId()).stream()
                .filter(other -> set.name().equals(other.conditions().within()))
                .map(other -> "“" + other.name() + "”")
                .collect(Collectors.toSet());
        if (!within.isEmpty())
            throw Refusal.conflict(String.join(" and ", within) + " lies within it; change that first.");
        change(set.propertyId(), List.of(set), () -> mapper.remove(id));
    }

    /** Brings back a set that was taken away. */
    public void restore(long id) {
        ItemSet set = find(id);
        Map<String, SetConditions> others = named(set.propertyId());
        usable(set.name(), others.keySet());
        refuseCircle(set.name(), set.conditions(), others);
        if (set.standard() != null) refuseStandardOnFindings(set.name(), set.conditions(), others);
        change(set.propertyId(), List.of(set), () -> mapper.restore(id));
    }

    /** Puts the sets of a property in another order: the standard of an upper one goes first. */
    public void order(long propertyId, List<Long> ids) {
        List<ItemSet> sets = ofProperty(propertyId);
        Set<Long> all = sets.stream().map(ItemSet::id).collect(Collectors.toSet());
        if (!all.equals(new HashSet<>(ids)) || all.size() != ids.size())
            throw Refusal.badInput("expected the ids of all " + all.size() + " sets, each once");
        change(propertyId, sets, () -> {
            for (int place = 0; place < ids.size(); place++) mapper.setPlace(ids.get(place), place);
        });
    }

    /**
     * Changes sets in one piece. Where standards hang on them all findings are due from then on, so that a kill does not
     * lose that, and the items are held to them anew.
     *
     * @param touched the sets to which items may belong from now on, or no longer
     */
    private void change(long propertyId, List<ItemSet> touched, Runnable work) {
        boolean heldAnew = touched.stream().anyMatch(set -> set.standard() != null);
        transaction.executeWithoutResult(status -> {
            work.run();
            if (heldAnew) clients.standardChanges(propertyId);
        });
        clients.touch(propertyId);
        if (heldAnew) publisher.publishEvent(new SetsChanged(propertyId));
    }

    /**
     * Sets what the items of a set are held to instead of the property's standard.
     *
     * @param standard null for the property's
     * @throws Refusal where findings decide who belongs to it, since they follow from the standard
     */
    public void setStandard(ItemSet set, StandardForm standard) {
        if (standard != null) refuseStandardOnFindings(set.name(), set.conditions(), named(set.propertyId()));
        transaction.executeWithoutResult(status -> {
            mapper.setStandard(set.id(), standard == null ? null : json.writeValueAsString(standard));
            clients.standardChanges(set.propertyId());
        });
    }

    private static String usable(String name, Set<String> others) {
        String tidy = name == null ? "" : name.strip();
        if (tidy.isEmpty() || tidy.length() > LONGEST_NAME)
            throw Refusal.badInput("name: expected 1 to " + LONGEST_NAME + " characters, got " + tidy.length());
        if (others.contains(tidy)) throw Refusal.conflict("There is a set “" + tidy + "” already.");
        return tidy;
    }

    private static void refuseUnusable(SetConditions conditions) {
        List<String> problems = conditions.problems(CHECKS);
        if (!problems.isEmpty()) throw Refusal.badInput(String.join("; ", problems));
    }

    private static void refuseCircle(String name, SetConditions conditions, Map<String, SetConditions> others) {
        try {
            conditions.refuseCircle(name, others);
        } catch (IllegalArgumentException e) {
            throw Refusal.badInput(e.getMessage());
        }
    }
}
