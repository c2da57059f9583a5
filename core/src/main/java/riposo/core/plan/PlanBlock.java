package riposo.core.plan;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A block of a session plan: slots run in one format.
 *
 * @param key stable within the plan, 1 to 40 characters
 * @param sides how one-sided movements get both sides
 * @param alternate the side that begins changes with every round
 * @param talk seconds to explain before the block, 0 to 600
 * @param setUp seconds to lay out kit before the block, 0 to 600
 * @param daysAWeek on how many days a week the block is done; null for every session
 */
public record PlanBlock(
    String key,
    Block block,
    Format format,
    SideMode sides,
    boolean alternate,
    RestStyle rest,
    int talk,
    int setUp,
    @Nullable Integer daysAWeek,
    List<Slot> slots) {
  /** How one-sided movements get both sides. */
  public enum SideMode {
    /** Both sides in one interval, a call at the middle. */
    SPLIT,
    /** An interval, or a set, for each side. */
    EACH,
    /** The first side in odd rounds, the other in even ones. */
    BY_ROUND
  }

  /** What the rest is filled with; it counts as rest. */
  public enum RestStyle {
    STILL,
    WALKING,
    STRETCH
  }

  public PlanBlock {
    if (key == null || key.isBlank() || key.length() > 40) {
      throw new IllegalArgumentException("a block key has 1 to 40 characters");
    }
    if (block == null || format == null || slots == null) {
      throw new IllegalArgumentException(
          "block " + key + " needs what it is, its format and its slots");
    }
    sides = sides == null ? SideMode.SPLIT : sides;
    rest = rest == null ? RestStyle.STILL : rest;
    range("explaining", talk, 600);
    range("setting up", setUp, 600);
    if (daysAWeek != null && (daysAWeek < 1 || daysAWeek > 7)) {
      throw new IllegalArgumentException("a block is done on 1 to 7 days a week, was " + daysAWeek);
    }
    slots = List.copyOf(slots);
    if (format.kind().needsPairs() && slots.size() % 2 != 0) {
      throw new IllegalArgumentException(
          format.kind().words + " needs its movements in pairs, this block has " + slots.size());
    }
    for (Slot s : slots) {
      String what = format.kind().words + " needs for " + s.movementId() + " its ";
      if (format.kind() == FormatKind.IN_TURN && s.seconds() == null) {
        throw new IllegalArgumentException(what + "seconds");
      }
      if (format.kind() == FormatKind.BY_COUNT && s.reps() == null) {
        throw new IllegalArgumentException(what + "repetitions");
      }
      if (format.kind() == FormatKind.STAGED && s.stages().isEmpty()) {
        throw new IllegalArgumentException(what + "stages");
      }
      s.rounds().stream()
          .filter(r -> r.round() > format.rounds())
          .findFirst()
          .ifPresent(
              r -> {
                throw new IllegalArgumentException(
                    "slot " + s.key() + " changes round " + r.round() + " of " + format.rounds());
              });
    }
  }

  private static void range(String what, int seconds, int most) {
    if (seconds < 0 || seconds > most) {
      throw new IllegalArgumentException(what + " takes 0 to " + most + " s, was " + seconds);
    }
  }

  /** A plain block: sides in one interval, still rests. */
  public static PlanBlock of(String key, Block block, Format format, List<Slot> slots) {
    return new PlanBlock(
        key, block, format, SideMode.SPLIT, false, RestStyle.STILL, 0, 0, null, slots);
  }

  /** Whether all slots come in turn before the first comes again, in more rounds than one. */
  public boolean circles() {
    return switch (format.kind()) {
      case INTERVALS, LADDER, STRENGTH_PULSE, BY_COUNT, STAGED -> format.rounds() > 1;
      default -> false;
    };
  }

  public PlanBlock with(List<Slot> other) {
    return new PlanBlock(key, block, format, sides, alternate, rest, talk, setUp, daysAWeek, other);
  }

  /** The same slots in another format; changes of rounds the format does not have are dropped. */
  public PlanBlock with(Format other) {
    List<Slot> kept =
        slots.stream()
            .map(
                s ->
                    s.changing(
                        s.rounds().stream().filter(r -> r.round() <= other.rounds()).toList()))
            .toList();
    return new PlanBlock(key, block, other, sides, alternate, rest, talk, setUp, daysAWeek, kept);
  }

  /** How much harder the format makes the slot at that index. */
  public int effortRaise(int index) {
    return format.kind() == FormatKind.STRENGTH_PULSE && index % 2 == 0
        ? 0
        : format.kind().effortRaise;
  }
}
