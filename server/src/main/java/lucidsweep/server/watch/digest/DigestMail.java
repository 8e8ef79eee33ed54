package lucidsweep.server.watch.digest;

import jakarta.mail.MessagingException;
import jakarta.mail.internet.AddressException;
import jakarta.mail.internet.InternetAddress;
import jakarta.mail.internet.MimeMessage;
import java.nio.charset.StandardCharsets;
import lucidsweep.server.web.Refusal;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.mail.MailException;
import org.springframework.mail.MailSendException;
import org.springframework.mail.javamail.JavaMailSender;
import org.springframework.mail.javamail.MimeMessageHelper;
import org.springframework.stereotype.Component;

/** Sends a page by the mail server that the application was started with. */
@Component
class DigestMail {

    private final ObjectProvider<JavaMailSender> server;
    private final String from;

    DigestMail(ObjectProvider<JavaMailSender> server, @Value("${lucid.mail-from:lucid-sweep@localhost}") String from) {
        this.server = server;
        this.from = from;
    }

    /** @throws Refusal where no mail server is set, or that is no mail address */
    void requireSendable(String to) {
        server();
        recipient(to);
    }

    private JavaMailSender server() {
        JavaMailSender sender = server.getIfAvailable();
        if (sender == null)
            throw Refusal.conflict("No mail server is set: start with --mail HOST:PORT, or download the digest.");
        return sender;
    }

    void send(String to, String subject, String html) {
        JavaMailSender sender = server();
        InternetAddress recipient = recipient(to);
        MimeMessage message = sender.createMimeMessage();
        try {
            MimeMessageHelper mail = new MimeMessageHelper(message, StandardCharsets.UTF_8.name());
            mail.setFrom(from);
            mail.setTo(recipient);
            mail.setSubject(subject);
            mail.setText(html, true);
            sender.send(message);
        } catch (MessagingException | MailException e) {
            throw Refusal.conflict("The mail server did not take it: " + cause(e));
        }
    }

    private static InternetAddress recipient(String to) {
        try {
            InternetAddress address = new InternetAddress(to, true);
            if (address.getAddress().contains("@")) return address;
        } catch (AddressException e) {
            // Said below.
        }
        throw Refusal.badInput("expected a mail address such as ines@bay.example, got \"" + to + "\"");
    }

    /** What the mail server said: it stands deepest. */
    private static String cause(Exception problem) {
        Exception next = problem;
        Exception deepest = problem;
        while (next != null) {
            deepest = next;
            next = beneath(next);
        }
        return String.valueOf(deepest.getMessage()).lines().findFirst().orElse("it said nothing");
    }

    private static Exception beneath(Exception problem) {
        if (problem instanceof MailSendException unsent && unsent.getMessageExceptions().length > 0)
            return unsent.getMessageExceptions()[0];
        if (problem instanceof MessagingException chained && chained.getNextException() != null)
            return chained.getNextException();
        return problem.getCause() instanceof Exception cause ? cause : null;
    }
}
