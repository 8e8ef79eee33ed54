package lucidsweep.core.edit;

/** A regular expression that takes more steps on one text than any sensible one does. */
public final class RunawayPattern extends RuntimeException {

    private static final long serialVersionUID = 1L;

    RunawayPattern() {
        super("the regular expression tries too many ways on one text; make its repeats more specific");
    }
}
