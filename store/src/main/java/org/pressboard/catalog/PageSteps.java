package org.pressboard.catalog;

import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The steps by which pages of earlier releases come to today's form. */
final class PageSteps {

    private static final JsonMapper JSON = new JsonMapper();
    private static final String LISTINGS = "listings";
    private static final String FORMS = "forms";
    private static final String ACCESS = "access";
    private static final String AUDIENCES = "audiences";
    private static final String CARDS = "cards";
    private static final int USUAL_ACROSS = 3;

    private PageSteps() {
    }

    /** In the first form a listing named its fields and said nothing more of them. */
    static void toSecond(ObjectNode page) {
        for (JsonNode each : page.path(LISTINGS)) {
            ObjectNode listing = (ObjectNode) each;
            ArrayNode shown = JSON.createArrayNode();
            listing.path("show").forEach(field -> shown.addObject().set("field", field));
            listing.putObject("show").set("fields", shown);
            ObjectNode find = listing.putObject("find");
            find.set("search", listing.remove("search"));
            find.set("narrow", listing.remove("narrow"));
            ObjectNode ordering = listing.putObject("ordering");
            ordering.set("by", listing.remove("order"));
            ordering.set("pageSize", listing.remove("pageSize"));
            ArrayNode formats = JSON.createArrayNode();
            if (listing.path("takeAway").asBoolean()) {
                formats.add("CSV").add("JSON");
            }
            listing.set("takeAway", formats);
        }
    }

    /**
     * In the second form a page had listings and forms apart, whom a listing is for was said beside who gets to the page, and
     * what cards look like beside the layout.
     */
    static void toThird(ObjectNode page) {
        JsonNode listings = page.path(LISTINGS);
        JsonNode forms = page.path(FORMS);
        JsonNode access = page.path(ACCESS);
        ArrayNode parts = JSON.createArrayNode();
        listings.forEach(listing -> {
            toThirdListing((ObjectNode) listing);
            parts.addObject().put("part", "listing").set("listing", listing)
                    .set(AUDIENCES, audiences(access, listing.path("key").asString()));
        });
        forms.forEach(form -> parts.addObject().put("part", "form").set("form", form).set(AUDIENCES, JSON.createArrayNode()));
        page.remove(LISTINGS);
        page.remove(FORMS);
        page.set("parts", parts);
        page.set(ACCESS, JSON.createObjectNode().put("otherwise", access.path("otherwise").asString("NOT_THERE"))
                .put("message", access.path("message").asString("")).set(AUDIENCES, array(access.path(AUDIENCES))));
        page.put("lead", page.path("lead").asString(""));
    }

    /** In the third form a part said nothing of how it is set into its page but whom it is for. */
    static void toFourth(ObjectNode page) {
        for (JsonNode part : page.path("parts")) {
            ObjectNode of = (ObjectNode) part;
            of.putObject("frame").put("width", "WHOLE").set(AUDIENCES, array(part.path(AUDIENCES)));
            of.remove(AUDIENCES);
        }
    }

    private static JsonNode audiences(JsonNode access, String listing) {
        for (JsonNode of : access.path(LISTINGS)) {
            if (of.path("listing").asString("").equals(listing)) {
                return array(of.path(AUDIENCES));
            }
        }
        return JSON.createArrayNode();
    }

    private static void toThirdListing(ObjectNode listing) {
        ObjectNode show = (ObjectNode) listing.get("show");
        JsonNode cards = show.path(CARDS);
        ObjectNode face = JSON.createObjectNode().put("picture", cards.path("picture").asString("ABOVE"))
                .put("labels", !cards.isObject() || cards.path("labels").asBoolean(false));
        face.set("tags", array(cards.path("tags")));
        int across = cards.path("across").asInt(0);
        ObjectNode asCards = JSON.createObjectNode().put("as", CARDS).put("across", across == 0 ? USUAL_ACROSS : across);
        asCards.set("face", face);
        String layout = show.path("layout").asString("TABLE");
        ArrayNode earlier = JSON.createArrayNode();
        if (!layout.equals("CARDS") && cards.isObject()) {
            earlier.add(asCards);
        }
        show.remove(CARDS);
        show.set("layout", switch (layout) {
            case "CARDS" -> asCards;
            case "STRIP" -> JSON.createObjectNode().put("as", "strip").set("face", face);
            default -> JSON.createObjectNode().put("as", "table");
        });
        show.set("earlier", earlier);
        show.set("totals", array(show.path("totals")));
        distribution(listing);
    }

    /** How the values of a range are distributed was called its spread, which is a layout. */
    private static void distribution(ObjectNode listing) {
        for (JsonNode control : listing.path("find").path("by")) {
            ((ObjectNode) control).put("distribution", control.path("spread").asBoolean(false)).remove("spread");
        }
    }

    private static JsonNode array(JsonNode found) {
        return found.isArray() ? found : JSON.createArrayNode();
    }
}
