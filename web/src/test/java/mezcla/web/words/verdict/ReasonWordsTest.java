package mezcla.web.words.verdict;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Locale;
import mezcla.batch.FillState;
import mezcla.verdict.Reason;
import mezcla.web.DemoApplicationTest;
import mezcla.web.log.DarkroomLog;
import org.springframework.beans.factory.annotation.Autowired;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class ReasonWordsTest extends DemoApplicationTest {
    private static final List<String> SOFTWARE_WORDS =
            List.of("invalid", "error", "record", "entity", "submit", "please", "null", "nan", "!");

    @Autowired
    private DarkroomLog log;

    private FillState developer() {
        return log.state().batch(4).fills().get(0);
    }

    @DataProvider
    public Object[][] reasons() {
        return new Object[][] {
            {Reason.Code.OVER_ROLLS, 18, 18, "Developer: 18 rolls done, and the leaflet stops at 18."},
            {Reason.Code.OVER_AGE, 45, 42, "Developer: 45 days old, and the leaflet allows 42."},
            {Reason.Code.TEST_ROLLS, 14.5, 14, "Developer: 14.5 of 18 rolls done; from 14 on the house tests first."},
            {Reason.Code.TEST_AGE, 31, 28, "Developer: 31 of 42 days old; from 28 days on the house tests first."},
            {
                Reason.Code.WARM_STORAGE,
                50.4,
                42,
                "Developer: stored as if for 50.4 days (estimate), and the leaflet allows 42."
            },
            {Reason.Code.FEW_ROLLS_LEFT, 1.25, 2, "Developer: 1.25 rolls left of 18."},
            {Reason.Code.FEW_ROLLS_LEFT, 0, 2, "Developer: no rolls left of 18."},
            {Reason.Code.FEW_DAYS_LEFT, 2, 3, "Developer: two days left of 42."},
            {Reason.Code.FEW_DAYS_LEFT, 0, 3, "Developer: today is the last of its 42 days."},
            {Reason.Code.MORE_TIME, 25, 0, "Developer: 7 of 18 rolls done and trim +4 %, so 25 s more than fresh."},
            {Reason.Code.USED_UP, 40, 150, "Developer: 40 ml left, and the smallest tank needs at least 150 ml."},
        };
    }

    @Test(dataProvider = "reasons")
    public void reasonsCarryTheirFigures(Reason.Code code, double figure, double limit, String sentence) {
        String text = ReasonWords.reason(new Reason(code, "dev", figure, limit, Reason.LimitOf.LEAFLET), developer());
        assertThat(text.replace('\u00a0', ' ')).isEqualTo(sentence);
    }

    @Test
    public void everyReasonHasWordsForPeople() {
        for (Reason.Code code : Reason.Code.values()) {
            assertWords(ReasonWords.reason(new Reason(code, "dev", 3, 2, Reason.LimitOf.LEAFLET), developer()));
        }
    }

    private static void assertWords(String sentence) {
        assertThat(sentence).endsWith(".").doesNotContain("  ", "%s");
        assertThat(SOFTWARE_WORDS)
                .noneMatch(word -> sentence.toLowerCase(Locale.ROOT).contains(word));
    }
}
