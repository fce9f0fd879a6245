package mezcla.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.testng.annotations.Test;

/** Practice with a simulated bath, its report, and what stewards sign off. */
public class PracticeTest extends DemoPagesTest {
    private static final long BEGAN = Instant.now().minusSeconds(3600).toEpochMilli();

    private static String event(int number, long seconds, String kind, int step) {
        return "{\"n\":%d,\"at\":%d,\"kind\":\"%s\",\"step\":%d,\"value\":0}"
                .formatted(number, BEGAN + seconds * 1000, kind, step);
    }

    private String keep(String who, String fault, String... events) throws Exception {
        String kept = String.valueOf(send(
                        "/practice/1/report",
                        who,
                        "events",
                        "[" + String.join(",", events) + "]",
                        "fault",
                        fault,
                        "speed",
                        "20")
                .getRedirectedUrl());
        assertThat(kept).startsWith("/practice/reports/");
        return kept;
    }

    private static String[] run(long developerLate) {
        return new String[] {
            event(1, 0, "POUR", 0),
            event(2, 60 + developerLate, "POUR", 1),
            event(3, 260 + developerLate, "POUR", 2),
            event(4, 660 + developerLate, "POUR", 3),
            event(5, 840 + developerLate, "POUR", 4),
            event(6, 900 + developerLate, "DONE", 4)
        };
    }

    @Test
    public void theReportSaysWhatWasLateAndWhatTheBathDid() throws Exception {
        String steady = page(keep("ines", "NONE", run(9)), "ines");
        assertThat(steady)
                .contains("Poured in 9 s late.")
                .contains("20 times as fast")
                .doesNotContain("Its temperature");
        String off = page(keep("ines", "HEATER_OFF", run(600)), "ines");
        assertThat(off).contains("Poured in 10:00 late.").contains("Its temperature made it count as 2:4");
        String out = page(keep("ines", "PROBE_OUT", run(0)), "ines");
        assertThat(out).as("air is no bath").doesNotContain("Its temperature");
    }

    @Test
    public void theProbeOfAPracticeShowsItsFaults() throws Exception {
        String poured = "[" + event(1, 0, "POUR", 0) + "," + event(2, 60, "POUR", 1) + "]";
        String warm = send(
                        "/practice/1/probe",
                        "ines",
                        "events",
                        poured,
                        "now",
                        "" + (BEGAN + 100_000),
                        "fault",
                        "PROBE_OUT")
                .getContentAsString();
        assertThat(warm).contains("Simulated probe: 38").contains("\"finding\":\"\"");
        String out = send(
                        "/practice/1/probe",
                        "ines",
                        "events",
                        poured,
                        "now",
                        "" + (BEGAN + 145_000),
                        "fault",
                        "PROBE_OUT")
                .getContentAsString();
        assertThat(out).contains("the probe may be out of the water");
        String cool = send(
                        "/practice/1/probe",
                        "ines",
                        "events",
                        poured,
                        "now",
                        "" + (BEGAN + 900_000),
                        "fault",
                        "HEATER_OFF")
                .getContentAsString();
        assertThat(cool)
                .contains("is the heater on")
                .contains("Simulated, at ")
                .contains("\"step\":1")
                .contains("more.");
        assertThat(send("/practice/1/probe", "ines", "events", "nonsense").getStatus())
                .isEqualTo(422);
        assertThat(send("/practice/1/probe", "ines", "events", "[" + event(1, 0, "POUR", 99) + "]")
                        .getStatus())
                .as("a step that there is not")
                .isEqualTo(200);
    }

    @Test
    public void aPracticeBelongsToItsMemberAndTheStewards() throws Exception {
        String kept = keep("devi", "NONE", run(0));
        assertThat(page(kept, "devi")).contains("Not moved at").doesNotContain("Sign this practice off");
        assertThat(page(kept, "saoirse")).contains("There is nothing of that number");
        assertThat(page(kept, "bram")).contains("Sign this practice off");
        assertThat(page("/practice/members", "devi")).doesNotContain(kept);
    }

    @Test(dependsOnMethods = "aPracticeBelongsToItsMemberAndTheStewards")
    public void aStewardSignsAPracticeAndAFirstRunOff() throws Exception {
        String kept = keep("tomasz", "NONE", run(0));
        assertThat(send(kept + "/sign-off", "bram").getRedirectedUrl()).isEqualTo("/practice/members?signed");
        assertThat(page(kept, "tomasz")).contains("It was signed off by Bram");
        String members = page("/practice/members", "bram");
        Matcher form = Pattern.compile(
                        "/practice/members/([0-9]+)/first-run\".*?<option\\s+value=\"([0-9]+)\"", Pattern.DOTALL)
                .matcher(members);
        assertThat(form.find()).isTrue();
        String member = form.group(1);
        assertThat(send("/practice/members/" + member + "/first-run", "bram", "run" + member, "1")
                        .getContentAsString())
                .contains("Choose one of their runs.");
        assertThat(send("/practice/members/" + member + "/first-run", "bram", "run" + member, form.group(2))
                        .getRedirectedUrl())
                .isEqualTo("/practice/members?signed");
        assertThat(page("/practice/members", "bram")).doesNotContain("/practice/members/" + member + "/first-run");
    }
}
