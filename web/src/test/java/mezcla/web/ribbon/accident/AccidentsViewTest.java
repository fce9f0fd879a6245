package mezcla.web.ribbon.accident;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import mezcla.leaflet.BathRole;
import mezcla.leaflet.ProcessStep;
import mezcla.leaflet.StepClock;
import mezcla.log.Accident;
import mezcla.processing.RunSteps;
import mezcla.processing.Schedule;
import org.testng.annotations.Test;

/** Every answer has its words, and every word its answer. */
public class AccidentsViewTest {
    private static RunSteps run() {
        List<BathRole> roles = new ArrayList<>(BathRole.standard());
        roles.add(2, null);
        return new RunSteps(
                roles.stream()
                        .map(role -> new RunSteps.Step(
                                role == null ? ProcessStep.Kind.WASH : ProcessStep.Kind.BATH,
                                role == null ? null : role.key(),
                                role,
                                role == null ? "Wash" : role.name(),
                                null,
                                null,
                                null,
                                0,
                                false,
                                false,
                                null,
                                null))
                        .toList(),
                Schedule.of(roles.stream()
                        .map(role -> new Schedule.Step("", 60, StepClock.POUR, 5, 5, null))
                        .toList()),
                6);
    }

    @Test
    public void everyWordIsSaidInSomeRunAndEveryAnswerIsWhole() {
        AccidentsView view = AccidentsView.of(run());
        Set<String> said = view.answers().keySet().stream()
                .flatMap(
                        key -> List.of("now", "more", "film", "bottle").stream().map(part -> key + "." + part))
                .collect(Collectors.toCollection(TreeSet::new));
        assertThat(said).containsExactlyInAnyOrderElementsOf(AccidentsView.names());
        assertThat(view.list()).extracting(AccidentsView.Choice::words).startsWith(Accident.ON_SKIN.words());
        assertThat(view.bySteps()).allSatisfy(keys -> assertThat(keys).hasSize(Accident.values().length));
        assertThat(view.others()).hasSameSizeAs(view.bySteps()).allSatisfy(asked -> {
            assertThat(asked).containsOnlyKeys(Accident.WRONG_BATH.number(), Accident.WRONG_BOTTLE.number());
            asked.values().forEach(byBath -> assertThat(view.answers())
                    .containsKeys(byBath.values().toArray(String[]::new)));
        });
        assertThat(view.answers().get("wrong-bottle").bars()).isEqualTo("Bar both bottles");
        assertThat(view.answers().get("leak").bars()).isEmpty();
        assertThat(Arrays.stream(Accident.values()).map(Accident::key)).doesNotHaveDuplicates();
    }
}
