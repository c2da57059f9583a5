package riposo.core.plan;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import riposo.core.limit.Side;

/**
 * A format with its numbers, all of them.
 *
 * @param values exactly the numbers {@link FormatKind#params} names
 * @param ladder work of each round in s, falling; empty but for a ladder
 * @param phrase the pattern of sides; empty but for a phrase
 */
public record Format(
    FormatKind kind, Map<Param, Integer> values, List<Integer> ladder, List<Side> phrase) {
  public Format {
    if (kind == null) {
      throw new IllegalArgumentException("a format needs its kind");
    }
    values = values == null ? Map.of() : values;
    ladder = ladder == null ? List.of() : List.copyOf(ladder);
    phrase = phrase == null ? List.of() : List.copyOf(phrase);
    EnumMap<Param, Integer> all = new EnumMap<>(Param.class);
    for (Param p : kind.params) {
      Integer v = values.get(p);
      if (v == null) {
        throw new IllegalArgumentException(kind.words + " needs its " + p.words);
      }
      p.check(v);
      all.put(p, v);
    }
    for (Param p : values.keySet()) {
      if (!kind.params.contains(p)) {
        throw new IllegalArgumentException(kind.words + " takes no " + p.words);
      }
    }
    int rounds = all.getOrDefault(Param.ROUNDS, 0);
    if (kind == FormatKind.BURSTS && rounds % 4 != 0) {
      throw new IllegalArgumentException("short bursts run 4 or 8 rounds a pair, was " + rounds);
    }
    if (kind == FormatKind.LADDER != !ladder.isEmpty()) {
      throw new IllegalArgumentException(
          kind == FormatKind.LADDER
              ? "ladder needs the work of each round"
              : kind.words + " takes no ladder");
    }
    if (ladder.size() > 10) {
      throw new IllegalArgumentException("a ladder has 10 rounds at most, was " + ladder.size());
    }
    for (int i = 0; i < ladder.size(); i++) {
      Param.WORK.check(ladder.get(i));
      if (i > 0 && ladder.get(i) >= ladder.get(i - 1)) {
        throw new IllegalArgumentException("a ladder gets shorter each round, was " + ladder);
      }
    }
    if (kind == FormatKind.PHRASE != !phrase.isEmpty()) {
      throw new IllegalArgumentException(
          kind == FormatKind.PHRASE
              ? "phrase needs its pattern of sides"
              : kind.words + " takes no phrase");
    }
    if (phrase.size() > 8) {
      throw new IllegalArgumentException("a phrase has 8 parts at most, was " + phrase.size());
    }
    values = java.util.Collections.unmodifiableMap(all);
  }

  /** Intervals in order: work s, rest s, rounds over the whole list. */
  public static Format intervals(int work, int rest, int rounds) {
    return new Format(
        FormatKind.INTERVALS,
        Map.of(Param.WORK, work, Param.REST, rest, Param.ROUNDS, rounds),
        List.of(),
        List.of());
  }

  public static Format inTurn() {
    return new Format(FormatKind.IN_TURN, Map.of(), List.of(), List.of());
  }

  /** The number; throws {@link IllegalArgumentException} when the kind has none of that name. */
  public int get(Param p) {
    Integer v = values.get(p);
    if (v == null) {
      throw new IllegalArgumentException(kind.words + " has no " + p.words);
    }
    return v;
  }

  /** How often a slot comes round: rounds, sets, repeats or steps of the ladder. */
  public int rounds() {
    for (Param p : new Param[] {Param.ROUNDS, Param.SETS}) {
      if (values.containsKey(p)) {
        return kind == FormatKind.BURSTS ? Math.max(1, get(p) / 2) : get(p);
      }
    }
    return switch (kind) {
      case LADDER -> ladder.size();
      case HOLDS, WALK_IN -> get(Param.REPEATS);
      case GATHER -> (get(Param.TOTAL) + get(Param.SET_SIZE) - 1) / get(Param.SET_SIZE);
      default -> 1;
    };
  }

  /**
   * The share of each work + rest that a client with a work-for-rest cap works: with 100 (rest at
   * least as long as work) the first half. 20/10 becomes 15 of each 30 s. Rounds down.
   *
   * @param capPercent work as a percentage of rest; {@link Integer#MAX_VALUE} when nothing caps
   */
  public static int workWithin(int work, int rest, int capPercent) {
    if (capPercent == Integer.MAX_VALUE) {
      return work;
    }
    long total = (long) work + rest;
    return (int) Math.min(work, total * capPercent / (100L + capPercent));
  }

  /**
   * Seconds of rest that so much work asks for under a work-for-rest cap, rounded up; 0 when
   * nothing caps.
   *
   * @param capPercent work as a percentage of rest; {@link Integer#MAX_VALUE} when nothing caps
   */
  public static int restFor(int work, int capPercent) {
    return capPercent == Integer.MAX_VALUE
        ? 0
        : (int) ((work * 100L + Math.max(1, capPercent) - 1) / Math.max(1, capPercent));
  }

  /** Today's dose: one set less and rests half as long again. */
  public Format eased() {
    EnumMap<Param, Integer> v = new EnumMap<>(Param.class);
    values.forEach(
        (p, x) ->
            v.put(
                p,
                p.isRest()
                    ? Math.min(p.greatest, (x * 3 + 1) / 2)
                    : switch (p) {
                      case ROUNDS ->
                          kind == FormatKind.BURSTS ? Math.max(4, x - 4) : Math.max(1, x - 1);
                      case SETS, TIMES -> Math.max(1, x - 1);
                      case REPEATS -> Math.max(1, x - 1);
                      case TOTAL -> Math.max(2, x - get(Param.SET_SIZE));
                      case CAP -> Math.max(60, x * 4 / 5);
                      default -> x;
                    }));
    // The longest round goes: it is the one that asks most.
    List<Integer> l = ladder.size() > 1 ? ladder.subList(1, ladder.size()) : ladder;
    return new Format(kind, v, l, phrase);
  }

  /** A short session's format: eased, and once. */
  public Format once() {
    Format e = eased();
    EnumMap<Param, Integer> v = new EnumMap<>(Param.class);
    e.values.forEach(
        (p, x) ->
            v.put(
                p,
                switch (p) {
                  case ROUNDS -> kind == FormatKind.BURSTS ? 4 : 1;
                  case SETS, TIMES -> 1;
                  case REPEATS -> kind == FormatKind.PHRASE ? Math.min(4, x) : 1;
                  case TOTAL -> Math.max(2, Math.min(x, e.get(Param.SET_SIZE)));
                  case CAP -> Math.min(x, 180);
                  default -> x;
                }));
    List<Integer> l = e.ladder.isEmpty() ? e.ladder : List.of(e.ladder.get(e.ladder.size() - 1));
    return new Format(kind, v, l, phrase);
  }

  /** The format with one number changed. */
  public Format with(Param p, int value) {
    EnumMap<Param, Integer> v = new EnumMap<>(Param.class);
    v.putAll(values);
    v.put(p, value);
    return new Format(kind, v, ladder, phrase);
  }

  /** "intervals, in order: work 40 s, rest 20 s, rounds 2". */
  public String words() {
    List<String> parts = new ArrayList<>();
    if (!ladder.isEmpty()) {
      parts.add(
          ladder.stream().map(String::valueOf).reduce((a, b) -> a + "/" + b).orElse("") + " s");
    }
    for (Param p : kind.params) {
      int x = get(p);
      if (p == Param.DROP_LAST_REST) {
        if (x == 1) {
          parts.add("no rest after the last");
        }
      } else {
        parts.add(p.words + " " + x + (p.unit.isEmpty() ? "" : " " + p.unit));
      }
    }
    if (!phrase.isEmpty()) {
      parts.add(
          phrase.stream()
              .map(s -> s.name().toLowerCase(java.util.Locale.ROOT))
              .reduce((a, b) -> a + ", " + b)
              .orElse(""));
    }
    return parts.isEmpty() ? kind.words : kind.words + ": " + String.join(", ", parts);
  }

  /** Whether this number would be accepted; null when it would, else the sentence of why not. */
  public static @Nullable String refusal(Param p, int value) {
    try {
      p.check(value);
      return null;
    } catch (IllegalArgumentException e) {
      return e.getMessage();
    }
  }
}
