package lucidsweep.server.gather.crawl;

import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/properties/{propertyId}/login")
class LoginController {

    private final Logins logins;

    LoginController(Logins logins) {
        this.logins = logins;
    }

    /** A login without its secrets; "" where there is none. */
    record LoginNames(String user, String header) {}

    /** A login as it is typed; null or "" for what there is not. */
    record LoginForm(String user, String password, String header, String value) {}

    @GetMapping
    LoginNames login(@PathVariable long propertyId) {
        Login login = logins.of(propertyId);
        return new LoginNames(login.user(), login.header());
    }

    @PutMapping
    LoginNames setLogin(@PathVariable long propertyId, @RequestBody LoginForm form) {
        logins.set(
                propertyId, new Login(given(form.user), given(form.password), given(form.header), given(form.value)));
        return login(propertyId);
    }

    private static String given(String text) {
        return text == null ? "" : text;
    }
}
