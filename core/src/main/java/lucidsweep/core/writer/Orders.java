package lucidsweep.core.writer;

import java.util.regex.Pattern;

/** Sentences of a page that are meant for whatever machine reads it. They are no material, and nothing they say is a fact. */
final class Orders {

    private static final Pattern TO_A_MACHINE = Pattern.compile(
            "\\b(?:ignore|disregard|forget|override)\\b[^.!?\\n]{0,40}\\b(?:instructions?|prompts?|rules)\\b"
                    + "|\\byou are (?:now )?(?:an? )?(?:ai|assistant|language model|chatbot)\\b|\\bsystem prompt\\b"
                    + "|\\bignorier\\w*\\b[^.!?\\n]{0,40}\\b(?:anweisung|regel)\\w*|\\bignor\\w+\\b[^.!?\\n]{0,40}\\b(?:instruc|istruz|instru[cç])\\w*"
                    + "|\\bnegeer\\b[^.!?\\n]{0,40}\\binstructies\\b|\\bzignoruj\\b[^.!?\\n]{0,40}\\binstrukcj\\w*",
            Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE);

    private static final Pattern SENTENCE = Pattern.compile("[^.!?\\n]*(?:[.!?\\n]+[”\"')\\s]*|$)");

    private Orders() {}

    /** A text without such sentences. */
    static String removed(String text) {
        if (!TO_A_MACHINE.matcher(text).find()) return text;
        return SENTENCE.matcher(text)
                .replaceAll(sentence -> TO_A_MACHINE.matcher(sentence.group()).find()
                        ? ""
                        : java.util.regex.Matcher.quoteReplacement(sentence.group()))
                .strip();
    }
}
