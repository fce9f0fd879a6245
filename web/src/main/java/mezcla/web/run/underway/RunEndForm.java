package mezcla.web.run.underway;

import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Set;
import mezcla.batch.FillState;
import mezcla.log.AirKept;
import mezcla.log.RunBath;
import mezcla.log.RunStarted;
import mezcla.measure.ProcessingTime;
import mezcla.processing.BathTemperature;
import mezcla.processing.RunProgress;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.typed.TypedChoice;
import mezcla.web.ribbon.RibbonService;
import mezcla.web.run.plan.RunForm;
import mezcla.web.words.Figures;
import mezcla.web.words.Units;
import org.jspecify.annotations.Nullable;

/** What a member typed about how a run went, as it was typed. */
public class RunEndForm extends RunForm {
    private Map<Long, String> times = new HashMap<>();
    private Map<Long, String> temperatures = new HashMap<>();
    private String air = "";
    private String hangs = "";
    private Set<Long> reached = new LinkedHashSet<>();

    /** The fills that the film had reached when the run was given up. */
    public Set<Long> getReached() {
        return reached;
    }

    public void setReached(Set<Long> reached) {
        this.reached = reached;
    }

    /** Begins with what was planned. */
    void beginWith(RunStarted start) {
        beginWith(start.rolls());
        start.baths()
                .forEach(bath -> times.put(
                        bath.fillId(),
                        bath.seconds() == null
                                ? ""
                                : ProcessingTime.ofSeconds(bath.seconds()).toString()));
        start.baths().forEach(bath -> {
            if (bath.celsius() != null) {
                temperatures.put(bath.fillId(), Figures.celsius(bath.celsius()));
            }
        });
    }

    /** Goes on with what was confirmed while it was under way. */
    void beginWith(RibbonService.Running running, RunProgress progress) {
        for (RunProgress.Passed passed : progress.passed()) {
            String bath = running.steps().steps().get(passed.step()).bath();
            if (bath == null) {
                continue;
            }
            Long fill = running.batch().fills().stream()
                    .filter(each -> each.discarded() == null
                            && running.batch().placeOf(each).equals(bath))
                    .map(FillState::id)
                    .findFirst()
                    .orElse(null);
            if (fill == null) {
                continue;
            }
            reached.add(fill);
            if (passed.realSeconds() != null) {
                times.put(fill, Figures.clock(passed.realSeconds()));
            }
            if (passed.celsius() != null) {
                temperatures.put(fill, Figures.celsius(passed.celsius()));
            }
        }
    }

    /** Reads what a bath really had; what is left empty was not noted. */
    RunBath really(RunBath planned, FieldErrors errors) {
        long fill = planned.fillId();
        Integer seconds = errors.read("time" + fill, () -> seconds(times.getOrDefault(fill, "")));
        Double celsius = errors.read("temperature" + fill, () -> celsius(temperatures.getOrDefault(fill, "")));
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

    /**
     * Reads what keeps air from the bottles now.
     *
     * @return null for as before
     * @throws mezcla.measure.Refusal {@code unknown-air}
     */
    @Nullable
    AirKept airKept() {
        return air.isEmpty() ? null : TypedChoice.of(AirKept.values(), air, new FormObjection.UnknownAir());
    }

    /** Where the film hangs; empty where nobody says. */
    public String getHangs() {
        return hangs;
    }

    public void setHangs(String hangs) {
        this.hangs = hangs;
    }

    public String getAir() {
        return air;
    }

    public void setAir(String air) {
        this.air = air;
    }

    /** How long the film was in each bath, by fill. */
    public Map<Long, String> getTimes() {
        return times;
    }

    public void setTimes(Map<Long, String> times) {
        this.times = times;
    }

    /** How warm each bath was, by fill. */
    public Map<Long, String> getTemperatures() {
        return temperatures;
    }

    public void setTemperatures(Map<Long, String> temperatures) {
        this.temperatures = temperatures;
    }
}
