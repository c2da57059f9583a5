package riposo.core.quantity;

/**
 * Pain on the 0 to 10 scale. A change of 2 is real (Farrar 2001), 1 is noise unless it repeats.
 *
 * @param value 0 to 10
 */
public record Pain(int value) implements Comparable<Pain> {
  public Pain {
    if (value < 0 || value > 10) {
      throw new IllegalArgumentException("pain must lie between 0 and 10, was " + value);
    }
  }

  @Override
  public int compareTo(Pain other) {
    return Integer.compare(value, other.value);
  }
}
