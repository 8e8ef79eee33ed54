package lucidsweep.server.client;

import java.util.Arrays;
import java.util.List;

/**
 * Who the consultant works for.
 *
 * @param brand brand words and spellings, separated by commas
 * @param places the places it serves, separated by commas
 */
public record Client(long id, String name, String brand, String places) {

    /** The names that keep their letter case. */
    public List<String> names() {
        return Arrays.stream((name + "," + brand + "," + places).split(","))
                .map(String::strip)
                .filter(name -> !name.isEmpty())
                .distinct()
                .toList();
    }

    /** The places it serves. */
    public List<String> placeNames() {
        return Arrays.stream(places.split(","))
                .map(String::strip)
                .filter(name -> !name.isEmpty())
                .distinct()
                .toList();
    }

    /** The client's name and every spelling of its brand. */
    public List<String> brandNames() {
        return Arrays.stream((name + "," + brand).split(","))
                .map(String::strip)
                .filter(name -> !name.isEmpty())
                .distinct()
                .toList();
    }
}
