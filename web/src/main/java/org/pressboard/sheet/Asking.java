package org.pressboard.sheet;

import java.util.List;
import java.util.Map;
import org.pressboard.grant.Decision;
import org.pressboard.grant.Visitor;
import org.pressboard.listing.Listing;
import org.pressboard.table.Table;

/** Somebody asks for a listing: who, what they may see of its table, and what the address said. */
public record Asking(Listing listing, Table table, Visitor visitor, Decision decision,
                     Map<String, ? extends List<String>> parameters) {
}
