package mezcla.web.photo;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import mezcla.measure.Refusal;
import mezcla.web.forms.FormObjection;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.io.FileSystemResource;
import org.springframework.core.io.Resource;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/** Keeps photos in a folder beside the database, under names that say nothing. */
@Service
public class Photos {
    private static final Logger LOG = LoggerFactory.getLogger(Photos.class);

    private final PhotoMapper mapper;
    private final Path folder;

    Photos(PhotoMapper mapper, @Value("${mezcla.data}") Path data) {
        this.mapper = mapper;
        this.folder = data.resolve("photos");
    }

    /**
     * A photo that belongs to a look at film.
     *
     * @param look the sequence of the look's row
     * @param file its name
     * @param width in pixels
     * @param height in pixels
     */
    public record Photo(long look, String file, int width, int height) {}

    /**
     * Keeps the photo of a look. Its file goes again when the transaction does, and no half of it stays.
     *
     * @param look the sequence of the look's row
     * @throws Refusal {@code photo-not-kept} when there is no room
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public void keep(long look, Picture picture) {
        String name = UUID.randomUUID() + ".jpg";
        Path file = folder.resolve(name);
        Path part = folder.resolve(name + ".part");
        try {
            Files.createDirectories(folder);
            Files.write(part, picture.jpeg());
            Files.move(part, file, StandardCopyOption.ATOMIC_MOVE);
        } catch (IOException e) {
            remove(part);
            throw Refusal.of(new FormObjection.PhotoNotKept());
        }
        TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
            @Override
            public void afterCompletion(int status) {
                if (status != STATUS_COMMITTED) {
                    remove(file);
                }
            }
        });
        mapper.add(new PhotoMapper.Row(look, name, picture.width(), picture.height()));
    }

    private static void remove(Path file) {
        try {
            Files.deleteIfExists(file);
        } catch (IOException e) {
            LOG.warn("A photo that is not kept could not be removed: {}", e.getMessage());
        }
    }

    /** The photos of a batch's film, the latest first. */
    @Transactional(readOnly = true)
    public List<Photo> ofBatch(long batchId) {
        return mapper.ofBatch(batchId).stream()
                .map(row -> new Photo(row.sequence(), row.file(), row.width(), row.height()))
                .toList();
    }

    /** The photo of that name; empty where none was ever kept under it, or its file is gone. */
    @Transactional(readOnly = true)
    public Optional<Resource> named(String name) {
        if (mapper.count(name) == 0) {
            return Optional.empty();
        }
        Path file = folder.resolve(name);
        return Files.exists(file) ? Optional.of(new FileSystemResource(file)) : Optional.empty();
    }
}
