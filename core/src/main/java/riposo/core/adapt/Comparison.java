package riposo.core.adapt;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import riposo.core.dose.Dose;
import riposo.core.limit.Limit;
import riposo.core.movement.Kit;

/**
 * What differs between two adapted plans, and what they were reckoned from that differs: facts
 * only.
 *
 * @param slots the slots that differ, in the order of the later plan
 * @param ended limits of the first that no longer hold in the second
 * @param begun limits of the second that did not hold in the first
 * @param kitGone kit of the first that the second lacks
 * @param planChanged true when the plan itself was changed between them
 */
public record Comparison(
    LocalDate from,
    LocalDate to,
    List<SlotChange> slots,
    int same,
    List<Limit> ended,
    List<Limit> begun,
    Set<Kit> kitNew,
    Set<Kit> kitGone,
    boolean weightsChanged,
    boolean planChanged,
    boolean easedChanged,
    int fromSeconds,
    int toSeconds) {

  /** How a slot changed. */
  public enum Kind {
    /** Nearer to what is asked than before. */
    OPENED,
    /** Further from what is asked than before. */
    CLOSED,
    /** Another form, no nearer and no further. */
    OTHER,
    /** The same movement, another dose. */
    DOSE,
    /** The plan asks for another movement here, or the slot is new. */
    ASKED,
    /** The plan no longer has the slot. */
    GONE
  }

  /**
   * One slot.
   *
   * @param before null for a new slot
   * @param after null for one that is gone
   */
  public record SlotChange(
      String key,
      Kind kind,
      PlanMark.@Nullable SlotMark before,
      PlanMark.@Nullable SlotMark after) {}

  /** Compares two marks; the same mark twice gives no change. */
  public static Comparison of(PlanMark first, PlanMark second) {
    Map<String, PlanMark.SlotMark> before = new LinkedHashMap<>();
    first.slots().forEach(s -> before.put(s.key(), s));
    List<SlotChange> changes = new ArrayList<>();
    int same = 0;
    for (PlanMark.SlotMark s : second.slots()) {
      PlanMark.SlotMark was = before.remove(s.key());
      Kind kind = kind(was, s);
      if (kind == null) {
        same++;
      } else {
        changes.add(new SlotChange(s.key(), kind, was, s));
      }
    }
    before.forEach((key, was) -> changes.add(new SlotChange(key, Kind.GONE, was, null)));
    return new Comparison(
        first.date(),
        second.date(),
        changes,
        same,
        without(first.limits(), second.limits()),
        without(second.limits(), first.limits()),
        without(second.kit(), first.kit()),
        without(first.kit(), second.kit()),
        !first.weights().equals(second.weights()),
        first.planVersion() != second.planVersion(),
        first.eased() != second.eased(),
        first.totalSeconds(),
        second.totalSeconds());
  }

  private static @Nullable Kind kind(PlanMark.@Nullable SlotMark was, PlanMark.SlotMark now) {
    if (was == null || !was.askedId().equals(now.askedId())) {
      return Kind.ASKED;
    }
    if (!was.parts().equals(now.parts())) {
      int order = now.cost().compareTo(was.cost());
      return order < 0 ? Kind.OPENED : order > 0 ? Kind.CLOSED : Kind.OTHER;
    }
    return same(was.doses(), now.doses()) ? null : Kind.DOSE;
  }

  private static List<Limit> without(List<Limit> these, List<Limit> those) {
    Map<UUID, Limit> other = new HashMap<>();
    those.forEach(l -> other.put(l.id(), l));
    return these.stream()
        .filter(
            l -> {
              Limit o = other.get(l.id());
              return o == null || o.cap() != l.cap() || o.side() != l.side();
            })
        .toList();
  }

  private static Set<Kit> without(Set<Kit> these, Set<Kit> those) {
    EnumSet<Kit> left = EnumSet.noneOf(Kit.class);
    left.addAll(these);
    left.removeAll(those);
    return left;
  }

  public int count(Kind kind) {
    return (int) slots.stream().filter(s -> s.kind() == kind).count();
  }

  private static boolean same(List<Dose> was, List<Dose> now) {
    return was.size() == now.size()
        && IntStream.range(0, was.size()).allMatch(i -> was.get(i).sameAs(now.get(i)));
  }
}
