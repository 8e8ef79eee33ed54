package lucidsweep.server.client;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;

/** What is asked about a property. */
public record PropertyForm(
        long clientId,

        @NotNull(message = "is website, listings or videos") PropertyKind kind,

        @NotBlank(message = "is needed") @Size(max = 200, message = "may have 200 characters")
        String name,

        @NotNull @Size(max = 2000, message = "may have 2,000 characters")
        String address,

        @NotBlank(message = "is needed") @Size(max = 20) String language,
        boolean privateAllowed) {}
