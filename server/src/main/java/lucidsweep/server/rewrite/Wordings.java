package lucidsweep.server.rewrite;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.annotation.Nullable;
import java.time.Duration;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import lucidsweep.core.alike.Likeness;
import lucidsweep.core.finding.Checks;
import lucidsweep.core.finding.Stake;
import lucidsweep.core.item.Field;
import lucidsweep.core.keyword.Phrase;
import lucidsweep.core.keyword.PhraseMatch;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.page.PageAddress;
import lucidsweep.core.standard.LimitCheck;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.wording.NextWords;
import lucidsweep.core.wording.Reach;
import lucidsweep.core.wording.RivalTitles;
import lucidsweep.core.wording.SmallChange;
import lucidsweep.core.wording.SmallChanges;
import lucidsweep.server.aim.tags.Tags;
import lucidsweep.server.client.Client;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.gather.imports.Reports;
import lucidsweep.server.item.table.ItemDetail;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.item.table.SetStandards;
import lucidsweep.server.item.table.StoredFinding;
import lucidsweep.server.triage.Findings;
import lucidsweep.server.web.Refusal;
import org.springframework.stereotype.Service;

/** Ways to word a title or description of an item: what each would reach, what would be found of it, and small changes that reach more. */
@Service
class Wordings {

    private static final int MOST = 6;
    private static final int OFFERS = 6;
    private static final int NEXT = 8;

    private final Items items;
    private final Clients clients;
    private final SetStandards standards;
    private final Findings findings;
    private final Tags tags;
    private final Reports reports;

    /** Searches change with imports only; a moment's lag does no harm. */
    private final Cache<Long, Reach> reaches = Caffeine.newBuilder()
            .maximumSize(8)
            .expireAfterWrite(Duration.ofMinutes(2))
            .build();

    Wordings(Items items, Clients clients, SetStandards standards, Findings findings, Tags tags, Reports reports) {
        this.items = items;
        this.clients = clients;
        this.standards = standards;
        this.findings = findings;
        this.tags = tags;
        this.reports = reports;
    }

    /** Something that would be found of a text. */
    record FoundInText(String label, String evidence) {}

    /**
     * A way to word it.
     *
     * @param keywordAt how many words stand before the keyword; null where it is not all there, or there is none
     * @param lacks words of the keyword that it lacks
     * @param found of this field
     * @param left clicks a month at stake with the whole item that would be left
     * @param likeRival how alike it is to the rival's title that it is most alike to, 0 to 1
     */
    record WordingView(
            String text,
            LimitCheck fit,
            @Nullable Integer keywordAt,
            List<String> lacks,
            Reach.Covered reach,
            List<FoundInText> found,
            Stake left,
            double likeRival) {}

    /**
     * A result for the item's keyword.
     *
     * @param ours whether it is on the property's own host
     * @param fit its title, or its description where that is worked on, held to our limits
     */
    record Rival(double position, String address, String title, String description, boolean ours, LimitCheck fit) {}

    /**
     * All that there is to say.
     *
     * @param offers small changes of the first wording
     * @param next words that it could go on with
     * @param rivals the results for the keyword, the first first
     * @param compared what most of their titles have; null for descriptions and where there are none
     */
    record SideBySide(
            List<WordingView> wordings,
            List<SmallChange> offers,
            List<NextWords.NextWord> next,
            List<Rival> rivals,
            @Nullable RivalTitles.CommonTraits compared) {}

    SideBySide of(long itemId, Field field, List<String> texts) {
        if (field != Field.TITLE && field != Field.DESCRIPTION) {
            throw Refusal.badInput("expected a title or a description, got " + field.label());
        }
        if (texts.isEmpty() || texts.size() > MOST) {
            throw Refusal.badInput("expected 1 to " + MOST + " texts, got " + texts.size());
        }
        Property property = clients.property(items.propertyOf(itemId));
        List<ItemDetail> found = items.details(property.id(), new long[] {itemId});
        if (found.isEmpty()) throw Refusal.notFound("there is no item " + itemId);
        ItemDetail item = found.get(0);
        Words language = Words.in(property.language());
        Phrase keyword = item.keyword() == null ? null : Phrase.of(item.keyword(), language);
        Standard.TextLimits limits = standards
                .of(property)
                .held(new long[] {itemId})
                .standard(itemId)
                .limits(field);
        Reach reach = reaches.get(property.id(), id -> new Reach(language, tags.searches(property)));
        List<Rival> rivals = item.keyword() == null ? List.of() : rivals(property, item.keyword(), field, limits);
        List<String> theirs = rivals.stream()
                .filter(rival -> !rival.ours)
                .map(rival -> field == Field.TITLE ? rival.title : rival.description)
                .toList();
        List<WordingView> wordings = texts.stream()
                .map(text -> wording(property, item, field, text, limits, keyword, language, reach, theirs))
                .toList();
        Client client = clients.client(property.clientId());
        List<SmallChange> offers = new SmallChanges(reach, limits, keyword, client.brandNames(), client.placeNames())
                .of(texts.get(0), OFFERS);
        List<NextWords.NextWord> next = new NextWords(reach, limits)
                .of(texts.get(0), keyword, List.of(item.seen().h1(), item.seen().opening()), NEXT);
        RivalTitles.CommonTraits compared =
                field == Field.TITLE && !theirs.isEmpty() ? RivalTitles.compared(texts.get(0), theirs, language) : null;
        return new SideBySide(wordings, offers, next, rivals, compared);
    }

    private WordingView wording(
            Property property,
            ItemDetail item,
            Field field,
            String text,
            Standard.TextLimits limits,
            Phrase keyword,
            Words language,
            Reach reach,
            List<String> theirs) {
        Optional<PhraseMatch> match =
                keyword == null ? Optional.empty() : Optional.of(PhraseMatch.of(language.of(text), keyword));
        Findings.Tried tried = findings.tried(property.id(), item.id(), field, TidyText.of(property, field, text));
        return new WordingView(
                text,
                LimitCheck.of(text, limits),
                match.filter(PhraseMatch::present).map(PhraseMatch::startsAt).orElse(null),
                match.map(PhraseMatch::missing).orElse(List.of()),
                reach.of(text),
                tried.found().stream()
                        .filter(finding -> finding.field() == field)
                        .map(Wordings::found)
                        .toList(),
                tried.left(),
                theirs.stream()
                        .mapToDouble(other -> Likeness.of(text, other))
                        .max()
                        .orElse(0));
    }

    private static FoundInText found(StoredFinding finding) {
        return new FoundInText(
                finding.field().label() + " "
                        + Checks.of(finding.field(), finding.check()).label(),
                finding.evidence());
    }

    private List<Rival> rivals(Property property, String query, Field field, Standard.TextLimits limits) {
        String own = PageAddress.host(property.address());
        return reports.results(property.id(), query).stream()
                .sorted(Comparator.comparingDouble(Reports.Result::position))
                .map(result -> new Rival(
                        result.position(),
                        result.address(),
                        result.title(),
                        result.description(),
                        !own.isEmpty() && PageAddress.host(result.address()).equals(own),
                        LimitCheck.of(field == Field.TITLE ? result.title() : result.description(), limits)))
                .toList();
    }
}
