package mezcla.web.shell;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import mezcla.batch.FillState;
import mezcla.measure.Refusal;
import mezcla.verdict.Reason;
import mezcla.web.DemoApplicationTest;
import mezcla.web.log.DarkroomLog;
import org.springframework.beans.factory.annotation.Autowired;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class SentencesTest extends DemoApplicationTest {
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
            {Reason.Code.OVER_ROLLS, 18, 18, "Developer: 18 of 18 rolls done, and the leaflet stops there."},
            {Reason.Code.OVER_AGE, 45, 42, "Developer: 45 days old, and the leaflet allows 42."},
            {
                Reason.Code.TEST_ROLLS,
                14.5,
                14,
                "Developer: 14.5 of 18 rolls done; from 14 on the leaflet says to test first."
            },
            {
                Reason.Code.TEST_AGE,
                31,
                28,
                "Developer: 31 of 42 days old; from 28 days on, test before film that matters."
            },
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
            {Reason.Code.USED_UP, 40, 150, "Developer: 40 ml left, and the smallest tank takes 150 ml."},
        };
    }

    @Test(dataProvider = "reasons")
    public void reasonsCarryTheirFigures(Reason.Code code, double figure, double limit, String sentence) {
        String text = Sentences.reason(new Reason(code, "dev", figure, limit), developer());
        assertThat(text.replace('\u00a0', ' ')).isEqualTo(sentence);
    }

    @Test
    public void everyReasonHasWordsForPeople() {
        for (Reason.Code code : Reason.Code.values()) {
            assertWords(Sentences.reason(new Reason(code, "dev", 3, 2), developer()));
        }
    }

    @Test
    public void everyRefusalHasWordsForPeople() {
        FillState fill = developer();
        Reason reason = new Reason(Reason.Code.OVER_ROLLS, "dev", 18, 18);
        Map<String, Object[]> refusals = Map.ofEntries(
                Map.entry("missing", new Object[0]),
                Map.entry("not-a-volume", new Object[] {"text", "abc"}),
                Map.entry("plain-ounce", new Object[] {"text", "3 oz"}),
                Map.entry(
                        "ambiguous-number",
                        new Object[] {"text", "1,200", "decimal", 1.2, "thousands", 1200.0, "unit", "ml"}),
                Map.entry("out-of-range", new Object[] {"text", "-5", "least", 0.01, "most", 100_000.0, "unit", "ml"}),
                Map.entry("not-a-count", new Object[] {"text", "0"}),
                Map.entry("too-many-rolls", new Object[0]),
                Map.entry("rolls-missing", new Object[0]),
                Map.entry("owner-missing", new Object[0]),
                Map.entry("text-too-long", new Object[] {"most", 40}),
                Map.entry("unknown-format", new Object[] {"text", "126"}),
                Map.entry("unknown-tank", new Object[0]),
                Map.entry("unknown-push", new Object[0]),
                Map.entry("pushes-differ", new Object[0]),
                Map.entry("push-outside-leaflet", new Object[] {"least", -1.0, "most", 2.0}),
                Map.entry("parts-exceed-volume", new Object[0]),
                Map.entry("more-than-the-kit-allows", new Object[] {"part", "Developer C", "largestMl", 480.0}),
                Map.entry("bottle-missing", new Object[0]),
                Map.entry("bottle-taken", new Object[] {"bottle", "A1"}),
                Map.entry("bottle-too-small", new Object[] {"bottle", "A1", "capacityMl", 500.0}),
                Map.entry("batch-ended", new Object[0]),
                Map.entry("bath-missing", new Object[] {"fill", fill}),
                Map.entry("bath-must-go", new Object[] {"fill", fill, "because", reason}),
                Map.entry("run-too-big", new Object[] {"fill", fill, "rolls", 3.0, "fits", 1.5}),
                Map.entry("too-little-for-tank", new Object[] {"fill", fill, "needsMl", 500.0, "leftMl", 300.0}),
                Map.entry("waste-kept-apart", new Object[] {"bath", "Fixer", "route", "Developer waste"}),
                Map.entry("unknown-process", new Object[0]),
                Map.entry("wrong-code", new Object[0]),
                Map.entry("house-begun", new Object[0]),
                Map.entry("unknown-currency", new Object[] {"text", "XYZ"}),
                Map.entry("unknown-time-zone", new Object[] {"text", "Atlantis"}),
                Map.entry("sign-in-name-form", new Object[0]),
                Map.entry("sign-in-name-taken", new Object[] {"text", "ines"}),
                Map.entry("password-short", new Object[] {"least", 10, "most", 72}),
                Map.entry("name-taken", new Object[] {"text", "A1"}),
                Map.entry("unknown-material", new Object[0]),
                Map.entry("unknown-member", new Object[0]),
                Map.entry("not-a-moment", new Object[] {"text", "soon"}),
                Map.entry("in-the-future", new Object[0]),
                Map.entry("before-mixing", new Object[0]),
                Map.entry("already-barred", new Object[0]),
                Map.entry("not-barred", new Object[0]),
                Map.entry("more-than-there-is", new Object[] {"leftMl", 300.0}),
                Map.entry("not-a-batch", new Object[] {"text", "four"}),
                Map.entry("not-a-day", new Object[] {"text", "soon"}),
                Map.entry("already-void", new Object[0]),
                Map.entry("void-is-final", new Object[0]),
                Map.entry("later-entries-depend", new Object[] {"text", "entry 4"}),
                Map.entry("reason-missing", new Object[0]),
                Map.entry("fills-missing", new Object[0]),
                Map.entry("already-discarded", new Object[] {"bath", "Developer"}),
                Map.entry("form-key-missing", new Object[0]));
        refusals.forEach((code, values) -> {
            String sentence = Sentences.refusal(Refusal.of(code, values));
            assertThat(sentence).as(code).doesNotStartWith("That is not possible (");
            assertWords(sentence);
        });
    }

    private static void assertWords(String sentence) {
        assertThat(sentence).endsWith(".").doesNotContain("  ", "%s");
        assertThat(SOFTWARE_WORDS)
                .noneMatch(word -> sentence.toLowerCase(Locale.ROOT).contains(word));
    }
}
