package lucidsweep.server.release;

import lucidsweep.core.page.Redirects;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** From where to where. Addresses in their normal form have no comma, quote or line break that is not encoded. */
@Component
@Order(6)
final class RedirectsCsv extends RedirectFormat {

    RedirectsCsv() {
        super("redirects", "csv");
    }

    @Override
    public String mediaType() {
        return "text/csv; charset=utf-8";
    }

    @Override
    String above() {
        return "from,to";
    }

    @Override
    String line(Redirects.Redirect redirect) {
        return cell(redirect.from()) + "," + cell(redirect.to());
    }

    private static String cell(String address) {
        return address.contains(",") || address.contains("\"") ? "\"" + address.replace("\"", "\"\"") + "\"" : address;
    }
}
