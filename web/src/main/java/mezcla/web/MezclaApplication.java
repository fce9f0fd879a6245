package mezcla.web;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import mezcla.web.copies.CopyCommand;
import org.mybatis.spring.annotation.MapperScan;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.context.annotation.Bean;
import org.springframework.scheduling.annotation.EnableAsync;
import org.springframework.scheduling.annotation.EnableScheduling;

/** Starts Mezcla. */
@EnableAsync
@EnableScheduling
@SpringBootApplication
@MapperScan(basePackageClasses = MezclaApplication.class, annotationClass = org.apache.ibatis.annotations.Mapper.class)
public class MezclaApplication {
    public static void main(String[] arguments) throws IOException {
        if (CopyCommand.isWanted(arguments)) {
            System.exit(CopyCommand.run(Clock.systemUTC(), version(), arguments));
        }
        SpringApplication.run(MezclaApplication.class, arguments);
    }

    private static String version() throws IOException {
        try (InputStream text = MezclaApplication.class.getResourceAsStream("/version.txt")) {
            return text == null ? "" : new String(text.readAllBytes(), StandardCharsets.UTF_8).strip();
        }
    }

    @Bean
    Clock clock() {
        return Clock.systemUTC();
    }
}
