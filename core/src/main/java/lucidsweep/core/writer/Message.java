package lucidsweep.core.writer;

import java.util.Locale;

/** A part of a conversation with a text-generation service. */
public record Message(Role role, String text) {

    /** Who says it. */
    public enum Role {
        SYSTEM,
        USER,
        ASSISTANT;

        /** As services expect it: "system". */
        public String code() {
            return name().toLowerCase(Locale.ROOT);
        }
    }
}
