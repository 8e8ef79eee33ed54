package lucidsweep.server.rewrite.blocks;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.function.UnaryOperator;
import lucidsweep.core.compose.Arrangement;
import lucidsweep.core.compose.BlockText;
import lucidsweep.core.text.Graphemes;
import lucidsweep.server.client.Client;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/properties/{propertyId}/blocks")
class TextBlockController {

    private final TextBlocks blocks;
    private final BlockLinks links;
    private final Clients clients;

    TextBlockController(TextBlocks blocks, BlockLinks links, Clients clients) {
        this.blocks = blocks;
        this.links = links;
        this.clients = clients;
    }

    /**
     * The blocks of a property.
     *
     * @param values the names of what can be filled in
     */
    record BlocksView(List<TextBlock> blocks, List<String> values) {}

    @GetMapping
    BlocksView blocks(@PathVariable long propertyId) {
        return new BlocksView(blocks.ofProperty(propertyId), BlockText.VALUES);
    }

    @PostMapping
    void saveBlock(@PathVariable long propertyId, @Valid @RequestBody TextBlock block) {
        blocks.save(propertyId, block);
    }

    /** @param ids of the blocks that stand in descriptions, in their order */
    record BlockOrder(@NotNull(message = "is needed") List<@NotNull Long> ids) {}

    @PutMapping("/order")
    void arrangeBlocks(@PathVariable long propertyId, @Valid @RequestBody BlockOrder order) {
        blocks.arrange(propertyId, order.ids());
    }

    @DeleteMapping("/{id}")
    void deleteBlock(@PathVariable long propertyId, @PathVariable long id) {
        blocks.remove(propertyId, id);
    }

    @PostMapping("/links")
    List<BlockLinks.CheckedLink> checkLinks(@PathVariable long propertyId) {
        return links.check(propertyId);
    }

    /**
     * What a channel or shop says of itself.
     *
     * @param whole the description with its blocks, as it is to be pasted
     * @param chars how long that is, and keywordChars how long all keywords are
     */
    record ChannelView(ChannelText text, String whole, int chars, int keywordChars) {}

    @GetMapping("/channel")
    ChannelView channel(@PathVariable long propertyId) {
        return view(propertyId, blocks.channel(propertyId));
    }

    @PutMapping("/channel")
    ChannelView setChannel(@PathVariable long propertyId, @Valid @RequestBody ChannelText text) {
        blocks.setChannel(propertyId, text);
        return view(propertyId, text);
    }

    private ChannelView view(long propertyId, ChannelText text) {
        Property property = clients.property(propertyId);
        Client client = clients.client(property.clientId());
        UnaryOperator<String> values =
                name -> name.equals("client") ? client.name() : name.equals("address") ? property.address() : "";
        List<String> own = blocks.arranged(propertyId).of(property.language()::startsWith, values);
        String whole = Arrangement.of(text.description(), own, text.maxChars());
        return new ChannelView(text, whole, Graphemes.count(whole), Graphemes.count(text.keywords()));
    }
}
