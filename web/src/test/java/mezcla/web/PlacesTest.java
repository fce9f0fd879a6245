package mezcla.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.catchThrowableOfType;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import mezcla.batch.FillState;
import mezcla.leaflet.WasteRoute;
import mezcla.log.Roll;
import mezcla.measure.FilmFormat;
import mezcla.measure.Refusal;
import mezcla.processing.RunSteps;
import mezcla.web.access.Members;
import mezcla.web.access.SignedIn;
import mezcla.web.batch.BatchService;
import mezcla.web.batch.BatchView;
import mezcla.web.cupboard.CupboardService;
import mezcla.web.cupboard.KitView;
import mezcla.web.log.DarkroomLog;
import mezcla.web.run.course.RunService;
import mezcla.web.settings.HouseService;
import mezcla.web.settings.things.Tank;
import mezcla.web.shelf.CrateView;
import mezcla.web.shelf.ShelfService;
import mezcla.web.shelf.ShelfView;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.test.web.servlet.MockMvc;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.Test;

/** What each place answers on the demonstration's data. */
public class PlacesTest extends DemoApplicationTest {
    @Autowired
    private MockMvc pages;

    @Autowired
    private ShelfService shelves;

    @Autowired
    private CupboardService cupboard;

    @Autowired
    private BatchService batches;

    @Autowired
    private RunService runs;

    @Autowired
    private HouseService houses;

    @Autowired
    private DarkroomLog log;

    @Autowired
    private Members members;

    private SignedIn signIn(String name) {
        SignedIn member = (SignedIn) members.loadUserByUsername(name);
        SecurityContextHolder.getContext()
                .setAuthentication(
                        UsernamePasswordAuthenticationToken.authenticated(member, null, member.getAuthorities()));
        return member;
    }

    @AfterMethod
    public void signOut() {
        SecurityContextHolder.clearContext();
    }

    private static Roll small() {
        return new Roll("Ines", FilmFormat.F135_36, 1, 0, false);
    }

    private static Roll roll() {
        return new Roll("Ines", FilmFormat.F120, 1, 0, false);
    }

    @Test
    public void shelfShowsEveryStateOnItsBoards() {
        ShelfView shelf = shelves.shelf();
        assertThat(shelf.boards())
                .extracting(ShelfView.Board::process)
                .containsExactly("Colour negative", "Colour slide");
        Map<Long, String> words = shelf.boards().stream()
                .flatMap(board -> board.crates().stream())
                .collect(Collectors.toMap(CrateView::id, CrateView::stateWord));
        assertThat(words)
                .containsExactlyInAnyOrderEntriesOf(Map.of(
                        2L, "Renew developer",
                        3L, "Test first",
                        4L, "Add time",
                        5L, "Add time",
                        6L, "Last rolls",
                        7L, "Ready"));
        assertThat(shelf.first().id()).isEqualTo(4);
        assertThat(shelf.retired()).extracting(ShelfView.Retired::id).containsExactly(1L);
    }

    @Test
    public void cupboardShowsLevelsClocksAndWhatAKitStillMakes() {
        List<KitView> kits = cupboard.kits();
        assertThat(kits).extracting(KitView::mixable).isSortedAccordingTo((a, b) -> Boolean.compare(b, a));
        KitView weir = kits.stream().filter(kit -> kit.id() == 3).findFirst().orElseThrow();
        assertThat(weir.enough().replace('\u00a0', ' '))
                .isEqualTo("Makes 5000 ml more of every bath; Ready bleach runs out first.");
        KitView.Part airSensitive = weir.parts().get(2);
        assertThat(airSensitive.left().replace('\u00a0', ' ')).isEqualTo("93.5 of 102 ml");
        assertThat(airSensitive.since()).isEqualTo("in nine vials of 10.4\u00a0ml, 30 days ago");
        assertThat(airSensitive.warning()).isEqualTo("spoils in air: day 30 of 42");
        KitView sealed = kits.stream().filter(kit -> kit.id() == 8).findFirst().orElseThrow();
        assertThat(sealed.opened()).isFalse();
        assertThat(sealed.parts().get(2).warning()).isEqualTo("spoils in air once opened");
    }

    @Test
    public void planNamesTheToolAndWhereItIsTooCoarse() throws Exception {
        String small = planOf("100 ml");
        assertThat(small)
                .contains("25 ml cylinder, one fill")
                .contains(
                        "Too coarse: it can be 5.9 % off, and should be within 2 %. With this tool, mix 295 ml at least.");
        assertThat(planOf("300 ml")).doesNotContain("Too coarse");
    }

    private String planOf(String volume) throws Exception {
        return pages.perform(get("/kits/3/mix")
                        .param("volume", volume)
                        .param("formKey", UUID.randomUUID().toString())
                        .with(user(members.loadUserByUsername("ines"))))
                .andReturn()
                .getResponse()
                .getContentAsString()
                .replace('\u00a0', ' ');
    }

    @Test
    public void batchTellsFillsCostAndLog() {
        BatchView batch = batches.batch(4);
        assertThat(batch.title()).isEqualTo("Good for eleven more rolls, or 19 more days");
        assertThat(batch.fills())
                .extracting(BatchView.Fill::rolls)
                .containsExactly("7 of 14–18", "7 of 18–20", "7 of 28.8 (house)");
        assertThat(batch.fills()).extracting(BatchView.Fill::time).containsExactly("3:45", "7:20", "1:00");
        BatchView.Cost cost = batch.cost();
        assertThat(cost).isNotNull();
        assertThat(cost.expected())
                .as("it goes by demand, which counts the weeks")
                .matches("3\\.5[0-9]");
        assertThat(cost).isEqualTo(new BatchView.Cost("NZ$61.30", "", "8.76", "3.41", cost.expected(), "NZ$"));
        assertThat(batch.log()).hasSize(6);
        assertThat(batch.log().get(2).what().replace('\u00a0', ' '))
                .isEqualTo("Developer: film came out thin (slides: dark)");
        assertThat(batches.batch(1).title()).isEqualTo("Nothing of this batch is left");
    }

    @Test
    public void pushedRunsWeighMoreOnlyWhereTheLeafletSaysSo() {
        List<FillState> fills = log.state().batch(1).fills();
        assertThat(fills.get(0).scaledRolls()).isEqualTo(8);
        Tank small = houses.tanks().get(0);
        Roll pushed = new Roll("Ines", FilmFormat.F120, 1, 2, false);
        assertThat(runs.plan(5, new RunService.Asked(List.of(pushed), small, null), null)
                        .asRunBaths()
                        .get(0)
                        .wearEquivalents())
                .isEqualTo(1);
        assertThat(runs.plan(4, new RunService.Asked(List.of(pushed), small, null), null)
                        .asRunBaths()
                        .get(0)
                        .wearEquivalents())
                .isEqualTo(1.25);
    }

    @Test
    public void planThatDoesNotFitIsRefusedInTheService() {
        SignedIn ines = signIn("ines");
        Tank large = houses.tanks().get(2);
        Refusal refusal = catchThrowableOfType(
                Refusal.class,
                () -> runs.log(
                        ines,
                        3,
                        new RunService.Asked(List.of(roll()), large, null),
                        RunSteps.Choices.USUAL,
                        false,
                        bath -> bath));
        assertThat(refusal.code()).isEqualTo("too-little-for-tank");
        assertThat(catchThrowableOfType(
                                Refusal.class,
                                () -> runs.log(
                                        ines,
                                        1,
                                        new RunService.Asked(List.of(roll()), large, null),
                                        RunSteps.Choices.USUAL,
                                        true,
                                        bath -> bath))
                        .code())
                .isEqualTo("batch-ended");
    }

    /** Adds to the log, so it comes after those that only look. */
    @Test(priority = 1)
    public void oneShotLosesWhatTheTankTookAndNothingElseChanges() {
        SignedIn ines = signIn("ines");
        double before = log.state().batch(7).fills().get(0).volumeMl();
        runs.log(
                ines,
                7,
                new RunService.Asked(List.of(small()), houses.tanks().get(0), null),
                RunSteps.Choices.USUAL,
                false,
                bath -> bath);
        List<FillState> fills = log.state().batch(7).fills();
        assertThat(fills.get(0).volumeMl()).isEqualTo(before - 150);
        assertThat(fills.get(0).scaledRolls()).isZero();
        assertThat(fills.get(1).volumeMl()).isEqualTo(495);
        assertThat(fills.get(1).scaledRolls()).isEqualTo(3);
    }

    @Test
    public void roleIsCheckedInTheService() {
        Map<Long, String> routes = Map.of(log.state().batch(5).fills().get(0).id(), WasteRoute.DEVELOPERS.name());
        SignedIn ines = signIn("ines");
        assertThatThrownBy(() -> batches.discard(ines, 5, routes, "old")).isInstanceOf(AccessDeniedException.class);
        SignedIn bram = signIn("bram");
        assertThat(catchThrowableOfType(Refusal.class, () -> batches.discard(bram, 5, Map.of(), "old"))
                        .code())
                .isEqualTo("fills-missing");
        assertThat(catchThrowableOfType(Refusal.class, () -> batches.discard(bram, 4, routes, "old"))
                        .code())
                .isEqualTo("unknown-fill");
    }
}
