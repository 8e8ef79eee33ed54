package lucidsweep.core.finding;

import lucidsweep.core.page.PageFacts;

/** A check that notes something of a page when it is captured, and has it at hand when the item is looked at. */
interface Noting {

    /** What is to be kept of a page that was found at an address; "" for nothing. */
    String note(PageFacts page, String address);
}
