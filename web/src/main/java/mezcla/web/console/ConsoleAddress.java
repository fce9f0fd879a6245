package mezcla.web.console;

import java.net.Inet4Address;
import java.net.InetAddress;
import java.net.NetworkInterface;
import java.net.SocketException;
import java.util.List;
import java.util.stream.Stream;
import org.springframework.core.env.Environment;

/** Where a house that has started is opened: on its own machine, and from others. */
public final class ConsoleAddress {
    private ConsoleAddress() {}

    /**
     * The addresses of a page, that of this machine first; one alone where the house listens on that one only.
     *
     * @param environment of the house that has started
     * @param path of the page, with its slash
     */
    public static List<String> of(Environment environment, String path) {
        String scheme = isOverTls(environment) ? "https" : "http";
        String end = ":" + environment.getProperty("local.server.port") + path;
        String only = environment.getProperty("server.address", "");
        List<String> hosts = only.isEmpty() ? everywhere() : List.of(only);
        return hosts.stream().map(host -> scheme + "://" + host + end).toList();
    }

    private static boolean isOverTls(Environment environment) {
        return environment.containsProperty("server.ssl.key-store")
                || environment.containsProperty("server.ssl.certificate");
    }

    /** This machine by name, and by the addresses that it has in its networks. */
    private static List<String> everywhere() {
        Stream<String> others;
        try {
            others = NetworkInterface.networkInterfaces()
                    .flatMap(NetworkInterface::inetAddresses)
                    .filter(address -> address instanceof Inet4Address && !address.isLoopbackAddress())
                    .filter(address -> !address.isLinkLocalAddress())
                    .map(InetAddress::getHostAddress)
                    .sorted();
        } catch (SocketException noNetwork) {
            others = Stream.empty();
        }
        return Stream.concat(Stream.of("localhost"), others).toList();
    }
}
