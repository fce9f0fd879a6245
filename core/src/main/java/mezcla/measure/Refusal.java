package mezcla.measure;

/**
 * The one way in which a method refuses: it throws an objection. There is no stack trace, because nothing is broken and
 * plans are made by the dozen.
 */
public final class Refusal extends RuntimeException {
    private static final long serialVersionUID = 1;

    private final transient Objection objection;

    private Refusal(Objection objection) {
        super(null, null, false, false);
        this.objection = objection;
    }

    /** Throws that objection. */
    public static Refusal of(Objection objection) {
        return new Refusal(objection);
    }

    /** What is objected to. */
    public Objection objection() {
        return objection;
    }

    /** The name of what is objected to. */
    public String code() {
        return objection.key();
    }

    /** The objection with its values, put together only where somebody reads it. */
    @Override
    public String getMessage() {
        return objection.key() + ": " + objection;
    }
}
