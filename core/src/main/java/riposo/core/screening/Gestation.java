package riposo.core.screening;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;

/**
 * How far a pregnancy is: days = 280 - (due date - today). Shown as "24+3".
 *
 * @param days 0 to 294 (42+0)
 */
public record Gestation(LocalDate due, int days) {

  /**
   * The gestation on a day; throws {@link IllegalArgumentException} with both dates when the due
   * date gives less than 0 or more than 42+0 weeks.
   */
  public static Gestation on(LocalDate today, LocalDate due) {
    long days = 280 - ChronoUnit.DAYS.between(today, due);
    if (days < 0 || days > 294) {
      throw new IllegalArgumentException(
          "A due date of "
              + due
              + " seen from "
              + today
              + " gives "
              + (days < 0 ? "a pregnancy not yet begun" : "more than 42 weeks")
              + "; check the date.");
    }
    return new Gestation(due, (int) days);
  }

  /** The first day of week {@code week}+0. */
  public LocalDate weekBegins(int week) {
    return due.minusDays(280L - 7L * week);
  }

  /** 1 to 13+6, 2 from 14+0, 3 from 28+0. */
  public int trimester() {
    return days < 14 * 7 ? 1 : days < 28 * 7 ? 2 : 3;
  }

  @Override
  public String toString() {
    return days / 7 + "+" + days % 7;
  }
}
