package lucidsweep.server.client;

import jakarta.validation.Valid;
import java.util.List;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
class ClientController {

    private final Clients clients;

    ClientController(Clients clients) {
        this.clients = clients;
    }

    @GetMapping("/clients")
    List<Client> clients() {
        return clients.clients();
    }

    @PostMapping("/clients")
    Client addClient(@Valid @RequestBody ClientForm form) {
        return clients.addClient(form);
    }

    @PutMapping("/clients/{id}")
    Client changeClient(@PathVariable long id, @Valid @RequestBody ClientForm form) {
        return clients.changeClient(id, form);
    }

    @DeleteMapping("/clients/{id}")
    void removeClient(@PathVariable long id) {
        clients.removeClient(id, true);
    }

    @PostMapping("/clients/{id}/restore")
    void restoreClient(@PathVariable long id) {
        clients.removeClient(id, false);
    }

    @GetMapping("/properties/{id}")
    Property property(@PathVariable long id) {
        return clients.property(id);
    }

    @PostMapping("/properties")
    Property addProperty(@Valid @RequestBody PropertyForm form) {
        return clients.addProperty(form);
    }

    @PutMapping("/properties/{id}")
    Property changeProperty(@PathVariable long id, @Valid @RequestBody PropertyForm form) {
        return clients.changeProperty(id, form);
    }

    @DeleteMapping("/properties/{id}")
    void removeProperty(@PathVariable long id) {
        clients.removeProperty(id, true);
    }

    @PostMapping("/properties/{id}/restore")
    void restoreProperty(@PathVariable long id) {
        clients.removeProperty(id, false);
    }

    @GetMapping("/removed")
    List<Removed> removed() {
        return clients.removed();
    }
}
