package org.pressboard.bench;

import java.util.Arrays;

/** Times of repeated work, in milliseconds. */
record Timing(double[] sorted) {

    interface Work {

        void run(int round) throws Exception;

        /** What comes before it and is not timed. */
        default void prepare() throws Exception {
        }

        /** What comes behind it and is not timed. */
        default void settle() throws Exception {
        }
    }

    /** Times two kinds of work in turns, so that whatever else the machine does meets both. */
    static Timing[] alternating(int rounds, Work one, Work other) throws Exception {
        int warmUp = Math.max(3, rounds / 3);
        double[] first = new double[rounds];
        double[] second = new double[rounds];
        for (int i = -warmUp; i < rounds; i++) {
            double a = once(one, i + warmUp);
            double b = once(other, i + warmUp);
            if (i >= 0) {
                first[i] = a;
                second[i] = b;
            }
        }
        return new Timing[] {sorted(first), sorted(second)};
    }

    private static double once(Work work, int round) throws Exception {
        work.prepare();
        long start = System.nanoTime();
        work.run(round);
        double millis = (System.nanoTime() - start) / 1e6;
        work.settle();
        return millis;
    }

    private static Timing sorted(double[] times) {
        Arrays.sort(times);
        return new Timing(times);
    }

    double median() {
        return sorted[sorted.length / 2];
    }

    double p95() {
        return sorted[(int) Math.min(sorted.length - 1, Math.ceil(sorted.length * 0.95) - 1)];
    }
}
