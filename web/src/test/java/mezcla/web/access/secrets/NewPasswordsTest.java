package mezcla.web.access.secrets;

import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class NewPasswordsTest {
    private final NewPasswords rules = new NewPasswords();

    @DataProvider
    public static Object[][] guessed() {
        return new Object[][] {
            {"Password1234"},
            {"p@ssw0rd!!!!"},
            {"qwertyuiop12"},
            {"123456789012"},
            {"0987654321098"},
            {"abcdefghijkl"},
            {"aaaaaaaaaaaa"},
            {"abababababab"},
            {"Darkroom2026!"},
            {"ines-ines-26"},
            {"Saoirse12345"},
            {"2026sunshine2026"}
        };
    }

    @Test(dataProvider = "guessed")
    public void whatIsChosenFirstIsRefused(String password) {
        assertThatThrownBy(() -> rules.refuse(password, "Ines", "saoirse")).hasMessageContaining("password-common");
    }

    @DataProvider
    public static Object[][] outOfForm() {
        return new Object[][] {
            {"short", "password-short"},
            {"\u00e9".repeat(40), "password-short"},
            {"red lamp\u0000over sink", "password-unprintable"},
            {"red lamp\u200Bover sink", "password-unprintable"}
        };
    }

    @Test(dataProvider = "outOfForm")
    public void whatIsTooShortOrCannotBeSeenIsRefused(String password, String code) {
        assertThatThrownBy(() -> rules.refuse(password)).hasMessageContaining(code);
    }

    @DataProvider
    public static Object[][] good() {
        return new Object[][] {
            {"rinse-and-hang"},
            {"red lamp over sink"},
            {"grauer Nachmittag am Fluss"},
            {"ines likes long rainy evenings"}
        };
    }

    @Test(dataProvider = "good")
    public void severalWordsAreTaken(String password) {
        assertThatCode(() -> rules.refuse(password, "Ines", "ines")).doesNotThrowAnyException();
    }
}
