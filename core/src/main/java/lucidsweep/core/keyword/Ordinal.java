package lucidsweep.core.keyword;

import java.util.List;

/** A place in a row, in words: "ninth", "23rd". */
final class Ordinal {

    private static final List<String> FIRST = List.of(
            "first",
            "second",
            "third",
            "fourth",
            "fifth",
            "sixth",
            "seventh",
            "eighth",
            "ninth",
            "tenth",
            "eleventh",
            "twelfth");

    private Ordinal() {}

    /** Of a mean position, 1 or more. */
    static String of(double position) {
        int place = (int) Math.round(position);
        if (place <= FIRST.size()) return FIRST.get(Math.max(1, place) - 1);
        boolean teen = place % 100 / 10 == 1;
        String ending = teen ? "th" : List.of("th", "st", "nd", "rd").get(place % 10 > 3 ? 0 : place % 10);
        return place + ending;
    }
}
