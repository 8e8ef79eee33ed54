package lucidsweep.server.rewrite.writer;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import lucidsweep.core.item.Field;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.writer.AltLines;
import lucidsweep.core.writer.Briefing;
import lucidsweep.core.writer.Input;
import lucidsweep.server.aim.targets.ItemKeywords;
import lucidsweep.server.client.Client;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.database.Packed;
import lucidsweep.server.item.draft.Drafts;
import lucidsweep.server.item.draft.FieldLine;
import lucidsweep.server.item.table.ItemDetail;
import lucidsweep.server.item.table.ItemStandards;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.item.table.SetStandards;
import org.springframework.stereotype.Component;

/** Gathers what is known of items before the writer is asked about them. */
@Component
class Briefings {

    /** So many letters of the opening tell where it stands. */
    private static final int TELLING = 60;

    private final Clients clients;
    private final Items items;
    private final ItemKeywords keywords;
    private final SetStandards standards;
    private final Drafts drafts;

    Briefings(Clients clients, Items items, ItemKeywords keywords, SetStandards standards, Drafts drafts) {
        this.clients = clients;
        this.items = items;
        this.keywords = keywords;
        this.standards = standards;
        this.drafts = drafts;
    }

    /**
     * An item that the writer is asked about.
     *
     * @param standard what it is held to
     * @param texts what there is of each input
     */
    record Briefed(long itemId, Standard standard, Map<Input, String> texts) {

        Briefing with(Map<String, String> answers) {
            return new Briefing(texts, answers);
        }
    }

    /** Some items of a property in the order of their ids; those that are gone are left out. */
    List<Briefed> of(Property property, long[] ids) {
        if (ids.length == 0) return List.of();
        Client client = clients.client(property.clientId());
        ItemStandards.Held held = standards.of(property).held(ids);
        long first = Arrays.stream(ids).min().orElseThrow();
        long last = Arrays.stream(ids).max().orElseThrow();
        Map<Long, List<ItemKeywords.Aim>> aims = keywords.between(first, last);
        Map<Long, String> images = new HashMap<>();
        for (FieldLine field : drafts.fields(ids, Field.IMAGES)) images.put(field.itemId(), field.text());
        List<Briefed> briefed = new ArrayList<>();
        for (ItemDetail item :
                items.detailsWithCapture(Arrays.stream(ids).boxed().toList())) {
            Map<Input, String> texts = texts(item, client, aims.getOrDefault(item.id(), List.of()));
            put(texts, Input.IMAGES, String.join("\n", AltLines.lacking(images.getOrDefault(item.id(), ""))));
            briefed.add(new Briefed(item.id(), held.standard(item.id()), texts));
        }
        return briefed;
    }

    private static Map<Input, String> texts(ItemDetail item, Client client, List<ItemKeywords.Aim> aims) {
        Map<Input, String> texts = new EnumMap<>(Input.class);
        put(texts, Input.ADDRESS, item.address());
        put(texts, Input.TITLE, item.title().captured());
        put(texts, Input.DESCRIPTION, item.description().captured());
        put(texts, Input.H1, item.seen().h1());
        put(texts, Input.COPY, copy(item));
        if (item.tags() != null) put(texts, Input.TAGS, item.tags().captured());
        put(texts, Input.PRICE, item.seen().price());
        put(texts, Input.KEYWORD, item.keyword());
        put(
                texts,
                Input.SECONDARY,
                aims.stream()
                        .filter(aim -> !aim.primary())
                        .map(ItemKeywords.Aim::phrase)
                        .collect(Collectors.joining(", ")));
        aims.stream().filter(ItemKeywords.Aim::primary).findFirst().ifPresent(aim -> {
            put(texts, Input.INTENT, aim.intent());
            put(texts, Input.PLACE, aim.place());
        });
        put(texts, Input.BRAND, String.join(", ", client.brandNames()));
        return texts;
    }

    /** The copy from where it begins; the menu before it is no news. */
    private static String copy(ItemDetail item) {
        String opening = item.seen().opening();
        String copy =
                Packed.text(item.captured() == null ? null : item.captured().copy());
        if (copy.isBlank()) return opening;
        int begins = opening.isBlank() ? -1 : copy.indexOf(opening.substring(0, Math.min(opening.length(), TELLING)));
        return begins < 0 ? copy : copy.substring(begins);
    }

    private static void put(Map<Input, String> texts, Input input, String text) {
        if (text != null && !text.isBlank()) texts.put(input, text);
    }
}
