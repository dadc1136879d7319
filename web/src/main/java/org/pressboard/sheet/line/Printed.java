package org.pressboard.sheet.line;

import java.util.List;
import org.pressboard.listing.Paper;

/**
 * Rows ready to be printed.
 *
 * @param asked  what they were narrowed to, as sentences
 * @param count  how many there are, in words
 * @param day    when
 * @param table  the rows as HTML that is also XML
 * @param texts  all that is written in it, for those who must have letters for it
 */
public record Printed(String title, List<String> asked, String count, String day, String table, String texts,
                      Paper paper) {
}
