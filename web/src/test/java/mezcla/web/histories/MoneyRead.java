package mezcla.web.histories;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import mezcla.verdict.School;
import mezcla.web.words.Figures;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.jspecify.annotations.Nullable;

/**
 * Reads every page and file that shows money and film of a member, and holds them against each other, against what the history
 * did and against prices by hand.
 */
final class MoneyRead {
    private static final Pattern AMOUNT = Pattern.compile("[0-9]+\\.[0-9]{2}");

    /** The routes that are read here after every step of a history. */
    static final Set<String> ROUTES = Set.of(
            "/mine",
            "/money/account",
            "/money/film",
            "/money/film.csv",
            "/money/month",
            "/money/month.csv",
            "/journal",
            "/journal.csv",
            "/journal.jsonl",
            "/house/decisions");

    private final Function<String, String> page;
    private final String member;

    /**
     * @param page how a page is asked for, by its address
     * @param member who asks: a steward
     */
    MoneyRead(Function<String, String> page, String member) {
        this.page = page;
        this.member = member;
    }

    /**
     * What pages have to show.
     *
     * @param when which step that is
     * @param batch the batch
     * @param month the month of the present, as addresses name it
     * @param rolls the equivalents of every roll that ran through it and counts
     * @param price what a roll costs; null where it is what it cost
     * @param entries how many entries the log has
     * @param process the batch's process, by name
     * @param school how strictly the house judges it
     */
    record Asked(
            String when,
            long batch,
            String month,
            List<Double> rolls,
            @Nullable BigDecimal price,
            long entries,
            String process,
            School school) {}

    void all(Asked asked) {
        String mine = text("/mine");
        BigDecimal balance = balance(mine, asked);
        assertThat(balance(text("/money/account"), asked)).as(asked.when()).isEqualByComparingTo(balance);
        month(asked, balance);
        film(asked, mine);
        journal(asked);
        decisions(asked);
        assertThat(text("/journal.jsonl")
                        .lines()
                        .filter(line -> line.contains("\"sequence\":"))
                        .count())
                .as(asked.when() + ": journal")
                .isEqualTo(asked.entries());
    }

    /** The journal's page begins as its file does, and neither leaves an entry out. */
    private void journal(Asked asked) {
        List<CSVRecord> file = rows("/journal.csv");
        assertThat(file).as(asked.when() + ": journal").hasSize((int) asked.entries());
        List<String> first = found(text("/journal"), ", entry ([0-9]+)<").toList();
        assertThat(first).as(asked.when() + ": journal").isNotEmpty();
        assertThat(file.stream().map(line -> line.get("entry")))
                .as(asked.when() + ": journal")
                .startsWith(first.toArray(String[]::new));
    }

    private void decisions(Asked asked) {
        String last = found(text("/house/decisions"), "Limits \\(" + Figures.within(asked.process()) + "\\): ([^.<]*)")
                .findFirst()
                .orElse(School.LEAFLET.words());
        assertThat(last.strip())
                .as(asked.when() + ": decisions")
                .isEqualTo(asked.school().words());
    }

    private static Stream<String> found(String all, String pattern) {
        return Pattern.compile(pattern).matcher(all).results().map(match -> match.group(1));
    }

    private String text(String address) {
        return page.apply(address).replace('\u00a0', ' ');
    }

    private List<CSVRecord> rows(String address) {
        try {
            return CSVFormat.RFC4180
                    .builder()
                    .setHeader()
                    .setSkipHeaderRecord(true)
                    .get()
                    .parse(new java.io.StringReader(page.apply(address)))
                    .getRecords();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static BigDecimal balance(String all, Asked asked) {
        Matcher matcher = Pattern.compile("<h1[^>]*>You (owe nothing|owe|have)([^<]*)</h1>")
                .matcher(all);
        assertThat(matcher.find()).as(asked.when() + ": a heading").isTrue();
        if (matcher.group(1).equals("owe nothing")) {
            return BigDecimal.ZERO;
        }
        Matcher amount = AMOUNT.matcher(matcher.group(2));
        assertThat(amount.find()).isTrue();
        BigDecimal owed = new BigDecimal(amount.group());
        return matcher.group(1).equals("owe") ? owed.negate() : owed;
    }

    /** The month's row of the member, and the same by the file's lines. */
    private void month(Asked asked, BigDecimal balance) {
        Optional<String> row = Pattern.compile(
                        "<tr><th scope=\"row\"><a[^>]*>" + member + "</a>.*?</tr>", Pattern.DOTALL)
                .matcher(text("/money/month?of=" + asked.month()))
                .results()
                .map(java.util.regex.MatchResult::group)
                .findFirst();
        if (row.isEmpty()) {
            assertThat(balance).as(asked.when() + ": nothing in the month").isZero();
            return;
        }
        List<BigDecimal> figures = Pattern.compile("<td[^>]*>(?:<strong>)?([^<]*)<")
                .matcher(row.get())
                .results()
                .map(cell -> figure(cell.group(1)))
                .toList();
        assertThat(figures.get(6)).as(asked.when() + ": after the month").isEqualByComparingTo(balance);
        BigDecimal sum = figures.get(0)
                .add(figures.get(2))
                .add(figures.get(3))
                .add(figures.get(4))
                .add(figures.get(5));
        assertThat(sum).as(asked.when() + ": the month adds up").isEqualByComparingTo(balance);
        List<CSVRecord> lines = rows("/money/month.csv?of=" + asked.month()).stream()
                .filter(line -> line.get("member").equals(member))
                .toList();
        BigDecimal moved = lines.stream()
                .map(line -> figure(line.get("payment")).subtract(figure(line.get("charge"))))
                .reduce(BigDecimal.ZERO, BigDecimal::add);
        assertThat(figures.get(0).add(moved))
                .as(asked.when() + ": the month's file")
                .isEqualByComparingTo(balance);
        if (!lines.isEmpty()) {
            assertThat(figure(lines.get(lines.size() - 1).get("balance")))
                    .as(asked.when() + ": the month's last line")
                    .isEqualByComparingTo(balance);
        }
    }

    /** What it says, as a figure; a dash or nothing is none. */
    private static BigDecimal figure(String cell) {
        String plain = cell.strip().replace('\u2212', '-').replace("+", "").replace("'", "");
        return plain.isEmpty() || plain.equals("–") ? BigDecimal.ZERO : new BigDecimal(plain);
    }

    /** The member's film through the batch: every roll once, each at its price. */
    private void film(Asked asked, String mine) {
        List<CSVRecord> all = rows("/money/film.csv");
        String shown = text("/money/film");
        assertThat(shown.split("<tr><td", -1)).as(asked.when() + ": my film").hasSize(all.size() + 1);
        List<BigDecimal> charged = charges(all, asked.batch()).sorted().toList();
        assertThat(charged)
                .as(asked.when() + ": film through the batch")
                .hasSize(asked.rolls().size());
        Optional.ofNullable(asked.price()).ifPresent(price -> assertThat(charged)
                .as(asked.when() + ": at a price a roll")
                .usingElementComparator(BigDecimal::compareTo)
                .containsExactlyElementsOf(asked.rolls().stream()
                        .map(roll -> price.multiply(BigDecimal.valueOf(roll)).setScale(2, RoundingMode.HALF_UP))
                        .sorted()
                        .toList()));
        String soFar =
                found(shown, "<h1[^>]*>([^<]* of yours so far)").findFirst().orElse("No film of yours was run yet");
        assertThat(mine).as(asked.when() + ": film so far").contains(">" + soFar + "<");
        long of = shown.split(">batch " + asked.batch() + "<", -1).length - 1L;
        assertThat(of).as(asked.when() + ": my film").isEqualTo(asked.rolls().size());
    }

    private static Stream<BigDecimal> charges(List<CSVRecord> film, long batch) {
        return film.stream()
                .filter(line -> line.get("batch").equals(Long.toString(batch)))
                .map(line -> figure(line.get("charged")));
    }

    /** What the member's film through a batch cost them in all by their account's file, over these months. */
    BigDecimal paidFor(long batch, List<String> months) {
        return months.stream()
                .flatMap(month -> rows("/money/month.csv?of=" + month).stream())
                .filter(line -> line.get("member").equals(member))
                .filter(line -> line.get("batch").equals(Long.toString(batch)))
                .map(line -> figure(line.get("charge")))
                .reduce(BigDecimal.ZERO, BigDecimal::add);
    }
}
