package riposo.core.quantity;

import java.math.BigDecimal;
import java.math.RoundingMode;

/**
 * A mass, exact to the microgram so that pounds convert without loss (1 lb = 0.45359237 kg).
 *
 * @param micrograms the mass in micrograms, zero or more, at most 1000 kg
 */
public record Kilograms(long micrograms) implements Comparable<Kilograms> {
  private static final long PER_KG = 1_000_000_000L;
  public static final Kilograms ZERO = new Kilograms(0);

  public Kilograms {
    if (micrograms < 0 || micrograms > 1000 * PER_KG) {
      throw new IllegalArgumentException(
          "micrograms must lie between 0 and 1000 kg, was " + micrograms);
    }
  }

  /** The mass of {@code kg} kilograms; throws when it is negative or finer than a microgram. */
  public static Kilograms of(BigDecimal kg) {
    return new Kilograms(kg.movePointRight(9).longValueExact());
  }

  /** The mass of {@code kg} kilograms written as a decimal, for example "2.5". */
  public static Kilograms of(String kg) {
    return of(new BigDecimal(kg));
  }

  /** The mass of {@code lb} pounds, exact for up to one decimal. */
  public static Kilograms ofPounds(BigDecimal lb) {
    return of(lb.multiply(new BigDecimal("0.45359237")));
  }

  public static Kilograms ofGrams(int grams) {
    return new Kilograms(grams * 1_000_000L);
  }

  /** Whole grams, rounded up: a cap compared in grams is never passed by rounding. */
  public int gramsUp() {
    return (int) ((micrograms + 999_999) / 1_000_000);
  }

  public BigDecimal kg() {
    return BigDecimal.valueOf(micrograms, 9).stripTrailingZeros();
  }

  /** Pounds to {@code decimals} places with the given rounding. */
  public BigDecimal pounds(int decimals, RoundingMode rounding) {
    return BigDecimal.valueOf(micrograms, 9)
        .divide(new BigDecimal("0.45359237"), decimals, rounding);
  }

  @Override
  public int compareTo(Kilograms other) {
    return Long.compare(micrograms, other.micrograms);
  }

  @Override
  public String toString() {
    return kg().toPlainString() + " kg";
  }
}
