package lucidsweep.server.rewrite.blocks;

import java.net.URI;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import lucidsweep.core.page.PageAddress;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.gather.crawl.AddressGuard;
import lucidsweep.server.gather.crawl.Fetched;
import lucidsweep.server.gather.crawl.Fetcher;
import org.springframework.stereotype.Component;

/** Asks for every address in the blocks of a property, whether anything answers there. */
@Component
class BlockLinks {

    private static final Pattern ADDRESS = Pattern.compile("https?://[^\\s<>\"“”]+[^\\s<>\"“”.,;:!?)\\]]");
    private static final int MOST = 50;

    private final TextBlocks blocks;
    private final Clients clients;

    BlockLinks(TextBlocks blocks, Clients clients) {
        this.blocks = blocks;
        this.clients = clients;
    }

    /**
     * What an address answers.
     *
     * @param block the name of the first block that it stands in
     * @param works whether it leads anywhere
     */
    record CheckedLink(String address, String block, boolean works, String says) {}

    List<CheckedLink> check(long propertyId) {
        Property property = clients.property(propertyId);
        AddressGuard guard = new AddressGuard(property.privateAllowed());
        Map<String, String> addresses = new LinkedHashMap<>();
        for (TextBlock block : blocks.ofProperty(propertyId)) {
            ADDRESS.matcher(block.text())
                    .results()
                    .forEach(found -> addresses.putIfAbsent(found.group(), block.name()));
        }
        List<CheckedLink> checked = new ArrayList<>();
        try (Fetcher fetcher = new Fetcher(guard)) {
            addresses.forEach((address, block) -> checked.add(
                    checked.size() < MOST
                            ? check(address, block, guard, fetcher)
                            : new CheckedLink(address, block, false, "was not asked for: " + MOST + " are at once")));
        }
        return checked;
    }

    private static CheckedLink check(String address, String block, AddressGuard guard, Fetcher fetcher) {
        Optional<URI> at = PageAddress.of(address);
        if (at.isEmpty()) return new CheckedLink(address, block, false, "is no address");
        Optional<String> objection = guard.objection(at.get());
        if (objection.isPresent()) return new CheckedLink(address, block, false, objection.get());
        try {
            Fetched answer = fetcher.get(at.get());
            boolean works = answer.status() < 400;
            String leads = answer.location().isEmpty() ? "" : ", leads to " + answer.location();
            return new CheckedLink(address, block, works, "answers " + answer.status() + leads);
        } catch (Fetcher.Unreachable e) {
            return new CheckedLink(address, block, false, e.getMessage());
        }
    }
}
