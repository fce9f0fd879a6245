package mezcla.stress;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.imageio.ImageIO;

/** Saves of many kinds, each with something of its own, so that what was confirmed is found by what it says. */
final class ManySaves {
    private static final Pattern ACT = Pattern.compile("name=\"act\" value=\"(\\d+)\"");
    private static final int MIX = 1;
    private static final String BATCH = "/batches/4";

    /** What is saved. */
    enum Kind {
        NOTE,
        RUN,
        PAYMENT,
        FILM,
        KIT,
        LOOK_WITH_PHOTO,
        BENCH
    }

    /**
     * Something that was confirmed.
     *
     * @param kind what it is
     * @param mark what it says that nothing else says
     */
    record Confirmed(Kind kind, String mark) {}

    private final Path folder;
    private final byte[] photo;

    ManySaves(Path folder) throws IOException {
        this.folder = folder;
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(new java.awt.image.BufferedImage(8, 8, java.awt.image.BufferedImage.TYPE_INT_RGB), "png", png);
        this.photo = png.toByteArray();
    }

    private Connection store() throws SQLException {
        return DriverManager.getConnection("jdbc:sqlite:" + folder.resolve("mezcla.db"));
    }

    private long count(String question, String value) throws SQLException {
        try (Connection store = store();
                PreparedStatement ask = store.prepareStatement(question)) {
            ask.setString(1, value);
            try (ResultSet rows = ask.executeQuery()) {
                rows.next();
                return rows.getLong(1);
            }
        }
    }

    /** A run of the batch whose film can be looked at. */
    long someRun() throws SQLException {
        return count(
                "SELECT min(sequence) FROM log_entry WHERE kind = 'run-logged' AND body LIKE ?", "%\"batchId\":4,%");
    }

    /**
     * Saves something.
     *
     * @param who a steward, where the kind asks for one
     * @param number as small as it is of its own
     * @return whether it was confirmed, and by what it is found
     */
    Confirmed save(Kind kind, Visitor who, long run, int number) throws IOException, InterruptedException {
        String mark = "mark " + number + " of many.";
        HttpResponse<String> answer =
                switch (kind) {
                    case NOTE -> who.post(BATCH + "/notes", "formKey", Visitor.key(), "note", mark);
                    case RUN ->
                        who.post(
                                BATCH + "/runs",
                                "formKey",
                                Visitor.key(),
                                "film[0].count",
                                "1",
                                "film[0].owner",
                                "Bram",
                                "film[0].format",
                                "135-36",
                                "film[0].name",
                                mark,
                                "push",
                                "0",
                                "tank",
                                "3",
                                "done",
                                "true",
                                "others",
                                "true");
                    case PAYMENT ->
                        who.post(
                                "/money/payments",
                                "formKey",
                                Visitor.key(),
                                "account",
                                "Devi",
                                "amount",
                                "0.01",
                                "note",
                                mark);
                    case FILM ->
                        who.post(
                                "/queue",
                                "formKey",
                                Visitor.key(),
                                "film[0].count",
                                "1",
                                "film[0].owner",
                                "Bram",
                                "film[0].format",
                                "120",
                                "film[0].name",
                                mark,
                                "push",
                                "0",
                                "process",
                                "colour-negative",
                                "here",
                                "yes");
                    case KIT ->
                        who.post(
                                "/kits",
                                "formKey",
                                Visitor.key(),
                                "leaflet",
                                "1",
                                "count",
                                "1",
                                "price",
                                "30",
                                "lot",
                                mark);
                    case LOOK_WITH_PHOTO ->
                        who.file(
                                BATCH + "/looks/" + run,
                                "photo",
                                photo,
                                List.of("formKey", Visitor.key(), "roll", "0", "result", "GOOD", "note", mark));
                    case BENCH -> tick(who, number);
                };
        return answer.statusCode() == 302 ? new Confirmed(kind, kind == Kind.BENCH ? celsius(number) : mark) : null;
    }

    private static String celsius(int number) {
        return "%d.%03d".formatted(20 + number / 1000, number % 1000);
    }

    /** An act is ticked with a temperature of its own, and taken back so that the next one can be. */
    private static HttpResponse<String> tick(Visitor who, int number) throws IOException, InterruptedException {
        Matcher act = ACT.matcher(who.get("/mixes/" + MIX).body());
        if (!act.find()) {
            throw new IOException("no act to tick");
        }
        HttpResponse<String> ticked = who.post(
                "/mixes/" + MIX + "/ticks", "formKey", Visitor.key(), "act", act.group(1), "celsius", celsius(number));
        if (ticked.statusCode() == 302) {
            try {
                who.post("/mixes/" + MIX + "/undo", "formKey", Visitor.key(), "act", act.group(1));
            } catch (IOException itDied) {
                // It was confirmed all the same; the next one takes it back.
                return ticked;
            }
        }
        return ticked;
    }

    /** Whether what was confirmed is there, once, and with all that belongs to it. */
    boolean isThere(Confirmed saved) throws SQLException, IOException {
        if (saved.kind() == Kind.BENCH) {
            return count("SELECT count(*) FROM mix_tick WHERE undone = 0 AND celsius = CAST(? AS REAL)", saved.mark())
                    == 1;
        }
        boolean once = count("SELECT count(*) FROM log_entry WHERE body LIKE ?", "%" + saved.mark() + "%") == 1;
        if (saved.kind() != Kind.LOOK_WITH_PHOTO || !once) {
            return once;
        }
        try (Connection store = store();
                PreparedStatement ask = store.prepareStatement(
                        "SELECT file FROM look_photo JOIN log_entry USING (sequence) WHERE body LIKE ?")) {
            ask.setString(1, "%" + saved.mark() + "%");
            try (ResultSet rows = ask.executeQuery()) {
                return rows.next() && Files.size(folder.resolve("photos").resolve(rows.getString(1))) > 0;
            }
        }
    }
}
