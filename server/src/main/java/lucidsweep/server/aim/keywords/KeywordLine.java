package lucidsweep.server.aim.keywords;

/** A keyword as it is stored, with its home. */
record KeywordLine(
        long id,
        String phrase,
        Long volume,
        Long broad,
        String competition,
        String country,
        String monthly,
        String lastMonth,
        String topic,
        boolean topicByHand,
        String intent,
        String intentReason,
        boolean intentByHand,
        boolean brand,
        String place,
        long clicks,
        long impressions,
        double position,
        int items,
        Long itemId,
        String address,
        String role,
        Boolean byHand,
        Double score,
        String reason) {}
