package mezcla.web.shelf;

import mezcla.processing.Movement;
import mezcla.web.film.FilmForm;

/** The sentence about tonight, as it was typed. */
public class TonightForm extends FilmForm {
    private String process = "";
    private String movement = Movement.PRINTED.name();

    /** How the tank is moved; turning may have times and volumes of its own. */
    public String getMovement() {
        return movement;
    }

    public void setMovement(String movement) {
        this.movement = movement;
    }

    /** Whether it is turned without a pause; anything unknown is moved by hand. */
    public boolean isTurned() {
        return movement.equals(Movement.ROTARY.name());
    }

    /** The key of the process that the film wants; empty for any. */
    public String getProcess() {
        return process;
    }

    public void setProcess(String process) {
        this.process = process;
    }
}
