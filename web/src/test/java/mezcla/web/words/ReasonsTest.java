package mezcla.web.words;

import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.domain.JavaFieldAccess;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Iterator;
import java.util.stream.Stream;
import mezcla.verdict.Reason;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** A reason that nothing raises, or that no test of the rules knows, is none. */
public class ReasonsTest {
    private static final JavaClasses RULES = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .importPackages("mezcla.verdict");
    private static final Path TESTS = Path.of("..", "core", "src", "test");

    @DataProvider
    public Iterator<Object[]> reasons() {
        return Arrays.stream(Reason.Code.values())
                .map(code -> new Object[] {code})
                .iterator();
    }

    @Test(dataProvider = "reasons")
    public void isRaisedByARule(Reason.Code code) {
        assertThat(RULES.get(Reason.Code.class).getField(code.name()).getAccessesToSelf())
                .extracting(JavaFieldAccess::getOriginOwner)
                .anyMatch(raiser -> !raiser.getName().startsWith(Reason.class.getName()));
    }

    @Test(dataProvider = "reasons")
    public void isKnownToATestOfTheRules(Reason.Code code) throws IOException {
        try (Stream<Path> files = Files.walk(TESTS)) {
            assertThat(files.filter(Files::isRegularFile).map(ReasonsTest::read))
                    .anyMatch(text -> text.contains("Code." + code.name() + ",")
                            || text.contains("Code." + code.name() + ")")
                            || text.contains("\"" + code.words() + "\""));
        }
    }

    private static String read(Path file) {
        try {
            return Files.readString(file);
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }
}
