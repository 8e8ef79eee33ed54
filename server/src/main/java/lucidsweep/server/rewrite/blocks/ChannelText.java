package lucidsweep.server.rewrite.blocks;

import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;

/**
 * What a channel or shop says of itself.
 *
 * @param description without the blocks that follow it
 * @param keywords one or several, separated by commas
 * @param maxChars of the description with its blocks
 * @param maxKeywordChars of all keywords together
 */
public record ChannelText(
        @NotNull(message = "is needed") @Size(max = 20_000, message = "has at most 20,000 characters")
        String description,

        @NotNull(message = "is needed") @Size(max = 20_000, message = "has at most 20,000 characters")
        String keywords,

        @Min(value = 1, message = "is at least 1") @Max(value = 20_000, message = "is at most 20,000")
        int maxChars,

        @Min(value = 1, message = "is at least 1") @Max(value = 20_000, message = "is at most 20,000")
        int maxKeywordChars) {

    static final ChannelText EMPTY = new ChannelText("", "", 1_000, 500);
}
