package lucidsweep.server.rewrite.writer;

import java.util.ArrayList;
import java.util.List;
import lucidsweep.core.compose.LearntNames;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.page.PageAddress;
import lucidsweep.core.writer.AnswerCheck;
import lucidsweep.core.writer.RivalName;
import lucidsweep.core.writer.Vocabulary;
import lucidsweep.server.client.Client;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.gather.imports.Reports;
import lucidsweep.server.item.table.Items;
import org.springframework.stereotype.Component;

/** Prepares to hold answers against the pages of a property: its words and names, and whose names do not belong there. */
@Component
class AnswerRules {

    private static final int RESULTS = 50_000;

    private final Clients clients;
    private final Items items;
    private final Reports reports;

    AnswerRules(Clients clients, Items items, Reports reports) {
        this.clients = clients;
        this.items = items;
        this.reports = reports;
    }

    AnswerCheck of(Property property) {
        Client client = clients.client(property.clientId());
        Vocabulary vocabulary = new Vocabulary();
        LearntNames names = new LearntNames();
        items.forEachTitle(property.id(), title -> {
            vocabulary.add(title);
            names.add(title);
        });
        vocabulary.addNames(names.names());
        vocabulary.addNames(client.placeNames());
        return new AnswerCheck(Words.in(property.language()), vocabulary, others(property, client));
    }

    private List<String> others(Property property, Client own) {
        List<String> others = new ArrayList<>();
        for (Client client : clients.clients()) if (client.id() != own.id()) others.addAll(client.brandNames());
        String home = PageAddress.host(property.address());
        for (Reports.Result result : reports.otherResults(property.id(), "", RESULTS)) {
            String host = PageAddress.host(result.address());
            if (!host.equals(home)) RivalName.of(result.title(), host).ifPresent(others::add);
        }
        // What the client's own name is is nobody else's.
        others.removeIf(name -> own.brandNames().stream().anyMatch(name::equalsIgnoreCase));
        return others.stream().distinct().toList();
    }
}
