package mezcla.web.queue;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.List;
import mezcla.leaflet.FilmProcess;
import mezcla.measure.Refusal;
import mezcla.web.film.FilmForm;
import mezcla.web.forms.FormObjection;
import org.jspecify.annotations.Nullable;

/** Film that somebody leaves or announces, as it was typed. */
public class QueueForm extends FilmForm {
    private String formKey = "";
    private String process = FilmProcess.COLOUR_NEGATIVE.key();
    private String by = "";
    private String here = "yes";

    /** What film is called matters in a queue. */
    @Override
    public boolean isMore() {
        return true;
    }

    /** The process that it is to go through. */
    FilmProcess readProcess(List<FilmProcess> known) {
        return known.stream()
                .filter(each -> each.key().equals(process))
                .findFirst()
                .orElseThrow(() -> Refusal.of(new FormObjection.UnknownProcess()));
    }

    /**
     * The day by which it should be run; null for no hurry.
     *
     * @throws Refusal {@code not-a-day}, or {@code day-gone} for one before today
     */
    @Nullable
    LocalDate readBy(LocalDate today) {
        if (by.isBlank()) {
            return null;
        }
        LocalDate day;
        try {
            day = LocalDate.parse(by.strip());
        } catch (DateTimeException e) {
            throw Refusal.of(new FormObjection.NotADay(by.strip()));
        }
        if (day.isBefore(today) || day.isAfter(today.plusYears(2))) {
            throw Refusal.of(new FormObjection.DayGone());
        }
        return day;
    }

    boolean isThere() {
        return !here.equals("no");
    }

    public String getFormKey() {
        return formKey;
    }

    public void setFormKey(String formKey) {
        this.formKey = formKey;
    }

    public String getProcess() {
        return process;
    }

    public void setProcess(String process) {
        this.process = process;
    }

    /** The day by which it should be run, as typed. */
    public String getBy() {
        return by;
    }

    public void setBy(String by) {
        this.by = by;
    }

    /** Whether it is in the darkroom: {@code no} for film that is only announced. */
    public String getHere() {
        return here;
    }

    public void setHere(String here) {
        this.here = here;
    }
}
