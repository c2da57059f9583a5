package riposo.core.group;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import riposo.core.adapt.Adapter;
import riposo.core.adapt.SmallCatalogue;
import riposo.core.plan.SessionPlan;

/** The lanes' search held to every sequence of sets there is, on small groups. */
class LanesSearchTest {
  /** One way to show a slot: what it costs with everybody at the one nearest to them. */
  private record Way(long lead, long trail, int[] postures) {}

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
          long[] c = SmallGroups.cost(a, all.get(i), people.get(p));
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
      List<Participant> people = SmallGroups.people(r, 2 + r.nextInt(3));
      int k = 1 + r.nextInt(2);
      SessionPlan plan = SmallGroups.plan(SmallCatalogue.ALL, r, 3);
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
                              * SmallGroups.CHANGE);
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
