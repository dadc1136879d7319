package org.pressboard.wiring;

import static org.assertj.core.api.Assertions.assertThat;

import java.sql.SQLException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.BeanCreationException;

class DatabaseUnusableTest {

    private final DatabaseUnusable analyzer = new DatabaseUnusable();

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "08001|Connection to db:5432 refused.|The database cannot be used: Connection to db:5432 refused. "
                + "Check PRESSBOARD_DB_URL, and that PostgreSQL runs there.",
        "28P01|No such password.|The database cannot be used: No such password. "
                + "Check PRESSBOARD_DB_USER and PRESSBOARD_DB_PASSWORD.",
        "3D000|No such database.|The database cannot be used: No such database. "
                + "Make the database, or check PRESSBOARD_DB_URL."})
    void oneLineSaysWhatIsWrongAndWhatToDo(String state, String message, String line) {
        Exception failure = new BeanCreationException("flyway", "failed", new SQLException(message, state));
        assertThat(OneLineReport.line(analyzer.analyze(failure))).isEqualTo(line);
    }

    @Test
    void whatIsNotTheDatabasesFaultIsNotPutDownToIt() {
        assertThat(analyzer.analyze(new BeanCreationException("x", "y", new SQLException("syntax", "42601")))).isNull();
    }
}
