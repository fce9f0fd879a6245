package mezcla.web.histories;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;

/** Shares a sum a second time: whole units by weight, then one each to the largest remainders, the first listed where equal. */
final class PlainShares {
    private static final double SLACK = 1e-9;

    private PlainShares() {}

    static List<Long> of(long units, List<Double> weights) {
        double all = weights.stream().mapToDouble(Double::doubleValue).sum();
        List<Long> shares = new ArrayList<>();
        List<Double> rests = new ArrayList<>();
        for (double weight : weights) {
            double exact = units * weight / all;
            long whole = (long) Math.floor(exact + SLACK);
            shares.add(whole);
            rests.add(Math.round((exact - whole) / SLACK) * SLACK);
        }
        long left = units - shares.stream().mapToLong(Long::longValue).sum();
        IntStream.range(0, weights.size())
                .boxed()
                .sorted(Comparator.comparing(rests::get, Comparator.reverseOrder()))
                .limit(left)
                .forEach(at -> shares.set(at, shares.get(at) + 1));
        return shares;
    }
}
