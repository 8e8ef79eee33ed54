package lucidsweep.core.compose;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.regex.PatternSyntaxException;
import lucidsweep.core.keyword.Language;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.Cut;
import lucidsweep.core.text.Graphemes;
import lucidsweep.core.text.Slot;
import lucidsweep.core.text.TextKey;

/** One change that is made to the same field of many items. */
public sealed interface BulkEdit {

    /**
     * The text after the edit.
     *
     * @return the new text; the same text where there is nothing to change
     * @throws RunawayPattern where a pattern takes too many steps on this text
     */
    String apply(String text);

    /** Replaces every occurrence of a text or of a regular expression. */
    record Replace(Pattern pattern, String replacement) implements BulkEdit {

        /**
         * Reads what was typed.
         *
         * @throws IllegalArgumentException where the regular expression cannot be read, with the place
         */
        public static Replace of(String find, String replacement, boolean regex, boolean matchCase) {
            if (find.isEmpty()) throw new IllegalArgumentException("expected a text to find, got none");
            int flags = Pattern.UNICODE_CASE | (matchCase ? 0 : Pattern.CASE_INSENSITIVE);
            try {
                Pattern pattern = Pattern.compile(regex ? find : Pattern.quote(find), flags);
                Replace replace = new Replace(pattern, regex ? replacement : Matcher.quoteReplacement(replacement));
                replace.checkReplacement();
                return replace;
            } catch (PatternSyntaxException e) {
                throw new IllegalArgumentException(
                        "the regular expression cannot be read at character " + (e.getIndex() + 1) + ": "
                                + e.getDescription(),
                        e);
            }
        }

        private void checkReplacement() {
            int groups = pattern.matcher("").groupCount();
            Matcher named = Pattern.compile("(?<!\\\\)\\$(\\d)").matcher(replacement);
            while (named.find()) {
                if (Integer.parseInt(named.group(1)) > groups) {
                    throw new IllegalArgumentException(
                            "the replacement names group " + named.group(1) + ", the regular expression has " + groups);
                }
            }
        }

        @Override
        public String apply(String text) {
            try {
                return pattern.matcher(new CountedSteps(text)).replaceAll(replacement);
            } catch (StackOverflowError deep) {
                throw new RunawayPattern();
            }
        }
    }

    /** Puts a text before; not where it stands already. */
    record AddBefore(String addition) implements BulkEdit {
        @Override
        public String apply(String text) {
            return text.startsWith(addition) ? text : addition + text;
        }
    }

    /** Puts a text behind; not where it stands already. */
    record AddAfter(String addition) implements BulkEdit {
        @Override
        public String apply(String text) {
            return text.endsWith(addition) ? text : text + addition;
        }
    }

    /** Takes a beginning away; what follows begins with a capital where the beginning did. */
    record RemoveBeginning(String beginning) implements BulkEdit {
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

    /** Takes an ending away, and with it a separator left dangling. */
    record RemoveEnding(String ending) implements BulkEdit {
        @Override
        public String apply(String text) {
            return text.endsWith(ending) ? Trim.end(text.substring(0, text.length() - ending.length())) : text;
        }
    }

    /** Cuts at the last word with which the text passes every limit; no ellipsis, nothing left dangling. */
    record CutToFit(Standard.TextLimits limits) implements BulkEdit {
        @Override
        public String apply(String text) {
            String cut = text;
            for (Slot slot : List.of(limits.desktop(), limits.phone())) {
                cut = cut.substring(0, Cut.lastFitting(cut, slot.sizePx(), slot.limitPx()));
            }
            while (Graphemes.count(cut) > limits.maxChars()) {
                int space = cut.lastIndexOf(' ');
                cut = cut.substring(0, space > 0 ? space : cut.offsetByCodePoints(cut.length(), -1));
            }
            return cut.length() == text.length() ? text : Trim.end(cut);
        }
    }

    /** Changes the letter case; names keep theirs. */
    record ChangeCase(LetterCase letterCase, Names names, Language language) implements BulkEdit {
        @Override
        public String apply(String text) {
            return letterCase.apply(text, names, language);
        }
    }

    /** Adds tags behind those there, none twice. */
    record AddTags(List<String> tags) implements BulkEdit {
        @Override
        public String apply(String text) {
            List<String> all = new ArrayList<>(TagList.of(text));
            for (String tag : tags) {
                if (find(all, tag).isEmpty()) all.add(tag);
            }
            return TagList.join(all);
        }
    }

    /** Removes tags, whatever their case. */
    record RemoveTags(List<String> tags) implements BulkEdit {
        @Override
        public String apply(String text) {
            return TagList.join(TagList.of(text).stream()
                    .filter(tag -> find(tags, tag).isEmpty())
                    .toList());
        }
    }

    /** Puts one tag in the place of another; where both are there, one goes. */
    record ReplaceTag(String tag, String by) implements BulkEdit {
        @Override
        public String apply(String text) {
            List<String> all = new ArrayList<>();
            for (String each : TagList.of(text)) {
                String now = TextKey.key(each).equals(TextKey.key(tag)) ? by : each;
                if (find(all, now).isEmpty()) all.add(now);
            }
            return TagList.join(all);
        }
    }

    private static Optional<String> find(List<String> tags, String wanted) {
        String key = TextKey.key(wanted);
        return tags.stream().filter(tag -> TextKey.key(tag).equals(key)).findFirst();
    }
}
