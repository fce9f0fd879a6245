package mezcla.stress;

import java.io.IOException;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Who may what, what is answered twice, and what keeps others from saving; each answers with what to print. */
final class Doors {
    private static final Pattern PROPOSAL = Pattern.compile("/kits/new\\?proposal=([0-9]+)\"");
    private static final List<String> PERSONAL =
            List.of("/money", "/money/account", "/money/film", "/money/film.csv", "/money/month", "/mine");
    private static final List<String> ODD = List.of(
            "/batches/4/ways?film%5B0%5D.name=%7Broll%203%7D",
            "/practice/begin?movement=%7By%7D",
            "/photos/%22x",
            "/photos/%20.jpg",
            "/error",
            "/shelf?%0d%0a",
            "/batches/4;a=b",
            "/%7B%7D",
            "/batches/9223372036854775807",
            "/journal?batch=%7B",
            "/queue?page=-1",
            "/refused/too-big");
    private static final int AT_ONCE = 20;
    private static final double MOST_SAVE_MS = 5000;

    private final String address;
    private final Path folder;
    private final Visitor bram;

    Doors(String address, Path folder, Visitor bram) {
        this.address = address;
        this.folder = folder;
        this.bram = bram;
    }

    /**
     * What came of one part.
     *
     * @param counts what to print
     * @param asItShouldBe whether nothing came in that should not
     */
    record Outcome(String counts, boolean asItShouldBe) {}

    private long count(String question) throws SQLException {
        try (Connection store = DriverManager.getConnection("jdbc:sqlite:" + folder.resolve("mezcla.db"));
                ResultSet rows = store.createStatement().executeQuery(question)) {
            rows.next();
            return rows.getLong(1);
        }
    }

    /** The tile of a member without a PIN, on a tablet of the house. */
    Outcome sharedDevice() throws IOException, InterruptedException, SQLException {
        Visitor tablet = Visitor.signedIn(address, "bram", "count-the-rolls");
        tablet.post("/house/device", "formKey", Visitor.key(), "deviceName", "Tablet by the sink");
        tablet.get("/who");
        String devi = Long.toString(count("SELECT id FROM member WHERE sign_in_name = 'devi'"));
        tablet.post("/who", "formKey", Visitor.key(), "member", devi);
        int shown = 0;
        for (String page : PERSONAL) {
            shown += tablet.get(page).statusCode() == 403 ? 0 : 1;
        }
        int kept = tablet.post("/house/me", "formKey", Visitor.key(), "ownUnits", "US", "pin", "1357")
                                .statusCode()
                        == 403
                ? 0
                : 1;
        boolean works = tablet.get("/shelf").statusCode() == 200;
        return new Outcome(
                "%d personal pages behind a tile without a PIN: %d shown; %d PIN set there; the Shelf %s"
                        .formatted(PERSONAL.size(), shown, kept, works ? "answers" : "DOES NOT ANSWER"),
                shown == 0 && kept == 0 && works);
    }

    /** Another member's film, load, run and note. */
    Outcome anothers() throws IOException, InterruptedException, SQLException {
        Visitor ines = Visitor.signedIn(address, "ines", "rinse-and-hang");
        Visitor devi = Visitor.signedIn(address, "devi", "rinse-and-hang");
        List<String> film = List.of(
                "film[0].count",
                "1",
                "film[0].format",
                "135-36",
                "film[0].owner",
                "Ines",
                "push",
                "0",
                "process",
                "colour-negative");
        List<String> acts = new ArrayList<>();
        for (int i = 0; i < AT_ONCE / 4; i++) {
            String left =
                    with(ines, "/queue", film).headers().firstValue("Location").orElse("");
            acts.add("/queue/" + left.replaceAll(".*\\D", "") + "/stages");
            ines.post("/batches/4/notes", "formKey", Visitor.key(), "note", "by Ines");
            acts.add("/journal/" + count("SELECT max(sequence) FROM log_entry") + "/void");
        }
        long before = count("SELECT max(sequence) FROM log_entry");
        int taken = 0;
        for (String act : acts) {
            int status = devi.post(act, "formKey", Visitor.key(), "stage", "WITHDRAWN", "reason", "mine")
                    .statusCode();
            taken += status == 403 || status == 422 ? 0 : 1;
        }
        boolean same = count("SELECT max(sequence) FROM log_entry") == before;
        int theirs = 0;
        for (String act : acts) {
            theirs += ines.post(act, "formKey", Visitor.key(), "stage", "WITHDRAWN", "reason", "mine")
                                    .statusCode()
                            == 302
                    ? 1
                    : 0;
        }
        return new Outcome(
                "%d things of another's: %d taken back by somebody else, the log %s; %d by whose they are"
                        .formatted(acts.size(), taken, same ? "is as it was" : "HAS GROWN", theirs),
                taken == 0 && same && theirs == acts.size());
    }

    private static HttpResponse<String> with(Visitor who, String page, List<String> fields)
            throws IOException, InterruptedException {
        List<String> all = new ArrayList<>(List.of("formKey", Visitor.key()));
        all.addAll(fields);
        return who.post(page, all.toArray(new String[0]));
    }

    /** One proposed kit, accepted by many at once. */
    Outcome oneProposal() throws Exception {
        Visitor devi = Visitor.signedIn(address, "devi", "rinse-and-hang");
        with(devi, "/kits", List.of("leaflet", "1", "count", "1", "price", "61.50"));
        Matcher found = PROPOSAL.matcher(bram.get("/cupboard").body());
        if (!found.find()) {
            return new Outcome("the proposal is not shown to a steward", false);
        }
        String proposal = found.group(1);
        long before = count("SELECT count(*) FROM log_entry WHERE kind = 'kit-arrived'");
        List<String> kit = List.of("proposal", proposal, "leaflet", "1", "count", "1", "price", "61.50");
        Callable<Integer> accept = () -> with(bram, "/kits", kit).statusCode();
        ExecutorService stewards = Executors.newFixedThreadPool(AT_ONCE);
        long saved = 0;
        long told = 0;
        for (Future<Integer> each : stewards.invokeAll(Collections.nCopies(AT_ONCE, accept))) {
            saved += each.get() == 302 ? 1 : 0;
            told += each.get() == 422 ? 1 : 0;
        }
        stewards.shutdown();
        long kits = count("SELECT count(*) FROM log_entry WHERE kind = 'kit-arrived'") - before;
        return new Outcome(
                "accepted %d times at once: %d kits, %d answered as saved, %d told what became of it"
                        .formatted(AT_ONCE, kits, saved, told),
                kits == 1 && saved == 1 && told == AT_ONCE - 1);
    }

    /** Addresses that mean nothing: a page of ours with a sentence. */
    Outcome oddAddresses() throws IOException, InterruptedException {
        int faults = 0;
        int bare = 0;
        for (String page : ODD) {
            HttpResponse<String> answer = bram.get(page);
            boolean redirected = answer.statusCode() / 100 == 3;
            faults += answer.statusCode() >= 500 ? 1 : 0;
            bare += redirected || answer.body().contains("<main") ? 0 : 1;
        }
        return new Outcome(
                "%d: %d answered as a fault of ours, %d by anything but a page of ours"
                        .formatted(ODD.size(), faults, bare),
                faults == 0 && bare == 0);
    }

    /** A list of many members is looked at and read in, while somebody else goes on saving. */
    Outcome longList(int lines) throws Exception {
        Visitor ines = Visitor.signedIn(address, "ines", "rinse-and-hang");
        StringBuilder list = new StringBuilder("name,sign-in name,password\n");
        for (int i = 0; i < lines; i++) {
            list.append("Listed %d,listed%d,hang it to dry %d\n".formatted(i, i, i));
        }
        CompletableFuture<Boolean> read = CompletableFuture.supplyAsync(() -> {
            try {
                boolean looked = with(bram, "/house/read-in", List.of("kind", "MEMBERS", "text", list.toString()))
                        .body()
                        .contains("Read %d lines in".formatted(lines));
                return with(bram, "/house/read-in/keep", List.of("kind", "MEMBERS", "text", list.toString()))
                                        .statusCode()
                                == 302
                        && looked;
            } catch (IOException | InterruptedException e) {
                return false;
            }
        });
        int saved = 0;
        int refused = 0;
        double slowest = 0;
        while (!read.isDone()) {
            long began = System.nanoTime();
            int status = ines.post("/batches/4/notes", "formKey", Visitor.key(), "note", "while a list is read")
                    .statusCode();
            slowest = Math.max(slowest, (System.nanoTime() - began) / 1e6);
            saved += status == 302 ? 1 : 0;
            refused += status == 302 ? 0 : 1;
        }
        return new Outcome(
                "%d members looked at and read in%s: meanwhile %d saves kept, %d refused, the slowest %.0f ms"
                        .formatted(lines, read.get() ? "" : " (THEY WERE NOT)", saved, refused, slowest),
                read.get() && refused == 0 && slowest < MOST_SAVE_MS);
    }
}
