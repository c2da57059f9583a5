package riposo.core.tolerance;

import org.jspecify.annotations.Nullable;

/** The one change a verdict proposes, and where it leads. */
public sealed interface Change {
  /** Names of the changes, kept with every verdict and never reused. */
  enum Kind {
    NONE,
    LOAD_UP,
    RUNG_UP,
    SLOWER,
    LOAD_DOWN,
    RUNG_DOWN,
    FEWER_REPS,
    HALVE_SESSION,
    STOP
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
   */
  record LoadUp(String movementId, Integer grams, int from, @Nullable Integer equalReps)
      implements Change {
    @Override
    public Kind kind() {
      return Kind.LOAD_UP;
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
  record Slower(String movementId, @Nullable Integer grams, @Nullable Step tooBig)
      implements Change {
    @Override
    public Kind kind() {
      return Kind.SLOWER;
    }

    @Override
    public String tempo() {
      return Tolerance.SLOW_TEMPO;
    }
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
  record LoadDown(String movementId, Integer grams, @Nullable Integer from) implements Change {
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
