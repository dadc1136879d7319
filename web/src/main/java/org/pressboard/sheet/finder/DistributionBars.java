package org.pressboard.sheet.finder;

import java.util.List;
import java.util.stream.IntStream;
import org.pressboard.listing.Distribution;
import org.pressboard.value.PlainForm;

/** How the values of a field are distributed, as bars that are drawn in a box of 100 by 24, each with what it is of. */
public record DistributionBars(List<Bar> bars) {

    private static final double WIDTH = 100;
    private static final double HEIGHT = 24;
    private static final double GAP = 0.2;

    /** @param said such as {@code 10 to 19: 34} */
    public record Bar(String from, String to, long rows, String said, double x, double y, double width, double height) {
    }

    static DistributionBars of(Distribution values, Saying saying) {
        double room = WIDTH / Math.max(1, values.bars().size());
        double most = Math.max(1, values.most());
        return new DistributionBars(IntStream.range(0, values.bars().size()).mapToObj(i -> {
            Distribution.Bar bar = values.bars().get(i);
            // what is there is seen, however little it is
            double height = bar.rows() == 0 ? 0 : Math.max(1, HEIGHT * bar.rows() / most);
            return new Bar(PlainForm.write(bar.from()), PlainForm.write(bar.to()), bar.rows(), saying.of(bar), i * room,
                    HEIGHT - height, room * (1 - GAP), height);
        }).toList());
    }

    /** Says what a bar is of. */
    interface Saying {

        String of(Distribution.Bar bar);
    }
}
