package mezcla.web.money.buy;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import mezcla.leaflet.FilmProcess;
import mezcla.log.LaboratoryPriced;
import mezcla.measure.Refusal;
import mezcla.money.BreakEven;
import mezcla.planning.BatchSize;
import mezcla.web.accounts.HouseAccounts;
import mezcla.web.accounts.KitOffers;
import mezcla.web.clock.LogClock;
import mezcla.web.drawing.cost.KitChoiceDrawing;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.typed.TypedMoney;
import mezcla.web.settings.HouseService;
import mezcla.web.words.Figures;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Puts together which kit to buy, and how much of it to mix at once. */
@Service
class BuyPages {
    private static final int ROWS = 12;

    private final HouseAccounts accounts;
    private final KitOffers offers;
    private final HouseService houses;
    private final LogClock clock;

    BuyPages(HouseAccounts accounts, KitOffers offers, HouseService houses, LogClock clock) {
        this.accounts = accounts;
        this.offers = offers;
        this.houses = houses;
        this.clock = clock;
    }

    /**
     * Which kit to buy.
     *
     * @param heading the answer
     * @param houseName the house
     * @param process the key of the process
     * @param processes the processes that the house knows a kit of
     * @param demand rolls a week, as typed or as the house did
     * @param demandSaid where that comes from
     * @param saved rolls saved up before a batch is mixed, as typed
     * @param lasts weeks that a batch is thought to last, as typed; empty for as printed
     * @param laboratory what a laboratory takes, as typed or as looked up
     * @param drawing every way side by side; null where no kit has a known price
     * @param rows the ways, the cheapest first
     * @param saving what saving up would change, of the cheapest
     * @param paidOff when equipment has paid for itself
     * @param query the same question, as an address carries it
     */
    record Page(
            String heading,
            String houseName,
            String process,
            List<FilmProcess> processes,
            String demand,
            String demandSaid,
            String saved,
            String lasts,
            String laboratory,
            @Nullable KitChoiceDrawing drawing,
            List<Row> rows,
            List<String> saving,
            String paidOff,
            String query) {}

    /** A way to use a kit. */
    record Row(String kit, String batches, String aRoll, String rolls, String lasts, String wasted, boolean best) {}

    /** What is asked, read. */
    record Asked(
            FilmProcess process, double perWeek, int saved, @Nullable Double lastsWeeks, Optional<Money> laboratory) {}

    /** Reads what is asked; what cannot be read stands beside its field, and the house's own counts instead. */
    @Transactional(readOnly = true)
    Asked asked(Map<String, String> typed, FieldErrors errors) {
        List<FilmProcess> known = processes();
        String key = typed.getOrDefault("process", "");
        FilmProcess process = known.stream()
                .filter(each -> each.key().equals(key))
                .findFirst()
                .orElse(known.isEmpty() ? FilmProcess.COLOUR_NEGATIVE : known.get(0));
        String demand = typed.getOrDefault("demand", "").strip();
        Double perWeek = demand.isEmpty() ? null : errors.read("demand", () -> demand(demand));
        String saved = typed.getOrDefault("saved", "").strip();
        Integer rolls = saved.isEmpty() ? null : errors.read("saved", () -> saved(saved));
        String lasts = typed.getOrDefault("lasts", "").strip();
        Double weeks = lasts.isEmpty() ? null : errors.read("lasts", () -> weeks(lasts));
        String laboratory = typed.getOrDefault("laboratory", "");
        Money typedPrice = laboratory.isBlank()
                ? null
                : errors.read(
                        "laboratory",
                        () -> TypedMoney.of(laboratory, houses.house().currency()));
        return new Asked(
                process,
                perWeek == null ? accounts.demand(process).orElse(1) : perWeek,
                rolls == null ? 0 : rolls,
                weeks,
                typedPrice != null
                        ? Optional.of(typedPrice)
                        : accounts.prices()
                                .laboratory(process.key(), clock.instant())
                                .map(LaboratoryPriced::price));
    }

    /** The processes that the house knows a kit of; the one of which most comes first. */
    private List<FilmProcess> processes() {
        return offers.processes().stream()
                .sorted(Comparator.comparingDouble(
                        process -> -accounts.demand(process).orElse(0)))
                .toList();
    }

    private static double demand(String typed) {
        String text = typed.replace(',', '.');
        if (!text.matches("[0-9]{1,3}(\\.[0-9]{1,2})?")
                || Double.parseDouble(text) < BatchSize.LEAST_PER_WEEK
                || Double.parseDouble(text) > BatchSize.MOST_PER_WEEK) {
            throw Refusal.of(new FormObjection.NotADemand(typed));
        }
        return Double.parseDouble(text);
    }

    private static double weeks(String typed) {
        String text = typed.replace(',', '.');
        if (!text.matches("[0-9]{1,3}(\\.[0-9])?") || Double.parseDouble(text) < BatchSize.LEAST_WEEKS) {
            throw Refusal.of(new FormObjection.NotALife(typed));
        }
        return Double.parseDouble(text);
    }

    private static int saved(String typed) {
        if (!typed.matches("[0-9]{1,2}") || Integer.parseInt(typed) > BatchSize.MOST_SAVED) {
            throw Refusal.of(new FormObjection.NotACount(typed));
        }
        return Integer.parseInt(typed);
    }

    @Transactional(readOnly = true)
    Page page(Map<String, String> typed, FieldErrors errors) {
        Asked asked = asked(typed, errors);
        OptionalDouble known = accounts.demand(asked.process());
        List<BatchSize> sizes = offers.sizes(asked.process(), asked.perWeek(), asked.saved(), asked.lastsWeeks());
        Optional<BatchSize> best = sizes.stream().findFirst();
        String perWeek = Figures.plain(asked.perWeek(), 1);
        String demand = typed.getOrDefault("demand", "");
        return new Page(
                best.map(size -> heading(size, asked)).orElse("No kit with a known price yet"),
                houses.house().name(),
                asked.process().key(),
                processes(),
                demand.isBlank() ? perWeek : demand,
                known.isPresent()
                        ? "The house ran %s a week in the last eight weeks."
                                .formatted(Figures.countOfRolls(Math.round(known.getAsDouble() * 10) / 10.0))
                        : "Nobody has run any in the last eight weeks, so this is a guess.",
                typed.getOrDefault("saved", "0"),
                typed.getOrDefault("lasts", ""),
                typed.getOrDefault(
                        "laboratory",
                        asked.laboratory()
                                .map(money -> money.getAmount().toPlainString())
                                .orElse("")),
                sizes.isEmpty() ? null : KitChoiceDrawing.of(sizes, asked.laboratory()),
                sizes.stream()
                        .limit(ROWS)
                        .map(size -> row(size, size.equals(sizes.get(0))))
                        .toList(),
                best.map(size -> saving(size, asked.perWeek())).orElse(List.of()),
                best.map(size -> paidOff(size, asked)).orElse(""),
                query(asked));
    }

    /** A question as an address carries it. */
    static String query(Asked asked) {
        return "process=%s&demand=%s&saved=%d&lasts=%s"
                .formatted(
                        asked.process().key(),
                        Figures.plain(asked.perWeek(), 1),
                        asked.saved(),
                        asked.lastsWeeks() == null ? "" : Figures.plain(asked.lastsWeeks(), 1));
    }

    private static String heading(BatchSize size, Asked asked) {
        return "At %s a week, %s costs %s a roll"
                .formatted(
                        Figures.countOfRolls(Math.round(asked.perWeek() * 10) / 10.0),
                        size.batches() == 1
                                ? "%s mixed whole".formatted(size.offer().name())
                                : "%s in batches of %s".formatted(size.offer().name(), Figures.inAll(size.volumeMl())),
                        Figures.money(size.aRoll()));
    }

    private static Row row(BatchSize size, boolean best) {
        return new Row(
                size.offer().name(),
                size.batches() == 1
                        ? "whole, %s".formatted(Figures.inAll(size.volumeMl()))
                        : "%s of %d × %s"
                                .formatted(
                                        size.used() == size.batches() ? "all" : Figures.number(size.used()),
                                        size.batches(),
                                        Figures.inAll(size.volumeMl())),
                size.aRoll().getAmount().toPlainString(),
                "%s of %d".formatted(Figures.plain(size.expectedRolls(), 1), size.capacity()),
                Figures.weeks(size.lastsWeeks()),
                Figures.plain(size.wasted() * 100, 0) + "\u00a0%",
                best);
    }

    /** What saving film up would change, at a few steps. */
    private static List<String> saving(BatchSize size, double perWeek) {
        List<BatchSize> all = size.savingUp(perWeek);
        List<String> said = new ArrayList<>();
        for (int saved : List.of(0, 2, 4, 6, 9, 12)) {
            if (saved < all.size()) {
                BatchSize each = all.get(saved);
                said.add(
                        saved == 0
                                ? "Mixed when the first roll comes: %s a roll".formatted(Figures.money(each.aRoll()))
                                : "Mixed when %s wait, after about %s: %s a roll"
                                        .formatted(
                                                Figures.countOfRolls(saved),
                                                Figures.weeks(each.waitsWeeks()),
                                                Figures.money(each.aRoll())));
            }
        }
        return said;
    }

    private String paidOff(BatchSize size, Asked asked) {
        Optional<Money> equipment = accounts.prices().equipmentCost();
        if (equipment.isEmpty() || asked.laboratory().isEmpty()) {
            return "";
        }
        var rolls = BreakEven.rolls(equipment.get(), asked.laboratory().get(), size.aRoll());
        return rolls.isPresent()
                ? "Equipment of %s has paid for itself after %d rolls, about %s."
                        .formatted(
                                Figures.money(equipment.get()),
                                rolls.getAsLong(),
                                Figures.weeks(rolls.getAsLong() / asked.perWeek()))
                : "A laboratory is no dearer: equipment of %s never pays for itself."
                        .formatted(Figures.money(equipment.get()));
    }

    /** The cheapest way, for seasons; empty where there is none. */
    @Transactional(readOnly = true)
    Optional<BatchSize> best(Asked asked) {
        return offers.sizes(asked.process(), asked.perWeek(), asked.saved(), asked.lastsWeeks()).stream()
                .findFirst();
    }
}
