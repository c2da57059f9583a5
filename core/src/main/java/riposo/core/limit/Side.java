package riposo.core.limit;

/** A body side; BOTH where a limit or a part of a movement concerns the two alike. */
public enum Side {
  LEFT,
  RIGHT,
  BOTH;

  public boolean covers(Side one) {
    return this == BOTH || this == one;
  }

  public Side other() {
    return this == LEFT ? RIGHT : this == RIGHT ? LEFT : BOTH;
  }
}
