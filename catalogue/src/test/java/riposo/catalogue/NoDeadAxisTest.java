package riposo.catalogue;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import riposo.core.limit.Axis;
import riposo.core.limit.Broken;
import riposo.core.limit.Caps;
import riposo.core.limit.Condition;
import riposo.core.limit.FloorWay;
import riposo.core.limit.Limit;
import riposo.core.limit.Side;
import riposo.core.movement.Catalogue;
import riposo.core.movement.Movement;
import riposo.core.movement.Variant;

/**
 * Every axis that a condition closes is asked for by movements that really ask for it; what no
 * movement can ask is read elsewhere, and said where. Prints what each row closes.
 */
class NoDeadAxisTest {
  private static final Catalogue CATALOGUE = CatalogueReader.shipped();

  /** Axes of the session, the client or the room, and what reads them. */
  private static final Map<String, String> ELSEWHERE =
      Map.of(
          "session.minutes", "the timeline’s length",
          "session.week", "the start",
          "session.work-per-rest", "the timeline’s intervals",
          "session.warm-up", "the timeline’s warm-up",
          "session.cool-down", "the timeline’s cool-down",
          "breathlessness", "the run’s log",
          "surface.low-chair", "the seats of the room",
          "session.overhead", "the slots of the adapted plan",
          "session.push-over-pull", "the slots of the adapted plan");

  private static Map<String, List<Limit>> rows() {
    Map<String, List<Limit>> rows = new LinkedHashMap<>();
    for (Condition c : Condition.values()) {
      rows.put(c.name(), Said.limits(c.name()));
    }
    for (int week : new int[] {13, 20, 37}) {
      rows.put("PREGNANCY_" + week, Said.limits("week " + week));
    }
    return rows;
  }

  @Test
  void everyAxisAConditionClosesIsAskedForBySomeMovement() {
    List<String> dead = new ArrayList<>();
    StringBuilder report = new StringBuilder("what each condition row closes\n");
    Map<String, Set<String>> byAxis = new TreeMap<>();
    for (Map.Entry<String, List<Limit>> row : rows().entrySet()) {
      for (Limit l : row.getValue()) {
        Caps caps = Caps.on(l.from(), List.of(l));
        boolean grams = l.axis().unit == Axis.Unit.GRAMS && l.cap() > 0;
        Set<String> closed = new TreeSet<>();
        for (Movement m : CATALOGUE.movements()) {
          for (Variant v : CATALOGUE.variants(m)) {
            // a weight is capped by the dose, so it is enough to take one
            if (grams
                ? v.whole()[l.axis().cell(Side.LEFT)] > 0
                : !Broken.of(caps, v.whole()).isEmpty()) {
              closed.add(m.id());
            }
          }
        }
        String where = ELSEWHERE.get(l.axisId());
        report.append(
            "%-24s %-32s ≤ %-6d %s%n"
                .formatted(
                    row.getKey(),
                    l.axisId(),
                    l.cap(),
                    where != null ? "read by " + where : closed.size() + ": " + some(closed)));
        if (closed.isEmpty() && where == null) {
          dead.add(row.getKey() + " " + l.axisId());
        }
        byAxis.computeIfAbsent(l.axisId(), x -> new TreeSet<>()).addAll(closed);
      }
    }
    System.out.println(report);
    assertThat(dead).as("rows that close nothing").isEmpty();
    assertThat(byAxis.keySet())
        .as("read elsewhere and used by a row")
        .containsAll(ELSEWHERE.keySet());
  }

  private static String some(Set<String> ids) {
    List<String> first = ids.stream().limit(3).toList();
    return String.join(", ", first) + (ids.size() > 3 ? " …" : "");
  }

  /** Whatever no condition closes and no movement asks for is named here, so that none slips in. */
  @Test
  void everyAxisIsAskedForOrReadOrNamedAsForTheProfessionalAlone() {
    Set<String> never = new TreeSet<>();
    for (Axis a : Axis.all()) {
      boolean asked =
          CATALOGUE.movements().stream()
              .flatMap(m -> CATALOGUE.variants(m).stream())
              .anyMatch(v -> v.whole()[a.cell(Side.LEFT)] > 0);
      boolean way =
          java.util.Arrays.stream(FloorWay.values())
              .flatMap(w -> w.demands(false).stream())
              .anyMatch(d -> d[a.cell(Side.LEFT)] > 0);
      if (!asked && !way && !ELSEWHERE.containsKey(a.id)) {
        never.add(a.id);
      }
    }
    assertThat(never)
        .containsExactlyInAnyOrder(
            "act.head-circle",
            "joint.hip-adduction.added",
            "joint.neck.added",
            "pulse",
            "spine.side-bend.loaded");
  }
}
