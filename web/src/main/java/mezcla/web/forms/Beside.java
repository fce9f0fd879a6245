package mezcla.web.forms;

import java.util.List;
import java.util.function.Function;
import mezcla.measure.Objection;

/** The field of a form that an objection stands beside: the one that it names, where the form has it. */
public final class Beside implements Function<Objection, String> {
    private final String otherwise;
    private final List<String> fields;

    private Beside(String otherwise, List<String> fields) {
        this.otherwise = otherwise;
        this.fields = fields;
    }

    /** Always the same field. */
    public static Beside field(String otherwise) {
        return new Beside(otherwise, List.of());
    }

    /** One of the fields that a form has beside its first. */
    public Beside or(String... more) {
        return new Beside(otherwise, List.of(more));
    }

    @Override
    public String apply(Objection objection) {
        return fields.contains(objection.field()) ? objection.field() : otherwise;
    }
}
