package lucidsweep.server.aim.targets;

import java.util.List;
import lucidsweep.core.keyword.Phrase;
import lucidsweep.core.keyword.PhraseCounts;
import lucidsweep.core.keyword.PhraseMatch;
import lucidsweep.core.keyword.Word;
import lucidsweep.core.keyword.Words;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.item.table.ItemDetail;
import lucidsweep.server.item.table.Items;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/items/{id}")
class PhraseController {

    private final TargetMapper mapper;
    private final Items items;
    private final Clients clients;
    private final PreparedProperties prepared;

    PhraseController(TargetMapper mapper, Items items, Clients clients, PreparedProperties prepared) {
        this.mapper = mapper;
        this.items = items;
        this.clients = clients;
        this.prepared = prepared;
    }

    /** The phrases of one, two and three words of an item, as it was captured; those of each length the most frequent first. */
    @GetMapping("/phrases")
    List<PhraseCounts.PhraseCount> phrases(@PathVariable long id) {
        Property property = clients.property(items.propertyOf(id));
        ItemDetail item = items.detailWithCapture(id);
        String target = item.keyword() == null ? "" : item.keyword();
        return PhraseCounts.of(prepared.texts(item), target, Words.in(property.language()));
    }

    /** The keywords that an item aims at, the primary one first, and how well its texts in force serve each. */
    @GetMapping("/keywords")
    List<ItemKeyword> keywords(@PathVariable long id) {
        Property property = clients.property(items.propertyOf(id));
        Words language = Words.in(property.language());
        int leading = property.standard().leadingWords();
        ItemDetail item = items.detailWithCapture(id);
        List<Word> title = language.of(item.title().text());
        List<Word> description = language.of(item.description().text());
        List<Word> h1 = language.of(item.seen().h1());
        return mapper.targetsOf(id).stream()
                .map(target -> {
                    Phrase phrase = Phrase.of(target.phrase(), language);
                    return new ItemKeyword(
                            target.keywordId(),
                            target.phrase(),
                            target.volume(),
                            target.role(),
                            target.byHand(),
                            target.reason(),
                            serving(title, phrase, leading),
                            serving(description, phrase, leading),
                            serving(h1, phrase, leading));
                })
                .toList();
    }

    private static ItemKeyword.ServingText serving(List<Word> text, Phrase phrase, int leading) {
        PhraseMatch match = PhraseMatch.of(text, phrase);
        return new ItemKeyword.ServingText(match.service(leading), match.missing());
    }
}
