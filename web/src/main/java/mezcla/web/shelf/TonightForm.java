package mezcla.web.shelf;

import mezcla.web.film.FilmForm;

/** The sentence about tonight, as it was typed. */
public class TonightForm extends FilmForm {
    private String process = "";

    /** The key of the process that the film wants; empty for any. */
    public String getProcess() {
        return process;
    }

    public void setProcess(String process) {
        this.process = process;
    }
}
