package mezcla.web.histories;

import java.util.List;
import java.util.Optional;
import java.util.regex.MatchResult;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Reads what the queue proposes. */
final class QueueRead {
    private static final Pattern LOAD = Pattern.compile("<section class=\"panel load\".*?</section>", Pattern.DOTALL);

    private QueueRead() {}

    /**
     * A load that is proposed.
     *
     * @param number which one it is of the evening, from 1
     * @param time its developer's time, as shown
     * @param pour when it is poured
     * @param codes the codes of its films
     * @param tank its tank
     * @param key what it is taken by
     */
    record Load(int number, String time, String pour, List<String> codes, String tank, String key) {}

    /** The first load that is proposed through a batch. */
    static Optional<Load> first(String page, long batch) {
        return LOAD.matcher(page)
                .results()
                .map(MatchResult::group)
                .filter(load -> load.contains("href=\"/batches/" + batch + "\""))
                .findFirst()
                .map(load -> new Load(
                        Integer.parseInt(one(load, "Load ([0-9]+), pour")),
                        one(load, "verdict-time\">([^<]*)<"),
                        one(load, "pour at ([0-9]{2}:[0-9]{2})"),
                        Pattern.compile("reel-code[^>]*>([^<]*)<")
                                .matcher(load)
                                .results()
                                .map(match -> match.group(1))
                                .toList(),
                        one(load, "<p><strong>([^<]*)<"),
                        one(load, "name=\"loads\"\\s+value=\"([^\"]*)\"")));
    }

    private static String one(String load, String pattern) {
        Matcher matcher = Pattern.compile(pattern).matcher(load);
        if (!matcher.find()) {
            throw new AssertionError(pattern + " in " + load);
        }
        return matcher.group(1);
    }
}
