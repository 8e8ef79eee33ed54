package lucidsweep.server.aim;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.OptionalLong;
import java.util.Set;
import lucidsweep.core.keyword.Volume;
import lucidsweep.server.table.TableFile;

/**
 * Reads a list of keywords: one a line, or a table with columns for the phrase, its monthly volume and its competition.
 *
 * @param unreadable what could not be used, with line and reason
 */
record KeywordList(List<Line> lines, List<Unreadable> unreadable) {

    private static final Set<String> PHRASE =
            Set.of("keyword", "keywords", "phrase", "query", "search term", "search query", "term");
    private static final Set<String> VOLUME = Set.of(
            "volume",
            "searches",
            "monthly volume",
            "monthly searches",
            "search volume",
            "avg. monthly searches",
            "average monthly searches");
    private static final Set<String> COMPETITION = Set.of("competition", "difficulty");
    private static final int LONGEST = 200;

    /** A keyword; volume is null where none was given. */
    record Line(String phrase, Long volume, String competition) {}

    /** A line that could not be used. */
    record Unreadable(long line, String reason) {}

    static KeywordList read(TableFile table) {
        Reading reading = new Reading();
        table.read(reading);
        return new KeywordList(reading.lines, reading.unreadable);
    }

    private static final class Reading implements TableFile.RowReader {
        private final List<Line> lines = new ArrayList<>();
        private final List<Unreadable> unreadable = new ArrayList<>();
        private int phrase = -1;
        private int volume = -1;
        private int competition = -1;

        @Override
        public void row(long line, List<String> cells) {
            if (phrase < 0 && readHeader(cells)) return;
            String text = cells.get(phrase).strip().replaceAll("\\s+", " ");
            if (text.isEmpty()) unreadable(line, "there is no phrase");
            else if (text.length() > LONGEST) {
                unreadable(
                        line, "the phrase has " + text.length() + " characters, at most " + LONGEST + " are expected");
            } else if (text.contains("://")) unreadable(line, "this is an address, not a phrase: " + text);
            else {
                OptionalLong searches = volume < 0 ? OptionalLong.empty() : Volume.parse(cells.get(volume));
                String rivalry = competition < 0 ? "" : cells.get(competition).strip();
                lines.add(new Line(text, searches.isPresent() ? searches.getAsLong() : null, clip(rivalry)));
            }
        }

        @Override
        public void unreadable(long line, String reason) {
            unreadable.add(new Unreadable(line, reason));
        }

        /** Finds the columns; without a row of names the first column is the phrase and a second of counts the volume. */
        private boolean readHeader(List<String> cells) {
            List<String> names = cells.stream()
                    .map(cell -> cell.strip().toLowerCase(Locale.ROOT))
                    .toList();
            for (int i = 0; i < names.size(); i++) {
                if (phrase < 0 && PHRASE.contains(names.get(i))) phrase = i;
                else if (volume < 0 && VOLUME.contains(names.get(i))) volume = i;
                else if (competition < 0 && COMPETITION.contains(names.get(i))) competition = i;
            }
            boolean header = phrase >= 0;
            if (!header) {
                phrase = 0;
                boolean counts = cells.size() > 1 && Volume.parse(cells.get(1)).isPresent();
                volume = counts ? 1 : -1;
                competition = counts && cells.size() > 2 ? 2 : -1;
            }
            return header;
        }

        private static String clip(String text) {
            return text.length() <= 100 ? text : text.substring(0, 100);
        }
    }
}
