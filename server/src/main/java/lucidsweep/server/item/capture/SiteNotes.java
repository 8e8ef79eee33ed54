package lucidsweep.server.item.capture;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import lucidsweep.core.finding.PageNotes;
import lucidsweep.core.finding.SiteSurvey;
import lucidsweep.core.page.Noindex;
import lucidsweep.server.database.IdRange;
import lucidsweep.server.database.ManyRows;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** Notes of each page what the other pages of its site say of it, for the checks to find it. */
@Service
public class SiteNotes {

    private static final int AT_ONCE = 2_000;
    private static final int LIST = 500;

    private final SiteNoteMapper mapper;
    private final TransactionTemplate transaction;

    SiteNotes(SiteNoteMapper mapper, TransactionTemplate transaction) {
        this.mapper = mapper;
        this.transaction = transaction;
    }

    /**
     * Looks at all pages of a property and notes it anew.
     *
     * @param elsewhere what became of addresses that are no pages: "it redirects to …"
     * @param inSitemap the ids of the items that the sitemap lists
     */
    public void note(long propertyId, Map<String, String> elsewhere, Set<Long> inSitemap) {
        SiteSurvey survey = new SiteSurvey();
        elsewhere.forEach(survey::elsewhere);
        IdRange ids = IdRange.of(propertyId);
        long after = ids.first() - 1;
        List<SiteNoteMapper.PageOf> chunk;
        do {
            chunk = mapper.pages(after, ids.last(), AT_ONCE);
            for (SiteNoteMapper.PageOf page : chunk) {
                after = page.id();
                survey.add(new SiteSurvey.Page(
                        page.id(),
                        page.address(),
                        page.noindexReason() == null
                                ? null
                                : new Noindex(Noindex.Reason.of(page.noindexReason()), page.noindexDetail()),
                        page.title(),
                        page.h1(),
                        PageNotes.read(page.notes()),
                        inSitemap.contains(page.id())));
            }
        } while (chunk.size() == AT_ONCE);
        List<SiteNoteMapper.NoteValues> notes = new ArrayList<>();
        survey.notes(this::addresses).forEach((item, lines) -> notes.add(new SiteNoteMapper.NoteValues(item, lines)));
        transaction.executeWithoutResult(status -> {
            mapper.forget(ids);
            ManyRows.each(notes, mapper::insert);
        });
    }

    /** The same after pages came from a file, which says nothing of the sitemap. */
    public void noteAgain(long propertyId) {
        note(propertyId, Map.of(), new HashSet<>(mapper.knownInSitemap(IdRange.of(propertyId))));
    }

    private Map<Long, String> addresses(List<Long> ids) {
        Map<Long, String> found = new HashMap<>();
        for (int start = 0; start < ids.size(); start += LIST) {
            Object[] some =
                    ids.subList(start, Math.min(ids.size(), start + LIST)).toArray();
            mapper.addresses(some).forEach(line -> found.put(line.id(), line.address()));
        }
        return found;
    }
}
