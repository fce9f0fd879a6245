package mezcla;

import java.time.ZoneOffset;
import java.util.List;
import java.util.concurrent.TimeUnit;
import mezcla.batch.LogState;
import mezcla.log.BatchMixed;
import mezcla.log.LogEntry;
import mezcla.log.MixedFill;
import mezcla.verdict.Judging;
import mezcla.verdict.RunPlan;
import mezcla.verdict.RunQuestion;
import mezcla.verdict.School;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** How long thirty batches of sixty runs take to be folded and judged; {@code bin/fold-benchmark} runs it. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(2)
public class FoldBenchmark {
    private static final int BATCHES = 30;
    private static final int RUNS = 60;

    private List<LogEntry> log;
    private RunQuestion question;

    @Setup
    public void write() {
        TestLog rows = new TestLog();
        for (int batch = 1; batch <= BATCHES; batch++) {
            rows.kit(0, batch, Leaflets.negative(), 5000);
            BatchMixed mix = rows.mix(1, batch, batch, 1000);
            Long[] fills = mix.fills().stream().map(MixedFill::fillId).toArray(Long[]::new);
            for (int run = 0; run < RUNS; run++) {
                rows.run(2 + run * 0.3, batch, 1, fills);
            }
        }
        log = List.copyOf(rows.entries());
        question = new RunQuestion(
                List.of(TestLog.roll(0)), 300, 250, Judging.by(School.LEAFLET), TestLog.day(25), ZoneOffset.UTC);
    }

    /** The whole log folded, and every batch judged for the next roll. */
    @Benchmark
    public List<RunPlan> foldAndJudge() {
        return LogState.fold(log).batches().values().stream()
                .map(batch -> RunPlan.of(batch, question))
                .toList();
    }
}
