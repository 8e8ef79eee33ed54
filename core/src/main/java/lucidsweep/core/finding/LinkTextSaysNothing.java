package lucidsweep.core.finding;

import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import lucidsweep.core.item.Field;
import lucidsweep.core.keyword.Language;
import lucidsweep.core.page.PageFacts;
import lucidsweep.core.text.TextKey;

/** Links in the copy whose words say nothing of where they lead: "click here", "read more", an address. */
final class LinkTextSaysNothing extends CapturedCheck {

    private static final Pattern ADDRESS = Pattern.compile("(?i)(https?://|www\\.)\\S+");

    private static final Set<String> NOTHING = Language.all().stream()
            .flatMap(language -> language.emptyLinkTexts().stream())
            .map(TextKey::key)
            .collect(Collectors.toSet());

    LinkTextSaysNothing() {
        super(Field.LINKS, "generic", "generic");
    }

    @Override
    Sentence sentence() {
        return Sentence.ofItems(
                "has links whose words say nothing of where they lead",
                "have links whose words say nothing of where they lead");
    }

    static boolean saysNothing(String text) {
        return saysNothing(text, TextKey.key(text));
    }

    static boolean saysNothing(String text, String key) {
        if (NOTHING.contains(key)) return true;
        boolean mayBeAddress = key.startsWith("http") || key.startsWith("www");
        return mayBeAddress && ADDRESS.matcher(text).matches();
    }

    @Override
    public String note(PageFacts page, String address) {
        List<PageFacts.Link> links = ownLinks(page, address);
        List<String> found = links.stream()
                .map(PageFacts.Link::text)
                .filter(text -> !text.isEmpty() && saysNothing(text))
                .map(text -> "“" + text + "”")
                .toList();
        return some(found, links.size(), "link");
    }
}
