package mezcla.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import mezcla.money.Accounts;
import mezcla.web.access.Members;
import mezcla.web.access.SignedIn;
import mezcla.web.accounts.HouseAccounts;
import mezcla.web.copies.HouseCopy;
import mezcla.web.log.DarkroomLog;
import mezcla.web.log.LogFile;
import org.joda.money.Money;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.testng.annotations.Test;

/** Members change role and name, leave, and are forgotten. */
public class MembersRoomTest extends DemoPagesTest {
    private static final String OLD = "Saoirse";
    private static final String NEW = "Saoirse of the weir";

    @Autowired
    private Members members;

    @Autowired
    private DarkroomLog log;

    @Autowired
    private LogFile file;

    @Autowired
    private HouseAccounts accounts;

    @Autowired
    private JdbcClient sql;

    @Value("${mezcla.data}")
    private Path data;

    private long id(String signInName) {
        return ((SignedIn) members.loadUserByUsername(signInName)).id();
    }

    private Money balance(String name) {
        Accounts all = accounts.accounts();
        return all.balance(name);
    }

    @Test
    public void aNewNameIsThePersonsAndHistoryKeepsWhatItSaid() throws Exception {
        long id = id("saoirse");
        Money owed = balance(OLD);
        assertThat(owed.isZero()).isFalse();
        int film = page("/money/film", "saoirse").split("<tr>", -1).length;
        List<String> lines = file.lines();
        String before = page("/house/members/" + id, "bram");
        assertThat(before).contains("What Saoirse did and owes", "They owe the house", "film of theirs");
        String address = "/house/members/" + id + "/name";
        assertThat(send(address, "bram", "name", "Devi", "signInName", "saoirse")
                        .getStatus())
                .as("somebody else's")
                .isEqualTo(422);
        assertThat(send(address, "bram", "name", NEW, "signInName", "a").getStatus())
                .isEqualTo(422);
        assertThat(send(address, "ines", "name", NEW, "signInName", "saoirse").getStatus())
                .isEqualTo(403);
        assertThat(send(address, "bram", "name", NEW, "signInName", "sao").getRedirectedUrl())
                .isEqualTo("/house/members/" + id + "?saved");
        assertThat(file.lines()).as("the log says what it said").isEqualTo(lines);
        assertThat(balance(NEW)).isEqualTo(owed);
        assertThat(balance(OLD).isZero()).isTrue();
        assertThat(page("/money/film", "sao").split("<tr>", -1)).hasSize(film);
        assertThat(page("/journal?member=" + NEW.replace(" ", "%20"), "bram")).contains(OLD);
        send("/batches/4/runs", "sao", film("1", "135-36", "1"));
        assertThat(log.book()
                        .entries()
                        .get(log.book().entries().size() - 1)
                        .stamp()
                        .who())
                .isEqualTo(NEW);
        assertThat(send("/house/members", "bram", "name", OLD, "signInName", "other", "password", "hang it to dry")
                        .getStatus())
                .as("a name that somebody had is nobody else's")
                .isEqualTo(422);
    }

    @Test(dependsOnMethods = "aNewNameIsThePersonsAndHistoryKeepsWhatItSaid")
    public void whoeverLeftBecomesANumberEverywhere() throws Exception {
        long id = id("sao");
        Money owed = balance(NEW);
        String number = "/house/members/" + id + "/number";
        assertThat(send(number, "bram").getStatus()).as("only who left").isEqualTo(422);
        assertThat(send("/house/members/" + id + "/leave", "bram").getRedirectedUrl())
                .isEqualTo("/house/members?left#former");
        assertThat(page("/house/members", "bram")).contains("Make the name " + NEW + " a number");
        assertThat(page("/journal", "bram")).contains(OLD);
        assertThat(send(number, "bram").getRedirectedUrl()).isEqualTo("/house/members?numbered#former");
        String now = "Former member " + id;
        assertThat(page("/journal", "bram")).contains(now).doesNotContain(OLD);
        assertThat(page("/journal?text=" + OLD.toLowerCase(), "bram")).doesNotContain(OLD + " ");
        assertThat(balance(now)).isEqualTo(owed);
        assertThat(page("/money", "bram")).doesNotContain(OLD);
        assertThat(page("/queue", "bram")).doesNotContain(OLD);
        assertThat(page("/house/access", "bram")).doesNotContain(OLD);
        assertThat(String.join("\n", file.lines())).doesNotContain(OLD);
        assertThat(copied()).as("nor in the file itself").doesNotContain(OLD);
    }

    private String copied() throws IOException {
        Path folder = Files.createTempDirectory("mezcla-forgotten");
        Path copy = folder.resolve("copy.zip");
        HouseCopy.write(data, copy, "", Instant.EPOCH);
        HouseCopy.restore(copy, folder.resolve("back"));
        return Files.readString(folder.resolve("back").resolve("mezcla.db"), StandardCharsets.ISO_8859_1);
    }

    @Test
    public void aHouseKeepsAtLeastOneSteward() throws Exception {
        long bram = id("bram");
        assertThat(send("/house/members/" + bram + "/role", "bram", "steward", "false")
                        .getContentAsString())
                .contains("One steward at least has to stay");
        assertThat(send("/house/members/" + bram + "/leave", "bram").getContentAsString())
                .contains("One steward at least has to stay");
        long devi = id("devi");
        send("/house/members/" + devi + "/role", "bram", "steward", "true");
        assertThat(page("/house/members/" + devi, "bram")).contains("Devi, steward");
        send("/house/members/" + devi + "/role", "bram", "steward", "false");
        assertThat(sql.sql("SELECT count(*) FROM member WHERE role = 'STEWARD'")
                        .query(Long.class)
                        .single())
                .isEqualTo(1);
    }
}
