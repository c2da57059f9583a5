package riposo.core.group;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import riposo.core.adapt.Adapter;
import riposo.core.adapt.Ceiling;
import riposo.core.adapt.Cost;
import riposo.core.adapt.Performed;
import riposo.core.adapt.SmallCatalogue;
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

/** The lanes' search held to every sequence of sets there is, on small groups. */
class LanesSearchTest {
  private static final LocalDate DAY = LocalDate.of(2026, 11, 25);
  private static final long CHANGE = 1L << 40;

  private static Limit limit(String axis, Side side, int cap) {
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

  private static final List<List<Limit>> KINDS =
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

  private static Participant person(Random r, int number, Set<Kit> kit) {
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

  private static List<Participant> people(Random r, int n) {
    List<Participant> people = new ArrayList<>();
    for (int i = 0; i < n; i++) {
      people.add(person(r, i, EnumSet.allOf(Kit.class)));
    }
    return people;
  }

  private static SessionPlan plan(Catalogue c, Random r, int slots) {
    List<Movement> all = List.copyOf(c.movements());
    List<Slot> work = new ArrayList<>();
    for (int i = 0; i < slots; i++) {
      work.add(new Slot("s" + i, all.get(r.nextInt(all.size())).id(), null));
    }
    return SessionPlan.of(List.of(), work, Format.intervals(40, 20, 1), List.of());
  }

  /** One way to show a slot: what it costs with everybody at the one nearest to them. */
  private record Way(long lead, long trail, int[] postures) {}

  private static long[] cost(Adapter a, Adapter.StandIn c, Participant p) {
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

  private static List<Way> ways(Adapter a, String asked, List<Participant> people, int k) {
    List<Adapter.StandIn> all = a.standIns(asked);
    int own = a.catalogue().movement(asked).position().postureClass();
    List<List<Integer>> sets = new ArrayList<>(List.of(List.of()));
    for (int size = 1; size <= k; size++) {
      List<List<Integer>> longer = new ArrayList<>();
      for (List<Integer> s : sets) {
        if (s.size() == size - 1) {
          for (int i = s.isEmpty() ? 0 : s.get(s.size() - 1) + 1; i < all.size(); i++) {
            List<Integer> with = new ArrayList<>(s);
            with.add(i);
            longer.add(with);
          }
        }
      }
      sets.addAll(longer);
    }
    List<Way> ways = new ArrayList<>();
    for (List<Integer> set : sets) {
      long lead = 0;
      long trail = 0;
      int[] postures = new int[people.size()];
      boolean tie = false;
      for (int p = 0; p < people.size(); p++) {
        long[] best = null;
        postures[p] = own;
        for (int i : set) {
          long[] c = cost(a, all.get(i), people.get(p));
          int posture = all.get(i).movement().position().postureClass();
          if (c == null) {
            continue;
          }
          if (best != null && c[0] == best[0] && c[1] == best[1] && posture != postures[p]) {
            tie = true; // either posture may be meant: both orders of the set are looked at
          }
          if (best == null || c[0] < best[0] || c[0] == best[0] && c[1] < best[1]) {
            best = c;
            postures[p] = posture;
          }
        }
        lead += best == null ? 1L << 56 : best[0];
        trail += best == null ? 0 : best[1];
      }
      if (!tie) {
        ways.add(new Way(lead, trail, postures));
      }
    }
    return ways;
  }

  private static int changes(int[] a, int[] b) {
    int n = 0;
    for (int p = 0; p < a.length; p++) {
      n += a[p] == b[p] ? 0 : 1;
    }
    return n;
  }

  @Test
  void theSearchEqualsEverySequenceThereIsOnSmallGroups() {
    Adapter adapter = new Adapter(SmallCatalogue.ALL);
    Lanes lanes = new Lanes(adapter);
    for (int seed = 0; seed < 60; seed++) {
      Random r = new Random(seed);
      List<Participant> people = people(r, 2 + r.nextInt(3));
      int k = 1 + r.nextInt(2);
      SessionPlan plan = plan(SmallCatalogue.ALL, r, 3);
      List<List<Way>> ways =
          plan.allSlots().stream().map(s -> ways(adapter, s.movementId(), people, k)).toList();
      long lead = 0;
      for (List<Way> w : ways) {
        lead += w.stream().mapToLong(Way::lead).min().orElseThrow();
      }
      long best = Long.MAX_VALUE;
      for (Way x : ways.get(0)) {
        for (Way y : ways.get(1)) {
          long two = x.lead + y.lead;
          if (two > lead) {
            continue;
          }
          for (Way z : ways.get(2)) {
            if (two + z.lead == lead) {
              best =
                  Math.min(
                      best,
                      x.trail
                          + y.trail
                          + z.trail
                          + (changes(x.postures, y.postures) + changes(y.postures, z.postures))
                              * CHANGE);
            }
          }
        }
      }
      assertThat(lanes.searched(plan, people, k))
          .as("seed %d: the least over people no lane serves, purpose, muscles, range", seed)
          .containsExactly(lead, best);
    }
  }
}
