package lucidsweep.server.aim.reviews;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import lucidsweep.server.aim.keywords.KeywordRow;
import lucidsweep.server.aim.keywords.KeywordSelection;
import lucidsweep.server.aim.keywords.KeywordTables;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/properties/{propertyId}/reviews")
class ReviewController {

    private final Reviews reviews;
    private final KeywordTables tables;

    ReviewController(Reviews reviews, KeywordTables tables) {
        this.reviews = reviews;
        this.tables = tables;
    }

    /** All lists, what is due first. */
    @GetMapping
    List<Review> all(@PathVariable long propertyId) {
        return reviews.all(propertyId);
    }

    /** Keywords for a list; the month is "" for none. */
    record ListedKeywords(
            @NotNull String list,
            @NotNull String month,
            @NotNull KeywordSelection selection) {}

    /** How many were put on a list. */
    record Listed(int phrases) {}

    @PostMapping("/keywords")
    Listed keywords(@PathVariable long propertyId, @Valid @RequestBody ListedKeywords order) {
        List<String> phrases = tables.rows(propertyId, order.selection()).stream()
                .map(KeywordRow::phrase)
                .toList();
        return new Listed(reviews.put(propertyId, order.list(), order.month(), Review.Kind.KEYWORD, phrases));
    }

    /** Tags for a list; the month is "" for none. */
    record ListedTags(
            @NotNull String list,
            @NotNull String month,
            @NotNull List<String> tags) {}

    @PostMapping("/tags")
    Listed tags(@PathVariable long propertyId, @Valid @RequestBody ListedTags order) {
        return new Listed(reviews.put(propertyId, order.list(), order.month(), Review.Kind.TAG, order.tags()));
    }

    /**
     * Items for a list; the month is "" for none.
     *
     * @param name what they have in common
     * @param place the filter that shows them, as it stands in an address
     */
    record ListedItems(
            @NotNull String list,
            @NotNull String month,
            @NotNull String name,
            @NotNull String place) {}

    @PostMapping("/items")
    void items(@PathVariable long propertyId, @Valid @RequestBody ListedItems order) {
        reviews.putItems(propertyId, order.list(), order.month(), order.name(), order.place());
    }

    /** Another month for some; "" for none. */
    record ReviewMonth(@NotNull List<Long> ids, @NotNull String month) {}

    @PostMapping("/month")
    void setMonth(@PathVariable long propertyId, @Valid @RequestBody ReviewMonth order) {
        reviews.setMonth(propertyId, order.ids(), order.month());
    }

    @PostMapping("/remove")
    void remove(@PathVariable long propertyId, @RequestBody List<@NotNull Long> ids) {
        reviews.remove(propertyId, ids);
    }
}
