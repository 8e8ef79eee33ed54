package lucidsweep.server.release;

import java.util.Comparator;
import java.util.List;
import java.util.stream.Collectors;
import lucidsweep.server.client.Property;
import lucidsweep.server.web.Refusal;
import org.springframework.stereotype.Component;

/** All formats of handovers, in the order in which they are offered. */
@Component
class HandoverFormats {

    private final List<HandoverFormat> formats;

    HandoverFormats(List<HandoverFormat> formats) {
        this.formats = formats;
    }

    /** The formats that a property can be delivered in. */
    List<HandoverFormat> of(Property property) {
        return formats.stream()
                .filter(format -> format.objection(property).isEmpty())
                .sorted(Comparator.comparing(format -> !format.isUsualFor(property)))
                .toList();
    }

    /** @throws Refusal where there is none of that name */
    HandoverFormat find(String code) {
        return formats.stream()
                .filter(format -> format.code().equals(code))
                .findFirst()
                .orElseThrow(() -> Refusal.badInput("expected one of "
                        + formats.stream().map(HandoverFormat::code).collect(Collectors.joining(", ")) + ", got \""
                        + code + "\""));
    }
}
