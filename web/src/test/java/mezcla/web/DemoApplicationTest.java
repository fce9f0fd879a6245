package mezcla.web;

import java.io.IOException;
import java.nio.file.Files;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.test.annotation.DirtiesContext;
import org.springframework.test.context.ActiveProfiles;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import org.springframework.test.context.testng.AbstractTestNGSpringContextTests;

/** A whole application with the demonstration's data, in a folder of its own. */
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
@AutoConfigureMockMvc
@ActiveProfiles("demo")
@DirtiesContext
public abstract class DemoApplicationTest extends AbstractTestNGSpringContextTests {
    @DynamicPropertySource
    static void folder(DynamicPropertyRegistry properties) {
        String folder = newFolder();
        properties.add("mezcla.data", () -> folder);
    }

    private static String newFolder() {
        try {
            return Files.createTempDirectory("mezcla-test").toString();
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }
}
