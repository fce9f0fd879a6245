package mezcla.years;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.net.CookieManager;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.GeneralSecurityException;
import java.security.KeyStore;
import java.time.Clock;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import javax.net.ssl.SSLContext;
import javax.net.ssl.TrustManagerFactory;
import mezcla.web.MezclaApplication;
import mezcla.web.console.ConsoleAddress;
import mezcla.web.copies.CopyCommand;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** The start script of a release, with a Java that only says how it was called; and HTTPS as the script sets it up. */
public class ReleaseTest {
    private static final Path SCRIPT = Path.of("..", "release", "mezcla").toAbsolutePath();

    private Path folder;
    private Path said;

    @BeforeClass
    public void aJavaThatSaysHowItWasCalled() throws IOException {
        folder = Files.createTempDirectory("mezcla-release");
        said = folder.resolve("said");
        Path bin = Files.createDirectories(folder.resolve("jdk").resolve("bin"));
        Path java = bin.resolve("java");
        Files.writeString(
                java,
                "#!/bin/sh\ncase $1 in -version|-Djarmode*) exit 1;; esac\nprintf '%%s\\n' \"$@\" >'%s'\n"
                        .formatted(said));
        Files.setPosixFilePermissions(java, PosixFilePermissions.fromString("rwx------"));
        Files.createSymbolicLink(bin.resolve("keytool"), Path.of(System.getProperty("java.home"), "bin", "keytool"));
        Files.writeString(folder.resolve("mezcla.jar"), "a jar");
    }

    private int script(String... words) throws Exception {
        Files.deleteIfExists(said);
        ProcessBuilder process = new ProcessBuilder();
        process.command().add(SCRIPT.toString());
        process.command().addAll(List.of(words));
        process.environment().put("JAVA_HOME", folder.resolve("jdk").toString());
        process.environment().put("MEZCLA_JAR", folder.resolve("mezcla.jar").toString());
        process.environment().put("MEZCLA_UNPACKED", folder.resolve("unpacked").toString());
        process.environment().put("MEZCLA_MEMORY", "300m");
        process.directory(folder.toFile())
                .redirectErrorStream(true)
                .redirectOutput(folder.resolve("log").toFile());
        Process running = process.start();
        assertThat(running.waitFor(60, TimeUnit.SECONDS)).isTrue();
        return running.exitValue();
    }

    private List<String> said() throws IOException {
        return Files.readAllLines(said);
    }

    @Test
    public void everyCommandCallsTheApplicationWithItsWords() throws Exception {
        assertThat(script("serve", "a house", "8123")).isZero();
        assertThat(said())
                .contains("-Xmx300m", "-jar", folder.resolve("mezcla.jar").toString())
                .contains("--mezcla.data=a house", "--server.port=8123");
        assertThat(script("serve")).isZero();
        assertThat(said()).contains("--mezcla.data=data", "--server.port=8080");
        assertThat(script("backup", "to here.zip", "house")).isZero();
        assertThat(said()).contains("--mezcla.backup=to here.zip", "--mezcla.data=house");
        assertThat(script("restore", "from.zip", "house")).isZero();
        assertThat(said()).contains("--mezcla.restore=from.zip", "--mezcla.data=house");
        assertThat(script("forgotten-password", "odile")).isZero();
        assertThat(said()).contains("--mezcla.forgotten-password=odile", "--mezcla.data=data");
        assertThat(script("serve", "--htps")).as("a word that is none").isEqualTo(2);
        assertThat(script("restore")).isEqualTo(2);
        assertThat(script("dance")).isEqualTo(2);
        assertThat(script("help")).isZero();
    }

    private int scriptWith(String options, String... words) throws Exception {
        Files.deleteIfExists(said);
        ProcessBuilder process = new ProcessBuilder();
        process.command().add(SCRIPT.toString());
        process.command().addAll(List.of(words));
        process.environment().put("JAVA_HOME", folder.resolve("jdk").toString());
        process.environment().put("MEZCLA_JAR", folder.resolve("mezcla.jar").toString());
        process.environment().put("MEZCLA_UNPACKED", folder.resolve("unpacked").toString());
        process.environment().put("MEZCLA_JAVA_OPTIONS", options);
        process.directory(folder.toFile())
                .redirectErrorStream(true)
                .redirectOutput(folder.resolve("log").toFile());
        Process running = process.start();
        assertThat(running.waitFor(60, TimeUnit.SECONDS)).isTrue();
        return running.exitValue();
    }

    @Test
    public void anotherCollectorTakesThePlaceOfTheUsualOne() throws Exception {
        assertThat(scriptWith("", "serve", "house")).isZero();
        assertThat(said()).contains("-XX:+UseG1GC");
        assertThat(scriptWith("-Xss1m -XX:+UseSerialGC", "serve", "house")).isZero();
        assertThat(said()).contains("-XX:+UseSerialGC", "-Xss1m").doesNotContain("-XX:+UseG1GC");
    }

    /** Files of a release are dated 1970, so what is new about a jar is only what is in it. */
    @Test
    public void anUpgradeStartsTheNewJar() throws Exception {
        Path place = Files.createDirectories(folder.resolve("opt"));
        Path jdk = Files.createDirectories(place.resolve("jdk").resolve("bin"));
        Path started = place.resolve("started");
        Path java = jdk.resolve("java");
        Files.writeString(
                java,
                """
                #!/bin/sh
                case "$*" in
                  *-Djarmode=tools*) mkdir -p "$6" && cp "$3" "$6/mezcla.jar" ;;
                  *ArchiveClassesAtExit=*) touch "${1#-XX:ArchiveClassesAtExit=}" ;;
                  *) while [ "$1" != -jar ]; do shift; done; cat "$2" >'%s' ;;
                esac
                """
                        .formatted(started));
        Files.setPosixFilePermissions(java, PosixFilePermissions.fromString("rwx------"));
        Path script = Files.copy(SCRIPT, place.resolve("mezcla"));
        Files.createSymbolicLink(place.resolve("on-the-path"), script);
        for (String version : List.of("one", "two", "two", "three")) {
            Path jar = Files.writeString(place.resolve("mezcla.jar"), version);
            Files.setLastModifiedTime(jar, FileTime.fromMillis(0));
            ProcessBuilder process =
                    new ProcessBuilder(place.resolve("on-the-path").toString(), "serve", "house").inheritIO();
            process.environment().put("JAVA_HOME", place.resolve("jdk").toString());
            process.environment()
                    .put("MEZCLA_UNPACKED", place.resolve("unpacked").toString());
            process.environment().remove("MEZCLA_JAR");
            assertThat(process.start().waitFor()).isZero();
            assertThat(Files.readString(started)).isEqualTo(version);
            try (Stream<Path> rooms = Files.list(place.resolve("unpacked"))) {
                assertThat(rooms).as("what was unpacked before is not kept").hasSize(1);
            }
        }
    }

    @Test
    public void aGivenCertificateIsTaken() throws Exception {
        Files.writeString(folder.resolve("certificate.pem"), "");
        Files.writeString(folder.resolve("key.pem"), "");
        assertThat(script("serve", "house", "--https", "certificate.pem", "key.pem"))
                .isZero();
        assertThat(said())
                .contains(
                        "--server.ssl.certificate=file:certificate.pem",
                        "--server.ssl.certificate-private-key=file:key.pem");
    }

    @Test
    public void aCertificateOfItsOwnIsMadeOnceAndPagesGoOverIt() throws Exception {
        assertThat(script("serve", "own", "8443", "--https")).isZero();
        assertThat(said())
                .contains("--server.ssl.key-store=file:own/https.p12")
                .noneMatch(word -> word.contains("password"));
        Path store = folder.resolve("own").resolve("https.p12");
        byte[] made = Files.readAllBytes(store);
        assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(store)))
                .isEqualTo("rw-------");
        assertThat(script("serve", "own", "--https")).isZero();
        assertThat(Files.readAllBytes(store)).isEqualTo(made);
        assertThat(script("fingerprint", "own")).isZero();
        assertThat(Files.readString(folder.resolve("log"))).contains("SHA256:");
        assertThat(script("fingerprint", "nowhere")).isEqualTo(1);
        String password = Files.readString(folder.resolve("own").resolve("https.password"));
        try (ConfigurableApplicationContext house = started(
                "--server.ssl.key-store=file:" + store,
                "--server.ssl.key-store-type=PKCS12",
                "--server.ssl.key-store-password=" + password)) {
            HttpClient browser = HttpClient.newBuilder()
                    .cookieHandler(new CookieManager())
                    .sslContext(trusting(store, password))
                    .build();
            HttpResponse<String> page = browser.send(
                    HttpRequest.newBuilder(URI.create("https://localhost:" + port(house) + "/begin"))
                            .build(),
                    HttpResponse.BodyHandlers.ofString());
            assertThat(page.statusCode()).isEqualTo(200);
            assertThat(page.headers().allValues("Set-Cookie"))
                    .isNotEmpty()
                    .allMatch(cookie -> cookie.contains("Secure"));
            assertThat(page.headers().firstValue("Strict-Transport-Security")).isPresent();
            HttpResponse<String> plain = HttpClient.newHttpClient()
                    .send(
                            HttpRequest.newBuilder(URI.create("http://localhost:" + port(house) + "/begin"))
                                    .build(),
                            HttpResponse.BodyHandlers.ofString());
            assertThat(plain.statusCode()).isEqualTo(400);
            assertThat(plain.body()).contains("requires TLS.");
            assertThat(ConsoleAddress.of(house.getEnvironment(), "/begin"))
                    .contains("https://localhost:" + port(house) + "/begin")
                    .allMatch(address -> address.startsWith("https://"));
            assertThat(version(port(house))).contains("answers over HTTPS");
        }
    }

    @Test
    public void behindAServerThatDoesTlsCookiesAreSecure() throws Exception {
        try (ConfigurableApplicationContext house = started()) {
            HttpResponse<String> plain = asked(house, "Accept", "text/html");
            assertThat(plain.headers().allValues("Set-Cookie"))
                    .isNotEmpty()
                    .noneMatch(cookie -> cookie.contains("Secure"));
            HttpResponse<String> forwarded = asked(house, "X-Forwarded-Proto", "https");
            assertThat(forwarded.headers().allValues("Set-Cookie"))
                    .isNotEmpty()
                    .allMatch(cookie -> cookie.contains("Secure"));
        }
    }

    /** The scripts go to the project's folder before anything else. */
    @Test
    public void aPathIsTakenAsWhoeverCalledMeantIt() throws Exception {
        ProcessBuilder shell = new ProcessBuilder(
                "bash",
                "-c",
                "cd \"$1\" && cd \"$2\" && . bin/needs && as_called house.zip && echo && as_called /away/house.zip",
                "bash",
                folder.toString(),
                SCRIPT.getParent().getParent().toString());
        Process process = shell.redirectErrorStream(true).start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(process.waitFor()).as(said).isZero();
        assertThat(said).isEqualTo(folder + "/house.zip\n/away/house.zip");
    }

    @Test
    public void whatRunsIsSaidAndWhereItIsOpened() throws Exception {
        try (ConfigurableApplicationContext house = started()) {
            String port = port(house);
            assertThat(version(port)).contains("Mezcla 9.9.9", "On port " + port + " Mezcla answers");
            for (String address : ConsoleAddress.of(house.getEnvironment(), "/begin")) {
                HttpResponse<String> page = HttpClient.newHttpClient()
                        .send(
                                HttpRequest.newBuilder(URI.create(address)).build(),
                                HttpResponse.BodyHandlers.ofString());
                assertThat(page.statusCode()).as(address).isEqualTo(200);
            }
        }
        try (ConfigurableApplicationContext house = started("--server.address=127.0.0.1")) {
            assertThat(ConsoleAddress.of(house.getEnvironment(), ""))
                    .containsExactly("http://127.0.0.1:" + port(house));
        }
    }

    private static String version(String port) {
        PrintStream console = System.out;
        ByteArrayOutputStream said = new ByteArrayOutputStream();
        System.setOut(new PrintStream(said, true, StandardCharsets.UTF_8));
        try {
            CopyCommand.run(Clock.systemUTC(), "9.9.9", "--mezcla.say-version", "--server.port=" + port);
        } finally {
            System.setOut(console);
        }
        return said.toString(StandardCharsets.UTF_8);
    }

    private static HttpResponse<String> asked(ConfigurableApplicationContext house, String header, String value)
            throws IOException, InterruptedException {
        return HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create("http://localhost:" + port(house) + "/begin"))
                                .header(header, value)
                                .build(),
                        HttpResponse.BodyHandlers.ofString());
    }

    private ConfigurableApplicationContext started(String... more) throws IOException {
        SpringApplicationBuilder application = new SpringApplicationBuilder(MezclaApplication.class);
        String[] all = new String[more.length + 2];
        all[0] = "--mezcla.data=" + Files.createTempDirectory(folder, "house");
        all[1] = "--server.port=0";
        System.arraycopy(more, 0, all, 2, more.length);
        return application.run(all);
    }

    private static String port(ConfigurableApplicationContext house) {
        return house.getEnvironment().getProperty("local.server.port");
    }

    private static SSLContext trusting(Path store, String password) throws IOException, GeneralSecurityException {
        KeyStore known = KeyStore.getInstance(store.toFile(), password.toCharArray());
        KeyStore trusted = KeyStore.getInstance(KeyStore.getDefaultType());
        trusted.load(null, null);
        trusted.setCertificateEntry("house", known.getCertificate("house"));
        TrustManagerFactory trust = TrustManagerFactory.getInstance(TrustManagerFactory.getDefaultAlgorithm());
        trust.init(trusted);
        SSLContext context = SSLContext.getInstance("TLS");
        context.init(null, trust.getTrustManagers(), null);
        return context;
    }
}
