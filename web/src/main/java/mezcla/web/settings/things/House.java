package mezcla.web.settings.things;

import java.time.ZoneId;
import mezcla.web.words.Units;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;

/**
 * The house.
 *
 * @param name what it is called
 * @param currency what it reckons in
 * @param timeZone where its days begin
 * @param units how figures are read, unless a member reads them otherwise
 * @param address where links to it lead; null until somebody says
 */
public record House(String name, CurrencyUnit currency, ZoneId timeZone, Units units, @Nullable String address) {}
