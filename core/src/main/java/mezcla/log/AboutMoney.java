package mezcla.log;

import java.util.Set;

/** A row about prices or accounts. It concerns no kit, batch or bottle, and rests on nothing. */
public sealed interface AboutMoney extends LogEntry
        permits ChargingChosen, LaboratoryPriced, EquipmentBought, PaymentRecorded, AccountCorrected {
    @Override
    default Set<Subject> touches() {
        return Set.of();
    }

    @Override
    default Set<Subject> restsOn() {
        return Set.of();
    }
}
