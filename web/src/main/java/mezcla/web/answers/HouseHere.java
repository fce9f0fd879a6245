package mezcla.web.answers;

import java.util.function.Supplier;
import mezcla.web.clock.LogClock;
import mezcla.web.forms.declared.Here;
import mezcla.web.settings.HouseService;
import mezcla.web.settings.things.House;
import org.springframework.stereotype.Component;

/** What forms are read by in this house. */
@Component
class HouseHere implements Supplier<Here> {
    private final HouseService houses;
    private final LogClock clock;

    HouseHere(HouseService houses, LogClock clock) {
        this.houses = houses;
        this.clock = clock;
    }

    @Override
    public Here get() {
        House house = houses.house();
        return new Here(house.currency(), house.timeZone(), clock.instant());
    }
}
