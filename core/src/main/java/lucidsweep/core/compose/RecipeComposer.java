package lucidsweep.core.compose;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.UnaryOperator;
import lucidsweep.core.keyword.FirstLetters;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.Graphemes;
import lucidsweep.core.text.Spaces;

/**
 * Composes a field by a recipe so that it passes every limit.
 *
 * <p>Of all sets of parts it takes the one of highest total value that fits, by exact search: a part is worth twice the
 * parts of all higher ranks together, a shortened one the share of its letters that is kept. Parts that say nothing new are
 * left out, so that no word group and no brand stands twice.
 */
public final class RecipeComposer {

    private static final int MIN_WORDS = 2;
    private static final int MOST_STEPS = 20_000;
    private static final String ENDS = ".,;:!?";

    /** What a shortened part is worth of the whole one: a share by its length, and more where it ends a sentence. */
    private static final double OF_LENGTH = 0.75;

    private static final double OF_SENTENCE = 0.2;

    /** Knuth's multiplicative hash: ids that follow upon each other come apart. */
    private static final long SPREAD = 0x9E3779B97F4A7C15L;

    private static final int MAX_KNOWN = 1_000;

    private final Recipe recipe;
    private final Standard.TextLimits limits;
    private final Words language;
    private final Names names;
    private final UnaryOperator<String> withoutBrand;
    private final Map<String, Set<String>> knownStems = new ConcurrentHashMap<>();

    /**
     * Prepares to compose.
     *
     * @param names words that keep their letter case, such as the client's brand and places
     * @param withoutBrand takes the brand off a text where it stands apart; used where another part is the brand
     */
    public RecipeComposer(
            Recipe recipe,
            Standard.TextLimits limits,
            Words language,
            Names names,
            UnaryOperator<String> withoutBrand) {
        this.recipe = recipe;
        this.limits = limits;
        this.language = language;
        this.names = names;
        boolean saysBrand = recipe.parts().stream().anyMatch(Part::isBrand);
        this.withoutBrand = saysBrand ? withoutBrand : UnaryOperator.identity();
    }

    /** Composes the text for an item. */
    public Composition compose(ItemSources item) {
        return compose(item, "");
    }

    /**
     * Composes the text with one more part that tells the item apart from others that would get the same text. The
     * part stands behind the first and is as important as it.
     */
    public Composition compose(ItemSources item, String tellsApart) {
        List<Part> parts =
                recipe.parts().stream().filter(part -> part.isFor(item)).toList();
        List<Piece> pieces = pieces(parts, item, tellsApart);
        boolean lacks = pieces.size() < parts.size() + (tellsApart.isEmpty() ? 0 : 1);
        if (pieces.isEmpty()) return Composition.nothing(List.of());
        List<Piece> telling = withoutRepeats(pieces);
        List<Composition.LeftOut> said = pieces.stream()
                .filter(piece -> !telling.contains(piece))
                .map(piece -> new Composition.LeftOut(piece.text, Composition.Why.SAID_ALREADY))
                .toList();
        String whole = join(telling, full(telling));
        if (fits(whole)) {
            Composition.Outcome outcome = lacks ? Composition.Outcome.LACKS_SOURCE : Composition.Outcome.FITS;
            return new Composition(whole, outcome, said);
        }
        Search search = new Search(telling);
        search.from(0, new String[telling.size()], 0);
        List<Composition.LeftOut> leftOut = new ArrayList<>(said);
        for (int i = 0; i < telling.size(); i++) {
            String kept = search.best == null || search.best[i] == null ? "" : search.best[i];
            String text = telling.get(i).text;
            if (!kept.equals(text)) {
                leftOut.add(
                        new Composition.LeftOut(text.substring(kept.length()).strip(), Composition.Why.NO_ROOM));
            }
        }
        if (search.best == null) return Composition.nothing(leftOut);
        return new Composition(join(telling, search.best), Composition.Outcome.SHORTENED, leftOut);
    }

    private record Piece(
            String text, String before, Part part, int rank, boolean shortenable, FirstLetters firstLetters) {}

    private List<Piece> pieces(List<Part> parts, ItemSources item, String tellsApart) {
        List<Piece> pieces = new ArrayList<>();
        for (Part part : parts) {
            String text = text(part, item);
            if (!text.isEmpty()) {
                String cased = part.letterCase().apply(text, names, language.language());
                pieces.add(
                        new Piece(cased, part.before(), part, part.rank(), part.shortenable(), FirstLetters.of(cased)));
            }
            if (pieces.size() == 1 && !tellsApart.isEmpty()) {
                int rank = pieces.get(0).rank;
                String before = parts.size() > 1 ? parts.get(1).before() : " – ";
                pieces.add(new Piece(tellsApart, before, null, rank, false, FirstLetters.of(tellsApart)));
                tellsApart = "";
            }
        }
        return pieces;
    }

    /** The text of the first source that has one; "" where none has. */
    private String text(Part part, ItemSources item) {
        for (Source source : part.sources()) {
            String given = source.kind() == Source.Kind.FIXED ? wording(source.text(), item.id()) : item.text(source);
            String text = given.strip();
            if (text.isEmpty()) continue;
            // What a captured title says of the brand at its end, the part that is the brand says.
            return part.isBrand() ? text : withoutBrand.apply(text);
        }
        return "";
    }

    /** One of several wordings, a line each: spread evenly over the ids, and always the same for one. */
    private static String wording(String text, long id) {
        if (text.indexOf('\n') < 0) return text;
        List<String> wordings = text.lines().filter(line -> !line.isBlank()).toList();
        return wordings.isEmpty() ? "" : wordings.get((int) Math.floorMod(id * SPREAD >>> 17, wordings.size()));
    }

    /** Parts such as the brand are the same for every item, so that their words need not be taken apart each time. */
    private Set<String> stems(String text) {
        Set<String> known = knownStems.get(text);
        if (known != null) return known;
        Set<String> stems = language.stems(text);
        if (knownStems.size() < MAX_KNOWN) knownStems.put(text, stems);
        return stems;
    }

    /** Leaves out pieces whose every word stands in one that matters more or, of equal rank, stands before it. */
    private List<Piece> withoutRepeats(List<Piece> pieces) {
        List<Piece> kept = new ArrayList<>();
        for (int i = 0; i < pieces.size(); i++) {
            boolean said = false;
            for (int j = 0; j < pieces.size() && !said; j++) {
                Piece a = pieces.get(i);
                Piece b = pieces.get(j);
                boolean matters = b.rank < a.rank || b.rank == a.rank && j < i;
                said = j != i && matters && isSaid(a, b);
            }
            if (!said) kept.add(pieces.get(i));
        }
        return kept;
    }

    private boolean isSaid(Piece piece, Piece by) {
        Set<String> stems = stems(piece.text);
        return !stems.isEmpty()
                && by.firstLetters.mayHaveAll(stems)
                && stems(by.text).containsAll(stems);
    }

    private static String[] full(List<Piece> pieces) {
        return pieces.stream().map(Piece::text).toArray(String[]::new);
    }

    private String join(List<Piece> pieces, String[] chosen) {
        StringBuilder line = new StringBuilder();
        for (int i = 0; i < chosen.length; i++) {
            if (chosen[i] == null) continue;
            Piece piece = pieces.get(i);
            String text = piece.part == null ? chosen[i] : piece.part.enclosed(chosen[i]);
            if (line.length() == 0) {
                line.append(text);
                continue;
            }
            int joint = line.length();
            line.append(separator(line, piece.before)).append(text);
            if (language.language().code().equals("en")) {
                String fixed = Articles.fixedAt(line.toString(), joint);
                if (fixed.length() != line.length()) line.replace(0, line.length(), fixed);
            }
        }
        return Spaces.closedUp(line.toString());
    }

    /** What stands between two parts; no comma or colon behind what has ended already. */
    private static String separator(CharSequence line, String before) {
        char last = line.charAt(line.length() - 1);
        boolean doubled = !before.isEmpty() && ENDS.indexOf(last) >= 0 && ENDS.indexOf(before.charAt(0)) >= 0;
        return doubled ? before.substring(1) : before;
    }

    private boolean fits(String text) {
        return limits.fits(text, Graphemes.count(text));
    }

    /** Branch and bound over the parts: each whole, shortened to some of its words, or left out. */
    private final class Search {
        private final List<Piece> pieces;
        private final double[] values;
        private final double[] valuesFrom;
        private double bestValue;
        private int steps;
        private String[] best;

        Search(List<Piece> pieces) {
            this.pieces = pieces;
            values = new double[pieces.size()];
            valuesFrom = new double[pieces.size() + 1];
            for (int i = pieces.size() - 1; i >= 0; i--) {
                values[i] = Math.pow(3, Recipe.MAX_PARTS - pieces.get(i).rank);
                valuesFrom[i] = valuesFrom[i + 1] + values[i];
            }
        }

        /** The best that was found by then is taken where there are too many ways. */
        void from(int at, String[] chosen, double value) {
            if (value + valuesFrom[at] <= bestValue || ++steps > MOST_STEPS) return;
            if (at == pieces.size()) {
                if (fits(join(pieces, chosen))) {
                    bestValue = value;
                    best = Arrays.copyOf(chosen, chosen.length);
                }
                return;
            }
            Piece piece = pieces.get(at);
            if (!tooWide(chosen, at, piece.text)) {
                chosen[at] = piece.text;
                from(at + 1, chosen, value + values[at]);
            }
            if (piece.shortenable && mayBeBest(at, value + values[at] * (OF_LENGTH + OF_SENTENCE))) {
                for (String shorter : shorter(piece.text)) {
                    double share = OF_LENGTH * shorter.length() / piece.text.length()
                            + (endsSentence(shorter) ? OF_SENTENCE : 0);
                    double shortened = value + values[at] * share;
                    if (!mayBeBest(at, shortened) || tooWide(chosen, at, shorter)) continue;
                    chosen[at] = shorter;
                    from(at + 1, chosen, shortened);
                }
            }
            chosen[at] = null;
            from(at + 1, chosen, value);
        }

        /** Whether a line that is worth so much up to a part could be the best with all that comes behind it. */
        private boolean mayBeBest(int at, double value) {
            return value + valuesFrom[at + 1] > bestValue;
        }

        private static boolean endsSentence(String text) {
            return ".!?".indexOf(text.charAt(text.length() - 1)) >= 0;
        }

        /** More text is never narrower but for a doubled sign, so a line that is too wide already need not be followed. */
        private boolean tooWide(String[] chosen, int at, String text) {
            String[] line = Arrays.copyOf(chosen, at + 1);
            line[at] = text;
            return !fits(join(pieces, line));
        }

        private List<String> shorter(String text) {
            List<String> found = new ArrayList<>();
            String[] words = text.split(" ");
            for (int count = words.length - 1; count >= MIN_WORDS; count--) {
                String shorter = Trim.end(String.join(" ", Arrays.copyOf(words, count)), language.language());
                boolean enough = shorter.split(" ").length >= MIN_WORDS;
                if (enough && !found.contains(shorter)) found.add(shorter);
            }
            return found;
        }
    }
}
