package org.pressboard.desk;

import org.pressboard.catalog.Account;
import org.pressboard.log.Logged;
import org.pressboard.signin.EntryMail;
import org.pressboard.signin.LogBook;
import org.pressboard.visit.Visit;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/** Invites people to have an account, and notes who did. */
@Component
class Inviting {

    private final EntryMail mail;
    private final LogBook log;
    private final TransactionTemplate transaction;

    Inviting(EntryMail mail, LogBook log, PlatformTransactionManager transactions) {
        this.mail = mail;
        this.log = log;
        this.transaction = new TransactionTemplate(transactions);
    }

    void invite(Visit visit, String email, String name, Account.Role role) {
        transaction.executeWithoutResult(status -> mail.invite(email, name, role));
        log.note(visit, Logged.What.INVITED, email);
    }
}
