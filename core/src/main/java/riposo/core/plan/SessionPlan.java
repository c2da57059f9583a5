package riposo.core.plan;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;

/**
 * A session as stated, for nobody in particular: warm-up, 5 to 8 work slots run as intervals in
 * order, cool-down.
 */
public record SessionPlan(
    List<Slot> warmUp, List<Slot> work, IntervalsInOrder format, List<Slot> coolDown) {
  public static final int FEWEST_WORK = 5;
  public static final int MOST_WORK = 8;
  public static final int MOST_SIDE_BLOCK = 12;

  public SessionPlan {
    if (work.size() < FEWEST_WORK || work.size() > MOST_WORK) {
      throw new IllegalArgumentException(
          "a plan has 5 to 8 work slots, this one has " + work.size());
    }
    for (List<Slot> block : List.of(warmUp, coolDown)) {
      if (block.isEmpty() || block.size() > MOST_SIDE_BLOCK) {
        throw new IllegalArgumentException(
            "warm-up and cool-down have 1 to 12 slots each, one has " + block.size());
      }
      for (Slot slot : block) {
        if (slot.seconds() == null) {
          throw new IllegalArgumentException(
              "slot " + slot.key() + " of the warm-up or cool-down needs its seconds");
        }
      }
    }
    Set<String> keys = new HashSet<>();
    Stream.of(warmUp, work, coolDown)
        .flatMap(List::stream)
        .forEach(
            s -> {
              if (!keys.add(s.key())) {
                throw new IllegalArgumentException("slot key used twice: " + s.key());
              }
            });
    warmUp = List.copyOf(warmUp);
    work = List.copyOf(work);
    coolDown = List.copyOf(coolDown);
  }

  public List<Slot> slots(Block block) {
    return switch (block) {
      case WARM_UP -> warmUp;
      case WORK -> work;
      case COOL_DOWN -> coolDown;
    };
  }

  public List<Slot> allSlots() {
    return Stream.of(warmUp, work, coolDown).flatMap(List::stream).toList();
  }
}
