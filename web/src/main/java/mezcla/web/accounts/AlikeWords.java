package mezcla.web.accounts;

import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import mezcla.log.LogEntry;
import mezcla.log.Roll;
import mezcla.log.RunBath;
import mezcla.planning.KeptAlike;
import mezcla.planning.QueuedFilm;
import mezcla.verdict.RunPlan;
import mezcla.web.log.DarkroomLog;
import mezcla.web.settings.HouseService;
import mezcla.web.words.Figures;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What is said of a run whose film is to be kept alike with other film: where that went, and what of it still waits. */
@Service
public class AlikeWords {
    private final HouseAccounts accounts;
    private final DarkroomLog log;
    private final HouseService houses;

    AlikeWords(HouseAccounts accounts, DarkroomLog log, HouseService houses) {
        this.accounts = accounts;
        this.log = log;
        this.houses = houses;
    }

    /** A sentence for each that is not as it was asked for. */
    @Transactional(readOnly = true)
    public List<String> of(@Nullable RunPlan plan) {
        Set<Long> loaded = plan == null
                ? Set.of()
                : plan.question().rolls().stream()
                        .map(Roll::queued)
                        .filter(Objects::nonNull)
                        .collect(Collectors.toSet());
        if (plan == null || loaded.isEmpty()) {
            return List.of();
        }
        List<QueuedFilm> all = accounts.film();
        return all.stream()
                .filter(film -> loaded.contains(film.id()))
                .flatMap(film -> KeptAlike.with(film, all).stream())
                .distinct()
                .flatMap(alike -> Stream.concat(
                                alike.begun().flatMap(begun -> otherwise(begun, plan)).stream(),
                                rest(alike, loaded).stream())
                        .map(said -> "“%s” is kept alike: %s".formatted(alike.name(), said)))
                .toList();
    }

    private Optional<String> otherwise(QueuedFilm begun, RunPlan plan) {
        LogEntry run = log.book().entry(Objects.requireNonNull(begun.run()));
        long batch = Objects.requireNonNull(begun.batch());
        Optional<RunPlan.PlannedBath> developer = plan.imageDeveloper();
        Double then = developerC(run, batch);
        Double now = developer
                .flatMap(plan::celsius)
                .or(() -> developer.map(bath -> bath.fill().bath().timing().atC()))
                .orElse(null);
        return KeptAlike.isAlike(plan.batch().id(), now, batch, then)
                ? Optional.empty()
                : Optional.of("%s went through batch %d%s on %s."
                        .formatted(
                                begun.code(),
                                batch,
                                then == null ? "" : " at " + Figures.celsius(then),
                                Figures.day(
                                        run.stamp().happenedAt(), houses.house().timeZone())));
    }

    /** How warm the developer of a run was; null where nobody measured. */
    private @Nullable Double developerC(LogEntry run, long batch) {
        return log.state()
                .batch(batch)
                .imageDeveloper()
                .flatMap(developer -> run.baths().stream()
                        .filter(bath -> bath.fillId() == developer.id())
                        .findFirst())
                .map(RunBath::celsius)
                .orElse(null);
    }

    private static Optional<String> rest(KeptAlike alike, Set<Long> loaded) {
        String rest = alike.films().stream()
                .filter(film -> film.where().isToCome() && !loaded.contains(film.id()))
                .map(QueuedFilm::code)
                .collect(Collectors.joining(", "));
        return rest.isEmpty() ? Optional.empty() : Optional.of("run %s this evening too.".formatted(rest));
    }
}
