package mezcla.web.film;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import mezcla.leaflet.FilmProcess;
import mezcla.log.Roll;
import mezcla.measure.FilmFormat;
import mezcla.web.forms.declared.Asked;
import mezcla.web.forms.declared.Sent;
import org.testng.annotations.Test;

public class FilmTypedTest {
    private static Sent<Asked> sent(String... countFormatOwner) {
        Sent<Asked> sent = Sent.nothing();
        for (int i = 0; i < countFormatOwner.length; i += 3) {
            String line = "film[" + i / 3 + "].";
            sent.put(line + "count", countFormatOwner[i]);
            sent.put(line + "format", countFormatOwner[i + 1]);
            sent.put(line + "owner", countFormatOwner[i + 2]);
        }
        return sent;
    }

    @Test
    public void linesBecomeRollsAndEmptyLinesNothing() {
        Sent<Asked> sent = sent("2", "120", " Ines ", "", "135-36", "", "1", "135-24", "Devi");
        sent.put("push", "0.5");
        List<Roll> rolls = new FilmTyped(sent).rolls();
        assertThat(sent.errors().none()).isTrue();
        assertThat(rolls)
                .containsExactly(
                        new Roll("Ines", FilmFormat.F120, 1, 0.5, false),
                        new Roll("Ines", FilmFormat.F120, 1, 0.5, false),
                        new Roll("Devi", FilmFormat.F135_24, 0.75, 0.5, false));
    }

    @Test
    public void eachFieldHasItsOwnSentence() {
        Sent<Asked> sent = sent("x", "120", "", "1", "126", "Devi");
        sent.put("push", "9");
        assertThat(new FilmTyped(sent).rolls()).isEmpty();
        assertThat(sent.errors().all()).containsOnlyKeys("push", "count0", "owner0", "format1");
    }

    @Test
    public void emptyFormAsksForFilmOnce() {
        Sent<Asked> sent = sent();
        assertThat(new FilmTyped(sent).rolls()).isEmpty();
        assertThat(sent.errors().all()).containsOnlyKeys("count0", "owner0");
    }

    @Test
    public void moreThanADayOfFilmIsRefused() {
        Sent<Asked> sent = sent("24", "120", "Ines", "1", "120", "Ines");
        new FilmTyped(sent).rolls();
        assertThat(sent.errors().at("count0")).startsWith("That makes more than 24 rolls");
    }

    @Test
    public void aNewGuestCountsInsteadOfTheOwnerAndIsKeptInAnAddress() {
        Sent<Asked> sent = sent("1", "120", "Ines");
        sent.put("film[0].guest", "Oda");
        assertThat(new FilmTyped(sent).rolls()).extracting(Roll::owner).containsExactly("Oda");
        assertThat(new FilmTyped(sent).query()).contains("guest=Oda");
    }

    @Test
    public void whatIsSaidOfFilmIsReadAndTypedAgain() {
        Sent<Asked> sent = sent("1", "135-36", "Ines");
        sent.put("film[0].name", "Harbour");
        sent.put("film[0].exposures", "24");
        sent.put("correction", "−10 s");
        sent.put("madeFor", "cine-negative");
        List<Roll> rolls = new FilmTyped(sent).rolls(FilmProcess.COLOUR_NEGATIVE);
        assertThat(sent.errors().all()).isEmpty();
        assertThat(rolls)
                .containsExactly(new Roll(
                        "Ines",
                        FilmFormat.F135_36,
                        0.75,
                        0,
                        false,
                        new Roll.Film("Harbour", 24, -10, "cine-negative", true)));
        FilmTyped again = new FilmTyped(Sent.<Asked>nothing());
        again.beginWith(rolls);
        assertThat(again.rolls(FilmProcess.COLOUR_NEGATIVE)).isEqualTo(rolls);
    }

    @Test
    public void whatIsOddOfFilmStandsBesideItsField() {
        Sent<Asked> sent = sent("1", "Super 8 cartridge", "Ines", "1", "120", "Ines");
        sent.put("film[1].exposures", "12");
        sent.put("correction", "90");
        new FilmTyped(sent).rolls(FilmProcess.COLOUR_NEGATIVE);
        assertThat(sent.errors().all()).containsOnlyKeys("correction", "backing", "exposures1");
        Sent<Asked> unknown = sent("1", "120", "Ines");
        unknown.put("madeFor", "another");
        unknown.put("backing", "some");
        new FilmTyped(unknown).rolls(FilmProcess.COLOUR_NEGATIVE);
        assertThat(unknown.errors().all()).containsOnlyKeys("madeFor", "backing");
    }
}
