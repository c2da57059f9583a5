package riposo.core.run;

/** Why somebody leaves a session before its end. No sign of the stop panel: those are stops. */
public enum Leaving {
  TIRED("tired"),
  PAIN("pain"),
  UNWELL("not well"),
  HAD_TO_GO("had to go"),
  OWN_WISH("own wish");

  public final String words;

  Leaving(String words) {
    this.words = words;
  }
}
