package lucidsweep.server.gather.crawl;

import java.util.Optional;
import lucidsweep.core.page.PageAddress;
import lucidsweep.server.client.Clients;
import lucidsweep.server.security.Vault;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import tools.jackson.databind.json.JsonMapper;

/** Keeps the logins of properties, sealed. */
@Service
public class Logins {

    private static final Logger LOG = LoggerFactory.getLogger(Logins.class);

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
        return kept(propertyId)
                .filter(kept -> kept.home == null || kept.home.equals(home(propertyId)))
                .map(Kept::login)
                .orElse(Login.NONE);
    }

    /** A login with the scheme and host that it was given for; where the property moves, it has to be given again. */
    private record Kept(String user, String password, String header, String value, String home) {

        private Login login() {
            return new Login(user, password, header, value);
        }
    }

    /** What is kept of a property; empty where it was sealed with a key that is lost. */
    private Optional<Kept> kept(long propertyId) {
        LoginMapper.SealedLogin sealed = mapper.login(propertyId);
        if (sealed == null) return Optional.empty();
        try {
            return Optional.of(json.readValue(vault.opened(sealed.sealed(), purpose(propertyId)), Kept.class));
        } catch (IllegalStateException lost) {
            LOG.warn("the login of property {} has to be given again: its key is lost", propertyId, lost);
            return Optional.empty();
        }
    }

    private String home(long propertyId) {
        return PageAddress.of(clients.propertyOrRemoved(propertyId).address())
                .map(address -> address.getScheme() + "://" + address.getRawAuthority())
                .orElse("");
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
        else {
            Kept kept = new Kept(login.user(), login.password(), login.header(), login.value(), home(propertyId));
            mapper.keepLogin(propertyId, vault.sealed(json.writeValueAsString(kept), purpose(propertyId)));
        }
    }

    private static String purpose(long propertyId) {
        return "login of property " + propertyId;
    }
}
