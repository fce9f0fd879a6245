package mezcla.web;

import java.time.Clock;
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
    public static void main(String[] arguments) {
        SpringApplication.run(MezclaApplication.class, arguments);
    }

    @Bean
    Clock clock() {
        return Clock.systemUTC();
    }
}
