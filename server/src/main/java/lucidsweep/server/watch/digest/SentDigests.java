package lucidsweep.server.watch.digest;

import com.samskivert.mustache.Template;
import lucidsweep.server.web.Templates;
import org.springframework.stereotype.Component;

/** The digest of a client as a page, and as a mail that holds it. */
@Component
class SentDigests {

    private final ClientDigest digests;
    private final DigestMail mail;
    private final Template page = Templates.beside(SentDigests.class, "digest.html.mustache");

    SentDigests(ClientDigest digests, DigestMail mail) {
        this.digests = digests;
        this.mail = mail;
    }

    String page(long clientId) {
        return page.execute(digests.of(clientId));
    }

    void send(long clientId, String to) {
        ClientDigest.Digest digest = digests.of(clientId);
        mail.send(to, digest.heading() + ": the week to " + digest.day(), page.execute(digest));
    }
}
