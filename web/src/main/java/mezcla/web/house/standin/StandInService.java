package mezcla.web.house.standin;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import mezcla.leaflet.BathRole;
import mezcla.log.HouseDecided;
import mezcla.verdict.StandIns;
import mezcla.web.access.SignedIn;
import mezcla.web.decided.BringsBack;
import mezcla.web.decided.Decisions;
import mezcla.web.settings.HouseService;
import mezcla.web.words.Figures;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Decides what counts where a leaflet prints no limit. */
@Service
@PreAuthorize("hasRole('STEWARD')")
public class StandInService implements BringsBack {
    private final HouseService houses;
    private final Decisions decisions;
    private final Clock clock;

    StandInService(HouseService houses, Decisions decisions, Clock clock) {
        this.houses = houses;
        this.decisions = decisions;
        this.clock = clock;
    }

    /**
     * What counts for a bath.
     *
     * @param lifeDays how long it lasts, in days; null for no limit
     * @param rollsALitre how many roll equivalents a litre takes; null for no limit
     */
    public record Limits(@Nullable Double lifeDays, @Nullable Double rollsALitre) {
        String words() {
            List<String> parts = new ArrayList<>();
            if (lifeDays != null) {
                parts.add(Figures.countOfDays(lifeDays));
            }
            if (rollsALitre != null) {
                parts.add(Figures.countOfRolls(rollsALitre) + " a litre");
            }
            return parts.isEmpty() ? "no limit" : String.join(", ", parts);
        }
    }

    /** Decides it from now on. */
    @Transactional
    public void decide(SignedIn who, BathRole.Nature role, Limits limits) {
        StandIns now = houses.standIns();
        Limits before = new Limits(now.lifeDays().get(role), now.rollsALitre().get(role));
        houses.standIn(role, limits.lifeDays(), limits.rollsALitre(), who.id(), clock.instant());
        decisions.decided(HouseDecided.Topic.STAND_IN, role.name(), Limits::words, before, limits);
    }

    @Override
    public HouseDecided.Topic topic() {
        return HouseDecided.Topic.STAND_IN;
    }

    @Override
    @Transactional
    public void bringBack(SignedIn who, String subject, String setting) {
        decide(who, BathRole.Nature.valueOf(subject), Objects.requireNonNull(decisions.read(setting, Limits.class)));
    }
}
