package mezcla.web.decided;

import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import mezcla.log.HouseDecided;
import mezcla.log.LogEntry;
import mezcla.measure.Refusal;
import mezcla.web.access.SignedIn;
import mezcla.web.forms.FormObjection;
import mezcla.web.log.DarkroomLog;
import mezcla.web.settings.HouseService;
import mezcla.web.words.Figures;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;

/** What the house decided for everybody, as rows of the log. */
@Service
public class Decisions {
    private final DarkroomLog log;
    private final HouseService houses;
    private final JsonMapper json;
    private final ObjectProvider<BringsBack> ways;

    Decisions(DarkroomLog log, HouseService houses, JsonMapper json, ObjectProvider<BringsBack> ways) {
        this.log = log;
        this.houses = houses;
        this.json = json;
        this.ways = ways;
    }

    /**
     * A decision, for a page.
     *
     * @param number its row
     * @param topic what it is about
     * @param when when it was made
     * @param who by whom
     * @param what what was decided, and how it was before
     * @param canBeTakenBack whether it still holds, and what was before is known
     */
    public record Line(
            long number, HouseDecided.Topic topic, String when, String who, String what, boolean canBeTakenBack) {}

    /**
     * Logs what was decided, unless nothing changed.
     *
     * @param topic what it is about
     * @param subject which one of these; empty where there is only one
     * @param words says a setting in words
     * @param before how it was; null where nobody had said
     * @param after how it is from now on; null for nothing any more
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public <T> void decided(
            HouseDecided.Topic topic,
            String subject,
            Function<T, String> words,
            @Nullable T before,
            @Nullable T after) {
        if (before == null ? after == null : before.equals(after)) {
            return;
        }
        SignedIn who = SignedIn.here().orElseThrow();
        String was = before == null ? "" : words.apply(before);
        String is = after == null ? "" : words.apply(after);
        String setting = before == null ? "" : json.writeValueAsString(before);
        log.add(who, stamp -> new HouseDecided(stamp, topic, subject, was, is, setting));
    }

    /** Logs what was decided where it cannot be taken back with one press, because its own page changes it. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void decided(HouseDecided.Topic topic, String subject, String before, String after) {
        if (!before.equals(after)) {
            log.add(
                    SignedIn.here().orElseThrow(),
                    stamp -> new HouseDecided(stamp, topic, subject, before, after, null));
        }
    }

    /** A setting as it was kept; null where there was none. */
    public <T> @Nullable T read(String setting, Class<T> type) {
        return setting.isEmpty() ? null : json.readValue(setting, type);
    }

    /** The decisions about some topics that were not voided, the newest first. */
    @Transactional(readOnly = true)
    public List<Line> about(Set<HouseDecided.Topic> topics, int most) {
        ZoneId zone = houses.house().timeZone();
        Set<String> seen = new HashSet<>();
        List<Line> lines = new ArrayList<>();
        for (HouseDecided row : newestFirst()) {
            boolean newest = seen.add(row.topic() + " " + row.subject());
            if (topics.contains(row.topic()) && lines.size() < most) {
                lines.add(new Line(
                        row.stamp().sequence(),
                        row.topic(),
                        Figures.dayAndHour(row.stamp().happenedAt(), zone),
                        row.stamp().who(),
                        what(row),
                        newest && row.setting() != null && way(row).isPresent()));
            }
        }
        return lines;
    }

    private static String what(HouseDecided row) {
        return "%s%s: %s%s"
                .formatted(
                        row.topic().words(),
                        row.subject().isEmpty() ? "" : " (" + row.subject().replace('-', ' ') + ")",
                        row.after().isEmpty() ? "nothing any more" : row.after(),
                        row.before().isEmpty() ? "" : ". Before: " + row.before());
    }

    private List<HouseDecided> newestFirst() {
        return LogEntry.only(log.book().entries(), HouseDecided.class)
                .filter(row -> log.book().voiding(row.stamp().sequence()).isEmpty())
                .sorted(Comparator.comparingLong(
                                (HouseDecided row) -> row.stamp().sequence())
                        .reversed())
                .toList();
    }

    private Optional<BringsBack> way(HouseDecided row) {
        return ways.stream().filter(each -> each.topic() == row.topic()).findFirst();
    }

    /**
     * Takes the newest decision about something back.
     *
     * @param number its row
     * @throws Refusal {@code nothing-to-take-back} where a later one holds, or what was before is not known
     */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void takeBack(SignedIn who, long number) {
        HouseDecided row = newestFirst().stream()
                .filter(each -> each.stamp().sequence() == number)
                .findFirst()
                .orElseThrow(() -> Refusal.of(new FormObjection.NothingToTakeBack()));
        boolean holds = newestFirst().stream()
                .filter(each -> each.topic() == row.topic() && each.subject().equals(row.subject()))
                .findFirst()
                .filter(row::equals)
                .isPresent();
        String setting = row.setting();
        BringsBack way = way(row).orElse(null);
        if (!holds || setting == null || way == null) {
            throw Refusal.of(new FormObjection.NothingToTakeBack());
        }
        way.bringBack(who, row.subject(), setting);
    }
}
