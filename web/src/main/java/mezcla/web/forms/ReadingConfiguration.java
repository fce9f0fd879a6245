package mezcla.web.forms;

import org.springframework.context.annotation.Configuration;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** Every page that is asked for is put together in one read transaction. */
@Configuration
class ReadingConfiguration implements WebMvcConfigurer {
    private final OneReading reading;

    ReadingConfiguration(OneReading reading) {
        this.reading = reading;
    }

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(reading);
    }
}
