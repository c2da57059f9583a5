package riposo.core.adapt;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.core.limit.Broken;
import riposo.core.limit.Limit;
import riposo.core.movement.Family;
import riposo.core.movement.Movement;
import riposo.core.movement.Purpose;

/**
 * What is open to a client on a date: of each family and rung how many movements, which limit
 * closes most, and which purposes have nothing left.
 *
 * @param open how many movements of the catalogue are open, of {@code all}
 */
public record OpenMap(
    int open, int all, List<FamilyOpen> families, List<Closer> closers, List<Shut> shut) {

  /** One family: its rungs gentlest first. */
  public record FamilyOpen(String familyId, String name, int open, List<RungOpen> rungs) {}

  /** The movements of one rung: how many are open, of how many. */
  public record RungOpen(int rung, int open, int all, boolean withModifiers) {}

  /**
   * A limit and what it closes.
   *
   * @param breaks movements that ask for more than it allows in their plain form
   * @param alone movements that would be open in some form without it, the rest standing
   */
  public record Closer(UUID limitId, int breaks, int alone) {}

  /**
   * A purpose with nothing open.
   *
   * @param limits the one or two limits that close it
   * @param nearest the nearest purpose with something open; null when there is none
   */
  public record Shut(Purpose purpose, List<UUID> limits, @Nullable Purpose nearest) {}

  /** Computes the map; kit counts as closed too, but names no limit. */
  public static OpenMap of(Adapter adapter, Situation s) {
    List<Limit> active = s.caps().active();
    Set<String> open = new HashSet<>();
    Map<UUID, Set<String>> breaks = new LinkedHashMap<>();
    active.forEach(l -> breaks.put(l.id(), new LinkedHashSet<>()));
    List<FamilyOpen> families = new ArrayList<>();
    int all = 0;
    for (Family f : adapter.catalogue().families()) {
      Map<Integer, int[]> rungs = new LinkedHashMap<>();
      int count = 0;
      for (Movement m : f.rungs()) {
        if (adapter.catalogue().retired(m.id())) {
          continue;
        }
        all++;
        int[] r = rungs.computeIfAbsent(m.rung(), x -> new int[3]);
        r[1]++;
        Performed form = adapter.open(m.id(), s);
        if (form != null) {
          r[0]++;
          r[2] += form.modifiers().isEmpty() ? 0 : 1;
          count++;
          open.add(m.id());
        }
        for (Broken b : Broken.of(s.caps(), adapter.catalogue().variants(m).get(0).whole())) {
          breaks.computeIfAbsent(b.limitId(), x -> new HashSet<>()).add(m.id());
        }
      }
      families.add(
          new FamilyOpen(
              f.id(),
              f.name(),
              count,
              rungs.entrySet().stream()
                  .sorted(Map.Entry.comparingByKey())
                  .map(
                      e ->
                          new RungOpen(
                              e.getKey(), e.getValue()[0], e.getValue()[1], e.getValue()[2] > 0))
                  .toList()));
    }
    List<Closer> closers = new ArrayList<>();
    for (Limit l : active) {
      Situation without =
          s.withCaps(
              riposo.core.limit.Caps.on(
                      s.caps().day(), active.stream().filter(x -> x != l).toList())
                  .with(s.caps().floor()));
      int alone = 0;
      Set<String> broken = breaks.getOrDefault(l.id(), Set.of());
      for (String id : broken) {
        if (!open.contains(id) && adapter.open(id, without) != null) {
          alone++;
        }
      }
      closers.add(new Closer(l.id(), broken.size(), alone));
    }
    closers.sort(
        Comparator.comparingInt(Closer::alone)
            .reversed()
            .thenComparing(Comparator.comparingInt(Closer::breaks).reversed())
            .thenComparing(Closer::limitId));
    return new OpenMap(open.size(), all, families, closers, shut(adapter, open, breaks));
  }

  private static List<Shut> shut(Adapter adapter, Set<String> open, Map<UUID, Set<String>> breaks) {
    List<Shut> shut = new ArrayList<>();
    for (Purpose p : Purpose.values()) {
      List<String> ids =
          adapter.catalogue().movements().stream()
              .filter(m -> m.purpose() == p)
              .map(Movement::id)
              .toList();
      if (ids.isEmpty() || ids.stream().anyMatch(open::contains)) {
        continue;
      }
      List<UUID> two =
          breaks.entrySet().stream()
              .filter(e -> ids.stream().anyMatch(e.getValue()::contains))
              .sorted(
                  Comparator.comparingLong(
                          (Map.Entry<UUID, Set<String>> e) ->
                              -ids.stream().filter(e.getValue()::contains).count())
                      .thenComparing(Map.Entry::getKey))
              .limit(2)
              .map(Map.Entry::getKey)
              .toList();
      Purpose nearest =
          p.neighbours().stream()
              .sorted()
              .filter(
                  n ->
                      adapter.catalogue().movements().stream()
                          .anyMatch(m -> m.purpose() == n && open.contains(m.id())))
              .findFirst()
              .orElse(null);
      shut.add(new Shut(p, two, nearest));
    }
    return shut;
  }
}
