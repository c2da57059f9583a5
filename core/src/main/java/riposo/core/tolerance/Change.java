package riposo.core.tolerance;

import org.jspecify.annotations.Nullable;
import riposo.core.dose.Sided;
import riposo.core.limit.Side;
import riposo.core.movement.Modifier;

/** The one change a verdict proposes, and where it leads. */
public sealed interface Change {
  /** Names of the changes, kept with every verdict and never reused. */
  enum Kind {
    NONE,
    LOAD_UP,
    TWO_IN_ONE,
    RUNG_UP,
    SLOWER(true),
    HOLD(true),
    LESS_SUPPORT(true),
    MORE_SETS(true),
    BAND_BESIDE(true),
    MORE_REPS(true),
    LOAD_DOWN,
    RUNG_DOWN,
    FEWER_REPS,
    HALVE_SESSION,
    STOP;

    /** A step in how it is done: weight and rung stay. */
    public final boolean gentle;

    Kind() {
      this(false);
    }

    Kind(boolean gentle) {
      this.gentle = gentle;
    }
  }

  Kind kind();

  /** The movement to go on from. */
  String movementId();

  /** Weight per hand to go on from, in grams; null where none is taken or known. */
  default @Nullable Integer grams() {
    return null;
  }

  /** Repetitions to aim for; null for the interval's usual number. */
  default @Nullable Integer reps() {
    return null;
  }

  /** The tempo to go on with; null for the movement's own. */
  default @Nullable String tempo() {
    return null;
  }

  /** The weight side by side where the sides differ after it; null where they do not. */
  default @Nullable Sided sides() {
    return null;
  }

  /** Nothing changes. */
  record None(String movementId, @Nullable Integer grams) implements Change {
    @Override
    public Kind kind() {
      return Kind.NONE;
    }
  }

  /**
   * A heavier weight.
   *
   * @param from grams until now
   * @param equalReps repetitions until now that equal the step; null where it was not reckoned
   * @param side the side that takes it
   */
  record LoadUp(
      String movementId,
      Integer grams,
      int from,
      @Nullable Integer equalReps,
      Side side,
      @Nullable Sided sides)
      implements Change {
    /** On both sides alike. */
    public LoadUp(String movementId, Integer grams, int from, @Nullable Integer equalReps) {
      this(movementId, grams, from, equalReps, Side.BOTH, null);
    }

    @Override
    public Kind kind() {
      return Kind.LOAD_UP;
    }
  }

  /**
   * Two lighter weights in one hand, where the next single one is a step too big.
   *
   * @param grams of the two together
   * @param from grams until now
   */
  record TwoInOne(String movementId, Integer grams, int from) implements Change {
    @Override
    public Kind kind() {
      return Kind.TWO_IN_ONE;
    }
  }

  /**
   * The next rung.
   *
   * @param from grams until now; null where none was taken
   */
  record RungUp(String movementId, @Nullable Integer from) implements Change {
    @Override
    public Kind kind() {
      return Kind.RUNG_UP;
    }
  }

  /**
   * Lowered slowly at the same weight.
   *
   * @param tooBig the step in weight that is too big; null where there is none
   */
  record Slower(String movementId, @Nullable Integer grams, @Nullable Step tooBig, String tempo)
      implements Change {
    /** At the usual slow tempo. */
    public Slower(String movementId, @Nullable Integer grams, @Nullable Step tooBig) {
      this(movementId, grams, tooBig, Tolerance.SLOW_TEMPO);
    }

    @Override
    public Kind kind() {
      return Kind.SLOWER;
    }
  }

  /**
   * Held at the hardest point at the same weight.
   *
   * @param tooBig the step in weight that is too big; null where there is none
   */
  record Hold(String movementId, @Nullable Integer grams, @Nullable Step tooBig, String tempo)
      implements Change {
    @Override
    public Kind kind() {
      return Kind.HOLD;
    }
  }

  /**
   * Without a support it was done with and that nothing asks for.
   *
   * @param support what is left out
   */
  record LessSupport(String movementId, @Nullable Integer grams, Modifier support)
      implements Change {
    @Override
    public Kind kind() {
      return Kind.LESS_SUPPORT;
    }
  }

  /**
   * One set more of the same.
   *
   * @param sets how many there are then
   * @param tooBig the step in weight that is too big; null where there is none
   */
  record MoreSets(String movementId, @Nullable Integer grams, @Nullable Step tooBig, int sets)
      implements Change {
    @Override
    public Kind kind() {
      return Kind.MORE_SETS;
    }
  }

  /**
   * A band pulled with the same weight.
   *
   * @param tooBig the step in weight that is too big; null where there is none
   * @param pull wanted of it at the end of the movement, in grams, as the scale reads it
   */
  record BandBeside(String movementId, Integer grams, @Nullable Step tooBig, int pull)
      implements Change {
    @Override
    public Kind kind() {
      return Kind.BAND_BESIDE;
    }
  }

  /**
   * More repetitions, where fewer than the plan's were agreed: they come back before anything else.
   *
   * @param from repetitions until now
   */
  record MoreReps(String movementId, @Nullable Integer grams, Integer reps, int from)
      implements Change {
    @Override
    public Kind kind() {
      return Kind.MORE_REPS;
    }
  }

  /** The step in weight that is too big, and is why this is proposed; null where there is none. */
  default @Nullable Step tooBig() {
    return null;
  }

  /**
   * A step in weight.
   *
   * @param grams the weight it leads to
   * @param equalReps repetitions at the present weight that equal it
   */
  record Step(int grams, int equalReps) {}

  /**
   * A lighter weight, 0 for none.
   *
   * @param from grams until now
   */
  record LoadDown(String movementId, Integer grams, @Nullable Integer from, @Nullable Sided sides)
      implements Change {
    /** On both sides alike. */
    public LoadDown(String movementId, Integer grams, @Nullable Integer from) {
      this(movementId, grams, from, null);
    }

    @Override
    public Kind kind() {
      return Kind.LOAD_DOWN;
    }
  }

  /** The rung below; the same movement at the gentlest. */
  record RungDown(String movementId) implements Change {
    @Override
    public Kind kind() {
      return Kind.RUNG_DOWN;
    }
  }

  /** Half the repetitions. */
  record FewerReps(String movementId, @Nullable Integer grams, @Nullable Integer reps)
      implements Change {
    @Override
    public Kind kind() {
      return Kind.FEWER_REPS;
    }
  }

  /** Half of the whole session. */
  record HalveSession(String movementId, @Nullable Integer grams, @Nullable Integer reps)
      implements Change {
    @Override
    public Kind kind() {
      return Kind.HALVE_SESSION;
    }
  }

  /** No more of it. */
  record Stop(String movementId, @Nullable Integer grams) implements Change {
    @Override
    public Kind kind() {
      return Kind.STOP;
    }
  }
}
