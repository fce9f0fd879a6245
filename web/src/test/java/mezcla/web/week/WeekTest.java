package mezcla.web.week;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import mezcla.due.Due;
import mezcla.web.DemoPagesTest;
import org.springframework.beans.factory.annotation.Autowired;
import org.testng.annotations.Test;

/** What needs doing stands on one page, each line leads where it is done, and what is done is gone. */
public class WeekTest extends DemoPagesTest {
    @Autowired
    private WeekService weeks;

    private String week(String who) throws Exception {
        return page("/week", who).replaceAll("\\s+", " ");
    }

    @Test
    public void aStewardSeesAllOfItAndEachLineLeadsWhereItIsDone() throws Exception {
        String week = week("bram");
        assertThat(week)
                .containsPattern("<h1[^>]*>[^<]+ things need doing, [a-z0-9]+ of them today")
                .contains(
                        "Batch 2, Oxbow liquid: replace developer",
                        "Batch 3, Weir separate: test before film that matters",
                        "Blue drum is ready for collection",
                        "Order Kiln Lane Negative Powder 600 ml",
                        "Film to look at: ",
                        "The next 12 days");
        List<String> addresses = new ArrayList<>();
        Pattern.compile("<a class=\"btn btn-second\" href=\"([^\"]+)\"[^>]*aria-label")
                .matcher(week)
                .results()
                .forEach(link -> addresses.add(link.group(1).replaceFirst("#.*", "")));
        assertThat(addresses).hasSizeGreaterThan(8);
        for (String address : addresses) {
            assertThat(answer(get(address), "bram").getStatus()).as(address).isIn(200, 302);
        }
    }

    @Test
    public void aMemberSeesWhatIsTheirsAndWhatAnybodyMayDo() throws Exception {
        assertThat(week("ines"))
                .contains("Batch 3, Weir separate: test before film that matters", ">yours<")
                .doesNotContain("Order Kiln Lane", "See members");
        assertThat(page("/mine", "ines").replaceAll("\\s+", " "))
                .contains("This week, yours", "Film to look at: ")
                .doesNotContain("Blue drum is ready");
    }

    @Test(dependsOnMethods = "aStewardSeesAllOfItAndEachLineLeadsWhereItIsDone")
    public void whatIsDoneIsGone() throws Exception {
        long drum = weeks.house().stream()
                .filter(Due.CollectDrum.class::isInstance)
                .map(Due.CollectDrum.class::cast)
                .map(due -> due.level().drum().id())
                .findFirst()
                .orElseThrow();
        assertThat(send("/waste/" + drum + "/collections", "bram", "firm", "the yard", "receipt", "12")
                        .getStatus())
                .isEqualTo(302);
        assertThat(week("bram")).doesNotContain("Blue drum is ready");
    }

    @Test
    public void aStewardComesInOnThisWeekAndAMemberOnTheShelf() throws Exception {
        assertThat(answer(get("/"), "bram").getRedirectedUrl()).isEqualTo("/week");
        assertThat(answer(get("/"), "ines").getRedirectedUrl()).isEqualTo("/shelf");
    }
}
