package mezcla.web.run.plan;

import java.time.Instant;
import java.time.LocalDateTime;
import java.time.format.DateTimeParseException;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import mezcla.measure.ProcessingTime;
import mezcla.measure.Refusal;
import mezcla.processing.BathTemperature;
import mezcla.processing.Movement;
import mezcla.processing.RunSteps;
import mezcla.processing.SimulatedBath;
import mezcla.web.film.FilmForm;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.typed.TypedChoice;
import mezcla.web.house.House;
import mezcla.web.run.course.RunService;
import mezcla.web.words.Units;
import org.jspecify.annotations.Nullable;
import org.springframework.web.util.UriComponentsBuilder;

/** What a member typed about a run, as it was typed. */
public class RunForm extends FilmForm {
    private static final String YES = "yes";
    private static final String NO = "no";

    private boolean done;
    private String when = "";
    private boolean about;
    private String why = "";
    private String seen = "";
    private String formKey = "";
    private String movement = Movement.PRINTED.name();
    private String preSoak = YES;
    private String between = RunSteps.Between.LEAFLET.name();
    private String finalRinse = RunSteps.FinalRinse.WARM.name();
    private String wettingAgent = YES;
    private String probe = "";
    private String load = "";
    private String celsius = "";
    private Map<String, String> took = new HashMap<>();

    /** Takes over how a run is done. */
    public void choose(RunSteps.Choices choices) {
        preSoak = choices.preSoak() ? YES : NO;
        between = choices.between().name();
        finalRinse = choices.finalRinse().name();
        wettingAgent = choices.wettingAgent() ? YES : NO;
        movement = choices.movement().name();
    }

    /** How the run is done; what cannot be read is taken as usual. */
    public RunSteps.Choices choices() {
        return new RunSteps.Choices(
                !preSoak.equals(NO),
                chosen(RunSteps.Between.values(), between),
                chosen(RunSteps.FinalRinse.values(), finalRinse),
                !wettingAgent.equals(NO),
                chosen(Movement.values(), movement));
    }

    private static <E extends Enum<E>> E chosen(E[] choices, String typed) {
        return Arrays.stream(choices)
                .filter(each -> each.name().equals(typed))
                .findFirst()
                .orElse(choices[0]);
    }

    @Override
    public String query() {
        return super.query()
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
                        .getQuery();
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
