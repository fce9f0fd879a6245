package mezcla.web.forms.declared;

import java.time.Instant;
import java.time.ZoneId;
import org.joda.money.CurrencyUnit;

/**
 * What a form is read by.
 *
 * @param currency the money of the house
 * @param zone where its days begin
 * @param now the present
 */
public record Here(CurrencyUnit currency, ZoneId zone, Instant now) {}
