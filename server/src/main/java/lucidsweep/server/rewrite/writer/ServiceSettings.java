package lucidsweep.server.rewrite.writer;

import jakarta.annotation.Nullable;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.PositiveOrZero;
import jakarta.validation.constraints.Size;

/**
 * How a text-generation service is reached and what it costs.
 *
 * @param address where messages are posted to
 * @param key the key to send; null leaves the one that is kept, "" takes it away; never told to anybody
 * @param hasKey whether one is kept; of no account when the settings are changed
 * @param inputPrice, outputPrice for a million tokens
 * @param currency as three letters
 */
record ServiceSettings(
        @NotBlank(message = "is needed") @Size(max = 2_000, message = "has at most 2,000 characters")
        String address,

        @NotBlank(message = "is needed") @Size(max = 200, message = "has at most 200 characters")
        String model,

        @Nullable @Size(max = 4_000, message = "has at most 4,000 characters")
        String key,

        boolean hasKey,
        boolean privateAllowed,

        @Min(value = 1, message = "is from 1 to 32") @Max(value = 32, message = "is from 1 to 32")
        int parallel,

        @PositiveOrZero(message = "is 0 or more") double inputPrice,
        @PositiveOrZero(message = "is 0 or more") double outputPrice,

        @NotNull @Pattern(regexp = "[A-Z]{3}", message = "is three capital letters")
        String currency) {

    /** What tokens cost. */
    double cost(long tokensIn, long tokensOut) {
        return (tokensIn * inputPrice + tokensOut * outputPrice) / 1_000_000;
    }
}
