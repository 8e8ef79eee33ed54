package lucidsweep.server.gather.crawl;

import java.util.Optional;
import lucidsweep.server.client.Clients;
import lucidsweep.server.security.Vault;
import org.springframework.stereotype.Service;
import tools.jackson.databind.json.JsonMapper;

/** Keeps the logins of properties, sealed. */
@Service
public class Logins {

    private final LoginMapper mapper;
    private final Clients clients;
    private final Vault vault;
    private final JsonMapper json;

    Logins(LoginMapper mapper, Clients clients, Vault vault, JsonMapper json) {
        this.mapper = mapper;
        this.clients = clients;
        this.vault = vault;
        this.json = json;
    }

    /** The login of a property, with its secrets; for sweeps only. */
    public Login of(long propertyId) {
        return Optional.ofNullable(mapper.login(propertyId))
                .map(kept -> json.readValue(vault.opened(kept.sealed(), purpose(propertyId)), Login.class))
                .orElse(Login.NONE);
    }

    /** Sets a login; a password or value that is left blank stays as it was where its name does. */
    void set(long propertyId, Login given) {
        clients.property(propertyId);
        Login before = of(propertyId);
        boolean samePassword = given.password().isEmpty() && given.user().equals(before.user());
        boolean sameValue = given.value().isEmpty() && given.header().equals(before.header());
        Login login = new Login(
                given.user().strip(),
                samePassword ? before.password() : given.password(),
                given.header().strip(),
                sameValue ? before.value() : given.value());
        login.check();
        if (login.isNone()) mapper.forgetLogin(propertyId);
        else mapper.keepLogin(propertyId, vault.sealed(json.writeValueAsString(login), purpose(propertyId)));
    }

    private static String purpose(long propertyId) {
        return "login of property " + propertyId;
    }
}
