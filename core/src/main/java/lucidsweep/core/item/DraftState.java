package lucidsweep.core.item;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.Locale;
import java.util.Set;

/**
 * How far a draft has come on its way to the client's property:
 *
 * <pre>
 * drafted ⇄ sent back                     an edit by hand, recipe or batch makes any of them drafted again
 *       ↘  ↓↑     ↖
 *        approved → released → delivered ⇄ live
 * </pre>
 *
 * Released is what is in a release that is pushed, and has not arrived yet. What was delivered is not approved or sent back
 * any more: the client has it. Only a new edit begins anew, or a push that is taken back.
 */
public enum DraftState {
    DRAFTED,
    SENT_BACK,
    APPROVED,
    RELEASED,
    DELIVERED,
    LIVE;

    /** Whether a draft in this state may move on to another. */
    public boolean mayBecome(DraftState next) {
        return switch (this) {
            case DRAFTED -> next == SENT_BACK || next == APPROVED;
            case SENT_BACK -> next == DRAFTED || next == APPROVED;
            case APPROVED -> next == DRAFTED || next == SENT_BACK || next == RELEASED || next == DELIVERED;
            case RELEASED -> next == SENT_BACK || next == DELIVERED;
            case DELIVERED -> next == LIVE;
            case LIVE -> next == DELIVERED;
        };
    }

    /** The states from which a draft may become this. */
    public Set<DraftState> before() {
        Set<DraftState> states = EnumSet.noneOf(DraftState.class);
        for (DraftState state : values()) if (state.mayBecome(this)) states.add(state);
        return states;
    }

    /** Whether the client has it: delivered, whether it was seen live or not. */
    public boolean isDelivered() {
        return this == DELIVERED || this == LIVE;
    }

    /** As it stands in the database, the API and addresses: "sent-back". */
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** Reads a code; an unknown one is an error that lists the known. */
    public static DraftState of(String code) {
        for (DraftState state : values()) if (state.code().equals(code)) return state;
        throw new IllegalArgumentException(
                "expected a state of a draft, one of " + Arrays.toString(values()) + ", got \"" + code + "\"");
    }

    @Override
    public String toString() {
        return code();
    }
}
