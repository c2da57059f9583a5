package riposo.core.adapt;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import riposo.core.limit.Broken;
import riposo.core.limit.Caps;
import riposo.core.limit.Side;
import riposo.core.movement.Catalogue;
import riposo.core.movement.Kit;
import riposo.core.movement.Modifier;
import riposo.core.movement.Movement;
import riposo.core.movement.Variant;

/**
 * The exact search: every movement of the family asked for, of its purpose, of the neighbouring
 * purposes and of the same muscles, each with every set of at most three modifiers, for both sides
 * alike and for each side alone. What breaks a limit, needs kit that is not there or is harder than
 * asked ({@link Reach}) is out; among the rest the lowest {@link Cost} wins, ties by id. No
 * randomness, no state but the catalogue; safe for many threads.
 */
public final class Adapter {
  /** Up to two movements of the choice and the next two. */
  private static final int KEPT = 4;

  private final Catalogue catalogue;
  private final Map<String, List<StandIn>> candidates = new ConcurrentHashMap<>();

  /**
   * A movement that may stand in for a target.
   *
   * @param bare what it costs unmodified, on one side; no form of it costs less
   * @param forms its forms that are not harder than asked, fewest modifiers first
   */
  public record StandIn(Movement movement, Cost bare, List<Variant> forms) {
    boolean asked() {
      return bare.kind() == Cost.EASED;
    }
  }

  /** A permitted form of a movement. */
  private record Fit(Variant variant, Cost cost) {}

  public Adapter(Catalogue catalogue) {
    this.catalogue = catalogue;
  }

  public Catalogue catalogue() {
    return catalogue;
  }

  /**
   * Resolves one slot. Always answers: where nothing is open the part is rest and breathe.
   *
   * @param targetId the movement asked for; throws {@link IllegalArgumentException} when unknown
   */
  public SlotResult resolve(String targetId, Situation situation) {
    List<StandIn> all = standIns(targetId);
    // With the same caps on both sides a split is never nearer than the same form on both.
    boolean sided = situation.caps().sided();
    Map<String, Fit> whole = new HashMap<>();
    @Nullable Fit best = null;
    @Nullable Fit left = null;
    @Nullable Fit right = null;
    List<Cost> nearest = new ArrayList<>();
    for (StandIn c : all) {
      // Sorted by what they cost unmodified: once the choice, both halves and the next two are all
      // nearer than that, nothing further on can matter.
      if (nearest.size() == KEPT
          && nearest.get(KEPT - 1).compareTo(c.bare()) < 0
          && (!sided || nearerThan(left, c.bare()) && nearerThan(right, c.bare()))) {
        break;
      }
      if (above(c.movement(), situation) != null || lacks(c.movement(), situation)) {
        continue;
      }
      Fit fit = bestForm(c, situation, Side.BOTH);
      if (fit != null) {
        whole.put(c.movement().id(), fit);
        nearest.add(fit.cost());
        nearest.sort(null);
        if (nearest.size() > KEPT) {
          nearest.remove(KEPT);
        }
        best = nearer(best, fit);
      }
      if (sided) {
        left = nearer(left, bestForm(c, situation, Side.LEFT));
        right = nearer(right, bestForm(c, situation, Side.RIGHT));
      }
    }
    List<Performed> parts =
        best == null ? List.of(Performed.rest(Side.BOTH)) : List.of(performed(best, Side.BOTH));
    Cost cost = best == null ? Cost.REST.plus(Cost.REST) : best.cost().plus(best.cost());
    if (sided) {
      for (Fit[] sides : new @Nullable Fit[][] {{left, right}, {left, null}, {null, right}}) {
        if (sides[0] == null && sides[1] == null) {
          continue;
        }
        Cost split = onSide(sides[0], sides[1]).plus(onSide(sides[1], sides[0]));
        if (split.compareTo(cost) < 0) {
          cost = split;
          parts = List.of(performedOn(sides[0], Side.LEFT), performedOn(sides[1], Side.RIGHT));
        }
      }
    }
    return new SlotResult(
        targetId, parts, cost, rejections(targetId, cost, whole, situation), next(whole, parts));
  }

  /** Every movement that may stand in for a target in its nearest permitted form, nearest first. */
  public List<Alternative> options(String targetId, Situation situation) {
    List<Fit> fits = new ArrayList<>();
    for (StandIn c : standIns(targetId)) {
      if (above(c.movement(), situation) == null && !lacks(c.movement(), situation)) {
        Fit fit = bestForm(c, situation, Side.BOTH);
        if (fit != null) {
          fits.add(fit);
        }
      }
    }
    return fits.stream().sorted(Adapter::order).map(Adapter::alternative).toList();
  }

  private static int order(Fit a, Fit b) {
    return a == b ? 0 : nearer(a, b) == a ? -1 : 1;
  }

  private static Alternative alternative(Fit f) {
    return new Alternative(List.of(performed(f, Side.BOTH)), f.cost().plus(f.cost()));
  }

  /**
   * Every limit that a chosen form breaks; empty when it is permitted. The same function the search
   * is judged by.
   */
  public List<Broken> broken(Performed chosen, Caps caps) {
    return chosen.isRest() ? List.of() : Broken.of(caps, variant(chosen).demand(chosen.side()));
  }

  /** The variant behind a performed part; throws when it is rest or not possible. */
  public Variant variant(Performed part) {
    if (part.movementId() == null) {
      throw new IllegalArgumentException("rest has no variant");
    }
    return catalogue.variant(part.movementId(), part.modifiers(), part.range());
  }

  /** Whether the form still exists: the movement is known and takes its modifiers and range. */
  public boolean possible(Performed part) {
    if (part.isRest()) {
      return true;
    }
    if (catalogue.find(String.valueOf(part.movementId())).isEmpty()) {
      return false;
    }
    try {
      variant(part);
      return true;
    } catch (IllegalArgumentException e) {
      return false;
    }
  }

  /** Kit that a chosen form needs and the situation lacks. */
  public Set<Kit> missing(Performed chosen, Situation situation) {
    String id = chosen.movementId();
    if (id == null) {
      return Set.of();
    }
    Set<Kit> missing = missing(catalogue.movement(id), situation);
    for (Modifier m : chosen.modifiers()) {
      if (!m.anyOf.isEmpty() && m.anyOf.stream().noneMatch(situation.kit()::contains)) {
        missing.add(m.anyOf.stream().sorted().findFirst().orElseThrow());
      }
    }
    return missing;
  }

  /**
   * The gentlest change that opens a movement: fewest modifiers, most range; null when no form is
   * permitted or kit is missing.
   */
  public @Nullable Performed open(String movementId, Situation situation) {
    Movement movement = catalogue.movement(movementId);
    if (!missing(movement, situation).isEmpty()) {
      return null;
    }
    Fit fit =
        bestForm(
            new StandIn(movement, Cost.NONE, catalogue.variants(movement)), situation, Side.BOTH);
    return fit == null ? null : performed(fit, Side.BOTH);
  }

  /** The same, not above where the client stands; null there too. */
  public @Nullable Performed within(String movementId, Situation situation) {
    return above(catalogue.movement(movementId), situation) == null
        ? open(movementId, situation)
        : null;
  }

  /** The family's stair, gentlest first. */
  public List<StairRung> stair(String familyId, Situation situation) {
    List<StairRung> stair = new ArrayList<>();
    for (Movement m : catalogue.family(familyId).rungs()) {
      if (catalogue.retired(m.id())) {
        continue;
      }
      Performed form = open(m.id(), situation);
      Ceiling above = above(m, situation);
      stair.add(
          new StairRung(
              m.id(),
              m.rung(),
              form != null && above == null,
              form == null ? List.of() : form.modifiers(),
              form == null ? 100 : form.range(),
              Broken.of(situation.caps(), catalogue.variants(m).get(0).whole()),
              missing(m, situation),
              form == null && open(m.id(), situation.withCaps(situation.caps().firmOnly())) == null,
              above));
    }
    return stair;
  }

  /**
   * The nearest permitted form of what may stand in for a target; null when there is none, kit is
   * missing or it lies above where the client stands.
   */
  public @Nullable Performed form(StandIn c, Situation situation) {
    if (above(c.movement(), situation) != null || lacks(c.movement(), situation)) {
      return null;
    }
    Fit fit = bestForm(c, situation, Side.BOTH);
    return fit == null ? null : performed(fit, Side.BOTH);
  }

  /** What such a form costs, on one side. */
  public Cost cost(StandIn c, Performed form) {
    return cost(c, form.modifiers(), form.range());
  }

  /** Every movement that may stand in for a target, nearest first; none is harder than asked. */
  public List<StandIn> standIns(String targetId) {
    return candidates.computeIfAbsent(targetId, this::candidatesFor);
  }

  private List<StandIn> candidatesFor(String targetId) {
    Movement target = catalogue.movement(targetId);
    Reach reach = Reach.of(catalogue.variants(target).get(0));
    List<StandIn> found = new ArrayList<>();
    for (Movement m : catalogue.movements()) {
      if (m != target && catalogue.retired(m.id())) {
        continue;
      }
      boolean family = m.familyId().equals(target.familyId());
      if (family ? m.rung() > target.rung() : m.difficulty() > target.difficulty()) {
        continue; // harder than asked is never offered
      }
      int purpose;
      if (m.purpose() == target.purpose()) {
        purpose = 0;
      } else if (target.purpose().neighbours().contains(m.purpose())) {
        purpose = 1;
      } else if (m.primary().stream().anyMatch(target.primary()::contains)) {
        purpose = 2;
      } else {
        continue;
      }
      int distance = m == target ? 0 : distance(target, m, family);
      Cost bare =
          new Cost(
              purpose,
              musclesLost(target, m),
              m == target ? Cost.EASED : family ? Cost.FAMILY : Cost.OTHER_FAMILY,
              0,
              m.position().postureClass() == target.position().postureClass() ? 0 : 1,
              distance,
              0);
      List<Variant> forms =
          m == target
              ? catalogue.variants(m)
              : catalogue.variants(m).stream().filter(reach::within).toList();
      if (!forms.isEmpty()) {
        found.add(new StandIn(m, bare, forms));
      }
    }
    found.sort(Comparator.comparing(StandIn::bare).thenComparing(c -> c.movement().id()));
    return List.copyOf(found);
  }

  /**
   * How much gentler it is, in tenths. Rungs in the family, but no more than the difference in
   * difficulty: many small rungs are no longer a way than few large ones. Across families the
   * difference in difficulty, and one more, so that of two alike the family's own wins.
   */
  private static int distance(Movement target, Movement m, boolean family) {
    int difficulty = target.difficulty() - m.difficulty();
    return family
        ? Math.max(1, Math.min(10 * (target.rung() - m.rung()), difficulty))
        : difficulty + 1;
  }

  private static int musclesLost(Movement target, Movement m) {
    int lost = 0;
    for (String muscle : target.primary()) {
      if (!m.primary().contains(muscle)) {
        lost += m.secondary().contains(muscle) ? 1 : 2;
      }
    }
    return lost;
  }

  /** The cheapest permitted form of one movement, or null. */
  private @Nullable Fit bestForm(StandIn c, Situation situation, Side working) {
    Caps caps = situation.caps();
    if (caps.forbids(catalogue.least(c.movement()))) {
      return null; // whatever the form
    }
    @Nullable Fit best = null;
    for (Variant v : c.forms()) {
      // Forms come fewest modifiers first: behind one that is eased at full range, none is nearer.
      if (best != null
          && best.cost().range() == 0
          && best.cost().kind() == c.bare().kind()
          && v.modifiers().size() >= best.variant().modifiers().size()) {
        break;
      }
      if (working != Side.BOTH && !v.oneSided() || !hasKit(v, situation)) {
        continue;
      }
      if (!caps.forbids(v.demand(working))) {
        best = nearer(best, new Fit(v, cost(c, v)));
      } else {
        Variant cut = catalogue.shortened(v, caps, working).orElse(null);
        if (cut != null && !caps.forbids(cut.demand(working))) {
          best = nearer(best, new Fit(cut, cost(c, cut)));
        }
      }
    }
    return best;
  }

  /** What one side costs beside the other; null rests. */
  private static Cost onSide(@Nullable Fit fit, @Nullable Fit other) {
    return fit != null
        ? fit.cost()
        : other != null && other.cost().purpose() == 0 ? Cost.ONE_RESTS : Cost.REST;
  }

  private static Performed performedOn(@Nullable Fit fit, Side side) {
    return fit == null ? Performed.rest(side) : performed(fit, side);
  }

  private static boolean nearerThan(@Nullable Fit fit, Cost cost) {
    return fit != null && fit.cost().compareTo(cost) < 0;
  }

  private static Cost cost(StandIn c, Variant v) {
    return cost(c, v.modifiers(), v.range());
  }

  private static Cost cost(StandIn c, Collection<Modifier> modifiers, int range) {
    Cost b = c.bare();
    boolean cut = range < Cost.SAME_RANGE || modifiers.stream().anyMatch(Modifier::swapsPart);
    return new Cost(
        b.purpose(),
        b.muscles(),
        c.asked() && cut ? Cost.CUT : b.kind(),
        100 - range,
        b.position(),
        b.distance(),
        modifiers.size());
  }

  private static @Nullable Fit nearer(@Nullable Fit a, @Nullable Fit b) {
    if (a == null || b == null) {
      return a == null ? b : a;
    }
    int order = a.cost().compareTo(b.cost());
    if (order == 0) {
      order = a.variant().movement().id().compareTo(b.variant().movement().id());
    }
    if (order == 0) {
      order = bits(a.variant().modifiers()) - bits(b.variant().modifiers());
    }
    return order <= 0 ? a : b;
  }

  private static int bits(Set<Modifier> modifiers) {
    return modifiers.stream().mapToInt(m -> 1 << m.ordinal()).sum();
  }

  private static Performed performed(Fit fit, Side side) {
    return new Performed(
        side,
        fit.variant().movement().id(),
        Modifier.inOrder(fit.variant().modifiers()),
        fit.variant().range());
  }

  private static boolean hasKit(Variant v, Situation situation) {
    for (Modifier m : v.modifiers()) {
      if (!m.anyOf.isEmpty() && Collections.disjoint(m.anyOf, situation.kit())) {
        return false;
      }
    }
    return true;
  }

  private static boolean lacks(Movement m, Situation situation) {
    for (Set<Kit> anyOf : m.kit()) {
      if (Collections.disjoint(anyOf, situation.kit())) {
        return true;
      }
    }
    return false;
  }

  private static Set<Kit> missing(Movement m, Situation situation) {
    if (!lacks(m, situation)) {
      return EnumSet.noneOf(Kit.class);
    }
    Set<Kit> missing = EnumSet.noneOf(Kit.class);
    for (Set<Kit> anyOf : m.kit()) {
      if (anyOf.stream().noneMatch(situation.kit()::contains)) {
        missing.add(anyOf.stream().sorted().findFirst().orElseThrow());
      }
    }
    return missing;
  }

  /** The ceiling a movement lies above; null where none holds it down. */
  @Nullable Ceiling above(Movement m, Situation situation) {
    Ceiling ceiling = situation.ceilings().get(m.familyId());
    return ceiling != null && m.rung() > ceiling.rung() ? ceiling : null;
  }

  private List<Rejection> rejections(
      String targetId, Cost cost, Map<String, Fit> whole, Situation situation) {
    List<Rejection> rejections = new ArrayList<>();
    Reach reach = Reach.of(catalogue.variants(catalogue.movement(targetId)).get(0));
    for (StandIn c : standIns(targetId)) {
      Cost bare = c.bare().plus(c.bare());
      if (bare.compareTo(cost) >= 0) {
        break; // sorted: nothing nearer follows
      }
      rejections.add(
          new Rejection(
              c.movement().id(),
              bare,
              Broken.of(situation.caps(), catalogue.variants(c.movement()).get(0).whole()),
              missing(c.movement(), situation),
              c.asked() ? List.of() : reach.over(catalogue.variants(c.movement()).get(0)),
              above(c.movement(), situation),
              whole.containsKey(c.movement().id())));
    }
    return rejections;
  }

  private static List<Alternative> next(Map<String, Fit> whole, List<Performed> parts) {
    return whole.values().stream()
        .filter(
            f -> parts.stream().noneMatch(p -> f.variant().movement().id().equals(p.movementId())))
        .sorted(Adapter::order)
        .limit(2)
        .map(Adapter::alternative)
        .toList();
  }
}
