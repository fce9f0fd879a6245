package mezcla.web.run.plan;

import java.time.Instant;
import java.time.LocalDateTime;
import java.time.format.DateTimeParseException;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import mezcla.measure.ProcessingTime;
import mezcla.measure.Refusal;
import mezcla.processing.BathTemperature;
import mezcla.processing.Movement;
import mezcla.processing.RunSteps;
import mezcla.processing.SimulatedBath;
import mezcla.processing.StepChoice;
import mezcla.web.film.FilmForm;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.typed.TypedChoice;
import mezcla.web.house.House;
import mezcla.web.run.course.RunService;
import mezcla.web.words.Units;
import org.jspecify.annotations.Nullable;
import org.springframework.web.util.UriComponentsBuilder;

/** What a member typed about a run, as it was typed. */
public class RunForm extends FilmForm {
    /** As the steps of a leaflet are named: by a role, or by water and its number. */
    private static final String STEP_KEY = "[a-z0-9-]{1,60}";

    private boolean done;
    private String when = "";
    private boolean about;
    private String why = "";
    private boolean others;
    private String seen = "";
    private String formKey = "";
    private String movement = Movement.PRINTED.name();
    private String preSoak = RunSteps.Soak.LEAFLET.name();
    private String between = RunSteps.Between.LEAFLET.name();
    private String finalRinse = RunSteps.FinalRinse.WARM.name();
    private String wettingAgent = RunSteps.Wetting.LEAFLET.name();
    private Map<String, TypedStep> steps = new HashMap<>();
    private String probe = "";
    private String load = "";
    private String celsius = "";
    private boolean filmTypeAsked;
    private boolean cross;
    private String passed = "";
    private Map<String, String> took = new HashMap<>();

    /** Whether an address says how a run is done; that a tank is moved as printed is said of any. */
    static boolean choosesIn(Map<String, String> typed) {
        return typed.keySet().stream()
                        .anyMatch(name -> name.startsWith("steps[")
                                || List.of("preSoak", "between", "finalRinse", "wettingAgent")
                                        .contains(name))
                || !typed.getOrDefault("movement", Movement.PRINTED.name()).equals(Movement.PRINTED.name());
    }

    /** Takes over how a run is done. */
    public void choose(RunSteps.Choices choices) {
        preSoak = choices.soak().name();
        between = choices.between().name();
        finalRinse = choices.finalRinse().name();
        wettingAgent = choices.wetting().name();
        movement = choices.movement().name();
        steps = new HashMap<>();
        choices.steps().forEach((key, choice) -> steps.put(key, TypedStep.of(choice)));
    }

    /** What was typed about one step, by its key. */
    public static class TypedStep {
        private String how = "";
        private String time = "";
        private String movement = "";

        static TypedStep of(StepChoice choice) {
            TypedStep typed = new TypedStep();
            typed.how = choice.leftOut()
                    ? OUT
                    : choice.rinsed()
                            ? RINSED
                            : choice.water() == StepChoice.Water.PRINTED
                                    ? ""
                                    : choice.water().name();
            typed.time = choice.seconds() == null
                    ? ""
                    : ProcessingTime.ofSeconds(choice.seconds()).toString();
            typed.movement = choice.movement() == null ? "" : choice.movement().name();
            return typed;
        }

        StepChoice read() {
            Movement own = movement.isEmpty() ? null : chosen(Movement.values(), movement);
            return new StepChoice(
                    how.equals(OUT),
                    time.isBlank()
                            ? null
                            : Integer.valueOf(ProcessingTime.parse(time).seconds()),
                    chosen(StepChoice.Water.values(), how),
                    how.equals(RINSED),
                    own);
        }

        /** Left out, by time, by fills, or rinsed afterwards; empty for as printed. */
        public String getHow() {
            return how;
        }

        public void setHow(String how) {
            this.how = how;
        }

        /** How long; empty for as planned. */
        public String getTime() {
            return time;
        }

        public void setTime(String time) {
            this.time = time;
        }

        /** How the tank is moved; empty for as in the whole run. */
        public String getMovement() {
            return movement;
        }

        public void setMovement(String movement) {
            this.movement = movement;
        }
    }

    private static final String OUT = "OUT";
    private static final String RINSED = "RINSED";

    /** How the run is done; what cannot be read is taken as usual. */
    public RunSteps.Choices choices() {
        Map<String, StepChoice> single = new HashMap<>();
        steps.forEach((key, typed) -> {
            if (!key.matches(STEP_KEY)) {
                return;
            }
            try {
                single.put(key, typed.read());
            } catch (Refusal refusal) {
                // It stands beside its field (readSteps); until it is read, the step is as printed.
                single.put(key, StepChoice.PRINTED);
            }
        });
        return new RunSteps.Choices(
                chosen(RunSteps.Soak.values(), preSoak),
                chosen(RunSteps.Between.values(), between),
                chosen(RunSteps.FinalRinse.values(), finalRinse),
                chosen(RunSteps.Wetting.values(), wettingAgent),
                chosen(Movement.values(), movement),
                single);
    }

    /** Reads what was typed about single steps, so that what cannot be read stands beside its field. */
    void readSteps(FieldErrors errors) {
        steps.forEach((key, typed) -> errors.read("step-" + key, typed::read));
    }

    /** Whether anything was typed about single steps. */
    public boolean isStepsTyped() {
        return steps.values().stream()
                .anyMatch(typed -> !typed.how.isEmpty() || !typed.time.isBlank() || !typed.movement.isEmpty());
    }

    /** What was typed about single steps, by their keys. */
    public Map<String, TypedStep> getSteps() {
        return steps;
    }

    public void setSteps(Map<String, TypedStep> steps) {
        this.steps = steps;
    }

    private static <E extends Enum<E>> E chosen(E[] choices, String typed) {
        return Arrays.stream(choices)
                .filter(each -> each.name().equals(typed))
                .findFirst()
                .orElse(choices[0]);
    }

    @Override
    public String query() {
        UriComponentsBuilder single = UriComponentsBuilder.newInstance();
        steps.forEach((key, typed) -> single.queryParam("steps[" + key + "].how", typed.how)
                .queryParam("steps[" + key + "].time", typed.time)
                .queryParam("steps[" + key + "].movement", typed.movement));
        String typedSteps = single.encode().build().getQuery();
        return super.query()
                + (typedSteps == null ? "" : "&" + typedSteps)
                + "&"
                + UriComponentsBuilder.newInstance()
                        .queryParam("movement", movement)
                        .queryParam("preSoak", preSoak)
                        .queryParam("between", between)
                        .queryParam("finalRinse", finalRinse)
                        .queryParam("wettingAgent", wettingAgent)
                        .queryParam("probe", probe)
                        .queryParam("celsius", celsius)
                        .encode()
                        .build()
                        .getQuery()
                + (cross ? "&cross=true" : "")
                + (passedRow() == 0 ? "" : "&passed=" + passedRow())
                + (load.isEmpty() ? "" : "&load=" + loadId());
    }

    /** What watches the temperature: the id of a probe, or a stand-in by what goes wrong with it. */
    RunService.ProbeChoice probeChoice() {
        if (probe.isEmpty()) {
            return RunService.ProbeChoice.NONE;
        }
        if (probe.matches("[0-9]{1,9}")) {
            return new RunService.ProbeChoice(Long.parseLong(probe), null);
        }
        return new RunService.ProbeChoice(
                null, TypedChoice.of(SimulatedBath.Fault.values(), probe, new FormObjection.UnknownProbe()));
    }

    /**
     * Reads how warm the baths are.
     *
     * @return in °C; null for as printed
     * @throws Refusal what {@link BathTemperature#parse} refuses
     */
    public @Nullable Double readCelsius() {
        return celsius.isBlank()
                ? null
                : Double.valueOf(BathTemperature.parse(celsius, Units.shown().temperature()));
    }

    /**
     * Reads how long film was in a bath.
     *
     * @param fill the fill
     * @return in seconds; null where nobody noted it
     * @throws Refusal what {@link ProcessingTime#parse} refuses
     */
    @Nullable
    Integer readTook(long fill) {
        String typed = took.getOrDefault(Long.toString(fill), "");
        return typed.isBlank()
                ? null
                : Integer.valueOf(ProcessingTime.parse(typed).seconds());
    }

    /** Whether any time was typed that a bath really had. */
    public boolean tookTyped() {
        return took.values().stream().anyMatch(typed -> !typed.isBlank());
    }

    /** Whether the form asked which film it is, and nobody said. */
    boolean isFilmTypeMissing() {
        return filmTypeAsked && getMadeFor().isBlank();
    }

    @Override
    public void setMadeFor(String madeFor) {
        filmTypeAsked = true;
        super.setMadeFor(madeFor);
    }

    /** The process that the Shelf was asked about says which film it is. */
    public void setProcess(String process) {
        if (getMadeFor().isBlank() && !process.isBlank()) {
            setMadeFor(process);
        }
    }

    /** Whether film goes through another process than it is made for on purpose. */
    public boolean isCross() {
        return cross;
    }

    public void setCross(boolean cross) {
        this.cross = cross;
    }

    /** The row with which what belongs to this load was passed on purpose; empty for none. */
    public String getPassed() {
        return passed;
    }

    public void setPassed(String passed) {
        this.passed = passed;
    }

    long passedRow() {
        return passed.matches("[0-9]{1,18}") ? Long.parseLong(passed) : 0;
    }

    /** How warm the baths are; empty for as printed. */
    public String getCelsius() {
        return celsius;
    }

    public void setCelsius(String celsius) {
        this.celsius = celsius;
    }

    /** How long film was in each bath, by the id of the fill. */
    public Map<String, String> getTook() {
        return took;
    }

    public void setTook(Map<String, String> took) {
        this.took = took;
    }

    /** The load of an evening that this is; 0 for none. */
    long loadId() {
        return load.matches("[0-9]{1,9}") ? Long.parseLong(load) : 0;
    }

    public String getLoad() {
        return load;
    }

    public void setLoad(String load) {
        this.load = load;
    }

    /** What watches the temperature. */
    public String getProbe() {
        return probe;
    }

    public void setProbe(String probe) {
        this.probe = probe;
    }

    /** How the tank is moved. */
    public String getMovement() {
        return movement;
    }

    public void setMovement(String movement) {
        this.movement = movement;
    }

    /** Whether film is soaked first, where the leaflet names it. */
    public String getPreSoak() {
        return preSoak;
    }

    public void setPreSoak(String preSoak) {
        this.preSoak = preSoak;
    }

    /** What comes after the developer. */
    public String getBetween() {
        return between;
    }

    public void setBetween(String between) {
        this.between = between;
    }

    /** How the final rinse is done. */
    public String getFinalRinse() {
        return finalRinse;
    }

    public void setFinalRinse(String finalRinse) {
        this.finalRinse = finalRinse;
    }

    /** Whether the wetting agent is part of it. */
    public String getWettingAgent() {
        return wettingAgent;
    }

    public void setWettingAgent(String wettingAgent) {
        this.wettingAgent = wettingAgent;
    }

    /** Whether the film has been through already. */
    public boolean isDone() {
        return done;
    }

    public void setDone(boolean done) {
        this.done = done;
    }

    /** When it was run, if that was earlier. */
    public String getWhen() {
        return when;
    }

    public void setWhen(String when) {
        this.when = when;
    }

    /** Whether time or count are remembered rather than noted. */
    public boolean isAbout() {
        return about;
    }

    public void setAbout(boolean about) {
        this.about = about;
    }

    /**
     * Reads when it was run.
     *
     * @param house where the clock stands
     * @return the moment; null for a run that happens now
     * @throws Refusal {@code not-a-moment}
     */
    @Nullable
    public Instant moment(House house) {
        if (when.isBlank()) {
            return null;
        }
        try {
            return LocalDateTime.parse(when.strip()).atZone(house.timeZone()).toInstant();
        } catch (DateTimeParseException e) {
            throw Refusal.of(new FormObjection.NotAMoment(when.strip()));
        }
    }

    /** Whether these are other rolls than those that were logged within the hour. */
    public boolean isOthers() {
        return others;
    }

    public void setOthers(boolean others) {
        this.others = others;
    }

    /** Why a limit is passed on purpose, or a run was called off. */
    public String getWhy() {
        return why;
    }

    public void setWhy(String why) {
        this.why = why;
    }

    /** The last row of the log when the plan was shown. */
    public String getSeen() {
        return seen;
    }

    public void setSeen(String seen) {
        this.seen = seen;
    }

    /** The same as a number; as far as anybody knows the log may have moved on since the beginning. */
    long seenSequence() {
        return seen.matches("[0-9]{1,18}") ? Long.parseLong(seen) : 0;
    }

    public String getFormKey() {
        return formKey;
    }

    public void setFormKey(String formKey) {
        this.formKey = formKey;
    }
}
