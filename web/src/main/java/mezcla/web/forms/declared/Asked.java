package mezcla.web.forms.declared;

/** A page that is asked for with what its address carries: nothing of it is refused yet. */
public record Asked() {}
