package mezcla.web;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.nio.charset.StandardCharsets;
import java.util.UUID;
import mezcla.web.shell.Members;
import mezcla.web.shell.SignedIn;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.AbstractMockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

/** Pages of the demonstration, asked for and sent forms as its members would. */
public abstract class DemoPagesTest extends DemoApplicationTest {
    @Autowired
    private MockMvc pages;

    @Autowired
    private Members members;

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

    /** What an address answers. */
    protected MockHttpServletResponse answer(AbstractMockHttpServletRequestBuilder<?> request, String who)
            throws Exception {
        return pages.perform(request.with(csrf()).with(user(members.loadUserByUsername(who))))
                .andReturn()
                .getResponse();
    }
}
