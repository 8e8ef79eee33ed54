package lucidsweep.core.edit;

/** Takes a beginning away; what follows begins with a capital where the beginning did. */
public record RemoveBeginning(String beginning) implements BulkEdit {

    @Override
    public String apply(String text) {
        if (!text.startsWith(beginning)) return text;
        String rest = text.substring(beginning.length()).strip();
        boolean capital = Character.isUpperCase(text.codePointAt(0));
        if (rest.isEmpty() || !capital || startsLikeAName(rest)) return rest;
        int first = rest.codePointAt(0);
        return Character.toString(Character.toTitleCase(first)) + rest.substring(Character.charCount(first));
    }

    /** As "iPaddle" does. */
    private static boolean startsLikeAName(String text) {
        return text.length() > 1 && Character.isUpperCase(text.charAt(1));
    }
}
