package mezcla.web.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.function.Consumer;

/**
 * A sign as one sees it: a strip of film with three pictures of a hill and a sun, a bottle, or water that runs off. Negatives
 * are drawn as negatives and slides as slides, in the colours that film has, whatever the theme; words say the rest.
 *
 * @param shapes what it is drawn of, from the back to the front
 */
public record SignDrawing(List<Shape> shapes) {
    /** How wide a drawing is. */
    public static final int WIDTH = 240;

    /** How high a drawing is. */
    public static final int HEIGHT = 92;

    private static final int FRAME_WIDTH = 62;
    private static final int FRAME_TOP = 20;
    private static final int FRAME_HEIGHT = 52;
    private static final int[] FRAMES = {14, 89, 164};
    private static final int HOLES = 15;

    /**
     * A shape.
     *
     * @param path its outline
     * @param look how it looks, a word of the style sheet
     */
    public record Shape(String path, String look) {}

    /** Keeps its own list. */
    public SignDrawing {
        shapes = List.copyOf(shapes);
    }

    /** What can be drawn. */
    public enum Kind {
        /** Haze over everything. */
        MILKY(film("scene", SignDrawing::haze)),
        /** A cool tint over everything. */
        BLUISH(slide("scene", all -> veil(all, "cool"))),
        /** As it should be. */
        PLAIN(film("scene", all -> {})),
        /** Little density. */
        THIN(film("faint", all -> {})),
        /** Much density. */
        DENSE(film("heavy", all -> {})),
        /** Slides that let too little light through. */
        SLIDE_DARK(slide("dim", all -> {})),
        /** Slides that let too much light through. */
        SLIDE_LIGHT(slide("pale", all -> {})),
        /** A tint over everything. */
        CAST(film("scene", all -> veil(all, "warm"))),
        /** Two tints, one below the other. */
        CROSSED(film("scene", SignDrawing::crossed)),
        /** Coarse grain. */
        GRAIN(film("scene", all -> dots(all, 260, 1.1, "dark"))),
        /** Streaks that begin at the perforation. */
        STREAKS(film("scene", SignDrawing::streaks)),
        /** Uneven density. */
        UNEVEN(film("scene", SignDrawing::uneven)),
        /** One edge lighter. */
        EDGE(film("scene", all -> band(all, 0, 60, WIDTH, 20, "thin"))),
        /** Round spots. */
        BUBBLES(film("scene", SignDrawing::bubbles)),
        /** Crescents. */
        HALF_MOONS(film("scene", SignDrawing::halfMoons)),
        /** Rings of dried drops. */
        SCUM(film("scene", SignDrawing::rings)),
        /** Light from the edge. */
        LEAK_EDGE(film("scene", SignDrawing::leakEdge)),
        /** Light from side to side. */
        LEAK_ACROSS(film("scene", all -> slanted(all, 104, 40, "dark"))),
        /** Two pictures over each other. */
        DOUBLE(film("scene", SignDrawing::twice)),
        /** A tint that is strongest along the edges. */
        REDDISH(film("scene", all -> {
            veil(all, "red");
            band(all, 0, 14, WIDTH, 10, "red");
        })),
        /** Patches without a picture. */
        TOUCHING(film("scene", SignDrawing::patches)),
        /** Lines along the film. */
        SCRATCHES(film("scene", SignDrawing::scratches)),
        /** Dark specks. */
        SPECKS(film("scene", all -> dots(all, 34, 2.2, "dark"))),
        /** No picture, but the print along the edge. */
        CLEAR_PRINT(film("none", all -> {})),
        /** Nothing at all. */
        CLEAR(bare()),
        /** A bath that has darkened. */
        BOTTLE_TEA(bottle("tea", all -> {})),
        /** A dark red bath. */
        BOTTLE_RED(bottle("red", all -> {})),
        /** A brown bath. */
        BOTTLE_COFFEE(bottle("coffee", all -> {})),
        /** A black bath. */
        BOTTLE_BLACK(bottle("dark", all -> {})),
        /** Flakes at the bottom. */
        BOTTLE_SLUDGE(bottle("tea", SignDrawing::sludge)),
        /** Needles at the bottom. */
        BOTTLE_CRYSTALS(bottle("tea", SignDrawing::crystals)),
        /** Something in the air over it. */
        BOTTLE_SMELL(bottle("tea", SignDrawing::smell)),
        /** Water that runs off dark. */
        WATER_DARK(water("dark")),
        /** Water that runs off pink. */
        WATER_PINK(water("red")),
        /** Water that runs off like tea. */
        WATER_TEA(water("tea"));

        @SuppressWarnings("ImmutableEnumChecker")
        private final SignDrawing drawing;

        Kind(SignDrawing drawing) {
            this.drawing = drawing;
        }

        /** Its drawing. */
        public SignDrawing drawing() {
            return drawing;
        }
    }

    private static String box(double x, double y, double width, double height) {
        return PathData.of("M%s %sh%sv%sh-%sz", x, y, width, height, width);
    }

    private static String circle(double x, double y, double r) {
        return PathData.of("M%s %sa%s %s 0 1 0 %s 0a%s %s 0 1 0 -%s 0z", x - r, y, r, r, 2 * r, r, r, 2 * r);
    }

    /** A negative as it hangs: its base is orange, the sky is dense and the hill is not. */
    private static SignDrawing film(String scene, Consumer<List<Shape>> sign) {
        return strip("film", scene, "dense", sign);
    }

    /** A slide as it hangs: its base is black, and the picture is as it was. */
    private static SignDrawing slide(String scene, Consumer<List<Shape>> sign) {
        return strip("slide", "slide-" + scene, "bright", sign);
    }

    private static SignDrawing strip(String base, String scene, String print, Consumer<List<Shape>> sign) {
        List<Shape> all = new ArrayList<>();
        strip(all, base);
        for (int x : FRAMES) {
            if (!scene.equals("none")) {
                all.add(new Shape(box(x, FRAME_TOP, FRAME_WIDTH, FRAME_HEIGHT), "sky-" + scene));
                hill(all, x, scene);
            }
        }
        print(all, scene.equals("faint") ? "faint-print" : print);
        sign.accept(all);
        holes(all);
        return new SignDrawing(all);
    }

    private static SignDrawing bare() {
        List<Shape> all = new ArrayList<>();
        strip(all, "film");
        holes(all);
        return new SignDrawing(all);
    }

    private static void strip(List<Shape> all, String base) {
        all.add(new Shape(box(0, 0, WIDTH, HEIGHT), base));
    }

    /** The print along the edge, which develops whatever the camera did. */
    private static void print(List<Shape> all, String look) {
        for (int x : FRAMES) {
            all.add(new Shape(box(x + 20, HEIGHT - 17, 12, 3), look));
            all.add(new Shape(box(x + 36, HEIGHT - 17, 5, 3), look));
        }
    }

    private static void holes(List<Shape> all) {
        for (int i = 0; i < HOLES; i++) {
            all.add(new Shape(box(4 + i * 16.0, 4, 9, 6), "hole"));
            all.add(new Shape(box(4 + i * 16.0, HEIGHT - 10, 9, 6), "hole"));
        }
    }

    private static void hill(List<Shape> all, double x, String look) {
        all.add(new Shape(
                PathData.of("M%s %sl20 -24l14 12l12 -9l16 21z", x, FRAME_TOP + FRAME_HEIGHT), "hill-" + look));
        all.add(new Shape(circle(x + 46, FRAME_TOP + 14, 6), "sun-" + look));
    }

    private static void veil(List<Shape> all, String look) {
        all.add(new Shape(box(0, 0, WIDTH, HEIGHT), look));
    }

    private static void band(List<Shape> all, double x, double y, double width, double height, String look) {
        all.add(new Shape(box(x, y, width, height), look));
    }

    private static void haze(List<Shape> all) {
        veil(all, "light");
        for (int x = 0; x <= WIDTH - 31; x += 14) {
            slanted(all, x, 5, "light");
        }
    }

    private static void slanted(List<Shape> all, double x, double width, String look) {
        all.add(new Shape(PathData.of("M%s 0h%sl26 92h-%sz", x, width, width), look));
    }

    private static void crossed(List<Shape> all) {
        band(all, 0, 0, WIDTH, 46, "warm");
        band(all, 0, 46, WIDTH, 46, "cool");
    }

    private static void dots(List<Shape> all, int count, double size, String look) {
        Random random = new Random(7);
        StringBuilder path = new StringBuilder();
        for (int i = 0; i < count; i++) {
            double r = size * (0.6 + random.nextDouble() * 0.8);
            path.append(circle(random.nextDouble() * WIDTH, 14 + random.nextDouble() * 64, r));
        }
        all.add(new Shape(path.toString(), look));
    }

    private static void streaks(List<Shape> all) {
        for (int i = 0; i < HOLES; i++) {
            all.add(new Shape(PathData.of("M%s 10l2 22h5l2 -22z", 4 + i * 16.0), "surge"));
            all.add(new Shape(PathData.of("M%s 82l2 -22h5l2 22z", 4 + i * 16.0), "surge"));
        }
    }

    private static void uneven(List<Shape> all) {
        for (int i = 0; i < 5; i++) {
            double x = 8 + i * 47.0;
            all.add(new Shape(PathData.of("M%s 22c18 -6 34 10 26 24s-24 12 -32 2s-8 -22 6 -26z", x), "thin"));
        }
    }

    private static void bubbles(List<Shape> all) {
        double[][] spots = {
            {30, 36, 4}, {52, 58, 3}, {104, 30, 5}, {120, 52, 3.5}, {178, 44, 4.5}, {206, 60, 3}, {70, 28, 2.5}
        };
        for (double[] spot : spots) {
            all.add(new Shape(circle(spot[0], spot[1], spot[2]), "clear"));
        }
    }

    private static void halfMoons(List<Shape> all) {
        double[][] moons = {{40, 30}, {116, 44}, {196, 34}};
        for (double[] moon : moons) {
            all.add(new Shape(PathData.of("M%s %sc14 2 14 22 0 24c8 -6 8 -18 0 -24z", moon[0], moon[1]), "dark"));
        }
    }

    private static void rings(List<Shape> all) {
        double[][] drops = {{36, 40, 12}, {60, 60, 8}, {118, 34, 10}, {150, 62, 9}, {200, 42, 13}};
        for (double[] drop : drops) {
            all.add(new Shape(circle(drop[0], drop[1], drop[2]), "ring"));
        }
    }

    private static void leakEdge(List<Shape> all) {
        for (int i = 0; i < 5; i++) {
            double x = 8 + i * 46.0;
            all.add(new Shape(PathData.of("M%s 0c4 26 10 40 18 44c8 -4 14 -18 18 -44z", x), "dark"));
        }
    }

    private static void twice(List<Shape> all) {
        for (int x : FRAMES) {
            hill(all, x + 22.0, "scene");
        }
    }

    private static void patches(List<Shape> all) {
        all.add(new Shape("M30 20c20 -4 50 4 46 22s-34 18 -46 8s-14 -26 0 -30z", "light"));
        all.add(new Shape("M150 44c16 -8 46 -6 48 10s-26 20 -42 14s-18 -18 -6 -24z", "light"));
    }

    private static void scratches(List<Shape> all) {
        all.add(new Shape("M0 34l240 2v1.4l-240 -2z", "scratch"));
        all.add(new Shape("M20 52l200 -1.6v1.2l-200 1.6z", "scratch"));
        all.add(new Shape("M0 60h160v1h-160z", "scratch"));
    }

    private static SignDrawing bottle(String liquid, Consumer<List<Shape>> sign) {
        List<Shape> all = new ArrayList<>();
        all.add(new Shape("M96 30h48v54q0 6 -6 6h-36q-6 0 -6 -6z", liquid));
        sign.accept(all);
        all.add(new Shape(
                "M108 4h24v10q0 4 6 6q8 3 8 12v50q0 8 -8 8h-36q-8 0 -8 -8v-50q0 -9 8 -12q6 -2 6 -6z", "outline"));
        all.add(new Shape(box(106, 2, 28, 8), "cap"));
        return new SignDrawing(all);
    }

    private static void sludge(List<Shape> all) {
        all.add(new Shape("M96 76q8 -6 14 0t14 -2t20 3v7q0 6 -6 6h-36q-6 0 -6 -6z", "dark"));
        all.add(new Shape(circle(112, 58, 2) + circle(126, 66, 1.6) + circle(134, 52, 1.4), "dark"));
    }

    private static void crystals(List<Shape> all) {
        all.add(new Shape(
                "M102 88l4 -18l3 18zM110 88l6 -26l3 26zM120 88l3 -14l4 14zM127 88l6 -22l3 22zM136 88l2 -12l3 12z",
                "crystal"));
    }

    private static void smell(List<Shape> all) {
        all.add(new Shape("M152 20c8 -6 2 -10 8 -16M166 24c8 -6 2 -10 8 -16M180 28c8 -6 2 -10 8 -16", "line"));
    }

    private static SignDrawing water(String look) {
        List<Shape> all = new ArrayList<>();
        all.add(new Shape("M108 18q6 26 0 48h24q-6 -22 0 -48z", look));
        all.add(new Shape("M40 66h160q-6 22 -24 22h-112q-18 0 -24 -22z", look));
        all.add(new Shape("M30 66h180q-6 26 -30 26h-120q-24 0 -30 -26z", "outline"));
        all.add(new Shape("M92 4h56v14h-56z", "outline"));
        return new SignDrawing(all);
    }
}
