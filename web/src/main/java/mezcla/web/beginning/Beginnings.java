package mezcla.web.beginning;

import java.util.List;
import mezcla.batch.LogState;
import mezcla.web.access.Members;
import mezcla.web.access.SignedIn;
import mezcla.web.log.DarkroomLog;
import mezcla.web.settings.HouseService;
import mezcla.web.settings.things.Tank;
import mezcla.web.sheets.Leaflets;
import mezcla.web.words.Figures;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What is still missing of a house, and whether somebody is here for the first time. */
@Service
public class Beginnings {
    private final HouseService houses;
    private final Leaflets leaflets;
    private final Members members;
    private final DarkroomLog log;
    private final Led led;
    /** A house that was ready once needs no leading any more. */
    private volatile boolean ready;

    Beginnings(HouseService houses, Leaflets leaflets, Members members, DarkroomLog log, Led led) {
        this.houses = houses;
        this.leaflets = leaflets;
        this.members = members;
        this.log = log;
        this.led = led;
    }

    /** Who does not want to be led any longer. */
    @Mapper
    interface Led {
        @Select("SELECT coalesce(max(led), 0) FROM house")
        boolean house();

        @Update("UPDATE house SET led = 1")
        void houseIs();

        @Select("SELECT led FROM member WHERE id = #{memberId}")
        boolean member(long memberId);

        @Update("UPDATE member SET led = 1 WHERE id = #{memberId}")
        void memberIs(long memberId);
    }

    /**
     * A step.
     *
     * @param what what is to be done
     * @param why why it comes here
     * @param address where it is done
     * @param done whether it is done
     */
    public record Step(String what, String why, String address, boolean done) {}

    /**
     * The steps of a house.
     *
     * @param heading how far it is
     * @param steps the steps, in order
     * @param next the first that is not done; the last where all are
     * @param isDone whether all are done
     */
    public record Steps(String heading, List<Step> steps, Step next, boolean isDone) {}

    /** The steps, as far as the house is. */
    @Transactional(readOnly = true)
    public Steps steps() {
        LogState state = log.state();
        Tank undescribed = houses.tanks().stream()
                .filter(tank -> tank.holds().isEmpty())
                .findFirst()
                .orElse(null);
        List<Step> steps = List.of(
                new Step("Name and place", "what the house is called, where its days begin", "/house/this", true),
                new Step(
                        "Water and room",
                        "how cold and how hot the taps run: every mix is planned from it",
                        "/house/this#water",
                        houses.waterSaid()),
                new Step(
                        "The water bath",
                        "litres and watts: when to switch it on",
                        "/house/bath",
                        houses.waterBath().isPresent()),
                new Step(
                        "Tanks",
                        "what each takes, and which reels: what film fits, and how much of every bath it needs",
                        undescribed == null ? "/house/tanks/new" : "/house/tanks/" + undescribed.id(),
                        !houses.tanks().isEmpty() && undescribed == null),
                new Step(
                        "Bottles",
                        "as series, D1 to D6: where batches are kept",
                        "/house/bottles/new",
                        !houses.bottles().isEmpty()),
                new Step(
                        "Cylinders, syringes, scales",
                        "how finely you can measure: how small a batch is worth mixing",
                        "/house/tools/new",
                        !houses.tools().isEmpty()),
                new Step(
                        "The first leaflet",
                        "what a kit’s printed sheet says, typed once",
                        "/leaflets/new",
                        !leaflets.byId().isEmpty()),
                new Step(
                        "The first kit, or what stands there already",
                        "a box in the cupboard, or a batch that was mixed before",
                        "/adopt",
                        !state.kits().isEmpty() || !state.batches().isEmpty()),
                new Step(
                        "Members",
                        "everybody who runs film signs in under a name of their own",
                        "/house/members",
                        members.count() > 1));
        long done = steps.stream().filter(Step::done).count();
        Step next = steps.stream().filter(step -> !step.done()).findFirst().orElse(steps.get(steps.size() - 1));
        return new Steps(
                done == steps.size()
                        ? "The house is ready"
                        : "%s of %s steps are done"
                                .formatted(Figures.sentence(Figures.number(done)), Figures.number(steps.size())),
                steps,
                next,
                done == steps.size());
    }

    /** Whether a steward is still led through the steps of the house. */
    @Transactional(readOnly = true)
    public boolean leads(SignedIn who) {
        if (ready || !who.isSteward() || led.house()) {
            return false;
        }
        ready = steps().isDone();
        return !ready;
    }

    /** Whether it is somebody's first evening: they wrote nothing yet, and have not put its page aside. */
    @Transactional(readOnly = true)
    public boolean isFirstEvening(SignedIn who) {
        return who.id() != 0
                && !who.isSteward()
                && !led.member(who.id())
                && log.book().entries().stream()
                        .noneMatch(entry -> entry.stamp().memberId() == who.id());
    }

    /** The house needs no leading any more. */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void houseIsLed() {
        led.houseIs();
    }

    /** A member needs no leading any more. */
    @Transactional
    public void isLed(SignedIn who) {
        led.memberIs(who.id());
    }
}
