package riposo.core.screening;

import java.util.ArrayList;
import java.util.List;

/**
 * A seated blood pressure reading in mmHg.
 *
 * @param systolic 50 to 280
 * @param diastolic 30 to 180, below systolic
 */
public record Pressure(int systolic, int diastolic) {
  private static final String AHA = "AHA, Williams 2007";
  private static final String MATERNITY = "NICE NG133, maternity";
  private static final String HOUSE = "house rule: today's readings";

  public Pressure {
    if (systolic < 50 || systolic > 280 || diastolic < 30 || diastolic > 180) {
      throw new IllegalArgumentException(
          "Blood pressure "
              + systolic
              + "/"
              + diastolic
              + " cannot be right: systolic 50 to 280, diastolic 30 to 180 mmHg.");
    }
    if (diastolic >= systolic) {
      throw new IllegalArgumentException(
          "Blood pressure " + systolic + "/" + diastolic + ": systolic comes first and is higher.");
    }
  }

  /**
   * What the reading says of today.
   *
   * @param maternity pregnant or within 6 weeks after birth
   * @param symptoms chest, head, vision or nerve symptoms, or upper-belly pain in pregnancy
   * @param dizzy dizzy now
   */
  public List<Finding> findings(boolean maternity, boolean symptoms, boolean dizzy) {
    List<Finding> f = new ArrayList<>();
    String reading = "Blood pressure " + systolic + "/" + diastolic + " mmHg";
    if (maternity) {
      if (systolic >= 160 || diastolic >= 110 || (systolic >= 140 || diastolic >= 90) && symptoms) {
        f.add(
            finding(
                "today.pressure.maternity-urgent",
                Outcome.URGENT,
                reading + ": act now, call maternity.",
                MATERNITY));
      } else if (systolic >= 140 || diastolic >= 90) {
        f.add(
            finding(
                "today.pressure.maternity",
                Outcome.NOT_TODAY,
                reading + ": not today, call maternity today.",
                MATERNITY));
      }
    } else if (systolic >= 180 || diastolic >= 110) {
      f.add(
          symptoms
              ? finding(
                  "today.pressure.urgent",
                  Outcome.URGENT,
                  reading + " with symptoms: act now.",
                  AHA)
              : finding(
                  "today.pressure.high",
                  Outcome.NOT_TODAY,
                  reading + ": not today (line 180/110).",
                  AHA));
    } else if (systolic >= 160 || diastolic >= 100) {
      f.add(
          finding(
              "today.pressure.caution",
              Outcome.CAUTION,
              reading + ": no long holds, effort 5 at most.",
              AHA));
    }
    f.addAll(low(90, 80, dizzy, ""));
    return f;
  }

  /**
   * The low lines: under {@code line} a caution, not today when dizzy; under {@code floor} not
   * today.
   *
   * @param against what the lines are measured against, in words; empty for the fixed ones
   */
  public List<Finding> low(int line, int floor, boolean dizzy, String against) {
    if (systolic >= line) {
      return List.of();
    }
    String reading = "Blood pressure " + systolic + "/" + diastolic + " mmHg";
    boolean stop = dizzy || systolic < floor;
    return List.of(
        finding(
            stop ? "today.pressure.low" : "today.pressure.lowish",
            stop ? Outcome.NOT_TODAY : Outcome.CAUTION,
            reading
                + against
                + (dizzy
                    ? ", low, and dizzy: not today."
                    : stop
                        ? ", under " + floor + ": not today."
                        : ", under " + line + ": ease, rise slowly, tell, record."),
            HOUSE));
  }

  private static Finding finding(String rule, Outcome outcome, String text, String source) {
    return new Finding(rule, outcome, text, source, null);
  }
}
