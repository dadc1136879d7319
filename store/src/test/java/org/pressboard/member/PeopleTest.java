package org.pressboard.member;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.pressboard.catalog.Catalog;
import org.pressboard.editing.RowEditing;
import org.pressboard.history.Author;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.schema.Publisher;
import org.pressboard.schema.TableChanges;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.Numeric;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.Textual;
import org.pressboard.testing.StoreTest;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Value;
import org.springframework.beans.factory.annotation.Autowired;

class PeopleTest extends StoreTest {

    private static final Author OWNER = new Author(null, "owner@example.org", Author.Origin.DESK);
    private static final FieldKey EMAIL = new FieldKey("email");
    private static final FieldKey NAME = new FieldKey("name");
    private static final FieldKey PLOT = new FieldKey("plot");

    @Autowired
    private People people;

    @Autowired
    private TableChanges changes;

    @Autowired
    private RowEditing editing;

    @Autowired
    private Catalog catalog;

    @Autowired
    private Publisher publisher;

    @BeforeEach
    void nobodyIsAMember() {
        publisher.removeAll();
    }

    private People.Candidate candidate(Table table) {
        return people.candidates(catalog.tables()).stream().filter(each -> each.table().key().equals(table.key())).findFirst().orElseThrow();
    }

    private void add(Table table, String name, String email, long plot) {
        editing.add(table.key(), email.isEmpty() ? Map.of(NAME, Value.of(name), PLOT, Value.of(plot))
                : Map.of(NAME, Value.of(name), EMAIL, Value.of(email), PLOT, Value.of(plot)), OWNER);
    }

    private Table contacts(String label) {
        return changes.make(label, new Fields(List.of(new Field(NAME, "Name", new Textual.Text()), new Field(EMAIL, "E-mail", new Textual.Email()),
                new Field(PLOT, "Plot", new Numeric.WholeNumber(true)))), OWNER);
    }

    @Test
    void peopleOfAnotherTableBecomeMembersByTheirAddresses() {
        Table members = people.make("Members", "Name", "E-mail address", OWNER);
        assertThat(catalog.tables().people()).contains(members.key());
        changes.addField(members.key(), new Field(PLOT, "plot", new Numeric.WholeNumber(true)), OWNER);
        editing.add(members.key(), Map.of(NAME, Value.of("Mira"), EMAIL, Value.of("mira@example.org"), PLOT, Value.of(1)), OWNER);
        Table contacts = contacts("Contacts");
        changes.addField(contacts.key(), new Field(new FieldKey("since"), "Since", new Textual.Text()), OWNER);
        add(contacts, "Somebody", "MIRA@example.org", 9);
        add(contacts, "Tomas", "tomas@example.org", 2);
        add(contacts, "Tomas again", "Tomas@example.org", 3);
        add(contacts, "Nobody", "", 4);
        People.Way way = people.way(catalog.tables(), candidate(contacts));
        assertThat(way.fields().values()).extracting(Field::label).containsExactly("E-mail", "Name", "Plot");
        assertThat(way.left()).extracting(Field::label).containsExactly("Since");

        assertThat(people.join(candidate(contacts), OWNER)).isEqualTo(new People.Joined(1, 2, 1, 0, List.of(), false));
        assertThat(sql.fetch("select name, plot from hosted." + members.key() + " order by row_id").formatCSV(false))
                .isEqualToIgnoringNewLines("Mira,1Tomas,2");
        assertThat(people.join(candidate(contacts), OWNER).added()).isZero();
    }

    @Test
    void aTableBecomesTheMembersWithItsAddressesMadeDifferent() {
        Table first = contacts("Helpers");
        add(first, "Mira", "mira@example.org", 1);
        people.become(candidate(first), OWNER);
        Table now = catalog.tables().get(first.key());
        assertThat(now.people()).isEqualTo(EMAIL);
        assertThat(now.field(EMAIL).rules().unique()).isTrue();

        Table second = contacts("Others");
        add(second, "Odile", "odile@example.org", 1);
        add(second, "Odile again", "odile@example.org", 1);
        assertThatThrownBy(() -> people.become(candidate(second), OWNER)).isInstanceOf(ProblemsFound.class);
        assertThat(catalog.tables().people()).contains(first.key());

        // what is somebody's stays theirs
        Table loans = changes.make("Borrowed", new Fields(List.of(new Field(NAME, "Name", new Textual.Text()), new Field(new FieldKey("who"), "Who",
                new Referring.Person(first.key(), Referring.OnRemoval.CLEAR)))), OWNER);
        assertThatThrownBy(() -> people.become(candidate(second), OWNER)).isInstanceOfSatisfying(ProblemsFound.class, found ->
                assertThat(found.problems().all().getFirst().details()).containsExactly("Helpers", "Borrowed: Who"));
        assertThat(loans.fields().all()).hasSize(2);
    }
}
