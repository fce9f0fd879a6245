package mezcla.web.members;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.regex.Matcher;
import java.util.regex.Pattern;
import mezcla.web.DemoApplicationTest;
import mezcla.web.access.Devices;
import mezcla.web.access.Members;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.context.ApplicationContext;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.testng.annotations.Test;

/** A password that was lost, given anew from the console. */
public class ForgottenPasswordTest extends DemoApplicationTest {
    @Autowired
    private Members members;

    @Autowired
    private Devices devices;

    @Autowired
    private JdbcClient sql;

    @Autowired
    private PasswordEncoder passwords;

    @Autowired
    private ApplicationContext application;

    @Test
    public void consoleGivesANewOneToThatMemberAlone() {
        String bram = members.loadUserByUsername("bram").getPassword();
        String said =
                new ForgottenPassword(members, devices, "INES").newPassword().orElseThrow();
        Matcher matcher = Pattern.compile("Ines signs in as ines with the password ([A-Z2-9]{12})")
                .matcher(said);
        assertThat(matcher.matches()).as(said).isTrue();
        assertThat(passwords.matches(
                        matcher.group(1), members.loadUserByUsername("ines").getPassword()))
                .isTrue();
        assertThat(sql.sql("SELECT what FROM access_record ORDER BY id DESC LIMIT 1")
                        .query(String.class)
                        .single())
                .isEqualTo("gave Ines another password, from the console");
        assertThat(members.loadUserByUsername("bram").getPassword()).isEqualTo(bram);
        assertThat(new ForgottenPassword(members, devices, "nobody").newPassword())
                .as("so that the console ends with 1")
                .isEmpty();
    }

    @Test
    public void nothingOfItRunsUnlessTheConsoleAsks() {
        assertThat(application.getBeansOfType(ForgottenPassword.class)).isEmpty();
    }
}
