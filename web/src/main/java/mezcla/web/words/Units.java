package mezcla.web.words;

import java.util.Locale;
import mezcla.measure.Temperature;
import mezcla.measure.Volume;
import org.springframework.context.i18n.LocaleContextHolder;

/** In what members read and type figures. The choice travels with the locale of the page, as its measurement system. */
public enum Units {
    /** Millilitres, grams and degrees Celsius. */
    METRIC("metric: ml, g, °C", "metric"),
    /** US fluid ounces, ounces and degrees Fahrenheit. */
    US("US: fl oz, oz, °F", "ussystem");

    private final String words;
    private final Locale locale;

    Units(String words, String measurementSystem) {
        this.words = words;
        this.locale = new Locale.Builder()
                .setLocale(Locale.UK)
                .setUnicodeLocaleKeyword("ms", measurementSystem)
                .build();
    }

    /** In words. */
    public String words() {
        return words;
    }

    /** The units of the page that is being answered; metric elsewhere. */
    public static Units shown() {
        return US.locale.equals(LocaleContextHolder.getLocale()) ? US : METRIC;
    }

    /** The locale that carries them. */
    public Locale locale() {
        return locale;
    }

    /** What a bare number in a field for volumes means. */
    public Volume.Unit volume() {
        return this == US ? Volume.Unit.US_FL_OZ : Volume.Unit.ML;
    }

    /** The name of that unit, as it stands beside the field. */
    public String volumeName() {
        return this == US ? "fl oz" : "ml";
    }

    /** What a bare number in a field for temperatures means. */
    public Temperature.Scale temperature() {
        return this == US ? Temperature.Scale.FAHRENHEIT : Temperature.Scale.CELSIUS;
    }

    /** The name of that scale, as it stands beside the field. */
    public String temperatureName() {
        return this == US ? "°F" : "°C";
    }
}
