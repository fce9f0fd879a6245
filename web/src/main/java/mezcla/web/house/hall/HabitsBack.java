package mezcla.web.house.hall;

import java.util.Objects;
import mezcla.log.HouseDecided;
import mezcla.web.access.SignedIn;
import mezcla.web.decided.BringsBack;
import mezcla.web.decided.Decisions;
import mezcla.web.settings.things.RunHabits;
import org.springframework.stereotype.Component;

/** Brings back what was done on every run. */
@Component
class HabitsBack implements BringsBack {
    private final HouseholdService household;
    private final Decisions decisions;

    HabitsBack(HouseholdService household, Decisions decisions) {
        this.household = household;
        this.decisions = decisions;
    }

    @Override
    public HouseDecided.Topic topic() {
        return HouseDecided.Topic.HABITS;
    }

    @Override
    public void bringBack(SignedIn who, String subject, String setting) {
        household.change(Objects.requireNonNull(decisions.read(setting, RunHabits.class)));
    }
}
