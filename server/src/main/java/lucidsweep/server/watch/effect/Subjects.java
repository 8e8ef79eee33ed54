package lucidsweep.server.watch.effect;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import lucidsweep.core.finding.Check;
import lucidsweep.core.finding.Checks;
import lucidsweep.core.item.Field;
import lucidsweep.server.item.draft.FieldId;
import lucidsweep.server.item.table.ItemFilter;
import lucidsweep.server.item.table.ItemSet;
import lucidsweep.server.item.table.ItemSets;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.release.Handover;
import lucidsweep.server.release.LiveReleases.LiveText;
import lucidsweep.server.release.Releases;
import lucidsweep.server.rewrite.Batch;
import lucidsweep.server.rewrite.Batches;
import org.springframework.stereotype.Component;
import org.springframework.util.StringUtils;

/** What the texts that are live can be taken together by: releases, fields, faults that they mended, sets, sections, batches. */
@Component
class Subjects {

    /** The kind of what was freed of one fault. */
    static final String CHECK = "check";

    private static final int FEWEST_OF_PART = 5;

    private final Releases releases;
    private final Items items;
    private final ItemSets sets;
    private final Batches batches;

    Subjects(Releases releases, Items items, ItemSets sets, Batches batches) {
        this.releases = releases;
        this.items = items;
        this.sets = sets;
        this.batches = batches;
    }

    /** Some texts that are live, under a name. */
    record Subject(String kind, String id, String name, List<LiveText> texts) {}

    /** What texts of a property can be taken together by, apart from their fields and sections. */
    record Groupings(List<Handover> releases, List<ItemSet> sets, List<Batch> batches) {}

    Groupings groupings(long propertyId) {
        return new Groupings(
                releases.ofProperty(propertyId), sets.ofProperty(propertyId), batches.ofProperty(propertyId));
    }

    /** Releases first, the latest on top; of other parts those with at least five items. */
    List<Subject> of(long propertyId, List<LiveText> live, Groupings groupings) {
        List<Subject> subjects = new ArrayList<>();
        for (Handover handover : groupings.releases) {
            subjects.add(
                    part(live, "release", handover.id(), handover.title(), text -> text.handoverId() == handover.id()));
        }
        List<Subject> parts = new ArrayList<>();
        for (Field field : FieldId.FIELDS) {
            if (field == Field.SLUG) continue;
            parts.add(part(live, "field", field.code(), field.label(), text -> text.field() == field));
        }
        Map<String, List<LiveText>> mending = new HashMap<>();
        for (LiveText text : live)
            for (String check : text.mended())
                mending.computeIfAbsent(check, any -> new ArrayList<>()).add(text);
        for (Check check : Checks.all()) {
            String name = StringUtils.capitalize(check.field().label() + " " + check.label());
            parts.add(new Subject(CHECK, check.id(), name, mending.getOrDefault(check.id(), List.of())));
        }
        for (ItemSet set : groupings.sets) {
            long[] members = items.ids(propertyId, ItemFilter.ofSet(set.id()));
            parts.add(
                    part(live, "set", set.id(), set.name(), text -> Arrays.binarySearch(members, text.itemId()) >= 0));
        }
        Map<Long, String> sections =
                items.sections(live.stream().map(LiveText::itemId).distinct().toList());
        for (String section : sections.values().stream().distinct().sorted().toList()) {
            if (section.isEmpty()) continue;
            parts.add(part(live, "section", section, section, text -> section.equals(sections.get(text.itemId()))));
        }
        Set<Long> liveFields = live.stream()
                .map(text -> FieldId.of(text.itemId(), text.field()))
                .collect(Collectors.toSet());
        if (!liveFields.isEmpty()) {
            for (Batch batch : groupings.batches) {
                Set<Long> fields = new HashSet<>(batches.fields(batch.id()));
                fields.retainAll(liveFields);
                if (fields.isEmpty()) continue;
                parts.add(part(
                        live,
                        "batch",
                        batch.id(),
                        batch.title(),
                        text -> fields.contains(FieldId.of(text.itemId(), text.field()))));
            }
        }
        parts.stream().filter(Subjects::isLargeEnough).forEach(subjects::add);
        return subjects;
    }

    private static boolean isLargeEnough(Subject subject) {
        return subject.texts.stream().map(LiveText::itemId).distinct().count() >= FEWEST_OF_PART;
    }

    private static Subject part(List<LiveText> live, String kind, Object id, String name, Predicate<LiveText> of) {
        return new Subject(
                kind, String.valueOf(id), name, live.stream().filter(of).toList());
    }
}
