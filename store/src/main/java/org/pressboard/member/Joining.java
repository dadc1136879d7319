package org.pressboard.member;

import java.util.HashMap;
import java.util.Map;
import java.util.Objects;
import org.pressboard.catalog.Account;
import org.pressboard.catalog.Accounts;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.EntryLink;
import org.pressboard.catalog.Site;
import org.pressboard.editing.RowEditing;
import org.pressboard.history.Author;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.table.Field;
import org.pressboard.table.Table;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Value;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** How people come to have an account: because they were invited, are listed among the members, or ask for it. */
@Component
public class Joining {

    private final Accounts accounts;
    private final Catalog catalog;
    private final Members members;
    private final RowEditing editing;

    Joining(Accounts accounts, Catalog catalog, Members members, RowEditing editing) {
        this.accounts = accounts;
        this.catalog = catalog;
        this.members = members;
        this.editing = editing;
    }

    /** Whether somebody with that address, who has no account, can have one made by asking for it. */
    public boolean isOpenTo(String email) {
        return switch (catalog.published().site().signUp()) {
            case OPEN -> true;
            case INVITED -> catalog.published().tables().people().isPresent() && members.isListed(email);
            case CLOSED -> false;
        };
    }

    /**
     * Makes the account that a link is for; on an open site, whoever is not among the members becomes one.
     *
     * @throws ProblemsFound when there is such an account, or the row of a member cannot be made
     */
    @Transactional
    public Account join(EntryLink link, String name, String passwordHash) {
        if (accounts.find(link.email()).isPresent()) {
            throw ProblemsFound.of("account.taken-email");
        }
        if (link.role() == Account.Role.MEMBER && !members.isListed(link.email())) {
            list(link.email(), name);
        }
        accounts.add(link.email(), name, passwordHash, link.role());
        return accounts.find(link.email()).orElseThrow();
    }

    private void list(String email, String name) {
        if (catalog.published().site().signUp() != Site.SignUp.OPEN) {
            throw ProblemsFound.of("account.not-listed");
        }
        Table people = catalog.tables().people().map(catalog.tables()::get).orElseThrow();
        Map<FieldKey, Value> values = new HashMap<>();
        people.headingField().filter(field -> field.isEntered() && field.type() instanceof Textual.Text)
                .map(Field::key).ifPresent(heading -> values.put(heading, new Value.Text(name)));
        values.put(Objects.requireNonNull(people.people()), new Value.Text(email));
        RowEditing.Added added = editing.add(people.key(), values, new Author(null, name, Author.Origin.PAGE));
        if (!(added.outcome() instanceof RowEditing.Outcome.Done)) {
            throw ProblemsFound.of("account.row-refused");
        }
    }
}
