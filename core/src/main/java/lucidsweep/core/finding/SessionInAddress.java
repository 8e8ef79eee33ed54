package lucidsweep.core.finding;

import java.util.function.Consumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import lucidsweep.core.item.Field;

/** A session or a tracking parameter in a page's address, which makes many addresses of one page. */
final class SessionInAddress extends Check {

    private static final Pattern SESSION = Pattern.compile(
            "(?i)[;?&](?:jsessionid|phpsessid|aspsessionid\\w*|sessionid|session_id|sid|utm_\\w+|gclid|fbclid|msclkid)=");

    SessionInAddress() {
        super(Field.SLUG, "session", "session or tracking", Cost.NEITHER, Fix.BY_HAND);
    }

    @Override
    Sentence sentence() {
        return Sentence.ofItems(
                "has a session or tracking in its address", "have sessions or tracking in their addresses");
    }

    @Override
    void look(InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        String address = item.address().text();
        if (!item.isPage() || address.indexOf('=') < 0) return;
        Matcher session = SESSION.matcher(address);
        if (session.find()) found.accept(finding("“" + session.group().substring(1) + "” stands in the address"));
    }
}
