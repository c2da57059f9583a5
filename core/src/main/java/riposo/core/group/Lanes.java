package riposo.core.group;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.core.adapt.Adapter;
import riposo.core.adapt.Cost;
import riposo.core.adapt.Performed;
import riposo.core.adapt.Situation;
import riposo.core.limit.Broken;
import riposo.core.limit.Side;
import riposo.core.movement.Movement;
import riposo.core.movement.Variant;
import riposo.core.plan.Block;
import riposo.core.plan.SessionPlan;

/**
 * The lanes of a group. A leader shows at most K movements at a time; each person follows one of
 * them in the nearest form that breaks no limit.
 *
 * <p>What is minimised, in this order: people no lane serves, purpose changed, muscles lost, kind,
 * range lost (each summed over people and slots), then posture other than asked plus changes of
 * posture from slot to slot, then distance, then modifiers: the order of {@link Cost}. Every set of
 * at most K movements is looked at for every slot; a person is counted with the one of the set that
 * is nearest to them. Only sets that reach the least of the first five sums can be part of the
 * best, and of those with the same postures for everybody only the cheapest; over these a dynamic
 * programme finds the best sequence. In a second pass each person, by a dynamic programme of their
 * own, may stay with a movement of the chosen set that is as near in the first five, where that
 * saves changes of posture.
 */
public final class Lanes {
  public static final int FEWEST = 2;
  public static final int MOST = 4;

  /** Postures are kept two bits a person in one long. */
  public static final int MOST_PEOPLE = 32;

  private static final long UNCOVERED = 1L << 56;
  private static final long CHANGE = 1L << 40;

  private final Adapter adapter;

  public Lanes(Adapter adapter) {
    this.adapter = adapter;
  }

  /** A slot's candidates for everybody: arrays by candidate, then by person. */
  private record Board(
      SessionPlan.Asked asked,
      List<Movement> movements,
      long[][] lead,
      long[][] trail,
      @Nullable Performed[][] forms,
      int askedPosture) {}

  /** A set of candidates and what it comes to. */
  private record Choice(int[] set, long lead, long trail, long postures, int[] nearest) {}

  /**
   * Chooses lanes for a plan.
   *
   * @param k 2 to 4
   * @throws IllegalArgumentException with more than {@link #MOST_PEOPLE} people, none, or K out of
   *     range
   */
  public LaneSheet plan(SessionPlan plan, List<Participant> people, int k) {
    check(people, k);
    List<Board> boards = boards(plan, people);
    List<List<Choice>> options = boards.stream().map(b -> options(b, people.size(), k)).toList();
    List<Choice> chosen = sequence(options);
    int[][] paths = paths(boards, chosen, people.size());
    return columns(plan, boards, chosen, paths, people, k);
  }

  /**
   * What the first search comes to before people are let stay: the least of the first five sums,
   * and postures, distance and modifiers. For a test to hold it to every sequence there is.
   */
  long[] searched(SessionPlan plan, List<Participant> people, int k) {
    List<Choice> chosen =
        sequence(boards(plan, people).stream().map(b -> options(b, people.size(), k)).toList());
    long lead = 0;
    long trail = 0;
    for (int t = 0; t < chosen.size(); t++) {
      lead += chosen.get(t).lead;
      trail += chosen.get(t).trail;
      if (t > 0) {
        trail += changes(chosen.get(t - 1).postures, chosen.get(t).postures) * CHANGE;
      }
    }
    return new long[] {lead, trail};
  }

  private static void check(List<Participant> people, int k) {
    if (k < 1 || k > MOST) {
      throw new IllegalArgumentException("there are 2 to 4 lanes, was " + k);
    }
    if (people.isEmpty() || people.size() > MOST_PEOPLE) {
      throw new IllegalArgumentException(
          "a group has 1 to " + MOST_PEOPLE + " people, this one has " + people.size());
    }
  }

  /**
   * The lanes with somebody added or gone: every lane stays where it serves; a slot is searched
   * anew only when the newcomer is served by none and no lane is free.
   */
  public LaneSheet keep(SessionPlan plan, List<Participant> people, int k, LaneSheet before) {
    check(people, k);
    List<Board> boards = boards(plan, people);
    Map<String, LaneSheet.SlotLanes> old = new HashMap<>();
    before.slots().forEach(s -> old.put(s.key(), s));
    List<LaneSheet.SlotLanes> slots = new ArrayList<>();
    for (Board b : boards) {
      LaneSheet.SlotLanes was = old.get(b.asked.key());
      slots.add(
          was == null || was.shown().size() != k
              ? fresh(b, people, k, before.home())
              : kept(b, people, k, was, before.home()));
    }
    return new LaneSheet(k, slots, home(plan, slots, people));
  }

  private LaneSheet.SlotLanes kept(
      Board b, List<Participant> people, int k, LaneSheet.SlotLanes was, Map<UUID, Integer> home) {
    List<@Nullable String> shown = new ArrayList<>(was.shown());
    int missed = 0;
    for (int p = 0; p < people.size(); p++) {
      missed += nearest(b, shown, p) < 0 && canAnything(b, p) ? 1 : 0;
    }
    while (missed > 0 && shown.contains(null)) {
      int best = best(b, shown, people.size());
      if (best < 0) {
        break;
      }
      shown.set(shown.indexOf(null), b.movements.get(best).id());
      missed = 0;
      for (int p = 0; p < people.size(); p++) {
        missed += nearest(b, shown, p) < 0 && canAnything(b, p) ? 1 : 0;
      }
    }
    if (missed > 0) {
      LaneSheet.SlotLanes anew = fresh(b, people, k, home);
      if (anew.alone().size() < missed) {
        return anew;
      }
    }
    return assign(b, people, shown, was, false);
  }

  /** The candidate that serves most of those not served yet, nearest first. */
  private static int best(Board b, List<@Nullable String> shown, int people) {
    int best = -1;
    int most = 0;
    long least = Long.MAX_VALUE;
    for (int c = 0; c < b.movements.size(); c++) {
      int served = 0;
      long cost = 0;
      for (int p = 0; p < people; p++) {
        if (nearest(b, shown, p) < 0 && b.forms[c][p] != null) {
          served++;
          cost += b.lead[c][p];
        }
      }
      if (served > most || served == most && served > 0 && cost < least) {
        best = c;
        most = served;
        least = cost;
      }
    }
    return best;
  }

  private static boolean canAnything(Board b, int p) {
    for (@Nullable Performed[] forms : b.forms) {
      if (forms[p] != null) {
        return true;
      }
    }
    return false;
  }

  /** The index among the candidates of the shown movement nearest to a person; -1 for none. */
  private static int nearest(Board b, List<@Nullable String> shown, int p) {
    int best = -1;
    for (int c = 0; c < b.movements.size(); c++) {
      if (b.forms[c][p] != null
          && shown.contains(b.movements.get(c).id())
          && (best < 0 || less(b.lead[c][p], b.trail[c][p], b.lead[best][p], b.trail[best][p]))) {
        best = c;
      }
    }
    return best;
  }

  private static boolean less(long lead, long trail, long otherLead, long otherTrail) {
    return lead < otherLead || lead == otherLead && trail < otherTrail;
  }

  private LaneSheet.SlotLanes fresh(
      Board b, List<Participant> people, int k, Map<UUID, Integer> home) {
    Choice c =
        options(b, people.size(), k).stream()
            .min((x, y) -> Long.compare(x.trail, y.trail))
            .orElseThrow();
    // The movements of the set go to the lanes in which their people already are.
    int[] best = null;
    int most = -1;
    for (int[] map : injections(c.set.length, k)) {
      int stay = 0;
      for (int p = 0; p < people.size(); p++) {
        Integer at = home.get(people.get(p).id());
        if (c.nearest[p] >= 0 && at != null && map[index(c.set, c.nearest[p])] == at) {
          stay++;
        }
      }
      if (stay > most) {
        most = stay;
        best = map;
      }
    }
    List<@Nullable String> shown = new ArrayList<>(Collections.nCopies(k, (String) null));
    for (int i = 0; i < c.set.length; i++) {
      shown.set(java.util.Objects.requireNonNull(best)[i], b.movements.get(c.set[i]).id());
    }
    return assign(b, people, shown, null, true);
  }

  /**
   * Everybody with the shown movement nearest to them, or where they were when that still holds.
   */
  private LaneSheet.SlotLanes assign(
      Board b,
      List<Participant> people,
      List<@Nullable String> shown,
      LaneSheet.@Nullable SlotLanes was,
      boolean changed) {
    List<LaneSheet.Follow> follows = new ArrayList<>();
    List<LaneSheet.Alone> alone = new ArrayList<>();
    for (int p = 0; p < people.size(); p++) {
      Participant who = people.get(p);
      int at = nearest(b, shown, p);
      LaneSheet.Follow before = was == null ? null : was.of(who.id());
      if (before != null && before.lane() < shown.size()) {
        String same = shown.get(before.lane());
        for (int c = 0; c < b.movements.size(); c++) {
          if (b.movements.get(c).id().equals(same) && b.forms[c][p] != null) {
            at = c;
          }
        }
      }
      Performed form = at < 0 ? null : b.forms[at][p];
      if (form == null) {
        alone.add(alone(b, who, List.of()));
      } else {
        follows.add(new LaneSheet.Follow(who.id(), shown.indexOf(form.movementId()), form));
      }
    }
    return new LaneSheet.SlotLanes(
        b.asked.key(),
        b.asked.slot().movementId(),
        Collections.unmodifiableList(shown),
        follows,
        alone,
        changed);
  }

  private LaneSheet.Alone alone(Board b, Participant who, List<Broken> broken) {
    return new LaneSheet.Alone(
        who.id(), adapter.resolve(b.asked.slot().movementId(), situation(b, who)), broken);
  }

  private static Situation situation(Board b, Participant who) {
    return who.situation(b.asked.block().effortRaise(b.asked.index()));
  }

  /**
   * Puts people in lanes by hand. In every slot a person moved follows that lane where a form of
   * its movement breaks no limit, and is named alone with what it breaks where none does.
   */
  public LaneSheet moved(
      SessionPlan plan, List<Participant> people, LaneSheet sheet, Map<UUID, Integer> lanes) {
    Map<String, SessionPlan.Asked> asked = new HashMap<>();
    plan.asked().forEach(a -> asked.put(a.key(), a));
    List<LaneSheet.SlotLanes> slots = new ArrayList<>();
    for (LaneSheet.SlotLanes s : sheet.slots()) {
      SessionPlan.Asked a = java.util.Objects.requireNonNull(asked.get(s.key()));
      List<LaneSheet.Follow> follows = new ArrayList<>(s.follows());
      List<LaneSheet.Alone> alone = new ArrayList<>(s.alone());
      for (Participant who : people) {
        Integer lane = lanes.get(who.id());
        if (lane == null || lane < 0 || lane >= sheet.lanes()) {
          continue;
        }
        String movement = s.shown().get(lane);
        if (movement == null) {
          continue; // the lane shows nothing of its own here
        }
        Situation situation = who.situation(a.block().effortRaise(a.index()));
        Performed form = adapter.within(movement, situation);
        follows.removeIf(f -> f.person().equals(who.id()));
        alone.removeIf(x -> x.person().equals(who.id()));
        if (form != null) {
          follows.add(new LaneSheet.Follow(who.id(), lane, form));
        } else {
          alone.add(
              new LaneSheet.Alone(
                  who.id(),
                  adapter.resolve(s.askedId(), situation),
                  adapter.broken(
                      new Performed(Side.BOTH, movement, List.of(), 100), situation.caps())));
        }
      }
      slots.add(
          new LaneSheet.SlotLanes(s.key(), s.askedId(), s.shown(), follows, alone, s.changed()));
    }
    Map<UUID, Integer> home = new LinkedHashMap<>(home(plan, slots, people));
    lanes.forEach((id, lane) -> home.computeIfPresent(id, (x, y) -> lane));
    return new LaneSheet(sheet.lanes(), slots, home);
  }

  private List<Board> boards(SessionPlan plan, List<Participant> people) {
    record Known(int raise, boolean asked, String movement, List<Variant> forms) {}
    Map<Known, @Nullable Performed[]> known = new HashMap<>();
    Map<Integer, List<Situation>> raised = new HashMap<>();
    List<Board> boards = new ArrayList<>();
    for (SessionPlan.Asked a : plan.asked()) {
      Movement target = adapter.catalogue().find(a.slot().movementId()).orElse(null);
      if (target == null) {
        continue; // no longer in the catalogue: shown in the plan, to be replaced
      }
      int raise = a.block().effortRaise(a.index());
      List<Situation> situations =
          raised.computeIfAbsent(raise, x -> people.stream().map(p -> p.situation(raise)).toList());
      List<Movement> movements = new ArrayList<>();
      List<long[]> lead = new ArrayList<>();
      List<long[]> trail = new ArrayList<>();
      List<@Nullable Performed[]> forms = new ArrayList<>();
      Set<String> seen = new TreeSet<>();
      for (Adapter.StandIn c : adapter.standIns(target.id())) {
        @Nullable Performed[] form =
            known.computeIfAbsent(
                new Known(raise, c.movement() == target, c.movement().id(), c.forms()),
                x -> {
                  @Nullable Performed[] all = new @Nullable Performed[people.size()];
                  for (int p = 0; p < all.length; p++) {
                    all[p] = adapter.form(c, situations.get(p));
                  }
                  return all;
                });
        if (Arrays.stream(form).allMatch(f -> f == null)) {
          continue;
        }
        long[] l = new long[people.size()];
        long[] t = new long[people.size()];
        for (int p = 0; p < people.size(); p++) {
          Performed f = form[p];
          Cost cost = f == null ? null : adapter.cost(c, f);
          l[p] = cost == null ? UNCOVERED : lead(cost);
          t[p] = cost == null ? 0 : trail(cost);
        }
        // Movements nobody can tell apart by cost: the first by id stands for them.
        if (seen.add(
            Arrays.toString(l) + Arrays.toString(t) + c.movement().position().postureClass())) {
          movements.add(c.movement());
          lead.add(l);
          trail.add(t);
          forms.add(form);
        }
      }
      boards.add(
          new Board(
              a,
              movements,
              lead.toArray(new long[0][]),
              trail.toArray(new long[0][]),
              forms.toArray(new @Nullable Performed[0][]),
              target.position().postureClass()));
    }
    return boards;
  }

  private static long lead(Cost c) {
    return (long) c.purpose() << 44 | (long) c.muscles() << 30 | (long) c.kind() << 18 | c.range();
  }

  private static long trail(Cost c) {
    return c.position() * CHANGE | (long) c.distance() << 16 | c.modifiers();
  }

  /**
   * Every set of at most K candidates that reaches the least lead, the cheapest of each way the
   * postures fall.
   */
  private static List<Choice> options(Board b, int people, int k) {
    // Candidates with the same lead for everybody are one class while the least lead is sought.
    Map<List<Long>, List<Integer>> classes = new LinkedHashMap<>();
    for (int c = 0; c < b.movements.size(); c++) {
      classes
          .computeIfAbsent(Arrays.stream(b.lead[c]).boxed().toList(), x -> new ArrayList<>())
          .add(c);
    }
    List<List<Integer>> byClass = new ArrayList<>(classes.values());
    long[][] lead = new long[byClass.size()][];
    for (int i = 0; i < lead.length; i++) {
      lead[i] = b.lead[byClass.get(i).get(0)];
    }
    long[] best = {Long.MAX_VALUE};
    List<int[]> sets = new ArrayList<>();
    if (lead.length == 0) {
      return List.of(uncovered(b, people));
    }
    Classes seek = Classes.of(lead, byClass.stream().mapToInt(List::size).toArray(), people);
    long[] open = new long[seek.alike.length];
    Arrays.fill(open, UNCOVERED);
    combine(seek, 0, new int[k], 0, k, open, best, sets);
    Map<Long, Choice> cheapest = new TreeMap<>();
    for (int[] set : sets) {
      expand(b, people, byClass, set, 0, new int[set.length], cheapest);
    }
    return List.copyOf(cheapest.values());
  }

  /**
   * Classes of candidates, while the least lead is sought. People for whom all classes are alike
   * are one column.
   *
   * @param lead by class, then by column
   * @param least the least from this class on, by class, then by column
   * @param alike how many people each column is
   * @param size how many candidates each class has
   */
  private record Classes(long[][] lead, long[][] least, int[] alike, int[] size) {
    static Classes of(long[][] lead, int[] size, int people) {
      Map<List<Long>, Integer> columns = new LinkedHashMap<>();
      for (int p = 0; p < people; p++) {
        int person = p;
        columns.merge(Arrays.stream(lead).map(l -> l[person]).toList(), 1, Integer::sum);
      }
      int[] alike = columns.values().stream().mapToInt(n -> n).toArray();
      long[][] of = new long[lead.length][alike.length];
      int at = 0;
      for (List<Long> column : columns.keySet()) {
        for (int i = 0; i < of.length; i++) {
          of[i][at] = column.get(i);
        }
        at++;
      }
      long[][] least = new long[of.length][];
      for (int i = of.length - 1; i >= 0; i--) {
        least[i] = i == of.length - 1 ? of[i] : under(of[i], least[i + 1]);
      }
      return new Classes(of, least, alike, size);
    }

    /** The smaller of both, column by column. */
    static long[] under(long[] a, long[] b) {
      long[] min = new long[a.length];
      for (int p = 0; p < min.length; p++) {
        min[p] = Math.min(a[p], b[p]);
      }
      return min;
    }

    /** Over everybody. */
    long sum(long[] columns) {
      long sum = 0;
      for (int p = 0; p < columns.length; p++) {
        sum += columns[p] * alike[p];
      }
      return sum;
    }

    /** No less than with whatever is added of the classes from this one on. */
    long bound(long[] now, int from) {
      long sum = 0;
      for (int p = 0; p < now.length; p++) {
        sum += Math.min(now[p], least[from][p]) * alike[p];
      }
      return sum;
    }
  }

  /** Multisets of classes with the least summed lead, none more often than it has candidates. */
  private static void combine(
      Classes of,
      int from,
      int[] set,
      int size,
      int k,
      long[] now,
      long[] best,
      List<int[]> found) {
    if (size > 0) {
      long sum = of.sum(now);
      if (sum < best[0]) {
        best[0] = sum;
        found.clear();
      }
      if (sum == best[0]) {
        found.add(Arrays.copyOf(set, size));
      }
    }
    if (size == k) {
      return;
    }
    for (int i = from; i < of.lead.length; i++) {
      if (of.bound(now, i) > best[0]) {
        return; // nor with any class after this one
      }
      if (size < of.size[i] || set[size - of.size[i]] != i) {
        set[size] = i;
        combine(of, i, set, size + 1, k, Classes.under(now, of.lead[i]), best, found);
      }
    }
  }

  /** The candidates of each class of a set, in every way; two of one class in rising order. */
  private static void expand(
      Board b,
      int people,
      List<List<Integer>> byClass,
      int[] classes,
      int at,
      int[] picked,
      Map<Long, Choice> cheapest) {
    if (at == classes.length) {
      Choice c = choice(b, people, picked.clone());
      if (c == null) {
        return;
      }
      Choice known = cheapest.get(c.postures);
      if (known == null
          || c.trail < known.trail
          || c.trail == known.trail && earlier(b, c.set, known.set)) {
        cheapest.put(c.postures, c);
      }
      return;
    }
    for (int c : byClass.get(classes[at])) {
      if (at > 0 && classes[at] == classes[at - 1] && c <= picked[at - 1]) {
        continue;
      }
      picked[at] = c;
      expand(b, people, byClass, classes, at + 1, picked, cheapest);
    }
  }

  /** Fewer first, then by the ids of the movements, so that the same group has the same lanes. */
  private static boolean earlier(Board b, int[] x, int[] y) {
    if (x.length != y.length) {
      return x.length < y.length;
    }
    return ids(b, x).compareTo(ids(b, y)) < 0;
  }

  private static String ids(Board b, int[] set) {
    return Arrays.stream(set).mapToObj(c -> b.movements.get(c).id()).sorted().toList().toString();
  }

  /** What a set comes to; null when one of it is nearest to nobody. */
  private static @Nullable Choice choice(Board b, int people, int[] set) {
    long lead = 0;
    long trail = 0;
    long postures = 0;
    int used = 0;
    int[] nearest = new int[people];
    for (int p = 0; p < people; p++) {
      int at = -1;
      for (int i = 0; i < set.length; i++) {
        int c = set[i];
        if (b.lead[c][p] < UNCOVERED
            && (at < 0
                || less(b.lead[c][p], b.trail[c][p], b.lead[set[at]][p], b.trail[set[at]][p]))) {
          at = i;
        }
      }
      if (at < 0) {
        lead += UNCOVERED;
        nearest[p] = -1;
        postures |= (long) b.askedPosture << 2 * p;
      } else {
        used |= 1 << at;
        nearest[p] = set[at];
        lead += b.lead[set[at]][p];
        trail += b.trail[set[at]][p];
        postures |= (long) b.movements.get(set[at]).position().postureClass() << 2 * p;
      }
    }
    return Integer.bitCount(used) < set.length
        ? null
        : new Choice(set, lead, trail, postures, nearest);
  }

  private static Choice uncovered(Board b, int people) {
    int[] nobody = new int[people];
    Arrays.fill(nobody, -1);
    long postures = 0;
    for (int p = 0; p < people; p++) {
      postures |= (long) b.askedPosture << 2 * p;
    }
    return new Choice(new int[0], UNCOVERED * people, 0, postures, nobody);
  }

  /** How many people are in another posture. */
  private static int changes(long a, long b) {
    long x = a ^ b;
    return Long.bitCount((x | x >>> 1) & 0x5555555555555555L);
  }

  /** The best sequence of sets: dynamic programme over slots. */
  private static List<Choice> sequence(List<List<Choice>> options) {
    List<long[]> cost = new ArrayList<>();
    List<int[]> back = new ArrayList<>();
    for (int t = 0; t < options.size(); t++) {
      List<Choice> now = options.get(t);
      long[] c = new long[now.size()];
      int[] from = new int[now.size()];
      for (int i = 0; i < c.length; i++) {
        c[i] = now.get(i).trail;
        if (t > 0) {
          List<Choice> before = options.get(t - 1);
          long least = Long.MAX_VALUE;
          for (int j = 0; j < before.size(); j++) {
            long x =
                cost.get(t - 1)[j] + changes(before.get(j).postures, now.get(i).postures) * CHANGE;
            if (x < least) {
              least = x;
              from[i] = j;
            }
          }
          c[i] += least;
        }
      }
      cost.add(c);
      back.add(from);
    }
    List<Choice> chosen = new ArrayList<>();
    if (options.isEmpty()) {
      return chosen;
    }
    int at = 0;
    long[] last = cost.get(cost.size() - 1);
    for (int i = 1; i < last.length; i++) {
      at = last[i] < last[at] ? i : at;
    }
    for (int t = options.size() - 1; t >= 0; t--) {
      chosen.add(0, options.get(t).get(at));
      at = back.get(t)[at];
    }
    return chosen;
  }

  /** Each person's candidate in each slot: as near in the lead, fewest changes; -1 for none. */
  private static int[][] paths(List<Board> boards, List<Choice> chosen, int people) {
    int slots = boards.size();
    int[][] path = new int[slots][people];
    for (int p = 0; p < people; p++) {
      List<int[]> states = new ArrayList<>();
      List<long[]> cost = new ArrayList<>();
      List<int[]> back = new ArrayList<>();
      for (int t = 0; t < slots; t++) {
        Board b = boards.get(t);
        int near = chosen.get(t).nearest[p];
        int person = p;
        int[] as =
            near < 0
                ? new int[] {-1}
                : Arrays.stream(chosen.get(t).set)
                    .filter(c -> b.lead[c][person] == b.lead[near][person])
                    .toArray();
        long[] c = new long[as.length];
        int[] from = new int[as.length];
        for (int i = 0; i < as.length; i++) {
          c[i] = as[i] < 0 ? 0 : b.trail[as[i]][p];
          if (t > 0) {
            long least = Long.MAX_VALUE;
            for (int j = 0; j < states.get(t - 1).length; j++) {
              long x =
                  cost.get(t - 1)[j]
                      + (posture(boards.get(t - 1), states.get(t - 1)[j]) == posture(b, as[i])
                          ? 0
                          : CHANGE);
              if (x < least) {
                least = x;
                from[i] = j;
              }
            }
            c[i] += least;
          }
        }
        states.add(as);
        cost.add(c);
        back.add(from);
      }
      if (slots == 0) {
        continue;
      }
      int at = 0;
      long[] last = cost.get(slots - 1);
      for (int i = 1; i < last.length; i++) {
        at = last[i] < last[at] ? i : at;
      }
      for (int t = slots - 1; t >= 0; t--) {
        path[t][p] = states.get(t)[at];
        at = back.get(t)[at];
      }
    }
    return path;
  }

  private static int posture(Board b, int candidate) {
    return candidate < 0 ? b.askedPosture : b.movements.get(candidate).position().postureClass();
  }

  /** Movements to lanes so that people change lanes least: dynamic programme over slots. */
  private LaneSheet columns(
      SessionPlan plan,
      List<Board> boards,
      List<Choice> chosen,
      int[][] paths,
      List<Participant> people,
      int k) {
    int n = people.size();
    List<List<int[]>> maps = new ArrayList<>();
    List<int[]> cost = new ArrayList<>();
    List<int[]> back = new ArrayList<>();
    for (int t = 0; t < boards.size(); t++) {
      List<int[]> now = injections(chosen.get(t).set.length, k);
      int[] c = new int[now.size()];
      int[] from = new int[now.size()];
      for (int i = 0; i < c.length && t > 0; i++) {
        c[i] = Integer.MAX_VALUE;
        for (int j = 0; j < maps.get(t - 1).size(); j++) {
          int x = cost.get(t - 1)[j];
          for (int p = 0; p < n; p++) {
            int a = lane(chosen.get(t - 1), maps.get(t - 1).get(j), paths[t - 1][p]);
            int b = lane(chosen.get(t), now.get(i), paths[t][p]);
            x += a >= 0 && b >= 0 && a != b ? 1 : 0;
          }
          if (x < c[i]) {
            c[i] = x;
            from[i] = j;
          }
        }
      }
      maps.add(now);
      cost.add(c);
      back.add(from);
    }
    int[][] at = new int[boards.size()][];
    if (!boards.isEmpty()) {
      int[] last = cost.get(boards.size() - 1);
      int best = 0;
      for (int i = 1; i < last.length; i++) {
        best = last[i] < last[best] ? i : best;
      }
      for (int t = boards.size() - 1; t >= 0; t--) {
        at[t] = maps.get(t).get(best);
        best = back.get(t)[best];
      }
    }
    int[] order = byHeight(boards, chosen, at, k);
    List<LaneSheet.SlotLanes> slots = new ArrayList<>();
    for (int t = 0; t < boards.size(); t++) {
      Board b = boards.get(t);
      List<@Nullable String> shown = new ArrayList<>(Collections.nCopies(k, (String) null));
      for (int i = 0; i < chosen.get(t).set.length; i++) {
        shown.set(order[at[t][i]], b.movements.get(chosen.get(t).set[i]).id());
      }
      List<LaneSheet.Follow> follows = new ArrayList<>();
      List<LaneSheet.Alone> alone = new ArrayList<>();
      for (int p = 0; p < n; p++) {
        int c = paths[t][p];
        Performed form = c < 0 ? null : b.forms[c][p];
        if (form == null) {
          alone.add(alone(b, people.get(p), List.of()));
        } else {
          follows.add(
              new LaneSheet.Follow(people.get(p).id(), order[lane(chosen.get(t), at[t], c)], form));
        }
      }
      slots.add(
          new LaneSheet.SlotLanes(
              b.asked.key(),
              b.asked.slot().movementId(),
              Collections.unmodifiableList(shown),
              follows,
              alone,
              false));
    }
    return new LaneSheet(k, slots, home(plan, slots, people));
  }

  /** Lanes renumbered by how high their movements are on average, lowest first. */
  private static int[] byHeight(List<Board> boards, List<Choice> chosen, int[][] at, int k) {
    double[] sum = new double[k];
    int[] count = new int[k];
    for (int t = 0; t < boards.size(); t++) {
      for (int i = 0; i < chosen.get(t).set.length; i++) {
        sum[at[t][i]] += boards.get(t).movements.get(chosen.get(t).set[i]).position().height;
        count[at[t][i]]++;
      }
    }
    List<Integer> lanes = new ArrayList<>();
    for (int i = 0; i < k; i++) {
      lanes.add(i);
    }
    lanes.sort(
        (x, y) -> {
          // a lane that shows nothing comes last
          double a = count[x] == 0 ? 99 : sum[x] / count[x];
          double b = count[y] == 0 ? 99 : sum[y] / count[y];
          return a == b ? Integer.compare(x, y) : Double.compare(a, b);
        });
    int[] order = new int[k];
    for (int i = 0; i < k; i++) {
      order[lanes.get(i)] = i;
    }
    return order;
  }

  private static int lane(Choice c, int[] map, int candidate) {
    return candidate < 0 ? -1 : map[index(c.set, candidate)];
  }

  private static int index(int[] set, int candidate) {
    for (int i = 0; i < set.length; i++) {
      if (set[i] == candidate) {
        return i;
      }
    }
    throw new IllegalArgumentException("not in the set: " + candidate);
  }

  /** Every way to give n movements a lane of their own among k. */
  private static List<int[]> injections(int n, int k) {
    List<int[]> all = new ArrayList<>();
    inject(new int[n], 0, 0, k, all);
    return all;
  }

  private static void inject(int[] map, int at, int used, int k, List<int[]> all) {
    if (at == map.length) {
      all.add(map.clone());
      return;
    }
    for (int lane = 0; lane < k; lane++) {
      if ((used & 1 << lane) == 0) {
        map[at] = lane;
        inject(map, at + 1, used | 1 << lane, k, all);
      }
    }
  }

  /** The lane of most slots; the lower on a tie. People alone everywhere have none. */
  private static Map<UUID, Integer> home(
      SessionPlan plan, List<LaneSheet.SlotLanes> slots, List<Participant> people) {
    Set<String> work = new TreeSet<>();
    plan.asked().stream()
        .filter(a -> a.block().block() == Block.WORK)
        .forEach(a -> work.add(a.key()));
    Map<UUID, Integer> home = new LinkedHashMap<>();
    for (Participant who : people) {
      Map<Integer, Integer> count = new TreeMap<>();
      for (LaneSheet.SlotLanes s : slots) {
        LaneSheet.Follow f = s.of(who.id());
        if (f != null) {
          // warm-up and cool-down only decide between lanes of as many work slots
          count.merge(f.lane(), work.contains(s.key()) ? 100 : 1, Integer::sum);
        }
      }
      count.entrySet().stream()
          .max(Map.Entry.<Integer, Integer>comparingByValue().thenComparing(e -> -e.getKey()))
          .ifPresent(e -> home.put(who.id(), e.getKey()));
    }
    return home;
  }
}
