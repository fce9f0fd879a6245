package mezcla.web.run;

import java.time.Instant;
import java.time.LocalDateTime;
import java.time.format.DateTimeParseException;
import java.util.Arrays;
import mezcla.measure.Refusal;
import mezcla.processing.Movement;
import mezcla.processing.RunSteps;
import mezcla.web.film.FilmForm;
import mezcla.web.house.House;
import org.jspecify.annotations.Nullable;

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
    private String movement = Movement.INVERSION.name();
    private String preSoak = YES;
    private String rinse = NO;
    private String finalRinse = YES;

    /** How the run is done; what cannot be read is taken as usual. */
    RunSteps.Choices choices() {
        Movement moved = Arrays.stream(Movement.values())
                .filter(each -> each.name().equals(movement))
                .findFirst()
                .orElse(Movement.INVERSION);
        return new RunSteps.Choices(!preSoak.equals(NO), rinse.equals(YES), !finalRinse.equals(NO), moved);
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

    /** Whether film is rinsed after the developer. */
    public String getRinse() {
        return rinse;
    }

    public void setRinse(String rinse) {
        this.rinse = rinse;
    }

    /** Whether the final rinse is part of it. */
    public String getFinalRinse() {
        return finalRinse;
    }

    public void setFinalRinse(String finalRinse) {
        this.finalRinse = finalRinse;
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
    Instant moment(House house) {
        if (when.isBlank()) {
            return null;
        }
        try {
            return LocalDateTime.parse(when.strip()).atZone(house.timeZone()).toInstant();
        } catch (DateTimeParseException e) {
            throw Refusal.of("not-a-moment", "text", when.strip());
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
