package riposo.core.group;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;

/**
 * How people of one group are called, so that nobody is taken for another: by the first name; where
 * two share it with the initial of the last; where that is the same too, by the whole name.
 */
public final class Called {
  private static final List<Function<String, String>> WAYS =
      List.of(Called::first, Called::initial, name -> name);

  private Called() {}

  /**
   * @param names whole names by person
   * @return what each is called, by person
   */
  public static Map<UUID, String> of(Map<UUID, String> names) {
    Map<UUID, String> called = new HashMap<>();
    Set<UUID> left = new HashSet<>(names.keySet());
    for (Function<String, String> way : WAYS) {
      Map<String, Integer> times = new HashMap<>();
      // all count, those already told apart too: nobody is called as somebody else could be
      names.values().forEach(n -> times.merge(way.apply(n), 1, Integer::sum));
      left.removeIf(
          id -> {
            String name = way.apply(names.getOrDefault(id, ""));
            boolean alone = times.getOrDefault(name, 0) == 1;
            if (alone) {
              called.put(id, name);
            }
            return alone;
          });
    }
    left.forEach(id -> called.put(id, names.getOrDefault(id, "")));
    return called;
  }

  private static String first(String name) {
    return name.trim().split("\\s+")[0];
  }

  private static String initial(String name) {
    String[] parts = name.trim().split("\\s+");
    return parts.length < 2 ? name : parts[0] + " " + parts[parts.length - 1].substring(0, 1) + ".";
  }
}
