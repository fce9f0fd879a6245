package mezcla.stress;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import mezcla.web.MezclaApplication;
import mezcla.web.clock.TestClock;
import org.springframework.boot.SpringApplication;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Primary;

/** Mezcla on a machine whose clock is wrong by as many seconds as a file says. */
public final class TurnedHouse {
    private static final Path WRONG_BY = Path.of(System.getProperty("mezcla.wrong-by"));

    private TurnedHouse() {}

    public static void main(String[] arguments) {
        new SpringApplication(MezclaApplication.class, WrongClock.class).run(arguments);
    }

    @Configuration
    static class WrongClock {
        @Bean
        @Primary
        Clock wrong() {
            return TestClock.wrongBy(() -> {
                try {
                    return Duration.ofSeconds(
                            Long.parseLong(Files.readString(WRONG_BY).strip()));
                } catch (IOException e) {
                    return Duration.ZERO;
                }
            });
        }
    }
}
