package mezcla.stress;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.CookieManager;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** A browser without a window: it keeps its cookies, and the token of the last page that it saw. */
public final class Visitor {
    private static final Pattern TOKEN = Pattern.compile("name=\"_csrf\"[^>]*value=\"([^\"]+)\"");
    private static final Duration PATIENCE = Duration.ofSeconds(60);

    private final HttpClient browser =
            HttpClient.newBuilder().cookieHandler(new CookieManager()).build();
    private String address;
    private String token = "";
    private String from = "";

    public Visitor(String address) {
        this.address = address;
    }

    /** Somebody who is signed in. */
    public static Visitor signedIn(String address, String name, String password)
            throws IOException, InterruptedException {
        Visitor visitor = new Visitor(address);
        visitor.signIn(name, password);
        return visitor;
    }

    /** Signs in, perhaps again. */
    public void signIn(String name, String password) throws IOException, InterruptedException {
        get("/sign-in");
        String to = post("/sign-in", "name", name, "password", password)
                .headers()
                .firstValue("Location")
                .orElse("");
        if (to.isEmpty() || to.contains("sign-in")) {
            throw new IOException(name + " was not let in: " + to);
        }
        get("/signs");
    }

    /** The house is open again, perhaps elsewhere. */
    void goOn(String there) {
        address = there;
    }

    public HttpResponse<String> get(String page) throws IOException, InterruptedException {
        HttpResponse<String> answer = browser.send(request(page).build(), HttpResponse.BodyHandlers.ofString());
        Matcher found = TOKEN.matcher(answer.body());
        if (found.find()) {
            token = found.group(1);
        }
        return answer;
    }

    public HttpResponse<String> post(String page, String... fields) throws IOException, InterruptedException {
        return send(page, form(token, fields));
    }

    HttpResponse<String> send(String page, String form) throws IOException, InterruptedException {
        return browser.send(
                request(page)
                        .header("Content-Type", "application/x-www-form-urlencoded")
                        .POST(HttpRequest.BodyPublishers.ofString(form))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
    }

    /** Sends a form with a file in it. */
    HttpResponse<String> file(String page, String name, byte[] file, List<String> fields)
            throws IOException, InterruptedException {
        String boundary = UUID.randomUUID().toString();
        ByteArrayOutputStream body = new ByteArrayOutputStream();
        List<String> all = new ArrayList<>(List.of("_csrf", token));
        all.addAll(fields);
        for (int i = 0; i < all.size(); i += 2) {
            body.write("--%s\r\nContent-Disposition: form-data; name=\"%s\"\r\n\r\n%s\r\n"
                    .formatted(boundary, all.get(i), all.get(i + 1))
                    .getBytes(StandardCharsets.UTF_8));
        }
        body.write(
                "--%s\r\nContent-Disposition: form-data; name=\"%s\"; filename=\"a.png\"\r\nContent-Type: image/png\r\n\r\n"
                        .formatted(boundary, name)
                        .getBytes(StandardCharsets.UTF_8));
        body.write(file);
        body.write("\r\n--%s--\r\n".formatted(boundary).getBytes(StandardCharsets.UTF_8));
        return browser.send(
                request(page)
                        .header("Content-Type", "multipart/form-data; boundary=" + boundary)
                        .POST(HttpRequest.BodyPublishers.ofByteArray(body.toByteArray()))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
    }

    private HttpRequest.Builder request(String page) {
        HttpRequest.Builder request =
                HttpRequest.newBuilder(URI.create(address + page)).timeout(PATIENCE);
        return from.isEmpty() ? request : request.header("X-Forwarded-For", from);
    }

    /** Comes from another machine, as a server on this one says. */
    Visitor from(String machine) {
        from = machine;
        return this;
    }

    String token() {
        return token;
    }

    static String form(String token, String... fields) {
        StringBuilder form = new StringBuilder("_csrf=").append(token);
        for (int i = 0; i < fields.length; i += 2) {
            form.append('&').append(typed(fields[i])).append('=').append(typed(fields[i + 1]));
        }
        return form.toString();
    }

    private static String typed(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }

    public static String key() {
        return UUID.randomUUID().toString();
    }
}
