package mezcla.tenyears;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Collections;
import java.util.Enumeration;
import java.util.jar.JarEntry;
import java.util.jar.JarFile;
import java.util.jar.JarOutputStream;
import java.util.jar.Manifest;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** An application of the same stack that does nothing but show one page: what Mezcla's start and memory stand beside. */
@SpringBootApplication
public class BareApplication {
    private static final String CLASSES = "BOOT-INF/classes/";
    private static final String PAGE =
            "<!doctype html><html lang=\"en-GB\"><head><title>Bare</title></head><body><p>Bare</p><p th:each=\"line : ${lines}\""
                    + " th:text=\"${line}\">a line</p></body></html>";
    private static final String LINE = "a line of a page that is as long as another one, and says nothing else at all";

    public static void main(String[] arguments) {
        SpringApplication.run(BareApplication.class, arguments);
    }

    /** Its one page, as long as somebody wants it. */
    @Controller
    public static class Page {
        @GetMapping("/sign-in")
        public String page(@RequestParam(defaultValue = "0") int lines, Model model) {
            model.addAttribute("lines", Collections.nCopies(lines, LINE));
            return "bare";
        }
    }

    /** Packages it with the same libraries as another application. */
    static Path packagedLike(Path jar, Path target) throws IOException {
        try (JarFile packaged = new JarFile(jar.toFile())) {
            Manifest manifest = packaged.getManifest();
            manifest.getMainAttributes().putValue("Start-Class", BareApplication.class.getName());
            try (JarOutputStream bare = new JarOutputStream(Files.newOutputStream(target), manifest)) {
                Enumeration<JarEntry> entries = packaged.entries();
                while (entries.hasMoreElements()) {
                    copy(packaged, entries.nextElement(), bare);
                }
                for (Class<?> each : new Class<?>[] {BareApplication.class, Page.class}) {
                    String name = each.getName().replace('.', '/') + ".class";
                    add(bare, CLASSES + name, read(name));
                }
                add(bare, CLASSES + "templates/bare.html", PAGE.getBytes(StandardCharsets.UTF_8));
                String settings =
                        """
                        spring.datasource.url=jdbc:sqlite:file:bare?mode=memory&cache=shared
                        spring.flyway.enabled=false
                        spring.security.filter.order=-100
                        spring.autoconfigure.exclude=org.springframework.boot.security.autoconfigure.web.servlet.ServletWebSecurityAutoConfiguration
                        """;
                add(bare, CLASSES + "application.properties", settings.getBytes(StandardCharsets.UTF_8));
            }
        }
        return target;
    }

    private static void copy(JarFile from, JarEntry entry, JarOutputStream to) throws IOException {
        if (entry.getName().startsWith(CLASSES) && !entry.getName().equals(CLASSES)
                || entry.getName().equals(JarFile.MANIFEST_NAME)) {
            return;
        }
        JarEntry kept = new JarEntry(entry.getName());
        kept.setMethod(entry.getMethod());
        if (entry.getMethod() == JarEntry.STORED) {
            kept.setSize(entry.getSize());
            kept.setCrc(entry.getCrc());
        }
        to.putNextEntry(kept);
        try (InputStream content = from.getInputStream(entry)) {
            content.transferTo(to);
        }
        to.closeEntry();
    }

    private static byte[] read(String name) {
        try (InputStream content = BareApplication.class.getClassLoader().getResourceAsStream(name)) {
            if (content == null) {
                throw new IllegalStateException(name + " is missing");
            }
            return content.readAllBytes();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static void add(JarOutputStream to, String name, byte[] content) throws IOException {
        to.putNextEntry(new JarEntry(name));
        to.write(content);
        to.closeEntry();
    }
}
