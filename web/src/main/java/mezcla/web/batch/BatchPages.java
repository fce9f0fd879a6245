package mezcla.web.batch;

import java.util.List;
import java.util.Map;
import mezcla.web.drums.WasteService;
import mezcla.web.look.LifeService;
import mezcla.web.look.LookService;
import mezcla.web.photo.Photos;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** Puts the page of a batch together, within the one read transaction of its page. */
@Service
class BatchPages {
    private final BatchService batches;
    private final LookService looks;
    private final LifeService life;
    private final WasteService waste;
    private final Photos photos;

    BatchPages(BatchService batches, LookService looks, LifeService life, WasteService waste, Photos photos) {
        this.batches = batches;
        this.looks = looks;
        this.life = life;
        this.waste = waste;
        this.photos = photos;
    }

    /**
     * The page of a batch.
     *
     * @param photos of its film
     * @param due the film that somebody should look at; null for none
     * @param hanging the film that is not dry yet
     * @param life of its developer; null where it has none that stands
     * @param routes where waste can go
     */
    record Page(
            BatchView batch,
            List<Photos.Photo> photos,
            LookService.@Nullable Due due,
            List<LookService.Film> hanging,
            LifeService.@Nullable Life life,
            Map<String, String> routes) {}

    Page batch(long id) {
        return new Page(
                batches.batch(id),
                photos.ofBatch(id),
                looks.due(id).orElse(null),
                looks.hanging(id),
                life.ofBatch(id),
                waste.destinations());
    }
}
