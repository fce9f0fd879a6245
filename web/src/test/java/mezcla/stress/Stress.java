package mezcla.stress;

import java.io.IOException;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import mezcla.web.crash.RunningHouse;

/**
 * Attacks a copy of the demonstration on this machine and counts what breaks; {@code bin/stress} calls it. Every part
 * prints a line with its counts and whether that is as it should be.
 */
final class Stress implements AutoCloseable {
    private static final String BATCH = "/batches/4";
    private static final int WRITERS = 3;
    private static final int MEMBERS_MEANWHILE = 6;
    private static final Pattern ROLLS_AND_DAYS = Pattern.compile("[0-9.]+ rolls? · (?:today|[0-9]+ days?)");
    private static final String PASSWORD = "fifty members at once";
    private static final List<String> PAGES =
            List.of("/shelf", BATCH, "/journal", "/bench", "/run", "/cupboard", "/fills/4", "/house");
    private static final List<String> PLACES = List.of(
            "/shelf",
            "/shelf?film%5B0%5D.count=1&film%5B0%5D.format=120&tank=1",
            BATCH,
            BATCH + "/run?formKey=69cd6927-c0e5-4d0f-b12e-735409e41a87&film%5B0%5D.count=1&film%5B0%5D.format=135-36",
            BATCH + "/warm-up",
            "/journal",
            "/bench",
            "/run",
            "/cupboard",
            "/fills/4",
            "/queue",
            "/evening",
            "/money",
            "/money/account",
            "/mine",
            "/signs?words=pink",
            "/house");
    private static final List<ManySaves.Kind> WRITTEN =
            List.of(ManySaves.Kind.NOTE, ManySaves.Kind.FILM, ManySaves.Kind.LOOK_WITH_PHOTO);
    private static final int LATE_AGAINST_ALONE = 3;
    private static final List<String> ODD = List.of(
            "",
            "-3",
            "0",
            "NaN",
            "1e309",
            "3:75",
            "1,2 l",
            "\u0000",
            "\u2028",
            "<b>x</b>",
            "'; DROP TABLE member; --",
            "99999999999999999999",
            "../../mezcla.db",
            "%zz",
            "\uD83D\uDE00".repeat(300),
            "${7*7}",
            "2026-13-45",
            "9".repeat(5000));

    /** How much of it. */
    record Size(
            int kills,
            int forms,
            int rough,
            int strangerPosts,
            int names,
            int members,
            int seconds,
            int lockS,
            int listed) {
        static final Size WHOLE = new Size(20, 1000, 2400, 300, 3000, 50, 300, 15, 250);
        static final Size SMALL = new Size(0, 20, 120, 10, 30, 6, 5, 0, 10);

        /** Whether it takes long enough for its times to mean something: a few seconds on a busy machine do not. */
        boolean measured() {
            return seconds >= WHOLE.seconds;
        }
    }

    private final Size size;
    private final Path folder;
    private final Random random = new Random(14);
    private final List<String> wrong = new ArrayList<>();
    private RunningHouse house;
    private Visitor bram;

    Stress(Size size) throws Exception {
        this.size = size;
        folder = Files.createTempDirectory("mezcla-stress");
        Files.writeString(folder.resolve("wrong-by"), "0");
        house = open();
        bram = Visitor.signedIn(house.address(), "bram", "count-the-rolls");
    }

    public static void main(String[] arguments) throws Exception {
        boolean held;
        try (Stress stress = new Stress(Size.WHOLE)) {
            held = stress.everything(Set.of(arguments)).isEmpty();
            System.out.println(
                    held
                            ? "\nNothing was lost, counted twice, or let in."
                            : "\nNot as it should be: " + String.join("; ", stress.wrong));
        }
        System.exit(held ? 0 : 1);
    }

    /** What was not as it should be. */
    List<String> everything() throws Exception {
        return everything(Set.of());
    }

    /** What was not as it should be of some parts; of all where none is named. */
    private List<String> everything(Set<String> named) throws Exception {
        Doors doors = new Doors(house.address(), folder, bram);
        Map<String, Part> parts = new LinkedHashMap<>();
        parts.put("doubled", this::doubled);
        parts.put("bad input", this::rough);
        parts.put("tampered", this::tampered);
        parts.put("shared device", () -> says("shared device", doors.sharedDevice()));
        parts.put("another's", () -> says("another's", doors.anothers()));
        parts.put("one proposal", () -> says("one proposal", doors.oneProposal()));
        parts.put("odd addresses", () -> says("odd addresses", doors.oddAddresses()));
        parts.put("a long list", () -> says("a long list", doors.longList(size.listed())));
        parts.put("members", this::members);
        parts.put("a lock", this::lock);
        parts.put("kills", this::kills);
        parts.put("wrong clock", this::turnedClock);
        parts.put("full disk", this::fullDisk);
        parts.put("a stranger", this::stranger);
        for (Map.Entry<String, Part> part : parts.entrySet()) {
            if (named.isEmpty() || named.contains(part.getKey())) {
                part.getValue().attack();
            }
        }
        return wrong;
    }

    /** One of the attacks. */
    private interface Part {
        void attack() throws Exception;
    }

    private RunningHouse open() throws IOException {
        return RunningHouse.open(
                folder,
                0,
                TurnedHouse.class.getName(),
                "-Dmezcla.wrong-by=" + folder.resolve("wrong-by"),
                "-Xmx512m",
                // As a house has it: the demonstration hashes quickly.
                "-Dmezcla.password-strength=10");
    }

    @Override
    public void close() {
        try {
            house.kill();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private void says(String what, Doors.Outcome outcome) {
        says(what, outcome.counts(), outcome.asItShouldBe());
    }

    private void says(String what, String counts, boolean asItShouldBe) {
        System.out.printf(Locale.ROOT, "%-14s %s %s%n", what, asItShouldBe ? "ok " : "NOT", counts);
        if (!asItShouldBe) {
            wrong.add(what + ": " + counts);
        }
    }

    private <T> List<T> atOnce(int threads, List<Callable<T>> acts) throws Exception {
        ExecutorService crowd = Executors.newFixedThreadPool(threads);
        try {
            List<T> answers = new ArrayList<>();
            for (Future<T> each : crowd.invokeAll(acts)) {
                answers.add(each.get());
            }
            return answers;
        } finally {
            crowd.shutdown();
        }
    }

    private int notes(String like) throws SQLException {
        try (Connection store = DriverManager.getConnection("jdbc:sqlite:" + folder.resolve("mezcla.db"));
                ResultSet rows = store.createStatement()
                        .executeQuery("SELECT count(*) FROM log_entry WHERE kind = 'note-left' AND body LIKE '%" + like
                                + "%'")) {
            rows.next();
            return rows.getInt(1);
        }
    }

    private static int status(Visitor who, String key, String text) {
        try {
            return who.post(BATCH + "/notes", "formKey", key, "note", text).statusCode();
        } catch (IOException | InterruptedException gone) {
            return 0;
        }
    }

    /** Each form four times at once: saved once. */
    private void doubled() throws Exception {
        List<Callable<Integer>> posts = new ArrayList<>();
        for (int i = 0; i < size.forms(); i++) {
            String key = Visitor.key();
            String text = "doubled " + i + ".";
            posts.addAll(Collections.nCopies(4, () -> status(bram, key, text)));
        }
        List<Integer> answers = atOnce(8, posts);
        int kept = notes("doubled ");
        long failed = answers.stream().filter(status -> status != 302).count();
        says(
                "doubled",
                "%d forms sent four times: %d kept, %d not answered as saved".formatted(size.forms(), kept, failed),
                kept == size.forms() && failed == 0);
    }

    private String odd() {
        return ODD.get(random.nextInt(ODD.size()));
    }

    /** What does not belong there, in addresses and fields. */
    private void rough() throws Exception {
        List<String> forms = List.of(
                BATCH + "/notes",
                BATCH + "/runs",
                BATCH + "/starts",
                "/fills/4/spills",
                "/fills/4/moves",
                "/fills/4/measurements",
                "/house/members",
                "/house/tanks",
                "/house/bottles",
                "/kits",
                "/adoptions",
                "/waste",
                "/probes",
                "/walk",
                "/theme",
                "/me/password",
                "/practice/1/report");
        List<String> fields = List.of(
                "note",
                "film[0].count",
                "film[-1].count",
                "film[a]",
                "tank",
                "spilled",
                "place",
                "measured",
                "name",
                "signInName",
                "password",
                "volume",
                "bottle",
                "kit",
                "price",
                "events",
                "back",
                "old",
                "speed",
                "seen",
                "happenedAt",
                "why");
        List<Callable<Integer>> sent = new ArrayList<>();
        for (int i = 0; i < size.rough(); i++) {
            String page = forms.get(random.nextInt(forms.size()));
            List<String> typed = new ArrayList<>(List.of("formKey", Visitor.key()));
            for (int f = 0; f < 4; f++) {
                typed.addAll(List.of(fields.get(random.nextInt(fields.size())), odd()));
            }
            boolean asked = i % 3 == 0;
            String query = "?" + Visitor.form("x", typed.toArray(new String[0]));
            String place = PAGES.get(random.nextInt(PAGES.size()));
            sent.add(() -> {
                boolean get = asked && query.length() < 6000;
                int status = get
                        ? bram.get(place + query).statusCode()
                        : bram.post(page, typed.toArray(new String[0])).statusCode();
                if (status >= 500) {
                    System.out.println("  " + status + " " + (get ? place + query : page + " " + typed));
                }
                return status;
            });
        }
        List<Integer> answers = atOnce(4, sent);
        long faults = answers.stream().filter(status -> status >= 500).count();
        boolean answering = true;
        for (String page : PAGES) {
            answering &= bram.get(page).statusCode() == 200;
        }
        says(
                "bad input",
                "%d sent: %d answered as a fault of ours; every page %s"
                        .formatted(sent.size(), faults, answering ? "answers" : "DOES NOT ANSWER"),
                faults == 0 && answering);
    }

    /** A member as a steward, without a token, with another's token, with a made-up sign-in. */
    private void tampered() throws Exception {
        Visitor devi = Visitor.signedIn(house.address(), "devi", "rinse-and-hang");
        List<String> stewards =
                List.of("/house/members", "/house/tanks", "/probes", "/waste", "/house/device", "/kits/1/prices");
        int let = 0;
        for (String page : stewards) {
            let += devi.post(page, "formKey", Visitor.key(), "name", "x").statusCode() == 403 ? 0 : 1;
            let += bram.send(page, "name=x").statusCode() == 403 ? 0 : 1;
            let += bram.send(page, Visitor.form(devi.token() + "x", "name", "x"))
                                    .statusCode()
                            == 403
                    ? 0
                    : 1;
        }
        int strangers = 0;
        for (String page : PAGES) {
            strangers += new Visitor(house.address()).get(page).statusCode() == 302 ? 0 : 1;
        }
        says(
                "tampered",
                "%d posts without the right or the token: %d let in; %d pages as a stranger: %d shown"
                        .formatted(stewards.size() * 3, let, PAGES.size(), strangers),
                let == 0 && strangers == 0);
    }

    /** Large forms, and sign-ins under ever new names. */
    private void stranger() throws Exception {
        double before = house.residentMb();
        String large = "name=" + "x".repeat(1_900_000);
        int kept = 0;
        for (int i = 0; i < size.strangerPosts(); i++) {
            kept += new Visitor(house.address()).send("/sign-in", large).statusCode() == 413 ? 0 : 1;
        }
        Visitor stranger = new Visitor(house.address());
        stranger.get("/sign-in");
        List<Integer> guesses = atOnce(
                20,
                Collections.nCopies(
                        100,
                        () -> stranger.post("/sign-in", "name", "saoirse", "password", "wrong")
                                        .headers()
                                        .firstValue("Location")
                                        .orElse("")
                                        .contains("refused")
                                ? 1
                                : 0));
        int looked = guesses.stream().mapToInt(each -> each).sum();
        int let = 0;
        for (int i = 0; i < size.names(); i++) {
            String to = stranger.post("/sign-in", "name", "nobody " + i + "x".repeat(i % 5000), "password", "wrong")
                    .headers()
                    .firstValue("Location")
                    .orElse("");
            let += to.startsWith("/sign-in") || to.contains("/sign-in?") || to.isEmpty() ? 0 : 1;
        }
        ExecutorService attack = Executors.newFixedThreadPool(4);
        AtomicBoolean goesOn = new AtomicBoolean(true);
        for (int i = 0; i < 4; i++) {
            Visitor guesser = new Visitor(house.address()).from("10.9.8." + i);
            guesser.get("/sign-in");
            attack.submit(() -> {
                while (goesOn.get()) {
                    guesser.post("/sign-in", "name", "devi", "password", "guess " + random.nextInt());
                }
                return null;
            });
        }
        int members = 0;
        for (int i = 0; i < MEMBERS_MEANWHILE; i++) {
            // Whoever is guessed at has to wait as well, by name; everybody else comes in.
            String name = List.of("ines", "tomasz").get(i % 2);
            members += signsIn(name) ? 1 : 0;
        }
        goesOn.set(false);
        attack.shutdown();
        attack.awaitTermination(60, TimeUnit.SECONDS);
        boolean trusted = bram.get("/shelf").statusCode() == 200;
        double after = house.residentMb();
        says(
                "a stranger",
                "%d posts of 1.9 MB: %d not refused; %d sign-ins: %d let in; of 100 guesses at once %d looked at; meanwhile %d of %d members come in; memory %.0f to %.0f MB"
                        .formatted(
                                size.strangerPosts(),
                                kept,
                                size.names(),
                                let,
                                looked,
                                members,
                                MEMBERS_MEANWHILE,
                                before,
                                after),
                kept == 0
                        && let == 0
                        && looked <= 5
                        && members == MEMBERS_MEANWHILE
                        && trusted
                        && after < before + 250);
    }

    /** A member from a device of their own. */
    private boolean signsIn(String name) throws InterruptedException {
        try {
            new Visitor(house.address()).from("10.1.1.8").signIn(name, "rinse-and-hang");
            return true;
        } catch (IOException refused) {
            return false;
        }
    }

    /**
     * The clock goes a week ahead, and back; a minute back; a week back, while the house runs. What jumps is said before
     * anything is saved, no figure follows it, and nothing stands still once it is right again.
     */
    private void turnedClock() throws Exception {
        int saved = 0;
        int answered = 0;
        int said = 0;
        int figures = 0;
        long[] turns = {0, 604_800, 0, -60, -604_800, 0};
        String age = rollsAndDays();
        for (long by : turns) {
            Files.writeString(folder.resolve("wrong-by"), Long.toString(by));
            bram.signIn("bram", "count-the-rolls");
            boolean told = bram.get("/shelf").body().contains("This machine’s clock");
            said += told == (by > 120 || by < -30) ? 1 : 0;
            figures += rollsAndDays().equals(age) ? 1 : 0;
            saved += status(bram, Visitor.key(), "clock off by " + by) == 302 ? 1 : 0;
            for (String page : PAGES) {
                answered += bram.get(page).statusCode() == 200 ? 1 : 0;
            }
        }
        says(
                "wrong clock",
                "%d of %d saves kept, %d of %d pages answer, %d of %d times the banner says what is true, %d of %d times ages stay"
                        .formatted(
                                saved,
                                turns.length,
                                answered,
                                turns.length * PAGES.size(),
                                said,
                                turns.length,
                                figures,
                                turns.length),
                saved == turns.length
                        && answered == turns.length * PAGES.size()
                        && said == turns.length
                        && figures == turns.length);
    }

    /** What the Shelf says of rolls and days. */
    private String rollsAndDays() throws IOException, InterruptedException {
        Matcher found = ROLLS_AND_DAYS.matcher(bram.get("/shelf").body());
        List<String> all = new ArrayList<>();
        while (found.find()) {
            all.add(found.group());
        }
        return String.join("; ", all);
    }

    /** Another program holds the file. */
    private void lock() throws Exception {
        List<String> keys = new ArrayList<>();
        List<Integer> answers;
        try (Connection other = DriverManager.getConnection("jdbc:sqlite:" + folder.resolve("mezcla.db"))) {
            other.createStatement().execute("BEGIN IMMEDIATE");
            List<Callable<Integer>> saves = new ArrayList<>();
            for (int i = 0; i < 2; i++) {
                String key = Visitor.key();
                keys.add(key);
                saves.add(() -> status(bram, key, "under a lock"));
            }
            ExecutorService meanwhile = Executors.newSingleThreadExecutor();
            Future<List<Integer>> sent = meanwhile.submit(() -> atOnce(2, saves));
            TimeUnit.MILLISECONDS.sleep(
                    Math.max(300, Duration.ofSeconds(size.lockS()).toMillis()));
            other.createStatement().execute("ROLLBACK");
            answers = sent.get(60, TimeUnit.SECONDS);
            meanwhile.shutdown();
        }
        int confirmed = (int) answers.stream().filter(status -> status == 302).count();
        int kept = notes("under a lock");
        for (String key : keys) {
            status(bram, key, "under a lock");
        }
        int again = notes("under a lock");
        says(
                "a lock",
                "%d s: answers %s, %d confirmed, %d kept; sent again %d kept"
                        .formatted(size.lockS(), answers, confirmed, kept, again),
                kept == confirmed && again == 2);
    }

    /** As power cuts would, under saves of every kind: each that was confirmed is found by what it says. */
    private void kills() throws Exception {
        ManySaves saves = new ManySaves(folder);
        List<ManySaves.Confirmed> confirmed = Collections.synchronizedList(new ArrayList<>());
        AtomicInteger number = new AtomicInteger();
        long run = saves.someRun();
        boolean goesOn = true;
        for (ManySaves.Kind kind : ManySaves.Kind.values()) {
            ManySaves.Confirmed saved = saves.save(kind, bram, run, number.incrementAndGet());
            if (saved == null) {
                wrong.add("kills: " + kind + " is not saved even while nothing dies");
            } else {
                confirmed.add(saved);
            }
        }
        for (int i = 0; i < size.kills(); i++) {
            ExecutorService crowd = Executors.newFixedThreadPool(WRITERS);
            for (int writer = 0; writer < WRITERS; writer++) {
                int begin = writer;
                crowd.submit(() -> {
                    ManySaves.Kind[] kinds = ManySaves.Kind.values();
                    for (int kind = begin; ; kind += WRITERS) {
                        ManySaves.Confirmed saved =
                                saves.save(kinds[kind % kinds.length], bram, run, number.incrementAndGet());
                        if (saved != null) {
                            confirmed.add(saved);
                        }
                    }
                });
            }
            TimeUnit.MILLISECONDS.sleep(200 + random.nextInt(1200));
            house.kill();
            crowd.shutdown();
            crowd.awaitTermination(30, TimeUnit.SECONDS);
            house = open();
            bram.goOn(house.address());
            bram.get("/signs");
            goesOn &= status(bram, Visitor.key(), "goes on") == 302;
        }
        List<String> lost = new ArrayList<>();
        for (ManySaves.Confirmed each : confirmed) {
            if (!saves.isThere(each)) {
                lost.add(each.toString());
            }
        }
        Map<ManySaves.Kind, Long> kinds = confirmed.stream()
                .collect(Collectors.groupingBy(
                        ManySaves.Confirmed::kind, () -> new EnumMap<>(ManySaves.Kind.class), Collectors.counting()));
        says(
                "kills",
                "%d: confirmed %s, lost or twice %s; open pages %s"
                        .formatted(size.kills(), kinds, lost, goesOn ? "go on" : "DO NOT GO ON"),
                lost.isEmpty() && goesOn && kinds.keySet().size() == ManySaves.Kind.values().length);
    }

    /** So many members, reading and writing. */
    private void members() throws Exception {
        List<Visitor> all = new ArrayList<>();
        for (int i = 0; i < size.members(); i++) {
            bram.post(
                    "/house/members",
                    "formKey",
                    Visitor.key(),
                    "name",
                    "Member " + i,
                    "signInName",
                    "member" + i,
                    "password",
                    PASSWORD);
            all.add(Visitor.signedIn(house.address(), "member" + i, PASSWORD));
        }
        ManySaves saves = new ManySaves(folder);
        long run = saves.someRun();
        double alone = late(asked(all.get(0), 3 * PLACES.size()));
        AtomicInteger number = new AtomicInteger(500_000);
        List<ManySaves.Confirmed> confirmed = Collections.synchronizedList(new ArrayList<>());
        double before = house.residentMb();
        long until = System.nanoTime() + TimeUnit.SECONDS.toNanos(size.seconds());
        AtomicInteger errors = new AtomicInteger();
        List<Callable<List<Double>>> evenings = new ArrayList<>();
        for (Visitor member : all) {
            Random own = new Random(random.nextLong());
            evenings.add(() -> {
                List<Double> took = new ArrayList<>();
                while (System.nanoTime() < until) {
                    TimeUnit.MILLISECONDS.sleep(500 + own.nextInt(2000));
                    long began = System.nanoTime();
                    if (own.nextInt(5) == 0) {
                        ManySaves.Kind kind = WRITTEN.get(own.nextInt(WRITTEN.size()));
                        ManySaves.Confirmed saved = saves.save(kind, member, run, number.incrementAndGet());
                        if (saved == null) {
                            errors.incrementAndGet();
                        } else {
                            confirmed.add(saved);
                        }
                    } else {
                        String place = PLACES.get(own.nextInt(PLACES.size()));
                        errors.addAndGet(member.get(place).statusCode() == 200 ? 0 : 1);
                    }
                    took.add((System.nanoTime() - began) / 1e6);
                }
                return took;
            });
        }
        double[] took = atOnce(size.members(), evenings).stream()
                .flatMap(List::stream)
                .mapToDouble(each -> each)
                .sorted()
                .toArray();
        double late = late(took);
        double after = house.residentMb();
        int kept = 0;
        for (ManySaves.Confirmed each : confirmed) {
            kept += saves.isThere(each) ? 1 : 0;
        }
        says(
                "members",
                "%d for %d s: %d requests, %d errors, %d of %d saves kept; one member alone 95 %% within %.0f ms; all of them median %.0f ms, 95 %% within %.0f ms; memory %.0f to %.0f MB"
                        .formatted(
                                size.members(),
                                size.seconds(),
                                took.length,
                                errors.get(),
                                kept,
                                confirmed.size(),
                                alone,
                                took[took.length / 2],
                                late,
                                before,
                                after),
                errors.get() == 0
                        && kept == confirmed.size()
                        && (!size.measured() || late <= LATE_AGAINST_ALONE * alone)
                        && after < before + 300);
    }

    /** How long a member waits for each place, one after another. */
    private static double[] asked(Visitor member, int times) throws Exception {
        double[] took = new double[times];
        for (int i = 0; i < times; i++) {
            long began = System.nanoTime();
            HttpResponse<String> page = member.get(PLACES.get(i % PLACES.size()));
            took[i] = (System.nanoTime() - began) / 1e6;
            if (page.statusCode() != 200) {
                throw new IOException(PLACES.get(i % PLACES.size()) + " answered " + page.statusCode());
            }
        }
        Arrays.sort(took);
        return took;
    }

    private static double late(double[] sorted) {
        return sorted[(int) Math.ceil(sorted.length * 0.95) - 1];
    }

    /** A disk of its own, where this machine lets us make one. */
    private void fullDisk() throws Exception {
        if (size.kills() == 0) {
            return;
        }
        Path disk = Files.createTempDirectory("mezcla-disk");
        if (run("mount", "-t", "tmpfs", "-o", "size=24m", "tmpfs", disk.toString()) != 0) {
            System.out.println("full disk      --  not tried: no right to mount a small disk here");
            return;
        }
        RunningHouse other = null;
        try {
            other = RunningHouse.open(disk, 0, "mezcla.web.MezclaApplication");
            Visitor ines = Visitor.signedIn(other.address(), "ines", "rinse-and-hang");
            run("dd", "if=/dev/zero", "of=" + disk.resolve("filler"), "bs=64k");
            int confirmed = 0;
            int refused = 0;
            for (int i = 0; i < 60; i++) {
                int status = status(ines, Visitor.key(), "on a full disk " + "x".repeat(100));
                confirmed += status == 302 ? 1 : 0;
                refused += status == 503 ? 1 : 0;
            }
            boolean reads = ines.get("/shelf").statusCode() == 200;
            boolean out = ines.post("/sign-out")
                            .headers()
                            .firstValue("Location")
                            .orElse("")
                            .contains("sign-in?out")
                    && ines.get("/shelf").statusCode() == 302;
            Files.delete(disk.resolve("filler"));
            Visitor again = Visitor.signedIn(other.address(), "ines", "rinse-and-hang");
            boolean back = status(again, Visitor.key(), "room again") == 302;
            says(
                    "full disk",
                    "60 saves: %d confirmed, %d refused; reading %s, signing out %s, with room again saving %s"
                            .formatted(
                                    confirmed,
                                    refused,
                                    reads ? "goes on" : "STOPS",
                                    out ? "signs out" : "DOES NOT",
                                    back ? "goes on" : "DOES NOT"),
                    confirmed + refused == 60 && refused > 0 && reads && out && back);
        } finally {
            if (other != null) {
                other.kill();
            }
            run("umount", disk.toString());
        }
    }

    private static int run(String... command) throws Exception {
        return new ProcessBuilder(command)
                .redirectErrorStream(true)
                .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                .start()
                .waitFor();
    }
}
