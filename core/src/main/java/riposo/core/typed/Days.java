package riposo.core.typed;

import java.time.LocalDate;

/** The one range of every date: wide enough for any birth and any plan, no year of a slip. */
public final class Days {
  public static final LocalDate FIRST = LocalDate.of(1900, 1, 1);
  public static final LocalDate LAST = LocalDate.of(2199, 12, 31);

  private Days() {}

  /**
   * The day, where it is within the range.
   *
   * @throws IllegalArgumentException where it is not, with a sentence
   */
  public static LocalDate within(LocalDate day) {
    if (day.isBefore(FIRST) || day.isAfter(LAST)) {
      throw new IllegalArgumentException(
          "A date lies between " + FIRST.getYear() + " and " + LAST.getYear() + ".");
    }
    return day;
  }
}
