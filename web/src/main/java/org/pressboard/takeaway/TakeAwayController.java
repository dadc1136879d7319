package org.pressboard.takeaway;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.pressboard.bulk.CsvOut;
import org.pressboard.bulk.Spool;
import org.pressboard.bulk.XlsxOut;
import org.pressboard.listing.RowPage;
import org.pressboard.listing.RowQuery;
import org.pressboard.listing.TakeAway;
import org.pressboard.rows.Rows;
import org.pressboard.sheet.Asking;
import org.pressboard.sheet.NotHonoured;
import org.pressboard.sheet.NotThere;
import org.pressboard.sheet.Pace;
import org.pressboard.sheet.Sheets;
import org.pressboard.signin.SignedIn;
import org.pressboard.site.OpenListings;
import org.pressboard.value.SpreadsheetCells;
import org.springframework.stereotype.Controller;
import org.springframework.util.LinkedMultiValueMap;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;

/** A listing to carry away: all rows that match as CSV, or a page of them as JSON. */
@Controller
class TakeAwayController {

    private static final String CELLS = "cells";

    private final OpenListings listings;
    private final Sheets sheets;
    private final CsvOut csv;
    private final XlsxOut xlsx;
    private final Rows rows;
    private final Pace pace;
    private final Readers readers = new Readers();

    TakeAwayController(OpenListings listings, Sheets sheets, CsvOut csv, XlsxOut xlsx, Rows rows,
            Pace pace) {
        this.listings = listings;
        this.sheets = sheets;
        this.csv = csv;
        this.xlsx = xlsx;
        this.rows = rows;
        this.pace = pace;
    }

    @GetMapping(path = "/listings/{listing}/rows.csv")
    void csv(@PathVariable String listing, @RequestParam MultiValueMap<String, String> parameters, Locale language,
            HttpServletRequest request, HttpServletResponse response) throws IOException {
        boolean bare = List.of("bare").equals(parameters.get(CELLS));
        MultiValueMap<String, String> asked = new LinkedMultiValueMap<>(parameters);
        if (bare) {
            asked.remove(CELLS);
        }
        Asking asking = asking(listing, asked, TakeAway.CSV);
        pace.spend(request.getRemoteAddr(), Pace.TAKE_AWAY);
        RowQuery query = sheets.query(asking);
        try (Readers.Place place = readers.enter(request.getRemoteAddr());
                Spool rows = csv.read(query, language, bare ? SpreadsheetCells.BARE : SpreadsheetCells.HARMLESS)) {
            response.setContentType("text/csv;charset=UTF-8;header=present");
            response.setHeader("Content-Disposition", "attachment; filename=\"" + listing + ".csv\"");
            rows.copyTo(place.patient(response.getOutputStream()));
        }
    }

    @GetMapping(path = "/listings/{listing}/rows.xlsx")
    void xlsx(@PathVariable String listing, @RequestParam MultiValueMap<String, String> parameters, Locale language,
            HttpServletRequest request, HttpServletResponse response) throws IOException {
        Asking asking = asking(listing, parameters, TakeAway.XLSX);
        pace.spend(request.getRemoteAddr(), Pace.TAKE_AWAY);
        List<String> labels = asking.listing().show().fields().stream()
                .map(shown -> shown.labelOf(asking.table().field(shown.field()))).toList();
        try (Readers.Place place = readers.enter(request.getRemoteAddr());
                Spool rows = xlsx.read(sheets.query(asking), language, labels)) {
            response.setContentType("application/vnd.openxmlformats-officedocument.spreadsheetml.sheet");
            response.setHeader("Content-Disposition", "attachment; filename=\"" + listing + ".xlsx\"");
            rows.copyTo(place.patient(response.getOutputStream()));
        }
    }

    @GetMapping(path = "/listings/{listing}/rows.json", produces = "application/json")
    @ResponseBody JsonRows json(@PathVariable String listing, @RequestParam MultiValueMap<String, String> parameters,
            Locale language, HttpServletRequest request) {
        Asking asking = asking(listing, parameters, TakeAway.JSON);
        pace.spend(request.getRemoteAddr(), Pace.PAGE);
        RowQuery query = sheets.query(asking);
        RowPage page = pace.inTurn(request.getRemoteAddr(), () -> rows.wholePage(query, language));
        return JsonRows.of(query, page);
    }

    private Asking asking(String listing, Map<String, ? extends List<String>> parameters, TakeAway format) {
        Asking asking = listings.open(listing, SignedIn.currentVisitor(), new LinkedHashMap<>(parameters)).asking();
        if (!asking.listing().takeAway().contains(format)) {
            throw new NotThere("not-there.take-away");
        }
        NotHonoured.refuse(asking.asked());
        return asking;
    }
}
