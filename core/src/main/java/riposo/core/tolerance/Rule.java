package riposo.core.tolerance;

/** The verdict rules of handbook 7, in the order they are tried, with where each comes from. */
public enum Rule {
  STOP_SIGN("tolerance.stop.sign", "stop panel, handbook 8"),
  STOP_PAIN("tolerance.stop.pain-over-7", "house rule, handbook 7"),
  STOP_NEW_SIGN("tolerance.stop.new-sign", "house rule, handbook 7"),
  STOP_TWO_EASES("tolerance.stop.two-eases", "house rule, handbook 7"),
  EASE_PAIN_FREE("tolerance.ease.pain-free", "pain-free school, handbook 7"),
  EASE_MONITORED("tolerance.ease.monitored", "Thomeé 1997, Silbernagel 2007"),
  EASE_MORNING("tolerance.ease.morning", "a change of 2 is real, Farrar 2001"),
  EASE_MORNING_TWICE("tolerance.ease.morning-twice", "1 repeated twice is real, handbook 7"),
  EASE_EFFORT("tolerance.ease.effort", "house rule, handbook 7"),
  EASE_FATIGUE("tolerance.ease.fatigue", "worse the next day: halve, handbook 3 and 7"),
  STEP_UP("tolerance.step-up.two-for-two", "two-for-two, ACSM 2009"),
  STAY("tolerance.stay", "otherwise, handbook 7");

  public final String id;
  public final String source;

  Rule(String id, String source) {
    this.id = id;
    this.source = source;
  }
}
