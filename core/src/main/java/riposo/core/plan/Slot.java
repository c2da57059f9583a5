package riposo.core.plan;

import java.util.List;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import riposo.core.limit.Side;
import riposo.core.movement.Carry;
import riposo.core.movement.Tempo;

/**
 * A movement asked for at a place in a plan.
 *
 * @param key stable within the plan, 1 to 36 characters, no {@code @}
 * @param seconds length where the format gives none, 5 to 600
 * @param reps own number of repetitions, 1 to 100; null for the block's
 * @param tempo own tempo; null for the movement's
 * @param grams greatest weight per hand the plan asks for; it never lifts what history and caps
 *     allow
 * @param start the side that begins; null is left
 * @param stages of a staged set; empty elsewhere
 * @param rounds what differs by round
 * @param extra more work for a weaker side; null for none
 * @param sides how the two sides come; null as the movement and the block have it
 * @param hold seconds of one hold, 2 to 300; null for the time asked for
 * @param carry how a weight is held or carried; null as the movement has it
 * @param ramp true where the rounds build up: no round takes less weight, or is done quicker, than
 *     the one before; null elsewhere
 * @param height of what is leaned on, risen from or stepped on to, cm; null as it comes
 * @param upper one option above the movement asked for; null for none
 * @param band how a band is fixed and how hard it is to pull; null where the plan does not say
 */
public record Slot(
    String key,
    String movementId,
    @Nullable Integer seconds,
    @Nullable Integer reps,
    @Nullable Tempo tempo,
    @Nullable Integer grams,
    @Nullable Side start,
    List<Stage> stages,
    List<RoundChange> rounds,
    @Nullable Extra extra,
    @Nullable Sides sides,
    @Nullable Integer hold,
    @Nullable Carry carry,
    @Nullable Boolean ramp,
    @Nullable Integer height,
    @Nullable Upper upper,
    @Nullable BandAsk band) {
  public Slot {
    ramp = Boolean.TRUE.equals(ramp) ? Boolean.TRUE : null;
    if (key == null || key.isBlank() || key.length() > 36 || key.contains("@")) {
      throw new IllegalArgumentException("a slot key has 1 to 36 characters and no @");
    }
    if (movementId == null || movementId.isBlank() || movementId.length() > 60) {
      throw new IllegalArgumentException("slot " + key + " names no movement");
    }
    range(key, "lasts", seconds, 5, 600, " s");
    range(key, "has", reps, 1, 100, " repetitions");
    weight(key, grams);
    range(key, "holds for", hold, 2, 300, " s");
    if (start == Side.BOTH) {
      throw new IllegalArgumentException("slot " + key + " starts left or right, not both");
    }
    stages = stages == null ? List.of() : List.copyOf(stages);
    rounds = rounds == null ? List.of() : List.copyOf(rounds);
    if (stages.size() > 20) {
      throw new IllegalArgumentException("slot " + key + " has more than 20 stages");
    }
    for (RoundChange r : rounds) {
      range(key, "has", r.reps(), 1, 100, " repetitions");
      weight(key, r.grams());
      if (rounds.stream().filter(x -> x.round() == r.round()).count() > 1) {
        throw new IllegalArgumentException(
            "slot " + key + " changes round " + r.round() + " twice");
      }
    }
  }

  public Slot(String key, String movementId, @Nullable Integer seconds) {
    this(key, movementId, seconds, null, null, null, null, List.of(), List.of(), null);
  }

  /** A slot whose sides come as they do, held as long as the format asks. */
  public Slot(
      String key,
      String movementId,
      @Nullable Integer seconds,
      @Nullable Integer reps,
      @Nullable Tempo tempo,
      @Nullable Integer grams,
      @Nullable Side start,
      List<Stage> stages,
      List<RoundChange> rounds,
      @Nullable Extra extra) {
    this(
        key,
        movementId,
        seconds,
        reps,
        tempo,
        grams,
        start,
        stages,
        rounds,
        extra,
        null,
        null,
        null,
        null,
        null,
        null,
        null);
  }

  /** 0 is no weight, in one round of several. */
  private static void weight(String key, @Nullable Integer grams) {
    if (grams == null || grams != 0) {
      range(key, "asks for", grams, 100, 100_000, " g");
    }
  }

  private static void range(
      String key, String verb, @Nullable Integer value, int least, int most, String unit) {
    if (value != null && (value < least || value > most)) {
      throw new IllegalArgumentException(
          "slot " + key + " " + verb + " " + least + " to " + most + unit + ", was " + value);
    }
  }

  /** The slot as it is in a round; its key is {@code key@round} where the round changes it. */
  public Slot at(int round) {
    for (RoundChange c : rounds) {
      if (c.round() == round) {
        return varied(c);
      }
    }
    return this;
  }

  /** The key of the slot in a round. */
  public String keyAt(int round) {
    return rounds.stream().anyMatch(c -> c.round() == round) ? key + "@" + round : key;
  }

  public Slot movement(String id) {
    return with(p -> p.movementId = id);
  }

  public Slot lasting(@Nullable Integer other) {
    return with(p -> p.seconds = other);
  }

  /** The same with other changes by round. */
  public Slot changing(List<RoundChange> other) {
    return with(p -> p.rounds = other);
  }

  /** The same with its sides coming otherwise. */
  public Slot sides(@Nullable Sides other) {
    return with(p -> p.sides = other);
  }

  /** The same with a weight held or carried so. */
  public Slot carried(@Nullable Carry other) {
    return with(p -> p.carry = other);
  }

  /** The same built up, or not, by its rounds. */
  public Slot ramped(@Nullable Boolean up, List<RoundChange> by) {
    return with(
        p -> {
          p.ramp = up;
          p.rounds = by;
        });
  }

  /** The same with what it leans on at a height in cm. */
  public Slot high(@Nullable Integer cm) {
    return with(p -> p.height = cm);
  }

  /** The same with another option above it. */
  public Slot under(@Nullable Upper other) {
    return with(p -> p.upper = other);
  }

  /** The same with a band held so. */
  public Slot banded(@Nullable BandAsk other) {
    return with(p -> p.band = other);
  }

  /** The same held so long. */
  public Slot holding(@Nullable Integer other) {
    return with(p -> p.hold = other);
  }

  Slot with(Consumer<Parts> change) {
    Parts p = new Parts(this);
    change.accept(p);
    return p.slot();
  }

  /** The parts of a slot, some of them to be changed. */
  static final class Parts {
    private final Slot of;
    String movementId;
    @Nullable Integer seconds;
    @Nullable Integer reps;
    @Nullable Tempo tempo;
    @Nullable Integer grams;
    List<Stage> stages;
    List<RoundChange> rounds;
    @Nullable Sides sides;
    @Nullable Integer hold;
    @Nullable Carry carry;
    @Nullable Boolean ramp;
    @Nullable Integer height;
    @Nullable Upper upper;
    @Nullable BandAsk band;

    private Parts(Slot of) {
      this.of = of;
      movementId = of.movementId;
      seconds = of.seconds;
      reps = of.reps;
      tempo = of.tempo;
      grams = of.grams;
      stages = of.stages;
      rounds = of.rounds;
      sides = of.sides;
      hold = of.hold;
      carry = of.carry;
      ramp = of.ramp;
      height = of.height;
      upper = of.upper;
      band = of.band;
    }

    private Slot slot() {
      return new Slot(
          of.key,
          movementId,
          seconds,
          reps,
          tempo,
          grams,
          of.start,
          stages,
          rounds,
          of.extra,
          sides,
          hold,
          carry,
          ramp,
          height,
          upper,
          band);
    }
  }

  public Side startSide() {
    return start == null ? Side.LEFT : start;
  }

  private Slot varied(RoundChange c) {
    return with(
        p -> {
          p.movementId = c.movementId() == null ? movementId : c.movementId();
          p.reps = c.reps() == null ? reps : c.reps();
          p.tempo = c.tempo() == null ? tempo : c.tempo();
          p.grams = c.grams() == null ? grams : c.grams();
          p.rounds = List.of();
        });
  }
}
