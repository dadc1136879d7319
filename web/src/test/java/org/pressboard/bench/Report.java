package org.pressboard.bench;

import java.util.Locale;

/** Prints the figures as a table. */
final class Report {

    void heading(String text) {
        System.out.println();
        System.out.println(text);
    }

    void p95(String what, Timing[] timing, String note) {
        ratio(what, timing[0].p95(), timing[1].p95(), String.format(Locale.ROOT, "medians %.1f %.1f   %s",
                timing[0].median(), timing[1].median(), note));
    }

    void ratio(String what, double ours, double reference, String note) {
        System.out.println(String.format(Locale.ROOT, "  %-34s %10.1f %10.1f   %6.2f x   %s", what, ours, reference,
                ours / reference, note));
    }

    void rate(String what, double ours, double reference, String note) {
        System.out.println(String.format(Locale.ROOT, "  %-34s %10.0f %10.0f   %6.0f %%   %s", what, ours, reference,
                100 * ours / reference, note));
    }

    void line(String text) {
        System.out.println("  " + text);
    }
}
