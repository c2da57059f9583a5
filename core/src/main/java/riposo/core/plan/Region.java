package riposo.core.plan;

import riposo.core.movement.Movement;
import riposo.core.movement.Purpose;

/** The part of the body a purpose works, for order and balance of a plan. */
public enum Region {
  LEGS("legs and hips", Half.LOWER),
  PUSH("chest and shoulders", Half.UPPER),
  PULL("back", Half.UPPER),
  ARMS("arms", Half.UPPER),
  CALVES("calves and feet", Half.LOWER),
  TRUNK("trunk", Half.MIDDLE),
  BALANCE("balance", Half.LOWER),
  EASE("pulse, mobility, breathing", Half.NONE);

  /** Upper and lower alternate, so that one rests. */
  public enum Half {
    UPPER,
    LOWER,
    MIDDLE,
    NONE
  }

  public final String words;
  public final Half half;

  Region(String words, Half half) {
    this.words = words;
    this.half = half;
  }

  public static Region of(Purpose p) {
    return switch (p) {
      case SIT_STAND, SPLIT_STEP, HIPS -> LEGS;
      case CALF -> CALVES;
      case PUSH, PUSH_OVERHEAD -> PUSH;
      case PULL -> PULL;
      case ELBOW_BEND, ELBOW_STRAIGHTEN -> ARMS;
      case TRUNK_FRONT, TRUNK_TURN -> TRUNK;
      case BALANCE -> BALANCE;
      case PULSE, MOBILITY, BREATHING -> EASE;
    };
  }

  public static Region of(Movement m) {
    return of(m.purpose());
  }

  /** Big groups come before small ones. */
  boolean big() {
    return this == LEGS || this == PUSH || this == PULL;
  }

  /** Twice running is worth a remark: strength tires, balance and ease do not. */
  boolean tires() {
    return this != BALANCE && this != EASE;
  }

  boolean small() {
    return this == ARMS || this == CALVES;
  }
}
