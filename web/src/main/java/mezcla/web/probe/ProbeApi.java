package mezcla.web.probe;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.time.Clock;
import java.time.Instant;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import mezcla.measure.Refusal;
import mezcla.measure.Temperature;
import mezcla.web.forms.FormObjection;
import mezcla.web.probes.Probe;
import mezcla.web.probes.ProbeService;
import mezcla.web.words.ObjectionWords;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Where probes send what they show: {@code docs/formats/probe-readings.md} tells how. */
@RestController
class ProbeApi {
    private static final String BEARER = "Bearer ";
    private static final int MOST_BYTES = 64_000;
    private static final int MOST_READINGS = 500;

    private final ProbeService probes;
    private final JsonMapper json;
    private final ProbeRate rate;

    ProbeApi(ProbeService probes, JsonMapper json, Clock clock) {
        this.rate = new ProbeRate(clock);
        this.probes = probes;
        this.json = json;
    }

    @PostMapping("/api/probes/{id}/readings")
    ResponseEntity<?> take(
            @PathVariable String id,
            @RequestHeader(name = HttpHeaders.AUTHORIZATION, defaultValue = "") String authorization,
            HttpServletRequest request)
            throws IOException {
        boolean known = id.matches("[0-9]{1,9}")
                && authorization.startsWith(BEARER)
                && probes.isToken(Long.parseLong(id), authorization.substring(BEARER.length()));
        if (!known) {
            return ResponseEntity.status(HttpStatus.UNAUTHORIZED)
                    .header(HttpHeaders.WWW_AUTHENTICATE, "Bearer")
                    .body(ProblemDetail.forStatusAndDetail(
                            HttpStatus.UNAUTHORIZED, "This probe and this token do not go together."));
        }
        if (!rate.allows(Long.parseLong(id))) {
            return ResponseEntity.status(HttpStatus.TOO_MANY_REQUESTS)
                    .header(HttpHeaders.RETRY_AFTER, "60")
                    .body(ProblemDetail.forStatusAndDetail(
                            HttpStatus.TOO_MANY_REQUESTS, ObjectionWords.of(new FormObjection.ProbeTooOften())));
        }
        byte[] body = request.getInputStream().readNBytes(MOST_BYTES + 1);
        try {
            if (body.length > MOST_BYTES) {
                throw Refusal.of(new FormObjection.ReadingsTooMany(MOST_READINGS));
            }
            List<Probe.Reading> readings = read(body);
            probes.take(Long.parseLong(id), readings);
            return ResponseEntity.status(HttpStatus.CREATED).body(Map.of("taken", readings.size()));
        } catch (Refusal refusal) {
            return ResponseEntity.badRequest()
                    .body(ProblemDetail.forStatusAndDetail(HttpStatus.BAD_REQUEST, ObjectionWords.of(refusal)));
        }
    }

    private List<Probe.Reading> read(byte[] body) {
        JsonNode sent;
        try {
            sent = json.readTree(body);
        } catch (JacksonException e) {
            throw Refusal.of(new FormObjection.NotReadings());
        }
        JsonNode list = sent.isObject() && sent.has("readings") ? sent.get("readings") : sent;
        List<Probe.Reading> readings = new ArrayList<>();
        if (list.isArray()) {
            list.forEach(each -> readings.add(reading(each)));
        } else {
            readings.add(reading(list));
        }
        if (readings.isEmpty()) {
            throw Refusal.of(new FormObjection.NotReadings());
        }
        if (readings.size() > MOST_READINGS) {
            throw Refusal.of(new FormObjection.ReadingsTooMany(MOST_READINGS));
        }
        return readings;
    }

    private Probe.Reading reading(JsonNode sent) {
        JsonNode celsius = sent.get("celsius");
        if (celsius == null || !celsius.isNumber()) {
            throw Refusal.of(new FormObjection.NotReadings());
        }
        return new Probe.Reading(
                moment(sent.get("at")),
                Temperature.ofCelsius(celsius.asDouble()).celsius());
    }

    private Instant moment(@Nullable JsonNode at) {
        if (at == null || at.isNull()) {
            return probes.now();
        }
        if (!at.isString()) {
            throw Refusal.of(new FormObjection.ReadingTime(at.toString()));
        }
        try {
            return Instant.parse(at.stringValue());
        } catch (DateTimeParseException e) {
            throw Refusal.of(new FormObjection.ReadingTime(at.stringValue()));
        }
    }
}
