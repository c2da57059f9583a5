package riposo.core.today;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;

/**
 * A glucose value, 1 to 50 mmol/L. mg/dL = mmol/L x 18.016.
 *
 * @param exact mmol/L, unrounded: lines are compared with it, only what is shown is rounded
 */
public record Glucose(BigDecimal exact) {
  private static final BigDecimal FACTOR = new BigDecimal("18.016");

  public Glucose {
    if (exact.compareTo(BigDecimal.ONE) < 0 || exact.compareTo(BigDecimal.valueOf(50)) > 0) {
      throw new IllegalArgumentException(
          "Glucose "
              + exact.toPlainString()
              + " mmol/L cannot be right: 1 to 50 mmol/L, 18 to 900 mg/dL.");
    }
  }

  public static Glucose mmol(String value) {
    return new Glucose(new BigDecimal(value));
  }

  /** From mg/dL, without rounding, so that no line is passed by the change of unit. */
  public static Glucose mgdl(String value) {
    return new Glucose(new BigDecimal(value).divide(FACTOR, MathContext.DECIMAL64));
  }

  public boolean over(String mmol) {
    return exact.compareTo(new BigDecimal(mmol)) > 0;
  }

  public boolean under(String mmol) {
    return exact.compareTo(new BigDecimal(mmol)) < 0;
  }

  /** Whole mg/dL. */
  public int mgdl() {
    return exact.multiply(FACTOR).setScale(0, RoundingMode.HALF_UP).intValueExact();
  }

  /** "5.4 mmol/L (97 mg/dL)". */
  @Override
  public String toString() {
    return exact.setScale(1, RoundingMode.HALF_UP).toPlainString()
        + " mmol/L ("
        + mgdl()
        + " mg/dL)";
  }
}
