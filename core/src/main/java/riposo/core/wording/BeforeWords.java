package riposo.core.wording;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import riposo.core.trend.Before;

/**
 * What was different before a day, in sentences with their numbers.
 *
 * @param words for the names of movements
 */
public record BeforeWords(Wording words) {
  /** Said under the facts, always. */
  public static final String NO_CAUSE =
      "Facts side by side in time; none of them is said to be the cause.";

  /** Load, effort, sleep, energy, new movements, a time away; what is not known is said. */
  public List<String> lines(Before b) {
    List<String> all = new ArrayList<>();
    all.add(load(b));
    all.add(against("Effort of sessions", b.effort()));
    all.add(against("Sleep", b.sleep()));
    all.add(against("Energy", b.energy()));
    all.add(
        b.firsts().isEmpty()
            ? "No new movement in the " + Before.NEAR + " days."
            : "New in the "
                + Before.NEAR
                + " days: "
                + b.firsts().stream()
                    .map(f -> words.name(f.movementId()) + " (" + Wording.day(f.day()) + ")")
                    .collect(Collectors.joining(", "))
                + ".");
    Before.Away away = b.away();
    all.add(
        away == null
            ? "No time away that ended in the " + Before.RETURN + " days."
            : "Back from "
                + away.days()
                + " days away, "
                + Wording.day(away.from())
                + " to "
                + Wording.day(away.to())
                + ".");
    return all;
  }

  private static String load(Before b) {
    String week = "Load of the 7 days up to " + Wording.day(b.on()) + ": ";
    Integer percent = b.load().percent();
    return percent == null
        ? week + (b.load().why() == null ? "not known." : why(b))
        : week
            + b.load().last()
            + ", "
            + BigDecimal.valueOf(percent, 2).setScale(1, RoundingMode.HALF_UP)
            + " × the mean of the four weeks before ("
            + b.load().mean()
            + ", effort × minutes).";
  }

  private static String why(Before b) {
    return switch (java.util.Objects.requireNonNull(b.load().why())) {
      case TOO_FEW -> b.load().last() + "; under five weeks on record, too few to tell.";
      case NOT_TOLD -> "effort or minutes of a session are not told.";
      case NONE_BEFORE -> b.load().last() + "; none in the four weeks before.";
    };
  }

  private static String against(String what, Before.Against a) {
    if (a.near() == null) {
      return what + " in the " + Before.NEAR + " days: not told.";
    }
    return what
        + ", median of "
        + Before.NEAR
        + " days: "
        + n(a.near())
        + " of 10 (n "
        + a.nearN()
        + "), "
        + (a.before() == null
            ? "none told in the six weeks before."
            : n(a.before()) + " in the six weeks before (n " + a.beforeN() + ").");
  }

  private static String n(double value) {
    return BigDecimal.valueOf(value).stripTrailingZeros().toPlainString();
  }
}
