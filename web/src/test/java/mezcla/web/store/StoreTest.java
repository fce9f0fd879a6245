package mezcla.web.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import jakarta.servlet.http.Cookie;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import mezcla.web.DemoApplicationTest;
import mezcla.web.MezclaApplication;
import mezcla.web.access.Members;
import mezcla.web.access.SignedIn;
import mezcla.web.log.DarkroomLog;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.context.TestPropertySource;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.transaction.support.TransactionTemplate;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** What happens when the file cannot be written, is not there, or is none of ours. */
@TestPropertySource(
        properties =
                "mezcla.store.url=jdbc:sqlite:${mezcla.data}/mezcla.db?journal_mode=WAL&synchronous=FULL&foreign_keys=on&busy_timeout=700")
public class StoreTest extends DemoApplicationTest {
    @Autowired
    private MockMvc pages;

    @Autowired
    private Members members;

    @Autowired
    private DarkroomLog log;

    @Autowired
    private StoreGuard guard;

    @Autowired
    private JdbcClient sql;

    @Autowired
    private TransactionTemplate transaction;

    @Value("${mezcla.data}")
    private Path folder;

    private SignedIn devi;
    private Path aside;

    @BeforeMethod
    public void begin() {
        devi = (SignedIn) members.loadUserByUsername("devi");
        aside = folder.resolveSibling(folder.getFileName() + "-aside");
        guard.look();
    }

    @AfterMethod
    public void passes() {
        guard.look();
    }

    private int rows() {
        return log.book().entries().size();
    }

    private MockHttpServletResponse note(String key, String text) {
        try {
            return pages.perform(post("/batches/4/notes")
                            .with(user(devi))
                            .with(csrf())
                            .param("formKey", key)
                            .param("note", text))
                    .andReturn()
                    .getResponse();
        } catch (Exception failed) {
            throw new IllegalStateException(failed);
        }
    }

    private static String key() {
        return UUID.randomUUID().toString();
    }

    /** Another program holds the file. */
    private Connection lock() throws SQLException {
        Connection other = DriverManager.getConnection("jdbc:sqlite:" + folder.resolve("mezcla.db"));
        other.createStatement().execute("BEGIN IMMEDIATE");
        return other;
    }

    @Test
    public void whatALockedFileDidNotTakeIsNotSavedAndSaysSo() throws Exception {
        int rows = rows();
        String first = key();
        String second = key();
        try (Connection other = lock()) {
            List<CompletableFuture<MockHttpServletResponse>> sent = Stream.of(first, second)
                    .map(key -> CompletableFuture.supplyAsync(() -> note(key, "under a lock")))
                    .toList();
            for (CompletableFuture<MockHttpServletResponse> each : sent) {
                MockHttpServletResponse answer = each.get(30, TimeUnit.SECONDS);
                assertThat(answer.getStatus()).isEqualTo(503);
                assertThat(answer.getContentAsString()).contains("Nothing was saved", "in use by another program");
            }
            assertThat(pages.perform(get("/batches/4").with(user(devi)))
                            .andReturn()
                            .getResponse()
                            .getStatus())
                    .isEqualTo(200);
            other.createStatement().execute("ROLLBACK");
        }
        assertThat(rows()).isEqualTo(rows);
        assertThat(note(first, "under a lock").getRedirectedUrl()).isEqualTo("/batches/4?noted");
        assertThat(note(first, "under a lock").getRedirectedUrl()).isEqualTo("/batches/4?noted");
        assertThat(rows()).isEqualTo(rows + 1);
    }

    @Test
    public void aShortLockIsWaitedFor() throws Exception {
        int rows = rows();
        try (Connection other = lock()) {
            CompletableFuture<MockHttpServletResponse> sent =
                    CompletableFuture.supplyAsync(() -> note(key(), "a short lock"));
            assertThatThrownBy(() -> sent.get(200, TimeUnit.MILLISECONDS))
                    .isInstanceOf(java.util.concurrent.TimeoutException.class);
            other.createStatement().execute("ROLLBACK");
            assertThat(sent.get(30, TimeUnit.SECONDS).getRedirectedUrl()).isEqualTo("/batches/4?noted");
        }
        assertThat(rows()).isEqualTo(rows + 1);
    }

    @Test
    public void fullDiskIsSaidReadingGoesOnAndSavingComesBack() throws Exception {
        int rows = rows();
        transaction.executeWithoutResult(status -> {
            int pagesNow = sql.sql("PRAGMA page_count").query(Integer.class).single();
            sql.sql("PRAGMA max_page_count = " + pagesNow).query(Integer.class).single();
        });
        MockHttpServletResponse full = note(key(), "x".repeat(150));
        for (int i = 0; i < 100 && full.getStatus() != 503; i++) {
            full = note(key(), i + "x".repeat(150));
        }
        assertThat(full.getStatus()).isEqualTo(503);
        assertThat(full.getContentAsString()).contains("Nothing was saved", "The disk is full.");
        assertThat(pages.perform(get("/shelf").with(user(devi)))
                        .andReturn()
                        .getResponse()
                        .getContentAsString())
                .contains("The disk is full. Nothing can be saved.");
        guard.look();
        int before = rows();
        assertThat(before).isGreaterThanOrEqualTo(rows);
        assertThat(note(key(), "room again").getRedirectedUrl()).isEqualTo("/batches/4?noted");
        assertThat(rows()).isEqualTo(before + 1);
        assertThat(pages.perform(get("/shelf").with(user(devi)))
                        .andReturn()
                        .getResponse()
                        .getContentAsString())
                .doesNotContain("The disk is full.");
    }

    @Test
    public void aLookWhosePhotoHasNoRoomIsNotHalfKept() throws Exception {
        Path photos = folder.resolve("photos");
        Path moved = folder.resolve("photos-aside");
        boolean there = Files.exists(photos);
        if (there) {
            Files.move(photos, moved);
        }
        Files.writeString(photos, "in the way");
        try {
            int rows = rows();
            java.io.ByteArrayOutputStream png = new java.io.ByteArrayOutputStream();
            javax.imageio.ImageIO.write(
                    new java.awt.image.BufferedImage(8, 8, java.awt.image.BufferedImage.TYPE_INT_RGB), "png", png);
            long run = log.state().batch(4).runs().get(0).stamp().sequence();
            MockHttpServletResponse answer = pages.perform(
                            org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart(
                                            "/batches/4/looks/" + run)
                                    .file(new org.springframework.mock.web.MockMultipartFile(
                                            "photo", "a.png", "image/png", png.toByteArray()))
                                    .with(user(devi))
                                    .with(csrf())
                                    .param("formKey", key())
                                    .param("roll", "0")
                                    .param("result", "GOOD"))
                    .andReturn()
                    .getResponse();
            assertThat(answer.getStatus()).isEqualTo(422);
            assertThat(answer.getContentAsString()).contains("There is no room for the photo");
            assertThat(rows()).isEqualTo(rows);
        } finally {
            Files.delete(photos);
            if (there) {
                Files.move(moved, photos);
            }
        }
    }

    @Test
    public void nobodyButTheOwnerReadsTheFolder() throws IOException {
        assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(folder)))
                .isEqualTo("rwx------");
    }

    /** What was saved into a file that is not there any more would be lost; that does not pass by itself. */
    @Test(
            dependsOnMethods = {
                "whatALockedFileDidNotTakeIsNotSavedAndSaysSo",
                "aShortLockIsWaitedFor",
                "fullDiskIsSaidReadingGoesOnAndSavingComesBack",
                "aLookWhosePhotoHasNoRoomIsNotHalfKept"
            })
    public void nothingIsConfirmedIntoAFileThatIsGone() throws Exception {
        int rows = rows();
        Cookie device = pages.perform(
                        post("/sign-in").with(csrf()).param("name", "devi").param("password", "rinse-and-hang"))
                .andReturn()
                .getResponse()
                .getCookie("signed-in");
        Files.move(folder.resolve("mezcla.db"), aside);
        MockHttpServletResponse lost = note(key(), "into nowhere");
        assertThat(lost.getStatus()).isEqualTo(503);
        assertThat(lost.getContentAsString()).contains("Nothing was saved", "is gone from its folder");
        Files.copy(aside, folder.resolve("mezcla.db"));
        guard.look();
        assertThat(note(key(), "into another").getStatus()).isEqualTo(503);
        MockHttpServletResponse shelf =
                pages.perform(get("/shelf").with(user(devi))).andReturn().getResponse();
        assertThat(shelf.getStatus()).isEqualTo(200);
        assertThat(shelf.getContentAsString()).contains("Nothing can be saved.", "on paper");
        assertThat(rows()).isEqualTo(rows);
        assertThat(pages.perform(post("/sign-out").cookie(device).with(csrf()))
                        .andReturn()
                        .getResponse()
                        .getRedirectedUrl())
                .isEqualTo("/sign-in?out");
        assertThat(pages.perform(get("/shelf").cookie(device))
                        .andReturn()
                        .getResponse()
                        .getRedirectedUrl())
                .startsWith("/sign-in");
    }

    @Test
    public void aFileOfSomethingElseIsSaidInASentenceAtTheStart() throws IOException {
        Path other = Files.createTempDirectory("mezcla-other");
        Files.writeString(other.resolve("mezcla.db"), "This is a shopping list.");
        assertThatThrownBy(() -> new SpringApplicationBuilder(MezclaApplication.class)
                        .run("--mezcla.data=" + other, "--server.port=0", "--spring.main.banner-mode=off"))
                .satisfies(failure -> assertThat(
                                new StoreFailures().analyze(failure).getDescription())
                        .contains("is none of Mezcla's, or is damaged"));
    }
}
