package mezcla.web.forms;

import java.lang.reflect.RecordComponent;
import java.util.LinkedHashMap;
import java.util.Map;
import mezcla.web.forms.declared.Sent;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.servlet.ModelAndView;

/** A finished page: its template reads the components of one record by their names. */
public final class PageView {
    private PageView() {}

    /**
     * A page.
     *
     * @param template its template
     * @param page everything that stands on it
     * @param errors what could not be read of its form; none for a page that was only asked for
     */
    public static ModelAndView of(String template, Record page, FieldErrors errors) {
        Map<String, @Nullable Object> model = new LinkedHashMap<>();
        for (RecordComponent component : page.getClass().getRecordComponents()) {
            try {
                component.getAccessor().setAccessible(true);
                model.put(component.getName(), component.getAccessor().invoke(page));
            } catch (ReflectiveOperationException e) {
                throw new IllegalStateException(e);
            }
        }
        model.put("errors", errors);
        return new ModelAndView(template, model, errors.none() ? HttpStatus.OK : HttpStatus.UNPROCESSABLE_CONTENT);
    }

    /**
     * A page with a form: its template finds what was typed under {@code typed}, and what was refused under {@code errors}.
     *
     * @param sent the form; {@link Sent#nothing} where the page was only asked for
     */
    public static ModelAndView of(String template, Record page, Sent<?> sent) {
        ModelAndView view = of(template, page, sent.errors());
        view.addObject("sent", sent);
        view.getModel().putIfAbsent("typed", sent.typed());
        return view;
    }

    /** A page without a form. */
    public static ModelAndView of(String template, Record page) {
        return of(template, page, new FieldErrors());
    }
}
