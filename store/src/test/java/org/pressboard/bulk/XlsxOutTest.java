package org.pressboard.bulk;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.apache.poi.ss.usermodel.Cell;
import org.apache.poi.ss.usermodel.CellType;
import org.apache.poi.ss.usermodel.DataFormatter;
import org.apache.poi.xssf.usermodel.XSSFSheet;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.jooq.impl.DSL;
import org.junit.jupiter.api.Test;
import org.pressboard.condition.Cases;
import org.pressboard.condition.Condition;
import org.pressboard.grant.Openness;
import org.pressboard.grant.Visitor;
import org.pressboard.listing.RowQuery;
import org.pressboard.listing.Shown;
import org.pressboard.listing.SortBy;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.Table;
import org.pressboard.table.Textual;
import org.pressboard.testing.StoreTest;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Format;
import org.pressboard.value.Row;
import org.pressboard.value.RowId;
import org.pressboard.value.TextOrder;
import org.pressboard.value.Value;
import org.springframework.beans.factory.annotation.Autowired;

/** Read back by Apache POI, another library than the one that writes. */
class XlsxOutTest extends StoreTest {

    private static final long SEED = 31;

    @Autowired
    private XlsxOut xlsx;

    private XSSFSheet sheet(RowQuery query) throws IOException {
        return sheet(query, query.show().stream().map(Shown::usual).toList());
    }

    private XSSFSheet sheet(RowQuery query, List<Shown> looks) throws IOException {
        try (Spool spool = xlsx.read(query, ENGLISH, looks, Carrying.UNWATCHED)) {
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            spool.copyTo(out);
            return new XSSFWorkbook(new ByteArrayInputStream(out.toByteArray())).getSheetAt(0);
        }
    }

    @Test
    void everyCellIsWhatItsValueIs() throws IOException {
        List<Row> rows = Cases.rows(Cases.random(SEED), 120);
        Table table = tableWith(rows);
        RowQuery query = query(table, Visitor.staff(""), Condition.ALWAYS, List.of(SortBy.up(Cases.NAME)), 1, 10);
        XSSFSheet sheet = sheet(query);
        List<Row> expected = query.matching(rows).stream().toList();
        assertThat(sheet.getLastRowNum()).isEqualTo(expected.size());
        assertThat(sheet.getPaneInformation().isFreezePane()).isTrue();
        assertThat(sheet.getRow(0).getCell(0).getStringCellValue()).isEqualTo("Name");
        List<Row> ordered = new RowQuery(query.sight(), query.visitor(), query.standpoint(), query.within(), query.sought(),
                query.order(), 1, 1_000, query.show()).pageOf(rows, TextOrder.of(ENGLISH));
        for (int i = 0; i < ordered.size(); i++) {
            for (int column = 0; column < query.show().size(); column++) {
                FieldKey key = query.show().get(column);
                assertCell(sheet.getRow(i + 1) == null ? null : sheet.getRow(i + 1).getCell(column), ordered.get(i).get(key));
            }
        }
    }

    private static void assertCell(Cell cell, Value value) {
        switch (value) {
            case null -> assertThat(cell == null || cell.getCellType() == CellType.BLANK).isTrue();
            case Value.Text text -> assertThat(cell.getStringCellValue()).isEqualTo(text.text());
            case Value.Whole whole -> assertThat(cell.getNumericCellValue()).isEqualTo(whole.number());
            case Value.Decimal decimal -> assertThat(cell.getNumericCellValue()).isEqualTo(decimal.number().doubleValue());
            case Value.YesNo yesNo -> assertThat(cell.getBooleanCellValue()).isEqualTo(yesNo.yes());
            case Value.Date date -> assertThat(cell.getLocalDateTimeCellValue().toLocalDate()).isEqualTo(date.day());
            case Value.Moment moment -> assertThat(cell.getLocalDateTimeCellValue()).isEqualToIgnoringNanos(moment.at());
            default -> throw new AssertionError(value);
        }
    }

    @Test
    void formulasStayTextsAndNothingIsLostOfLongNumbersOrInSilenceOfLongTexts() throws IOException {
        Table table = tableWith(List.of(
                Row.of(new RowId(1), Map.of(Cases.NAME, Value.of("=1+1"), Cases.SUGAR, Value.of(new BigDecimal("1234567890123456.75")))),
                Row.of(new RowId(2), Map.of(Cases.NAME, Value.of("x".repeat(40_000)), Cases.PLANTED,
                        Value.of(LocalDate.of(2024, 2, 29))))));
        XSSFSheet sheet = sheet(query(table, Visitor.staff(""), Condition.ALWAYS, List.of(), 1, 10));
        List<FieldKey> shown = table.fields().stream().map(Field::key).toList();
        assertThat(sheet.getRow(1).getCell(0).getCellType()).isEqualTo(CellType.STRING);
        assertThat(sheet.getRow(1).getCell(0).getStringCellValue()).isEqualTo("=1+1");
        assertThat(sheet.getRow(1).getCell(shown.indexOf(Cases.SUGAR)).getStringCellValue())
                .isEqualTo("1234567890123456.75");
        assertThat(sheet.getRow(2).getCell(0).getStringCellValue()).hasSize(32_767).endsWith("(a cell holds no more)");
    }

    @Test
    void formattedTextIsInItsWords() throws IOException {
        Table plain = tableWith(List.of(Row.of(new RowId(1), Map.of(Cases.NAME,
                Value.of("Bring **gloves**.\n\n- start at the *gate*\n- 2 < 3")))));
        Table table = plain.with(new Fields(plain.fields().stream().map(field -> field.key().equals(Cases.NAME)
                ? new Field(field.key(), field.label(), new Textual.FormattedText()) : field).toList()));
        XSSFSheet sheet = sheet(query(table, Visitor.staff(""), Condition.ALWAYS, List.of(), 1, 10));
        assertThat(sheet.getRow(1).getCell(0).getStringCellValue())
                .isEqualTo("Bring gloves.\n\n- start at the gate\n- 2 < 3");
    }

    @Test
    void cellsLookAsTheColumnsOfTheListingDo() throws IOException {
        Table table = tableWith(List.of(Row.of(new RowId(1), Map.of(Cases.NAME, Value.of("Åsby"), Cases.SUGAR,
                Value.of(new BigDecimal("12.5")), Cases.PLANTED, Value.of(LocalDate.of(2024, 2, 29))))));
        RowQuery query = query(table, Visitor.staff(""), Condition.ALWAYS, List.of(), 1, 10);
        List<Shown> looks = List.of(Shown.usual(Cases.NAME).labelled("Apple").with(Format.USUAL.with(Format.Letters.UPPER)),
                Shown.usual(Cases.SUGAR).with(Format.USUAL.withDigits(2)),
                Shown.usual(Cases.PLANTED).with(Format.USUAL.with(Format.Days.MONTH)));
        XSSFSheet sheet = sheet(query, looks);
        DataFormatter written = new DataFormatter(ENGLISH);
        assertThat(sheet.getRow(0).getCell(0).getStringCellValue()).isEqualTo("Apple");
        assertThat(List.of(0, 1, 2)).extracting(i -> written.formatCellValue(sheet.getRow(1).getCell(i)))
                .containsExactly("ÅSBY", "12.50", "February 2024");
    }

    @Test
    void aVisitorTakesAwayOnlyWhatTheyMaySee() throws IOException {
        Table table = tableWith(Cases.rows(Cases.random(SEED), 10));
        RowQuery everything = query(table, Visitor.ANYONE, Condition.ALWAYS, List.of(), 1, 10);
        assertThat(sheet(everything).getLastRowNum()).isZero();
        publisher.open(table.key(), Openness.EVERYONE);
        assertThat(sheet(everything).getLastRowNum()).isEqualTo(10);
        assertThat(sql.fetchCount(DSL.table(name("hosted", table.key().name())))).isEqualTo(10);
    }
}
