package mezcla.web.film;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import mezcla.log.Roll;
import mezcla.measure.FilmFormat;
import mezcla.web.forms.FieldErrors;
import org.testng.annotations.Test;

public class FilmFormTest {
    private static FilmForm form(String... countFormatOwner) {
        FilmForm form = new FilmForm();
        List<FilmForm.FilmLine> lines = form.padded();
        for (int i = 0; i < countFormatOwner.length; i += 3) {
            lines.get(i / 3).setCount(countFormatOwner[i]);
            lines.get(i / 3).setFormat(countFormatOwner[i + 1]);
            lines.get(i / 3).setOwner(countFormatOwner[i + 2]);
        }
        return form;
    }

    @Test
    public void linesBecomeRollsAndEmptyLinesNothing() {
        FieldErrors errors = new FieldErrors();
        FilmForm form = form("2", "120", " Ines ", "", "135-36", "", "1", "135-24", "Devi");
        form.setPush("0.5");
        List<Roll> rolls = form.rolls(errors);
        assertThat(errors.none()).isTrue();
        assertThat(rolls)
                .containsExactly(
                        new Roll("Ines", FilmFormat.F120, 1, 0.5, false),
                        new Roll("Ines", FilmFormat.F120, 1, 0.5, false),
                        new Roll("Devi", FilmFormat.F135_24, 0.75, 0.5, false));
    }

    @Test
    public void eachFieldHasItsOwnSentence() {
        FieldErrors errors = new FieldErrors();
        FilmForm form = form("x", "120", "", "1", "126", "Devi");
        form.setPush("9");
        assertThat(form.rolls(errors)).isEmpty();
        assertThat(errors.all()).containsOnlyKeys("push", "count0", "owner0", "format1");
    }

    @Test
    public void emptyFormAsksForFilmOnce() {
        FieldErrors errors = new FieldErrors();
        assertThat(form().rolls(errors)).isEmpty();
        assertThat(errors.all()).containsOnlyKeys("count0", "owner0");
    }

    @Test
    public void moreThanADayOfFilmIsRefused() {
        FieldErrors errors = new FieldErrors();
        form("24", "120", "Ines", "1", "120", "Ines").rolls(errors);
        assertThat(errors.at("count0")).startsWith("That makes more than 24 rolls");
    }
}
