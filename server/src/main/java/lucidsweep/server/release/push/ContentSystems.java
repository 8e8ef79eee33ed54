package lucidsweep.server.release.push;

import java.net.URI;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import lucidsweep.core.item.Field;
import lucidsweep.core.page.PageAddress;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.client.PropertyKind;
import lucidsweep.server.database.Durability;
import lucidsweep.server.item.draft.Drafts;
import lucidsweep.server.item.draft.FieldLine;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.outside.PatientClient;
import lucidsweep.server.security.Vault;
import lucidsweep.server.web.Refusal;
import org.springframework.stereotype.Service;
import tools.jackson.databind.json.JsonMapper;

/** Keeps how the content system of each property is reached, its secret sealed, and speaks to it. */
@Service
class ContentSystems {

    private final ContentSystemMapper mapper;
    private final Clients clients;
    private final Items items;
    private final Drafts drafts;
    private final Vault vault;
    private final Durability durability;
    private final JsonMapper json;

    ContentSystems(
            ContentSystemMapper mapper,
            Clients clients,
            Items items,
            Drafts drafts,
            Vault vault,
            Durability durability,
            JsonMapper json) {
        this.mapper = mapper;
        this.clients = clients;
        this.items = items;
        this.drafts = drafts;
        this.vault = vault;
        this.durability = durability;
        this.json = json;
    }

    /** The settings without the secret; null where there are none yet. */
    ContentSettings settings(long propertyId) {
        ContentSystemMapper.Line line = mapper.find(propertyId);
        return line == null ? null : stored(line).with(null, line.sealed() != null);
    }

    private ContentSettings stored(ContentSystemMapper.Line line) {
        return json.readValue(line.settings(), ContentSettings.class);
    }

    void save(long propertyId, ContentSettings given) {
        Property property = clients.property(propertyId);
        check(property, given);
        byte[] sealed = sealed(propertyId, given);
        mapper.save(new ContentSystemMapper.Line(
                propertyId, json.writeValueAsString(given.with(null, sealed != null)), sealed));
        durability.await();
    }

    void forget(long propertyId) {
        mapper.forget(propertyId);
        durability.await();
    }

    private static void check(Property property, ContentSettings given) {
        switch (given.kind()) {
            case FOLDER -> {
                if (property.kind() != PropertyKind.WEBSITE) {
                    throw Refusal.badInput("only the pages of a website can be a folder of HTML files");
                }
                new HtmlFolder(given.address());
            }
            case API -> host(given.address());
            case JSON -> {
                if (given.template() == null) throw Refusal.badInput("expected how requests look, got nothing");
                host(given.template().read());
                host(given.template().write());
            }
        }
    }

    /** The host that a secret is sent to. Names of one host with others in braces would let an item choose it. */
    private static String host(String address) {
        String start = address.replaceFirst("^(\\w+://[^/?#]*).*$", "$1");
        return PageAddress.of(start)
                .filter(uri -> !start.contains("{"))
                .map(URI::getAuthority)
                .orElseThrow(() -> Refusal.badInput(
                        "expected the address of a content system such as https://www.example.com/content, got \""
                                + address + "\""));
    }

    private static List<String> hosts(ContentSettings settings) {
        return switch (settings.kind()) {
            case FOLDER -> List.of();
            case API -> List.of(host(settings.address()));
            case JSON ->
                List.of(
                        host(settings.template().read()),
                        host(settings.template().write()));
        };
    }

    /** A secret goes to the hosts that it was given for, and to no others. */
    private byte[] sealed(long propertyId, ContentSettings given) {
        if (given.secret() != null) {
            return given.secret().isEmpty() ? null : vault.sealed(given.secret(), purpose(propertyId));
        }
        ContentSystemMapper.Line before = mapper.find(propertyId);
        return before != null && hosts(stored(before)).equals(hosts(given)) ? before.sealed() : null;
    }

    private static String purpose(long propertyId) {
        return "the content system of property " + propertyId;
    }

    /** How it is reached, with the secret. */
    ContentSettings needed(long propertyId) {
        ContentSystemMapper.Line line = mapper.find(propertyId);
        if (line == null) throw Refusal.conflict("no content system is set up for this property yet");
        try {
            String secret = line.sealed() == null ? null : vault.opened(line.sealed(), purpose(propertyId));
            return stored(line).with(secret, secret != null);
        } catch (IllegalStateException lost) {
            throw Refusal.conflict("the password of the content system can no longer be read; enter it again");
        }
    }

    /** Somebody who speaks to the content system of a property. */
    ContentSystem of(Property property) {
        return of(property, needed(property.id()));
    }

    private ContentSystem of(Property property, ContentSettings settings) {
        return switch (settings.kind()) {
            case API -> new ContentApi(settings, property.kind(), property.address(), json);
            case JSON -> new JsonSystem(settings, json);
            case FOLDER -> new HtmlFolder(settings.address());
        };
    }

    /**
     * A field of the item that settings were tried on.
     *
     * @param captured what the last sweep saw; null where nothing was captured of it
     */
    record TriedText(Field field, String there, String captured) {}

    /**
     * What came of a try.
     *
     * @param problem in words; "" where the item could be read
     */
    record Tried(String address, String problem, List<TriedText> texts) {}

    /** Reads one item, and changes nothing. */
    Tried tryOn(long propertyId, long itemId) throws InterruptedException {
        Property property = clients.property(propertyId);
        if (items.propertyOf(itemId) != propertyId)
            throw Refusal.badInput("item " + itemId + " is of another property");
        String address = items.addresses(List.of(itemId)).get(itemId);
        try {
            ContentSystem.Present present = of(property).read(address, () -> false);
            List<TriedText> texts = new ArrayList<>();
            present.texts().forEach((field, text) -> texts.add(new TriedText(field, text, captured(itemId, field))));
            texts.sort(Comparator.comparing(TriedText::field));
            return new Tried(address, "", texts);
        } catch (ContentSystem.Denied | PatientClient.NoAnswer e) {
            return new Tried(address, e.getMessage(), List.of());
        }
    }

    private String captured(long itemId, Field field) {
        return drafts.fields(new long[] {itemId}, field).stream()
                .map(FieldLine::captured)
                .filter(Objects::nonNull)
                .findFirst()
                .orElse(null);
    }
}
