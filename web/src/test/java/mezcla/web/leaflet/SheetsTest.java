package mezcla.web.leaflet;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.stream.Collectors;
import mezcla.web.DemoPagesTest;
import org.springframework.mock.web.MockHttpServletResponse;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Printed sheets, sent as they are typed: no view refuses one, and each gives the times that it works out itself. */
public class SheetsTest extends DemoPagesTest {
    /** What a sheet may ask of somebody who types it. */
    private static final int MOST_FIELDS = 25;

    @DataProvider
    public Object[][] every() {
        return TypedSheet.all().stream().map(sheet -> new Object[] {sheet}).toArray(Object[][]::new);
    }

    @Test(dataProvider = "every")
    public void takesFewFields(TypedSheet sheet) {
        assertThat(sheet.fields()).as("fields of " + sheet).isLessThanOrEqualTo(MOST_FIELDS);
    }

    @DataProvider
    public Object[][] sheets() {
        return TypedSheet.all().stream()
                .filter(sheet -> !sheet.isThroughTheBrowser())
                .map(sheet -> new Object[] {sheet})
                .toArray(Object[][]::new);
    }

    @Test(dataProvider = "sheets")
    public void isTakenAsItIsPrinted(TypedSheet sheet) throws Exception {
        String draft = String.valueOf(
                send("/leaflets/drafts", "bram", "shape", sheet.shape()).getRedirectedUrl());
        String view = draft;
        for (int i = 0; i < sheet.views().size(); i++) {
            String page = page(view, "bram");
            List<TypedSheet.Field> fields = sheet.views().get(i);
            assertThat(fields).allSatisfy(field -> assertThat(page).contains("name=\"%s\"".formatted(field.name())));
            boolean last = i == sheet.views().size() - 1;
            String at = view.contains("?at=") ? view.replaceFirst(".*at=", "") : "box";
            String to = draft + (last ? "/kept" : "") + "?at=" + at;
            MockHttpServletResponse answer = send(to, "bram", sent(fields));
            assertThat(answer.getStatus())
                    .as("%s refused: %s", at, said(answer))
                    .isEqualTo(302);
            assertThat(answer.getRedirectedUrl()).isNotEqualTo(view);
            view = String.valueOf(answer.getRedirectedUrl());
        }
        String kept = page(view, "bram");
        assertThat(kept).contains(">" + sheet.typed("name") + "</h1>");
        assertThat(kept.contains("class=\"agrees\""))
                .isEqualTo(!sheet.typed("examples").isEmpty());
        assertThat(kept).doesNotContain("class=\"differs\"");
    }

    /** Rows are numbered: a page from before a bath was moved would type into another bath. */
    @Test
    public void aPageFromBeforeABathWasMovedChangesNothing() throws Exception {
        String draft = String.valueOf(
                send("/leaflets/drafts", "bram", "shape", "SEPARATE_BATHS").getRedirectedUrl());
        send(draft + "?at=box", "bram", "rows", "0", "go", "another:put", "put", "stop");
        MockHttpServletResponse late =
                send(draft + "/typed?at=box", "bram", "rows", "0", "touched", "bath1-time", "bath1-time", "9:59");
        assertThat(late.getStatus()).isBetween(400, 499);
        assertThat(late.getContentAsString()).contains("Somebody put in, moved or took out a bath");
        assertThat(page(draft + "?at=times-1", "bram")).doesNotContain("9:59");
        MockHttpServletResponse again = send(draft + "?at=box", "bram", "rows", "0", "go", "another:without-1");
        assertThat(again.getStatus()).isBetween(400, 499);
        assertThat(page(draft + "?at=box", "bram")).contains("Take the stop out", "Take the fixer out");
    }

    /** What the page sends: the fields into which somebody typed, and which they are. */
    private static String[] sent(List<TypedSheet.Field> fields) {
        List<String> sent = new ArrayList<>(List.of("formKey", UUID.randomUUID().toString()));
        sent.add("touched");
        sent.add(fields.stream().map(TypedSheet.Field::name).collect(Collectors.joining(" ")));
        for (TypedSheet.Field field : fields) {
            sent.add(field.name());
            sent.add(field.typed());
        }
        return sent.toArray(String[]::new);
    }

    private static String said(MockHttpServletResponse answer) throws Exception {
        return answer.getContentAsString()
                .lines()
                .filter(line -> line.contains("field-error"))
                .collect(Collectors.joining("\n"));
    }
}
