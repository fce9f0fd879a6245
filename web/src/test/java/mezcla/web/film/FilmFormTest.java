package mezcla.web.film;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import mezcla.leaflet.FilmProcess;
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

    @Test
    public void aNewGuestCountsInsteadOfTheOwnerAndIsKeptInAnAddress() {
        FilmForm form = form("1", "120", "Ines");
        form.getFilm().get(0).setGuest("Oda");
        FieldErrors errors = new FieldErrors();
        assertThat(form.rolls(errors)).extracting(Roll::owner).containsExactly("Oda");
        assertThat(form.query()).contains("guest=Oda");
    }

    @Test
    public void whatIsSaidOfFilmIsReadAndTypedAgain() {
        FilmForm form = form("1", "135-36", "Ines");
        form.getFilm().get(0).setName("Harbour");
        form.getFilm().get(0).setExposures("24");
        form.setCorrection("−10 s");
        form.setMadeFor("cine-negative");
        FieldErrors errors = new FieldErrors();
        List<Roll> rolls = form.rolls(errors, FilmProcess.COLOUR_NEGATIVE);
        assertThat(errors.all()).isEmpty();
        assertThat(rolls)
                .containsExactly(new Roll(
                        "Ines",
                        FilmFormat.F135_36,
                        0.75,
                        0,
                        false,
                        new Roll.Film("Harbour", 24, -10, "cine-negative", true)));
        FilmForm again = new FilmForm();
        again.beginWith(rolls);
        assertThat(again.rolls(errors, FilmProcess.COLOUR_NEGATIVE)).isEqualTo(rolls);
    }

    @Test
    public void whatIsOddOfFilmStandsBesideItsField() {
        FieldErrors errors = new FieldErrors();
        FilmForm form = form("1", "Super 8 cartridge", "Ines", "1", "120", "Ines");
        form.getFilm().get(1).setExposures("12");
        form.setCorrection("90");
        form.rolls(errors, FilmProcess.COLOUR_NEGATIVE);
        assertThat(errors.all()).containsOnlyKeys("correction", "backing", "exposures1");
        FieldErrors others = new FieldErrors();
        FilmForm unknown = form("1", "120", "Ines");
        unknown.setMadeFor("another");
        unknown.setBacking("some");
        unknown.rolls(others, FilmProcess.COLOUR_NEGATIVE);
        assertThat(others.all()).containsOnlyKeys("madeFor", "backing");
    }
}
