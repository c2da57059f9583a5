package riposo.core.adapt;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import riposo.core.dose.Dose;
import riposo.core.limit.Side;
import riposo.core.movement.Variant;
import riposo.core.plan.Format;
import riposo.core.plan.FormatKind;
import riposo.core.plan.Param;
import riposo.core.plan.Segment;
import riposo.core.plan.SessionPlan;
import riposo.core.plan.Sides;
import riposo.core.plan.Stage;
import riposo.core.plan.Timeline;

/**
 * What a slot counts, read off the clock the client runs on, so that card, screen and clock cannot
 * differ. Where the format has no clock, the format itself says it.
 *
 * @param reps null for a hold or rest
 * @param hold seconds of one hold; null for a moving exercise
 * @param seconds of work at a time; null where the count is the dose
 * @param series repetitions round by round where they differ
 */
record SlotCount(
    @Nullable Integer reps,
    @Nullable Integer hold,
    Dose.@Nullable Turns turns,
    Dose.@Nullable Counts counts,
    @Nullable Integer seconds,
    @Nullable List<Integer> series) {
  private static final SlotCount REST = new SlotCount(null, null, null, null, null, null);

  /**
   * The count of one part of a slot.
   *
   * @param side of the part
   * @param pieces what the clock was told of the part
   */
  static SlotCount of(SessionPlan.Asked at, Side side, Timeline t, SlotPieces told, Variant v) {
    List<Segment> work =
        t.segments().stream()
            .filter(g -> g.slotKey().equals(at.key()) && g.kind() == Segment.Kind.WORK)
            .filter(g -> !g.extra())
            .toList();
    List<Segment> own =
        work.stream()
            .filter(g -> side == Side.BOTH || g.side() == side || g.side() == Side.BOTH)
            .toList();
    Format f = at.block().format();
    if (work.isEmpty()) {
      return clockless(at, side, told, v);
    }
    if (own.isEmpty()) {
      return REST;
    }
    Segment first = own.get(0);
    Dose.Turns turns =
        side == Side.BOTH || at.slot().sides() == Sides.ONE_ONLY ? turns(work) : null;
    if (f.kind() == FormatKind.STAGED) {
      return staged(at.slot().stages(), own, turns);
    }
    if (f.kind() == FormatKind.PHRASE && first.reps() != null) {
      Side arm = side == Side.BOTH ? Side.LEFT : side;
      int reps =
          own.stream()
              .filter(g -> g.side() == arm || g.side() == Side.BOTH)
              .mapToInt(g -> g.reps() == null ? 0 : g.reps())
              .sum();
      return new SlotCount(reps, null, turns, null, null, null);
    }
    Integer reps = first.reps();
    Integer seconds =
        f.kind().countKept() && first.holdSeconds() == null ? null : (Integer) first.length();
    if (f.kind() == FormatKind.GROWING && reps != null) {
      // counted up within a round: all of it is the dose
      List<Segment> round = own.stream().filter(g -> g.round() == first.round()).toList();
      List<Integer> up = counts(round, first.side());
      int sum = up.stream().mapToInt(Integer::intValue).sum();
      return new SlotCount(sum, null, turns, null, null, up);
    }
    List<Integer> series = reps == null ? List.of() : counts(own, first.side());
    boolean alike = series.stream().distinct().count() < 2;
    return new SlotCount(reps, first.holdSeconds(), turns, null, seconds, alike ? null : series);
  }

  private static List<Integer> counts(List<Segment> work, Side side) {
    return work.stream()
        .filter(g -> g.side() == side)
        .map(g -> g.reps() == null ? 0 : g.reps())
        .toList();
  }

  private static SlotCount clockless(SessionPlan.Asked at, Side side, SlotPieces told, Variant v) {
    Integer hold = told.hold(v);
    boolean named = side != Side.BOTH && at.slot().sides() != Sides.ONE_ONLY;
    Dose.Turns turns =
        named || told.sides(v) == null
            ? null
            : switch (java.util.Objects.requireNonNull(told.sides(v))) {
              case IN_TURN -> Dose.Turns.IN_TURN;
              case ONE_ONLY ->
                  at.slot().startSide() == Side.LEFT ? Dose.Turns.LEFT : Dose.Turns.RIGHT;
              default -> Dose.Turns.EACH;
            };
    if (hold != null) {
      return hold < 1
          ? REST
          : new SlotCount(null, Math.min(hold, Param.HOLD.greatest), turns, null, null, null);
    }
    Integer own = at.slot().reps();
    Integer reps = own == null ? at.block().format().values().get(Param.REPS) : own;
    return reps == null ? REST : new SlotCount(reps, null, turns, null, null, null);
  }

  private static Dose.@Nullable Turns turns(List<Segment> work) {
    Set<Side> sides = work.stream().map(Segment::side).collect(Collectors.toSet());
    if (sides.contains(Side.LEFT) && sides.contains(Side.RIGHT)) {
      boolean byRound =
          work.stream().collect(Collectors.groupingBy(Segment::round)).values().stream()
              .allMatch(r -> r.stream().map(Segment::side).distinct().count() == 1);
      return byRound && work.get(0).round() > 0 ? Dose.Turns.BY_ROUND : Dose.Turns.EACH;
    }
    if (sides.contains(Side.LEFT) || sides.contains(Side.RIGHT)) {
      return sides.contains(Side.LEFT) ? Dose.Turns.LEFT : Dose.Turns.RIGHT;
    }
    return null;
  }

  private static SlotCount staged(
      List<Stage> stages, List<Segment> own, Dose.@Nullable Turns turns) {
    Segment first = own.get(0);
    int full = 0;
    int part = 0;
    int pulses = 0;
    int held = 0;
    for (Segment g : own) {
      Integer at = g.stage();
      if (at == null || g.round() != first.round() || g.side() != first.side()) {
        continue;
      }
      Stage s = stages.get(at);
      if (g.reps() == null) {
        held += g.length();
      } else if (s.kind() == Stage.Kind.PULSES) {
        pulses += g.reps();
      } else if (s.range() == Stage.Part.FULL) {
        full += g.reps();
      } else {
        part += g.reps();
      }
    }
    return new SlotCount(full, null, turns, new Dose.Counts(full, part, pulses, held), null, null);
  }
}
