package lucidsweep.server.aim.places;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import lucidsweep.server.web.Rows;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

@RestController
@RequestMapping("/api/properties/{propertyId}")
class PlaceController {

    private final PlaceGrids grids;
    private final BrandSpellings spellings;

    PlaceController(PlaceGrids grids, BrandSpellings spellings) {
        this.grids = grids;
        this.spellings = spellings;
    }

    @GetMapping("/places")
    PlaceGridView places(@PathVariable long propertyId) {
        return grids.of(propertyId);
    }

    /** The services of the grid; none for those that the keywords speak of. */
    record ChosenServices(@NotNull List<@NotNull String> services) {}

    @PutMapping("/places/services")
    void choose(@PathVariable long propertyId, @Valid @RequestBody ChosenServices chosen) {
        grids.choose(propertyId, chosen.services());
    }

    @GetMapping({"/places.csv", "/places.xlsx"})
    ResponseEntity<StreamingResponseBody> csv(@PathVariable long propertyId) {
        List<PlaceGridView.GridCell> cells = grids.of(propertyId).cells();
        return Rows.download("places", csv -> {
            csv.row("service", "place", "keyword", "volume", "address", "aimed");
            cells.forEach(cell -> csv.row(
                    cell.service(),
                    cell.place(),
                    cell.phrase(),
                    cell.volume(),
                    cell.address(),
                    cell.itemId() == null ? "" : cell.aimed() ? "yes" : "no"));
        });
    }

    @GetMapping("/brand")
    BrandSpellings.Brand brand(@PathVariable long propertyId) {
        return spellings.of(propertyId);
    }
}
