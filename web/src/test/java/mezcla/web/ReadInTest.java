package mezcla.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Objects;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import mezcla.web.access.Members;
import mezcla.web.access.SignedIn;
import mezcla.web.log.DarkroomLog;
import mezcla.web.settings.HouseService;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.testng.annotations.Test;

/** Lists are read in from tables: every line is shown first, and each that is refused is named. */
public class ReadInTest extends DemoPagesTest {
    private static final String BOTTLES =
            """
            label;holds;material;shelf
            H1;1 L;glass;left
            C5;1 L;glass;left
            H2;1,200;glass;left

            H1;600 ml;folding;right
            H3;600 ml;wood;right
            H4;0,6 l;Folding;right
            """;

    @Autowired
    private HouseService houses;

    @Autowired
    private Members members;

    @Autowired
    private PasswordEncoder passwords;

    @Autowired
    private DarkroomLog log;

    private String look(String kind, String text) throws Exception {
        return send("/house/read-in", "bram", "kind", kind, "text", text)
                .getContentAsString()
                .replace('\u00a0', ' ');
    }

    private long bottles() {
        return houses.bottles().stream()
                .filter(bottle -> bottle.label().startsWith("H"))
                .count();
    }

    @Test
    public void linesThatAreRefusedAreNamedAndTheRestIsReadInOnce() throws Exception {
        assertThat(look("BOTTLES", BOTTLES))
                .contains("Two of six lines can be read in")
                .contains("“C5” is there already", "could be 1.2 or 1200 ml", "“H1” is there already")
                .contains("Choose one of the materials", "Read 2 lines in");
        assertThat(bottles()).as("looking keeps nothing").isZero();
        String key = UUID.randomUUID().toString();
        String[] form = {"kind", "BOTTLES", "text", BOTTLES, "formKey", key};
        MockHttpServletResponse kept = send("/house/read-in/keep", "bram", form);
        assertThat(kept.getRedirectedUrl()).isEqualTo("/house/read-in/kept?of=" + key);
        assertThat(bottles()).isEqualTo(2);
        assertThat(send("/house/read-in/keep", "bram", form).getRedirectedUrl()).isEqualTo(kept.getRedirectedUrl());
        assertThat(bottles()).as("a double tap").isEqualTo(2);
        assertThat(send("/house/read-in", "ines", "kind", "BOTTLES", "text", BOTTLES)
                        .getStatus())
                .isEqualTo(403);
    }

    @Test
    public void whatIsNoTableIsRefusedAndStays() throws Exception {
        assertThat(look("BOTTLES", "H1,1 L,glass"))
                .contains("no table with the columns label, holds, material", "H1,1 L");
        assertThat(look("", BOTTLES)).contains("Choose one of the lists");
        assertThat(look("TANKS", "  ")).contains("Choose a file");
        assertThat(look("TANKS", "name,takes,reels of 135,reels of 120\n\"open,500 ml,2,1"))
                .contains("no table");
        assertThat(look("TANKS", "name,takes,reels of 135,reels of 120\nSix-reel tank,2 L,6,4\n,1 L,2,1\nOther,-3,2,1"))
                .contains("One of three lines");
        assertThat(houses.tanks()).hasSize(3);
    }

    @Test
    public void membersAreGivenPasswordsThatOpenTheirAccounts() throws Exception {
        String list = "Name,Sign-in name,Password\nWren Alder,wren,\nOdile Fenn,odile,hang it to dry up\nInes,ines2,\n";
        assertThat(look("MEMBERS", list)).contains("Two of three lines", "Somebody is called “Ines”");
        String[] form = {
            "kind", "MEMBERS", "text", list, "formKey", UUID.randomUUID().toString()
        };
        MockHttpServletResponse answer = send("/house/read-in/keep", "bram", form);
        String kept = String.valueOf(answer.getRedirectedUrl());
        assertThat(members.all()).extracting(each -> each.signInName()).contains("wren", "odile");
        assertThat(send("/house/read-in/keep", "bram", form).getRedirectedUrl()).isEqualTo(kept);
        Matcher told = Pattern.compile("password ([A-Z2-9]{14})<").matcher(page(kept, "bram"));
        assertThat(told.find()).as("told").isTrue();
        assertThat(page(kept, "bram"))
                .as("a double tap, or the page once more, loses nobody's password")
                .contains(told.group(1));
        assertThat(passwords.matches(told.group(1), ((SignedIn) members.loadUserByUsername("wren")).passwordHash()))
                .isTrue();
        assertThat(page("/house/read-in/kept", "bram")).doesNotContain(told.group(1));
    }

    /** Two members of one name, and two who sign in alike, are refused in a look as they are when it is read in. */
    @Test
    public void whoComesTwiceInAListIsNamed() throws Exception {
        String list =
                "name,sign-in name,password\nRook Ash,rook,\nROOK ASH,rook2,\nRowan Birch,Rook,\nElm Dale,elm,short\n";
        assertThat(look("MEMBERS", list))
                .contains("One of four lines", "Somebody is called “ROOK ASH”", "“Rook” is taken", "Use 12 to 72");
        send("/house/read-in/keep", "bram", "kind", "MEMBERS", "text", list);
        assertThat(members.all())
                .extracting(SignedIn::name)
                .contains("Rook Ash")
                .doesNotContain("Rowan Birch");
    }

    /** Two thousand members with passwords are looked at, and 250 read in, while others go on saving. */
    @Test
    public void othersSaveWhileAListIsLookedAtAndReadIn() throws Exception {
        StringBuilder many = new StringBuilder("name,sign-in name,password\n");
        for (int i = 0; i < 2000; i++) {
            many.append("Member %d,member%d,hang it to dry %d\n".formatted(i, i, i));
        }
        assertThat(savedMeanwhile(
                        () -> assertThat(look("MEMBERS", many.toString())).contains("2000 lines")))
                .isGreaterThan(3);
        String some = many.substring(0, many.indexOf("Member 250,"));
        assertThat(savedMeanwhile(() -> send("/house/read-in/keep", "bram", "kind", "MEMBERS", "text", some)
                        .getRedirectedUrl()))
                .isGreaterThan(3);
        assertThat(members.all()).hasSizeGreaterThan(250);
    }

    private interface Act {
        Object done() throws Exception;
    }

    /** How many notes are saved while something else goes on. */
    private int savedMeanwhile(Act act) throws Exception {
        CompletableFuture<Object> other = CompletableFuture.supplyAsync(() -> {
            try {
                return Objects.requireNonNullElse(act.done(), "");
            } catch (Exception e) {
                throw new IllegalStateException(e);
            }
        });
        int saved = 0;
        while (!other.isDone()) {
            assertThat(send("/batches/4/notes", "devi", "note", "meanwhile").getStatus())
                    .isEqualTo(302);
            saved += other.isDone() ? 0 : 1;
        }
        other.get();
        return saved;
    }

    @Test
    public void earlierRunsCountInTheirBatchOnTheirDay() throws Exception {
        double before = log.state().batch(4).rolls();
        Matcher day = Pattern.compile("([0-9]{4}-[0-9]{2}-[0-9]{2})")
                .matcher(log.state()
                        .batch(4)
                        .mixed()
                        .stamp()
                        .happenedAt()
                        .plusSeconds(5 * 86_400)
                        .toString());
        assertThat(day.find()).isTrue();
        String list =
                "date,batch,owner,format,count\n%s,4,Devi,135-36,2\n%s,4,Devi,135-36,0\n2001-01-01,4,Devi,120,1\n%s,99,Devi,120,1\n%s,4,Devi,13x5,1\n"
                        .replace("%s", day.group(1));
        assertThat(look("RUNS", list)).contains("One of five lines");
        assertThat(log.state().batch(4).rolls()).isEqualTo(before);
        send("/house/read-in/keep", "bram", "kind", "RUNS", "text", list);
        assertThat(log.state().batch(4).rolls()).isEqualTo(before + 2);
    }
}
