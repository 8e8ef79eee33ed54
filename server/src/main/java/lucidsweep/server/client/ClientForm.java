package lucidsweep.server.client;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;

/** What is asked about a client. */
public record ClientForm(
        @NotBlank(message = "is needed") @Size(max = 200, message = "may have 200 characters")
        String name,

        @NotNull @Size(max = 2000, message = "may have 2,000 characters")
        String brand,

        @NotNull @Size(max = 4000, message = "may have 4,000 characters")
        String places) {}
