package mezcla.due;

import static org.assertj.core.api.Assertions.assertThat;

import java.lang.reflect.Proxy;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Stream;
import mezcla.Leaflets;
import mezcla.TestLog;
import mezcla.batch.Drum;
import mezcla.batch.DrumLevel;
import mezcla.batch.Supply;
import mezcla.leaflet.WasteRoute;
import mezcla.log.FillSeen;
import mezcla.log.FilmDropped;
import mezcla.log.FilmHandled;
import mezcla.log.FilmInspected;
import mezcla.log.FilmStage;
import mezcla.log.Finding;
import mezcla.log.PartOpened;
import mezcla.log.Roll;
import mezcla.log.RunLogged;
import mezcla.measure.FilmFormat;
import mezcla.planning.QueuedFilm;
import mezcla.verdict.DayToKnow;
import mezcla.verdict.Judging;
import mezcla.verdict.RunPlan;
import mezcla.verdict.RunQuestion;
import mezcla.verdict.RunRemark;
import mezcla.verdict.School;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** What needs doing appears with its day, and is gone once it is done. */
public class NeedsDoingTest {
    private TestLog log;
    private final List<DrumLevel> drums = new ArrayList<>();
    private final List<Due.FinishMix> mixes = new ArrayList<>();
    private double rollsAWeek;

    @BeforeMethod
    public void aHouse() {
        log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 4000);
        log.mix(0, 1, 1, 1000);
        drums.clear();
        mixes.clear();
        rollsAWeek = 2;
    }

    private RunPlan next(double day) {
        return RunPlan.of(
                log.state().batch(1),
                new RunQuestion(
                        List.of(TestLog.roll(0)),
                        300,
                        300,
                        Judging.by(School.LEAFLET),
                        TestLog.day(day),
                        ZoneOffset.UTC));
    }

    private static LocalDate date(double day) {
        return LocalDate.ofInstant(TestLog.day(day), ZoneOffset.UTC);
    }

    private List<Due> dues(double day) {
        Instant now = TestLog.day(day);
        return NeedsDoing.of(new NeedsDoing.Known(
                List.of(next(day)),
                log.state().kits().values(),
                Supply.of(log.book(), now),
                3,
                drums,
                QueuedFilm.of(log.entries()),
                Duration.ofHours(2),
                process -> rollsAWeek,
                mixes,
                now,
                ZoneOffset.UTC));
    }

    private <D extends Due> List<D> dues(double day, Class<D> kind) {
        return dues(day).stream().filter(kind::isInstance).map(kind::cast).toList();
    }

    private LocalDate first(DayToKnow.Kind kind) {
        return DayToKnow.of(next(0)).stream()
                .filter(day -> day.kind() == kind)
                .map(DayToKnow::day)
                .min(LocalDate::compareTo)
                .orElseThrow();
    }

    private static double dayOf(LocalDate date) {
        return date.toEpochDay() - date(0).toEpochDay();
    }

    @Test
    public void aBatchIsTestedFromItsFirstDayAndEndsOnItsLast() {
        LocalDate test = first(DayToKnow.Kind.TEST_FROM);
        LocalDate last = first(DayToKnow.Kind.LAST);
        assertThat(dues(dayOf(test) - NeedsDoing.DAYS, Due.TestFirst.class))
                .as("too far ahead")
                .isEmpty();
        assertThat(dues(dayOf(test) - NeedsDoing.DAYS + 1, Due.TestFirst.class))
                .extracting(Due::day)
                .containsExactly(test);
        assertThat(dues(dayOf(test) + 1, Due.TestFirst.class))
                .as("from then on it is today's")
                .extracting(Due::day)
                .containsExactly(test.plusDays(1));
        assertThat(dues(dayOf(last) - 3, Due.BatchEnds.class)).singleElement().satisfies(due -> {
            assertThat(due.day()).isEqualTo(last);
            assertThat(due.fills()).isNotEmpty();
        });
        assertThat(dues(dayOf(last) - 3, Due.Discard.class)).isEmpty();
        assertThat(dues(dayOf(last) + 2, Due.Discard.class))
                .extracting(Due::day)
                .containsExactly(last.plusDays(2));
        assertThat(dues(dayOf(last) + 2, Due.BatchEnds.class)).isEmpty();
        assertThat(dues(dayOf(last) + 2, Due.TestFirst.class)).isEmpty();
    }

    @Test
    public void theLastRollsAreDatedByHowFastTheyGo() {
        assertThat(dues(1, Due.LastRolls.class)).isEmpty();
        double left = next(1).verdict().rollsLeft();
        log.run(1, 1, (int) Math.ceil(left - 1.5), 1L, 2L);
        log.add(1.5, stamp -> new FilmDropped(stamp, 7, TestLog.roll(0), "colour-negative", "Ines", null, true));
        log.add(1.5, stamp -> new FilmDropped(stamp, 8, TestLog.roll(0), "colour-slide", "Ines", null, true));
        double rolls = next(2).verdict().rollsLeft();
        assertThat(rolls).isBetween(0.5, 2.0);
        assertThat(dues(2, Due.LastRolls.class)).singleElement().satisfies(due -> {
            assertThat(due.rolls()).isEqualTo(rolls);
            assertThat(due.waiting()).as("of its process").isEqualTo(1);
            assertThat(due.day()).isEqualTo(date(2).plusDays((long) (rolls / 2 * 7)));
        });
        rollsAWeek = 0;
        assertThat(dues(2, Due.LastRolls.class)).extracting(Due::day).containsExactly(date(2));
    }

    @Test
    public void bottlesThatNobodyHadInHandAreCheckedAndDrumsCollected() {
        assertThat(dues(20, Due.CheckShelf.class)).isEmpty();
        assertThat(dues(40, Due.CheckShelf.class))
                .extracting(Due.CheckShelf::bottles)
                .containsExactly(2);
        log.add(39, stamp -> new FillSeen(stamp, 1));
        assertThat(dues(40, Due.CheckShelf.class))
                .extracting(Due.CheckShelf::bottles)
                .containsExactly(1);
        Drum drum = new Drum(1, "Blue drum", WasteRoute.SILVER_BEARING, 2000);
        drums.add(new DrumLevel(drum, 1599));
        assertThat(dues(1, Due.CollectDrum.class)).isEmpty();
        drums.set(0, new DrumLevel(drum, 1600));
        assertThat(dues(1, Due.CollectDrum.class)).extracting(Due::day).containsExactly(date(1));
    }

    @Test
    public void whatIsUsedIsOrderedInTimeAndWhatIsOpenHasADay() {
        log.kit(0.5, 3, Leaflets.negative(), 4000);
        double lasts = Supply.of(log.book(), TestLog.day(1)).get(0).lastsWeeks();
        assertThat(lasts).as("eight weeks like the last: a litre").isGreaterThan(3 + NeedsDoing.DAYS / 7.0);
        assertThat(dues(1, Due.Order.class)).as("more than twelve days ahead").isEmpty();
        log.mix(0.6, 5, 3, 400);
        double left = Supply.of(log.book(), TestLog.day(1)).get(0).lastsWeeks();
        assertThat(left).isBetween(3.1, 4.5);
        assertThat(dues(1, Due.Order.class)).extracting(Due::day).containsExactly(date(1).plusDays((long)
                ((left - 3) * 7)));
        log.mix(0.7, 6, 3, 400);
        assertThat(dues(1, Due.Order.class)).as("late").extracting(Due::day).containsExactly(date(1));
        assertThat(dues(100, Due.Order.class))
                .as("nothing was mixed for eight weeks")
                .isEmpty();
        log.kit(1, 2, Leaflets.negative(), 4000);
        log.add(2, stamp -> new PartOpened(stamp, 2, "dev-a"));
        assertThat(dues(3, Due.PartEnds.class)).as("far away").isEmpty();
        double life = log.state().kit(2).parts().stream()
                .filter(part -> part.part().key().equals("dev-a"))
                .findFirst()
                .orElseThrow()
                .keepsOpenDays();
        assertThat(dues(2 + life - 1, Due.PartEnds.class))
                .filteredOn(due -> due.kit().id() == 2)
                .singleElement()
                .satisfies(due -> {
                    assertThat(due.past()).isFalse();
                    assertThat(due.day()).isEqualTo(date(2 + life));
                });
        assertThat(dues(2 + life + 1, Due.PartEnds.class))
                .filteredOn(due -> due.kit().id() == 2)
                .singleElement()
                .satisfies(due -> {
                    assertThat(due.past()).isTrue();
                    assertThat(due.day()).isEqualTo(date(2 + life + 1));
                });
    }

    @Test
    public void whatWasLeftStandingIsFinished() {
        mixes.add(new Due.FinishMix(date(1), 5, "Ines", TestLog.day(1), 9));
        assertThat(dues(1.125, Due.FinishMix.class)).as("three hours").isEmpty();
        assertThat(dues(1.13, Due.FinishMix.class)).extracting(Due::whose).containsExactly(Set.of("Ines"));
        log.start(2, 1, 1, 300, 1L, 2L);
        assertThat(dues(2.1, Due.EndRun.class)).isEmpty();
        assertThat(dues(2.2, Due.EndRun.class)).hasSize(1);
    }

    @Test
    public void filmIsLookedAtPickedUpAndRunByItsDay() {
        LocalDate by = date(5);
        log.add(1, stamp -> new FilmDropped(stamp, 7, TestLog.roll(0), "colour-negative", "Devi", by, true));
        assertThat(dues(1, Due.FilmWanted.class)).extracting(Due::day).containsExactly(by);
        assertThat(dues(9, Due.FilmWanted.class))
                .as("late")
                .extracting(Due::day)
                .containsExactly(date(9));
        Roll roll = TestLog.roll(0).queuedAs(7L);
        RunLogged run = log.add(2, stamp -> new RunLogged(stamp, 1, List.of(roll), List.of(), 300, List.of(), null));
        assertThat(dues(2.05))
                .as("it hangs, wet")
                .noneMatch(due -> due instanceof Due.PickUp || due instanceof Due.LookAtFilm);
        assertThat(dues(2.1, Due.FilmWanted.class)).isEmpty();
        assertThat(dues(2.1, Due.PickUp.class)).singleElement().satisfies(due -> {
            assertThat(due.film()).extracting(QueuedFilm::id).containsExactly(7L);
            assertThat(due.whose()).contains("Devi");
        });
        assertThat(dues(2.1, Due.LookAtFilm.class)).singleElement().satisfies(due -> {
            assertThat(due.runs()).containsExactly(run);
            assertThat(due.whose()).containsExactly(roll.owner());
        });
        log.add(
                3,
                stamp -> new FilmInspected(
                        stamp, 1, run.stamp().sequence(), 1, List.of(1L), Finding.GOOD, Set.of(), null));
        log.add(3, stamp -> new FilmHandled(stamp, List.of(7L), FilmStage.COLLECTED));
        assertThat(dues(4)).noneMatch(due -> due instanceof Due.PickUp || due instanceof Due.LookAtFilm);
    }

    @Test
    public void theyComeInTheOrderOfTheirDays() {
        List<Due> all = dues(dayOf(first(DayToKnow.Kind.TEST_FROM)) - 2);
        assertThat(all).hasSizeGreaterThan(1);
        assertThat(all).extracting(Due::day).isSorted();
    }

    @Test
    @SuppressWarnings("unchecked")
    public void eachKindTellsItselfAndSomeAreForStewardsAlone() {
        Due.Told<String> told = (Due.Told<String>) Proxy.newProxyInstance(
                Due.Told.class.getClassLoader(),
                new Class<?>[] {Due.Told.class},
                (self, method, with) -> method.getName());
        LocalDate day = date(1);
        RunPlan plan = next(1);
        log.add(1, stamp -> new FilmDropped(stamp, 7, TestLog.roll(0), "colour-negative", "Devi", day, true));
        QueuedFilm film = QueuedFilm.of(log.entries()).get(0);
        RunLogged run = log.run(1, 1, 1, 1L, 2L);
        List<Due> forAll = List.of(
                new Due.TestFirst(day, plan),
                new Due.Discard(day, plan),
                new Due.BatchEnds(day, plan, List.of()),
                new Due.LastRolls(day, plan, 1, 0),
                new Due.CheckShelf(day, 2),
                new Due.CollectDrum(day, new DrumLevel(new Drum(1, "Blue", WasteRoute.OTHERS, 1), 1)),
                new Due.PartEnds(
                        day, log.state().kit(1), log.state().kit(1).parts().get(0), false),
                new Due.FinishMix(day, 1, "Ines", TestLog.day(1), 2),
                new Due.EndRun(day, log.start(2, 1, 1, 300, 1L, 2L)),
                new Due.LookAtFilm(day, log.state().batch(1), List.of(run)),
                new Due.PickUp(day, "Ines", "Devi", List.of(film)),
                new Due.FilmWanted(day, film));
        List<Due> forStewards = List.of(
                new Due.SwitchLeaflet(
                        day,
                        plan,
                        new RunRemark.LeafletMistyped(plan.baths().get(0).fill(), 2, null, null, null, null)),
                new Due.Order(day, Supply.of(log.book(), TestLog.day(1)).get(0), 3),
                new Due.DecideProposal(day, 3, "Devi"),
                new Due.SignOff(day, List.of("Devi")),
                new Due.CopyTooOld(day, null),
                new Due.ClockInDoubt(day));
        assertThat(forAll).noneMatch(Due::isForStewards);
        assertThat(forStewards).allMatch(Due::isForStewards).allMatch(due -> due.whose()
                .isEmpty());
        Stream.concat(forAll.stream(), forStewards.stream()).forEach(due -> {
            String kind = due.getClass().getSimpleName();
            assertThat(due.tell(told)).isEqualTo(kind.substring(0, 1).toLowerCase(Locale.ROOT) + kind.substring(1));
        });
        assertThat(forAll.get(8).whose()).hasSize(1);
        assertThat(forAll.get(11).whose()).contains("Devi", film.roll().owner());
        RunLogged houses = log.add(
                3,
                stamp -> new RunLogged(
                        stamp,
                        1,
                        List.of(new Roll(Roll.HOUSE, FilmFormat.F120, 1, 0, false)),
                        List.of(),
                        300,
                        List.of(),
                        null));
        assertThat(new Due.LookAtFilm(day, log.state().batch(1), List.of(houses)).whose())
                .isEmpty();
    }

    @Test
    public void aCopyOfMoreThanThreeDaysAgoIsTooOld() {
        LocalDate today = date(9);
        assertThat(Due.CopyTooOld.of(today, date(6), date(0))).isEmpty();
        assertThat(Due.CopyTooOld.of(today, date(5), date(0))).contains(new Due.CopyTooOld(today, date(5)));
        assertThat(Due.CopyTooOld.of(today, null, date(6))).as("a young house").isEmpty();
        assertThat(Due.CopyTooOld.of(today, null, date(5))).contains(new Due.CopyTooOld(today, null));
    }
}
