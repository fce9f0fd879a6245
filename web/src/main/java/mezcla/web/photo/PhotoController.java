package mezcla.web.photo;

import mezcla.measure.Refusal;
import mezcla.web.forms.FormObjection;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

/** Shows photos to whoever is signed in. */
@Controller
class PhotoController {
    private final Photos photos;

    PhotoController(Photos photos) {
        this.photos = photos;
    }

    @GetMapping("/photos/{name}")
    ResponseEntity<Resource> photo(@PathVariable String name) {
        return ResponseEntity.ok()
                .contentType(MediaType.IMAGE_JPEG)
                .cacheControl(CacheControl.noStore())
                .body(photos.named(name).orElseThrow(() -> Refusal.of(new FormObjection.UnknownPhoto(name))));
    }
}
