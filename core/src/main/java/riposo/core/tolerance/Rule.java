package riposo.core.tolerance;

/** The verdict rules in the order they are tried, with where each comes from. */
public enum Rule {
  STOP_SIGN(
      "tolerance.stop.sign",
      "house rule: stop panel",
      "a sign of the stop panel ended the session: stop and refer"),
  STOP_PAIN(
      "tolerance.stop.pain-over-7",
      "house rule",
      "pain over 7 of 10, during or the next morning: stop and refer"),
  STOP_NEW_SIGN(
      "tolerance.stop.new-sign",
      "house rule",
      "night pain, numbness, giving way or lasting swelling, new or worse than usual: stop and refer"),
  STOP_TWO_EASES(
      "tolerance.stop.two-eases",
      "house rule",
      "two eases in a row without relief: stop and refer"),
  EASE_PAIN_FREE(
      "tolerance.ease.pain-free",
      "house rule: pain-free school",
      "pain 1 or more over the client’s usual: ease"),
  EASE_MONITORED(
      "tolerance.ease.monitored",
      "Thomeé 1997, Silbernagel 2007",
      "pain over 5, or 3 to 5 that is not back by the morning or rises: ease"),
  EASE_MORNING(
      "tolerance.ease.morning",
      "a change of 2 is real, Farrar 2001",
      "next morning worse by 2 or more: ease"),
  EASE_MORNING_TWICE(
      "tolerance.ease.morning-twice",
      "house rule: 1 repeated twice is real",
      "next morning worse by 1, twice running: ease"),
  EASE_OVER_CAP(
      "tolerance.ease.over-cap",
      "house rule: a limit on effort was passed",
      "effort over the client’s limit: ease"),
  EASE_EFFORT(
      "tolerance.ease.effort", "house rule", "effort 2 or more over the goal, twice running: ease"),
  EASE_FATIGUE(
      "tolerance.ease.fatigue",
      "house rule: worse the next day, halve",
      "more tired the next day: half the session"),
  STEP_UP(
      "tolerance.step-up.two-for-two",
      "two-for-two, ACSM 2009",
      "two or more repetitions over target at effort at or under goal and limit, twice running, with nothing against it: one change up"),
  STAY("tolerance.stay", "house rule: otherwise", "otherwise: stay, settled by itself");

  public final String id;
  public final String source;
  public final String words;

  Rule(String id, String source, String words) {
    this.id = id;
    this.source = source;
    this.words = words;
  }
}
