package riposo.core.run;

/** What is felt once a session is over; asked, never assumed. */
public enum AfterSymptom {
  NONE("none", ""),
  WOOZY(
      "woozy, light-headed",
      "They stay, sitting or lying, until it has gone. Not gone in 10 minutes: the stop panel."),
  BREATHLESS(
      "still breathless",
      "They stay until they talk in whole sentences. Not in 10 minutes: the stop panel."),
  PAIN(
      "pain that stays",
      "Note where; a check-in tomorrow. Worse, swollen or giving way: ask first."),
  HEAVY("heavy or swollen", "Note where, and tell the clinician who looks after it."),
  SHAKY(
      "shaky or sweaty",
      "On insulin or tablets that push it: glucose now. Otherwise they stay until it settles.");

  public final String words;

  /** What to do first; empty where there is nothing. */
  public final String advice;

  AfterSymptom(String words, String advice) {
    this.words = words;
    this.advice = advice;
  }
}
