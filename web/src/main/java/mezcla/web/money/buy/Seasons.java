package mezcla.web.money.buy;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicReference;
import mezcla.leaflet.FilmProcess;
import mezcla.money.Demand;
import mezcla.planning.BatchSize;
import mezcla.planning.Season;
import mezcla.web.clock.LogClock;
import mezcla.web.log.DarkroomLog;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.core.task.TaskExecutor;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Thinks seasons up in the background, and says how far that is. The same question gives the same seasons. */
@Service
public class Seasons {
    /** How many are thought up. */
    public static final int COUNT = 2000;

    private static final long SEED = 20_261;
    private static final int KEPT = 20;

    private final DarkroomLog log;
    private final LogClock clock;
    private final TaskExecutor executor;
    private final Map<Question, Going> going = new LinkedHashMap<>();

    Seasons(DarkroomLog log, LogClock clock, @Qualifier("applicationTaskExecutor") TaskExecutor executor) {
        this.log = log;
        this.clock = clock;
        this.executor = executor;
    }

    private record Question(BatchSize size, List<Double> weeks, double perWeek, int saved) {}

    /** Seasons that are being thought up. */
    public static final class Going {
        private final AtomicInteger done = new AtomicInteger();
        private final AtomicReference<@Nullable Season> season = new AtomicReference<>();

        /** How many there are so far. */
        public int done() {
            return done.get();
        }

        /** All of them; null until they are there. */
        public @Nullable Season season() {
            return season.get();
        }
    }

    /** The seasons of a question: begun when it is first asked. */
    @Transactional(readOnly = true)
    public Going of(BatchSize size, FilmProcess process, double perWeek, int saved) {
        Question question = new Question(size, Demand.byWeek(log.state(), process, clock.instant()), perWeek, saved);
        synchronized (going) {
            Going known = going.get(question);
            if (known == null) {
                Going begun = new Going();
                going.keySet().stream()
                        .findFirst()
                        .filter(first -> going.size() >= KEPT)
                        .ifPresent(going::remove);
                going.put(question, begun);
                executor.execute(() -> begun.season.set(
                        Season.simulate(size, question.weeks(), perWeek, saved, SEED, COUNT, begun.done::set)));
                known = begun;
            }
            return known;
        }
    }
}
