package lucidsweep.server.aim.keywords;

/** A keyword as it is stored, with its item. */
record KeywordLine(
        long id,
        String phrase,
        Figures figures,
        String topic,
        boolean topicByHand,
        KeywordRow.Intention intention,
        boolean brand,
        String place,
        KeywordRow.KeywordDemand reported,
        int items,
        KeywordRow.AimedItem item) {

    /** What lists said of it, the searches by month packed. */
    record Figures(String country, Long volume, Long broad, String competition, String monthly, String lastMonth) {}
}
