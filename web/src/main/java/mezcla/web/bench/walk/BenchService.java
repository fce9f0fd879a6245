package mezcla.web.bench.walk;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import mezcla.batch.KitState;
import mezcla.batch.PartState;
import mezcla.batch.ShortCode;
import mezcla.leaflet.Addition;
import mezcla.leaflet.BathRole;
import mezcla.leaflet.MixingTemperature;
import mezcla.leaflet.Part;
import mezcla.leaflet.Unit;
import mezcla.leaflet.WasteRoute;
import mezcla.log.Bottle;
import mezcla.mixing.BatchPlan;
import mezcla.mixing.BathMade;
import mezcla.mixing.BenchAct;
import mezcla.mixing.BenchWalk;
import mezcla.mixing.JugChoice;
import mezcla.mixing.MixPlan;
import mezcla.mixing.MixWarmth;
import mezcla.mixing.ToolChoice;
import mezcla.web.answers.Planning;
import mezcla.web.bench.mix.MixService;
import mezcla.web.bench.water.BenchWater;
import mezcla.web.clock.LogClock;
import mezcla.web.drawing.JugDrawing;
import mezcla.web.log.DarkroomLog;
import mezcla.web.mixes.Measuring;
import mezcla.web.mixes.MixMapper;
import mezcla.web.mixes.Mixes;
import mezcla.web.settings.HouseService;
import mezcla.web.words.Figures;
import mezcla.web.words.PartWords;
import mezcla.web.words.TemperatureWords;
import mezcla.web.words.Units;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Shows mixes at the bench, act by act. */
@Service
public class BenchService {
    private static final double LEAST_MENDED_ML = 1;

    private final Mixes mixes;
    private final MixService plans;
    private final DarkroomLog log;
    private final HouseService houses;
    private final Planning planning;
    private final LogClock clock;

    BenchService(
            Mixes mixes, MixService plans, DarkroomLog log, HouseService houses, Planning planning, LogClock clock) {
        this.mixes = mixes;
        this.plans = plans;
        this.log = log;
        this.houses = houses;
        this.planning = planning;
        this.clock = clock;
    }

    /** The mixes that are not over. */
    @Transactional(readOnly = true)
    public List<BenchView.UnderWay> underWay() {
        return mixes.underWay().stream()
                .map(mix -> new BenchView.UnderWay(
                        mix.id(),
                        what(mix),
                        "Begun by %s, %s"
                                .formatted(
                                        mix.begunBy(),
                                        Figures.since(
                                                mix.begunAt(),
                                                clock.instant(),
                                                houses.house().timeZone())),
                        mix.walk()
                                .now()
                                .map(act -> "Act %d of %d: %s"
                                        .formatted(
                                                act.number() + 1,
                                                mix.walk().acts().size(),
                                                Figures.within(words(mix, act))))
                                .orElse("All acts are done")))
                .toList();
    }

    /** Whether a mix is over, and the batch that came of it. */
    @Transactional(readOnly = true)
    public Optional<Long> over(long id) {
        Mixes.Mix mix = mixes.one(id);
        return mix.ended() ? Optional.of(mix.batchId()) : Optional.empty();
    }

    /** Whether a batch came of a mix that is over. */
    @Transactional(readOnly = true)
    public boolean stands(long batchId) {
        return log.state().batches().containsKey(batchId);
    }

    private static String what(Mixes.Mix mix) {
        BatchPlan plan = mix.walk().plan();
        String volume = mix.baths().values().stream()
                                .map(bath -> bath.volumeTyped())
                                .distinct()
                                .count()
                        == 1
                ? mix.baths().values().iterator().next().volumeTyped() + " of "
                : "";
        String baths = plan.baths().size() == plan.leaflet().baths().size()
                ? plan.leaflet().name()
                : plan.baths().stream()
                                .map(bath -> Figures.within(bath.bath().role().name()))
                                .collect(java.util.stream.Collectors.joining(" and "))
                        + ", " + plan.leaflet().name();
        return volume + baths;
    }

    /**
     * A mix at its act.
     *
     * @throws mezcla.measure.Refusal {@code unknown-mix}
     */
    @Transactional(readOnly = true)
    public BenchView view(long id) {
        Mixes.Mix mix = mixes.one(id);
        BenchWalk walk = mix.walk();
        BenchAct now = walk.now().orElse(null);
        BatchPlan.PlannedBath bath = now == null ? null : walk.bath(now.bath());
        return new BenchView(
                id,
                heading(mix),
                now == null
                        ? "All baths are in their bottles"
                        : "%s: %s".formatted(name(mix, now), Figures.within(words(mix, now))),
                baths(mix),
                now == null ? null : now(mix, now),
                walk.next().map(act -> words(mix, act)).orElse(""),
                now != null && bath != null && now.kind() != BenchAct.Kind.RINSE_ALL
                        ? JugDrawing.filling(walk, bath, now)
                        : null,
                bath == null ? "" : bath.bath().role().letters(),
                consequences(mix, bath),
                walk.last()
                        .map(act -> new BenchView.Undo(act.number(), words(mix, act)))
                        .orElse(null),
                mix.batchId(),
                mix.name() == null,
                mix.baths().keySet().stream().anyMatch(mix::isBottled));
    }

    private String heading(Mixes.Mix mix) {
        int acts = mix.walk().acts().size();
        String at = mix.walk()
                .now()
                .map(act -> "act %d of %d".formatted(act.number() + 1, acts))
                .orElse("all %d acts done".formatted(acts));
        String who = mix.lastBy().equals(mix.begunBy())
                ? "begun by " + mix.begunBy()
                : "begun by %s, gone on by %s".formatted(mix.begunBy(), mix.lastBy());
        return "Mixing %s · %s · %s".formatted(what(mix), at, who);
    }

    private static String name(Mixes.Mix mix, BenchAct act) {
        return mix.walk().bath(act.bath()).bath().role().name();
    }

    private List<BenchView.Bath> baths(Mixes.Mix mix) {
        List<BenchView.Bath> baths = new ArrayList<>();
        int now = mix.walk().now().map(BenchAct::number).orElse(Integer.MAX_VALUE);
        for (BatchPlan.PlannedBath bath : mix.walk().plan().baths()) {
            baths.add(new BenchView.Bath(
                    bath.bath().role().letters(),
                    bath.bath().role().name(),
                    mix.walk().acts().stream()
                            .filter(act -> act.bath().equals(bath.bath().key()))
                            .map(act -> new BenchView.Line(
                                    words(mix, act),
                                    act.number() == now ? "now" : act.number() < now ? "ticked" : "later",
                                    otherwise(mix.walk(), act)))
                            .toList()));
        }
        return baths;
    }

    private static String otherwise(BenchWalk walk, BenchAct act) {
        BenchWalk.Tick tick = walk.done().get(act.number());
        if (tick == null) {
            return "";
        }
        List<String> said = new ArrayList<>();
        Double poured = tick.poured();
        if (poured != null) {
            said.add("really " + Figures.amount(poured, act.unit()));
        }
        Double celsius = tick.celsius();
        if (celsius != null) {
            said.add("at " + Figures.celsius(celsius));
        }
        return String.join(", ", said);
    }

    private String words(Mixes.Mix mix, BenchAct act) {
        String amount = amount(act);
        return switch (act.kind()) {
            case WATER -> "Water, %s at %s".formatted(amount, Figures.celsius(water().startC(mix(mix, act))));
            case PART -> "%s, %s".formatted(part(mix, act).name(), amount);
            case RINSE_MEASURE -> "Rinse its measure in, " + amount;
            case WAIT -> "Stir and wait, %s min".formatted(Figures.plain(act.amount(), 0));
            case TOP_UP -> "Top up to " + amount;
            case BOTTLE -> "Bottle and label";
            case RINSE_ALL -> "Rinse everything, five times";
        };
    }

    /** In the marks of the tool that measures it. */
    private String amount(BenchAct act) {
        MixPlan.PlannedAddition planned = act.planned();
        return act.kind() == BenchAct.Kind.PART && planned != null
                ? Measuring.poured(planned, plans.equipment().tools())
                : Figures.marked(act.amount(), act.unit(), null);
    }

    private String beside(BenchAct act) {
        MixPlan.PlannedAddition planned = act.planned();
        String own = act.kind() == BenchAct.Kind.PART && planned != null
                ? Measuring.beside(planned, plans.equipment().tools())
                : Figures.inReadersUnit(act.amount(), act.unit());
        return own.isEmpty() ? "" : "(" + own + ") ";
    }

    private BenchWater water() {
        return plans.equipment().water();
    }

    private static MixPlan mix(Mixes.Mix mix, BenchAct act) {
        return mix.walk().bath(act.bath()).mix();
    }

    private static Part part(Mixes.Mix mix, BenchAct act) {
        return mix.walk()
                .plan()
                .leaflet()
                .part(Objects.requireNonNull(act.planned()).addition().part());
    }

    private BenchView.Now now(Mixes.Mix mix, BenchAct act) {
        return switch (act.kind()) {
            case WATER -> pourWater(mix, act);
            case PART -> pourPart(mix, act);
            case RINSE_MEASURE ->
                plain(
                        act,
                        "Rinse its measure with",
                        amount(act),
                        beside(act) + "of water, into the mix",
                        "What sticks to the measure belongs into the bath.",
                        "It is rinsed");
            case WAIT -> await(mix, act);
            case TOP_UP -> topUp(mix, act);
            case BOTTLE -> bottle(mix, act);
            case RINSE_ALL ->
                plain(
                        act,
                        "Rinse",
                        "five times",
                        "jug, stirrer, funnel and measures",
                        "Or take the next bath’s own. A drop of bleach or fixer ruins a developer.",
                        "All is rinsed");
        };
    }

    private static BenchView.Now plain(
            BenchAct act, String verb, String figure, String of, String with, String button) {
        return new BenchView.Now(
                act.number(),
                verb,
                figure,
                of,
                with,
                "",
                List.of(),
                button,
                "",
                false,
                -1,
                verb + " " + figure + " " + of);
    }

    private BenchView.Now pourWater(Mixes.Mix mix, BenchAct act) {
        BatchPlan.PlannedBath bath = mix.walk().bath(act.bath());
        double startC = water().startC(bath.mix());
        MixingTemperature mixing = bath.mix().recipe().mixingC();
        boolean atStart = mix.walk().acts().stream()
                .filter(each -> each.bath().equals(act.bath()))
                .findFirst()
                .filter(act::equals)
                .isPresent();
        String verb = atStart ? "Start with" : "Add";
        String figure = amount(act);
        String of = beside(act) + "of water at " + Figures.celsius(startC);
        return new BenchView.Now(
                act.number(),
                verb,
                figure,
                of,
                jug(bath) + " " + water().blend(act.amount(), startC),
                mixing == null ? "" : TemperatureWords.mixingWillDo(mixing),
                List.of(),
                "It is in",
                "Really poured, " + Units.shown().volumeName(),
                true,
                -1,
                verb + " " + figure + " " + of);
    }

    private String jug(BatchPlan.PlannedBath bath) {
        return JugChoice.of(
                        bath.mix().finalMl(),
                        bath.bath().role().mayFizz(),
                        plans.equipment().jugs())
                .map(jug -> jug.name() + ".")
                .orElse("Your largest jug.");
    }

    private BenchView.Now pourPart(Mixes.Mix mix, BenchAct act) {
        MixPlan.PlannedAddition planned = Objects.requireNonNull(act.planned());
        Addition addition = planned.addition();
        Part part = part(mix, act);
        BathRole role = mix.walk().bath(act.bath()).bath().role();
        String figure = amount(act);
        List<String> warnings = warnings(mix, addition, part, role);
        String vessel = act.unit() == Unit.ML ? "bottle" : "sachet";
        Measuring measuring = planned.wholePart()
                ? new Measuring("All that is left of it: no measuring.", "")
                : Measuring.of(
                        mix(mix, act),
                        planned,
                        plans.equipment().tools(),
                        log.state().kit(mix.kits().get(0)).parts());
        if (!measuring.warning().isEmpty()) {
            warnings.add(0, measuring.warning());
        }
        if (Measuring.splitsPowder(planned)) {
            warnings.add(Figures.sentence(Measuring.SPLIT) + ".");
        }
        String rinsed = Measuring.rinsed(
                mix.walk().plan().leaflet(),
                mix(mix, act),
                planned,
                plans.equipment().tools());
        if (!rinsed.isEmpty()) {
            warnings.add(Figures.sentence(rinsed) + ".");
        }
        String verb =
                planned.wholePart() ? "Empty the whole " + vessel + "," : act.unit() == Unit.G ? "Weigh out" : "Pour";
        String of = beside(act) + "of " + part.name();
        return new BenchView.Now(
                act.number(),
                verb,
                figure,
                of,
                Figures.sentence(measuring.how().replaceAll(", within .*$", "")),
                planned.wholePart() ? "" : exactly(act, addition),
                warnings,
                "It is in",
                switch (act.unit()) {
                    case G -> "Really poured, g";
                    case ML -> "Really poured, " + Units.shown().volumeName();
                    case SACHET -> "Really went in, in sachets (0.7 where some was spilt)";
                },
                false,
                -1,
                verb + " " + figure + " " + of);
    }

    private String exactly(BenchAct act, Addition addition) {
        String within = "It should be within %s\u00a0%%."
                .formatted(Figures.plain(addition.care().tolerance() * 100, 0));
        return ToolChoice.of(
                        Objects.requireNonNull(act.planned()), plans.equipment().tools())
                .filter(ToolChoice::good)
                .map(choice -> "±\u00a0%s, %s\u00a0%%. %s"
                        .formatted(
                                Figures.amount(choice.uncertainty(), act.unit()),
                                Figures.plain(choice.relative() * 100, 1),
                                within))
                .orElse(within);
    }

    private List<String> warnings(Mixes.Mix mix, Addition addition, Part part, BathRole role) {
        List<String> warnings = new ArrayList<>();
        if (part.airSensitive()) {
            warnings.add("Spoils in air: close it at once." + openedFor(mix, part));
        }
        if (role.goesIntoWater()) {
            warnings.add("Into the water, never water into it.");
        }
        if (role.mayFizz()) {
            warnings.add("It may fizz: pour slowly, and do not close anything that still does.");
        }
        if (part.isPowder()) {
            warnings.add("Mask on. Stir until no grit is felt or heard.");
        }
        if (addition.note() != null) {
            warnings.add(Figures.sentence(addition.note()) + ".");
        }
        return warnings;
    }

    private String openedFor(Mixes.Mix mix, Part part) {
        KitState kit = log.state().kit(mix.kits().get(0));
        return kit.parts().stream()
                .filter(state -> state.part().key().equals(part.key()))
                .findFirst()
                .map(state -> openedFor(kit, state))
                .orElse(" Still sealed.");
    }

    private String openedFor(KitState kit, PartState state) {
        Instant since = state.clockFrom();
        String past = state.past(kit.arrival().stamp().happenedAt(), clock.instant())
                .map(over -> " " + Figures.sentence(PartWords.past(state, over)) + ".")
                .orElse("");
        if (since == null) {
            return past.isEmpty() ? " Still sealed." : past;
        }
        return " %s %s of %s.%s"
                .formatted(
                        state.decanted() == null ? "Open for" : "In vials for",
                        Figures.countOfDays(planning.daysSince(since)),
                        PartWords.keeps(state),
                        past);
    }

    private BenchView.Now await(Mixes.Mix mix, BenchAct act) {
        long minutes = Math.round(act.amount());
        long left = mix.walk()
                .last()
                .map(last -> Objects.requireNonNull(mix.walk().done().get(last.number()))
                        .at())
                .map(since ->
                        minutes * 60 - Duration.between(since, clock.instant()).toSeconds())
                .orElse(minutes * 60);
        Part before = part(mix, act);
        String doing = before.isPowder() ? "Stir, and wait" : "Wait";
        return new BenchView.Now(
                act.number(),
                doing,
                minutes + ":00",
                before.isPowder() ? "until no grit is felt or heard" : "while %s reacts".formatted(before.name()),
                "",
                "",
                List.of(),
                before.isPowder() ? "It has dissolved" : "The wait is over",
                "",
                false,
                Math.max(0, left),
                "%s %s".formatted(doing, Figures.count((int) minutes, "minute")));
    }

    private BenchView.Now topUp(Mixes.Mix mix, BenchAct act) {
        BathMade made = mix.walk().made(mix.walk().bath(act.bath()));
        double missing = act.amount() - made.levelMl();
        String figure = amount(act);
        return new BenchView.Now(
                act.number(),
                "Top up to",
                figure,
                missing > 0 ? "with about %s of water".formatted(Figures.ml(missing)) : "it stands at the mark already",
                "Read the level at the bottom of the curve, at eye height.",
                "",
                missing < -0.5
                        ? List.of(
                                "It stands %s over the mark: add nothing, and say so.".formatted(Figures.ml(-missing)))
                        : List.of(),
                "It is at the mark",
                "Level really reached, " + Units.shown().volumeName(),
                true,
                -1,
                "Top up to " + figure);
    }

    private BenchView.Now bottle(Mixes.Mix mix, BenchAct act) {
        MixMapper.BathRow row = Objects.requireNonNull(mix.baths().get(act.bath()));
        BatchPlan.PlannedBath bath = mix.walk().bath(act.bath());
        String label = mixes.bottle(row).label();
        boolean fizzes = bath.bath().role().mayFizz();
        boolean own = row.bottleId() == Bottle.ITS_OWN;
        return new BenchView.Now(
                act.number(),
                own ? "Leave it in" : "Pour it into bottle",
                label,
                "%s of %s, code %s"
                        .formatted(
                                Figures.ml(Mixes.volumeMl(mix, bath)),
                                Figures.within(bath.bath().role().name()),
                                ShortCode.of(row.fillId())),
                "Label it now, while you know what it is. Never a drinks bottle.",
                "",
                bottling(mix, bath, fizzes),
                "It is in the bottle",
                "",
                false,
                -1,
                (own ? "Leave it in " : "Pour it into bottle ") + label);
    }

    private List<String> bottling(Mixes.Mix mix, BatchPlan.PlannedBath bath, boolean fizzes) {
        List<String> warnings = new ArrayList<>();
        Long old = mix.oldFill();
        if (old != null && log.state().fill(old).discarded() == null) {
            WasteRoute route = mix.oldRoute();
            warnings.add("First a steward pours the old one away: %s in %s%s."
                    .formatted(
                            Figures.ml(log.state().fill(old).volumeMl()),
                            log.state().fill(old).bottle().label(),
                            route == null ? "" : ", to " + Figures.within(route.words())));
        }
        Bottle bottle =
                mixes.bottle(Objects.requireNonNull(mix.baths().get(bath.bath().key())));
        double over = Mixes.volumeMl(mix, bath) - bottle.capacityMl();
        if (over > 0.5) {
            warnings.add("%s holds %s: %s do not fit, and count as spilt unless you pour them elsewhere."
                    .formatted(bottle.label(), Figures.ml(bottle.capacityMl()), Figures.ml(over)));
        }
        if (fizzes) {
            warnings.add("Leave it open until it no longer fizzes.");
        }
        return warnings;
    }

    /** What turned out otherwise, for the bath at hand; for all of them at the end. */
    private List<String> consequences(Mixes.Mix mix, BatchPlan.@Nullable PlannedBath at) {
        List<String> said = new ArrayList<>();
        for (BatchPlan.PlannedBath bath : mix.walk().plan().baths()) {
            if (at == null || bath.bath().key().equals(at.bath().key())) {
                consequences(mix, bath, said);
            }
        }
        return said;
    }

    /** What a temperature that was measured asks for, at once (rules, 3.1). */
    private static void warmth(Mixes.Mix mix, BatchPlan.PlannedBath bath, String name, List<String> said) {
        MixingTemperature printed = bath.mix().recipe().mixingC();
        Double measured = mix.walk().measuredC(bath.bath().key());
        if (printed == null || measured == null) {
            return;
        }
        MixWarmth warmth = MixWarmth.of(printed);
        boolean powder = mix.walk().plan().leaflet().takesPowder(bath.bath());
        boolean partsIn = mix.walk().poured().containsKey(bath.bath().key());
        warmth.of(measured)
                .ifPresent(found -> said.add("%s: measured %s, %s"
                        .formatted(name, Figures.degrees(measured), answer(found, warmth, powder, partsIn))));
    }

    private static String answer(MixWarmth.Said found, MixWarmth warmth, boolean powder, boolean partsIn) {
        if (found == MixWarmth.Said.TOO_WARM) {
            return "warmer than the %s allowed: %s"
                    .formatted(
                            Figures.degrees(Objects.requireNonNull(warmth.mostC())),
                            partsIn ? "measure again before it is bottled." : "let it cool before anything goes in.");
        }
        String least = Figures.degrees(Objects.requireNonNull(warmth.leastC()));
        if (!powder) {
            return "colder than the %s allowed: stir longer, until it is even.".formatted(least);
        }
        return "colder than the %s that powder needs: %s"
                .formatted(
                        least,
                        partsIn
                                ? "it may not have dissolved. It stays on the batch: test before film that matters."
                                : "warm the jug before powder goes in, undo this step and measure again.");
    }

    /** What mends a part of which too little went in. */
    private static String more(Part part, BathMade.Deviation deviation) {
        return " %s in %s more, then undo its step and type all that went in."
                .formatted(part.unit() == Unit.G ? "Weigh" : "Pour", Figures.amount(deviation.missing(), part.unit()));
    }

    private static void consequences(Mixes.Mix mix, BatchPlan.PlannedBath bath, List<String> said) {
        BathMade made = mix.walk().made(bath);
        String name = bath.bath().role().name();
        warmth(mix, bath, name, said);
        double water = mix.isBottled(bath.bath().key()) ? 0 : mix.walk().waterToAddMl(bath);
        if (water >= LEAST_MENDED_ML) {
            said.add(
                    "%s: it is only too strong. %s more water makes it as printed, %s in all. Undo back to the water, and type what really went in."
                            .formatted(name, Figures.ml(water), Figures.ml(made.levelMl() + water)));
        }
        if (made.overTheMarkMl() > 0.5) {
            said.add("%s: %s over the mark, so all of it is %s\u00a0%% weaker."
                    .formatted(
                            name,
                            Figures.ml(made.overTheMarkMl()),
                            Figures.plain(made.overTheMarkMl() / made.levelMl() * 100, 1)));
        }
        for (BathMade.Deviation deviation : made.deviations()) {
            Part part = mix.walk().plan().leaflet().part(deviation.part());
            boolean mends = deviation.missing() > 0
                    && part.unit().isMeasured()
                    && !mix.isBottled(bath.bath().key());
            said.add("%s: %s is %s\u00a0%% too %s, more than it bears.%s"
                    .formatted(
                            name,
                            part.name(),
                            Figures.plain(Math.abs(deviation.percent()), 1),
                            deviation.percent() > 0 ? "strong" : "weak",
                            mends ? more(part, deviation) : ""));
        }
    }
}
