package mezcla.tenyears;

import java.io.IOException;
import java.net.CookieManager;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Starts the packaged application on ten years of log and on the demonstration, and prints what its pages cost, each
 * beside the sign-in page of the same run; {@code bin/bench} calls it. It fails when a page costs more than it may.
 */
final class TenYears {
    private static final int REQUESTS = 300;
    private static final int AT_A_TIME = 4;
    private static final int WARM_UP = 300;
    private static final double MOST_AGAINST_DEMO = 1.5;

    /** The queue weighs every batch that stands: thirty there, eight in the demonstration. */
    private static final double MOST_OF_THE_QUEUE_AGAINST_DEMO = 2;

    private static final double MOST_AGAINST_SIGN_IN = 6;
    private static final String SIGN_IN = "/sign-in";
    private static final String LONG = SIGN_IN + "?lines=1000";
    private static final long PATIENCE_S = 120;
    private static final int STARTS = 3;
    private static final double MOST_START_AGAINST_BARE = 1.3;
    private static final double MOST_MEMORY_AGAINST_DEMO = 1.5;
    private static final Pattern TOKEN = Pattern.compile("name=\"_csrf\"[^>]*value=\"([^\"]+)\"");

    private TenYears() {}

    /** What a page took, in ms, and what that is beside the sign-in page. */
    record Cost(double median, double late, int bytes) {}

    /** What was measured of one started application. */
    record Measured(double startS, double memoryMb, Map<String, Cost> pages) {}

    public static void main(String[] arguments) throws Exception {
        Path jar = Path.of(arguments[0]);
        Path folder = Path.of(arguments[1]);
        if (Files.notExists(folder.resolve("ten-years"))) {
            write(folder.resolve("ten-years"));
        }
        if (arguments.length > 2) {
            System.exit(SmallMachine.isEnough(jar, folder) ? 0 : 1);
        }
        Started bareJar = port -> new ProcessBuilder(
                "java",
                "-Xmx512m",
                "-XX:+UseParallelGC",
                "-jar",
                BareApplication.packagedLike(jar, folder.resolve("bare.jar")).toString(),
                "--server.port=" + port);
        Measured bare = measure(bareJar, Map.of(SIGN_IN, SIGN_IN, LONG, LONG), "", "");
        measure(released(jar, folder, "first", ""), Map.of(), "", "");
        Measured demo = measure(released(jar, folder, "demo", "demo"), pages(2), "bram", "count-the-rolls");
        Measured ten = measure(
                released(jar, folder, "ten-years", ""),
                pages(TenYearHouse.BATCHES),
                TenYearHouse.STEWARD,
                TenYearHouse.PASSWORD);
        System.exit(print(bare, demo, ten) ? 0 : 1);
    }

    /** How an application is started on a port. */
    interface Started {
        ProcessBuilder on(int port) throws IOException;
    }

    /** As a release starts it: the jar unpacked, its classes in an archive. The first start makes these. */
    static Started released(Path jar, Path folder, String house, String profile) {
        return port -> {
            ProcessBuilder process = new ProcessBuilder(
                    "release/mezcla", "serve", folder.resolve(house).toString(), String.valueOf(port));
            process.environment().put("MEZCLA_JAR", jar.toAbsolutePath().toString());
            process.environment()
                    .put("MEZCLA_UNPACKED", folder.resolve("unpacked").toString());
            process.environment().put("SPRING_PROFILES_ACTIVE", profile);
            return process;
        };
    }

    private static void write(Path folder) throws IOException {
        long began = System.nanoTime();
        TenYearHouse.write(folder);
        System.out.printf(
                Locale.ROOT,
                "Wrote %,d batches and %,d runs in %.0f s: %.0f MB.%n",
                TenYearHouse.BATCHES,
                TenYearHouse.RUNS,
                (System.nanoTime() - began) / 1e9,
                Files.size(folder.resolve("mezcla.db")) / 1e6);
    }

    static Map<String, String> pages(long batch) {
        String tonight = "?"
                + "film[0].count=1&film[0].format=120&film[1].count=&film[1].format=135-36&process=&push=0&tank=1"
                        .replace("[", URLEncoder.encode("[", StandardCharsets.UTF_8))
                        .replace("]", URLEncoder.encode("]", StandardCharsets.UTF_8));
        Map<String, String> pages = new LinkedHashMap<>();
        pages.put("Sign-in", "/sign-in");
        pages.put("Shelf, tonight", "/shelf" + tonight);
        pages.put("Batch of many runs", "/batches/" + batch);
        pages.put("Money", "/money");
        pages.put("Queue", "/queue");
        pages.put("Journal, first page", "/journal");
        pages.put("Journal, filtered", "/journal?kind=RUNS");
        pages.put("Journal, searched", "/journal?words=135");
        pages.put("Journal, searched for what is rare", "/journal?words=no+such+words");
        return pages;
    }

    private static Measured measure(Started application, Map<String, String> pages, String name, String password)
            throws Exception {
        List<Double> starts = new ArrayList<>();
        for (int i = 1; i < STARTS; i++) {
            starts.add(measureOnce(application, Map.of(), name, password).startS());
        }
        Measured last = measureOnce(application, pages, name, password);
        starts.add(last.startS());
        starts.sort(null);
        return new Measured(starts.get(STARTS / 2), last.memoryMb(), last.pages());
    }

    private static Measured measureOnce(Started application, Map<String, String> pages, String name, String password)
            throws Exception {
        int port = freePort();
        long began = System.nanoTime();
        Process process = application
                .on(port)
                .redirectErrorStream(true)
                .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                .start();
        try {
            String address = "http://localhost:" + port;
            waitFor(address, process);
            double startS = (System.nanoTime() - began) / 1e9;
            Map<String, Cost> costs = new LinkedHashMap<>();
            if (!pages.isEmpty()) {
                HttpClient nobody = HttpClient.newHttpClient();
                HttpClient member = name.isEmpty() ? nobody : signedIn(address, name, password);
                for (String page : pages.values()) {
                    ask(page.startsWith(SIGN_IN) ? nobody : member, address + page, WARM_UP, AT_A_TIME);
                }
                for (Map.Entry<String, String> page : pages.entrySet()) {
                    HttpClient client = page.getValue().startsWith(SIGN_IN) ? nobody : member;
                    costs.put(page.getKey(), ask(client, address + page.getValue(), REQUESTS, AT_A_TIME));
                }
            }
            return new Measured(startS, residentMb(process), costs);
        } finally {
            process.destroy();
            process.waitFor(PATIENCE_S, TimeUnit.SECONDS);
        }
    }

    static int freePort() throws IOException {
        try (java.net.ServerSocket socket = new java.net.ServerSocket(0)) {
            return socket.getLocalPort();
        }
    }

    static void waitFor(String address, Process process) throws Exception {
        HttpClient client = HttpClient.newHttpClient();
        long until = System.nanoTime() + Duration.ofSeconds(PATIENCE_S).toNanos();
        while (System.nanoTime() < until && process.isAlive()) {
            try {
                if (client.send(get(address + SIGN_IN), HttpResponse.BodyHandlers.discarding())
                                .statusCode()
                        == 200) {
                    return;
                }
            } catch (IOException notYet) {
                TimeUnit.MILLISECONDS.sleep(20);
            }
        }
        throw new IllegalStateException("it did not start");
    }

    /** The demonstration writes its people only once it answers already. */
    static HttpClient signedIn(String address, String name, String password) throws Exception {
        for (int i = 0; i < 20; i++) {
            Optional<HttpClient> client = signIn(address, name, password);
            if (client.isPresent()) {
                return client.get();
            }
            TimeUnit.SECONDS.sleep(2);
        }
        throw new IllegalStateException(name + " was not let in");
    }

    private static Optional<HttpClient> signIn(String address, String name, String password) throws Exception {
        HttpClient client = HttpClient.newBuilder()
                .cookieHandler(new CookieManager())
                .followRedirects(HttpClient.Redirect.NORMAL)
                .build();
        String page = client.send(get(address + SIGN_IN), HttpResponse.BodyHandlers.ofString())
                .body();
        Matcher token = TOKEN.matcher(page);
        if (!token.find()) {
            throw new IllegalStateException("the sign-in page has no token");
        }
        String form =
                "_csrf=%s&name=%s&password=%s".formatted(encoded(token.group(1)), encoded(name), encoded(password));
        HttpResponse<String> answer = client.send(
                HttpRequest.newBuilder(URI.create(address + SIGN_IN))
                        .header("Content-Type", "application/x-www-form-urlencoded")
                        .POST(HttpRequest.BodyPublishers.ofString(form))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
        return answer.uri().getPath().equals("/sign-in") ? Optional.empty() : Optional.of(client);
    }

    private static String encoded(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }

    private static HttpRequest get(String address) {
        return HttpRequest.newBuilder(URI.create(address)).build();
    }

    static Cost ask(HttpClient client, String address, int times, int atATime) throws Exception {
        ExecutorService askers = Executors.newFixedThreadPool(atATime);
        try {
            List<Future<double[]>> answers = new ArrayList<>();
            for (int i = 0; i < times; i++) {
                answers.add(askers.submit(() -> {
                    long began = System.nanoTime();
                    HttpResponse<byte[]> answer = client.send(get(address), HttpResponse.BodyHandlers.ofByteArray());
                    double ms = (System.nanoTime() - began) / 1e6;
                    if (answer.statusCode() != 200) {
                        throw new IllegalStateException(address + " answered " + answer.statusCode());
                    }
                    return new double[] {ms, answer.body().length};
                }));
            }
            return cost(answers);
        } finally {
            askers.shutdown();
        }
    }

    private static Cost cost(List<Future<double[]>> answers) throws InterruptedException, ExecutionException {
        double[] ms = new double[answers.size()];
        int bytes = 0;
        for (int i = 0; i < ms.length; i++) {
            double[] answer = answers.get(i).get();
            ms[i] = answer[0];
            bytes = (int) answer[1];
        }
        Arrays.sort(ms);
        return new Cost(ms[ms.length / 2], ms[(int) Math.ceil(ms.length * 0.95) - 1], bytes);
    }

    /** What the process holds in memory, as the kernel counts it. */
    static double residentMb(Process process) throws IOException {
        for (String line : Files.readAllLines(Path.of("/proc/" + process.pid() + "/status"))) {
            if (line.startsWith("VmRSS:")) {
                return Double.parseDouble(line.replaceAll("[^0-9]", "")) / 1024;
            }
        }
        throw new IllegalStateException("no VmRSS");
    }

    /** What a byte more costs, in ms: of the bare application's long page, beside its short one. */
    private static double aByte(Measured bare) {
        Cost shortPage = cost(bare, SIGN_IN);
        Cost longPage = cost(bare, LONG);
        return Math.max(0, longPage.median() - shortPage.median()) / (longPage.bytes() - shortPage.bytes());
    }

    private static boolean print(Measured bare, Measured demo, Measured ten) {
        System.out.printf(
                "%n| page | demo: median | p95 | ten years: median | p95 | × demo | × sign-in of its bytes | kB |%n|---|--:|--:|--:|--:|--:|--:|--:|%n");
        Cost signIn = cost(ten, "Sign-in");
        double aByte = aByte(bare);
        boolean within = true;
        for (Map.Entry<String, Cost> page : ten.pages().entrySet()) {
            Cost there = page.getValue();
            Cost here = cost(demo, page.getKey());
            double againstDemo = there.median() / here.median();
            double againstSignIn = there.median() / (signIn.median() + aByte * (there.bytes() - signIn.bytes()));
            boolean limited = page.getKey().startsWith("Shelf") || page.getKey().startsWith("Batch");
            double most = page.getKey().equals("Queue") ? MOST_OF_THE_QUEUE_AGAINST_DEMO : MOST_AGAINST_DEMO;
            within &= againstDemo <= most && (!limited || againstSignIn <= MOST_AGAINST_SIGN_IN);
            System.out.printf(
                    Locale.ROOT,
                    "| %s | %.1f ms | %.1f | %.1f ms | %.1f | %.2f | %.1f | %.0f |%n",
                    page.getKey(),
                    here.median(),
                    here.late(),
                    there.median(),
                    there.late(),
                    againstDemo,
                    againstSignIn,
                    there.bytes() / 1e3);
        }
        System.out.printf(
                Locale.ROOT,
                "%n| | bare application | demo | ten years |%n|---|--:|--:|--:|%n| until the first page | %.1f s | %.1f s | %.1f s |%n| memory afterwards | %.0f MB | %.0f MB | %.0f MB |%n",
                bare.startS(),
                demo.startS(),
                ten.startS(),
                bare.memoryMb(),
                demo.memoryMb(),
                ten.memoryMb());
        double start = demo.startS() / bare.startS();
        double memory = ten.memoryMb() / demo.memoryMb();
        System.out.printf(
                Locale.ROOT,
                "%nIt starts in %.2f × the time of the bare application (at most %.1f); after ten years it holds %.2f × the memory of the demo (at most %.1f).%n",
                start,
                MOST_START_AGAINST_BARE,
                memory,
                MOST_MEMORY_AGAINST_DEMO);
        System.out.printf(Locale.ROOT, "The bare application draws 10 kB more in %.2f ms.%n", aByte * 10_000);
        System.out.println(
                within
                        ? "Every page is within what it may cost."
                        : "Some page costs more than 1.5 × the demo (the queue 2 ×), or Shelf or Batch more than 6 × a sign-in page of its bytes.");
        return within && start <= MOST_START_AGAINST_BARE && memory <= MOST_MEMORY_AGAINST_DEMO;
    }

    static Cost cost(Measured measured, String page) {
        Cost cost = measured.pages().get(page);
        if (cost == null) {
            throw new IllegalStateException("not measured: " + page);
        }
        return cost;
    }
}
