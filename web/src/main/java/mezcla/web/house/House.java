package mezcla.web.house;

import java.time.ZoneId;
import org.joda.money.CurrencyUnit;

/**
 * The house.
 *
 * @param name what it is called
 * @param currency what it reckons in
 * @param timeZone where its days begin
 */
public record House(String name, CurrencyUnit currency, ZoneId timeZone) {}
