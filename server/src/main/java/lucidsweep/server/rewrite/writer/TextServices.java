package lucidsweep.server.rewrite.writer;

import java.net.URI;
import lucidsweep.core.page.PageAddress;
import lucidsweep.server.database.Durability;
import lucidsweep.server.gather.crawl.AddressGuard;
import lucidsweep.server.security.Vault;
import lucidsweep.server.web.Refusal;
import org.springframework.stereotype.Service;
import tools.jackson.databind.json.JsonMapper;

/** Keeps how the text-generation service is reached, its key sealed. */
@Service
class TextServices {

    private static final String PURPOSE = "the key of the text-generation service";

    private final ServiceMapper mapper;
    private final Vault vault;
    private final Durability durability;
    private final JsonMapper json;

    TextServices(ServiceMapper mapper, Vault vault, Durability durability, JsonMapper json) {
        this.mapper = mapper;
        this.vault = vault;
        this.durability = durability;
        this.json = json;
    }

    /** The settings without the key; null where there are none yet. */
    ServiceSettings settings() {
        ServiceMapper.Line line = mapper.find();
        return line == null ? null : settings(line, null);
    }

    private static ServiceSettings settings(ServiceMapper.Line line, String key) {
        return new ServiceSettings(
                line.address(),
                line.model(),
                key,
                line.sealedKey() != null,
                line.privateAllowed(),
                line.parallel(),
                line.inputPrice(),
                line.outputPrice(),
                line.currency());
    }

    void save(ServiceSettings settings) {
        URI address = PageAddress.of(settings.address())
                .orElseThrow(() -> Refusal.badInput(
                        "expected the address of a text-generation service such as https://texts.example/generate, got \""
                                + settings.address() + "\""));
        ServiceMapper.Line before = mapper.find();
        // A key goes to the host that it was given for, and to no other.
        boolean moved = before != null
                && !PageAddress.of(before.address())
                        .map(URI::getAuthority)
                        .equals(java.util.Optional.of(address.getAuthority()));
        byte[] kept = before == null || moved ? null : before.sealedKey();
        String key = settings.key();
        byte[] sealed = key == null ? kept : key.isEmpty() ? null : vault.sealed(key, PURPOSE);
        mapper.save(new ServiceMapper.Line(
                settings.address().strip(),
                settings.model().strip(),
                sealed,
                settings.privateAllowed(),
                settings.parallel(),
                settings.inputPrice(),
                settings.outputPrice(),
                settings.currency()));
        durability.await();
    }

    /** The settings as they are needed to ask; refused where there are none. */
    ServiceSettings needed() {
        ServiceMapper.Line line = mapper.find();
        if (line == null) throw Refusal.badInput("no text-generation service is set up yet; enter its address first");
        try {
            String key = line.sealedKey() == null ? null : vault.opened(line.sealedKey(), PURPOSE);
            return settings(line, key);
        } catch (IllegalStateException lost) {
            throw Refusal.conflict("the key of the text-generation service can no longer be read; enter it again");
        }
    }

    /** Somebody who asks with some settings. */
    TextServiceClient client(ServiceSettings settings) {
        return new TextServiceClient(settings, new AddressGuard(settings.privateAllowed()), json);
    }
}
