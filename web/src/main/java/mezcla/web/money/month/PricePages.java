package mezcla.web.money.month;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import mezcla.leaflet.FilmProcess;
import mezcla.money.HousePrices;
import mezcla.web.accounts.HouseAccounts;
import mezcla.web.accounts.KitOffers;
import mezcla.web.clock.LogClock;
import mezcla.web.settings.HouseService;
import mezcla.web.words.Figures;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Puts together how film is charged, what a laboratory takes, and what equipment cost. */
@Service
class PricePages {
    private final HouseAccounts accounts;
    private final KitOffers offers;
    private final HouseService houses;
    private final LogClock clock;

    PricePages(HouseAccounts accounts, KitOffers offers, HouseService houses, LogClock clock) {
        this.accounts = accounts;
        this.offers = offers;
        this.houses = houses;
        this.clock = clock;
    }

    /**
     * Prices.
     *
     * @param heading what they come to
     * @param houseName the house
     * @param processes each process, with how it is charged and what a laboratory takes
     * @param history what was decided, the latest first
     * @param equipment what was bought, the latest first
     * @param choices the processes to choose from
     */
    record Page(
            String heading,
            String houseName,
            List<Of> processes,
            List<String> history,
            List<String> equipment,
            List<FilmProcess> choices) {}

    /** A process with how it is charged and what a laboratory takes. */
    record Of(String name, String charged, String laboratory) {}

    /** The processes that can have a price: the three that everybody knows, and those of the house's kits. */
    @Transactional(readOnly = true)
    List<FilmProcess> processes() {
        return Stream.concat(FilmProcess.KNOWN.stream(), offers.processes().stream())
                .distinct()
                .toList();
    }

    @Transactional(readOnly = true)
    Page page() {
        HousePrices prices = accounts.prices();
        var now = clock.instant();
        var zone = houses.house().timeZone();
        List<Of> processes = processes().stream()
                .map(process -> new Of(
                        process.name(),
                        prices.ofARoll(process.key(), now)
                                .map(price -> Figures.money(price) + " a roll")
                                .orElse("what it cost, made even when a batch ends"),
                        prices.laboratory(process.key(), now)
                                .map(priced -> "%s, looked up on %s"
                                        .formatted(
                                                Figures.money(priced.price()),
                                                Figures.dayAndYear(
                                                        priced.stamp().happenedAt(), zone)))
                                .orElse("nobody looked it up")))
                .toList();
        List<String> history = new ArrayList<>();
        prices.charging()
                .forEach(choice -> history.add(
                        0,
                        "%s, %s: %s, %s"
                                .formatted(
                                        Figures.dayAndYear(choice.stamp().happenedAt(), zone),
                                        choice.stamp().who(),
                                        FilmProcess.of(choice.process()).name(),
                                        choice.price() == null
                                                ? "what it cost"
                                                : Figures.money(choice.price()) + " a roll")));
        List<String> equipment = new ArrayList<>();
        prices.equipment()
                .forEach(bought -> equipment.add(0, "%s, %s".formatted(bought.what(), Figures.money(bought.price()))));
        long priced = processes().stream()
                .filter(process -> prices.ofARoll(process.key(), now).isPresent())
                .count();
        return new Page(
                priced == 0
                        ? "Film is charged what it cost"
                        : priced == processes.size()
                                ? "Film is charged a price a roll"
                                : "Some film is charged a price a roll, some what it cost",
                houses.house().name(),
                processes,
                history,
                equipment,
                processes());
    }
}
