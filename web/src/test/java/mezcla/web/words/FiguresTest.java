package mezcla.web.words;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.ZoneId;
import mezcla.leaflet.Unit;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class FiguresTest {
    @DataProvider
    public Object[][] amounts() {
        return new Object[][] {
            {8.75, "8.75 ml"},
            {8.5, "8.5 ml"},
            {62.04, "62 ml"},
            {62.06, "62.1 ml"},
            {1200.4, "1200 ml"},
            {12_000, "12 000 ml"},
            {0.014, "0.01 ml"},
            {891.4999999999999, "892 ml"},
            {891.499, "891 ml"},
            {0, "0 ml"},
        };
    }

    @Test(dataProvider = "amounts")
    public void amountsAreAsFineAsABenchCanMeasure(double ml, String shown) {
        assertThat(spaced(Figures.ml(ml))).isEqualTo(shown);
    }

    @DataProvider
    public Object[][] rolls() {
        return new Object[][] {
            {0, "no rolls"}, {1, "one roll"}, {1.75, "1.75 rolls"}, {12, "twelve rolls"}, {13, "13 rolls"},
        };
    }

    @Test(dataProvider = "rolls")
    public void rollsAreCountedInWords(double rolls, String shown) {
        assertThat(Figures.countOfRolls(rolls)).isEqualTo(shown);
    }

    @Test
    public void otherFiguresReadAsPeopleWriteThem() {
        assertThat(spaced(Figures.celsius(38))).isEqualTo("38.0 °C");
        assertThat(spaced(Figures.amount(38, Unit.G))).isEqualTo("38 g");
        assertThat(spaced(Figures.inAll(2537))).isEqualTo("2.5 L");
        assertThat(spaced(Figures.inAll(537))).isEqualTo("537 ml");
        assertThat(spaced(Figures.seconds(15))).isEqualTo("15 s");
        assertThat(Figures.seconds(65)).isEqualTo("1:05");
        assertThat(Figures.stops(-0.5)).isEqualTo("−0.5");
        assertThat(Figures.stops(1)).isEqualTo("+1");
        assertThat(spaced(Figures.percent(-4))).isEqualTo("−4 %");
        assertThat(Figures.money(Money.ofMinor(CurrencyUnit.of("NZD"), 943))).isEqualTo("NZ$9.43");
        assertThat(Figures.sentence("five batches")).isEqualTo("Five batches");
        assertThat(Figures.within("Final rinse")).isEqualTo("final rinse");
    }

    @Test
    public void daysAreThoseOfTheHouse() {
        Instant lateEvening = Instant.parse("2026-11-24T11:30:00Z");
        assertThat(Figures.dayAndHour(lateEvening, ZoneId.of("Pacific/Auckland")))
                .isEqualTo("Wednesday 25 November, 00:30");
        assertThat(Figures.day(lateEvening, ZoneId.of("UTC"))).isEqualTo("24 November");
        assertThat(Figures.weekdayAndHour(lateEvening, ZoneId.of("UTC"))).isEqualTo("Tuesday 11:30");
    }

    private static String spaced(String text) {
        return text.replace('\u00a0', ' ').replace('\u202f', ' ');
    }
}
