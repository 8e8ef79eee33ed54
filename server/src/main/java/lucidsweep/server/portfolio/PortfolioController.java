package lucidsweep.server.portfolio;

import java.util.List;
import lucidsweep.server.client.Clients;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
class PortfolioController {

    private final Clients clients;
    private final Standings standings;

    PortfolioController(Clients clients, Standings standings) {
        this.clients = clients;
        this.standings = standings;
    }

    @GetMapping("/portfolio")
    List<Standing> portfolio() {
        return standings.of(clients.properties());
    }

    @GetMapping("/properties/{id}/standing")
    Standing standing(@PathVariable long id) {
        return standings.of(List.of(clients.property(id))).get(0);
    }
}
