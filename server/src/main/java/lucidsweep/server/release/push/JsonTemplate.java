package lucidsweep.server.release.push;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.net.URI;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import lucidsweep.core.item.Field;
import lucidsweep.core.page.PageAddress;
import lucidsweep.core.page.Slug;

/**
 * How the requests to a content system look that speaks JSON. In addresses and headers stand in braces what differs from item
 * to item: {@code {address}}, {@code {path}}, {@code {slug}}, {@code {id}} (of a listing or video, or as the system calls an
 * item); and in headers {@code {secret}}.
 *
 * <pre>{@code
 * read    https://shop.example/api/pages?path={path}
 * write   https://shop.example/api/pages/{id}
 * fields  title → meta.title, description → meta.description
 * }</pre>
 *
 * @param read address from which an item is read with GET
 * @param write address to which its changed fields are sent
 * @param method of the request that writes
 * @param headers of all requests
 * @param fields where in the answer, and in what is written, each field stands: names separated by dots
 * @param id where in the answer the system's own name of the item stands; "" where it is not needed
 * @param version where its version stands, which is sent back with a change; "" where it has none
 */
record JsonTemplate(
        @NotNull @Size(max = 2_000, message = "has at most 2,000 characters")
        String read,

        @NotNull @Size(max = 2_000, message = "has at most 2,000 characters")
        String write,

        @NotNull @Pattern(regexp = "PUT|PATCH|POST", message = "is PUT, PATCH or POST")
        String method,

        @NotNull @Size(max = 20, message = "has at most 20 entries")
        Map<@Size(max = 100) String, @Size(max = 2_000) String> headers,

        @NotEmpty(message = "needs at least one field")
        Map<Field, @NotBlank(message = "says where it stands") @Size(max = 300) String> fields,

        @NotNull @Size(max = 300, message = "has at most 300 characters")
        String id,

        @NotNull @Size(max = 300, message = "has at most 300 characters")
        String version) {

    /**
     * An address for an item.
     *
     * @param template with what stands in braces
     * @param id as the system calls the item; null while it is not known
     */
    static String filled(String template, String address, String id) {
        String path = PageAddress.of(address).map(URI::getPath).orElse(address);
        return template.replace("{address}", encoded(address))
                .replace("{path}", encoded(path))
                .replace("{slug}", encoded(Slug.of(address).text()))
                .replace("{id}", encoded(id == null ? address : id));
    }

    static String encoded(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8).replace("+", "%20");
    }
}
