package mezcla.money;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import mezcla.batch.Voiding;
import mezcla.log.ChargingChosen;
import mezcla.log.EntryGroup;
import mezcla.log.EquipmentBought;
import mezcla.log.LaboratoryPriced;
import mezcla.log.LogEntry;
import org.joda.money.Money;

/**
 * What the house decided and looked up about prices (rules, section 8). Each holds from when it happened until the next
 * one of its process.
 *
 * @param charging how each process is charged, the earliest first
 * @param laboratory what a laboratory takes, the earliest first
 * @param equipment what equipment cost, the earliest first
 */
public record HousePrices(
        List<ChargingChosen> charging, List<LaboratoryPriced> laboratory, List<EquipmentBought> equipment) {
    private static final Comparator<LogEntry> EARLIEST_FIRST = Comparator.comparing(
                    (LogEntry entry) -> entry.stamp().happenedAt())
            .thenComparingLong(entry -> entry.stamp().sequence());

    /** Keeps its own lists. */
    public HousePrices {
        charging = List.copyOf(charging);
        laboratory = List.copyOf(laboratory);
        equipment = List.copyOf(equipment);
    }

    /** Reads a log, whose rows may come in any order; what was voided does not count. */
    public static HousePrices of(Collection<LogEntry> log) {
        List<LogEntry> about = log.stream()
                .filter(entry -> entry.kind().group() == EntryGroup.MONEY)
                .sorted(EARLIEST_FIRST)
                .collect(Collectors.toCollection(ArrayList::new));
        if (!about.isEmpty()) {
            Set<Long> voided = Voiding.voided(log);
            about.removeIf(entry -> voided.contains(entry.stamp().sequence()));
        }
        return new HousePrices(
                LogEntry.only(about, ChargingChosen.class).toList(),
                LogEntry.only(about, LaboratoryPriced.class).toList(),
                LogEntry.only(about, EquipmentBought.class).toList());
    }

    /** What a roll of a process costs at a moment; empty where it is charged what it cost, as long as nothing was chosen. */
    public Optional<Money> ofARoll(String process, Instant when) {
        return last(charging, choice -> choice.process().equals(process), when)
                .flatMap(choice -> Optional.ofNullable(choice.price()));
    }

    /** What a laboratory took for a roll of a process at a moment; empty where nobody looked it up. */
    public Optional<LaboratoryPriced> laboratory(String process, Instant when) {
        return last(laboratory, priced -> priced.process().equals(process), when);
    }

    private static <T extends LogEntry> Optional<T> last(List<T> of, Predicate<T> which, Instant when) {
        return of.stream()
                .filter(which)
                .filter(entry -> !entry.stamp().happenedAt().isAfter(when))
                .reduce((earlier, later) -> later);
    }

    /** What all equipment cost; empty where none was bought. */
    public Optional<Money> equipmentCost() {
        return equipment.stream().map(EquipmentBought::price).reduce(Money::plus);
    }
}
