package mezcla.web.crash;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The application in a process of its own, so that it can be killed. */
public final class RunningHouse {
    private static final Pattern OPEN = Pattern.compile("is open at (http://localhost:[0-9]+)");

    private final Process process;
    private final String address;

    /** What it says is read on, so that it never waits for a reader. */
    private RunningHouse(Process process, BufferedReader console, String address) {
        this.process = process;
        this.address = address;
        Thread reader = new Thread(() -> console.lines().forEach(line -> {}));
        reader.setDaemon(true);
        reader.start();
    }

    /** What it holds in memory, as the kernel counts it. */
    public double residentMb() throws IOException {
        return Files.readAllLines(Path.of("/proc/" + process.pid() + "/status")).stream()
                .filter(line -> line.startsWith("VmRSS:"))
                .mapToDouble(line -> Double.parseDouble(line.replaceAll("[^0-9]", "")) / 1024)
                .findFirst()
                .orElseThrow();
    }

    public static RunningHouse open(Path folder) throws IOException {
        return open(folder, 0);
    }

    /** Opens it again where it was; port 0 for wherever there is room. */
    public static RunningHouse open(Path folder, int port) throws IOException {
        return open(folder, port, "mezcla.web.MezclaApplication", "-XX:TieredStopAtLevel=1", "-XX:+UseSerialGC");
    }

    /** Opens it by another class that begins it, and with options of the virtual machine. */
    public static RunningHouse open(Path folder, int port, String begins, String... options) throws IOException {
        List<String> command = new ArrayList<>();
        command.add(Path.of(System.getProperty("java.home"), "bin", "java").toString());
        command.addAll(List.of(options));
        command.addAll(List.of(
                "-cp",
                System.getProperty("java.class.path"),
                begins,
                "--spring.profiles.active=demo",
                "--server.port=" + port,
                "--mezcla.data=" + folder));
        Process process = new ProcessBuilder(command).redirectErrorStream(true).start();
        BufferedReader console =
                new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8));
        StringBuilder said = new StringBuilder();
        for (String line = console.readLine(); line != null; line = console.readLine()) {
            said.append(line).append('\n');
            Matcher matcher = OPEN.matcher(line);
            if (matcher.find()) {
                return new RunningHouse(process, console, matcher.group(1));
            }
        }
        throw new IOException("it did not open: " + said);
    }

    /** Where it is. */
    public String address() {
        return address;
    }

    /** As a power cut would. */
    public void kill() throws InterruptedException {
        process.destroyForcibly().waitFor();
    }
}
