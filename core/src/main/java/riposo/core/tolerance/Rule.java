package riposo.core.tolerance;

/** The verdict rules in the order they are tried, with where each comes from. */
public enum Rule {
  STOP_SIGN("tolerance.stop.sign", "house rule: stop panel"),
  STOP_PAIN("tolerance.stop.pain-over-7", "house rule"),
  STOP_NEW_SIGN("tolerance.stop.new-sign", "house rule"),
  STOP_TWO_EASES("tolerance.stop.two-eases", "house rule"),
  EASE_PAIN_FREE("tolerance.ease.pain-free", "house rule: pain-free school"),
  EASE_MONITORED("tolerance.ease.monitored", "Thomeé 1997, Silbernagel 2007"),
  EASE_MORNING("tolerance.ease.morning", "a change of 2 is real, Farrar 2001"),
  EASE_MORNING_TWICE("tolerance.ease.morning-twice", "house rule: 1 repeated twice is real"),
  EASE_OVER_CAP("tolerance.ease.over-cap", "house rule: a limit on effort was passed"),
  EASE_EFFORT("tolerance.ease.effort", "house rule"),
  EASE_FATIGUE("tolerance.ease.fatigue", "house rule: worse the next day, halve"),
  STEP_UP("tolerance.step-up.two-for-two", "two-for-two, ACSM 2009"),
  STAY("tolerance.stay", "house rule: otherwise");

  public final String id;
  public final String source;

  Rule(String id, String source) {
    this.id = id;
    this.source = source;
  }
}
