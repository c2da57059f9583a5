package riposo.core.wording;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import riposo.core.limit.Side;
import riposo.core.trend.FamilyTrends;
import riposo.core.trend.LeftRight;
import riposo.core.trend.Slope;
import riposo.core.trend.Trend;
import riposo.core.trend.WeekLoad;

/** Trends in sentences, each with how many sessions, over which days, and by what. */
public final class TrendWords {
  private TrendWords() {}

  /**
   * A trend as it is read.
   *
   * @param sentence what it says
   * @param from which sessions, and over which days
   * @param source what makes it more than noise
   * @param speaks it says something: more, less, a side behind, pain that returns
   */
  public record TrendLine(String sentence, String from, String source, boolean speaks) {}

  /** Every figure of a family, those that say something first. */
  public static List<TrendLine> lines(FamilyTrends t) {
    List<TrendLine> all = new ArrayList<>();
    t.trends().forEach(x -> all.add(line(x)));
    TrendLine sides = sides(t.sides());
    if (sides != null) {
      all.add(sides);
    }
    if (t.warmsUp().sessions() > 0) {
      all.add(
          new TrendLine(
              "Pain that eases while working and comes back afterwards, in "
                  + t.warmsUp().sessions()
                  + " of "
                  + t.warmsUp().told()
                  + " sessions: a sign to ask about.",
              "six weeks",
              "house rule: warms up and returns",
              true));
    }
    all.sort((a, b) -> Boolean.compare(b.speaks(), a.speaks()));
    return all;
  }

  /** The week's load against the four weeks before. */
  public static String load(WeekLoad w) {
    if (w.why() != null) {
      return switch (w.why()) {
        case TOO_FEW -> "Load of the week: too few to tell, under five weeks.";
        case NOT_TOLD -> "Load of the week: effort or minutes of a session are not told.";
        case NONE_BEFORE -> "Load of the week: " + w.last() + "; none in the four weeks before.";
      };
    }
    Integer percent = w.percent();
    String times =
        percent == null
            ? ""
            : BigDecimal.valueOf(percent, 2).setScale(1, RoundingMode.CEILING) + " × ";
    return "Last 7 days "
        + times
        + "the mean of four weeks ("
        + w.last()
        + " to "
        + w.mean()
        + ", effort × minutes): "
        + (w.prompts() ? "over 1.3, have a look." : "nothing to look at.");
  }

  /** Sleep and energy before sessions, six weeks. */
  public static List<String> felt(Trend sleep, Trend energy) {
    boolean few =
        sleep.reading() == Trend.Reading.TOO_FEW && energy.reading() == Trend.Reading.TOO_FEW;
    boolean steady =
        sleep.reading() == Trend.Reading.NOISE && energy.reading() == Trend.Reading.NOISE;
    if (few || steady) {
      return List.of(
          few
              ? "Sleep and energy: too few to tell."
              : "Sleep and energy steady (" + sessions(sleep.n(), sleep.from(), sleep.to()) + ").");
    }
    List<String> all = new ArrayList<>();
    for (Trend t : List.of(sleep, energy)) {
      all.add(line(t).sentence());
    }
    return all;
  }

  private static TrendLine line(Trend t) {
    String what = capital(t.what().words);
    String from = sessions(t.n(), t.from(), t.to());
    if (t.reading() == Trend.Reading.TOO_FEW) {
      return new TrendLine(what + ": too few to tell.", from, "at least 4 sessions", false);
    }
    boolean speaks = t.reading() != Trend.Reading.NOISE;
    String reading =
        switch (t.reading()) {
          case MORE -> t.what() == Trend.What.PULSE ? "higher" : "more";
          case LESS -> t.what() == Trend.What.PULSE ? "lower: fitter" : "less";
          default -> "no change that is more than noise";
        };
    String medians =
        t.recent() == null || t.before() == null
            ? ""
            : ", median " + number(t.recent()) + ", was " + number(t.before());
    return new TrendLine(
        what + ": " + reading + medians + slope(t.slope()) + ".",
        from,
        t.what().real > 0 ? t.what().source + "; Theil–Sen, 95 %" : t.what().source,
        speaks);
  }

  private static String slope(@Nullable Slope s) {
    if (s == null) {
      return "";
    }
    String interval =
        s.low() == null || s.high() == null
            ? " (too few for an interval)"
            : " (" + signed(s.low()) + " to " + signed(s.high()) + ")";
    return ", " + signed(s.perWeek()) + " a week" + interval;
  }

  private static @Nullable TrendLine sides(LeftRight x) {
    if (x.n() == 0) {
      return x.unequal() == 0
          ? null
          : new TrendLine(
              "Left and right are not compared: more is asked of one side.",
              x.unequal() + (x.unequal() == 1 ? " session" : " sessions"),
              "house rule: not where unequal",
              false);
    }
    String from = sessions(x.n(), x.from(), x.to());
    String source = "(strong − weak) / strong, over " + LeftRight.FLAG + " % is flagged";
    Integer percent = x.percent();
    if (percent == null) {
      return new TrendLine("Left against right: too few to tell.", from, source, false);
    }
    String weak = x.weak().name().toLowerCase(Locale.ROOT);
    return new TrendLine(
        x.weak() == Side.BOTH || percent == 0
            ? "Left and right are even."
            : capital(weak) + " " + percent + " % behind" + (x.flagged() ? "." : ", within 15 %."),
        from,
        source,
        x.flagged());
  }

  private static String sessions(int n, @Nullable LocalDate from, @Nullable LocalDate to) {
    String count = n + (n == 1 ? " session" : " sessions");
    return from == null || to == null || from.equals(to)
        ? count
        : count + ", " + Wording.day(from) + " to " + Wording.day(to);
  }

  private static String number(double d) {
    return BigDecimal.valueOf(d)
        .setScale(1, RoundingMode.HALF_UP)
        .stripTrailingZeros()
        .toPlainString();
  }

  private static String signed(double d) {
    String n = number(Math.abs(d));
    return n.equals("0") ? "0" : d < 0 ? "−" + n : "+" + n;
  }

  private static String capital(String s) {
    return Character.toUpperCase(s.charAt(0)) + s.substring(1);
  }
}
