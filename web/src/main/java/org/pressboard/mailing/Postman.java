package org.pressboard.mailing;

import jakarta.mail.MessagingException;
import jakarta.mail.internet.MimeMessage;
import java.nio.charset.StandardCharsets;
import java.util.Properties;
import org.pressboard.mail.Letter;
import org.pressboard.mail.Outbox;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.mail.MailException;
import org.springframework.mail.javamail.JavaMailSenderImpl;
import org.springframework.mail.javamail.MimeMessageHelper;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Sends what is in the outbox by SMTP. Without a mail server it leaves everything there, to be read at the desk. */
@Component
public class Postman {

    private static final String PATIENCE_MILLIS = "10000";
    private static final int MOST_AT_ONCE = 100;

    private final Outbox outbox;
    private final String from;
    private final JavaMailSenderImpl server = new JavaMailSenderImpl();

    Postman(Outbox outbox, @Value("${pressboard.mail.host}") String host, @Value("${pressboard.mail.port}") int port,
            @Value("${pressboard.mail.user}") String user, @Value("${pressboard.mail.password}") String password,
            @Value("${pressboard.mail.from}") String from, @Value("${pressboard.mail.tls}") boolean tls) {
        if (!host.isEmpty() && !Letter.isAddress(from)) {
            throw new IllegalArgumentException("PRESSBOARD_MAIL_FROM has to be an e-mail address where a mail server is named");
        }
        this.outbox = outbox;
        this.from = from;
        server.setHost(host);
        server.setPort(port);
        server.setUsername(user.isEmpty() ? null : user);
        server.setPassword(password.isEmpty() ? null : password);
        server.setDefaultEncoding(StandardCharsets.UTF_8.name());
        server.setJavaMailProperties(settings(!user.isEmpty(), tls));
    }

    private static Properties settings(boolean signsIn, boolean tls) {
        Properties settings = new Properties();
        settings.setProperty("mail.smtp.auth", Boolean.toString(signsIn));
        settings.setProperty("mail.smtp.starttls.enable", "true");
        settings.setProperty("mail.smtp.starttls.required", Boolean.toString(tls));
        settings.setProperty("mail.smtp.ssl.checkserveridentity", "true");
        for (String wait : new String[] {"connectiontimeout", "timeout", "writetimeout"}) {
            settings.setProperty("mail.smtp." + wait, PATIENCE_MILLIS);
        }
        return settings;
    }

    /** Whether letters leave the outbox. */
    public boolean hasServer() {
        return server.getHost() != null && !server.getHost().isEmpty();
    }

    @Scheduled(fixedDelay = 3000)
    void deliver() {
        for (int sent = 0; hasServer() && sent < MOST_AT_ONCE; sent++) {
            if (!outbox.sendNext(this::carry)) {
                return;
            }
        }
    }

    private void carry(Letter letter) throws Outbox.Undelivered {
        try {
            MimeMessage message = server.createMimeMessage();
            MimeMessageHelper helper = new MimeMessageHelper(message, StandardCharsets.UTF_8.name());
            helper.setFrom(from);
            helper.setTo(letter.to());
            helper.setSubject(letter.subject());
            helper.setText(letter.body());
            // answers of machines to what a machine has sent would go round in circles (RFC 3834)
            message.setHeader("Auto-Submitted", "auto-generated");
            server.send(message);
        } catch (MessagingException | MailException failed) {
            throw new Outbox.Undelivered(String.valueOf(failed.getMessage()), failed);
        }
    }
}
