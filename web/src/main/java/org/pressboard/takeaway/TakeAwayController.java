package org.pressboard.takeaway;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import org.pressboard.bulk.AllRows;
import org.pressboard.bulk.Carrying;
import org.pressboard.bulk.CsvOut;
import org.pressboard.bulk.Spool;
import org.pressboard.bulk.XlsxOut;
import org.pressboard.listing.RowPage;
import org.pressboard.listing.RowQuery;
import org.pressboard.listing.TakeAway;
import org.pressboard.log.Logged;
import org.pressboard.rows.Rows;
import org.pressboard.pace.Pace;
import org.pressboard.signin.LogBook;
import org.pressboard.stand.Asking;
import org.pressboard.stand.NotThere;
import org.pressboard.value.SpreadsheetCells;
import org.pressboard.visit.Visit;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.util.LinkedMultiValueMap;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;

/** A listing to carry away: all rows that match, or a page of them as JSON. */
@Controller
class TakeAwayController {

    private static final String CELLS = "cells";
    private static final String ROWS = "rows";
    private static final String WATCHED = "watched";

    private final Offers offers;
    private final CsvOut csv;
    private final XlsxOut xlsx;
    private final AllRows all;
    private final Rows rows;
    private final Pace pace;
    private final LogBook log;
    private final Readers readers = new Readers();
    private final TakeAwaysUnderWay underWay = new TakeAwaysUnderWay();

    TakeAwayController(Offers offers, CsvOut csv, XlsxOut xlsx, AllRows all, Rows rows, Pace pace,
            LogBook log) {
        this.log = log;
        this.offers = offers;
        this.csv = csv;
        this.xlsx = xlsx;
        this.all = all;
        this.rows = rows;
        this.pace = pace;
    }

    /** Reads the rows, for as long as somebody waits for them. */
    private interface Reading {

        Spool of(RowQuery query, Carrying carrying) throws IOException;
    }

    @GetMapping(path = "/listings/{listing}/rows.csv")
    void csv(Visit visit, @RequestParam MultiValueMap<String, String> parameters,
            HttpServletRequest request, HttpServletResponse response) throws IOException {
        SpreadsheetCells cells = isSo(parameters, CELLS, "bare") ? SpreadsheetCells.BARE : SpreadsheetCells.HARMLESS;
        Asking asking = asking(visit, request, without(parameters, CELLS, "bare"), TakeAway.CSV);
        give(asking, parameters, "text/csv;charset=UTF-8;header=present", ".csv", response,
                (query, carrying) -> csv.read(query, visit.language(), cells, carrying));
    }

    @GetMapping(path = "/listings/{listing}/rows.xlsx")
    void xlsx(Visit visit, @RequestParam MultiValueMap<String, String> parameters,
            HttpServletRequest request, HttpServletResponse response) throws IOException {
        Asking asking = asking(visit, request, parameters, TakeAway.XLSX);
        give(asking, parameters, "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet", ".xlsx",
                response, (query, carrying) -> xlsx.read(query, visit.language(), asking.listing().show().fields(), carrying));
    }

    /** All rows that match; a page of them is for programs that go through them bit by bit. */
    @GetMapping(path = "/listings/{listing}/rows.json", params = ROWS + "=all")
    void allAsJson(Visit visit, @RequestParam MultiValueMap<String, String> parameters,
            HttpServletRequest request, HttpServletResponse response) throws IOException {
        Asking asking = asking(visit, request, without(parameters, ROWS, "all"), TakeAway.JSON);
        give(asking, parameters, "application/json", ".json", response, (query, carrying) ->
                all.read(query, visit.language(), carrying, out -> new JsonForm(query, out)));
    }

    @GetMapping(path = "/listings/{listing}/rows.json", produces = "application/json")
    @ResponseBody JsonRows json(Visit visit, @RequestParam MultiValueMap<String, String> parameters,
            HttpServletRequest request) {
        Asking asking = asking(visit, request, parameters, TakeAway.JSON);
        pace.spend(visit.address(), Pace.PAGE);
        RowQuery query = asking.rowQuery();
        RowPage page = pace.inTurn(visit.address(), () -> rows.wholePage(query, visit.language()));
        return JsonRows.of(query, page);
    }

    /** How many rows there are so far of what is being carried away under that name. */
    @GetMapping("/listings/carrying/{name:[0-9a-f-]{36}}")
    @ResponseBody Progress progress(@PathVariable String name) {
        Carrying carrying = underWay.find(name).orElseThrow(() -> new NotThere("not-there.take-away"));
        return new Progress(carrying.rows(), carrying.isOver());
    }

    /** Whoever has it under that name does not want it any more. Only they know the name, which no other page can send. */
    @PostMapping("/listings/carrying/{name:[0-9a-f-]{36}}/leave")
    @ResponseBody Progress leave(@PathVariable String name) {
        underWay.find(name).ifPresent(Carrying::leave);
        return new Progress(0, true);
    }

    /** @param over whether all rows have been read */
    record Progress(long rows, boolean over) {
    }

    private void give(Asking asking, MultiValueMap<String, String> parameters, String mediaType, String ending,
            HttpServletResponse response, Reading reading) throws IOException {
        String address = asking.visit().address();
        pace.spend(address, Pace.TAKE_AWAY);
        Carrying carrying = underWay.begin(Objects.requireNonNullElse(parameters.getFirst(WATCHED), ""));
        try (Readers.Seat place = readers.enter(address);
                Spool rows = reading.of(asking.rowQuery(), carrying)) {
            carrying.give();
            response.setContentType(mediaType);
            response.setContentLengthLong(rows.size());
            response.setHeader("Content-Disposition", "attachment; filename=\"" + asking.listing().key() + ending + "\"");
            log.noteAtTimes(asking.visit().caller(), Logged.What.TAKEN_AWAY, asking.listing().key() + ending + asking.query());
            rows.copyTo(place.patient(response.getOutputStream()));
        } catch (Carrying.Left left) {
            // nobody is there to be told
            response.setStatus(HttpStatus.NO_CONTENT.value());
        }
    }

    private Asking asking(Visit visit, HttpServletRequest request, MultiValueMap<String, String> parameters,
            TakeAway format) {
        MultiValueMap<String, String> asked = new LinkedMultiValueMap<>(parameters);
        asked.remove(WATCHED);
        return offers.find(visit, request, asked, Set.of(format));
    }

    private static boolean isSo(MultiValueMap<String, String> parameters, String name, String value) {
        return List.of(value).equals(parameters.get(name));
    }

    private static MultiValueMap<String, String> without(MultiValueMap<String, String> parameters, String name,
            String value) {
        MultiValueMap<String, String> others = new LinkedMultiValueMap<>(parameters);
        if (isSo(parameters, name, value)) {
            others.remove(name);
        }
        return others;
    }
}
