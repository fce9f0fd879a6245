package mezcla.web.forms;

/** A page that is asked for with what its address carries: nothing of it is refused yet. */
public record Asked() {}
