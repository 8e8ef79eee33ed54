package lucidsweep.server.release.push;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import lucidsweep.core.item.Field;
import lucidsweep.core.item.ThreeWay;

/** Texts for the HTML files of a folder, each rewritten where its page still says what it was made from. */
public final class FolderTexts {

    private final HtmlFolder folder;
    private final boolean rehearsal;

    /** @param rehearsal whether files are only looked at */
    public FolderTexts(String folder, boolean rehearsal) {
        this.folder = new HtmlFolder(folder);
        this.rehearsal = rehearsal;
    }

    /** @param before what the text was made from */
    public record Text(String address, Field field, String before, String after) {}

    /** What became of a text. */
    public enum Outcome {
        REWRITTEN("rewritten"),
        IN_PLACE("in place already"),
        CHANGED("changed meanwhile"),
        REFUSED("not rewritten");

        private final String says;

        Outcome(String says) {
            this.says = says;
        }

        @Override
        public String toString() {
            return says;
        }
    }

    /** @param why in words; "" where it is in place */
    public record Line(Text text, Outcome outcome, String why) {}

    /** Rewrites texts, the files side by side; whoever is told of the lines is told of one after the other. */
    public void rewrite(List<Text> texts, Consumer<Line> told) {
        Map<String, List<Text>> byAddress = new LinkedHashMap<>();
        for (Text text : texts)
            byAddress.computeIfAbsent(text.address, any -> new ArrayList<>()).add(text);
        byAddress.values().parallelStream().forEach(of -> {
            List<Line> lines = rewritten(of);
            synchronized (told) {
                lines.forEach(told);
            }
        });
    }

    private List<Line> rewritten(List<Text> texts) {
        List<Line> lines = new ArrayList<>();
        try {
            ContentSystem.Present present = folder.read(texts.get(0).address, () -> false);
            Map<Field, String> wanted = new EnumMap<>(Field.class);
            for (Text text : texts) {
                String now = present.texts().get(text.field);
                if (now == null) {
                    lines.add(new Line(text, Outcome.REFUSED, "this field is not rewritten in files"));
                    continue;
                }
                switch (ThreeWay.of(text.before, now, text.after)) {
                    case FREE -> wanted.put(text.field, text.after);
                    case IN_PLACE -> lines.add(new Line(text, Outcome.IN_PLACE, ""));
                    case CHANGED -> lines.add(new Line(text, Outcome.CHANGED, "the page says “" + now + "”"));
                }
            }
            if (!wanted.isEmpty() && !rehearsal) folder.store(present, wanted, () -> false);
            for (Text text : texts)
                if (wanted.containsKey(text.field)) lines.add(new Line(text, Outcome.REWRITTEN, ""));
        } catch (ContentSystem.Denied e) {
            return texts.stream()
                    .map(text -> new Line(text, Outcome.REFUSED, e.getMessage()))
                    .toList();
        } catch (ContentSystem.ChangedMeanwhile e) {
            return texts.stream()
                    .map(text -> new Line(text, Outcome.CHANGED, "somebody writes to the file right now"))
                    .toList();
        }
        return lines;
    }
}
