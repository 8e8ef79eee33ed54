package lucidsweep.server.release.push;

import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;

/**
 * How the content system of a property is reached.
 *
 * @param kind which of the ways to speak to one
 * @param address where it begins; of a folder its path
 * @param user who logs in; "" where nobody has to
 * @param secret password, token or key; null leaves the one that is kept, "" takes it away; never told to anybody
 * @param hasSecret whether one is kept; of no account when the settings are changed
 * @param privateAllowed whether it may be in a private network
 * @param parallel how many items are spoken about at once
 * @param pauseMs between two requests, in milliseconds
 * @param template how requests look, for {@link Kind#JSON}; null for the others
 */
record ContentSettings(
        @NotNull Kind kind,

        @NotNull @Size(max = 2_000, message = "has at most 2,000 characters")
        String address,

        @NotNull @Size(max = 200, message = "has at most 200 characters")
        String user,

        @Nullable @Size(max = 4_000, message = "has at most 4,000 characters")
        String secret,

        boolean hasSecret,
        boolean privateAllowed,

        @Min(value = 1, message = "is from 1 to 16") @Max(value = 16, message = "is from 1 to 16")
        int parallel,

        @Min(value = 0, message = "is from 0 to 60,000") @Max(value = 60_000, message = "is from 0 to 60,000")
        int pauseMs,

        @Nullable @Valid JsonTemplate template) {

    /** The ways to speak to a content system. */
    enum Kind {
        /** Over HTTP as docs/content-api.md says. */
        API,
        /** Over HTTP with JSON of any shape, as a {@link JsonTemplate} says. */
        JSON,
        /** A folder of HTML files on this machine. */
        FOLDER
    }

    /** The same with another secret, or without one. */
    ContentSettings with(@Nullable String secret, boolean kept) {
        return new ContentSettings(kind, address, user, secret, kept, privateAllowed, parallel, pauseMs, template);
    }
}
