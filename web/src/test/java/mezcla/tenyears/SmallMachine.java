package mezcla.tenyears;

import java.io.IOException;
import java.net.http.HttpClient;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.TimeUnit;

/**
 * Starts the packaged application as OPERATING says for a small machine, on one core of which something else takes half,
 * and prints how long it takes to start, what it holds and what its pages take, one after another. It fails above what a
 * machine with 512 MB has left for it, or where somebody at a sink would have to wait.
 */
final class SmallMachine {
    private static final String CORE = "0";
    private static final String MEMORY = "140m";
    private static final String OPTIONS = "-XX:+UseSerialGC -XX:TieredStopAtLevel=1 -XX:MaxMetaspaceSize=160m";
    private static final int WARM_UP = 8;
    private static final int REQUESTS = 20;
    private static final double MOST_MB = 400;
    private static final double MOST_START_S = 90;
    private static final double MOST_LATE_MS = 1500;

    private SmallMachine() {}

    /** Measures it with the demonstration and with the house of ten years. */
    static boolean isEnough(Path jar, Path folder) throws Exception {
        Process other = new ProcessBuilder("taskset", "-c", CORE, "sh", "-c", "while :; do :; done").start();
        try {
            TenYears.Measured first = measured(small(jar, folder, "small-first", ""), Map.of(), "", "");
            TenYears.Measured demo =
                    measured(small(jar, folder, "small-demo", "demo"), TenYears.pages(2), "bram", "count-the-rolls");
            TenYears.Measured ten = measured(
                    small(jar, folder, "ten-years", ""),
                    TenYears.pages(TenYearHouse.BATCHES),
                    TenYearHouse.STEWARD,
                    TenYearHouse.PASSWORD);
            return print(first, demo, ten);
        } finally {
            other.destroyForcibly().waitFor();
        }
    }

    private static TenYears.Started small(Path jar, Path folder, String house, String profile) {
        return port -> {
            ProcessBuilder process =
                    TenYears.released(jar, folder, house, profile).on(port);
            process.command().addAll(0, List.of("taskset", "-c", CORE));
            process.environment()
                    .put("MEZCLA_UNPACKED", folder.resolve("unpacked-small").toString());
            process.environment().put("MEZCLA_MEMORY", MEMORY);
            process.environment().put("MEZCLA_JAVA_OPTIONS", OPTIONS);
            return process;
        };
    }

    private static TenYears.Measured measured(
            TenYears.Started application, Map<String, String> pages, String name, String password) throws Exception {
        int port = TenYears.freePort();
        long began = System.nanoTime();
        Process process = application
                .on(port)
                .redirectErrorStream(true)
                .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                .start();
        try {
            String address = "http://localhost:" + port;
            TenYears.waitFor(address, process);
            double startS = (System.nanoTime() - began) / 1e9;
            Map<String, TenYears.Cost> costs = new LinkedHashMap<>();
            if (!pages.isEmpty()) {
                HttpClient member = TenYears.signedIn(address, name, password);
                for (Map.Entry<String, String> page : pages.entrySet()) {
                    TenYears.ask(member, address + page.getValue(), WARM_UP, 1);
                    costs.put(page.getKey(), TenYears.ask(member, address + page.getValue(), REQUESTS, 1));
                }
            }
            return new TenYears.Measured(startS, TenYears.residentMb(process), costs);
        } finally {
            process.destroy();
            process.waitFor(1, TimeUnit.MINUTES);
        }
    }

    private static boolean print(TenYears.Measured first, TenYears.Measured demo, TenYears.Measured ten)
            throws IOException {
        System.out.printf("%n| page | demo: median | p95 | ten years: median | p95 |%n|---|--:|--:|--:|--:|%n");
        double latest = 0;
        for (Map.Entry<String, TenYears.Cost> page : ten.pages().entrySet()) {
            TenYears.Cost here = TenYears.cost(demo, page.getKey());
            latest = Math.max(latest, Math.max(here.late(), page.getValue().late()));
            System.out.printf(
                    Locale.ROOT,
                    "| %s | %.0f ms | %.0f | %.0f ms | %.0f |%n",
                    page.getKey(),
                    here.median(),
                    here.late(),
                    page.getValue().median(),
                    page.getValue().late());
        }
        double memory = Math.max(demo.memoryMb(), ten.memoryMb());
        double start = Math.max(demo.startS(), ten.startS());
        System.out.printf(
                Locale.ROOT,
                "%nThe very first start took %.0f s, later ones at most %.0f s (at most %.0f). It held %.0f MB with the"
                        + " demonstration and %.0f with ten years (at most %.0f). The slowest page took %.0f ms, p95 (at"
                        + " most %.0f).%n",
                first.startS(),
                start,
                MOST_START_S,
                demo.memoryMb(),
                ten.memoryMb(),
                MOST_MB,
                latest,
                MOST_LATE_MS);
        return memory <= MOST_MB && start <= MOST_START_S && latest <= MOST_LATE_MS;
    }
}
