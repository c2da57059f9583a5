package riposo.core.adapt;

import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import riposo.core.movement.Catalogue;
import riposo.core.movement.Movement;
import riposo.core.movement.Position;
import riposo.core.movement.Purpose;
import riposo.core.movement.SidePattern;
import riposo.core.plan.PlanBlock.RestStyle;
import riposo.core.plan.Segment;
import riposo.core.plan.Timeline;

/**
 * What fills the rests of a slot that are to be a stretch: one for the muscles just worked, in the
 * posture they were worked in, that breaks no limit. House rule.
 *
 * @param form the stretch; null where none fills them
 * @param seconds how long it is held, on each side it is done on
 * @param sides how its sides come
 * @param none why there is none; null where there is one
 */
public record RestStretch(
    @Nullable Performed form, int seconds, @Nullable Sided sides, @Nullable None none) {
  /** Seconds to get into a stretch and out of it. */
  static final int SETTLE = 5;

  /** Shorter than that, in seconds, it is no stretch. */
  static final int LEAST = 10;

  /** The family stretches are of; a posture kept is none. */
  private static final String STRETCHES = "mobility";

  /** How the sides of a stretch come in a rest. */
  public enum Sided {
    /** Both at once. */
    AT_ONCE,
    /** One side, then the other, in the same rest. */
    EACH,
    /** One side a rest: the rest is too short for both. */
    ONE_A_REST
  }

  /** Why no stretch fills a rest. */
  public enum None {
    /** Every rest is shorter than getting into one takes. */
    SHORT,
    /** None of the region is open in this posture. */
    CLOSED
  }

  /**
   * The stretch for a slot; null where its rests are not to be one.
   *
   * @param parts what is done in the slot
   * @param situation limits, kit and ceilings of the day
   */
  static @Nullable RestStretch of(
      String key, List<Performed> parts, Timeline clock, Situation situation, Adapter adapter) {
    List<Movement> done =
        parts.stream().filter(p -> !p.isRest()).map(p -> adapter.variant(p).movement()).toList();
    List<Integer> rests =
        clock.segments().stream()
            .filter(
                g ->
                    g.kind() == Segment.Kind.REST
                        && g.restStyle() == RestStyle.STRETCH
                        && g.slotKey().equals(key))
            .map(Segment::length)
            .toList();
    boolean mild =
        done.stream()
            .allMatch(m -> m.purpose() == Purpose.MOBILITY || m.purpose() == Purpose.BREATHING);
    if (rests.isEmpty() || mild) {
      return null;
    }
    // the shortest rest that a stretch fits in: what fits there fits in every other one
    int room =
        rests.stream().filter(r -> r >= SETTLE + LEAST).min(Integer::compare).orElse(0) - SETTLE;
    if (room < LEAST) {
      return new RestStretch(null, 0, null, None.SHORT);
    }
    Performed form = nearest(done, situation, adapter);
    if (form == null) {
      return new RestStretch(null, 0, null, None.CLOSED);
    }
    Movement m = adapter.variant(form).movement();
    int usual = m.demands().holdSeconds();
    if (m.sides() == SidePattern.BOTH) {
      return new RestStretch(form, Math.min(usual, room), Sided.AT_ONCE, null);
    }
    return room / 2 >= LEAST
        ? new RestStretch(form, Math.min(usual, room / 2), Sided.EACH, null)
        : new RestStretch(form, Math.min(usual, room), Sided.ONE_A_REST, null);
  }

  /** The open stretch that reaches most of what was worked; of two alike the gentler. */
  private static @Nullable Performed nearest(
      List<Movement> done, Situation situation, Adapter adapter) {
    Set<String> worked =
        done.stream().flatMap(m -> m.primary().stream()).collect(Collectors.toSet());
    Position at = done.get(done.size() - 1).position();
    Catalogue catalogue = adapter.catalogue();
    return catalogue.movements().stream()
        .filter(m -> m.familyId().equals(STRETCHES) && m.isHold() && !catalogue.retired(m.id()))
        .filter(m -> m.position().postureClass() == at.postureClass() && reach(m, worked) > 0)
        .sorted(
            Comparator.comparingInt((Movement m) -> -reach(m, worked))
                .thenComparing(Movement::difficulty)
                .thenComparing(Movement::id))
        .map(m -> adapter.within(m.id(), situation))
        .filter(p -> p != null)
        .findFirst()
        .orElse(null);
  }

  /** Two for each muscle worked that it is for, one for each that it reaches as well. */
  private static int reach(Movement stretch, Set<String> worked) {
    int sum = 0;
    for (String muscle : worked) {
      sum += stretch.primary().contains(muscle) ? 2 : stretch.secondary().contains(muscle) ? 1 : 0;
    }
    return sum;
  }
}
