package mezcla.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.imageio.ImageIO;
import mezcla.batch.DrumLevel;
import mezcla.batch.FillState;
import mezcla.log.FillSpilled;
import mezcla.verdict.State;
import mezcla.web.access.Members;
import mezcla.web.access.SignedIn;
import mezcla.web.answers.Planning;
import mezcla.web.drums.WasteService;
import mezcla.web.forms.FieldErrors;
import mezcla.web.journal.JournalFilter;
import mezcla.web.journal.JournalService;
import mezcla.web.log.DarkroomLog;
import mezcla.web.photo.Photos;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.transaction.support.TransactionTemplate;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Photos of film, waste drums, what the house has seen, and the journal of a long log. */
public class JudgementTest extends DemoPagesTest {
    private static final String NOBODY = "Auckland 36.8 S";

    @Autowired
    private MockMvc visitors;

    @Autowired
    private DarkroomLog log;

    @Autowired
    private Photos photos;

    @Autowired
    private WasteService waste;

    @Autowired
    private JournalService journal;

    @Autowired
    private Planning planning;

    @Autowired
    private Members people;

    @Autowired
    private TransactionTemplate takenBack;

    private String look() {
        return "/batches/5/looks/" + log.state().batch(5).runs().get(0).stamp().sequence();
    }

    private MockHttpServletResponse sendLook(byte[] photo, String result) throws Exception {
        return answer(
                multipart(look())
                        .file(new MockMultipartFile("photo", "IMG_0001.jpg", "image/jpeg", photo))
                        .param("roll", "0")
                        .param("result", result)
                        .param("formKey", UUID.randomUUID().toString()),
                "ines");
    }

    /** Wider than high, and green at its left edge. */
    private static BufferedImage picture(int width, int height) {
        BufferedImage picture = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Graphics2D canvas = picture.createGraphics();
        canvas.setColor(Color.WHITE);
        canvas.fillRect(0, 0, width, height);
        canvas.setColor(Color.GREEN);
        canvas.fillRect(0, 0, width / 4, height);
        canvas.dispose();
        return picture;
    }

    private static byte[] written(BufferedImage picture, String format) throws IOException {
        ByteArrayOutputStream file = new ByteArrayOutputStream();
        ImageIO.write(picture, format, file);
        return file.toByteArray();
    }

    /** A JPEG as a camera writes it that was held upright: turned a quarter, with a place in its metadata. */
    private static byte[] fromCamera(BufferedImage picture) throws IOException {
        byte[] jpeg = written(picture, "jpeg");
        byte[] place = NOBODY.getBytes(StandardCharsets.US_ASCII);
        ByteBuffer exif = ByteBuffer.allocate(6 + 8 + 2 + 12 + 4 + place.length);
        exif.put("Exif\0\0".getBytes(StandardCharsets.US_ASCII));
        exif.put("MM".getBytes(StandardCharsets.US_ASCII)).putShort((short) 42).putInt(8);
        exif.putShort((short) 1);
        exif.putShort((short) 0x0112)
                .putShort((short) 3)
                .putInt(1)
                .putShort((short) 6)
                .putShort((short) 0);
        exif.putInt(0).put(place);
        ByteBuffer file = ByteBuffer.allocate(jpeg.length + 4 + exif.capacity());
        file.put(jpeg, 0, 2);
        file.putShort((short) 0xFFE1).putShort((short) (exif.capacity() + 2)).put(exif.array());
        file.put(jpeg, 2, jpeg.length - 2);
        return file.array();
    }

    @Test
    public void aPhotoIsKeptUprightAndWithoutWhatTheCameraWrote() throws Exception {
        byte[] sent = fromCamera(picture(2400, 1200));
        assertThat(new String(sent, StandardCharsets.ISO_8859_1)).contains(NOBODY);
        assertThat(sendLook(sent, "GOOD").getRedirectedUrl()).isEqualTo("/batches/5?looked");
        Photos.Photo kept = photos.ofBatch(5).get(0);
        assertThat(kept.width()).isEqualTo(800);
        assertThat(kept.height()).isEqualTo(1600);
        assertThat(page("/batches/5", "devi")).contains("/photos/" + kept.file());
        MockHttpServletResponse answer = answer(get("/photos/" + kept.file()), "devi");
        assertThat(answer.getContentType()).isEqualTo("image/jpeg");
        assertThat(answer.getHeader("X-Content-Type-Options")).isEqualTo("nosniff");
        assertThat(answer.getHeader("Cache-Control")).isEqualTo("no-store");
        byte[] stored = answer.getContentAsByteArray();
        assertThat(new String(stored, StandardCharsets.ISO_8859_1))
                .doesNotContain(NOBODY)
                .doesNotContain("Exif");
        BufferedImage upright = ImageIO.read(new ByteArrayInputStream(stored));
        assertThat(new Color(upright.getRGB(400, 100)).getRed())
                .as("green is at the top now")
                .isLessThan(60);
        assertThat(new Color(upright.getRGB(400, 1500)).getRed()).isGreaterThan(200);
    }

    @Test
    public void aPhotoIsForMembersOnly() throws Exception {
        sendLook(written(picture(40, 30), "png"), "GOOD");
        String file = photos.ofBatch(5).get(0).file();
        MockHttpServletResponse stranger =
                visitors.perform(get("/photos/" + file)).andReturn().getResponse();
        assertThat(stranger.getStatus()).isEqualTo(302);
        assertThat(stranger.getRedirectedUrl()).startsWith("/sign-in");
        assertThat(answer(get("/photos/../mezcla.db"), "ines").getStatus()).isGreaterThanOrEqualTo(400);
        assertThat(answer(get("/photos/other.jpg"), "ines").getStatus()).isEqualTo(404);
        send("/journal/" + photos.ofBatch(5).get(0).look() + "/void", "ines", "reason", "another roll");
        assertThat(photos.ofBatch(5)).noneMatch(photo -> photo.file().equals(file));
    }

    /** The leaflet prints no number of rolls for its final rinse; the house sets one all the same, for a one-shot too. */
    @Test
    public void aHouseSetsALimitWhereTheSheetPrintsNone() throws Exception {
        assertThat(page("/leaflets/1/evidence", "bram")).contains("name=\"rolls-fr\"", "name=\"days-fr\"");
        String slides = page("/leaflets", "bram")
                .replaceAll("(?s).*href=\"/leaflets/([0-9]+)\"(?:(?!href=).)*Lantern Slide.*", "$1");
        assertThat(page("/leaflets/" + slides + "/evidence", "bram")).contains("name=\"rolls-f1\"");
        assertThat(send(
                                "/leaflets/1/limits/fr",
                                "bram",
                                "rolls-fr",
                                "30",
                                "days-fr",
                                "a while",
                                "reason-fr",
                                "it froths")
                        .getStatus())
                .isEqualTo(422);
        assertThat(send(
                                "/leaflets/1/limits/fr",
                                "bram",
                                "rolls-fr",
                                "30",
                                "days-fr",
                                "4 months",
                                "reason-fr",
                                "it froths")
                        .getRedirectedUrl())
                .isEqualTo("/leaflets/1/evidence?saved");
        assertThat(page("/leaflets/1/evidence", "ines").replace('\u00a0', ' '))
                .contains("The house allows 30 rolls and 122 days: it froths");
        send("/leaflets/1/limits/fr", "bram", "rolls-fr", "", "days-fr", "", "reason-fr", "as it was");
    }

    @DataProvider
    public Object[][] badPhotos() throws IOException {
        byte[] jpeg = written(picture(40, 30), "jpeg");
        byte[] half = Arrays.copyOf(written(picture(400, 300), "png"), 60);
        byte[] halfAJpeg = written(picture(400, 300), "jpeg");
        byte[] mostOfAPng = written(picture(400, 300), "png");
        byte[] vast = written(new BufferedImage(10_000, 10_000, BufferedImage.TYPE_BYTE_BINARY), "png");
        return new Object[][] {
            {
                "<svg xmlns='http://www.w3.org/2000/svg'/>".getBytes(StandardCharsets.UTF_8),
                "is no picture that can be read"
            },
            {written(picture(40, 30), "gif"), "is no picture that can be read"},
            {half, "The end of that photo is missing"},
            {Arrays.copyOf(halfAJpeg, halfAJpeg.length / 2), "The end of that photo is missing"},
            {Arrays.copyOf(mostOfAPng, mostOfAPng.length - 20), "The end of that photo is missing"},
            {vast, "has 10000 × 10000 pixels, more than 60 million"},
            {Arrays.copyOf(jpeg, 8 * 1024 * 1024 + 1), "larger than 8 MB"},
        };
    }

    @Test(dataProvider = "badPhotos")
    public void whatIsNoPhotoIsRefusedAndNothingIsLogged(byte[] sent, String words) throws Exception {
        int before = log.book().entries().size();
        MockHttpServletResponse answer = sendLook(sent, "THIN");
        assertThat(answer.getStatus()).isEqualTo(422);
        assertThat(answer.getContentAsString()).contains(words).contains("value=\"THIN\" checked");
        assertThat(log.book().entries()).hasSize(before);
    }

    @Test
    public void aDrumTakesItsKindUntilItIsFull() throws Exception {
        assertThat(page("/waste", "ines"))
                .contains("One drum is to be collected")
                .contains("1.6 L of 2 L");
        assertThat(page("/shelf", "ines")).contains("To be collected: Blue drum");
        FillState fixer = log.state().batch(6).fills().get(2);
        FillState developer = log.state().batch(6).fills().get(1);
        long silver = drum("Blue drum");
        long developers = drum("White drum");
        assertThat(discard(6, developer.id(), "drum-" + silver))
                .contains("developer and silver-bearing waste are kept");
        assertThat(discard(6, fixer.id(), "drum-" + developers)).contains("are kept apart");
        assertThat(discard(6, fixer.id(), "drum-" + drum("Grey drum"))).contains("has to know what is in it");
        assertThat(discard(6, fixer.id(), "drum-" + silver)).contains("has room for");
        assertThat(discard(6, fixer.id(), "drum-99")).contains("Choose a drum");
        assertThat(log.state().fill(fixer.id()).discarded()).isNull();
        send("/waste/" + silver + "/collections", "bram");
        assertThat(page("/waste", "ines")).contains("No drum has to be collected yet");
        assertThat(page("/batches/6", "bram")).contains("Blue drum, 0 ml of 2 L");
        assertThat(discard(6, fixer.id(), "drum-" + silver)).isEmpty();
        assertThat(log.state().fill(fixer.id()).discarded()).isNotNull();
        assertThat(level("Blue drum")).isEqualTo(fixer.volumeMl());
        assertThat(page("/journal", "ines")).contains("Collected: Blue drum, with 1.6 L in it");
    }

    private long drum(String name) {
        return waste.levels().stream()
                .filter(level -> level.drum().name().equals(name))
                .findFirst()
                .orElseThrow()
                .drum()
                .id();
    }

    private double level(String name) {
        return waste.levels().stream()
                .filter(level -> level.drum().name().equals(name))
                .mapToDouble(DrumLevel::levelMl)
                .sum();
    }

    /** What was said against it; nothing when it was done. */
    private String discard(long batch, long fill, String to) throws Exception {
        MockHttpServletResponse answer = send(
                "/batches/" + batch + "/discards",
                "bram",
                "fills",
                "" + fill,
                "routes[" + fill + "]",
                to,
                "reason",
                "spent");
        return answer.getStatus() == 302 ? "" : answer.getContentAsString().replace('\u00a0', ' ');
    }

    @Test
    public void stewardsKeepTheDrums() throws Exception {
        send("/waste", "bram", "drum", "Red drum", "kind", "OTHERS", "capacity", "10 L");
        assertThat(page("/waste", "ines")).contains("Red drum").contains("0 ml of 10 L");
        assertThat(send("/waste", "bram", "drum", "red DRUM", "kind", "OTHERS", "capacity", "10 L")
                        .getStatus())
                .isEqualTo(422);
        long red = drum("Red drum");
        assertThat(send("/waste/" + red + "/collections", "bram").getContentAsString())
                .contains("Nothing is in it.");
        send("/waste/" + red + "/removals", "bram");
        assertThat(page("/waste", "ines")).doesNotContain("Red drum");
        assertThat(send("/waste/" + drum("White drum") + "/removals", "bram").getContentAsString())
                .contains("Something is in it.");
    }

    @Test
    public void aLimitOfTheHouseIsAdoptedAndShownAsItsOwn() throws Exception {
        String seen = page("/leaflets/1/evidence", "ines");
        assertThat(seen)
                .contains("looks at dry film from three mixes; none had turned")
                .doesNotContain("Judge so");
        assertThat(planning.nextRoll(log.state().batch(2)).verdict().fill("dev").state())
                .isEqualTo(State.DISCARD);
        send(
                "/leaflets/1/limits/dev",
                "bram",
                "rolls-dev",
                "24",
                "days-dev",
                "",
                "reason-dev",
                "good up to 24 on the light table");
        assertThat(planning.nextRoll(log.state().batch(2)).verdict().fill("dev").state())
                .isNotEqualTo(State.DISCARD);
        assertThat(page("/batches/2", "ines")).contains("18 of 14–24 (house)").contains("18 of 24 (house) rolls done");
        assertThat(page("/leaflets/1/evidence", "ines"))
                .contains("The house allows 24 rolls: good up to 24 on the light table");
        send("/leaflets/1/limits/dev", "bram", "rolls-dev", "", "days-dev", "", "reason-dev", "back to the print");
        assertThat(page("/leaflets/1/evidence", "ines")).doesNotContain("The house allows 24 rolls");
        assertThat(planning.nextRoll(log.state().batch(2)).verdict().fill("dev").state())
                .isEqualTo(State.DISCARD);
    }

    @Test
    public void warningsComeBeforeTheLastSafeRun() throws Exception {
        assertThat(page("/batches/3", "ines")).contains("One more evening of two rolls, then it has to be renewed.");
        assertThat(page("/shelf", "ines")).contains("One more evening of two rolls");
    }

    @Test
    public void wordsAreFoundWhereverTheyStand() throws Exception {
        assertThat(found("ran 2 × 120")).isNotEmpty().allSatisfy(line -> assertThat(line)
                .containsIgnoringCase("2 × 120"));
        assertThat(found("knocked over")).hasSize(1);
        assertThat(found("1200 ml into c1")).isNotEmpty();
        assertThat(found("no such words")).isEmpty();
        send("/batches/7/notes", "ines", "note", "zinnober on the shelf");
        assertThat(found("zinnob")).hasSize(1);
        long note = log.book().lastSequence();
        send("/journal/" + note + "/void", "ines", "reason", "written for quagmire");
        assertThat(found("quagmire")).as("a void adds its words to the entry").hasSize(2);
    }

    private List<String> found(String words) {
        JournalFilter filter = new JournalFilter();
        filter.setWords(words);
        return journal.page(filter, 0, 100, new FieldErrors()).lines().stream()
                .map(line -> line.what().replace('\u00a0', ' '))
                .toList();
    }

    @Test
    public void thePagesOfTheJournalFollowEachOther() throws Exception {
        String first = page("/journal", "bram");
        String second = page("/journal?page=2", "bram");
        Pattern number = Pattern.compile("entry (\\d+)</span></span>");
        List<String> newest =
                number.matcher(first).results().map(found -> found.group(1)).toList();
        List<String> older =
                number.matcher(second).results().map(found -> found.group(1)).toList();
        assertThat(newest).hasSize(30);
        assertThat(older).isNotEmpty().doesNotContainAnyElementsOf(newest);
        Matcher count = Pattern.compile("<h1>(\\d+) entries").matcher(first);
        assertThat(count.find()).isTrue();
        assertThat(Integer.parseInt(count.group(1)))
                .isEqualTo(log.book().entries().size());
        assertThat(page("/journal?words=ran", "bram")).doesNotContain("More than");
        assertThat(page("/journal/writers", "bram")).contains("Tomasz").contains("Bram");
    }

    @Test
    public void aTransactionThatIsTakenBackLeavesNothingInTheBook() {
        int before = log.book().entries().size();
        FillState fill = log.state().batch(7).fills().get(0);
        assertThatThrownBy(() -> takenBack.executeWithoutResult(status -> {
                    log.add(
                            (SignedIn) people.loadUserByUsername("ines"),
                            stamp -> new FillSpilled(stamp, fill.id(), 10));
                    assertThat(log.book().entries()).hasSize(before + 1);
                    throw new IllegalStateException("taken back");
                }))
                .hasMessage("taken back");
        assertThat(log.book().entries()).hasSize(before);
        assertThat(log.state().fill(fill.id()).volumeMl()).isEqualTo(fill.volumeMl());
    }
}
