package riposo.core.group;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.core.adapt.Adapter;
import riposo.core.adapt.Ceiling;
import riposo.core.adapt.Cost;
import riposo.core.adapt.Performed;
import riposo.core.limit.Caps;
import riposo.core.limit.Limit;
import riposo.core.limit.Side;
import riposo.core.limit.Strength;
import riposo.core.movement.Catalogue;
import riposo.core.movement.Kit;
import riposo.core.movement.Movement;
import riposo.core.plan.Format;
import riposo.core.plan.Mobility;
import riposo.core.plan.SessionPlan;
import riposo.core.plan.Slot;

/** Seeded groups and plans for the laws of the lanes, and what a form costs somebody. */
public final class SmallGroups {
  public static final LocalDate DAY = LocalDate.of(2026, 11, 25);

  /** What a change of posture weighs against distance and modifiers. */
  public static final long CHANGE = 1L << 40;

  private SmallGroups() {}

  /** An ADVISED limit from that day on. */
  public static Limit limit(String axis, Side side, int cap) {
    return new Limit(
        UUID.nameUUIDFromBytes((axis + side + cap).getBytes()),
        axis,
        side,
        cap,
        Strength.ADVISED,
        "law",
        DAY,
        null,
        null);
  }

  /** Kinds of people: each a few limits that go together. */
  public static final List<List<Limit>> KINDS =
      List.of(
          List.of(),
          List.of(limit("surface.standing", Side.BOTH, 0), limit("transfer.floor", Side.BOTH, 0)),
          List.of(
              limit("transfer.floor", Side.BOTH, 0), limit("balance.unsupported", Side.BOTH, 0)),
          List.of(limit("joint.shoulder-elevation.loaded", Side.RIGHT, 80)),
          List.of(
              limit("joint.knee-flexion.loaded", Side.LEFT, 60), limit("kneel.bare", Side.BOTH, 0)),
          List.of(limit("pressure", Side.BOTH, 0), limit("effort", Side.BOTH, 3)),
          List.of(limit("grip", Side.LEFT, 0), limit("balance.unsupported", Side.BOTH, 1)));

  public static Participant person(Random r, int number, Set<Kit> kit) {
    List<Limit> limits = new ArrayList<>(KINDS.get(r.nextInt(KINDS.size())));
    if (r.nextBoolean()) {
      limits.addAll(KINDS.get(r.nextInt(KINDS.size())));
    }
    return new Participant(
        new UUID(1, number),
        Caps.on(DAY, limits),
        kit,
        r.nextInt(4) == 0 ? Map.of("sit-stand", new Ceiling("sit-stand", 5, DAY)) : Map.of(),
        Map.of(),
        r.nextBoolean() ? Mobility.USUAL : Mobility.SLOW);
  }

  public static List<Participant> people(Random r, int n) {
    List<Participant> people = new ArrayList<>();
    for (int i = 0; i < n; i++) {
      people.add(person(r, i, EnumSet.allOf(Kit.class)));
    }
    return people;
  }

  public static SessionPlan plan(Catalogue c, Random r, int slots) {
    List<Movement> all = List.copyOf(c.movements());
    List<Slot> work = new ArrayList<>();
    for (int i = 0; i < slots; i++) {
      work.add(new Slot("s" + i, all.get(r.nextInt(all.size())).id(), null));
    }
    return SessionPlan.of(List.of(), work, Format.intervals(40, 20, 1), List.of());
  }

  /**
   * What the nearest form costs somebody, the two sums that are compared; null when none is open.
   */
  public static long @Nullable [] cost(Adapter a, Adapter.StandIn c, Participant p) {
    Performed f = a.form(c, p.situation(0));
    if (f == null) {
      return null;
    }
    Cost b = a.cost(c, f);
    return new long[] {
      (long) b.purpose() << 44 | (long) b.muscles() << 30 | (long) b.kind() << 18 | b.range(),
      b.position() * CHANGE | (long) b.distance() << 16 | b.modifiers()
    };
  }
}
