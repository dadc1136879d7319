package org.pressboard.signin;

import jakarta.annotation.PreDestroy;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import org.pressboard.catalog.Account;
import org.pressboard.catalog.Accounts;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.EntryLink;
import org.pressboard.catalog.EntryLinks;
import org.pressboard.catalog.Site;
import org.pressboard.log.Log;
import org.pressboard.log.Logged;
import org.pressboard.mail.Letter;
import org.pressboard.mail.Outbox;
import org.pressboard.member.Joining;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Writes the letters with links that let people in. Who is known is looked up behind whoever asks: the answer, and the
 * time until it comes, are the same for every address.
 */
@Component
public class EntryMail {

    private static final Logger LOG = LoggerFactory.getLogger(EntryMail.class);
    private static final int MOST_WAITING = 1000;

    private final Accounts accounts;
    private final Joining joining;
    private final EntryLinks links;
    private final Outbox outbox;
    private final Catalog catalog;
    private final Log log;
    private final MessageSource messages;
    private final TransactionTemplate transaction;
    private final ThreadPoolExecutor desk = new ThreadPoolExecutor(1, 1, 0, TimeUnit.SECONDS,
            new ArrayBlockingQueue<>(MOST_WAITING), Thread.ofPlatform().daemon().name("entry-mail").factory(),
            (work, full) -> LOG.warn("Too many links are asked for at once; one is left out"));

    EntryMail(Accounts accounts, Joining joining, EntryLinks links, Outbox outbox, Catalog catalog, Log log,
            MessageSource messages, PlatformTransactionManager transactions) {
        this.accounts = accounts;
        this.joining = joining;
        this.links = links;
        this.outbox = outbox;
        this.catalog = catalog;
        this.log = log;
        this.messages = messages;
        this.transaction = new TransactionTemplate(transactions);
    }

    /**
     * Somebody asks to be let in.
     *
     * @param name   what they are called, where they ask for an account
     * @param to     where they want to go then
     * @param origin their address on the network
     */
    void ask(EntryLink.Purpose purpose, String email, String name, String to, String origin) {
        desk.execute(() -> {
            try {
                transaction.executeWithoutResult(status -> answer(purpose, Accounts.normal(email), name, to, origin));
            } catch (RuntimeException failed) {
                LOG.error("A link could not be written", failed);
            }
        });
    }

    private void answer(EntryLink.Purpose purpose, String email, String name, String to, String origin) {
        Optional<Account> account = accounts.find(email);
        if (account.isPresent()) {
            // whoever asks for an account and has one is told so, in a letter that nobody else reads
            EntryLink.Purpose given = purpose == EntryLink.Purpose.JOIN ? EntryLink.Purpose.SIGN_IN : purpose;
            send(EntryLink.of(account.get(), given), given == purpose ? letter(given) : "has-account", to);
        } else if (purpose != EntryLink.Purpose.PASSWORD && joining.isOpenTo(email)) {
            send(new EntryLink(email, name, EntryLink.Purpose.JOIN, Account.Role.MEMBER), "join", to);
        } else {
            return;
        }
        log.note(Logged.What.LINK_SENT, account.map(Account::id).orElse(null), email, origin, "");
    }

    private static String letter(EntryLink.Purpose purpose) {
        return switch (purpose) {
            case SIGN_IN -> "sign-in";
            case PASSWORD -> "password";
            case JOIN -> "join";
            case INVITED -> "invitation";
        };
    }

    /** Writes to somebody who is to have an account. */
    public void invite(String email, String name, Account.Role role) {
        send(new EntryLink(Accounts.normal(email), name, EntryLink.Purpose.INVITED, role), "invitation", "");
    }

    private void send(EntryLink link, String letter, String to) {
        Site site = catalog.published().site();
        String address = address(site);
        if (address.isEmpty()) {
            LOG.warn("A link cannot be written: nobody has said yet at which address the site is (Settings)");
            return;
        }
        Locale language = site.language();
        String entrance = address + "/sign-in/enter?token=" + links.make(link)
                + (to.isEmpty() ? "" : "&" + AfterSignIn.TO + "=" + URLEncoder.encode(to, StandardCharsets.UTF_8));
        long minutes = link.purpose().good().toMinutes();
        outbox.put(new Letter(link.email(), messages.getMessage("letter." + letter + ".subject", new Object[] {site.name()},
                language),
                messages.getMessage("letter." + letter + ".text", new Object[] {site.name(), entrance, minutes}, language),
                why(link.purpose())));
    }

    private static Letter.Why why(EntryLink.Purpose purpose) {
        return switch (purpose) {
            case SIGN_IN -> Letter.Why.SIGN_IN;
            case PASSWORD -> Letter.Why.PASSWORD;
            case JOIN -> Letter.Why.SIGN_UP;
            case INVITED -> Letter.Why.INVITATION;
        };
    }

    /** Never what a request says: whoever asks could have letters lead elsewhere. */
    private String address(Site site) {
        String said = site.publicAddress();
        return said.isEmpty() ? catalog.suggestedAddress() : said;
    }

    @PreDestroy
    void close() {
        desk.shutdown();
    }
}
