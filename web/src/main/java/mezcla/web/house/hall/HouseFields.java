package mezcla.web.house.hall;

import java.time.ZoneId;
import java.util.Objects;
import mezcla.web.forms.declared.FieldReader;
import org.joda.money.CurrencyUnit;

/** What only a house is told: where it is, and what it pays with. */
public final class HouseFields {
    private HouseFields() {}

    /** A time zone, by its name. */
    public static final class Zone implements FieldReader<ZoneId> {
        @Override
        public ZoneId read(String typed) {
            return HouseholdService.timeZone(typed);
        }
    }

    /** Where links to the house lead. */
    public static final class Address implements FieldReader<String> {
        @Override
        public String read(String typed) {
            return Objects.requireNonNull(HouseholdService.address(typed));
        }
    }

    /** A currency, by its code. */
    public static final class Currency implements FieldReader<CurrencyUnit> {
        @Override
        public CurrencyUnit read(String typed) {
            return HouseholdService.currency(typed);
        }
    }
}
