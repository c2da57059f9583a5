package riposo.core.tolerance;

import java.util.List;
import java.util.Map;
import java.util.UUID;

/**
 * A verdict with its rule, source, the runs it rests on and the numbers that decided it.
 *
 * @param facts numbers by name, in a fixed order, for the sentence
 */
public record Judgement(
    Verdict verdict, Rule rule, Map<String, Integer> facts, List<UUID> runs, Change change) {}
