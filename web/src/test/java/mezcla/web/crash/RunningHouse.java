package mezcla.web.crash;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The application in a process of its own, so that it can be killed. */
public final class RunningHouse {
    private static final Pattern OPEN = Pattern.compile("is open at (http://localhost:[0-9]+)");

    private final Process process;
    private final String address;

    private RunningHouse(Process process, String address) {
        this.process = process;
        this.address = address;
    }

    public static RunningHouse open(Path folder) throws IOException {
        return open(folder, 0);
    }

    /** Opens it again where it was; port 0 for wherever there is room. */
    public static RunningHouse open(Path folder, int port) throws IOException {
        Process process = new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        "-XX:TieredStopAtLevel=1",
                        "-XX:+UseSerialGC",
                        "-cp",
                        System.getProperty("java.class.path"),
                        "mezcla.web.MezclaApplication",
                        "--spring.profiles.active=demo",
                        "--server.port=" + port,
                        "--mezcla.data=" + folder)
                .redirectErrorStream(true)
                .start();
        BufferedReader console =
                new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8));
        StringBuilder said = new StringBuilder();
        for (String line = console.readLine(); line != null; line = console.readLine()) {
            said.append(line).append('\n');
            Matcher matcher = OPEN.matcher(line);
            if (matcher.find()) {
                return new RunningHouse(process, matcher.group(1));
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
