package riposo.core.plan;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * A session as stated, for nobody in particular: blocks in order, each in a format of its own.
 *
 * @param beat beats a minute, locked in the run; null for none
 */
public record SessionPlan(List<PlanBlock> blocks, @Nullable Integer beat) {
  public static final int MOST_SLOTS = 60;
  public static final int MOST_BLOCKS = 12;

  /** The longest session, in seconds. */
  public static final int LONGEST = 3 * 3600;

  public SessionPlan {
    if (blocks == null) {
      throw new IllegalArgumentException("a plan needs its blocks");
    }
    blocks = List.copyOf(blocks);
    if (blocks.size() > MOST_BLOCKS) {
      throw new IllegalArgumentException(
          "a plan has 12 blocks at most, this one has " + blocks.size());
    }
    int slots = blocks.stream().mapToInt(b -> b.slots().size()).sum();
    if (slots == 0) {
      throw new IllegalArgumentException("a plan has at least one slot, this one has none");
    }
    if (slots > MOST_SLOTS) {
      throw new IllegalArgumentException("a plan has 60 slots at most, this one has " + slots);
    }
    if (beat != null && (beat < 30 || beat > 200)) {
      throw new IllegalArgumentException("a beat runs from 30 to 200 a minute, was " + beat);
    }
    Set<String> keys = new HashSet<>();
    int order = 0;
    for (PlanBlock b : blocks) {
      if (!keys.add("/" + b.key())) {
        throw new IllegalArgumentException("block key used twice: " + b.key());
      }
      if (b.block().ordinal() < order) {
        throw new IllegalArgumentException(
            "warm-up comes before work and work before cool-down; block "
                + b.key()
                + " is out of order");
      }
      order = b.block().ordinal();
      for (Slot s : b.slots()) {
        if (!keys.add(s.key())) {
          throw new IllegalArgumentException("slot key used twice: " + s.key());
        }
      }
    }
  }

  /** One block each of warm-up, work and cool-down; empty ones are left out. */
  public static SessionPlan of(
      List<Slot> warmUp, List<Slot> work, Format format, List<Slot> coolDown) {
    List<PlanBlock> blocks = new ArrayList<>();
    if (!warmUp.isEmpty()) {
      blocks.add(PlanBlock.of("warm-up", Block.WARM_UP, Format.inTurn(), warmUp));
    }
    if (!work.isEmpty()) {
      blocks.add(PlanBlock.of("work", Block.WORK, format, work));
    }
    if (!coolDown.isEmpty()) {
      blocks.add(PlanBlock.of("cool-down", Block.COOL_DOWN, Format.inTurn(), coolDown));
    }
    return new SessionPlan(blocks, null);
  }

  public List<Slot> slots(Block block) {
    return blocks.stream()
        .filter(b -> b.block() == block)
        .flatMap(b -> b.slots().stream())
        .toList();
  }

  public List<Slot> allSlots() {
    return blocks.stream().flatMap(b -> b.slots().stream()).toList();
  }

  /** A slot as it is asked for in some of its rounds, with where it stands. */
  public record Asked(String key, Slot slot, PlanBlock block, int index, int rounds) {}

  /**
   * Every slot once for each way it is asked for: once as it is, once for each round that changes
   * it. In plan order; keys are those of the timeline's segments.
   */
  public List<Asked> asked() {
    List<Asked> all = new ArrayList<>();
    for (PlanBlock b : blocks) {
      for (int i = 0; i < b.slots().size(); i++) {
        Slot s = b.slots().get(i);
        Map<String, Integer> keys = new LinkedHashMap<>();
        Map<String, Slot> as = new LinkedHashMap<>();
        for (int round = 1; round <= b.format().rounds(); round++) {
          keys.merge(s.keyAt(round), 1, Integer::sum);
          as.putIfAbsent(s.keyAt(round), s.at(round));
        }
        for (Map.Entry<String, Integer> e : keys.entrySet()) {
          all.add(
              new Asked(
                  e.getKey(),
                  java.util.Objects.requireNonNull(as.get(e.getKey())),
                  b,
                  i,
                  e.getValue()));
        }
      }
    }
    return all;
  }

  /** The plan with one block replaced, by key. */
  public SessionPlan with(PlanBlock other) {
    return new SessionPlan(
        blocks.stream().map(b -> b.key().equals(other.key()) ? other : b).toList(), beat);
  }
}
