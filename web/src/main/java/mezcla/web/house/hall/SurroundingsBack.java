package mezcla.web.house.hall;

import java.util.Objects;
import mezcla.log.HouseDecided;
import mezcla.web.access.SignedIn;
import mezcla.web.decided.BringsBack;
import mezcla.web.decided.Decisions;
import mezcla.web.settings.things.Surroundings;
import org.springframework.stereotype.Component;

/** Brings back what water and room were said to be like. */
@Component
class SurroundingsBack implements BringsBack {
    private final HouseholdService household;
    private final Decisions decisions;

    SurroundingsBack(HouseholdService household, Decisions decisions) {
        this.household = household;
        this.decisions = decisions;
    }

    @Override
    public HouseDecided.Topic topic() {
        return HouseDecided.Topic.SURROUNDINGS;
    }

    @Override
    public void bringBack(SignedIn who, String subject, String setting) {
        household.change(Objects.requireNonNull(decisions.read(setting, Surroundings.class)));
    }
}
