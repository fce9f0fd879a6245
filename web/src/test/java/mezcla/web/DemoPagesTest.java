package mezcla.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.nio.charset.StandardCharsets;
import java.util.UUID;
import java.util.function.Supplier;
import java.util.stream.Stream;
import mezcla.web.access.Members;
import mezcla.web.access.SignedIn;
import mezcla.web.log.DarkroomLog;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.AbstractMockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

/** Pages of the demonstration, asked for and sent forms as its members would. */
public abstract class DemoPagesTest extends DemoApplicationTest {
    @Autowired
    private MockMvc pages;

    @Autowired
    private Members members;

    @Autowired
    private DarkroomLog log;

    /** Sends a form with a key of its own, unless one is among the fields. */
    protected MockHttpServletResponse send(String page, String who, String... fields) throws Exception {
        MockHttpServletRequestBuilder request = post(page);
        boolean keyed = false;
        for (int i = 0; i < fields.length; i += 2) {
            request = request.param(fields[i], fields[i + 1]);
            keyed |= fields[i].equals("formKey");
        }
        return answer(
                keyed ? request : request.param("formKey", UUID.randomUUID().toString()), who);
    }

    /** Film of Ines's as a form carries it, and what else there is in the form. */
    protected static String[] film(String count, String format, String tank, String... more) {
        return Stream.concat(
                        Stream.of(
                                "film[0].count",
                                count,
                                "film[0].format",
                                format,
                                "film[0].owner",
                                "Ines",
                                "push",
                                "0",
                                "tank",
                                tank),
                        Stream.of(more))
                .toArray(String[]::new);
    }

    /** Starts a run of one roll; where it is found while it goes on. */
    protected String start(String who, long batch, String format, String tank, String... more) throws Exception {
        String[] seen = {"seen", "" + log.book().lastSequence()};
        String[] all = Stream.concat(Stream.of(more), Stream.of(seen)).toArray(String[]::new);
        String started = send("/batches/" + batch + "/starts", who, film("1", format, tank, all))
                .getRedirectedUrl();
        assertThat(started).endsWith("/ribbon");
        return String.valueOf(started).replace("/ribbon", "");
    }

    /** Sends a file. */
    protected MockHttpServletResponse sendFile(String page, String who, String file) throws Exception {
        return answer(
                multipart(page)
                        .file(new MockMultipartFile("file", file.getBytes(StandardCharsets.UTF_8)))
                        .param("formKey", UUID.randomUUID().toString()),
                who);
    }

    /** What a page says, with plain spaces. */
    protected String page(String address, String who) throws Exception {
        return answer(get(address), who).getContentAsString().replace('\u00a0', ' ');
    }

    /** The demonstration's steward. */
    protected SignedIn steward() {
        return (SignedIn) members.loadUserByUsername("bram");
    }

    /** What the steward does beside the pages. */
    protected <T> T asSteward(Supplier<T> act) {
        SignedIn steward = steward();
        SecurityContextHolder.getContext()
                .setAuthentication(
                        UsernamePasswordAuthenticationToken.authenticated(steward, "", steward.getAuthorities()));
        try {
            return act.get();
        } finally {
            SecurityContextHolder.clearContext();
        }
    }

    /** What an address answers. */
    protected MockHttpServletResponse answer(AbstractMockHttpServletRequestBuilder<?> request, String who)
            throws Exception {
        return pages.perform(request.with(csrf()).with(user(members.loadUserByUsername(who))))
                .andReturn()
                .getResponse();
    }
}
