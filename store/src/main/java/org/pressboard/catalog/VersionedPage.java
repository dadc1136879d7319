package org.pressboard.catalog;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import org.pressboard.edition.Page;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** A page as it is kept: with the version of the form in which it was written, so that later forms can read it. */
record VersionedPage(int version, Page page) {

    private static final int CURRENT = 2;
    private static final JsonMapper JSON = new JsonMapper();

    /** The desk looks through all editions of all pages, which never change. */
    private static final int MOST_CHARACTERS_READ = 2_000_000;
    private static final Cache<String, Page> READ = Caffeine.newBuilder().maximumWeight(MOST_CHARACTERS_READ)
            .weigher((String json, Page page) -> json.length()).build();

    static String write(Page page) {
        return Definitions.write(new VersionedPage(CURRENT, page));
    }

    /** Of the same text always the same page. */
    static Page read(String json) {
        return READ.get(json, VersionedPage::parsed);
    }

    private static Page parsed(String json) {
        ObjectNode kept = (ObjectNode) JSON.readTree(json);
        int version = kept.path("version").asInt();
        return switch (version) {
            case CURRENT -> Definitions.read(json, VersionedPage.class).page;
            case 1 -> Definitions.read(fromFirst(kept).toString(), VersionedPage.class).page;
            default -> throw new IllegalStateException("The page is kept in form " + version
                    + "; this release of Pressboard reads form " + CURRENT);
        };
    }

    /** In the first form a listing named its fields and said nothing more of them. */
    private static JsonNode fromFirst(ObjectNode kept) {
        for (JsonNode each : kept.path("page").path("listings")) {
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
        return kept;
    }
}
