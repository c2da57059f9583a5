package riposo.core.screening;

/** Readings that a client's conditions can require before every run. */
public enum ReadingKind {
  PRESSURE("blood pressure", "mmHg"),
  PULSE("resting pulse", "bpm"),
  SATURATION("oxygen saturation", "%"),
  GLUCOSE("glucose", "mmol/L");

  public final String words;
  public final String unit;

  ReadingKind(String words, String unit) {
    this.words = words;
    this.unit = unit;
  }
}
