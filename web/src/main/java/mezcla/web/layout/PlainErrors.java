package mezcla.web.layout;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.core.StandardHost;
import org.apache.catalina.valves.ErrorReportValve;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** What the server refuses before the application hears of it, as an address that cannot be one: a page with a sentence. */
@Configuration
class PlainErrors {
    private static final String PAGE =
            """
            <!doctype html>
            <html lang="en-GB" data-theme="light"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
            <title>Mezcla</title><link rel="stylesheet" href="/webjars/bootstrap/css/bootstrap.min.css">
            <link rel="stylesheet" href="/styles/tokens.css"><link rel="stylesheet" href="/styles/base.css"></head>
            <body><div class="stage alone"><main id="main"><p class="place">Mezcla</p><h1>That could not be read</h1>
            <p class="lead-line">Nothing was saved. Go back and try it another way, or start from the Shelf.</p>
            <p><a class="btn btn-main" href="/shelf">To the Shelf</a></p></main></div></body></html>
            """;

    @Bean
    WebServerFactoryCustomizer<TomcatServletWebServerFactory> errorsInASentence() {
        return factory -> factory.addContextCustomizers(context -> {
            if (context.getParent() instanceof StandardHost host) {
                host.setErrorReportValveClass(Sentence.class.getName());
            }
        });
    }

    /** Writes that page where nothing else was answered. */
    public static final class Sentence extends ErrorReportValve {
        @Override
        protected void report(Request request, Response response, @Nullable Throwable failure) {
            if (response.getStatus() < 400 || response.getContentWritten() > 0 || !response.setErrorReported()) {
                return;
            }
            try {
                response.setContentType("text/html;charset=UTF-8");
                response.setHeader(
                        "Content-Security-Policy",
                        "default-src 'none'; style-src 'self'; font-src 'self'; frame-ancestors 'none'");
                response.setHeader("X-Content-Type-Options", "nosniff");
                response.getOutputStream().write(PAGE.getBytes(StandardCharsets.UTF_8));
                response.finishResponse();
            } catch (IOException | IllegalStateException gone) {
                container.getLogger().debug("Whoever asked has gone", gone);
            }
        }
    }
}
