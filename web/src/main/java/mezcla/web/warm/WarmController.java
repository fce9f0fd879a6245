package mezcla.web.warm;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import mezcla.batch.BatchState;
import mezcla.batch.FillState;
import mezcla.measure.Refusal;
import mezcla.measure.Temperature;
import mezcla.processing.ProbeWatch;
import mezcla.processing.SimulatedBath;
import mezcla.processing.WarmUp;
import mezcla.processing.WarmWater;
import mezcla.verdict.Warming;
import mezcla.web.access.SignedIn;
import mezcla.web.drawing.plot.WarmDrawing;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.Query;
import mezcla.web.forms.declared.Asked;
import mezcla.web.forms.declared.RefusedAt;
import mezcla.web.forms.declared.Sent;
import mezcla.web.forms.declared.Takes;
import mezcla.web.probes.Probe;
import mezcla.web.probes.ProbeService;
import mezcla.web.probes.ProbeWords;
import mezcla.web.settings.HouseService;
import mezcla.web.words.Figures;
import mezcla.web.words.Units;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.util.UriUtils;

/** Warming a batch up. */
@Controller
class WarmController {
    private static final Duration WARMED_FOR = Duration.ofHours(4);

    private final WarmService warm;
    private final HouseService houses;
    private final OneTimeForms forms;
    private final ProbeService probes;
    private final Clock clock;

    WarmController(WarmService warm, HouseService houses, OneTimeForms forms, ProbeService probes, Clock clock) {
        this.probes = probes;
        this.warm = warm;
        this.houses = houses;
        this.forms = forms;
        this.clock = clock;
    }

    /** What the water bath is like. */
    record TubForm(
            @Takes(least = 1, most = 100) double litres,
            @Takes(most = 10_000) double power,
            @Takes(most = 100) double loss) {}

    /** Two temperatures of a bottle that stood in the bath. */
    @RefusedAt("second")
    record ReadingsForm(
            @Takes(or = FormObjection.BottleMissing.class) long bottle,
            Temperature meanwhile,
            Temperature first,
            Temperature second,
            @Takes(least = 1, most = 240) double minutes) {}

    /** A stand-in for heater and probe. */
    @RefusedAt("fault")
    record SimulationForm(
            Temperature bath,
            Temperature bottles,
            @Nullable Temperature set,
            @Takes(or = FormObjection.UnknownProbe.class) SimulatedBath.Fault fault) {}

    @GetMapping("/batches/{id}/warm-up")
    ModelAndView warmUp(@PathVariable long id, Sent<Asked> sent) {
        return page(id, sent);
    }

    @PostMapping("/batches/{id}/warm-up/tub")
    ModelAndView tub(@PathVariable long id, Sent<TubForm> sent, @AuthenticationPrincipal SignedIn member) {
        return forms.answer(
                sent,
                "/batches/" + id + "/warm-up?kept" + carried(sent),
                form -> warm.keepTub(member, form.litres(), form.power(), form.loss()),
                () -> page(id, sent));
    }

    @PostMapping("/batches/{id}/warm-up/readings")
    ModelAndView fit(@PathVariable long id, Sent<ReadingsForm> sent, @AuthenticationPrincipal SignedIn member) {
        return forms.answer(
                sent,
                "/batches/" + id + "/warm-up?fitted" + carried(sent),
                form -> warm.fit(
                        member,
                        form.bottle(),
                        form.meanwhile().celsius(),
                        form.first().celsius(),
                        form.second().celsius(),
                        form.minutes()),
                () -> page(id, sent));
    }

    /** The plan of the run for which it is warmed, as its page's address carries it: it goes along, and leads back. */
    private static String carried(Sent<?> sent) {
        String plan = sent.typed("plan");
        return plan.isEmpty() ? "" : "&plan=" + UriUtils.encode(plan, StandardCharsets.UTF_8);
    }

    /** Switches a stand-in for heater and probe on, with the bath and the bottles as they were typed. */
    @PostMapping("/batches/{id}/warm-up/simulation")
    ModelAndView simulate(@PathVariable long id, Sent<SimulationForm> sent, @AuthenticationPrincipal SignedIn member) {
        return forms.answer(
                sent,
                form -> "/batches/%d/warm-up?%s%s"
                        .formatted(
                                id,
                                new Query()
                                        .with("bath", sent.typed("bath"))
                                        .with("bottles", sent.typed("bottles"))
                                        .with(
                                                "probe",
                                                warm.simulate(
                                                        member,
                                                        setTo(
                                                                warm.known(id, PlannedWarmth.of(sent.typed("plan"))),
                                                                form.set() == null
                                                                        ? null
                                                                        : form.set()
                                                                                .celsius()),
                                                        form.bath().celsius(),
                                                        form.bottles().celsius(),
                                                        form.fault()))
                                        .with(
                                                "from",
                                                clock.instant().minusSeconds(1).getEpochSecond())
                                        .with("set", sent.typed("set")),
                                carried(sent)),
                () -> page(id, sent));
    }

    private static WarmService.Known setTo(WarmService.Known known, @Nullable Double celsius) {
        return celsius == null ? known : known.setTo(celsius);
    }

    private static @Nullable Double celsius(Sent<?> sent, String field, double otherwise) {
        return sent.typed().containsKey(field)
                ? sent.read(field, () -> Temperature.parse(
                                sent.typed(field), Units.shown().temperature())
                        .celsius())
                : Double.valueOf(otherwise);
    }

    /**
     * Warming a batch up.
     *
     * @param heading when it is warm
     * @param batch the batch
     * @param plan the plan of the run, as its page’s address carries it
     * @param known what is known of bath and bottles
     * @param ranges what each bath wants
     * @param water where pre-soak and wash get their water
     * @param choices the bottles, by fill
     * @param room how warm the room is
     * @param wanted how warm the developer is wanted
     * @param probe what watches it; null for nothing
     * @param from since when it is watched, in seconds since 1970
     * @param heaters what each heater is set to
     * @param bathTyped what stands in the fields of the bath
     * @param forecast how it gets warm; null where nothing is foretold
     */
    record Page(
            String heading,
            BatchState batch,
            String plan,
            WarmService.Known known,
            List<String> ranges,
            List<String> water,
            Map<Long, String> choices,
            String room,
            String wanted,
            @Nullable Probe probe,
            long from,
            List<Probe> probes,
            List<Probe> simulated,
            List<SimulatedBath.Fault> faults,
            List<String> heaters,
            Map<String, String> bathTyped,
            @Nullable Forecast forecast) {}

    /**
     * How it gets warm.
     *
     * @param words in words
     * @param drawing drawn
     * @param shows what the probe shows; empty for nothing
     * @param finding what is odd about that; empty for nothing
     */
    record Forecast(String heading, String words, WarmDrawing drawing, String shows, String finding) {}

    private ModelAndView page(long id, Sent<?> sent) {
        WarmService.Known asPlanned = warm.known(id, PlannedWarmth.of(sent.typed("plan")));
        Double set =
                sent.typed("set").isBlank() ? Double.valueOf(asPlanned.setC()) : celsius(sent, "set", asPlanned.setC());
        WarmService.Known known = setTo(asPlanned, set);
        Double bath = celsius(sent, "bath", known.roomC());
        Double bottles = celsius(sent, "bottles", known.roomC());
        Instant from = from(sent.typed("from"));
        Probe probe = sent.typed("probe").isEmpty() ? null : sent.read("probe", () -> probe(sent.typed("probe")));
        String heading = "How warm is everything now?";
        Forecast forecast = null;
        double tubC = known.warming().targetC();
        if (known.tub() == null) {
            heading = "What is the water bath like?";
        } else if (known.tub().powerW() == 0 && !sent.typed().containsKey("bath") && bottles != null) {
            WarmWater water = sent.read("bath", () -> warm.water(known, bottles));
            heading = "This bath holds too little water";
            forecast = water == null ? null : ofWater(known, water);
            tubC = water == null ? tubC : water.waterC();
        } else if (bath != null && bottles != null && set != null) {
            forecast = ofHeater(known, warm.predict(known, bath, bottles), from, probe);
        }
        Map<String, String> bathTyped =
                new HashMap<>(known.tub() == null ? Map.of() : known.tub().asTyped());
        bathTyped.putAll(sent.typed());
        Map<Long, String> choices = new LinkedHashMap<>();
        for (Warming.Bottle bottle : known.warming().bottles()) {
            FillState fill = bottle.fill();
            choices.put(
                    fill.id(),
                    "%s, %s".formatted(fill.bottle().label(), fill.bath().role().name()));
        }
        return PageView.of(
                "warm/warm",
                new Page(
                        forecast == null ? heading : forecast.heading(),
                        known.batch(),
                        sent.typed("plan"),
                        known,
                        WarmWords.ranges(known.warming(), known.batch()),
                        WarmWords.water(known, tubC, houses.surroundings().water()),
                        choices,
                        Figures.celsius(known.roomC()),
                        Figures.celsius(known.warming().targetC()),
                        probe,
                        from.getEpochSecond(),
                        probes.probes(),
                        probes.simulatedFor(id),
                        List.of(SimulatedBath.Fault.values()),
                        houses.heaters().stream()
                                .map(heater -> "%s: set it to %s"
                                        .formatted(heater.name(), Figures.celsius(known.setC() - heater.offsetC())))
                                .toList(),
                        bathTyped,
                        forecast),
                sent);
    }

    /** A prediction, corrected by what a probe has shown since it was made. */
    private Forecast ofHeater(
            WarmService.Known known, WarmService.Predicted first, Instant from, @Nullable Probe probe) {
        Instant now = clock.instant();
        List<Probe.Reading> readings = probe == null ? List.of() : probes.readings(probe, from);
        WarmService.Predicted predicted = readings.isEmpty()
                ? first
                : warm.corrected(
                        known,
                        first,
                        Duration.between(from, now).toSeconds(),
                        readings.get(readings.size() - 1).celsius());
        return new Forecast(
                title(predicted.plain(), !readings.isEmpty()),
                words(predicted, known),
                drawing(
                        known,
                        first.plain(),
                        readings.stream()
                                .map(reading -> new double[] {
                                    Duration.between(from, reading.at()).toMillis() / 60_000.0, reading.celsius()
                                })
                                .toList()),
                probe == null ? "" : ProbeWords.shows(probe, readings),
                probe == null
                        ? ""
                        : ProbeWords.finding(probes.watch(probe, known.warming().leastC())
                                .filter(finding -> finding != ProbeWatch.Finding.COOLING)
                                .orElse(null)));
    }

    /** A bath without a heater: how warm its water has to be, and for how long that will do. */
    private Forecast ofWater(WarmService.Known known, WarmWater water) {
        return new Forecast(
                "Fill the bath at " + Figures.celsius(water.waterC()),
                "It has no heater. Filled now at %s, everything is within its range at %s, %s."
                        .formatted(
                                Figures.celsius(water.waterC()),
                                hour(water.readySeconds()),
                                water.untilSeconds() == null
                                        ? "and stays so for hours"
                                        : "until " + hour(water.untilSeconds())),
                drawing(known, water.warmUp(), List.of()),
                "",
                "");
    }

    private static WarmDrawing drawing(WarmService.Known known, WarmUp plain, List<double[]> readings) {
        return WarmDrawing.of(
                plain,
                known.letters(),
                known.warming().leastC(),
                known.warming().mostC(),
                known.roomC(),
                readings);
    }

    private Instant from(String typed) {
        Instant now = clock.instant();
        Instant from = typed.matches("[0-9]{1,12}") ? Instant.ofEpochSecond(Long.parseLong(typed)) : now;
        return from.isAfter(now) || from.isBefore(now.minus(WARMED_FOR)) ? now : from;
    }

    private Probe probe(String typed) {
        if (!typed.matches("[0-9]{1,9}")) {
            throw Refusal.of(new FormObjection.UnknownProbe());
        }
        return probes.probe(Long.parseLong(typed));
    }

    private String title(WarmUp plain, boolean begun) {
        if (plain.readySeconds() == null) {
            return "It does not get warm within four hours";
        }
        return plain.readySeconds() == 0
                ? "It is warm: pour now"
                : (begun ? "Getting warm, pour at " : "Start now, pour at ") + hour(plain.readySeconds());
    }

    private String words(WarmService.Predicted predicted, WarmService.Known known) {
        WarmUp plain = predicted.plain();
        if (plain.readySeconds() == null) {
            return known.holdsWhatIsWanted()
                    ? "The heater is too weak for this much water, or it loses too much. Begin with warmer water."
                    : "With the heater set to %s there is no moment at which everything is within its range. Set it to %s, or begin with warmer water."
                            .formatted(
                                    Figures.celsius(known.setC()),
                                    Figures.celsius(known.warming().targetC()));
        }
        String until = plain.untilSeconds() == null ? "" : " They stay so until " + hour(plain.untilSeconds()) + ".";
        WarmUp higher = predicted.higher();
        String quicker = higher == null || higher.readySeconds() == null
                ? ""
                : " Set to %s until the slowest bottle shows %s, then back to %s, it is ready at %s."
                        .formatted(
                                Figures.celsius(predicted.higherC()),
                                Figures.celsius(known.warming().leastC() - 1),
                                Figures.celsius(known.warming().targetC()),
                                hour(higher.readySeconds()));
        String what = known.warming().inTub().isEmpty() ? "All bottles" : "All bottles and the water";
        return "%s are within their range after %s.".formatted(what, minutes(plain.readySeconds())) + until + quicker;
    }

    private static String minutes(int seconds) {
        int minutes = (int) Math.ceil(seconds / 60.0);
        return minutes == 1 ? "one minute" : Figures.number(minutes) + " minutes";
    }

    private String hour(@Nullable Integer seconds) {
        return Figures.hour(
                clock.instant().plusSeconds(seconds == null ? 0 : seconds),
                houses.house().timeZone());
    }
}
