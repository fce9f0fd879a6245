package mezcla.web.archive;

import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import mezcla.batch.BatchState;
import mezcla.batch.LogState;
import mezcla.log.Roll;
import mezcla.log.RunLogged;
import mezcla.web.words.Spreadsheet;

/** Every roll that was run, a line each, for a spreadsheet. */
final class RunsTable {
    static final List<String> COLUMNS = List.of(
            "entry",
            "date",
            "time",
            "batch",
            "process",
            "member",
            "owner",
            "film",
            "format",
            "equivalents",
            "stops",
            "charge",
            "account",
            "given up");

    private RunsTable() {}

    static String of(LogState state, ZoneId zone) {
        record Run(BatchState batch, RunLogged row) {}
        List<List<Object>> lines = new ArrayList<>();
        state.batches().values().stream()
                .flatMap(batch -> batch.runs().stream().map(run -> new Run(batch, run)))
                .sorted(Comparator.comparing((Run run) -> run.row().stamp().happenedAt())
                        .thenComparing(run -> run.row().stamp().sequence()))
                .forEach(run -> {
                    for (int i = 0; i < run.row().rolls().size(); i++) {
                        lines.add(line(run.batch(), run.row(), i, zone));
                    }
                });
        return Spreadsheet.of(COLUMNS, lines);
    }

    private static List<Object> line(BatchState batch, RunLogged run, int i, ZoneId zone) {
        Roll roll = run.rolls().get(i);
        ZonedDateTime when = run.stamp().happenedAt().atZone(zone);
        boolean charged = i < run.charges().size();
        Roll.Film film = roll.film();
        return List.of(
                run.stamp().sequence(),
                when.toLocalDate().toString(),
                when.toLocalTime().withSecond(0).withNano(0).toString(),
                batch.id(),
                batch.process().name(),
                run.stamp().who(),
                roll.owner(),
                film == null || film.name() == null ? "" : film.name(),
                roll.format().label(),
                roll.equivalents(),
                roll.stops(),
                charged ? run.charges().get(i).amount().getAmount().toPlainString() : "",
                charged ? run.charges().get(i).account() : "",
                run.abandoned() == null ? "" : run.abandoned());
    }
}
