package lucidsweep.server.client;

import jakarta.annotation.Nullable;
import java.util.List;
import lucidsweep.core.page.PageAddress;
import lucidsweep.server.database.Durability;
import lucidsweep.server.web.EventStream;
import lucidsweep.server.web.Refusal;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;

/** Clients and properties: added, changed, removed and brought back. */
@Service
public class Clients {

    private final ClientMapper mapper;
    private final EventStream events;
    private final ApplicationEventPublisher publisher;
    private final Durability durability;

    Clients(ClientMapper mapper, EventStream events, ApplicationEventPublisher publisher, Durability durability) {
        this.mapper = mapper;
        this.events = events;
        this.publisher = publisher;
        this.durability = durability;
    }

    public List<Client> clients() {
        return mapper.clients();
    }

    public List<Property> properties() {
        return mapper.properties();
    }

    public Client client(long id) {
        Client client = mapper.client(id);
        if (client == null) throw Refusal.notFound("there is no client " + id);
        return client;
    }

    public Property property(long id) {
        Property property = mapper.property(id);
        if (property == null) throw Refusal.notFound("there is no property " + id);
        return property;
    }

    /** A property, also one that was removed: what was begun for it is still brought to its end. */
    public Property propertyOrRemoved(long id) {
        return mapper.propertyOrRemoved(id);
    }

    /** Whether a property is removed, by itself or with its client. */
    public boolean isRemoved(long propertyId) {
        return properties().stream().noneMatch(property -> property.id() == propertyId);
    }

    /** Whether a client is there and removed. */
    public boolean isClientRemoved(long id) {
        return mapper.client(id) != null && clients().stream().noneMatch(client -> client.id() == id);
    }

    public Client addClient(ClientForm form) {
        ClientMapper.Key key = new ClientMapper.Key();
        mapper.insertClient(key, form);
        durability.await();
        return client(key.id);
    }

    Client changeClient(long id, ClientForm form) {
        client(id);
        mapper.updateClient(id, form);
        durability.await();
        return client(id);
    }

    public Property addProperty(PropertyForm form) {
        client(form.clientId());
        ClientMapper.Key key = new ClientMapper.Key();
        mapper.insertProperty(key, withNormalAddress(form));
        durability.await();
        return property(key.id);
    }

    Property changeProperty(long id, PropertyForm form) {
        Property before = property(id);
        mapper.updateProperty(id, withNormalAddress(form));
        durability.await();
        if (!before.language().equals(form.language())) publisher.publishEvent(new LanguageChanged(id));
        return property(id);
    }

    /** Sets what its fields are held to, as JSON; null for the ready-made standard. Findings are due then. */
    public Property setStandard(long id, String standard) {
        property(id);
        mapper.setStandard(id, standard);
        durability.await();
        return property(id);
    }

    /** Says, within the transaction that changes what items are held to, that all findings are due: a kill does not lose that. */
    public void standardChanges(long id) {
        mapper.countStandardChange(id);
    }

    void removeClient(long id, boolean removed) {
        client(id);
        requireHere(mapper.removeClient(id, removed));
        durability.await();
    }

    void removeProperty(long id, boolean removed) {
        if (mapper.propertyOrRemoved(id) == null) throw Refusal.notFound("there is no property " + id);
        requireHere(mapper.removeProperty(id, removed));
        durability.await();
    }

    private static void requireHere(int changed) {
        if (changed == 0) throw Refusal.conflict("It is being removed for good; nothing was changed.");
    }

    List<Removed> removed() {
        return mapper.removed();
    }

    /** Counts the revision up, sees that what was changed outlives a kill of the process, and tells the open pages. */
    public void touch(long propertyId) {
        confirm(count(propertyId));
    }

    /** The first part of {@link #touch}, for whoever has a place in the property's line, which the rest does not need. */
    public Revision count(long propertyId) {
        return new Revision(propertyId, mapper.touch(propertyId));
    }

    /** The rest of {@link #touch}. */
    public void confirm(Revision revision) {
        durability.await();
        tellPages(revision);
    }

    /** The same of what is not confirmed to anybody yet, such as the items of a sweep that is under way. */
    public void tell(long propertyId) {
        tellPages(count(propertyId));
    }

    private void tellPages(Revision revision) {
        if (revision.number != null) events.tell("changed", new PropertyChanged(revision.propertyId, revision.number));
    }

    /**
     * A change of a property that was counted.
     *
     * @param number null where the property is removed
     */
    public record Revision(long propertyId, @Nullable Long number) {}

    private static PropertyForm withNormalAddress(PropertyForm form) {
        if (form.kind() != PropertyKind.WEBSITE) return form;
        String given = form.address().strip();
        String full = given.contains("://") ? given : "https://" + given;
        String address = PageAddress.of(full)
                .orElseThrow(() -> Refusal.badInput(
                        "expected the address of a website such as https://example.com/, got \"" + given + "\""))
                .toString();
        return new PropertyForm(
                form.clientId(), form.kind(), form.name(), address, form.language(), form.privateAllowed());
    }
}
