package lucidsweep.core.edit;

/** A text that counts how often a pattern looks at it and ends a runaway search: a time limit that needs no clock. */
final class CountedSteps implements CharSequence {

    private static final int MAX_STEPS = 2_000_000;

    private final String text;
    private int steps;

    CountedSteps(String text) {
        this.text = text;
    }

    @Override
    public char charAt(int index) {
        if (++steps > MAX_STEPS) throw new RunawayPattern();
        return text.charAt(index);
    }

    @Override
    public int length() {
        return text.length();
    }

    @Override
    public CharSequence subSequence(int start, int end) {
        return text.substring(start, end);
    }

    @Override
    public String toString() {
        return text;
    }
}
