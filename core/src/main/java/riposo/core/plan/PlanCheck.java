package riposo.core.plan;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import riposo.core.limit.JointMotion;
import riposo.core.movement.LoadKind;
import riposo.core.movement.Movement;
import riposo.core.movement.Purpose;

/**
 * A remark of the checker: facts, worded elsewhere. Everything here is flagged, not refused .
 *
 * @param value what the plan has, in seconds or a count
 * @param wanted what the rule asks for
 * @param slots keys of the slots it is about; empty when about the whole
 */
public record PlanCheck(String rule, int value, int wanted, List<String> slots) {
  public static final String WARM_UP_SHORT = "plan.warm-up-short";
  public static final String COOL_DOWN_SHORT = "plan.cool-down-short";
  public static final String FLOOR_TRIPS = "plan.floor-trips";
  public static final String REGION_TWICE = "plan.region-twice";
  public static final String HARD_TWICE = "plan.hard-twice";
  public static final String SMALL_FIRST = "plan.small-first";
  public static final String BICEPS_FIRST = "plan.biceps-first";
  public static final String ODD_ROUNDS = "plan.odd-rounds";
  public static final String ONE_SIDE = "plan.one-side";
  public static final String SIDES_UNEQUAL = "plan.sides-unequal";
  public static final String OVERHEAD_LONG = "plan.overhead-long";
  public static final String PUSH_PULL = "plan.push-pull";
  public static final String ONE_WEIGHT = "plan.one-weight";
  public static final String MANY_REPS = "plan.many-reps";
  public static final String GONE = "plan.movement-gone";

  /** Every rule, in a fixed order. */
  public static final List<String> RULES =
      List.of(
          WARM_UP_SHORT,
          COOL_DOWN_SHORT,
          FLOOR_TRIPS,
          REGION_TWICE,
          HARD_TWICE,
          SMALL_FIRST,
          BICEPS_FIRST,
          ODD_ROUNDS,
          ONE_SIDE,
          SIDES_UNEQUAL,
          OVERHEAD_LONG,
          PUSH_PULL,
          ONE_WEIGHT,
          MANY_REPS,
          GONE);

  /** Rules about order, which a swap may mend. */
  static final Set<String> ORDER =
      Set.of(FLOOR_TRIPS, REGION_TWICE, HARD_TWICE, SMALL_FIRST, BICEPS_FIRST, OVERHEAD_LONG);

  /** An effort from which two slots for one muscle in a row are too much: somewhat hard. */
  private static final int HARD = 5;

  private static final int OVERHEAD_SECONDS = 120;

  public PlanCheck {
    slots = List.copyOf(slots);
  }

  public PlanCheck(String rule, int value, int wanted) {
    this(rule, value, wanted, List.of());
  }

  /**
   * Checks a compiled plan's times: a warm-up of at least max(5 min, 15 % of the session), a third
   * when the session is under 15 min; a cool-down of at least 3 min; more than one trip to the
   * floor. A plan without a clock has none of it.
   */
  public static List<PlanCheck> of(Timeline timeline) {
    List<PlanCheck> checks = new ArrayList<>();
    if (timeline.total() == 0) {
      return checks;
    }
    int warm = timeline.seconds(Block.WARM_UP);
    int cool = timeline.seconds(Block.COOL_DOWN);
    int total = timeline.total();
    int wanted = warmUpWanted(total);
    if (warm < wanted) {
      checks.add(new PlanCheck(WARM_UP_SHORT, warm, wanted));
    }
    if (cool < 180) {
      checks.add(new PlanCheck(COOL_DOWN_SHORT, cool, 180));
    }
    if (timeline.floorTrips() > 1) {
      checks.add(new PlanCheck(FLOOR_TRIPS, timeline.floorTrips(), 1));
    }
    return checks;
  }

  static int warmUpWanted(int total) {
    return total < 900 ? (total + 2) / 3 : Math.max(300, (total * 15 + 99) / 100);
  }

  /** Checks times, order, sides and balance of a plan. */
  public static List<PlanCheck> of(
      SessionPlan plan, Timeline timeline, Function<String, @Nullable Movement> movements) {
    List<PlanCheck> checks = new ArrayList<>();
    List<String> gone = new ArrayList<>();
    Map<String, Movement> by = new HashMap<>();
    for (SessionPlan.Asked a : plan.asked()) {
      Movement m = movements.apply(a.slot().movementId());
      if (m == null) {
        gone.add(a.key());
      } else {
        by.put(a.key(), m);
      }
    }
    if (!gone.isEmpty()) {
      checks.add(new PlanCheck(GONE, gone.size(), 0, gone));
    }
    checks.addAll(of(timeline));
    Pairs region = new Pairs();
    Pairs hard = new Pairs();
    Pairs small = new Pairs();
    Pairs biceps = new Pairs();
    for (PlanBlock b : plan.blocks()) {
      if (b.block() != Block.WORK) {
        continue;
      }
      for (int i = 0; i < b.slots().size(); i++) {
        Movement m = movements.apply(b.slots().get(i).movementId());
        for (int j = i + 1; m != null && j < b.slots().size(); j++) {
          Movement next = movements.apply(b.slots().get(j).movementId());
          if (next == null) {
            continue;
          }
          String from = b.slots().get(i).key();
          String to = b.slots().get(j).key();
          if (j == i + 1 && Region.of(m) == Region.of(next) && Region.of(m).tires()) {
            region.add(from, to);
          }
          if (j == i + 1 && bothHard(m, next)) {
            hard.add(from, to);
          }
          if (m.purpose() == Purpose.ELBOW_BEND && next.purpose() == Purpose.PULL) {
            biceps.add(from, to);
          } else if (Region.of(m).small() && Region.of(next).big()) {
            small.add(from, to);
          }
        }
      }
      List<String> byRound =
          b.slots().stream()
              .filter(
                  s ->
                      s.sides() == Sides.BY_ROUND
                          || s.sides() == null && b.sides() == PlanBlock.SideMode.BY_ROUND)
              .map(Slot::key)
              .limit(1)
              .toList();
      if (!byRound.isEmpty() && b.format().rounds() % 2 == 1) {
        checks.add(
            new PlanCheck(ODD_ROUNDS, b.format().rounds(), b.format().rounds() + 1, byRound));
      }
    }
    region.into(checks, REGION_TWICE);
    hard.into(checks, HARD_TWICE);
    small.into(checks, SMALL_FIRST);
    biceps.into(checks, BICEPS_FIRST);
    PlanTotals totals = PlanTotals.of(plan, timeline, movements);
    List<String> alone =
        plan.allSlots().stream().filter(s -> s.sides() == Sides.ONE_ONLY).map(Slot::key).toList();
    if (!alone.isEmpty()) {
      checks.add(new PlanCheck(ONE_SIDE, alone.size(), totals.alone(), alone));
    }
    if (totals.left() != totals.right()) {
      checks.add(new PlanCheck(SIDES_UNEQUAL, totals.left(), totals.right()));
    }
    overhead(timeline, by, checks);
    int push = totals.regions().getOrDefault(Region.PUSH, 0);
    int pull = totals.regions().getOrDefault(Region.PULL, 0);
    if (Math.max(push, pull) >= 60 && Math.max(push, pull) > 2 * Math.min(push, pull)) {
      checks.add(new PlanCheck(PUSH_PULL, push, pull));
    }
    oneWeight(plan, movements, checks);
    manyReps(plan, timeline, checks);
    return checks;
  }

  /**
   * One weight asked of all, large muscles and small: the small take about half of what rows do.
   */
  private static void oneWeight(
      SessionPlan plan, Function<String, @Nullable Movement> movements, List<PlanCheck> checks) {
    Set<Integer> grams = new HashSet<>();
    List<String> small = new ArrayList<>();
    int loaded = 0;
    for (Slot s : plan.slots(Block.WORK)) {
      Movement m = movements.apply(s.movementId());
      if (m != null && s.grams() != null && m.loadKind() == LoadKind.DUMBBELL) {
        grams.add(s.grams());
        loaded++;
        if (m.smallMuscles()) {
          small.add(s.key());
        }
      }
    }
    if (grams.size() == 1 && !small.isEmpty() && small.size() < loaded) {
      int asked = grams.iterator().next();
      checks.add(new PlanCheck(ONE_WEIGHT, asked, asked / 2, small));
    }
  }

  private static boolean bothHard(Movement a, Movement b) {
    return a.demands().effort() >= HARD
        && b.demands().effort() >= HARD
        && a.primary().stream().anyMatch(b.primary()::contains);
  }

  /** Arms overhead and brisk steps raise the pulse: long runs are flagged for heart and lungs. */
  private static void overhead(
      Timeline timeline, Map<String, Movement> by, List<PlanCheck> checks) {
    int run = 0;
    int longest = 0;
    Set<String> keys = new HashSet<>();
    Set<String> kept = Set.of();
    for (Segment g : timeline.segments()) {
      if (g.kind() != Segment.Kind.WORK) {
        continue;
      }
      Movement m = by.get(g.slotKey());
      if (m != null && overhead(m)) {
        run += g.length();
        keys.add(g.slotKey());
      } else {
        run = 0;
        keys = new HashSet<>();
      }
      if (run > longest) {
        longest = run;
        kept = keys;
      }
    }
    if (longest >= OVERHEAD_SECONDS) {
      checks.add(
          new PlanCheck(OVERHEAD_LONG, longest, OVERHEAD_SECONDS, kept.stream().sorted().toList()));
    }
  }

  private static boolean overhead(Movement m) {
    return m.demands().overhead()
        || m.demands().joints().stream()
            .anyMatch(j -> j.motion() == JointMotion.SHOULDER_ELEVATION && j.degrees() >= 120);
  }

  private static void manyReps(SessionPlan plan, Timeline timeline, List<PlanCheck> checks) {
    Set<FormatKind> clocked =
        EnumSet.of(FormatKind.INTERVALS, FormatKind.PAIRED, FormatKind.BLOCKS, FormatKind.LADDER);
    Set<String> of = new HashSet<>();
    for (SessionPlan.Asked a : plan.asked()) {
      if (a.block().block() == Block.WORK && clocked.contains(a.block().format().kind())) {
        of.add(a.key());
      }
    }
    int most = 0;
    List<String> keys = new ArrayList<>();
    for (Segment g : timeline.segments()) {
      Integer reps = g.reps();
      if (reps != null && reps > 15 && of.contains(g.slotKey())) {
        most = Math.max(most, reps);
        if (!keys.contains(g.slotKey())) {
          keys.add(g.slotKey());
        }
      }
    }
    if (most > 0) {
      checks.add(new PlanCheck(MANY_REPS, most, 10, keys));
    }
  }

  private static final class Pairs {
    private int count;
    private final List<String> keys = new ArrayList<>();

    void add(String a, String b) {
      count++;
      for (String k : new String[] {a, b}) {
        if (!keys.contains(k)) {
          keys.add(k);
        }
      }
    }

    void into(List<PlanCheck> checks, String rule) {
      if (count > 0) {
        checks.add(new PlanCheck(rule, count, 0, keys));
      }
    }
  }
}
