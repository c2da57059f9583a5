package riposo.core.movement;

/** How a weight is held or carried. */
public enum Carry {
  EACH_HAND("one in each hand", false),
  /** One weight, in the hand at work. */
  ONE_HAND("in one hand", false),
  /** One weight, half of it in each hand. */
  BOTH_HANDS("one in both hands", false),
  /** Two weights in the hand at work: their sum. */
  TWO_IN_ONE("two in one hand", false),
  /** One on each thigh. */
  THIGHS("on the thighs", true),
  HIPS("on the hips", true),
  BACKPACK("in a backpack", true);

  public final String words;

  /** The body carries it and no hand holds it. */
  public final boolean body;

  Carry(String words, boolean body) {
    this.words = words;
    this.body = body;
  }
}
