package mezcla.web.decided;

import java.time.Clock;
import java.util.Objects;
import mezcla.log.HouseDecided;
import mezcla.web.access.SignedIn;
import mezcla.web.settings.HouseService;
import mezcla.web.settings.things.WaterBath;
import mezcla.web.words.Figures;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Says what the house's water bath is like. */
@Service
public class WaterBaths implements BringsBack {
    private final HouseService houses;
    private final Decisions decisions;
    private final Clock clock;

    WaterBaths(HouseService houses, Decisions decisions, Clock clock) {
        this.houses = houses;
        this.decisions = decisions;
        this.clock = clock;
    }

    /** From now on it is like this. */
    @Transactional
    public void describe(SignedIn who, WaterBath bath) {
        WaterBath before = houses.waterBath().orElse(null);
        houses.keepTub(who.id(), bath, clock.instant());
        if (before == null) {
            // That there is none cannot be said again, so there is no way back.
            decisions.decided(HouseDecided.Topic.WATER_BATH, "", "", words(bath));
        } else {
            decisions.decided(HouseDecided.Topic.WATER_BATH, "", WaterBaths::words, before, bath);
        }
    }

    private static String words(WaterBath bath) {
        return "%s L, %s W, loses %s W/K"
                .formatted(
                        Figures.plain(bath.litres(), 1),
                        Figures.plain(bath.powerW(), 0),
                        Figures.plain(bath.lossWPerK(), 1));
    }

    @Override
    public HouseDecided.Topic topic() {
        return HouseDecided.Topic.WATER_BATH;
    }

    @Override
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void bringBack(SignedIn who, String subject, String setting) {
        describe(who, Objects.requireNonNull(decisions.read(setting, WaterBath.class)));
    }
}
