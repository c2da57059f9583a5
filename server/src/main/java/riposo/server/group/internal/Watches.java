package riposo.server.group.internal;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.core.group.Watch;
import riposo.core.limit.Side;
import riposo.core.plan.Block;
import riposo.core.wording.Wording;

/**
 * Who needs watching, gathered over the slots: each person once, every reason with where it holds.
 */
final class Watches {
  /** One reason of one person. */
  private record Reason(UUID person, Watch.Kind kind, @Nullable String axisId, Side side) {}

  private final Map<Reason, Watch> most = new LinkedHashMap<>();
  private final Map<Reason, Map<Block, Set<Integer>>> where = new LinkedHashMap<>();

  /** Where it comes with different numbers, the greatest is told. */
  void add(Watch w, Block block, int number) {
    Reason r = new Reason(w.person(), w.kind(), w.axisId(), w.side());
    most.merge(r, w, (a, b) -> a.value() >= b.value() ? a : b);
    where
        .computeIfAbsent(r, x -> new EnumMap<>(Block.class))
        .computeIfAbsent(block, x -> new TreeSet<>())
        .add(number);
  }

  /** Everybody to be watched, by name, each with all there is to look for. */
  List<GroupSheet.SheetWatch> told(SheetMaker.Given g) {
    Map<UUID, List<String>> by = new LinkedHashMap<>();
    most.forEach(
        (r, w) ->
            by.computeIfAbsent(r.person(), x -> new ArrayList<>())
                .add(Wording.watch(w) + ": " + slots(where.getOrDefault(r, Map.of()))));
    return by.entrySet().stream()
        .map(e -> new GroupSheet.SheetWatch(e.getKey(), g.first(e.getKey()), e.getValue()))
        .sorted(Comparator.comparing(GroupSheet.SheetWatch::name))
        .toList();
  }

  /** "slot 3", "warm-up 2 and 4, slots 1, 3 and 5". */
  static String slots(Map<Block, Set<Integer>> where) {
    List<String> all = new ArrayList<>();
    new TreeMap<>(where)
        .forEach(
            (block, numbers) -> {
              String word =
                  switch (block) {
                    case WARM_UP -> "warm-up ";
                    case WORK -> numbers.size() == 1 ? "slot " : "slots ";
                    case COOL_DOWN -> "cool-down ";
                  };
              all.add(word + and(numbers.stream().map(String::valueOf).toList()));
            });
    return String.join(", ", all);
  }

  private static String and(List<String> all) {
    return all.size() < 2
        ? String.join("", all)
        : String.join(", ", all.subList(0, all.size() - 1)) + " and " + all.get(all.size() - 1);
  }
}
