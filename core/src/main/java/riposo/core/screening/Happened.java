package riposo.core.screening;

import java.time.LocalDate;
import java.util.Locale;

/** What can happen to a client between screenings. */
public enum Happened {
  HEART_EVENT("a heart event, stroke, clot or new device", Outcome.CLEARANCE_ONLY),
  SYMPTOM("a new symptom: chest, breath, dizziness, heartbeat, calf", Outcome.CLEARANCE_ONLY),
  OPERATION("an operation or a fracture", Outcome.ASK_FIRST),
  ILLNESS("an illness", Outcome.ASK_FIRST),
  HOSPITAL("a hospital stay", Outcome.ASK_FIRST),
  FALL("a fall", Outcome.ASK_FIRST),
  FLARE("a flare of pain or of a condition", Outcome.ASK_FIRST);

  public final String words;
  private final Outcome outcome;

  Happened(String words, Outcome outcome) {
    this.words = words;
    this.outcome = outcome;
  }

  /** True when a new screening answers it; the others want a clearance as well. */
  public boolean screeningAnswers() {
    return this == ILLNESS || this == HOSPITAL || this == FALL || this == FLARE;
  }

  /** True when a way to the floor seen to go well before it is to be seen again. */
  public boolean endsFloorWays() {
    return this == FALL || this == OPERATION || this == FLARE;
  }

  /** True when it voids a clearance given before it. */
  public boolean voids() {
    return !screeningAnswers();
  }

  /** The finding it makes; {@code day} in words the reader writes. */
  public Finding finding(LocalDate day, String dayWords) {
    String id = name().toLowerCase(Locale.ROOT).replace('_', '-');
    return new Finding(
        (voids() ? "standing.happened." : "standing.rescreen.") + id,
        outcome,
        Character.toUpperCase(words.charAt(0))
            + words.substring(1)
            + " on "
            + dayWords
            + (voids() ? ": a clearance dated after it is wanted." : ": screen again."),
        "house rule: clearance",
        null,
        day);
  }
}
