package riposo.core.limit;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Conditions and the limits handbook 3 proposes for each, all ADVISED. Pregnancy depends on the
 * week and is proposed by {@link #pregnancy}.
 */
public enum Condition {
  LOW_BONE_DENSITY(
      "low bone density",
      "Giangregorio 2014",
      row("spine.flexion.loaded", 0, "no loaded bend of the spine"),
      row("spine.rotation.loaded", 0, "no loaded turn of the spine"),
      row("spine.flexion.any", 1, "no end-range bend"),
      row("spine.rotation.any", 1, "no end-range turn"),
      row("impact", 1, "brisk steps at most")),
  SHOULDER(
      "shoulder",
      "handbook 3, cuff and stiff shoulder",
      row("joint.shoulder-elevation.loaded", 80, "loaded arm stays below 80°"),
      row("act.dip", 0, "no dips"),
      row("act.upright-row", 0, "no upright row above the chest"),
      row("act.hands-out-of-view", 0, "hands stay in view")),
  KNEE(
      "knee",
      "handbook 3, knee pain and tendon",
      row("joint.knee-flexion.added", 60, "added weight only to 60° to start"),
      row(
          "joint.knee-flexion.loaded",
          90,
          "own weight to the pain-free range; set the degrees found"),
      row("impact", 0, "no impact"),
      row("kneel.bare", 0, "kneel only on a pad")),
  FALLS(
      "falls",
      "handbook 3, frailty and falls",
      row("balance.unsupported", 1, "wide stance at most without support"),
      row("transfer.floor", 0, "no floor until getting up is trained")),
  HIGH_PRESSURE(
      "high blood pressure",
      "handbook 3, high blood pressure",
      row("pressure", 1, "light loads, normal breathing"),
      row("hold", 20, "still effort 20 s at most"),
      row("effort", 6, "moderate effort"),
      row("head.below-heart", 0, "head not below the heart")),
  PELVIC_GIRDLE(
      "pelvic girdle pain",
      "handbook 3, pregnancy",
      row("act.one-leg-stance", 0, "no one-leg stance"),
      row("position.one-leg", 0, "no one-leg position"),
      row("act.split-stance", 0, "no split stance"),
      row("act.uneven-legs", 0, "both sides alike"),
      row("act.wide-hips", 0, "small spread of the hips"),
      row("balance.unsupported", 1, "wide stance at most without support")),
  FATIGUE(
      "fatigue that is worse the day after",
      "handbook 3, fatigue",
      row("session.minutes", 15, "5 to 15 minutes to start"),
      row("session.week", 2, "once or twice a week"),
      row("session.work-per-rest", 100, "rest at least as long as work"),
      row("effort", 5, "effort 5 at most")),
  MODERATE_ONLY(
      "moderate effort until cleared for more",
      "Riebe 2015",
      row("effort", 6, "moderate: effort 6 at most"));

  /** One default: an axis, its cap, and why. */
  record Row(String axisId, int cap, String why) {}

  public final String words;
  public final String source;
  private final List<Row> rows;

  Condition(String words, String source, Row... rows) {
    this.words = words;
    this.source = source;
    this.rows = List.of(rows);
  }

  private static Row row(String axisId, int cap, String why) {
    return new Row(axisId, cap, why);
  }

  /**
   * The proposals of this condition; sided axes take the side, the others BOTH. Review in 12 weeks.
   */
  public List<Proposal> proposals(Side side, LocalDate today) {
    return rows.stream()
        .map(r -> proposal(words, source, r, side, today, null, today.plusWeeks(12)))
        .toList();
  }

  /**
   * Proposals in pregnancy by week, with the calendar school's 16+0 for lying flat. Dates already
   * past begin today; all end six weeks after the due date, when a new screening is due. Prone from
   * 14+0 and a light-load cap from 36+0 are the house's cautious reading of "when the belly
   * touches" and "the last weeks".
   *
   * @param weekBegins the first day of a week, for example week 16
   * @param flatSymptoms light-headed or unwell when flat: flat is off at once
   */
  public static List<Proposal> pregnancy(
      java.util.function.IntFunction<LocalDate> weekBegins,
      LocalDate due,
      boolean flatSymptoms,
      LocalDate today) {
    String source = "SOGC/CSEP 2019";
    LocalDate until = due.plusWeeks(6);
    LocalDate end = until.isBefore(today) ? today : until;
    List<Proposal> list = new ArrayList<>();
    record Dated(Row row, int week) {}
    for (Dated d :
        List.of(
            new Dated(row("pressure", 1, "light loads, normal breathing"), 0),
            new Dated(row("impact", 1, "brisk steps at most"), 0),
            new Dated(row("effort", 6, "effort 6 at most, talking in sentences"), 0),
            new Dated(row("position.prone", 0, "not face down once the belly touches"), 14),
            new Dated(
                row(
                    "position.supine",
                    0,
                    flatSymptoms
                        ? "unwell when flat: off for this pregnancy"
                        : "not flat on the back from 16+0 (calendar school)"),
                flatSymptoms ? 0 : 16),
            new Dated(row("balance.unsupported", 2, "no free one-leg balance from 20+0"), 20),
            new Dated(row("load.hand", 3000, "light load for the last weeks, from 36+0"), 36))) {
      LocalDate from = weekBegins.apply(d.week());
      from = from.isBefore(today) ? today : from;
      list.add(proposal("pregnancy", source, d.row(), Side.BOTH, from, end, end));
    }
    return list;
  }

  private static Proposal proposal(
      String condition,
      String source,
      Row r,
      Side side,
      LocalDate from,
      @Nullable LocalDate until,
      LocalDate review) {
    Side s = Axis.of(r.axisId()).sided ? side : Side.BOTH;
    return new Proposal(
        condition + "/" + r.axisId() + "/" + s,
        condition,
        r.axisId(),
        s,
        r.cap(),
        Strength.ADVISED,
        source,
        r.why(),
        from,
        until,
        review);
  }
}
