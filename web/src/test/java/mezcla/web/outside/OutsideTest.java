package mezcla.web.outside;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import java.io.IOException;
import java.io.StringReader;
import java.time.LocalDate;
import java.time.format.TextStyle;
import java.util.List;
import java.util.Locale;
import mezcla.web.DemoPagesTest;
import mezcla.web.log.DarkroomLog;
import net.fortuna.ical4j.data.CalendarBuilder;
import net.fortuna.ical4j.data.ParserException;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.component.VEvent;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpStatus;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.testng.annotations.Test;

/** What is seen without signing in, by whoever has the address. */
public class OutsideTest extends DemoPagesTest {
    @Autowired
    private MockMvc pages;

    @Autowired
    private SecretAddresses addresses;

    @Autowired
    private DarkroomLog log;

    private MockHttpServletResponse asNobody(String address, String from) throws Exception {
        return pages.perform(get(address).with(request -> {
                    request.setRemoteAddr(from);
                    return request;
                }))
                .andReturn()
                .getResponse();
    }

    private static List<VEvent> events(String text) throws IOException, ParserException {
        Calendar calendar = new CalendarBuilder().build(new StringReader(text));
        calendar.validate();
        return calendar.getComponents("VEVENT");
    }

    @Test
    public void theCalendarHoldsTheDaysThatStandOnLabelsAndTags() throws Exception {
        String secret = asSteward(() -> addresses.make(steward(), SecretAddresses.Kind.CALENDAR));
        MockHttpServletResponse answer = asNobody("/calendar/" + secret + ".ics", "203.0.113.9");
        assertThat(answer.getContentType()).startsWith("text/calendar");
        List<VEvent> events = events(answer.getContentAsString());
        assertThat(events)
                .extracting(event -> event.getSummary().getValue())
                .anyMatch(what -> what.contains("ast day of batch 4, Oxbow liquid"))
                .anyMatch(what -> what.contains("est batch 3, Weir separate"))
                .anyMatch(what -> what.contains("ast day of batch 3, Weir separate"))
                .anyMatch(what -> what.contains("ast day of batch 2, Oxbow liquid (bleach-fix)"))
                .noneMatch(what -> what.contains("ast day of batch 2, Oxbow liquid (developer"))
                .noneMatch(what -> what.contains("Ines") || what.contains("Saoirse"));
        assertThat(events)
                .extracting(event -> event.getUid().orElseThrow().getValue())
                .as("one of a day and kind")
                .doesNotHaveDuplicates();
        String label = page("/batches/4/labels", "ines");
        LocalDate last = events.stream()
                .filter(event -> event.getSummary().getValue().contains("ast day of batch 4, Oxbow liquid"))
                .map(event -> LocalDate.from(event.getDateTimeStart().getDate()))
                .findFirst()
                .orElseThrow();
        assertThat(label).contains("%d %s".formatted(last.getDayOfMonth(), month(last)));
        long before = events.size();
        assertThat(send("/batches/4/loads", "ines", film("1", "135-36", "1")).getStatus())
                .isEqualTo(302);
        List<VEvent> planned =
                events(asNobody("/calendar/" + secret + ".ics", "203.0.113.9").getContentAsString());
        assertThat(planned).hasSize((int) before + 1);
        assertThat(log.state().batches()).isNotEmpty();
    }

    private static String month(LocalDate day) {
        return day.getMonth().getDisplayName(TextStyle.FULL, Locale.UK);
    }

    @Test
    public void theWallIsShownInTheHouseAloneAndOnlyWhereItIsOn() throws Exception {
        assertThat(asNobody("/wall/GUESSED", "192.168.7.20").getStatus()).isEqualTo(404);
        String secret = asSteward(() -> addresses.make(steward(), SecretAddresses.Kind.WALL));
        MockHttpServletResponse wall = asNobody("/wall/" + secret, "192.168.7.20");
        assertThat(wall.getStatus()).isEqualTo(200);
        assertThat(wall.getContentAsString())
                .contains(
                        "Add time",
                        "Oxbow liquid",
                        "Nobody is running film",
                        "To do today: ",
                        "test batch 3, Weir separate")
                .doesNotContain("<form", "Sign out", "href=\"/batches");
        assertThat(asNobody("/wall/" + secret, "203.0.113.9").getStatus()).isEqualTo(404);
        start("ines", 5, "135-36", "1");
        assertThat(asNobody("/wall/" + secret, "::1").getContentAsString())
                .containsPattern("Ines: batch 5, [^<]+, until about [0-9]{1,2}:[0-9]{2}");
        String another = asSteward(() -> addresses.make(steward(), SecretAddresses.Kind.WALL));
        assertThat(asNobody("/wall/" + secret, "192.168.7.20").getStatus())
                .as("a new address ends the old one")
                .isEqualTo(404);
        send("/house/outside/wall/end", "bram");
        assertThat(asNobody("/wall/" + another, "192.168.7.20").getStatus()).isEqualTo(404);
        assertThat(page("/wall-sheet", "devi")).contains("Oxbow liquid", "Never close a bottle that still fizzes");
    }

    /** A proxy on this machine that passes on what it was told could be told anything. */
    @Test
    public void whatAProxySaysOfWhereItIsAskedFromShowsNoWall() throws Exception {
        String secret = asSteward(() -> addresses.make(steward(), SecretAddresses.Kind.WALL));
        assertThat(byThisMachine(secret, "192.168.7.20", "")).isEqualTo(404);
        assertThat(byThisMachine(secret, "127.0.0.1", "X-Forwarded-Proto")).isEqualTo(404);
        assertThat(byThisMachine(secret, "127.0.0.1", ""))
                .as("somebody at the machine itself")
                .isEqualTo(200);
    }

    private int byThisMachine(String secret, String from, String header) throws Exception {
        return pages.perform(get("/wall/" + secret).with(request -> {
                    request.setRemoteAddr(from);
                    request.setAttribute("org.apache.tomcat.request.forwarded", true);
                    if (!header.isEmpty()) {
                        request.addHeader(header, "https");
                    }
                    return request;
                }))
                .andReturn()
                .getResponse()
                .getStatus();
    }

    @Test
    public void anAddressIsToldOnceAndOnlyItsHashIsKept() throws Exception {
        assertThat(send("/house/outside/calendar", "ines").getStatus()).isEqualTo(403);
        assertThat(send("/house/outside/door", "bram").getStatus()).isEqualTo(HttpStatus.NOT_FOUND.value());
        assertThat(send("/house/outside/calendar", "bram").getRedirectedUrl()).isEqualTo("/house/outside");
        assertThat(page("/house/outside", "bram"))
                .contains("It has an address since")
                .doesNotContain(".ics");
    }

    @Test
    public void networksOfAHouseAreToldFromTheRest() {
        assertThat(List.of(
                        "127.0.0.1",
                        "10.1.2.3",
                        "172.16.0.9",
                        "192.168.1.1",
                        "169.254.1.1",
                        "::1",
                        "fe80::1",
                        "fd00::7"))
                .allMatch(OutsideController::isInTheHouse);
        assertThat(List.of("203.0.113.9", "8.8.4.4", "172.32.0.1", "2001:db8::1"))
                .noneMatch(OutsideController::isInTheHouse);
        assertThat(List.of("localhost", "10.1", "167772161", "0x0a000001", "10.1.2.3.4", "10.1.2.300", "", "::x"))
                .as("nothing is looked up or filled in")
                .noneMatch(OutsideController::isInTheHouse);
    }
}
