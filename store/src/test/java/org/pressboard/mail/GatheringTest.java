package org.pressboard.mail;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.pressboard.testing.StoreTest;
import org.springframework.beans.factory.annotation.Autowired;

class GatheringTest extends StoreTest {

    private static final String OWNER_AT = "owner@example.org";

    @Autowired
    private Gathering gathering;

    @BeforeEach
    void empty() {
        inTransaction(() -> sql.execute("delete from pressboard.gathered"));
    }

    private void pass() {
        inTransaction(() -> sql.execute("update pressboard.gathered set since = since - interval '11 minutes'"));
    }

    @Test
    void theFirstIsToldAtOnceAndTheRestTogether() {
        assertThat(gathering.isFirst(OWNER_AT, "Sign up")).isTrue();
        for (int i = 0; i < 23; i++) {
            assertThat(gathering.isFirst(OWNER_AT, "Sign up")).isFalse();
        }
        assertThat(gathering.isFirst(OWNER_AT, "Pledge")).as("another thing").isTrue();
        assertThat(gathering.next()).as("not yet due").isEmpty();
        pass();
        assertThat(gathering.next()).contains(new Gathering.Told(OWNER_AT, "Sign up", 23));
        assertThat(gathering.next()).isEmpty();
    }

    /** A letter about several is one, so what follows it soon waits, too; after a while without any, one is told at once. */
    @Test
    void lettersAboutItAreTenMinutesApart() {
        assertThat(gathering.isFirst(OWNER_AT, "Sign up")).isTrue();
        assertThat(gathering.isFirst(OWNER_AT, "Sign up")).isFalse();
        pass();
        assertThat(gathering.isFirst(OWNER_AT, "Sign up")).as("one waits already").isFalse();
        assertThat(gathering.next()).map(Gathering.Told::times).contains(2);
        assertThat(gathering.isFirst(OWNER_AT, "Sign up")).isFalse();
        pass();
        assertThat(gathering.next()).map(Gathering.Told::times).contains(1);
        pass();
        assertThat(gathering.next()).isEqualTo(Optional.empty());
        assertThat(gathering.isFirst(OWNER_AT, "Sign up")).isTrue();
    }
}
