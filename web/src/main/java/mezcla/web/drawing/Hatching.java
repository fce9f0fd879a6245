package mezcla.web.drawing;

import mezcla.leaflet.BathRole;
import org.springframework.stereotype.Component;

/** Which hatching a bath is drawn in: that of its role, or the one for baths that the house names. */
@Component
public class Hatching {
    /** The paint of a bath, by the letters on its bottles. */
    public String of(String letters) {
        String pattern = BathRole.standard().stream()
                .filter(role -> role.letters().equals(letters))
                .map(role -> role.nature().pattern())
                .findFirst()
                .orElse(BathRole.Nature.OTHER.pattern());
        return "url(#hatch-" + pattern + ")";
    }
}
