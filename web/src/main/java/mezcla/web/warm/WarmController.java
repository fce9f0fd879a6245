package mezcla.web.warm;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
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
import mezcla.web.forms.Beside;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.typed.TypedChoice;
import mezcla.web.forms.typed.TypedFigure;
import mezcla.web.house.HouseService;
import mezcla.web.probe.Probe;
import mezcla.web.probe.ProbeService;
import mezcla.web.probe.ProbeWords;
import mezcla.web.words.Figures;
import mezcla.web.words.Units;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.util.UriComponentsBuilder;
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

    @GetMapping("/batches/{id}/warm-up")
    ModelAndView warmUp(@PathVariable long id, @RequestParam Map<String, String> typed) {
        return page(id, typed, new FieldErrors());
    }

    @PostMapping("/batches/{id}/warm-up/tub")
    ModelAndView tub(
            @PathVariable long id, @RequestParam Map<String, String> typed, @AuthenticationPrincipal SignedIn member) {
        FieldErrors errors = new FieldErrors();
        Double litres = errors.read("litres", () -> TypedFigure.of(text(typed, "litres"), 1, 100));
        Double power = errors.read("power", () -> TypedFigure.of(text(typed, "power"), 0, 10_000));
        Double loss = errors.read("loss", () -> TypedFigure.of(text(typed, "loss"), 0, 100));
        return forms.answer(
                errors,
                text(typed, "formKey"),
                () -> {
                    warm.keepTub(member, FieldErrors.known(litres), FieldErrors.known(power), FieldErrors.known(loss));
                    return "/batches/" + id + "/warm-up?kept" + carried(typed);
                },
                objection -> "litres",
                () -> page(id, typed, errors));
    }

    @PostMapping("/batches/{id}/warm-up/readings")
    ModelAndView fit(
            @PathVariable long id, @RequestParam Map<String, String> typed, @AuthenticationPrincipal SignedIn member) {
        FieldErrors errors = new FieldErrors();
        Double fill = errors.read("bottle", () -> chosen(text(typed, "bottle")));
        Double bath = errors.read("meanwhile", () -> celsius(text(typed, "meanwhile")));
        Double first = errors.read("first", () -> celsius(text(typed, "first")));
        Double second = errors.read("second", () -> celsius(text(typed, "second")));
        Double minutes = errors.read("minutes", () -> TypedFigure.of(text(typed, "minutes"), 1, 240));
        return forms.answer(
                errors,
                text(typed, "formKey"),
                () -> {
                    warm.fit(
                            member,
                            FieldErrors.known(fill).longValue(),
                            FieldErrors.known(bath),
                            FieldErrors.known(first),
                            FieldErrors.known(second),
                            FieldErrors.known(minutes));
                    return "/batches/" + id + "/warm-up?fitted" + carried(typed);
                },
                Beside.field("second").or("bottle"),
                () -> page(id, typed, errors));
    }

    private static double chosen(String typed) {
        if (!typed.matches("[0-9]{1,9}")) {
            throw Refusal.of(new FormObjection.BottleMissing());
        }
        return Double.parseDouble(typed);
    }

    private static double celsius(String typed) {
        return Temperature.parse(typed, Units.shown().temperature()).celsius();
    }

    /** A plain number within bounds. */
    private static String text(Map<String, String> typed, String field) {
        return typed.getOrDefault(field, "");
    }

    private static PlannedWarmth planned(Map<String, String> typed) {
        return PlannedWarmth.of(text(typed, "plan"));
    }

    /** The plan of the run for which it is warmed, as its page's address carries it: it goes along, and leads back. */
    private static String carried(Map<String, String> typed) {
        String plan = text(typed, "plan");
        return plan.isEmpty() ? "" : "&plan=" + UriUtils.encode(plan, StandardCharsets.UTF_8);
    }

    /** Switches a stand-in for heater and probe on, with the bath and the bottles as they were typed. */
    @PostMapping("/batches/{id}/warm-up/simulation")
    ModelAndView simulate(
            @PathVariable long id, @RequestParam Map<String, String> typed, @AuthenticationPrincipal SignedIn member) {
        FieldErrors errors = new FieldErrors();
        Double bath = errors.read("bath", () -> celsius(text(typed, "bath")));
        Double bottles = errors.read("bottles", () -> celsius(text(typed, "bottles")));
        SimulatedBath.Fault fault = errors.read(
                "fault",
                () -> TypedChoice.of(
                        SimulatedBath.Fault.values(), text(typed, "fault"), new FormObjection.UnknownProbe()));
        return forms.answer(
                errors,
                text(typed, "formKey"),
                () -> "/batches/%d/warm-up?%s%s"
                        .formatted(
                                id,
                                UriComponentsBuilder.newInstance()
                                        .queryParam("bath", text(typed, "bath"))
                                        .queryParam("bottles", text(typed, "bottles"))
                                        .queryParam(
                                                "probe",
                                                warm.simulate(
                                                        member,
                                                        warm.known(id, planned(typed)),
                                                        FieldErrors.known(bath),
                                                        FieldErrors.known(bottles),
                                                        FieldErrors.known(fault)))
                                        .queryParam(
                                                "from",
                                                clock.instant().minusSeconds(1).getEpochSecond())
                                        .encode()
                                        .build()
                                        .getQuery(),
                                carried(typed)),
                objection -> "fault",
                () -> page(id, typed, errors));
    }

    private ModelAndView page(long id, Map<String, String> typed, FieldErrors errors) {
        WarmService.Known known = warm.known(id, planned(typed));
        ModelAndView page = new ModelAndView("warm/warm");
        Double bath = typed.containsKey("bath")
                ? errors.read("bath", () -> celsius(text(typed, "bath")))
                : Double.valueOf(known.roomC());
        Double bottles = typed.containsKey("bottles")
                ? errors.read("bottles", () -> celsius(text(typed, "bottles")))
                : Double.valueOf(known.roomC());
        Instant from = from(text(typed, "from"));
        Probe probe = text(typed, "probe").isEmpty() ? null : errors.read("probe", () -> probe(text(typed, "probe")));
        if (known.tub() == null) {
            page.addObject("heading", "What is the water bath like?");
        } else if (known.tub().powerW() == 0 && !typed.containsKey("bath") && bottles != null) {
            double bottlesC = bottles;
            WarmWater water = errors.read("bath", () -> warm.water(known, bottlesC));
            page.addObject(
                    "heading",
                    water == null
                            ? "This bath holds too little water"
                            : "Fill the bath at " + Figures.celsius(water.waterC()));
            if (water != null) {
                showWater(page, known, water);
            }
        } else if (bath != null && bottles != null) {
            show(page, known, warm.predict(known, bath, bottles), from, probe);
        } else {
            page.addObject("heading", "How warm is everything now?");
        }
        Map<String, String> bathTyped =
                new HashMap<>(known.tub() == null ? Map.of() : known.tub().asTyped());
        bathTyped.putAll(typed);
        page.addObject("bathTyped", bathTyped);
        Map<Long, String> choices = new LinkedHashMap<>();
        for (Warming.Bottle bottle : known.warming().bottles()) {
            FillState fill = bottle.fill();
            choices.put(
                    fill.id(),
                    "%s, %s".formatted(fill.bottle().label(), fill.bath().role().name()));
        }
        page.addObject("batch", known.batch());
        page.addObject("plan", text(typed, "plan"));
        page.addObject("known", known);
        page.addObject("ranges", WarmWords.ranges(known.warming()));
        page.addObject("water", WarmWords.water(known.warming()));
        page.addObject("choices", choices);
        page.addObject("room", Figures.celsius(known.roomC()));
        page.addObject("probe", probe);
        page.addObject("from", from.getEpochSecond());
        page.addObject("probes", probes.probes());
        page.addObject("simulated", probes.simulatedFor(id));
        page.addObject("faults", SimulatedBath.Fault.values());
        page.addObject(
                "heaters",
                houses.heaters().stream()
                        .map(heater -> "%s: set it to %s"
                                .formatted(
                                        heater.name(),
                                        Figures.celsius(known.warming().targetC() - heater.offsetC())))
                        .toList());
        page.addObject("typed", typed);
        page.addObject("errors", errors);
        page.setStatus(errors.none() ? HttpStatus.OK : HttpStatus.UNPROCESSABLE_CONTENT);
        return page;
    }

    /** Shows a prediction, corrected by what a probe has shown since it was made. */
    private void show(
            ModelAndView page,
            WarmService.Known known,
            WarmService.Predicted first,
            Instant from,
            @Nullable Probe probe) {
        Instant now = clock.instant();
        List<Probe.Reading> readings = probe == null ? List.of() : probes.readings(probe, from);
        WarmService.Predicted predicted = first;
        if (probe != null) {
            page.addObject("shows", ProbeWords.shows(probe, readings));
            page.addObject(
                    "finding",
                    ProbeWords.finding(probes.watch(probe, known.warming().leastC())
                            .filter(finding -> finding != ProbeWatch.Finding.COOLING)
                            .orElse(null)));
        }
        if (!readings.isEmpty()) {
            double shownC = readings.get(readings.size() - 1).celsius();
            predicted = warm.corrected(known, first, Duration.between(from, now).toSeconds(), shownC);
        }
        page.addObject("heading", title(predicted.plain(), !readings.isEmpty()));
        page.addObject("words", words(predicted, known));
        page.addObject(
                "drawing",
                WarmDrawing.of(
                        first.plain(),
                        known.letters(),
                        known.warming().leastC(),
                        known.warming().mostC(),
                        known.roomC(),
                        readings.stream()
                                .map(reading -> new double[] {
                                    Duration.between(from, reading.at()).toMillis() / 60_000.0, reading.celsius()
                                })
                                .toList()));
    }

    /** A bath without a heater: how warm its water has to be, and for how long that will do. */
    private void showWater(ModelAndView page, WarmService.Known known, WarmWater water) {
        page.addObject(
                "words",
                "It has no heater. Filled now at %s, everything is within its range at %s, %s."
                        .formatted(
                                Figures.celsius(water.waterC()),
                                hour(water.readySeconds()),
                                water.untilSeconds() == null
                                        ? "and stays so for hours"
                                        : "until " + hour(water.untilSeconds())));
        page.addObject(
                "drawing",
                WarmDrawing.of(
                        water.warmUp(),
                        known.letters(),
                        known.warming().leastC(),
                        known.warming().mostC(),
                        known.roomC(),
                        List.of()));
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
            return "The heater is too weak for this much water, or it loses too much. Begin with warmer water.";
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
