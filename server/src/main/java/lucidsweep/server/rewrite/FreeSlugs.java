package lucidsweep.server.rewrite;

import java.util.List;
import java.util.Map;
import lucidsweep.core.page.Slug;

/** Sees to it that no two items get the same address: a slug that is taken is told apart by a number, "kayak-hire-2". */
final class FreeSlugs {

    private static final int MAX_NUMBER = 99;

    private final Edit edit;
    private final SlugClaims claims;

    FreeSlugs(Edit edit) {
        this.edit = edit;
        claims = new SlugClaims(edit.property().id(), edit.items(), edit.drafts());
    }

    List<Proposal> of(List<MadeText> made) {
        Map<Long, String> addresses = edit.items()
                .addresses(made.stream()
                        .filter(each -> each.proposal().changes())
                        .map(each -> each.field().itemId())
                        .toList());
        return made.stream().map(each -> of(each, addresses)).toList();
    }

    private Proposal of(MadeText made, Map<Long, String> addresses) {
        Proposal proposal = made.proposal();
        if (!proposal.changes()) return proposal;
        long item = made.field().itemId();
        String address = addresses.getOrDefault(item, "");
        if (claims.claim(item, Slug.replaced(address, proposal.after()))) return proposal;
        for (int number = 2; number <= MAX_NUMBER; number++) {
            String apart = proposal.after() + "-" + number;
            if (claims.claim(item, Slug.replaced(address, apart))) return made.with(apart, Proposal.Result.TOLD_APART);
        }
        return made.with(proposal.after(), Proposal.Result.ALIKE);
    }
}
