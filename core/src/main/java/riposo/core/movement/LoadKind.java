package riposo.core.movement;

/** What a movement is loaded with: nothing, own body weight, dumbbells, or a band. */
public enum LoadKind {
  NONE,
  OWN,
  DUMBBELL,
  BAND
}
