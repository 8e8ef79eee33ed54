package lucidsweep.core.keyword;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * The names of topics. What a person put under a name stays there. A topic of which a person put more than half under one
 * name, and nothing under another, goes on under that name with all that joins it later: so a topic that was renamed, or
 * merged with another, stays so when the list grows.
 */
public final class NamedTopics {

    private NamedTopics() {}

    /**
     * The topic of each keyword.
     *
     * @param workedOut for each keyword the place of the one that its topic is named by
     * @param byHand the topics of those keywords that a person put under one, by their place
     */
    public static List<String> of(List<Phrase> keywords, int[] workedOut, Map<Integer, String> byHand) {
        Map<Integer, Integer> sizes = new HashMap<>();
        Map<Integer, Map<String, Integer>> named = new HashMap<>();
        for (int keyword = 0; keyword < workedOut.length; keyword++) {
            sizes.merge(workedOut[keyword], 1, Integer::sum);
            String name = byHand.get(keyword);
            if (name != null) {
                named.computeIfAbsent(workedOut[keyword], any -> new HashMap<>())
                        .merge(name, 1, Integer::sum);
            }
        }
        List<String> topics = new ArrayList<>(workedOut.length);
        for (int keyword = 0; keyword < workedOut.length; keyword++) {
            int topic = workedOut[keyword];
            String name = byHand.get(keyword);
            topics.add(name != null ? name : name(topic, keywords, named.getOrDefault(topic, Map.of()), sizes));
        }
        return topics;
    }

    private static String name(
            int topic, List<Phrase> keywords, Map<String, Integer> named, Map<Integer, Integer> sizes) {
        if (named.size() == 1) {
            Map.Entry<String, Integer> only = named.entrySet().iterator().next();
            if (only.getValue() * 2 > sizes.get(topic)) return only.getKey();
        }
        return keywords.get(topic).text();
    }
}
