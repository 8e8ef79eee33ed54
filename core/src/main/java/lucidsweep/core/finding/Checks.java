package lucidsweep.core.finding;

import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import lucidsweep.core.item.Field;

/** All checks, in the order in which findings of one item are said. */
public final class Checks {

    private static final List<Check> ALL = Stream.of(
                    Stream.of(
                            new NotIndexable(),
                            new HiddenButSearched(),
                            new HiddenButLinked(),
                            new InSitemap(),
                            new CanonicalBroken(),
                            new CanonicalOther()),
                    ofText(Field.TITLE),
                    Stream.of(
                            new KeywordLate(),
                            new PlaceMissing(),
                            new BrandMissing(),
                            new BrandDoubled(),
                            new BrandFirst(),
                            new GenericTitle(),
                            new CommonBeginning(),
                            new CommonEnding(),
                            new RepeatedWord(),
                            new ListOfKeywords(),
                            new SameAsHeading()),
                    ofText(Field.DESCRIPTION),
                    Stream.of(new SameAsTitle(), new OpeningOffTitle(), new WithoutTags(), new WithoutCall()),
                    Stream.of(
                            new Missing(Field.H1),
                            new Empty(Field.H1),
                            new SeveralElements(Field.H1),
                            new HeadingDuplicate(),
                            new HeadingKeywordMissing()),
                    Stream.of(
                            new SlugTooLong(),
                            new SlugCapitals(),
                            new SlugUnderscores(),
                            new SessionInAddress(),
                            new SlugOffTitle(),
                            new SlugSaysNothing(),
                            new SlugOfSeveral()),
                    Stream.of(
                            new AltMissing(),
                            new AltEmptyInLink(),
                            new AltIsFileName(),
                            new AltRepeated(),
                            new AltTooLong()),
                    Stream.of(
                            new LinkWithoutText(),
                            new LinkTextSaysNothing(),
                            new LinkTextForSeveral(),
                            new LinkKeywordMissing()),
                    Stream.of(
                            new SharedMissing(),
                            new SharedIncomplete(),
                            new SharedOther(),
                            new AlternateWithoutReturn(),
                            new ObsoleteKeywords()),
                    Stream.of(
                            new TagsMissing(),
                            new TooManyTags(),
                            new TagTooLong(),
                            new OneWordTag(),
                            new TagTwice(),
                            new NearTwinTags(),
                            new TagCapitals(),
                            new TagOffText(),
                            new TagEverywhere(),
                            new TagUnsearched(),
                            new TagsUnused()))
            .<Check>flatMap(Function.identity())
            .toList();

    private static final Map<String, Check> BY_ID =
            ALL.stream().collect(Collectors.toMap(Check::id, Function.identity()));

    private static final Map<Check, Integer> NUMBERS = new HashMap<>();

    static {
        for (int i = 0; i < ALL.size(); i++) NUMBERS.put(ALL.get(i), i);
    }

    private static final Set<String> CODES =
            ALL.stream().map(Check::code).collect(Collectors.toCollection(LinkedHashSet::new));

    private Checks() {}

    private static Stream<Check> ofText(Field field) {
        return Stream.of(
                new Missing(field),
                new Empty(field),
                new SeveralElements(field),
                new DuplicateText(field),
                new NearDuplicate(field),
                new Patterned(field),
                new TooLong(field),
                new TooManyWords(field),
                new TooShort(field),
                new KeywordMissing(field),
                new KeywordIncomplete(field),
                new AllCapitals(field),
                new CutByAuthor(field),
                new TemplateText(field),
                new BrokenEncoding(field),
                new Markup(field),
                new OutdatedYear(field),
                new TooManyEmoji(field),
                new OtherLanguage(field));
    }

    public static List<Check> all() {
        return ALL;
    }

    /**
     * The check of a field with a code.
     *
     * @throws IllegalArgumentException where there is none such
     */
    public static Check of(Field field, String code) {
        Check check = BY_ID.get(Check.id(field, code));
        if (check == null) throw new IllegalArgumentException("there is no check " + code + " of " + field.label());
        return check;
    }

    /** The check with an id; null where there is none such, as of an earlier version. */
    public static Check find(String id) {
        return BY_ID.get(id);
    }

    /** The place of a check among all; it lasts as long as the application runs. */
    public static int number(Check check) {
        return NUMBERS.get(check);
    }

    /** The check at a place. */
    public static Check of(int number) {
        return ALL.get(number);
    }

    /** Whether a code is that of a check about items that are not indexable. */
    public static boolean isOfHidden(String code) {
        return BY_ID.containsKey(Check.id(Field.INDEXING, code));
    }

    /** The codes that any field has a check of. */
    public static Set<String> codes() {
        return CODES;
    }
}
