package riposo.core.quantity;

/**
 * Effort on the 0 to 10 scale (Zourdos 2016): 4 moderate, 7–8 hard, 10 nothing left.
 *
 * @param value 0 to 10
 */
public record Effort(int value) implements Comparable<Effort> {
  public Effort {
    if (value < 0 || value > 10) {
      throw new IllegalArgumentException("effort must lie between 0 and 10, was " + value);
    }
  }

  /**
   * Repetitions left in reserve, 10 - effort, defined from effort 5 up (Zourdos 2016): effort 8
   * leaves 2. Throws below 5, where the scale says nothing about repetitions.
   */
  public int repsLeft() {
    if (value < 5) {
      throw new IllegalStateException("repetitions left are defined from effort 5, was " + value);
    }
    return 10 - value;
  }

  @Override
  public int compareTo(Effort other) {
    return Integer.compare(value, other.value);
  }
}
