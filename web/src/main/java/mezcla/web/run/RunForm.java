package mezcla.web.run;

import mezcla.web.film.FilmForm;

/** What a member typed about a run, as it was typed. */
public class RunForm extends FilmForm {
    private boolean done;
    private String formKey = "";

    /** Whether the film has been through already. */
    public boolean isDone() {
        return done;
    }

    public void setDone(boolean done) {
        this.done = done;
    }

    public String getFormKey() {
        return formKey;
    }

    public void setFormKey(String formKey) {
        this.formKey = formKey;
    }
}
