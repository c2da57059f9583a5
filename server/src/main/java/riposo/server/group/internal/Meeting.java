package riposo.server.group.internal;

import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * What was decided for one meeting: who came besides, who stays away, who was put in which lane,
 * and the lanes to keep once somebody dropped in.
 */
record Meeting(Set<UUID> dropIns, Set<UUID> absent, Map<UUID, Integer> moved, @Nullable Kept kept) {
  /**
   * Lanes as they stood.
   *
   * @param shown movement of each lane by slot key, null where a lane shows none
   * @param lane lane by person, by slot key
   */
  record Kept(
      UUID planId,
      long planVersion,
      int lanes,
      Map<String, List<@Nullable String>> shown,
      Map<String, Map<UUID, Integer>> lane,
      Map<UUID, Integer> home) {}

  static final Meeting NONE = new Meeting(Set.of(), Set.of(), Map.of(), null);

  Meeting with(UUID dropIn, Kept lanes) {
    Set<UUID> more = new LinkedHashSet<>(dropIns);
    more.add(dropIn);
    Set<UUID> away = new LinkedHashSet<>(absent);
    away.remove(dropIn);
    return new Meeting(more, away, moved, lanes);
  }

  Meeting away(UUID person, boolean on) {
    Set<UUID> away = new LinkedHashSet<>(absent);
    if (on) {
      away.add(person);
    } else {
      away.remove(person);
    }
    return new Meeting(dropIns, away, moved, kept);
  }

  Meeting moved(UUID person, @Nullable Integer lane) {
    Map<UUID, Integer> next = new LinkedHashMap<>(moved);
    if (lane == null) {
      next.remove(person);
    } else {
      next.put(person, lane);
    }
    return new Meeting(dropIns, absent, next, kept);
  }

  Meeting without(UUID person) {
    Set<UUID> in = new LinkedHashSet<>(dropIns);
    in.remove(person);
    Set<UUID> away = new LinkedHashSet<>(absent);
    away.remove(person);
    Map<UUID, Integer> next = new LinkedHashMap<>(moved);
    next.remove(person);
    return new Meeting(in, away, next, null);
  }

  boolean names(UUID person) {
    return dropIns.contains(person)
        || absent.contains(person)
        || moved.containsKey(person)
        || kept != null && kept.home().containsKey(person);
  }
}
