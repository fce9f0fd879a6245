package mezcla.web.run.plan;

import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.format.DateTimeParseException;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import mezcla.measure.ProcessingTime;
import mezcla.measure.Refusal;
import mezcla.processing.BathTemperature;
import mezcla.processing.Movement;
import mezcla.processing.RunSteps;
import mezcla.processing.SimulatedBath;
import mezcla.processing.StepChoice;
import mezcla.web.film.FilmTyped;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.Query;
import mezcla.web.forms.declared.Sent;
import mezcla.web.forms.typed.TypedChoice;
import mezcla.web.run.course.RunService;
import mezcla.web.words.Units;
import org.jspecify.annotations.Nullable;

/** What a member typed about a run: its film, how it is done, and what is known of it. */
public class RunTyped extends FilmTyped {
    /** As the steps of a leaflet are named: by a role, or by water and its number. */
    private static final Pattern STEP_FIELD = Pattern.compile("steps\\[([a-z0-9-]{1,60})]\\.(how|time|movement)");

    private static final String OUT = "OUT";
    private static final String RINSED = "RINSED";
    private static final List<String> CHOSEN =
            List.of("movement", "preSoak", "between", "finalRinse", "wettingAgent", "pour");

    private final boolean choosing;

    /** Reads a form that was sent, and begins what it leaves open. */
    public RunTyped(Sent<?> sent) {
        super(sent);
        choosing =
                sent.typed().keySet().stream().anyMatch(name -> name.startsWith("steps[") || CHOSEN.indexOf(name) > 0)
                        || !sent.typed()
                                .getOrDefault("movement", Movement.PRINTED.name())
                                .equals(Movement.PRINTED.name());
        sent.begin("movement", Movement.PRINTED.name());
        sent.begin("preSoak", RunSteps.Soak.LEAFLET.name());
        sent.begin("between", RunSteps.Between.LEAFLET.name());
        sent.begin("finalRinse", RunSteps.FinalRinse.WARM.name());
        sent.begin("wettingAgent", RunSteps.Wetting.LEAFLET.name());
        for (String field : List.of("probe", "load", "celsius", "passed", "seen", "hangs", "air", "pour")) {
            sent.begin(field, "");
        }
        ofProcess(at("process"));
    }

    /** Whether an address says how a run is done; that a tank is moved as printed is said of any. */
    boolean isChoosing() {
        return choosing;
    }

    /** Takes over how a run is done. */
    public void choose(RunSteps.Choices choices) {
        sent().put("preSoak", choices.soak().name());
        sent().put("between", choices.between().name());
        sent().put("finalRinse", choices.finalRinse().name());
        sent().put("wettingAgent", choices.wetting().name());
        sent().put("movement", choices.movement().name());
        sent().put("pour", Objects.toString(choices.pourSeconds(), ""));
        choices.steps().forEach((key, choice) -> {
            sent().put(step(key, "how"), how(choice));
            sent().put(step(key, "time"), choice.length());
            sent().put(
                            step(key, "movement"),
                            choice.movement() == null ? "" : choice.movement().name());
        });
    }

    private static String how(StepChoice choice) {
        return choice.leftOut()
                ? OUT
                : choice.rinsed()
                        ? RINSED
                        : choice.water() == StepChoice.Water.PRINTED
                                ? ""
                                : choice.water().name();
    }

    private static String step(String key, String field) {
        return "steps[" + key + "]." + field;
    }

    /** The steps of which something was sent. */
    private Set<String> steps() {
        return sent().typed().keySet().stream()
                .map(STEP_FIELD::matcher)
                .filter(Matcher::matches)
                .map(field -> field.group(1))
                .collect(Collectors.toCollection(TreeSet::new));
    }

    private StepChoice readStep(String key) {
        String how = at(step(key, "how"));
        String movement = at(step(key, "movement"));
        return new StepChoice(
                        how.equals(OUT),
                        null,
                        chosen(StepChoice.Water.values(), how),
                        how.equals(RINSED),
                        movement.isEmpty() ? null : chosen(Movement.values(), movement))
                .lasting(
                        at(step(key, "time")),
                        key.startsWith("water"),
                        Units.shown().temperature());
    }

    /** How the run is done; what cannot be read is taken as usual. */
    public RunSteps.Choices choices() {
        Map<String, StepChoice> single = new HashMap<>();
        for (String key : steps()) {
            try {
                single.put(key, readStep(key));
            } catch (Refusal refusal) {
                // It stands beside its field (readSteps); until it is read, the step is as printed.
                single.put(key, StepChoice.PRINTED);
            }
        }
        return new RunSteps.Choices(
                chosen(RunSteps.Soak.values(), at("preSoak")),
                chosen(RunSteps.Between.values(), at("between")),
                chosen(RunSteps.FinalRinse.values(), at("finalRinse")),
                chosen(RunSteps.Wetting.values(), at("wettingAgent")),
                chosen(Movement.values(), at("movement")),
                single,
                at("pour").matches("[1-9][0-9]?") ? Integer.valueOf(at("pour")) : null);
    }

    /** Reads what was typed about single steps, so that what cannot be read stands beside its field. */
    void readSteps() {
        steps().forEach(key -> sent().read("step-" + key, () -> readStep(key)));
    }

    /** Whether anything was typed about single steps. */
    public boolean isStepsTyped() {
        return steps().stream().anyMatch(key -> Stream.of("how", "time", "movement")
                .anyMatch(field -> !at(step(key, field)).isBlank()));
    }

    private static <E extends Enum<E>> E chosen(E[] choices, String typed) {
        return Arrays.stream(choices)
                .filter(each -> each.name().equals(typed))
                .findFirst()
                .orElse(choices[0]);
    }

    @Override
    public String query() {
        Query steps = new Query();
        steps().forEach(key -> Stream.of("how", "time", "movement")
                .forEach(field -> steps.with(step(key, field), at(step(key, field)))));
        Query chosen = new Query();
        CHOSEN.forEach(field -> chosen.with(field, at(field)));
        return super.query()
                + (steps.toString().isEmpty() ? "" : "&" + steps)
                + "&"
                + chosen.with("probe", at("probe")).with("celsius", at("celsius"))
                + (ticked("cross") ? "&cross=true" : "")
                + (passedRow() == 0 ? "" : "&passed=" + passedRow())
                + (at("load").isEmpty() ? "" : "&load=" + loadId());
    }

    /** What watches the temperature: the id of a probe, or a stand-in by what goes wrong with it. */
    RunService.ProbeChoice probeChoice() {
        String probe = at("probe");
        if (probe.isEmpty()) {
            return RunService.ProbeChoice.NONE;
        }
        if (probe.matches("[0-9]{1,9}")) {
            return new RunService.ProbeChoice(Long.parseLong(probe), null);
        }
        return new RunService.ProbeChoice(
                null, TypedChoice.of(SimulatedBath.Fault.values(), probe, new FormObjection.UnknownProbe()));
    }

    /** How warm the baths are, in °C; null for as printed, or where that is refused. */
    @Nullable
    Double readCelsius() {
        return at("celsius").isBlank()
                ? null
                : sent().read(
                                "celsius",
                                () -> BathTemperature.parse(
                                        at("celsius"), Units.shown().temperature()));
    }

    /** How long film was in a bath, in seconds; null where nobody noted it, or where that is refused. */
    @Nullable
    Integer readTook(long fill) {
        String typed = at("took[" + fill + "]");
        return typed.isBlank()
                ? null
                : sent().read("took" + fill, () -> ProcessingTime.parse(typed).seconds());
    }

    /** Reads how long film was in the baths, so that what cannot be read stands beside its field. */
    void readTimes() {
        sent().of("took").keySet().stream()
                .filter(fill -> fill.matches("[0-9]{1,9}"))
                .forEach(fill -> readTook(Long.parseLong(fill)));
    }

    /** Whether any time was typed that a bath really had. */
    public boolean tookTyped() {
        return sent().of("took").values().stream().anyMatch(typed -> !typed.isBlank());
    }

    /** Whether the form asked which film it is, and nobody said. */
    boolean isFilmTypeMissing() {
        return sent().chosen().containsKey("madeFor") && at("madeFor").isBlank();
    }

    /** The process that the Shelf was asked about says which film it is. */
    public final void ofProcess(String process) {
        sent().beginBlank("madeFor", process);
    }

    long passedRow() {
        return number("passed");
    }

    /** The load of an evening that this is; 0 for none. */
    long loadId() {
        return at("load").matches("[0-9]{1,9}") ? number("load") : 0;
    }

    /** The last row of the log when the plan was shown; as far as anybody knows the log may have moved on since. */
    long seenSequence() {
        return number("seen");
    }

    private long number(String field) {
        return at(field).matches("[0-9]{1,18}") ? Long.parseLong(at(field)) : 0;
    }

    /**
     * Reads when it was run.
     *
     * @param zone where the clock stands
     * @return the moment; null for a run that happens now
     * @throws Refusal {@code not-a-moment}
     */
    public @Nullable Instant moment(ZoneId zone) {
        String when = at("when").strip();
        if (when.isEmpty()) {
            return null;
        }
        try {
            return LocalDateTime.parse(when).atZone(zone).toInstant();
        } catch (DateTimeParseException e) {
            throw Refusal.of(new FormObjection.NotAMoment(when));
        }
    }
}
