package lucidsweep.server.aim.topics;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import lucidsweep.server.web.Page;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
class TopicController {

    private final TopicTables topics;
    private final OthersWords words;

    TopicController(TopicTables topics, OthersWords words) {
        this.topics = topics;
        this.words = words;
    }

    @GetMapping("/properties/{propertyId}/topics")
    Page<TopicRow> topics(
            @PathVariable long propertyId,
            @RequestParam(required = false) String q,
            @RequestParam(defaultValue = "volume") String sort,
            @RequestParam(defaultValue = "true") boolean desc,
            @RequestParam(defaultValue = "0") int from,
            @RequestParam(defaultValue = "200") int count) {
        return topics.page(propertyId, q, sort, desc, from, count);
    }

    /** Topics that become one, by the ids of keywords of theirs; a single one gets another name. */
    record MergeOrder(@NotNull List<Long> ids, @NotNull String name) {}

    @PostMapping("/properties/{propertyId}/topics/merge")
    void merge(@PathVariable long propertyId, @Valid @RequestBody MergeOrder order) {
        topics.merge(propertyId, order.ids(), order.name());
    }

    /** Keywords that are taken out of a topic, and the name of their own. */
    record SplitOrder(
            @NotNull String topic,
            @NotNull List<Long> ids,
            @NotNull String name) {}

    @PostMapping("/properties/{propertyId}/topics/split")
    void split(@PathVariable long propertyId, @Valid @RequestBody SplitOrder order) {
        topics.split(propertyId, order.topic(), order.ids(), order.name());
    }

    /** The words that go with a topic, from the property's own pages and queries. */
    @GetMapping("/properties/{propertyId}/topics/words")
    RelatedWords related(@PathVariable long propertyId, @RequestParam String topic) {
        return words.ofTopic(propertyId, topic);
    }

    /** The words that an item's rivals and the pages of its topic use and it does not. */
    @GetMapping("/items/{id}/lacking")
    RelatedWords lacking(@PathVariable long id) {
        return words.lackingIn(id);
    }
}
