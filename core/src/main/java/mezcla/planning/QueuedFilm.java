package mezcla.planning;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import mezcla.batch.Voiding;
import mezcla.leaflet.FilmProcess;
import mezcla.log.EntryGroup;
import mezcla.log.EntryKind;
import mezcla.log.FilmDropped;
import mezcla.log.FilmHandled;
import mezcla.log.FilmStage;
import mezcla.log.LogEntry;
import mezcla.log.Roll;
import org.jspecify.annotations.Nullable;

/**
 * Film that was left to be run, and how far it has come (rules, section 10).
 *
 * @param dropped the row with which it was left or announced
 * @param where how far it has come
 * @param run the row of the run that it is in, or was; null for none
 * @param batch the batch of that run; null for none
 * @param hangs where it hangs or hung; null where nobody said
 * @param since when it came so far
 */
public record QueuedFilm(
        FilmDropped dropped,
        Where where,
        @Nullable Long run,
        @Nullable Long batch,
        @Nullable String hangs,
        Instant since) {
    /** How far film has come. */
    public enum Where {
        /** Somebody said that they will bring it. */
        ANNOUNCED("announced"),
        /** It waits for a run. */
        WAITS("waits"),
        /** It is in a tank. */
        IN_THE_TANK("in the tank"),
        /** It hangs, wet. */
        HANGS("hangs"),
        /** It is dry and taken down. */
        DRIED("dry"),
        /** It is cut and sleeved. */
        SLEEVED("sleeved"),
        /** Its owner has it. */
        COLLECTED("collected"),
        /** It was taken back unprocessed. */
        WITHDRAWN("taken back");

        private final String words;

        Where(String words) {
            this.words = words;
        }

        /** In words. */
        public String words() {
            return words;
        }

        /** Whether it is still to be run. */
        public boolean isToCome() {
            return this == ANNOUNCED || this == WAITS;
        }

        /** Whether it was run, and its owner does not have it yet. */
        public boolean isToCollect() {
            return this == HANGS || this == DRIED || this == SLEEVED;
        }
    }

    /** Who needs film first: what has a day, the earliest; then what came first. */
    public static final Comparator<QueuedFilm> MOST_URGENT_FIRST = Comparator.comparing(
                    (QueuedFilm film) -> film.dropped().by(), Comparator.nullsLast(Comparator.naturalOrder()))
            .thenComparing(film -> film.dropped().stamp().happenedAt())
            .thenComparing(QueuedFilm::id);

    /** Its number, by which it is kept. */
    public long id() {
        return dropped.filmId();
    }

    /** What is written on its can. */
    public String code() {
        return code(id());
    }

    /** What is written on the can of film of that number. */
    public static String code(long id) {
        return "K" + id;
    }

    /** What it is, under its number. */
    public Roll roll() {
        return dropped.roll().queuedAs(id());
    }

    /** What it is as far as that makes a difference for a run: without owner, name and number. */
    public Roll asLoaded() {
        Roll roll = dropped.roll();
        Roll.Film film = roll.film();
        return new Roll(
                "",
                roll.format(),
                roll.equivalents(),
                roll.stops(),
                roll.irreplaceable(),
                film == null
                        ? null
                        : new Roll.Film(null, null, film.correctionSeconds(), film.madeFor(), film.carbonBacking()));
    }

    /** Whether both may go into one tank: one process, push and correction, made for the same, with or without carbon. */
    public boolean sharesTankWith(QueuedFilm other) {
        Roll.Film of = Objects.requireNonNullElse(dropped.roll().film(), Roll.Film.PLAIN);
        Roll.Film with = Objects.requireNonNullElse(other.dropped.roll().film(), Roll.Film.PLAIN);
        return dropped.process().equals(other.dropped.process())
                && dropped.roll().stops() == other.dropped.roll().stops()
                && of.correctionSeconds() == with.correctionSeconds()
                && Objects.equals(of.madeFor(), with.madeFor())
                && of.carbonBacking() == with.carbonBacking();
    }

    /**
     * By what film is found that is kept alike with it: whoever brought it calls that the same, however it is capitalised, and
     * it goes through the same process. Null where it is kept alike with none.
     */
    public @Nullable String alike() {
        String called = dropped.alike();
        return called == null
                ? null
                : String.join(
                        "\n",
                        dropped.broughtBy(),
                        dropped.process(),
                        called.strip().toLowerCase(Locale.ROOT));
    }

    /** What it is to go through. */
    public FilmProcess process() {
        return FilmProcess.of(dropped.process());
    }

    /**
     * The film of a log that was ever left, in the order of leaving; what was voided does not count, so a run that was
     * voided gives its film back to the queue.
     *
     * @param log the rows, in any order: they count by when they happened
     */
    public static List<QueuedFilm> of(Collection<LogEntry> log) {
        if (log.stream().allMatch(entry -> entry.filmLeft().isEmpty())) {
            return List.of();
        }
        Set<Long> voided = Voiding.voided(log);
        Map<Long, QueuedFilm> films = new LinkedHashMap<>();
        log.stream()
                .filter(entry ->
                        entry.kind().group() == EntryGroup.FILM || entry.kind().group() == EntryGroup.RUNS)
                .filter(entry -> !voided.contains(entry.stamp().sequence()))
                .sorted(Comparator.comparing((LogEntry entry) -> entry.stamp().happenedAt())
                        .thenComparingLong(entry -> entry.stamp().sequence()))
                .forEach(entry -> add(entry, films));
        return new ArrayList<>(films.values());
    }

    private static void add(LogEntry entry, Map<Long, QueuedFilm> films) {
        entry.filmLeft()
                .ifPresent(film -> films.putIfAbsent(
                        film.filmId(),
                        new QueuedFilm(
                                film,
                                film.here() ? Where.WAITS : Where.ANNOUNCED,
                                null,
                                null,
                                null,
                                film.stamp().happenedAt())));
        entry.filmHandled().ifPresent(handled -> handled.filmIds()
                .forEach(id -> films.computeIfPresent(id, (same, film) -> film.handled(handled))));
        entry.ends().ifPresent(start -> back(films, start));
        ran(films, entry);
    }

    private static void ran(Map<Long, QueuedFilm> films, LogEntry run) {
        boolean begun = run.kind() == EntryKind.RUN_STARTED;
        for (Roll roll : run.rolls()) {
            if (roll.queued() != null) {
                films.computeIfPresent(
                        roll.queued(),
                        (id, film) -> new QueuedFilm(
                                film.dropped,
                                begun ? Where.IN_THE_TANK : Where.HANGS,
                                run.stamp().sequence(),
                                run.batchNamed().orElse(null),
                                run.hangs(),
                                run.stamp().happenedAt()));
            }
        }
    }

    /** What was in a tank waits again. */
    private static void back(Map<Long, QueuedFilm> films, long start) {
        films.replaceAll((id, film) -> film.run != null && film.run == start
                ? new QueuedFilm(
                        film.dropped,
                        Where.WAITS,
                        null,
                        null,
                        null,
                        film.dropped.stamp().happenedAt())
                : film);
    }

    private QueuedFilm handled(FilmHandled handled) {
        Where next = next(handled.stage());
        return next == null
                ? this
                : new QueuedFilm(
                        dropped, next, run, batch, hangs, handled.stamp().happenedAt());
    }

    /** Where a stage leads from here; null where it makes no sense, for instance of film that is not run yet. */
    private @Nullable Where next(FilmStage stage) {
        return switch (stage) {
            case HERE -> where == Where.ANNOUNCED ? Where.WAITS : null;
            case WITHDRAWN -> where.isToCome() ? Where.WITHDRAWN : null;
            case DRIED -> where == Where.HANGS ? Where.DRIED : null;
            case SLEEVED -> where == Where.HANGS || where == Where.DRIED ? Where.SLEEVED : null;
            case COLLECTED -> where.isToCollect() ? Where.COLLECTED : null;
        };
    }

    /** Whether somebody may say of it, as it is now, that it came so far. */
    public boolean mayBecome(FilmStage stage) {
        return next(stage) != null;
    }
}
