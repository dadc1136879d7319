package org.pressboard.filling;

import java.util.Optional;
import java.util.concurrent.TimeUnit;
import org.pressboard.catalog.Account;
import org.pressboard.catalog.Accounts;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.Site;
import org.pressboard.editing.RowEditing;
import org.pressboard.form.Form;
import org.pressboard.form.Notice;
import org.pressboard.mail.Gathering;
import org.pressboard.mail.Letter;
import org.pressboard.mail.Outbox;
import org.pressboard.value.RowId;
import org.pressboard.words.Words;
import org.pressboard.signin.MailPace;
import org.pressboard.stand.OpenForm;
import org.pressboard.table.Attached;
import org.pressboard.table.Field;
import org.pressboard.table.Table;
import org.pressboard.table.Textual;
import org.pressboard.value.PlainForm;
import org.pressboard.value.Row;
import org.springframework.context.MessageSource;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/** Writes the letters that follow a form, to whoever sent it and to the owner. */
@Component
class FormLetters {

    private final RowEditing editing;
    private final Accounts accounts;
    private final Catalog catalog;
    private final Outbox outbox;
    private final MailPace pace;
    private final MessageSource messages;
    private final Gathering gathering;
    private final TransactionTemplate transaction;

    FormLetters(RowEditing editing, Accounts accounts, Catalog catalog, Outbox outbox, MailPace pace,
            MessageSource messages, Gathering gathering, PlatformTransactionManager transactions) {
        this.gathering = gathering;
        this.transaction = new TransactionTemplate(transactions);
        this.editing = editing;
        this.accounts = accounts;
        this.catalog = catalog;
        this.outbox = outbox;
        this.pace = pace;
        this.messages = messages;
    }

    /** Within the transaction that adds the row, so that no letter tells of one that is not there. */
    void write(OpenForm open, RowId row, String sender) {
        Form form = open.form();
        if (form.notices().isEmpty()) {
            return;
        }
        Row added = editing.find(open.table().key(), row).orElseThrow();
        form.notice(Notice.Whom.SENDER).ifPresent(notice -> recipient(form, open.table(), added, sender)
                .filter(Letter::isAddress).filter(pace::mayReceive)
                .ifPresent(to -> put(open, to, notice, added, Letter.Why.ENTRY)));
        form.notice(Notice.Whom.OWNER).ifPresent(notice -> accounts.staff().stream()
                .filter(account -> account.role() == Account.Role.OWNER)
                .filter(owner -> gathering.isFirst(owner.email(), form.title()))
                .forEach(owner -> put(open, owner.email(), notice, added, Letter.Why.NOTICE)));
    }

    /** Tells the owners of the rows that came in since they were told of one. */
    @Scheduled(fixedDelay = 60, timeUnit = TimeUnit.SECONDS)
    void tellTheRest() {
        while (Boolean.TRUE.equals(transaction.execute(status -> gathering.next().map(this::tell).isPresent()))) {
            // until nothing is due any more
        }
    }

    private Gathering.Told tell(Gathering.Told told) {
        Site site = catalog.published().site();
        Words words = new Words(messages, site.language());
        Object[] details = {told.times(), told.about(), site.publicAddress()};
        outbox.put(new Letter(told.recipient(), words.say("letter.gathered.subject", details),
                words.say("letter.gathered.text", details), Letter.Why.NOTICE));
        return told;
    }

    /** Whoever is signed in; else the first address that the form asked for. */
    private static Optional<String> recipient(Form form, Table table, Row row, String sender) {
        if (sender.contains("@")) {
            return Optional.of(sender);
        }
        return form.questions().stream().filter(question -> table.field(question.field()).type() instanceof Textual.Email)
                .flatMap(question -> row.find(question.field()).stream()).findFirst().map(PlainForm::write);
    }

    /** What a stranger typed never stands in a subject, where it is read before anything else, as if the site said it. */
    private static boolean isTyped(Field field) {
        return !field.isEntered() || field.type() instanceof Textual || field.type() instanceof Attached;
    }

    private void put(OpenForm open, String to, Notice notice, Row row, Letter.Why why) {
        Table table = open.table();
        Words words = new Words(messages, open.language());
        outbox.put(new Letter(to, Notice.filled(notice.subject(), table, field -> isTyped(field) ? field.label()
                : words.written(table, field, row)),
                Notice.filled(notice.text(), table, field -> words.written(table, field, row)), why));
    }
}
