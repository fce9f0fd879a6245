package mezcla.web.archive;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.http.HttpHeaders;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;

/** The house to save, in open formats. */
@Controller
class ArchiveController {
    private final HouseArchive archive;

    ArchiveController(HouseArchive archive) {
        this.archive = archive;
    }

    /** Written as it is read, so that a house of many photos needs no room in memory. */
    @GetMapping("/house/data/house.zip")
    @PreAuthorize("hasRole('STEWARD')")
    void save(HttpServletResponse answer) throws IOException {
        answer.setContentType("application/zip");
        answer.setHeader(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"mezcla-house.zip\"");
        archive.write(answer.getOutputStream());
    }
}
