package mezcla.log;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;
import static org.assertj.core.api.Assertions.tuple;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import mezcla.Leaflets;
import mezcla.TestLog;
import mezcla.batch.LogState;
import mezcla.leaflet.WasteRoute;
import mezcla.measure.Refusal;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What each kind of entry says about itself: which it is, what it touches, rests on and makes. */
public class EveryKindTest {
    private static final CurrencyUnit NZD = CurrencyUnit.of("NZD");
    private static final Stamp AT = new Stamp(9, TestLog.day(1), TestLog.day(1), "Ines", false);
    private static final Subject KIT = Subject.kit(1);
    private static final Subject BATCH = Subject.batch(2);
    private static final Subject FILL = Subject.fill(3);
    private static final Subject OTHER = Subject.fill(4);
    private static final Subject RUN = Subject.entry(5);
    private static final Set<Subject> NOTHING = Set.of();

    private static MixedFill fill(long id) {
        return new MixedFill(
                id,
                Leaflets.negative(),
                "dev",
                500,
                "500 ml",
                TestLog.bottle(id),
                List.of(new PartUse(1, "dev-a", 50, 0.25)),
                null);
    }

    private static KitArrived kit(String... only) {
        return new KitArrived(
                AT,
                1,
                Leaflets.negative(),
                Money.ofMinor(NZD, 4000),
                Money.ofMinor(NZD, 500),
                null,
                List.of(only),
                new Purchase(Money.ofMinor(NZD, 70), null, null));
    }

    private static RunBath bath(long fill, Integer seconds) {
        return new RunBath(fill, seconds, 3, 15, 40, 37.9);
    }

    private static RunStarted started() {
        return new RunStarted(
                AT,
                2,
                List.of(TestLog.roll(0), TestLog.roll(0), TestLog.roll(0)),
                List.of(bath(3, 200), bath(4, 300)),
                300);
    }

    private static RunLogged logged(Long start) {
        return new RunLogged(AT, 2, List.of(TestLog.roll(0)), List.of(bath(3, 200)), 300, List.of(), start);
    }

    private static final Money NOTHING_PAID = Money.parse("NZD 0.00");

    @DataProvider
    public Object[][] entries() {
        Set<Subject> both = Set.of(BATCH, FILL, OTHER);
        Set<Subject> kit = Set.of(KIT);
        Set<Subject> fill = Set.of(FILL);
        return new Object[][] {
            {kit(), EntryKind.KIT_ARRIVED, kit, NOTHING, kit},
            {new PartOpened(AT, 1, "dev-a"), EntryKind.PART_OPENED, kit, kit, NOTHING},
            {new PartDecanted(AT, 1, "dev-a", 3), EntryKind.PART_DECANTED, kit, kit, NOTHING},
            {new PartCorrected(AT, 1, "dev-a", 60, "spilt"), EntryKind.PART_CORRECTED, kit, kit, NOTHING},
            {
                new PartThrownAway(AT, 1, "dev-a", 60, WasteRoute.DEVELOPERS, "brown"),
                EntryKind.PART_THROWN_AWAY,
                kit,
                kit,
                NOTHING
            },
            {
                new PartMoved(AT, 1, "dev-a", 8, 60),
                EntryKind.PART_MOVED,
                Set.of(KIT, Subject.kit(8)),
                Set.of(KIT, Subject.kit(8)),
                NOTHING
            },
            {new KitFinished(AT, 1), EntryKind.KIT_FINISHED, Set.of(KIT), Set.of(KIT), NOTHING},
            {
                new KitPriced(AT, 1, NOTHING_PAID, NOTHING_PAID, NOTHING_PAID, null, "swapped"),
                EntryKind.KIT_PRICED,
                Set.of(KIT),
                Set.of(KIT),
                NOTHING
            },
            {
                new BatchMixed(AT, 2, "Test", List.of(fill(3), fill(4))),
                EntryKind.BATCH_MIXED,
                Set.of(KIT, BATCH, FILL, OTHER),
                kit,
                both
            },
            {new BathRenewed(AT, 2, fill(3)), EntryKind.BATH_RENEWED, Set.of(KIT, BATCH, FILL), Set.of(KIT, BATCH), fill
            },
            {logged(null), EntryKind.RUN_LOGGED, Set.of(BATCH, FILL), Set.of(BATCH, FILL), NOTHING},
            {logged(5L), EntryKind.RUN_LOGGED, Set.of(RUN, BATCH, FILL), Set.of(RUN, BATCH, FILL), NOTHING},
            {started(), EntryKind.RUN_STARTED, both, both, NOTHING},
            {new RunCalledOff(AT, 5, "no film"), EntryKind.RUN_CALLED_OFF, Set.of(RUN), Set.of(RUN), NOTHING},
            {new FillSpilled(AT, 3, 50), EntryKind.FILL_SPILLED, fill, fill, NOTHING},
            {
                new FillToppedUp(AT, 3, 50, List.of(new PartUse(1, "dev-a", 5, 0.02))),
                EntryKind.FILL_TOPPED_UP,
                Set.of(KIT, FILL),
                Set.of(KIT, FILL),
                NOTHING
            },
            {new FillShared(AT, 2, 3), EntryKind.FILL_SHARED, Set.of(BATCH, FILL), Set.of(BATCH, FILL), NOTHING},
            {new FillMoved(AT, 3, TestLog.bottle(8), null, AirKept.NOTHING), EntryKind.FILL_MOVED, fill, fill, NOTHING},
            {
                new LimitOverridden(AT, 3, List.of("past-life"), "a test roll"),
                EntryKind.LIMIT_OVERRIDDEN,
                fill,
                fill,
                NOTHING
            },
            {new FillMeasured(AT, 3, 400), EntryKind.FILL_MEASURED, fill, fill, NOTHING},
            {new FillBarred(AT, 3, "a smell"), EntryKind.FILL_BARRED, fill, fill, NOTHING},
            {new BarLifted(AT, 3, "it was the bin"), EntryKind.BAR_LIFTED, fill, fill, NOTHING},
            {new FillInspected(AT, 3, Finding.GOOD, true), EntryKind.FILL_INSPECTED, fill, fill, NOTHING},
            {new BathLooked(AT, 3, Sign.DARK, null), EntryKind.BATH_LOOKED, fill, fill, NOTHING},
            {new FillSeen(AT, 3), EntryKind.FILL_SEEN, fill, fill, NOTHING},
            {
                new LeafletRevised(
                        AT, Leaflets.negative(), LeafletRevised.Why.MISTYPED, List.of(1L), List.of(3L, 4L), "misread"),
                EntryKind.LEAFLET_REVISED,
                Set.of(KIT, FILL, OTHER),
                NOTHING,
                NOTHING
            },
            {
                new LeafletCorrected(AT, List.of(3L, 4L), Leaflets.negative(), "misprint"),
                EntryKind.LEAFLET_CORRECTED,
                Set.of(FILL, OTHER),
                Set.of(FILL, OTHER),
                NOTHING
            },
            {new NoteLeft(AT, 2, "rinse longer"), EntryKind.NOTE_LEFT, Set.of(BATCH), Set.of(BATCH), NOTHING},
            {
                new FilmInspected(AT, 2, 5, 1, List.of(3L), Finding.THIN, Set.of(), null),
                EntryKind.FILM_INSPECTED,
                Set.of(BATCH, FILL, RUN),
                Set.of(BATCH, FILL, RUN),
                NOTHING
            },
            {
                new FillsDiscarded(
                        AT,
                        2,
                        List.of(
                                new DiscardedFill(3, 400, WasteRoute.DEVELOPERS, 7L),
                                new DiscardedFill(4, 400, WasteRoute.OTHERS)),
                        "old"),
                EntryKind.FILLS_DISCARDED,
                Set.of(BATCH, FILL, OTHER, Subject.drum(7)),
                both,
                NOTHING
            },
            {
                new DrumCollected(AT, 7, "Developers", 18_000),
                EntryKind.DRUM_COLLECTED,
                Set.of(Subject.drum(7)),
                NOTHING,
                NOTHING
            },
            {
                new RunLogged(
                        AT, 2, List.of(TestLog.roll(0).queuedAs(7L)), List.of(bath(3, 200)), 300, List.of(), null),
                EntryKind.RUN_LOGGED,
                Set.of(BATCH, FILL, Subject.film(7)),
                Set.of(BATCH, FILL, Subject.film(7)),
                NOTHING
            },
            {new ChargingChosen(AT, "colour-negative", null), EntryKind.CHARGING_CHOSEN, NOTHING, NOTHING, NOTHING},
            {
                new HouseDecided(AT, HouseDecided.Topic.WAY, "colour-negative", "", "straight on", ""),
                EntryKind.HOUSE_DECIDED,
                NOTHING,
                NOTHING,
                NOTHING
            },
            {new ClockCorrected(AT, 3, 7, 34_560_000), EntryKind.CLOCK_CORRECTED, NOTHING, NOTHING, NOTHING},
            {
                new LaboratoryPriced(AT, "colour-negative", NOTHING_PAID),
                EntryKind.LABORATORY_PRICED,
                NOTHING,
                NOTHING,
                NOTHING
            },
            {new EquipmentBought(AT, "a tank", NOTHING_PAID), EntryKind.EQUIPMENT_BOUGHT, NOTHING, NOTHING, NOTHING},
            {new PaymentRecorded(AT, "Ines", NOTHING_PAID, null), EntryKind.PAYMENT_RECORDED, NOTHING, NOTHING, NOTHING
            },
            {
                new AccountCorrected(AT, "Ines", NOTHING_PAID, true, "moved away"),
                EntryKind.ACCOUNT_CORRECTED,
                NOTHING,
                NOTHING,
                NOTHING
            },
            {
                new FilmDropped(AT, 7, TestLog.roll(0), "colour-negative", "Ines", null, true),
                EntryKind.FILM_DROPPED,
                Set.of(Subject.film(7)),
                NOTHING,
                Set.of(Subject.film(7))
            },
            {
                new FilmHandled(AT, List.of(7L, 8L), FilmStage.COLLECTED),
                EntryKind.FILM_HANDLED,
                Set.of(Subject.film(7), Subject.film(8)),
                Set.of(Subject.film(7), Subject.film(8)),
                NOTHING
            },
            {new EntryVoided(AT, 5, "twice"), EntryKind.ENTRY_VOIDED, Set.of(RUN), NOTHING, NOTHING},
        };
    }

    @Test(dataProvider = "entries")
    public void anEntrySaysWhatItIsAbout(
            LogEntry entry, EntryKind kind, Set<Subject> touches, Set<Subject> restsOn, Set<Subject> makes) {
        assertThat(entry.kind()).isEqualTo(kind);
        assertThat(kind.type()).isEqualTo(entry.getClass());
        assertThat(EntryKind.of(kind.key())).contains(kind);
        assertThat(entry.touches()).isEqualTo(touches);
        assertThat(entry.restsOn()).isEqualTo(restsOn);
        assertThat(entry.makes()).isEqualTo(makes);
        assertThat(entry.batchNamed()).isEqualTo(touches.contains(BATCH) ? Optional.of(2L) : Optional.empty());
        assertThat(entry.fillsConcerned())
                .isEqualTo(Set.copyOf(Stream.of(FILL, OTHER)
                        .filter(touches::contains)
                        .map(Subject::id)
                        .toList()));
        assertThat(entry.fillsMade())
                .extracting(made -> Subject.fill(made.fillId()))
                .containsExactlyInAnyOrderElementsOf(makes.stream()
                        .filter(each -> each.kind() == Subject.Kind.FILL)
                        .toList());
    }

    /** Rows that need nothing before them change nothing on the shelf and are never left out; the others are, and are named. */
    @Test(dataProvider = "entries")
    public void everyKindIsFolded(
            LogEntry entry, EntryKind kind, Set<Subject> touches, Set<Subject> restsOn, Set<Subject> makes) {
        boolean stands = restsOn.isEmpty()
                || Set.of(
                                EntryKind.BATCH_MIXED,
                                EntryKind.RUN_CALLED_OFF,
                                EntryKind.LEAFLET_CORRECTED,
                                EntryKind.FILM_HANDLED)
                        .contains(kind);
        assertThat(LogState.fold(List.of(entry)).anomalies()).hasSize(stands ? 0 : 1);
    }

    @Test
    public void whatHoldsMoneySaysSo() {
        Money price = Money.parse("NZD 3.50");
        assertThat(logged(null).holdsAmount()).isFalse();
        assertThat(new RunLogged(
                                AT,
                                2,
                                List.of(TestLog.roll(0)),
                                List.of(),
                                300,
                                List.of(),
                                null,
                                null,
                                List.of(),
                                null,
                                false,
                                List.of(new Charge("Ines", price, true)))
                        .holdsAmount())
                .isTrue();
        assertThat(new BatchMixed(AT, 2, "Test", List.of(fill(3))).holdsAmount())
                .isFalse();
        assertThat(kit().holdsAmount()).isTrue();
        assertThat(new NoteLeft(AT, 2, "rinse longer").holdsAmount()).isFalse();
        assertThat(new PaymentRecorded(AT, "Ines", price, null).accountConcerned())
                .contains("Ines");
        assertThat(new AccountCorrected(AT, "Devi", price, true, "moved away").accountConcerned())
                .contains("Devi");
    }

    @Test
    public void noKindIsMissingHere() {
        assertThat(Arrays.stream(entries()).map(row -> row[1]).distinct())
                .containsExactlyInAnyOrder((Object[]) EntryKind.values());
        assertThat(EntryKind.of("kit-sold")).isEmpty();
    }

    @Test
    public void aRunThatIsToldOfBeginsAtFiveSecondsOff() {
        assertThat(bath(3, 200).isOtherThan(200)).isFalse();
        assertThat(bath(3, 200).isOtherThan(204)).isFalse();
        assertThat(bath(3, 200).isOtherThan(205)).isTrue();
        assertThat(bath(3, 200).isOtherThan(195)).isTrue();
        assertThat(bath(3, 200).isOtherThan(null)).isFalse();
        assertThat(bath(3, null).isOtherThan(200)).isFalse();
        assertThat(bath(3, 200).really(210, 38.2)).isEqualTo(new RunBath(3, 210, 3, 15, 40, 38.2));
    }

    @Test
    public void lessFilmWearsLess() {
        RunStarted started = started();
        assertThat(started.equivalents()).isEqualTo(3);
        assertThat(started.bathsFor(started.rolls())).isEqualTo(started.baths());
        assertThat(started.bathsFor(started.rolls().subList(0, 1)))
                .extracting(RunBath::fillId, RunBath::seconds, RunBath::pouredAwayMl, RunBath::celsius)
                .containsExactly(tuple(3L, 200, 40.0, 37.9), tuple(4L, 300, 40.0, 37.9));
        RunBath first = started.bathsFor(started.rolls().subList(0, 1)).get(0);
        assertThat(first.wearEquivalents()).isCloseTo(1, within(1e-9));
        assertThat(first.carryOverMl()).isCloseTo(5, within(1e-9));
    }

    @Test
    public void someOfTheBottlesOfAKitShareItsWholeValue() {
        assertThat(kit().landed()).isEqualTo(Money.ofMinor(NZD, 4570));
        assertThat(kit().parts()).hasSize(4);
        KitArrived two = kit("dev-a", "bx-b");
        assertThat(two.parts()).extracting(part -> part.key()).containsExactly("dev-a", "bx-b");
        double whole = kit().valueShare("dev-a") + kit().valueShare("bx-b");
        assertThat(two.valueShare("dev-a")).isCloseTo(kit().valueShare("dev-a") / whole, within(1e-9));
        assertThat(two.valueShare("dev-a") + two.valueShare("bx-b")).isCloseTo(1, within(1e-9));
        assertThat(kit().valueShare("dev-a")).isCloseTo(Leaflets.negative().valueShare("dev-a"), within(1e-9));
    }

    @Test
    public void onlyWhatGivesWayIsSqueezed() {
        Bottle glass = new Bottle(1, "G1", 1000, Bottle.Material.GLASS);
        Bottle plastic = new Bottle(2, "P1", 1000, Bottle.Material.PLASTIC);
        for (AirKept air : AirKept.values()) {
            assertThat(plastic.allows(air)).isTrue();
            assertThat(glass.allows(air)).isEqualTo(air != AirKept.SQUEEZED);
            plastic.refuseAirKept(air);
        }
        glass.refuseAirKept(AirKept.INERT_GAS);
        assertThat(catchThrowableOfType(Refusal.class, () -> glass.refuseAirKept(AirKept.SQUEEZED))
                        .objection())
                .isEqualTo(new LogObjection.GlassNotSqueezed("G1"));
    }
}
