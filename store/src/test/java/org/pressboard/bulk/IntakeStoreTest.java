package org.pressboard.bulk;

import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.util.Objects;
import java.util.UUID;
import org.pressboard.intake.Plan;
import org.pressboard.testing.StoreTest;
import org.springframework.beans.factory.annotation.Autowired;

/** A test of files on their way to becoming tables. */
abstract class IntakeStoreTest extends StoreTest {

    @Autowired
    protected Intakes intakes;

    protected UUID surveyed(String name, String text) throws Exception {
        UUID id = intakes.receive(name, new ByteArrayInputStream(text.getBytes(StandardCharsets.UTF_8)));
        intakes.survey(id).get();
        return id;
    }

    protected Plan plan(UUID id) {
        return Objects.requireNonNull(intakes.find(id).orElseThrow().plan());
    }
}
