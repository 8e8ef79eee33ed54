package lucidsweep.server.rewrite.blocks;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import lucidsweep.core.compose.BlockText;
import lucidsweep.server.client.Clients;
import lucidsweep.server.web.Refusal;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** The blocks of text of a property. */
@Service
public class TextBlocks {

    private static final int MOST = 50;
    private static final int MOST_EARLIER = 40;
    private static final TypeReference<List<String>> TEXTS = new TypeReference<>() {};

    private final TextBlockMapper mapper;
    private final Clients clients;
    private final TransactionTemplate transaction;
    private final JsonMapper json;

    TextBlocks(TextBlockMapper mapper, Clients clients, TransactionTemplate transaction, JsonMapper json) {
        this.mapper = mapper;
        this.clients = clients;
        this.transaction = transaction;
        this.json = json;
    }

    /**
     * The blocks as descriptions get them.
     *
     * @param arranged those that stand in descriptions, in their order
     * @param known every text that any block has or had
     */
    public record Arranged(List<TextBlock> arranged, List<String> known) {

        /** The blocks of one item. @param speaks whether it is in a language */
        public List<String> of(Predicate<String> speaks, UnaryOperator<String> valueOf) {
            return arranged.stream()
                    .filter(block -> block.language().isEmpty() || speaks.test(block.language()))
                    .map(block -> BlockText.filled(block.text(), valueOf))
                    .toList();
        }

        /** All that may stand in the description of one item. */
        public List<String> knownOf(UnaryOperator<String> valueOf) {
            return known.stream().map(text -> BlockText.filled(text, valueOf)).toList();
        }
    }

    public Arranged arranged(long propertyId) {
        List<TextBlockMapper.Line> all = mapper.ofProperty(propertyId);
        List<String> known = all.stream()
                .flatMap(line -> Stream.concat(Stream.of(line.text()), earlier(line).stream()))
                .distinct()
                .toList();
        return new Arranged(
                all.stream()
                        .filter(line -> line.place() != null)
                        .map(TextBlockMapper.Line::block)
                        .toList(),
                known);
    }

    private List<String> earlier(TextBlockMapper.Line line) {
        return json.readValue(line.earlier(), TEXTS);
    }

    /** Those that stand in descriptions first, in their order. */
    List<TextBlock> ofProperty(long propertyId) {
        clients.property(propertyId);
        return mapper.ofProperty(propertyId).stream()
                .filter(line -> !line.gone())
                .map(TextBlockMapper.Line::block)
                .toList();
    }

    /** Adds a block or changes one; what it said is remembered. */
    void save(long propertyId, TextBlock block) {
        List<TextBlock> all = ofProperty(propertyId);
        if (block.id() == 0 && all.size() >= MOST) throw Refusal.badInput("there are " + MOST + " blocks already");
        try {
            BlockText.check(block.text());
        } catch (IllegalArgumentException unknown) {
            throw Refusal.badInput("text: " + unknown.getMessage());
        }
        boolean taken = all.stream()
                .anyMatch(other -> other.id() != block.id()
                        && other.name().equalsIgnoreCase(block.name().strip()));
        if (taken)
            throw Refusal.conflict("another block is named “" + block.name().strip() + "” already");
        if (block.id() == 0) {
            mapper.insert(
                    propertyId, block.name().strip(), block.kind(), block.language(), block.text(), block.place());
        } else {
            change(propertyId, block);
        }
        clients.touch(propertyId);
    }

    private void change(long propertyId, TextBlock block) {
        TextBlockMapper.Line before = find(propertyId, block.id());
        List<String> earlier = new ArrayList<>(earlier(before));
        if (!before.text().equals(block.text())) {
            earlier.remove(before.text());
            earlier.add(before.text());
        }
        int from = Math.max(0, earlier.size() - MOST_EARLIER);
        mapper.update(
                block.id(),
                block.name().strip(),
                block.kind(),
                block.language(),
                block.text(),
                json.writeValueAsString(earlier.subList(from, earlier.size())),
                block.place());
    }

    private TextBlockMapper.Line find(long propertyId, long id) {
        return mapper.ofProperty(propertyId).stream()
                .filter(line -> line.id() == id && !line.gone())
                .findFirst()
                .orElseThrow(() -> Refusal.notFound("there is no block " + id + " in this property"));
    }

    void remove(long propertyId, long id) {
        mapper.remove(find(propertyId, id).id());
        clients.touch(propertyId);
    }

    /** Says which blocks stand in descriptions, and in which order; all others do not. */
    void arrange(long propertyId, List<Long> order) {
        order.forEach(id -> find(propertyId, id));
        transaction.executeWithoutResult(status -> {
            for (TextBlock block : ofProperty(propertyId)) {
                int place = order.indexOf(block.id());
                mapper.setPlace(block.id(), place < 0 ? null : place);
            }
        });
        clients.touch(propertyId);
    }

    ChannelText channel(long propertyId) {
        clients.property(propertyId);
        ChannelText text = mapper.channel(propertyId);
        return text == null ? ChannelText.EMPTY : text;
    }

    void setChannel(long propertyId, ChannelText text) {
        clients.property(propertyId);
        mapper.setChannel(propertyId, text);
        clients.touch(propertyId);
    }
}
