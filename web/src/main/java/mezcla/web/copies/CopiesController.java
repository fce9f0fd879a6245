package mezcla.web.copies;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.time.ZoneId;
import java.util.List;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.declared.RefusedAt;
import mezcla.web.forms.declared.Sent;
import mezcla.web.settings.HouseService;
import mezcla.web.words.Figures;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.io.FileSystemResource;
import org.springframework.core.io.Resource;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.ModelAndView;

/** Copies of the house: what there is, and another one. */
@Controller
@PreAuthorize("hasRole('STEWARD')")
class CopiesController {
    private static final double BYTES_A_MEGABYTE = 1e6;

    private final DailyCopies copies;
    private final HouseService houses;
    private final OneTimeForms forms;
    private final Path data;

    CopiesController(DailyCopies copies, HouseService houses, OneTimeForms forms, @Value("${mezcla.data}") Path data) {
        this.copies = copies;
        this.houses = houses;
        this.forms = forms;
        this.data = data;
    }

    /**
     * The page of copies.
     *
     * @param heading when the last one was made
     * @param trouble why the last one could not be made; empty where it was
     * @param copies what is kept
     * @param folder where it lies
     */
    record Page(String heading, String trouble, List<Line> copies, String folder) {}

    /** A copy, in words. */
    record Line(String name, String day, String size) {}

    @GetMapping("/house/data")
    ModelAndView page() {
        return page(Sent.nothing());
    }

    private ModelAndView page(Sent<?> sent) {
        ZoneId zone = houses.house().timeZone();
        List<DailyCopies.Kept> kept = copies.kept();
        return PageView.of(
                "copies/copies",
                new Page(
                        kept.isEmpty()
                                ? "No copy has been made yet"
                                : "The last copy is of "
                                        + Figures.dayAndHour(kept.get(0).madeAt(), zone),
                        copies.trouble().orElse(""),
                        kept.stream()
                                .map(copy -> new Line(
                                        copy.name(),
                                        Figures.dayAndHour(copy.madeAt(), zone),
                                        Figures.plain(copy.bytes() / BYTES_A_MEGABYTE, 1) + "\u00a0MB"))
                                .toList(),
                        data.toAbsolutePath().normalize().resolve("copies").toString()),
                sent);
    }

    /** Another copy. */
    @RefusedAt("copy")
    record CopyForm() {}

    @PostMapping("/house/data/copies")
    ModelAndView now(Sent<CopyForm> sent) {
        return forms.answer(
                sent,
                "/house/data?made",
                form -> {
                    try {
                        copies.now();
                    } catch (IOException failed) {
                        throw new UncheckedIOException(failed);
                    }
                },
                () -> page(sent));
    }

    @GetMapping("/house/data/copies/{name}")
    ResponseEntity<Resource> file(@PathVariable String name) {
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType("application/zip"))
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + name + "\"")
                .body(new FileSystemResource(copies.file(name)));
    }
}
