package mezcla.web.ribbon.accident;

import java.io.IOException;
import java.io.InputStreamReader;
import java.io.Reader;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Properties;
import java.util.Set;
import mezcla.log.Accident;
import mezcla.processing.AccidentAnswer;
import mezcla.processing.RunSteps;

/**
 * What a ribbon says when something goes wrong, finished beforehand: it has to answer without the server.
 *
 * @param list what can go wrong, in the order of showing
 * @param baths the baths of the run, by their first step, for the accidents that ask which one
 * @param answers every answer that this run can need, by its key
 * @param bySteps for each step the keys of the answers, in the order of the list
 * @param others for each step, by the number of an accident that asks which bath, the keys of the answers by that bath's step
 */
public record AccidentsView(
        List<Choice> list,
        List<Other> baths,
        Map<String, Answer> answers,
        List<List<String>> bySteps,
        List<Map<Integer, Map<Integer, String>>> others) {
    private static final Properties WORDS = read();

    /**
     * Something that can go wrong.
     *
     * @param number by which it is noted
     * @param words in a member's words
     * @param asks what is asked further; empty for nothing
     * @param measured whether a temperature is wanted next
     */
    public record Choice(int number, String words, String asks, boolean measured) {}

    /** A bath of the run: its first step, and what it is called. */
    public record Other(int step, String letters, String name) {}

    /**
     * An answer.
     *
     * @param now what to do now
     * @param more why, or how
     * @param film what it means for the film
     * @param bottle what it means for the bottle
     * @param bars what a press bars; empty for nothing
     */
    public record Answer(String now, String more, String film, String bottle, String bars) {}

    private static Properties read() {
        Properties words = new Properties();
        try (Reader reader = new InputStreamReader(
                Objects.requireNonNull(AccidentsView.class.getResourceAsStream("/messages/accidents.properties")),
                StandardCharsets.UTF_8)) {
            words.load(reader);
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
        return words;
    }

    /** The names of all words. */
    static Set<String> names() {
        return WORDS.stringPropertyNames();
    }

    /** Everything that can be said of a run. */
    public static AccidentsView of(RunSteps steps) {
        List<Other> baths = baths(steps);
        Map<String, Answer> answers = new LinkedHashMap<>();
        List<List<String>> bySteps = new ArrayList<>();
        List<Map<Integer, Map<Integer, String>>> others = new ArrayList<>();
        for (int at = 0; at < steps.steps().size(); at++) {
            int step = at;
            bySteps.add(Arrays.stream(Accident.values())
                    .map(what -> kept(answers, AccidentAnswer.of(what, steps, step, -1)))
                    .toList());
            Map<Integer, Map<Integer, String>> asked = new LinkedHashMap<>();
            for (Accident what : Accident.values()) {
                if (!asks(what).isEmpty()) {
                    Map<Integer, String> byBath = new LinkedHashMap<>();
                    baths.forEach(bath ->
                            byBath.put(bath.step(), kept(answers, AccidentAnswer.of(what, steps, step, bath.step()))));
                    asked.put(what.number(), byBath);
                }
            }
            others.add(asked);
        }
        return new AccidentsView(
                Arrays.stream(Accident.values())
                        .map(what -> new Choice(
                                what.number(),
                                what.words(),
                                asks(what),
                                what == Accident.TOO_COLD || what == Accident.TOO_WARM))
                        .toList(),
                baths,
                answers,
                bySteps,
                others);
    }

    private static List<Other> baths(RunSteps steps) {
        Map<String, Other> baths = new LinkedHashMap<>();
        for (int at = 0; at < steps.steps().size(); at++) {
            RunSteps.Step step = steps.steps().get(at);
            if (step.bath() != null && step.role() != null) {
                baths.putIfAbsent(step.bath(), new Other(at, step.role().letters(), step.name()));
            }
        }
        return List.copyOf(baths.values());
    }

    private static String asks(Accident what) {
        return switch (what) {
            case WRONG_BATH -> "Which one went in?";
            case WRONG_BOTTLE -> "Into whose bottle?";
            default -> "";
        };
    }

    private static String kept(Map<String, Answer> answers, AccidentAnswer answer) {
        answers.putIfAbsent(
                answer.key(),
                new Answer(
                        words(answer, "now"),
                        words(answer, "more"),
                        words(answer, "film"),
                        words(answer, "bottle"),
                        bars(answer.needs())));
        return answer.key();
    }

    private static String bars(AccidentAnswer.Needs needs) {
        return switch (needs) {
            case NOTHING, CLIP_TEST -> "";
            case BAR, BAR_OTHER -> "Bar that bottle";
            case BAR_BOTH -> "Bar both bottles";
        };
    }

    private static String words(AccidentAnswer answer, String part) {
        return Objects.requireNonNull(
                WORDS.getProperty(answer.key() + "." + part), () -> "There are no words for " + answer.key());
    }
}
