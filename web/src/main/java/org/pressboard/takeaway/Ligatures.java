package org.pressboard.takeaway;

import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.Set;

/** Takes a font's joined letters off its list of features, as the OpenType specification lays it out (tables GSUB, FeatureList). */
final class Ligatures {

    private static final Set<String> JOINING = Set.of("liga", "clig", "dlig", "hlig", "rlig", "calt");
    private static final byte[] UNKNOWN = "none".getBytes(StandardCharsets.US_ASCII);

    private static final int TABLES = 12;
    private static final int OF_A_TABLE = 16;
    private static final int OF_A_FEATURE = 6;

    private Ligatures() {
    }

    /** The same font; features that join letters are under a name that nobody asks for. */
    static byte[] without(byte[] font) {
        ByteBuffer bytes = ByteBuffer.wrap(font);
        int tables = bytes.getShort(4);
        for (int table = 0; table < tables; table++) {
            int at = TABLES + table * OF_A_TABLE;
            if (tag(bytes, at).equals("GSUB")) {
                rename(bytes, bytes.getInt(at + 8));
            }
        }
        return font;
    }

    private static void rename(ByteBuffer bytes, int table) {
        int features = table + Short.toUnsignedInt(bytes.getShort(table + 6));
        int count = bytes.getShort(features);
        for (int feature = 0; feature < count; feature++) {
            int at = features + 2 + feature * OF_A_FEATURE;
            if (JOINING.contains(tag(bytes, at))) {
                bytes.put(at, UNKNOWN);
            }
        }
    }

    private static String tag(ByteBuffer bytes, int at) {
        byte[] tag = new byte[4];
        bytes.get(at, tag);
        return new String(tag, StandardCharsets.US_ASCII);
    }
}
