package org.pressboard.wiring;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.RequestOptions;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.pressboard.catalog.Catalog;
import org.pressboard.listing.ListingKey;
import org.pressboard.site.InBrowser;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.security.authentication.AnonymousAuthenticationToken;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.authority.AuthorityUtils;
import org.springframework.security.web.access.WebInvocationPrivilegeEvaluator;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.mvc.method.RequestMappingInfo;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/**
 * Who may ask for which address of the application, written by hand: an address that is not here is one that nobody has
 * thought about. What people then get of rows is asked of the running site.
 */
class AddressMatrixTest extends InBrowser {

    /** Everybody may ask; what they get, grants and access to pages say. */
    private static final String EVERYBODY = """
            GET /
            GET /*
            GET /*/*
            GET /*/send/*
            POST /*/send/*
            POST /*/send/*/asked
            GET /*/send/*/refer/*
            GET /sign-in
            POST /sign-in/link
            GET /sign-in/forgotten
            POST /sign-in/forgotten
            GET /sign-in/join
            POST /sign-in/join
            GET /sign-in/enter
            POST /sign-in/enter
            GET /welcome
            POST /welcome
            ANY /error
            GET /files/*/*/*
            GET /*/picture/*/*
            GET /listings/*/rows
            GET /listings/*/rows/count
            GET /listings/*/rows/totals
            GET /listings/*/rows/value-counts
            GET /listings/*/pick/*
            GET /listings/*/rows.csv
            GET /listings/*/rows.xlsx
            GET /listings/*/rows.json
            GET /listings/*/rows.pdf
            GET /listings/*/print
            GET /listings/live.events
            GET /listings/carrying/*
            POST /listings/carrying/*/leave
            GET /listings/*/rows/add
            POST /listings/*/rows/add
            GET /listings/*/rows/*/change
            POST /listings/*/rows/*/change
            GET /listings/*/rows/*/remove
            POST /listings/*/rows/*/remove
            GET /listings/*/rows/*/value/*
            POST /listings/*/rows/*/value/*
            GET /listings/*/rows/*/do/*
            POST /listings/*/rows/*/do/*
            GET /listings/*/rows/several
            POST /listings/*/rows/several
            GET /listings/*/rows/refer/*
            POST /listings/*/undo
            """;

    private static final String SIGNED_IN = """
            GET /members/account
            POST /members/account/password
            POST /members/account/leave
            POST /members/account/leave/*
            POST /members/rejections/*
            """;

    /** Row editors, editors and the owner. */
    private static final String ROWS = """
            GET /desk
            GET /desk/tables
            GET /desk/tables/*
            GET /desk/tables/*/rows
            GET /desk/tables/*/rows/new
            POST /desk/tables/*/rows/new
            GET /desk/tables/*/rows/*
            POST /desk/tables/*/rows/*
            POST /desk/tables/*/rows/*/put-back
            POST /desk/tables/*/rows/*/give-back
            POST /desk/tables/*/rows/remove
            GET /desk/tables/*/rows/several
            POST /desk/tables/*/rows/several
            GET /desk/tables/*/narrow/*
            GET /desk/tables/*/pick/*
            GET /desk/tables/*/history
            POST /desk/tables/*/undo
            GET /desk/tables/*/waiting
            POST /desk/tables/*/waiting
            GET /desk/rows-of/*
            POST /desk/files
            GET /desk/files/*/*
            """;

    /** Editors and the owner. */
    private static final String DRAFTS = """
            POST /desk/intake
            GET /desk/intake/*
            GET /desk/intake/*/progress
            POST /desk/intake/*/look
            POST /desk/intake/*/read
            POST /desk/intake/*/load
            POST /desk/intake/*/pictures
            POST /desk/intake/*/cancel
            POST /desk/intake/*/again
            POST /desk/intake/*/discard
            GET /desk/intake/*/kept-aside.csv
            GET /desk/members/called
            GET /desk/forms
            POST /desk/forms
            GET /desk/forms/*/*
            GET /desk/forms/*/*/ticket
            POST /desk/forms/*/*/change
            POST /desk/forms/*/*/undo
            POST /desk/forms/*/*/redo
            POST /desk/forms/*/*/off
            GET /desk/pages
            POST /desk/pages
            GET /desk/pages/*
            POST /desk/pages/*/access
            POST /desk/pages/*/names
            POST /desk/pages/*/remove
            POST /desk/pages/*/put-back
            POST /desk/pages/*/listings
            POST /desk/parts/*/picture
            GET /desk/parts/*
            GET /desk/parts/*/ticket
            POST /desk/parts/*/change
            POST /desk/parts/*/undo
            POST /desk/parts/*/redo
            GET /desk/pages/*/*
            GET /desk/pages/*/*/rows
            GET /desk/pages/*/*/rows/totals
            GET /desk/pages/*/*/ticket
            GET /desk/pages/*/*/statement
            POST /desk/pages/*/*/change
            POST /desk/pages/*/*/form
            POST /desk/pages/*/*/undo
            POST /desk/pages/*/*/redo
            GET /desk/pages/*/*/sieve
            GET /desk/indexes/*
            GET /desk/proof/*
            GET /desk/proof/*/*
            GET /desk/proof/*/*/rows
            GET /desk/proof/*/*/rows/totals
            GET /desk/proof/*/*/rows/count
            GET /desk/proof/*/*/rows/value-counts
            GET /desk/proof/*/*/pick/*
            GET /desk/seen/*/*
            GET /desk/seen/*/*/*
            GET /desk/seen/*/*/*/rows
            GET /desk/seen/*/*/*/rows/totals
            GET /desk/seen/*/*/*/rows/count
            GET /desk/seen/*/*/*/rows/value-counts
            GET /desk/seen/*/*/*/pick/*
            GET /desk/editions/*
            POST /desk/editions/*/*/draft
            GET /desk/editions/*/*/look
            GET /desk/editions/*/*/look/*
            GET /desk/editions/*/*/look/*/rows
            GET /desk/editions/*/*/look/*/rows/totals
            GET /desk/editions/*/*/look/*/rows/count
            GET /desk/editions/*/*/look/*/rows/value-counts
            GET /desk/editions/*/*/look/*/pick/*
            """;

    private static final String OWNER = """
            POST /desk/stand-in
            POST /desk/stand-in/end
            POST /desk/tables
            POST /desk/tables/*/put-back
            POST /desk/tables/*/about
            POST /desk/tables/*/row-title
            POST /desk/forms/*/*/question
            POST /desk/tables/*/let
            GET /desk/tables/*/fields
            POST /desk/tables/*/fields/order
            GET /desk/tables/*/fields/new
            POST /desk/tables/*/fields/new
            POST /desk/tables/*/fields/new/look
            GET /desk/tables/*/fields/*
            POST /desk/tables/*/fields/*
            POST /desk/tables/*/fields/*/look
            GET /desk/tables/*/fields/*/kind
            POST /desk/tables/*/fields/*/kind
            POST /desk/tables/*/fields/*/open
            POST /desk/tables/*/fields/*/show
            POST /desk/tables/*/fields/*/remove
            POST /desk/tables/*/fields/put-back
            GET /desk/tables/*/access
            POST /desk/tables/*/remove
            POST /desk/tables/*/grants/change
            GET /desk/tables/*/grants/statement
            POST /desk/pages/*/publish
            POST /desk/pages/*/withdraw
            POST /desk/pages/*/place
            POST /desk/editions/*/*/put-back
            GET /desk/members
            GET /desk/members/*
            POST /desk/members/*/invite
            POST /desk/members/add
            POST /desk/members/people
            POST /desk/members/people/new
            POST /desk/members/people/join
            POST /desk/members/groups
            GET /desk/members/groups/*
            POST /desk/members/groups/*/change
            GET /desk/members/groups/*/statement
            POST /desk/members/groups/*/remove
            GET /desk/members/staff
            POST /desk/members/staff
            POST /desk/members/invitations/withdraw
            POST /desk/members/staff/*/role
            POST /desk/members/accounts/*/leave
            POST /desk/members/accounts/*/remove
            GET /desk/log
            GET /desk/log.csv
            GET /desk/log/letters
            GET /desk/settings
            POST /desk/settings
            """;

    @Autowired
    @Qualifier("requestMappingHandlerMapping")
    private RequestMappingHandlerMapping mappings;

    @Autowired
    private WebInvocationPrivilegeEvaluator rights;

    @Autowired
    private JdbcTemplate database;

    @Autowired
    private Catalog catalog;

    private static Map<String, Set<String>> byHand() {
        Map<String, Set<String>> all = new LinkedHashMap<>();
        put(all, EVERYBODY, "nobody", "MEMBER", "ROW_EDITOR", "EDITOR", "OWNER");
        put(all, SIGNED_IN, "MEMBER", "ROW_EDITOR", "EDITOR", "OWNER");
        put(all, ROWS, "ROW_EDITOR", "EDITOR", "OWNER");
        put(all, DRAFTS, "EDITOR", "OWNER");
        put(all, OWNER, "OWNER");
        return all;
    }

    private static void put(Map<String, Set<String>> all, String lines, String... who) {
        lines.lines().forEach(line -> all.put(line.strip(), Set.of(who)));
    }

    private Set<String> addresses() {
        Set<String> found = new TreeSet<>();
        for (Map.Entry<RequestMappingInfo, HandlerMethod> each : mappings.getHandlerMethods().entrySet()) {
            if (each.getValue().getBeanType().getPackageName().startsWith("org.pressboard.bench")) {
                continue; // what the application is compared with
            }
            RequestMappingInfo info = each.getKey();
            List<String> methods = info.getMethodsCondition().getMethods().stream().map(RequestMethod::name).toList();
            for (String pattern : info.getPatternValues()) {
                String plain = pattern.replaceAll("\\{[^{}]*(\\{[^{}]*})?[^{}]*}", "*");
                (methods.isEmpty() ? List.of("ANY") : methods).forEach(method -> found.add(method + " " + plain));
            }
        }
        return found;
    }

    @Test
    void everyAddressIsWrittenDown() {
        assertThat(addresses()).containsExactlyInAnyOrderElementsOf(byHand().keySet());
    }

    @Test
    void everybodyMayAskForWhatIsWrittenDownAndForNothingElse() {
        List<String> wrong = new ArrayList<>();
        byHand().forEach((address, who) -> {
            String[] parts = address.split(" ");
            Stream.of("nobody", "MEMBER", "ROW_EDITOR", "EDITOR", "OWNER").forEach(role -> {
                String method = parts[0].equals("ANY") ? "POST" : parts[0];
                boolean may = rights.isAllowed(null, parts[1].replace("*", "x"), method, as(role));
                if (may != who.contains(role)) {
                    wrong.add(role + (may ? " may " : " may not ") + address);
                }
            });
        });
        assertThat(wrong).isEmpty();
        for (String unknown : List.of("/desk/nothing", "/x/y/z/w", "/listings/x/rows")) {
            assertThat(rights.isAllowed(null, unknown, "POST", as("MEMBER"))).as(unknown).isFalse();
        }
        assertThat(rights.isAllowed(null, "/", "DELETE", as("OWNER"))).isFalse();
    }

    private static Authentication as(String role) {
        return role.equals("nobody")
                ? new AnonymousAuthenticationToken("key", "nobody", AuthorityUtils.createAuthorityList("ROLE_ANONYMOUS"))
                : UsernamePasswordAuthenticationToken.authenticated(role, null,
                        AuthorityUtils.createAuthorityList("ROLE_" + role));
    }

    /** Addresses of the orchard, and what nobody, a picker, another picker, a steward, an editor and the owner are answered. */
    private static final String ROWS_OF_OTHERS = """
            /varieties                                           200 200 200 200 200 200
            /my-pickings                                         302 200 200 200 200 200
            /listings/my-pickings/rows                           404 200 200 200 200 200
            /listings/my-pickings/rows.csv                       404 200 200 200 200 200
            /listings/my-pickings/rows/totals                    404 200 200 200 200 200
            /listings/my-pickings/rows/TOMAS/change              404 200 404 200 200 200
            /listings/my-pickings/rows/TOMAS/remove              404 200 404 200 200 200
            /listings/my-pickings/rows/TOMAS/value/kilograms     404 200 404 200 200 200
            /listings/my-pickings/rows/999999/change             404 404 404 404 404 404
            /listings/repairs/rows                               404 404 404 200 200 200
            /listings/repairs/rows/1/do/DEED                     404 404 404 200 200 200
            /listings/repairs/rows/1/do/9                        404 404 404 404 404 404
            /repairs                                             404 404 404 200 200 200
            /adopt/send/pledge                                   200 200 200 200 200 200
            /adopt/send/nothing                                  404 404 404 404 404 404
            /members/account                                     302 200 200 200 200 200
            /desk/tables/pickings                                302 403 403 403 200 200
            /desk/tables/pickings/access                         302 403 403 403 403 200
            /desk/seen/tomas@example.org/my-pickings             302 403 403 403 200 200
            /desk/settings                                       302 403 403 403 403 200
            """;

    @Test
    void whatPeopleGetIsWhatIsTheirs() {
        Long row = database.queryForObject("select p.row_id from hosted.pickings p join hosted.members m on m.row_id = p.picker "
                + "where m.name = 'Tomas Veit' and not p.approved order by 1 limit 1", Long.class);
        List<Page> people = List.of(desktop(), signedIn("tomas@example.org"), signedIn("pavel@example.org"),
                signedIn("ingrid@example.org"), signedIn("editor@example.org"), signedIn("owner@example.org"));
        String deed = catalog.published().listing(new ListingKey("repairs")).orElseThrow().listing().changing().deeds().getFirst().key();
        List<String> wrong = new ArrayList<>();
        ROWS_OF_OTHERS.lines().forEach(line -> {
            String[] parts = line.strip().split(" +");
            String path = parts[0].replace("TOMAS", String.valueOf(row)).replace("DEED", deed);
            String expected = Stream.of(parts).skip(1).collect(Collectors.joining(" "));
            String got = people.stream().map(person -> status(person, path)).collect(Collectors.joining(" "));
            if (!got.equals(expected)) {
                wrong.add(path + " is " + got + ", not " + expected);
            }
        });
        assertThat(wrong).isEmpty();
    }

    private String status(Page person, String path) {
        APIResponse answer = person.request().get(address(path), RequestOptions.create().setMaxRedirects(0)
                .setHeader("Accept", "text/html"));
        return Integer.toString(answer.status());
    }
}
