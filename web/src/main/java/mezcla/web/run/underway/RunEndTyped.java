package mezcla.web.run.underway;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import mezcla.batch.FillState;
import mezcla.log.RunBath;
import mezcla.log.RunStarted;
import mezcla.measure.ProcessingTime;
import mezcla.processing.BathTemperature;
import mezcla.processing.RunProgress;
import mezcla.web.forms.declared.Sent;
import mezcla.web.ribbon.RibbonService;
import mezcla.web.run.plan.RunTyped;
import mezcla.web.words.Figures;
import mezcla.web.words.Units;
import org.jspecify.annotations.Nullable;

/** What a member typed about how a run went. */
class RunEndTyped extends RunTyped {
    /** Whether nobody said yet which baths the film had reached. */
    private final boolean fresh;

    RunEndTyped(Sent<?> sent) {
        super(sent);
        fresh = !sent.chosen().containsKey("formKey");
    }

    /** Begins with what was planned. */
    void beginWith(RunStarted start) {
        beginWith(start.rolls());
        for (RunBath bath : start.baths()) {
            if (bath.seconds() != null) {
                sent().put(
                                "times[" + bath.fillId() + "]",
                                ProcessingTime.ofSeconds(bath.seconds()).toString());
            }
            if (bath.celsius() != null) {
                sent().put("temperatures[" + bath.fillId() + "]", Figures.celsius(bath.celsius()));
            }
        }
    }

    /** Goes on with what was confirmed while it was under way. */
    void beginWith(RibbonService.Running running, RunProgress progress) {
        for (RunProgress.Passed passed : progress.passed()) {
            String bath = running.steps().steps().get(passed.step()).bath();
            if (bath == null) {
                continue;
            }
            running.batch().fills().stream()
                    .filter(each -> each.discarded() == null
                            && running.batch().placeOf(each).equals(bath))
                    .map(FillState::id)
                    .findFirst()
                    .ifPresent(fill -> {
                        if (fresh) {
                            sent().choose("reached", fill);
                        }
                        if (passed.realSeconds() != null) {
                            sent().put("times[" + fill + "]", Figures.clock(passed.realSeconds()));
                        }
                        if (passed.celsius() != null) {
                            sent().put("temperatures[" + fill + "]", Figures.celsius(passed.celsius()));
                        }
                    });
        }
    }

    /** Reads what a bath really had; what is left empty was not noted. */
    RunBath really(RunBath planned) {
        long fill = planned.fillId();
        Integer seconds = sent().read("time" + fill, () -> seconds(at("times[" + fill + "]")));
        Double celsius = sent().read("temperature" + fill, () -> celsius(at("temperatures[" + fill + "]")));
        return planned.really(seconds, celsius);
    }

    private static @Nullable Integer seconds(String typed) {
        return typed.isBlank() ? null : ProcessingTime.parse(typed).seconds();
    }

    private static @Nullable Double celsius(String typed) {
        return typed.isBlank()
                ? null
                : BathTemperature.parse(typed, Units.shown().temperature());
    }

    /** The fills that the film had reached when the run was given up. */
    Set<Long> reached() {
        return sent().chosen().getOrDefault("reached", List.of()).stream()
                .filter(fill -> fill.matches("[0-9]{1,9}"))
                .map(Long::valueOf)
                .collect(Collectors.toCollection(LinkedHashSet::new));
    }
}
