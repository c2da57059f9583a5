package riposo.core.movement;

/** Which limb of a pair a demand falls on; WORKING and OTHER only in one-sided movements. */
public enum Part {
  BOTH,
  WORKING,
  OTHER
}
