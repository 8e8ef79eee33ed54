package lucidsweep.server.watch.move;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import lucidsweep.server.web.Rows;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

@RestController
@RequestMapping("/api/properties/{propertyId}/watch")
class MoveController {

    private final FoundMoves moves;

    MoveController(FoundMoves moves) {
        this.moves = moves;
    }

    /** The sudden moves of the last weeks; those set aside, or all others. */
    @GetMapping("/moves")
    List<MoveRow> moves(
            @PathVariable long propertyId,
            @RequestParam(defaultValue = "26") int weeks,
            @RequestParam(defaultValue = "false") boolean aside) {
        return moves.of(propertyId, weeks, aside);
    }

    @GetMapping({"/moves.csv", "/moves.xlsx"})
    ResponseEntity<StreamingResponseBody> file(
            @PathVariable long propertyId, @RequestParam(defaultValue = "26") int weeks) {
        List<MoveRow> rows = moves.of(propertyId, weeks, false);
        return Rows.download("moves", table -> {
            table.row(
                    "week_from",
                    "what",
                    "reaches",
                    "name",
                    "says",
                    "before",
                    "after",
                    "times",
                    "noises",
                    "moved",
                    "of",
                    "clicks_a_month",
                    "near");
            for (MoveRow row : rows) {
                table.row(
                        row.day(),
                        row.what().toString(),
                        row.spread() + " " + row.side(),
                        row.name(),
                        row.says(),
                        row.level().before(),
                        row.level().after(),
                        row.level().ratio(),
                        row.level().noises(),
                        row.level().series(),
                        row.level().of(),
                        Math.round(row.level().clicksPerMonth()),
                        String.join(
                                "; ",
                                row.near().stream().map(MoveRow.NearEvent::text).toList()));
            }
        });
    }

    /** A move, and why it needs nobody. */
    record MoveAside(
            @NotNull(message = "is needed") @Size(max = 1_000, message = "has at most 1,000 characters")
            String key,

            @NotBlank(message = "is needed") @Size(max = 1_000, message = "has at most 1,000 characters")
            String reason) {}

    @PostMapping("/moves/aside")
    void setAside(@PathVariable long propertyId, @Valid @RequestBody MoveAside move) {
        moves.setAside(propertyId, move.key(), move.reason().strip());
    }

    /** A move by its key. */
    record MoveKey(@NotNull(message = "is needed") String key) {}

    /** Takes up a move again that was set aside. */
    @PostMapping("/moves/again")
    void takeUp(@PathVariable long propertyId, @Valid @RequestBody MoveKey move) {
        moves.takeUp(propertyId, move.key());
    }
}
