package org.pressboard.member;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.pressboard.catalog.Account;
import org.pressboard.catalog.Accounts;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.EntryLink;
import org.pressboard.catalog.Site;
import org.pressboard.editing.RowEditing;
import org.pressboard.grant.Deciding;
import org.pressboard.history.Author;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.table.Attached;
import org.pressboard.table.Field;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
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
     * What the table of members requires beside name and address.
     *
     * @param asked what whoever joins is asked for
     * @param never what cannot be asked: what is looked up or carried up, and what decides who belongs to a group. Nobody joins
     *              by themselves while there is any
     */
    public record Required(List<Field> asked, List<Field> never) {
    }

    /** What is required of members who join by themselves; nothing where nobody does. */
    public Required required() {
        Tables tables = catalog.published().tables();
        if (catalog.published().site().signUp() != Site.SignUp.OPEN || tables.people().isEmpty()) {
            return new Required(List.of(), List.of());
        }
        Table people = tables.get(tables.people().orElseThrow());
        Set<FieldKey> deciding = deciding(tables, people);
        Optional<FieldKey> named = called(people, deciding);
        Map<Boolean, List<Field>> askable = people.entered().stream().filter(field -> field.rules().required()
                && !field.key().equals(people.people()) && named.filter(field.key()::equals).isEmpty())
                .collect(Collectors.partitioningBy(field -> !deciding.contains(field.key())
                        && !(field.type() instanceof Referring) && !(field.type() instanceof Attached)));
        return new Required(Objects.requireNonNull(askable.get(true)), Objects.requireNonNull(askable.get(false)));
    }

    /** Whether a link makes somebody a member who is not among them yet. */
    public boolean isListing(EntryLink link) {
        return link.makesAccount() && link.role() == Account.Role.MEMBER && accounts.find(link.email()).isEmpty()
                && !members.isListed(link.email());
    }

    /**
     * Makes the account that a link is for; on an open site, whoever is not among the members becomes one. Whoever was invited
     * and has come to have an account meanwhile gets what they were invited to.
     *
     * @param more of somebody who is listed by it, what is {@linkplain Required#asked() required}
     * @throws ProblemsFound when the site is closed to them by now, there is such an account, or the row of a member cannot be
     *                       made
     */
    @Transactional
    public Account join(EntryLink link, String name, String passwordHash, Map<FieldKey, Value> more) {
        Optional<Account> known = accounts.find(link.email());
        if (known.isPresent()) {
            return taken(link, known.get(), passwordHash);
        }
        if (link.purpose() == EntryLink.Purpose.JOIN && !isOpenTo(link.email())) {
            throw ProblemsFound.of("account.closed");
        }
        if (link.role() == Account.Role.MEMBER && !members.isListed(link.email())) {
            list(link.email(), name, more);
        }
        accounts.add(link.email(), name, passwordHash, link.role());
        return accounts.find(link.email()).orElseThrow();
    }

    private Account taken(EntryLink link, Account known, String passwordHash) {
        if (link.purpose() != EntryLink.Purpose.INVITED) {
            throw ProblemsFound.of("account.taken-email");
        }
        accounts.changePassword(known.id(), passwordHash);
        if (known.role() == Account.Role.MEMBER) {
            accounts.changeRole(known.id(), link.role());
        }
        return accounts.find(link.email()).orElseThrow();
    }

    /** The field in which whoever joins is called by name, unless a name would put them into a group. */
    private static Optional<FieldKey> called(Table people, Set<FieldKey> deciding) {
        return people.headingField().filter(field -> field.isEntered() && field.type() instanceof Textual.Text).map(Field::key)
                .filter(heading -> !deciding.contains(heading));
    }

    private Set<FieldKey> deciding(Tables tables, Table people) {
        return Deciding.of(tables, catalog.published().groups()).fields(people.key());
    }

    private void list(String email, String name, Map<FieldKey, Value> more) {
        if (catalog.published().site().signUp() != Site.SignUp.OPEN) {
            throw ProblemsFound.of("account.not-listed");
        }
        Table people = catalog.tables().people().map(catalog.tables()::get).orElseThrow();
        Map<FieldKey, Value> values = new HashMap<>();
        required().asked().forEach(field -> Optional.ofNullable(more.get(field.key()))
                .ifPresent(value -> values.put(field.key(), value)));
        called(people, deciding(catalog.tables(), people)).ifPresent(heading -> values.put(heading, new Value.Text(name)));
        values.put(Objects.requireNonNull(people.people()), new Value.Text(email));
        RowEditing.Added added = editing.add(people.key(), values, new Author(null, name, Author.Origin.PAGE));
        if (!(added.outcome() instanceof RowEditing.Outcome.Done)) {
            throw ProblemsFound.of("account.row-refused");
        }
    }
}
