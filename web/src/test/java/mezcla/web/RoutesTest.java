package mezcla.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.request;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
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
