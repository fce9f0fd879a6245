package mezcla.web.drawing;

import static org.assertj.core.api.Assertions.assertThat;

import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import org.thymeleaf.spring6.SpringTemplateEngine;
import org.thymeleaf.templateresolver.ClassLoaderTemplateResolver;

public class DrawnTest {
    private Drawn drawn;

    /** What {@code drawing/line.html} shows. */
    private record Line(long id, String name, String state, String stateWord, String how, boolean fits) {}

    private static Line line(String name) {
        return new Line(15, name, "extend", "Add time", "3:35", false);
    }

    @BeforeMethod
    void begin() {
        ClassLoaderTemplateResolver templates = new ClassLoaderTemplateResolver();
        templates.setPrefix("templates/");
        templates.setSuffix(".html");
        SpringTemplateEngine engine = new SpringTemplateEngine();
        engine.setTemplateResolver(templates);
        drawn = new Drawn(engine, new Hatching());
    }

    @Test
    public void drawsTheFragmentAndNothingAroundIt() {
        assertThat(drawn.of("line", line("Oxbow liquid")))
                .startsWith("<a href=\"/batches/15\" class=\"aside\">")
                .contains("<strong>15 Oxbow liquid</strong>", "more-state state-extend")
                .endsWith("</a>");
    }

    @Test
    public void whatSaysTheSameIsNotDrawnAgain() {
        String first = drawn.of("line", line("Oxbow liquid"));
        assertThat(drawn.of("line", line("Oxbow liquid"))).isSameAs(first);
        assertThat(drawn.of("line", line("Oxbow liquid, second"))).isNotEqualTo(first);
    }

    @Test
    public void namesAreTextNotMarkup() {
        assertThat(drawn.of("line", line("<b>Oxbow</b>"))).contains("15 &lt;b&gt;Oxbow&lt;/b&gt;");
    }
}
