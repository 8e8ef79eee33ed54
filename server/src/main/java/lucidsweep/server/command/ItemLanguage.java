package lucidsweep.server.command;

import java.util.List;
import lucidsweep.core.keyword.Language;
import lucidsweep.core.keyword.LanguageTally;
import lucidsweep.server.table.TableFile;

/** The language of the items of a file: as it was given, else told from the texts in its first rows. */
final class ItemLanguage {

    private static final int ROWS = 500;
    private static final int SHORTEST_TEXT = 20;
    private static final String OTHERWISE = "en";

    private ItemLanguage() {}

    /** @param given null where none was */
    static String of(TableFile items, String given) {
        if (given != null) return given;
        LanguageTally tally = new LanguageTally();
        for (List<String> row : items.first(ROWS)) {
            tally.add(String.join(
                    ". ",
                    row.stream().filter(cell -> cell.length() >= SHORTEST_TEXT).toList()));
        }
        String told = tally.most().map(Language::code).orElse(OTHERWISE);
        if (!told.equals(OTHERWISE)) System.err.println("lucid: language " + told + ", told from the items");
        return told;
    }
}
