package riposo.core.limit;

/** What a joint carries through its range: nothing, own body weight, or an added weight or band. */
public enum Loading {
  FREE,
  OWN,
  ADDED
}
