package lucidsweep.server.item.capture;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import lucidsweep.core.page.PageAddress;
import lucidsweep.core.text.TextKey;

/** Finds pages that say the same at variants of one address. */
public final class TwinPages {

    /** The page that stands for its group: without parameters, then https, then the shortest address. */
    private static final Comparator<CaptureMapper.Page> MAIN = Comparator.comparing(
                    (CaptureMapper.Page page) -> page.address().indexOf('?') >= 0)
            .thenComparing(page -> !page.address().startsWith("https:"))
            .thenComparing(page -> page.address().length())
            .thenComparing(CaptureMapper.Page::address);

    private final Map<Long, List<CaptureMapper.Page>> groups = new HashMap<>();

    void add(CaptureMapper.Page page) {
        long key = TextKey.exactHash(PageAddress.twinKey(page.address())) ^ page.textHash();
        groups.computeIfAbsent(key, any -> new ArrayList<>(1)).add(page);
    }

    /** Every page that is the same as the one that stands for its group. */
    List<CaptureMapper.Twin> found() {
        List<CaptureMapper.Twin> twins = new ArrayList<>();
        for (List<CaptureMapper.Page> group : groups.values()) {
            if (group.size() < 2) continue;
            CaptureMapper.Page main = group.stream().min(MAIN).orElseThrow();
            for (CaptureMapper.Page page : group) {
                if (page == main) continue;
                twins.add(new CaptureMapper.Twin(page.id(), main.id(), main.address()));
            }
        }
        return twins;
    }
}
