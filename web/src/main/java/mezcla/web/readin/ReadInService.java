package mezcla.web.readin;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import mezcla.log.Bottle;
import mezcla.log.Roll;
import mezcla.measure.FilmFormat;
import mezcla.measure.Refusal;
import mezcla.measure.TypedObjection;
import mezcla.measure.Volume;
import mezcla.processing.RunSteps;
import mezcla.web.access.Members;
import mezcla.web.access.SignedIn;
import mezcla.web.access.Unguessable;
import mezcla.web.answers.Planning;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.typed.TypedChoice;
import mezcla.web.forms.typed.TypedText;
import mezcla.web.house.things.ThingsService;
import mezcla.web.members.MembersService;
import mezcla.web.run.course.RunService;
import mezcla.web.settings.HouseService;
import mezcla.web.settings.Owned;
import mezcla.web.settings.things.Tank;
import mezcla.web.words.ObjectionWords;
import mezcla.web.words.Units;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** Reads lists in: each line is tried as if a steward had typed it, and what is refused is named. */
@Service
public class ReadInService {
    private static final int MOST_LINES = 2000;
    private static final int NAME_CHARACTERS = 40;
    private static final int PASSWORD_LETTERS = 14;
    private static final int PASSWORD = 2;
    private static final LocalTime NOON = LocalTime.NOON;
    private static final int MOST_ROLLS = 24;

    private final MembersService members;
    private final ThingsService things;
    private final RunService runs;
    private final HouseService houses;
    private final Planning planning;
    private final Members accounts;
    private final TransactionTemplate eachLine;
    private final TransactionTemplate nested;

    ReadInService(
            MembersService members,
            ThingsService things,
            RunService runs,
            HouseService houses,
            Planning planning,
            Members accounts,
            PlatformTransactionManager transactions) {
        this.members = members;
        this.things = things;
        this.runs = runs;
        this.houses = houses;
        this.planning = planning;
        this.accounts = accounts;
        this.eachLine = new TransactionTemplate(transactions);
        this.nested = new TransactionTemplate(transactions);
        this.nested.setPropagationBehavior(TransactionDefinition.PROPAGATION_NESTED);
    }

    /**
     * A line of a list.
     *
     * @param number its number in the file, the heading being the first
     * @param cells what stands in it
     * @param refused why it is not read in; empty where it is
     * @param told what its member is to be told, as the password that was made for them; empty for nothing
     */
    public record Line(long number, List<String> cells, String refused, String told) {}

    /**
     * A list as it was read, with the passwords that its members get: hashing takes its time, and nobody else can save while
     * something is written, so it is done before.
     *
     * @param kind what it is a list of
     * @param rows its lines
     */
    public record Prepared(ListKind kind, List<Row> rows) {}

    /**
     * A line of a list as it was read.
     *
     * @param number its number in the file
     * @param cells what stands in it
     * @param hash of the password that its member gets; empty for none
     * @param told the password that was made for them; empty where they have one
     */
    public record Row(long number, List<String> cells, String hash, String told) {}

    /**
     * Tries a list, and keeps nothing: each line by itself, so that others save meanwhile.
     *
     * @throws Refusal {@code not-a-table}
     */
    @PreAuthorize("hasRole('STEWARD')")
    public List<Line> look(SignedIn who, ListKind kind, String text) {
        Set<String> before = new HashSet<>();
        Members.Taken taken = accounts.taken();
        return rows(kind, text).stream()
                .map(row -> line(row, () -> {
                    if (kind == ListKind.MEMBERS) {
                        refuseMember(row, taken);
                    } else {
                        refuseTwice(kind, row, before);
                        eachLine.executeWithoutResult(status -> {
                            status.setRollbackOnly();
                            keep(who, kind, row);
                        });
                    }
                }))
                .toList();
    }

    /**
     * Reads a list, and makes the passwords of its members.
     *
     * @throws Refusal {@code not-a-table}
     */
    @PreAuthorize("hasRole('STEWARD')")
    public Prepared prepare(ListKind kind, String text) {
        List<Row> rows = rows(kind, text);
        return new Prepared(
                kind,
                kind == ListKind.MEMBERS
                        ? rows.parallelStream().map(this::hashed).toList()
                        : rows);
    }

    /** Whoever has no password in the list is given one, which the steward hands over. */
    private Row hashed(Row row) {
        String typed = row.cells().get(PASSWORD);
        if (typed.isEmpty()) {
            String made = Unguessable.letters(PASSWORD_LETTERS);
            return new Row(row.number(), row.cells(), Members.hashedAtOnce(made), made);
        }
        return new Row(row.number(), row.cells(), accounts.hashed(typed), "");
    }

    /** Reads a list in: every line that is not refused. */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public List<Line> keep(SignedIn who, Prepared list) {
        Members.Taken taken = accounts.taken();
        return list.rows().stream()
                .map(row -> line(row, () -> {
                    if (list.kind() == ListKind.MEMBERS) {
                        refuseMember(row, taken);
                        members.addChecked(
                                who, name(row.cells().get(0)), row.cells().get(1), row.hash());
                    } else {
                        nested.executeWithoutResult(status -> keep(who, list.kind(), row));
                    }
                }))
                .toList();
    }

    private List<Row> rows(ListKind kind, String text) {
        List<Row> rows = new ArrayList<>();
        char separator = text.lines().findFirst().orElse("").contains(";") ? ';' : ',';
        CSVFormat format = CSVFormat.RFC4180
                .builder()
                .setDelimiter(separator)
                .setHeader()
                .setSkipHeaderRecord(true)
                .setIgnoreEmptyLines(true)
                .setIgnoreSurroundingSpaces(true)
                .setIgnoreHeaderCase(true)
                .get();
        try (CSVParser table = format.parse(new StringReader(text))) {
            Set<String> heading = new HashSet<>();
            table.getHeaderNames().forEach(name -> heading.add(name.toLowerCase(Locale.ROOT)));
            if (!heading.containsAll(kind.columns())) {
                throw Refusal.of(new FormObjection.NotATable(String.join(", ", kind.columns())));
            }
            for (CSVRecord record : table) {
                if (record.getRecordNumber() > MOST_LINES) {
                    throw Refusal.of(new FormObjection.TooManyLines(MOST_LINES));
                }
                List<String> cells = kind.columns().stream()
                        .map(column -> record.isSet(column) ? record.get(column).strip() : "")
                        .toList();
                rows.add(new Row(record.getRecordNumber() + 1, cells, "", ""));
            }
        } catch (IOException | IllegalArgumentException | UncheckedIOException e) {
            throw Refusal.of(new FormObjection.NotATable(String.join(", ", kind.columns())));
        }
        return rows;
    }

    private static Line line(Row row, Runnable act) {
        try {
            act.run();
            return new Line(row.number(), row.cells(), "", row.told());
        } catch (Refusal refusal) {
            return new Line(row.number(), row.cells(), ObjectionWords.of(refusal), "");
        }
    }

    private void refuseMember(Row row, Members.Taken taken) {
        String name = name(row.cells().get(0));
        String signInName = row.cells().get(1);
        String password = row.cells().get(PASSWORD);
        if (!password.isEmpty()) {
            accounts.refusePassword(password, name, signInName);
        }
        accounts.refuse(signInName, name, taken);
    }

    /** What is called as one before in the list is refused by the store only once that one is kept. */
    private static void refuseTwice(ListKind kind, Row row, Set<String> before) {
        String label = row.cells().get(0).toLowerCase(Locale.ROOT);
        if (kind != ListKind.RUNS && !before.add(label)) {
            throw Refusal.of(new FormObjection.NameTaken(row.cells().get(0)));
        }
    }

    private void keep(SignedIn who, ListKind kind, Row row) {
        List<String> cells = row.cells();
        switch (kind) {
            case MEMBERS -> throw new IllegalStateException("Members are added otherwise");
            case BOTTLES ->
                things.add(new Owned.OfBottle(
                        name(cells.get(0)),
                        volume(cells.get(1)).ml(),
                        TypedChoice.of(
                                Bottle.Material.values(),
                                cells.get(2).toUpperCase(Locale.ROOT),
                                new FormObjection.UnknownMaterial())));
            case TANKS ->
                things.add(new Owned.OfTank(
                        name(cells.get(0)), volume(cells.get(1)).ml(), null, null, reels(cells)));
            case RUNS -> run(who, cells);
        }
    }

    private static Map<FilmFormat.Reel, Integer> reels(List<String> cells) {
        Map<FilmFormat.Reel, Integer> reels = new EnumMap<>(FilmFormat.Reel.class);
        count(cells.get(2)).ifPresent(count -> reels.put(FilmFormat.Reel.R135, count));
        count(cells.get(3)).ifPresent(count -> reels.put(FilmFormat.Reel.R120, count));
        if (reels.isEmpty()) {
            throw Refusal.of(new FormObjection.ReelsMissing());
        }
        return reels;
    }

    private static Optional<Integer> count(String typed) {
        if (!typed.matches("[0-9]{0,2}")) {
            throw Refusal.of(new FormObjection.NotBetween(typed, 0, 99));
        }
        return typed.isEmpty() || Integer.parseInt(typed) == 0 ? Optional.empty() : Optional.of(Integer.valueOf(typed));
    }

    private static String name(String typed) {
        return TypedText.of(typed, NAME_CHARACTERS, new TypedObjection.Missing());
    }

    private static Volume volume(String typed) {
        return Volume.parse(typed, Units.shown().volume());
    }

    private void run(SignedIn who, List<String> cells) {
        LocalDate day = day(cells.get(0));
        if (!cells.get(1).matches("[0-9]{1,9}")) {
            throw Refusal.of(new FormObjection.NotABatch(cells.get(1)));
        }
        if (!cells.get(4).matches("[0-9]{1,2}")
                || Integer.parseInt(cells.get(4)) < 1
                || Integer.parseInt(cells.get(4)) > MOST_ROLLS) {
            throw Refusal.of(new FormObjection.NotACount(cells.get(4)));
        }
        FilmFormat format = FilmFormat.labelled(cells.get(3));
        Roll roll = new Roll(name(cells.get(2)), format, format.equivalents(), 0, false);
        List<Roll> rolls = Collections.nCopies(Integer.parseInt(cells.get(4)), roll);
        Tank tank = planning.smallestFor(rolls)
                .or(() -> houses.tanks().stream().findFirst())
                .orElseThrow(() -> Refusal.of(new FormObjection.UnknownTank()));
        runs.logEarlier(
                who,
                Long.parseLong(cells.get(1)),
                new RunService.Asked(rolls, tank, null),
                day.atTime(NOON).atZone(houses.house().timeZone()).toInstant(),
                true,
                RunSteps.Choices.USUAL,
                UnaryOperator.identity());
    }

    private static LocalDate day(String typed) {
        try {
            return LocalDate.parse(typed);
        } catch (DateTimeParseException e) {
            throw Refusal.of(new FormObjection.NotADay(typed));
        }
    }
}
