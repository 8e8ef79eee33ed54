package lucidsweep.server.aim.topics;

/**
 * A topic and what its keywords add up to.
 *
 * @param id of its most searched keyword
 * @param strongest its most searched keyword
 * @param volume searches a month, of all that are known
 * @param clicks, impressions what was reported in the last thirteen weeks
 * @param withItem how many of its keywords have a home
 * @param items how many items those are
 * @param byHand how many a person put under it
 */
public record TopicRow(
        long id,
        String topic,
        String strongest,
        int keywords,
        long volume,
        long clicks,
        long impressions,
        int withItem,
        int items,
        int byHand) {}
