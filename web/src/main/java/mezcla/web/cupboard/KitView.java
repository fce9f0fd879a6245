package mezcla.web.cupboard;

import java.util.List;

/**
 * A kit, as a box with its parts.
 *
 * @param id the kit
 * @param name what it is called
 * @param maker who makes it
 * @param process the family of chemistry
 * @param arrived when it came and what it cost
 * @param parts its parts, in the order of the leaflet
 * @param enough what it still makes
 * @param mixable whether it still makes anything
 * @param finished whether nothing more is mixed from it
 * @param opened whether any part was opened
 * @param alone whether it is parts that were bought alone, of which something is left
 * @param hasVials whether some of it is in vials
 */
public record KitView(
        long id,
        String name,
        String maker,
        String process,
        String arrived,
        List<Part> parts,
        String enough,
        boolean mixable,
        boolean finished,
        boolean opened,
        boolean alone,
        boolean hasVials) {
    /**
     * A part of a kit.
     *
     * @param key its key
     * @param name what is printed on it
     * @param left how much is left of how much
     * @param percent the same in percent of a full part
     * @param since sealed, or opened since
     * @param warning what to look out for; empty for nothing
     * @param powder whether it is a powder
     * @param levelY where its level is drawn, in a box 52 high
     * @param levelHeight how tall the level is drawn
     */
    public record Part(
            String key,
            String name,
            String left,
            int percent,
            String since,
            String warning,
            boolean powder,
            double levelY,
            double levelHeight) {}
}
