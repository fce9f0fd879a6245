package mezcla.web.shell;

import java.util.Map;
import java.util.Objects;
import mezcla.batch.FillState;
import mezcla.leaflet.Range;
import mezcla.leaflet.Unit;
import mezcla.measure.FilmFormat;
import mezcla.measure.ProcessingTime;
import mezcla.measure.Refusal;
import mezcla.verdict.Reason;
import org.jspecify.annotations.Nullable;

/** Turns what the core decides into sentences. */
public final class Sentences {
    private Sentences() {}

    /** Why a fill stands as it does, with its figures. */
    public static String reason(Reason reason, FillState fill) {
        return fill.bath().role().name() + ": " + because(reason, fill) + ".";
    }

    private static String because(Reason reason, FillState fill) {
        String figure = Figures.rolls(reason.figure());
        String limit = Figures.rolls(reason.limit());
        return switch (reason.code()) {
            case CONTAMINATED -> "another solution got into it";
            case DEVELOPER_BLACK -> "it has gone black, so it is dead";
            case SLUDGE -> "there is sludge in it";
            case BAD_RESULT -> "film came out with a heavy cast or heavy grain, put down to it";
            case USED_UP ->
                Figures.ml(reason.figure()) + " left, and the smallest tank takes " + Figures.ml(reason.limit());
            case OVER_ROLLS ->
                "%s of %s done, and %s stops there"
                        .formatted(
                                figure,
                                Figures.rolls(reason.limit()) + " rolls",
                                isPrinted(reason, fill) ? "the leaflet" : "the house");
            case OVER_AGE -> overAge(figure, limit, fill, isPrinted(reason, fill));
            case WORN ->
                "rolls and age together are at %s %% of what careful use allows"
                        .formatted(Figures.plain(reason.figure() * 100, 0));
            case NEARLY_WORN ->
                "rolls and age together are at %s %% of what careful use allows; test first"
                        .formatted(Figures.plain(reason.figure() * 100, 0));
            case WEAK_BLEACH_FIX -> "film stayed milky when dry; that film can go through a good one once more";
            case TEST_ROLLS ->
                "%s of %s rolls done; from %s on the leaflet says to test first"
                        .formatted(figure, mostRolls(fill), limit);
            case TEST_AGE ->
                "%s of %s days old; from %s days on, test before film that matters"
                        .formatted(figure, mostDays(fill), limit);
            case WARM_STORAGE ->
                "stored as if for %s days (estimate), and the %s allows %s"
                        .formatted(
                                Figures.plain(reason.figure(), 1),
                                isOwn(fill.bath().lifeDays()) ? "house" : "leaflet",
                                limit);
            case FEW_ROLLS_LEFT -> fewRolls(reason, fill);
            case FEW_DAYS_LEFT ->
                reason.figure() < 1
                        ? "today is the last of its %s days".formatted(mostDays(fill))
                        : "%s left of %s".formatted(Figures.countOfDays(reason.figure()), mostDays(fill));
            case MORE_TIME ->
                "%s rolls done%s, so %s more than fresh"
                        .formatted(
                                rollsDone(fill),
                                fill.trimPercent() == 0 ? "" : " and trim " + Figures.percent(fill.trimPercent()),
                                Figures.seconds(reason.figure()));
        };
    }

    /** The stretch school goes by how a fill was stored; a limit of the house's own goes by the calendar. */
    private static String overAge(String figure, String limit, FillState fill, boolean printed) {
        if (printed) {
            return "%s days old, and the leaflet allows %s".formatted(figure, limit);
        }
        Range life = fill.bath().lifeDays();
        return life != null && life.house() && limit.equals(Figures.plain(life.max(), 0))
                ? "%s days old, and the house allows %s".formatted(figure, limit)
                : "as old as %s days (estimate), and the house allows %s".formatted(figure, limit);
    }

    private static boolean isOwn(@Nullable Range range) {
        return range != null && range.house();
    }

    /** Whether a limit is the leaflet's own; the stretch school goes beyond it. */
    private static boolean isPrinted(Reason reason, FillState fill) {
        boolean rolls = reason.code() == Reason.Code.OVER_ROLLS;
        Range printed = rolls ? fill.bath().capacity() : fill.bath().lifeDays();
        double scale = rolls ? fill.wearPerRoll() : 1;
        return printed == null || !printed.house() && reason.limit() * scale <= printed.max() + 1e-6;
    }

    private static String fewRolls(Reason reason, FillState fill) {
        if (fill.bath().oneShot() != null) {
            return "%s left, enough for %s"
                    .formatted(
                            Figures.ml(fill.volumeMl()),
                            reason.figure() < 1 ? "no run in this tank" : Figures.countOfRolls(reason.figure()));
        }
        return reason.figure() <= 0
                ? "no rolls left of " + mostRolls(fill)
                : "%s left of %s".formatted(Figures.countOfRolls(reason.figure()), mostRolls(fill));
    }

    /** How far a fill is used: {@code 7 of 18}, or {@code 7} where no limit is printed. */
    public static String rollsDone(FillState fill) {
        String done = Figures.rolls(fill.scaledRolls() / fill.wearPerRoll());
        return fill.bath().capacity() == null ? done : done + " of " + mostRolls(fill);
    }

    private static String mostRolls(FillState fill) {
        Range capacity = fill.bath().capacity();
        return capacity == null
                ? "any number"
                : Figures.rolls(capacity.max() / fill.wearPerRoll()) + (capacity.house() ? " (house)" : "");
    }

    private static String mostDays(FillState fill) {
        Range life = fill.bath().lifeDays();
        return life == null ? "any number" : Figures.plain(life.max(), 0) + (life.house() ? " (house)" : "");
    }

    /** What is refused, and what would be accepted. */
    public static String refusal(Refusal refusal) {
        String text = "“" + refusal.text("text") + "”";
        return switch (refusal.code()) {
            case "missing" -> "Something has to stand here.";
            case "not-a-volume" -> text + " is not a volume. Type it as 500 ml, 1 L, 1,2 l or 20 fl oz.";
            case "not-a-time" -> text + " is not a time. Type it as 3:15, 3 min 15 s or 195 s.";
            case "not-a-temperature" -> text + " is not a temperature. Type it as 38.5 °C or 101 F.";
            case "not-a-mass" -> text + " is not a weight. Type it as 12.5 g, 1 kg or 4 oz.";
            case "plain-ounce" ->
                text + " could be a weight or a volume. Type fl oz for US fluid ounces or uk fl oz for UK ones.";
            case "ambiguous-number" ->
                text + " could be " + Figures.plain(refusal.number("decimal"), 3) + " or "
                        + Figures.plain(refusal.number("thousands"), 0) + " " + refusal.text("unit")
                        + ". Type it without the comma or point, or with another number of decimals.";
            case "out-of-range" -> text + " is out of range. It can be " + range(refusal) + ".";
            case "not-a-count" -> text + " is not a number of rolls. Type a whole number from 1 to 24.";
            case "too-many-rolls" -> "That makes more than 24 rolls. Log larger loads as several runs.";
            case "rolls-missing" -> "Type how many rolls go in, 1 at least.";
            case "owner-missing" -> "Type whose film it is.";
            case "text-too-long" -> "That is too long. It can be up to %s characters.".formatted(refusal.text("most"));
            case "unknown-format" -> "Choose one of the formats in the list.";
            case "unknown-tank" -> "Choose one of the tanks in the list.";
            case "unknown-process" -> "Choose one of the processes in the list.";
            case "unknown-push" -> "Choose one of the pushes in the list.";
            case "pushes-differ" -> "Film that is pushed differently never shares a tank.";
            case "push-outside-leaflet" ->
                refusal.number("least") == 0 && refusal.number("most") == 0
                        ? "This leaflet has no times for pushed or pulled film."
                        : "This leaflet has times for %s to %s stops only."
                                .formatted(
                                        Figures.stops(refusal.number("least")), Figures.stops(refusal.number("most")));
            case "parts-exceed-volume" -> "The parts alone need more room than that. Mix a larger volume.";
            case "more-than-the-kit-allows" ->
                refusal.number("largestMl") < 1
                        ? "%s has run out, so this kit makes no more.".formatted(refusal.text("part"))
                        : "This kit makes no more than %s: %s runs out first."
                                .formatted(Figures.ml(Math.floor(refusal.number("largestMl"))), refusal.text("part"));
            case "bottle-missing" -> "Choose a bottle.";
            case "bottle-taken" -> "%s is already spoken for. Choose another bottle.".formatted(refusal.text("bottle"));
            case "bottle-too-small" ->
                "%s holds %s.".formatted(refusal.text("bottle"), Figures.ml(refusal.number("capacityMl")));
            case "batch-ended" -> "Nothing of this batch stands on the shelf any more.";
            case "wrong-code" -> "That is not the code on the console. After five wrong ones it prints a new one.";
            case "house-begun" -> "This house has begun already. Sign in, or ask a steward.";
            case "unknown-currency" -> text + " is no currency. Type its three letters, as NZD or EUR.";
            case "unknown-time-zone" -> text + " is no time zone. Type it as Pacific/Auckland or Europe/Lisbon.";
            case "sign-in-name-form" -> "Use 2 to 30 letters, digits, points or hyphens, without spaces.";
            case "sign-in-name-taken" -> text + " is taken. Choose another name to sign in with.";
            case "password-short" ->
                "Use %s to %s characters; letters with accents count twice."
                        .formatted(refusal.text("least"), refusal.text("most"));
            case "name-taken" -> text + " is there already. Give it another name.";
            case "unknown-material" -> "Choose one of the materials in the list.";
            case "unknown-member" -> "Choose somebody in the list.";
            case "not-a-moment" -> text + " is no day and hour. Type it as 2026-11-25T19:30.";
            case "in-the-future" -> "That has not happened yet. Leave it empty for now.";
            case "before-mixing" -> "The batch was not mixed yet at that time.";
            case "bath-barred" ->
                "The %s is barred by %s: %s."
                        .formatted(
                                bathWithin(refusal),
                                bar(refusal).who(),
                                bar(refusal).reason().replaceAll("[.]+$", ""));
            case "already-barred" -> "It is barred already.";
            case "not-barred" -> "It is not barred.";
            case "more-than-there-is" ->
                "The log says that %s is in it. Measure what is left instead."
                        .formatted(Figures.ml(refusal.number("leftMl")));
            case "not-a-batch" -> text + " is not the number of a batch. Type it as 14.";
            case "not-a-day" -> text + " is not a day. Type it as 2026-11-25.";
            case "already-void" -> "This entry is void already.";
            case "void-is-final" -> "A void stays. Log what happened once more instead.";
            case "later-entries-depend" ->
                "Later entries rest on it: %s. Void those first.".formatted(refusal.text("text"));
            case "bath-missing" -> "Its %s was discarded and not renewed.".formatted(bathWithin(refusal));
            case "bath-must-go" ->
                "The %s has to go: %s."
                        .formatted(
                                bathWithin(refusal),
                                because((Reason) refusal.values().get("because"), fill(refusal)));
            case "run-too-big" ->
                "This run is %s, and the %s takes %s more."
                        .formatted(
                                Figures.countOfRolls(refusal.number("rolls")),
                                bathWithin(refusal),
                                Figures.countOfRolls(refusal.number("fits")));
            case "too-little-for-tank" ->
                "%s left of the %s, and this tank takes %s."
                        .formatted(
                                Figures.ml(refusal.number("leftMl")),
                                bathWithin(refusal),
                                Figures.ml(refusal.number("needsMl")));
            case "waste-kept-apart" ->
                "%s does not go into %s: developer and silver-bearing waste are kept apart."
                        .formatted(refusal.text("bath"), Figures.within(refusal.text("route")));
            case "not-a-limit" -> text + " is not a limit. Type a number from 1 to 999, or leave it empty.";
            case "not-between" ->
                text
                        + " does not go. Type a number from %s to %s."
                                .formatted(
                                        Figures.plain(refusal.number("least"), 0),
                                        Figures.plain(refusal.number("most"), 0));
            case "readings-do-not-fit" ->
                "Between the two readings the bottle has to come nearer to the bath, without reaching it.";
            case "tub-empty" -> "A bath without water warms nothing.";
            case "carbon-backing" ->
                "Film with a carbon backing never enters the %s before its pre-bath and a rinse: the carbon would foul it."
                        .formatted(Figures.within(refusal.text("bath")));
            case "step-too-short" -> "%s is too short to pour in and out.".formatted(refusal.text("step"));
            case "unknown-event" -> "That could not be read.";
            case "acid-on-fixer" ->
                "An acid stop bath does not go into %s: acid on used fixer sets free a gas that chokes."
                        .formatted(refusal.text("drum"));
            case "drum-of-another-kind" ->
                "%s does not go into %s, which is for %s: who collects it has to know what is in it."
                        .formatted(refusal.text("bath"), refusal.text("drum"), Figures.within(refusal.text("kind")));
            case "drum-too-full" ->
                "%s has room for %s more. Have it collected first, or pour into another one."
                        .formatted(refusal.text("drum"), Figures.inAll(refusal.number("roomMl")));
            case "unknown-drum" -> "Choose a drum that the house has.";
            case "rinse-needed" ->
                "Slides and cine film do not go straight on: what the leaflet prints after the developer stays.";
            case "no-reel-for" ->
                "This tank has no reel for %s."
                        .formatted(((FilmFormat.Reel) refusal.values().get("reel")).words());
            case "reels-do-not-fit" -> "That is more than goes in: " + reels(refusal) + " fill this tank.";
            case "too-many-loads" -> "An evening holds up to %s loads.".formatted(refusal.text("most"));
            case "not-an-hour" -> text + " is no hour. Type it as 18:50.";
            case "loads-missing" -> "No load is planned.";
            case "unknown-probe" -> "Choose a probe that the house has.";
            case "not-readings" ->
                "Send {\"celsius\": 37.8}, or {\"readings\": [{\"at\": \"2026-11-26T07:05:00Z\", \"celsius\": 37.8}]}.";
            case "readings-too-many" ->
                "That is too much at once. Send up to %s readings.".formatted(refusal.text("most"));
            case "reading-time" ->
                text + " is no moment of the last day. Send it as 2026-11-26T07:05:00Z, or leave it out for now.";
            case "reached-missing" -> "Tick the baths that the film had reached.";
            case "run-not-theirs" -> "Choose one of their runs.";
            case "drum-not-empty" -> "Something is in it. Have it collected before it goes off the list.";
            case "drum-is-empty" -> "Nothing is in it.";
            case "photo-too-big" -> "That photo is larger than 8 MB. Send a smaller one.";
            case "photo-unreadable" -> "That is no picture that can be read. Choose a JPEG or a PNG.";
            case "reason-missing" -> "Type why, so that the others can read it later.";
            case "fills-missing" -> "Choose at least one bath.";
            case "already-discarded" -> "%s has been discarded already.".formatted(refusal.text("bath"));
            case "in-use" ->
                "%s has a run in the %s just now. Wait until it is back in its bottle."
                        .formatted(((FillState.InUse) refusal.values().get("use")).who(), bathWithin(refusal));
            case "moved-on" -> "Something was logged about this batch since you looked. Read it, then start again.";
            case "run-is-over" -> "This run is over: it was logged, called off or voided.";
            case "before-start" -> "The run had not been started yet at that time.";
            case "nothing-to-override" ->
                "No limit holds this run back that could be passed: foreign solution, sludge, a black developer, too little and a bar never can.";
            case "override-reason-missing" -> "Type why: it stays on the batch for everyone to read.";
            case "one-shot-not-topped-up" -> "This bath is poured away after each run, so it is never topped up.";
            case "bottle-too-full" ->
                refusal.number("roomMl") < 1
                        ? "%s is full.".formatted(refusal.text("bottle"))
                        : "%s has room for %s more."
                                .formatted(refusal.text("bottle"), Figures.ml(Math.floor(refusal.number("roomMl"))));
            case "steward-pours-away" ->
                "%s still stands there. A steward pours it away first.".formatted(refusal.text("bath"));
            case "unknown-route" -> "Choose one of the drums in the list.";
            case "kit-missing", "unknown-kit" -> "Choose one of the kits in the list.";
            case "unknown-part" -> "Choose parts of this kit.";
            case "place-missing" -> "Choose one of the places in the list.";
            case "unknown-air" -> "Choose how air is kept out.";
            case "glass-not-squeezed" ->
                "%s is glass and cannot be squeezed. Choose another way, or another bottle."
                        .formatted(refusal.text("bottle"));
            case "guest-missing", "unknown-fill" -> "Choose one of the bottles in the list.";
            case "developer-not-shared" -> "A developer or a one-shot serves in its own batch alone.";
            case "serves-here-already" -> "It serves in this batch already.";
            case "bath-stands" ->
                "The %s of this batch still stands there. Pour it away first.".formatted(bathWithin(refusal));
            case "leaflet-missing" -> "Choose one of the leaflets in the list.";
            case "leaflet-is-the-latest" -> "No later version of its leaflet is known.";
            case "leaflet-lacks-bath" ->
                "The later version has no %s, so it cannot govern this batch."
                        .formatted(Figures.within(refusal.text("bath")));
            case "baths-missing" -> "Type how much of one bath at least stands there.";
            case "not-rolls-done" -> text + " is not a number of rolls. Type about how many, as 7 or 7.5.";
            case "not-money" -> text + " is not a price. Type it as 56.50, without the currency.";
            case "not-a-difference" -> text + " is no difference of degrees. Type it as -0.8 or 1.5, up to 10.";
            case "not-an-address" -> text + " is not an address. Type it as http://darkroom.local:8080.";
            case "unknown-units" -> "Choose one of the units in the list.";
            case "unknown-tool" -> "Choose one of the kinds in the list.";
            case "graduation-coarse" -> "A mark cannot be more than the tool measures at once.";
            case "name-of-removed" -> text + " was removed earlier. Bring it back, or choose another name.";
            case "bottle-in-use" -> "Something is in it. Pour that over or away first.";
            case "last-tank" -> "One tank at least has to stay.";
            case "leaflet-name-taken" ->
                text + " is there already. Open it and type a new version, or give this one another name.";
            case "leaflet-known" -> text + " is there already, and says just this.";
            case "unknown-leaflet" -> "No such leaflet is known.";
            case "retyped-by-the-same" -> "You typed this sheet in. Let somebody else type it again.";
            case "not-a-number" -> text + " is not a number. Type it as 16 or 16.5.";
            case "file-missing" -> "Choose a file.";
            case "file-too-big" -> "This file is too big for a leaflet.";
            case "file-not-text" -> "This file is no text.";
            case "file-broken" -> "This file cannot be read any more. Choose it again.";
            case "steps-missing" -> "Type one line at least, as 1-6 3:15.";
            case "steps-out-of-order" -> "The bands are not in the order of the rolls.";
            case "band-reversed" -> "A band ends before it begins.";
            case "not-a-band" -> text + " is no band of rolls. Type each line as 1-6 3:15.";
            case "not-a-push" -> text + " is no factor. Type each line as +1 1.25, or +1 1.25 wear 1.2.";
            case "not-a-time-at" -> text + " is no line of this table. Type each as 35 °C 4:30.";
            case "not-an-example" -> text + " is no example. Type it as Developer after 7, 2 more: 3:40.";
            case "not-a-step" ->
                text
                        + " is no step. Type the name of a bath, Pre-soak 1:00, Wash 3:00, Wash 6 fills or Wash until clear.";
            case "not-a-range" -> text + " is no pair of limits. Type 12-16, or 16.";
            case "range-reversed" -> "The first limit is above the second.";
            case "not-a-tolerance" -> text + " is no tolerance. Type ± 0.3, or 24-41.";
            case "tolerance-misses-temperature" -> "The printed temperature lies outside of this.";
            case "not-a-dilution" -> text + " is no dilution. Type stock and water as 1 + 4.";
            case "unknown-unit" -> "Choose liquid or powder.";
            case "unknown-role" -> "Choose one of the baths in the list.";
            case "unknown-mode" -> "Choose how it is mixed.";
            case "unknown-care" -> "Choose how exactly it is measured.";
            case "not-letters" -> "Type two letters, the first one large: Ab.";
            case "no-such-part" -> text + " is none of the parts above.";
            case "mixing-temperatures-mixed-up" -> "The best temperature lies between the lowest and the highest.";
            case "not-days" -> text + " is no number of days. Type it as 180.";
            case "not-a-percentage" -> text + " is no percentage. Type it as 2 or 2.5.";
            case "not-minutes" -> text + " is no number of minutes. Type 1 to 240.";
            case "unknown-bath" -> "A step or an example names a bath that is not there.";
            case "key-twice" -> "Something is named twice: “%s”.".formatted(refusal.text("key"));
            case "recipe-without-volume" -> "A recipe makes no volume.";
            case "time-missing" -> "A bath has no time.";
            case "hot-not-hotter" -> "Hot water has to be warmer than cold.";
            case "not-weeks" -> text + " is no number of weeks. Type 0 to 52.";
            case "part-runs-out" ->
                "%s: %s needed, %s left."
                        .formatted(
                                refusal.text("part"),
                                Figures.amount(refusal.number("needs"), (Unit)
                                        refusal.values().get("unit")),
                                Figures.amount(refusal.number("left"), (Unit)
                                        refusal.values().get("unit")));
            case "more-of-part-than-there-is" ->
                "%s is left of it. Correct the level first, if there is more."
                        .formatted(Figures.amount(
                                refusal.number("left"), (Unit) refusal.values().get("unit")));
            case "kits-differ" -> "Choose another kit with the same leaflet.";
            case "part-used-up" -> "Nothing is left of it.";
            case "part-sealed" -> "It is sealed. Only what was opened is put to another kit.";
            case "part-open-already" -> "It is open already.";
            case "part-missing" -> "Choose one of the parts.";
            case "not-vials" -> text + " is no number of vials. Type 1 to 99.";
            case "not-a-part-level" -> text + " is no amount. Type it as 85 ml or 12.5 g, or 0 for nothing.";
            case "cautions-unread" -> "Read the cautions, then tick that you have.";
            case "act-done-already" -> "This act is ticked already, maybe at another device.";
            case "act-out-of-turn" -> "Somebody went on with this mix at another device. This is where it stands now.";
            case "mix-is-over" -> "This mix is over: it is on the shelf, or was abandoned.";
            case "acts-left" -> "Not every act is done yet.";
            case "boxes-missing" -> "Tick the boxes that are ticked on the card.";
            case "code-of-none" ->
                "No bottle on the shelf has the code " + text + ". It was poured away, or is another house’s.";
            case "not-a-code" -> text + " is not the code of a bottle. It has a slip, or was never ours.";
            case "unknown-school" -> "Choose one of the three schools.";
            case "unknown-light" -> "Choose how light it is.";
            case "readings-missing" -> "There is no reading in this file.";
            case "not-a-reading" ->
                "Line %s is no reading. Each line has a time and degrees Celsius: 2026-11-25T19:30,21.5."
                        .formatted(refusal.text("line"));
            case "unknown-sign" -> "Choose what it looks like.";
            case "unknown-result" -> "Choose what you see.";
            case "film-still-wet" ->
                "Film is judged dry, two to three hours after the run. Wet colour film looks milky, wet slides bluish or brownish; that is normal.";
            case "clip-of-developer" -> "A clip test judges a developer. Look into this bottle instead.";
            case "unknown-run" -> "No such run is known.";
            case "unknown-roll" -> "Choose one of its rolls.";
            case "not-a-trim" -> text + " is no correction. Type percent from -30 to 30.";
            case "pin-form" -> "Use 4 to 8 digits.";
            case "wrong-pin" -> "That is not their PIN.";
            case "pin-wait" -> "Too many wrong PINs. Wait a little, then try again.";
            case "form-key-missing" -> "This page was open too long. Check what you typed and send it again.";
            default -> "That is not possible (%s).".formatted(refusal.code());
        };
    }

    @SuppressWarnings("unchecked")
    private static String reels(Refusal refusal) {
        return TankWords.holds((Map<FilmFormat.Reel, Integer>) refusal.values().get("holds"));
    }

    private static String range(Refusal refusal) {
        double least = refusal.number("least");
        double most = refusal.number("most");
        return switch (refusal.text("unit")) {
            case "ml" -> "0.01 ml to 100 L";
            case "s" -> "1 s to " + new ProcessingTime((int) most);
            default -> Figures.plain(least, 2) + " to " + Figures.plain(most, 2) + " " + refusal.text("unit");
        };
    }

    private static FillState fill(Refusal refusal) {
        return (FillState) refusal.values().get("fill");
    }

    private static FillState.Bar bar(Refusal refusal) {
        return Objects.requireNonNull(fill(refusal).bar());
    }

    private static String bathWithin(Refusal refusal) {
        return Figures.within(fill(refusal).bath().role().name());
    }
}
