package lucidsweep.server.aim.tags;

import java.util.List;
import lucidsweep.core.keyword.GroupSurvey;
import lucidsweep.core.keyword.Words;
import lucidsweep.server.aim.keywords.KeywordRow;
import lucidsweep.server.aim.keywords.KeywordSelection;
import lucidsweep.server.aim.keywords.KeywordTables;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.memory.RecentlyUsed;
import org.springframework.stereotype.Service;

/** The groups of a property's items, held against its keywords. */
@Service
class Groups {

    private static final int KEPT = 8;
    private static final int MAX_GROUPS = 2_000;
    private static final int MAX_TOPICS = 500;

    private final Items items;
    private final KeywordTables tables;
    private final Clients clients;

    private record Version(long propertyId, long revision) {}

    private final RecentlyUsed<Version, GroupView> kept = new RecentlyUsed<>(KEPT);

    Groups(Items items, KeywordTables tables, Clients clients) {
        this.items = items;
        this.tables = tables;
        this.clients = clients;
    }

    /**
     * Groups and the topics that have none.
     *
     * @param groupCount how many there are; the first of them are listed
     * @param ungroupedCount how many topics have none; the most searched are listed
     */
    public record GroupView(
            int groupCount,
            List<GroupSurvey.Group> groups,
            int ungroupedCount,
            List<GroupSurvey.Ungrouped> ungrouped) {}

    GroupView of(long propertyId) {
        Property property = clients.property(propertyId);
        return kept.get(new Version(propertyId, property.revision()), any -> survey(property));
    }

    private GroupView survey(Property property) {
        GroupSurvey survey = new GroupSurvey(Words.in(property.language()));
        items.forEachSection(property.id(), (section, id) -> survey.item(id, section));
        for (KeywordRow row : tables.rows(property.id(), KeywordSelection.ALL)) {
            survey.keyword(
                    row.phrase(),
                    row.figures().volume() == null ? 0 : row.figures().volume(),
                    row.topic(),
                    row.item().itemId());
        }
        List<GroupSurvey.Group> groups = survey.groups();
        List<GroupSurvey.Ungrouped> ungrouped = survey.ungrouped();
        return new GroupView(
                groups.size(),
                groups.stream().limit(MAX_GROUPS).toList(),
                ungrouped.size(),
                ungrouped.stream().limit(MAX_TOPICS).toList());
    }
}
