package riposo.core.tolerance;

/** Why the record rules stepping up out although the repetitions are there. */
public enum NoStep {
  FLAG("exertion makes the next day worse"),
  ASK_OPEN("a clinician's word is still open"),
  PAIN_NOT_LOGGED("pain was not logged in both sessions"),
  NOT_ASKED("a next morning is not answered, and unknown is not good"),
  SECOND_OPEN("a second check-in, at 72 h, is not answered, and unknown is not good"),
  NOT_SETTLED("a next morning was not settled"),
  CUT("one of the two sessions was eased, short or stopped"),
  FINDING("the weight was still being found in one of the two sessions"),
  GAP("the two sessions lie more than 9 days apart"),
  RETURNING("one of the two sessions was cut for a gap: the usual repetitions come back first"),
  ONE_SIDE("only one side had the repetitions: the other catches up first"),
  OTHER_FORM("the two sessions were done in another variant, support or side, or weight"),
  JUST_CHANGED(
      "a change of how it is done was taken between the two sessions: it counts from the second on"),
  PAIN_OVER_USUAL("pain was over the client's usual"),
  PAIN_NOT_FALLING("pain is 3 or more and not falling over three sessions"),
  NOT_LIGHTEST("from no weight only the lightest in kit comes next"),
  NO_WAY("a limit or the kit closes the next step, and the other ways are used up");

  public final String words;

  NoStep(String words) {
    this.words = words;
  }
}
