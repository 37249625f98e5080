package dev.vinekit.run;

import dev.vinekit.fault.Fault;
import dev.vinekit.project.Project;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * One of several parts of the tests, for machines that run them side by side. Each table's tests are in one part; that
 * takes the same state of the project, and the same times of a last run, on all of them.
 *
 * @param number which part, from 1
 * @param of how many there are
 */
public record Shard(int number, int of) {
    private static final Pattern FORM = Pattern.compile("([1-9][0-9]{0,3})/([1-9][0-9]{0,3})");

    public Shard {
        if (number < 1 || number > of) {
            throw Fault.inCall("There is no shard " + number + " of " + of + ".",
                    "Count from 1: 1/" + of + " is the first, " + of + "/" + of + " the last.");
        }
    }

    /**
     * Reads {@code 2/5}.
     *
     * @throws Fault if it is something else
     */
    public static Shard parse(String text) {
        Matcher parts = FORM.matcher(text);
        if (!parts.matches()) {
            throw Fault.inCall("\"" + text + "\" is no shard.", "Write which one of how many: 2/5 for the second of five.");
        }
        return new Shard(Integer.parseInt(parts.group(1)), Integer.parseInt(parts.group(2)));
    }

    /**
     * The test classes of this part: the heaviest table first, each to the part that has least so far.
     *
     * @param byTable the classes of each table, and under an empty name those of the service as a whole
     * @param bytes how large a class is, for tables of which no time is known
     * @throws Fault if nothing is left for this part
     */
    List<String> of(Project project, Map<String, List<String>> byTable, Map<String, Long> bytes) {
        Map<String, Double> weights = weights(LastTimes.of(project), byTable, bytes);
        List<String> tables = new ArrayList<>(byTable.keySet());
        Comparator<String> byWeight = Comparator.comparing(weights::get);
        tables.sort(byWeight.reversed().thenComparing(table -> table));
        double[] loads = new double[of];
        List<String> ours = new ArrayList<>();
        for (String table : tables) {
            int least = 0;
            for (int i = 1; i < of; i++) {
                least = loads[i] < loads[least] ? i : least;
            }
            loads[least] += weights.get(table);
            if (least == number - 1) {
                ours.addAll(byTable.get(table));
            }
        }
        if (ours.isEmpty()) {
            throw Fault.inCall("Shard " + number + " of " + of + " has no tests: there are those of " + tables.size()
                    + " tables only.", "Use at most " + tables.size() + " shards.");
        }
        return ours;
    }

    private static Map<String, Double> weights(Map<String, Double> seconds, Map<String, List<String>> byTable,
            Map<String, Long> bytes) {
        Map<String, Double> sizes = new HashMap<>();
        byTable.forEach((table, classes) -> sizes.put(table, (double) classes.stream().mapToLong(bytes::get).sum()));
        double known = sizes.keySet().stream().filter(seconds::containsKey).mapToDouble(sizes::get).sum();
        double rate = known == 0 ? 1 : sizes.keySet().stream().filter(seconds::containsKey)
                .mapToDouble(seconds::get).sum() / known;
        Map<String, Double> weights = new TreeMap<>();
        sizes.forEach((table, size) -> weights.put(table, seconds.getOrDefault(table, size * rate)));
        return weights;
    }
}
