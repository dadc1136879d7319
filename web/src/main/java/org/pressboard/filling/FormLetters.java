package org.pressboard.filling;

import java.util.Locale;
import java.util.Optional;
import org.pressboard.catalog.Account;
import org.pressboard.catalog.Accounts;
import org.pressboard.catalog.Catalog;
import org.pressboard.editing.RowEditing;
import org.pressboard.form.Form;
import org.pressboard.form.Notice;
import org.pressboard.mail.Letter;
import org.pressboard.mail.Outbox;
import org.pressboard.sheet.Words;
import org.pressboard.signin.MailPace;
import org.pressboard.site.OpenForms;
import org.pressboard.table.Table;
import org.pressboard.table.Textual;
import org.pressboard.value.PlainForm;
import org.pressboard.value.Row;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Component;

/** Writes the letters that follow a form, to whoever sent it and to the owner. */
@Component
class FormLetters {

    private final RowEditing editing;
    private final Accounts accounts;
    private final Catalog catalog;
    private final Outbox outbox;
    private final MailPace pace;
    private final MessageSource messages;

    FormLetters(RowEditing editing, Accounts accounts, Catalog catalog, Outbox outbox, MailPace pace,
            MessageSource messages) {
        this.editing = editing;
        this.accounts = accounts;
        this.catalog = catalog;
        this.outbox = outbox;
        this.pace = pace;
        this.messages = messages;
    }

    /** Within the transaction that adds the row, so that no letter tells of one that is not there. */
    void write(OpenForms.Open open, long row, String sender) {
        Form form = open.form();
        if (form.notices().isEmpty()) {
            return;
        }
        Row added = editing.find(open.table().key(), row).orElseThrow();
        form.notice(Notice.Whom.SENDER).ifPresent(notice -> recipient(form, open.table(), added, sender)
                .filter(Letter::isAddress).filter(pace::mayReceive)
                .ifPresent(to -> put(to, notice, open.table(), added, Letter.Why.ENTRY)));
        form.notice(Notice.Whom.OWNER).ifPresent(notice -> accounts.staff().stream()
                .filter(account -> account.role() == Account.Role.OWNER)
                .forEach(owner -> put(owner.email(), notice, open.table(), added, Letter.Why.NOTICE)));
    }

    /** Whoever is signed in; else the first address that the form asked for. */
    private static Optional<String> recipient(Form form, Table table, Row row, String sender) {
        if (sender.contains("@")) {
            return Optional.of(sender);
        }
        return form.questions().stream().filter(question -> table.field(question.field()).type() instanceof Textual.Email)
                .flatMap(question -> row.find(question.field()).stream()).findFirst().map(PlainForm::write);
    }

    private void put(String to, Notice notice, Table table, Row row, Letter.Why why) {
        Locale language = catalog.published().site().language();
        Words words = new Words(messages, language);
        outbox.put(new Letter(to, Notice.filled(notice.subject(), table, field -> words.written(table, field, row)),
                Notice.filled(notice.text(), table, field -> words.written(table, field, row)), why));
    }
}
