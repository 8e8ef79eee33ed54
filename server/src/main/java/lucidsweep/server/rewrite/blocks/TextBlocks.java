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

    /** Adds a block or changes one; what it said is remembered. One after another, so that no wording is lost. */
    synchronized void save(long propertyId, TextBlock block) {
        List<TextBlock> all = ofProperty(propertyId);
        String name = block.name().strip();
        if (block.id() == 0 && all.size() >= MOST) throw Refusal.badInput("there are " + MOST + " blocks already");
        try {
            BlockText.check(block.text());
        } catch (IllegalArgumentException unknown) {
            throw Refusal.badInput("text: " + unknown.getMessage());
        }
        boolean taken = all.stream()
                .anyMatch(other -> other.id() != block.id() && other.name().equalsIgnoreCase(name));
        if (taken) throw Refusal.conflict("another block is named “" + name + "” already");
        if (block.id() == 0) {
            mapper.insert(propertyId, name, block.kind(), block.language(), block.text(), below(all));
        } else {
            String earlier = json.writeValueAsString(earlierThan(block, find(propertyId, block.id())));
            mapper.update(block.id(), name, block.kind(), block.language(), block.text(), earlier);
        }
        clients.touch(propertyId);
    }

    /** The place below all others. */
    private static int below(List<TextBlock> all) {
        return all.stream()
                .filter(block -> block.place() != null)
                .mapToInt(block -> block.place() + 1)
                .max()
                .orElse(0);
    }

    private List<String> earlierThan(TextBlock block, TextBlockMapper.Line before) {
        List<String> earlier = new ArrayList<>(earlier(before));
        if (!before.text().equals(block.text())) {
            earlier.remove(before.text());
            earlier.add(before.text());
        }
        return earlier.subList(Math.max(0, earlier.size() - MOST_EARLIER), earlier.size());
    }

    private TextBlockMapper.Line find(long propertyId, long id) {
        return mapper.ofProperty(propertyId).stream()
                .filter(line -> line.id() == id && !line.gone())
                .findFirst()
                .orElseThrow(() -> unknown(id));
    }

    private static Refusal unknown(long id) {
        return Refusal.notFound("there is no block " + id + " in this property");
    }

    synchronized void remove(long propertyId, long id) {
        mapper.remove(find(propertyId, id).id());
        clients.touch(propertyId);
    }

    /** Says which blocks stand in descriptions, and in which order; all others do not. */
    synchronized void arrange(long propertyId, List<Long> order) {
        List<TextBlock> all = ofProperty(propertyId);
        List<Long> known = all.stream().map(TextBlock::id).toList();
        for (long id : order) if (!known.contains(id)) throw unknown(id);
        transaction.executeWithoutResult(status -> {
            for (long id : known) {
                int place = order.indexOf(id);
                mapper.setPlace(id, place < 0 ? null : place);
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
