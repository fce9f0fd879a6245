package mezcla.web.log;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.WasteRoute;
import mezcla.log.Accident;
import mezcla.log.AccountCorrected;
import mezcla.log.AirKept;
import mezcla.log.BarLifted;
import mezcla.log.BatchMixed;
import mezcla.log.BathLooked;
import mezcla.log.BathRenewed;
import mezcla.log.Before;
import mezcla.log.Charge;
import mezcla.log.ChargingChosen;
import mezcla.log.ClockCorrected;
import mezcla.log.DiscardedFill;
import mezcla.log.DrumCollected;
import mezcla.log.EntryKind;
import mezcla.log.EntryVoided;
import mezcla.log.EquipmentBought;
import mezcla.log.FillBarred;
import mezcla.log.FillInspected;
import mezcla.log.FillMeasured;
import mezcla.log.FillMoved;
import mezcla.log.FillSeen;
import mezcla.log.FillShared;
import mezcla.log.FillSpilled;
import mezcla.log.FillToppedUp;
import mezcla.log.FillsDiscarded;
import mezcla.log.FilmDropped;
import mezcla.log.FilmHandled;
import mezcla.log.FilmInspected;
import mezcla.log.FilmStage;
import mezcla.log.Finding;
import mezcla.log.HouseDecided;
import mezcla.log.KitArrived;
import mezcla.log.KitFinished;
import mezcla.log.KitPriced;
import mezcla.log.LaboratoryPriced;
import mezcla.log.LeafletCorrected;
import mezcla.log.LeafletRevised;
import mezcla.log.LimitOverridden;
import mezcla.log.LogEntry;
import mezcla.log.MixedFill;
import mezcla.log.NoteLeft;
import mezcla.log.PartCorrected;
import mezcla.log.PartDecanted;
import mezcla.log.PartMoved;
import mezcla.log.PartOpened;
import mezcla.log.PartThrownAway;
import mezcla.log.PartUse;
import mezcla.log.PaymentRecorded;
import mezcla.log.Place;
import mezcla.log.Purchase;
import mezcla.log.Roll;
import mezcla.log.RunAccident;
import mezcla.log.RunBath;
import mezcla.log.RunCalledOff;
import mezcla.log.RunLogged;
import mezcla.log.RunStarted;
import mezcla.log.Sign;
import mezcla.log.Stamp;
import mezcla.log.Suspect;
import mezcla.measure.FilmFormat;
import mezcla.web.Sample;
import org.joda.money.Money;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Rows are written and read under names that never change; docs/formats has a row of every kind. */
public class LogCodecTest {
    private static final Path EXAMPLES = Path.of("..", "docs", "formats", "mezcla-log-1.example.jsonl");
    private static final Stamp STAMP = new Stamp(
            7, Instant.parse("2026-01-05T18:00:00.250Z"), Instant.parse("2026-01-05T18:01:00Z"), "Ines", true);
    private static final Leaflet LEAFLET = Sample.leaflet();
    private static final Map<LogCodec.LeafletName, Leaflet> KNOWN = Map.of(LogCodec.LeafletName.of(LEAFLET), LEAFLET);
    private static final List<Roll> FILM = List.of(
            new Roll("Ines", FilmFormat.F120, 1, 0, false),
            new Roll(
                    "Bram",
                    FilmFormat.SHEET_4X5,
                    0.25,
                    -0.5,
                    true,
                    new Roll.Film("Harbour", 20, 10, "cine-negative", true),
                    7L));
    private static final List<RunBath> BATHS =
            List.of(new RunBath(4, 215, 1.25, 6.25, 0, 38.5), new RunBath(5, null, 1.25, 0, 300, null));

    private static MixedFill fill(long id, Before before) {
        return new MixedFill(
                id,
                LEAFLET,
                LEAFLET.baths().get(0).key(),
                500,
                "500 ml",
                Sample.BOTTLE,
                before == null ? List.of(new PartUse(1, "dev-a", 12.5, 0.125)) : List.of(),
                before);
    }

    private static List<LogEntry> rows() {
        return List.of(
                new KitArrived(
                        STAMP,
                        1,
                        LEAFLET,
                        Money.parse("NZD 38.50"),
                        Money.parse("NZD 4.20"),
                        "lot 7",
                        List.of("dev-a"),
                        new Purchase(Money.parse("NZD 0.75"), "ask twice", "Bram")),
                new PartOpened(STAMP, 1, "dev-a"),
                new PartDecanted(STAMP, 1, "dev-a", 4),
                new PartCorrected(STAMP, 1, "dev-a", 41.5, "looked"),
                new PartThrownAway(STAMP, 1, "dev-a", 1.5, WasteRoute.SILVER_BEARING, "brown"),
                new PartMoved(STAMP, 1, "dev-a", 2, 40),
                new KitFinished(STAMP, 1),
                new KitPriced(
                        STAMP,
                        1,
                        Money.parse("NZD 41.00"),
                        Money.parse("NZD 4.20"),
                        Money.parse("NZD 0.00"),
                        "Ines",
                        "two figures were swapped"),
                new BatchMixed(
                        STAMP,
                        14,
                        "November",
                        List.of(
                                fill(4, null),
                                fill(
                                        5,
                                        new Before(
                                                Instant.parse("2026-01-01T11:00:00Z"),
                                                3.5,
                                                Money.parse("NZD 12.00"))))),
                new BathRenewed(STAMP, 14, fill(6, null)),
                new RunLogged(
                        STAMP,
                        14,
                        FILM,
                        BATHS,
                        300,
                        List.of("over-rolls"),
                        6L,
                        "power gone",
                        List.of(
                                new RunAccident(Accident.FORGOT_TO_MOVE, 4L, null, 45.5),
                                new RunAccident(Accident.WRONG_BOTTLE, 4L, 5L, 0)),
                        "line 2",
                        true,
                        List.of(
                                new Charge("Ines", Money.parse("NZD 4.60"), true),
                                new Charge("Bram", Money.parse("NZD 1.15"), false))),
                new RunStarted(STAMP, 14, FILM, BATHS, 300),
                new RunCalledOff(STAMP, 6, "wrong tank"),
                new FillSpilled(STAMP, 4, 12.5),
                new FillToppedUp(STAMP, 4, 20, List.of(new PartUse(1, "dev-a", 1.5, 0.01))),
                new FillShared(STAMP, 7, 4),
                new FillMoved(STAMP, 4, Sample.BOTTLE, new Place(1, "Cold shelf"), AirKept.INERT_GAS),
                new LimitOverridden(STAMP, 4, List.of("over-age", "over-rolls"), "strips"),
                new FillMeasured(STAMP, 4, 333),
                new FillBarred(STAMP, 4, "smells"),
                new BarLifted(STAMP, 4, "fine"),
                new FillInspected(
                        STAMP,
                        4,
                        Finding.DENSE,
                        true,
                        new FillInspected.Clip("film leader", "in daylight, 10 s", "1.2")),
                new BathLooked(STAMP, 4, Sign.CRYSTALS, "on the neck"),
                new FillSeen(STAMP, 4),
                new LeafletCorrected(STAMP, List.of(4L, 5L), LEAFLET, "misread"),
                new LeafletRevised(STAMP, LEAFLET, LeafletRevised.Why.MISTYPED, List.of(2L), List.of(4L), "misread"),
                new NoteLeft(STAMP, 14, "rinse in between"),
                new FilmInspected(
                        STAMP, 14, 6, 1, List.of(4L, 5L), Finding.HEAVY_CAST, Set.of(Suspect.CHEMISTRY), "green"),
                new FillsDiscarded(
                        STAMP,
                        14,
                        List.of(
                                new DiscardedFill(4, 480, WasteRoute.DEVELOPERS, 2L),
                                new DiscardedFill(5, 500, WasteRoute.OTHERS)),
                        "over"),
                new DrumCollected(STAMP, 2, "Developer drum", 8000, "the depot", "W 118"),
                new ChargingChosen(STAMP, "colour-slide", Money.parse("NZD 6.50")),
                new LaboratoryPriced(STAMP, "colour-slide", Money.parse("NZD 14.00")),
                new EquipmentBought(STAMP, "a second bath", Money.parse("NZD 120.00")),
                new PaymentRecorded(STAMP, "Ines", Money.parse("NZD -12.40"), "from the box"),
                new AccountCorrected(STAMP, "Ines", Money.parse("NZD 3.20"), true, "moved away"),
                new FilmDropped(
                        STAMP, 7, FILM.get(1).queuedAs(null), "cine-negative", "Ines", LocalDate.of(2026, 1, 9), true),
                new FilmHandled(STAMP, List.of(7L, 8L), FilmStage.WITHDRAWN),
                new HouseDecided(
                        STAMP,
                        HouseDecided.Topic.HABITS,
                        "",
                        "bottle codes are asked for",
                        "bottle codes are not asked for",
                        "{\"scansBottles\":true,\"advisesDrift\":false}"),
                new ClockCorrected(STAMP, 3, 6, 34_560_000),
                new EntryVoided(STAMP, 6, "mistake"));
    }

    @DataProvider
    public Object[][] everyRow() {
        return rows().stream().map(row -> new Object[] {row.kind().key(), row}).toArray(Object[][]::new);
    }

    @Test
    public void everyKindHasAnExampleAndEveryRecordAKind() {
        assertThat(rows().stream().map(LogEntry::kind)).containsExactly(EntryKind.values());
        assertThat(permitted(LogEntry.class))
                .containsExactlyInAnyOrderElementsOf(
                        Arrays.stream(EntryKind.values()).map(EntryKind::type).toList());
        assertThat(EnumSet.allOf(EntryKind.class))
                .extracting(EntryKind::key)
                .doesNotHaveDuplicates()
                .allMatch(key -> key.matches("[a-z]+(-[a-z]+)*"));
    }

    private static List<Class<?>> permitted(Class<?> family) {
        List<Class<?>> records = new ArrayList<>();
        for (Class<?> each : family.getPermittedSubclasses()) {
            if (each.isSealed()) {
                records.addAll(permitted(each));
            } else {
                records.add(each);
            }
        }
        return records;
    }

    @Test(dataProvider = "everyRow")
    public void aRowIsReadAsItWasWritten(String kind, LogEntry row) {
        assertThat(LogCodec.read(kind, STAMP, LogCodec.write(row), KNOWN)).isEqualTo(row);
    }

    @Test
    public void rowsHaveTheNamesOfTheFormat() throws IOException {
        List<String> lines =
                rows().stream().map(row -> LogCodec.line(row, row.stamp())).toList();
        assertThat(lines).containsExactlyElementsOf(Files.readAllLines(EXAMPLES));
    }

    @Test
    public void theFormatTellsOfEveryKind() throws IOException {
        assertThat(Files.readAllLines(EXAMPLES.resolveSibling("mezcla-log-1.md")).stream()
                        .filter(line -> line.matches("\\| `[a-z]+(-[a-z]+)+` \\|.*"))
                        .map(line -> line.replaceAll("^\\| `([a-z-]+)`.*", "$1")))
                .containsExactlyInAnyOrderElementsOf(
                        Arrays.stream(EntryKind.values()).map(EntryKind::key).toList());
    }

    @Test
    public void whatIsNotKnownIsLeftOutAndReadAsNothing() {
        FilmInspected look = new FilmInspected(STAMP, 14, 6, 0, List.of(4L), Finding.GOOD, Set.of(), null);
        String body = LogCodec.write(look);
        assertThat(body).doesNotContain("note", "stamp", "mezcla");
        assertThat(LogCodec.read("film-inspected", STAMP, body, KNOWN)).isEqualTo(look);
    }

    @Test
    public void whatIsNoRowIsRefused() {
        assertThatThrownBy(() -> LogCodec.read("film-eaten", STAMP, "{}", KNOWN))
                .hasMessageContaining("film-eaten");
        assertThatThrownBy(() -> LogCodec.read("fill-seen", STAMP, "{}", KNOWN)).hasMessageContaining("fillId");
        assertThatThrownBy(() -> LogCodec.read("fill-seen", STAMP, "{\"fillId\":1,\"more\":2}", KNOWN))
                .hasMessageContaining("more");
        String kit = LogCodec.write(rows().get(0));
        assertThatThrownBy(() -> LogCodec.read("kit-arrived", STAMP, kit, Map.of()))
                .hasMessageContaining("No version 1 of leaflet kiln-lane-negative-powder");
    }
}
