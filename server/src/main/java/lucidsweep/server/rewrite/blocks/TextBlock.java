package lucidsweep.server.rewrite.blocks;

import jakarta.annotation.Nullable;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;

/**
 * A block of text that descriptions share.
 *
 * @param id 0 for a new one
 * @param language of the items that get it; "" for all
 * @param text with values to be filled in, as {@link lucidsweep.core.compose.BlockText} has them
 * @param place where it stands in descriptions, from 0; null where it does not. Saving a block leaves it where it is; a new one
 *     goes below the others
 */
public record TextBlock(
        long id,

        @NotBlank(message = "is needed") @Size(max = 200, message = "has at most 200 characters")
        String name,

        @NotNull(message = "is needed") Kind kind,

        @NotNull(message = "is needed") @Size(max = 20, message = "has at most 20 characters")
        String language,

        @NotBlank(message = "is needed") @Size(max = 20_000, message = "has at most 20,000 characters")
        String text,

        @Nullable Integer place) {

    /** What a block is for. */
    public enum Kind {
        OPENING,
        ABOUT,
        LINKS,
        STORY,
        DISCLOSURE
    }
}
