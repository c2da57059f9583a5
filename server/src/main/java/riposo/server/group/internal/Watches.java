package riposo.server.group.internal;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.core.group.Watch;
import riposo.core.plan.Block;
import riposo.core.wording.Wording;

/** Who needs watching, gathered over the slots: each reason once a person, with where it holds. */
final class Watches {
  /** One reason of one person. */
  private record Reason(UUID person, Watch.Kind kind, @Nullable String axisId) {}

  private final Map<Reason, Watch> most = new LinkedHashMap<>();
  private final Map<Reason, List<String>> where = new LinkedHashMap<>();

  /** Where it comes with different numbers, the greatest is told. */
  void add(Watch w, Block block, int number) {
    Reason r = new Reason(w.person(), w.kind(), w.axisId());
    most.merge(r, w, (a, b) -> a.value() >= b.value() ? a : b);
    List<String> slots = where.computeIfAbsent(r, x -> new ArrayList<>());
    String slot =
        switch (block) {
          case WARM_UP -> "warm-up " + number;
          case WORK -> String.valueOf(number);
          case COOL_DOWN -> "cool-down " + number;
        };
    if (!slots.contains(slot)) {
      slots.add(slot);
    }
  }

  List<GroupSheet.SheetWatch> told(SheetMaker.Given g) {
    return most.entrySet().stream()
        .map(
            e ->
                new GroupSheet.SheetWatch(
                    e.getKey().person(),
                    g.first(e.getKey().person()),
                    Wording.watch(e.getValue()),
                    slots(where.getOrDefault(e.getKey(), List.of()))))
        .sorted(Comparator.comparing(GroupSheet.SheetWatch::name))
        .toList();
  }

  /** "slot 3", "slots 1, 3 and 5", "warm-up 2 and slot 4". */
  static String slots(List<String> where) {
    List<String> work = where.stream().filter(w -> Character.isDigit(w.charAt(0))).toList();
    List<String> rest = where.stream().filter(w -> !Character.isDigit(w.charAt(0))).toList();
    List<String> all = new ArrayList<>(rest);
    if (!work.isEmpty()) {
      all.add((work.size() == 1 ? "slot " : "slots ") + and(work));
    }
    return and(all);
  }

  private static String and(List<String> all) {
    return all.size() < 2
        ? String.join("", all)
        : String.join(", ", all.subList(0, all.size() - 1)) + " and " + all.get(all.size() - 1);
  }
}
