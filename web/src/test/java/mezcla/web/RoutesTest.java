package mezcla.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.request;

import java.net.URI;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import mezcla.web.access.Members;
import mezcla.web.histories.ShownFigures;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.beans.factory.config.AutowireCapableBeanFactory;
import org.springframework.http.HttpMethod;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Every route of the application as nobody, as a member and as a steward. */
public class RoutesTest extends DemoPagesTest {
    /** Notices that say how something is, and not what was done. */
    private static final Set<String> WHAT_IS = Set.of("Its limits have changed since");

    @Autowired
    private MockMvc pages;

    @Autowired
    private Members members;

    @Autowired
    private AutowireCapableBeanFactory beans;

    private EveryRoute every = new EveryRoute();

    @BeforeClass(dependsOnMethods = "springTestContextPrepareTestInstance")
    public void findWhatThereIs() {
        every = beans.createBean(EveryRoute.class);
        every.pages();
    }

    @Autowired
    @Qualifier("requestMappingHandlerMapping")
    private RequestMappingHandlerMapping mapping;

    @Test
    public void tableNamesEveryRoute() {
        Set<String> known = new TreeSet<>();
        for (Object[] row : EveryRoute.TABLE) {
            known.add((String) row[0]);
        }
        Set<String> served = new TreeSet<>();
        mapping.getHandlerMethods().forEach((info, method) -> {
            if (method.getBeanType().getName().startsWith("mezcla")) {
                info.getMethodsCondition().getMethods().forEach(verb -> info.getPatternValues()
                        .forEach(pattern -> served.add(verb + " " + pattern)));
            }
        });
        assertThat(known).isEqualTo(served);
    }

    @Test
    public void everyRouteSaysWhichFiguresItShows() {
        Set<String> asked = new TreeSet<>();
        for (Object[] row : EveryRoute.TABLE) {
            String route = (String) row[0];
            if (route.startsWith("GET ")) {
                asked.add(route.substring("GET ".length()));
            }
        }
        assertThat(new TreeSet<>(ShownFigures.SHOWN.keySet())).isEqualTo(asked);
    }

    @DataProvider
    public Object[][] routes() {
        List<Object[]> rows = new ArrayList<>();
        for (Object[] row : EveryRoute.TABLE) {
            for (String name : new String[] {"", "devi", "bram"}) {
                rows.add(new Object[] {row[0], row[1], name});
            }
        }
        return rows.toArray(new Object[0][]);
    }

    @Test(dataProvider = "routes")
    public void everybodyGetsAsFarAsTheyMay(String route, EveryRoute.Who who, String name) throws Exception {
        MockHttpServletResponse answer =
                pages.perform(asked(route, name)).andReturn().getResponse();
        int status = answer.getStatus();
        if (who == EveryRoute.Who.PROBES) {
            assertThat(status).as("an account is no token").isEqualTo(401);
        } else if (name.isEmpty() && who != EveryRoute.Who.ANYBODY) {
            assertThat(status).isEqualTo(302);
            assertThat(answer.getRedirectedUrl()).startsWith("/sign-in");
        } else if (name.equals("devi") && who == EveryRoute.Who.STEWARDS) {
            assertThat(status).isEqualTo(403);
        } else {
            assertThat(status).isNotIn(401, 403, 404, 405).isLessThan(500);
            if (status == 302 && who != EveryRoute.Who.ANYBODY) {
                assertThat(answer.getRedirectedUrl()).doesNotStartWith("/sign-in");
            }
        }
    }

    @DataProvider
    public Object[][] plainVisits() {
        return Stream.of(EveryRoute.TABLE)
                .map(row -> (String) row[0])
                .filter(route -> route.startsWith("GET "))
                .map(route -> new Object[] {route})
                .toArray(Object[][]::new);
    }

    /** What is said when nothing happened stands on no page: {@code Saved} is for whoever saved. */
    @Test(dataProvider = "plainVisits")
    public void aPlainVisitSaysOnlyWhatIs(String route) throws Exception {
        String page = pages.perform(
                        get(URI.create(every.address(route))).with(user(members.loadUserByUsername("bram"))))
                .andReturn()
                .getResponse()
                .getContentAsString();
        List<String> said = Pattern.compile(
                        "<(?:p|div) class=\"notice\" role=\"status\"[^>]*>(.*?)</(?:p|div)>", Pattern.DOTALL)
                .matcher(page)
                .results()
                .map(notice -> notice.group(1)
                        .replaceAll("<[^>]+>", "")
                        .replaceAll("\\s+", " ")
                        .strip())
                .filter(notice -> WHAT_IS.stream().noneMatch(notice::startsWith))
                .toList();
        assertThat(said).as(route).isEmpty();
    }

    /** A route with numbers of things that exist, and nothing typed. */
    private MockHttpServletRequestBuilder asked(String route, String name) throws Exception {
        String page = every.address(route);
        MockHttpServletRequestBuilder request = request(
                        HttpMethod.valueOf(route.substring(0, route.indexOf(' '))), page)
                .with(csrf())
                .param("bath", "dev")
                .param("why", "a try")
                .param("process", "colour-negative")
                .param("reason", "a try")
                .param("formKey", UUID.randomUUID().toString());
        return name.isEmpty() ? request : request.with(user(members.loadUserByUsername(name)));
    }
}
