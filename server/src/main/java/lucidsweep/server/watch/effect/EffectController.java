package lucidsweep.server.watch.effect;

import java.util.List;
import lucidsweep.core.effect.Effect;
import lucidsweep.core.finding.Stake;
import lucidsweep.server.web.Rows;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

@RestController
@RequestMapping("/api/properties/{propertyId}/watch")
class EffectController {

    private final Effects effects;

    EffectController(Effects effects) {
        this.effects = effects;
    }

    /** What every release brought, and every other part of what is live. */
    @GetMapping("/effects")
    List<EffectRow> effects(@PathVariable long propertyId) {
        return effects.of(propertyId);
    }

    @GetMapping({"/effects.csv", "/effects.xlsx"})
    ResponseEntity<StreamingResponseBody> file(@PathVariable long propertyId) {
        List<EffectRow> rows = effects.of(propertyId);
        return Rows.download("effects", table -> {
            table.row(
                    "kind",
                    "name",
                    "live",
                    "verdict",
                    "clicks",
                    "clicks_low",
                    "clicks_high",
                    "ctr",
                    "position",
                    "items",
                    "held_against",
                    "clicks_a_month",
                    "estimated",
                    "estimated_low",
                    "estimated_high",
                    "in_words");
            for (EffectRow row : rows) {
                Effect effect = row.effect();
                Stake estimated = row.estimated();
                table.row(
                        row.kind(),
                        row.name(),
                        row.live(),
                        row.oneOfSeveral() ? "untold" : effect.verdict().toString(),
                        effect.clicks().share(),
                        effect.clicks().low(),
                        effect.clicks().high(),
                        effect.rate().share(),
                        effect.position().share(),
                        effect.items(),
                        effect.controls(),
                        Math.round(effect.perMonth().clicks()),
                        estimated == null ? "" : Math.round(estimated.clicks()),
                        estimated == null ? "" : Math.round(estimated.low()),
                        estimated == null ? "" : Math.round(estimated.high()),
                        row.words());
            }
        });
    }
}
