package riposo.core.movement;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import riposo.core.limit.JointMotion;

/**
 * One exercise in one position.
 *
 * @param rung place in its family, 1 = gentlest
 * @param difficulty 0 to 100, comparable across families
 * @param share share of body weight moved, 0 to 1; null where it does not apply
 * @param kit each entry is a set of which any one will do
 * @param leastRange percentage of the full range that is still useful; 100 when it cannot be cut
 * @param ranged the joint motions that a shorter range cuts
 * @param lever percent of the load that a shorter lever takes off; 0 where the lever is fixed
 * @param figure the drawing's key; null for the posture alone
 * @param also the other pattern of sides it can be done in; null for none
 * @param carry how a weight can be held or carried, the usual way first; empty where it is as the
 *     hands say, or where none is taken
 * @param support what it leans on, rises from or steps on to; null where that is not said
 * @param words everyday and gym words it is looked for by, beside its name and its family's; lower
 *     case
 * @param bandReach from under the foot to the hand at the end of the movement, in cm, for somebody
 *     of 170 cm, where a band can be pulled with the weight; null where none can
 */
public record Movement(
    String id,
    String name,
    String familyId,
    Purpose purpose,
    int rung,
    int difficulty,
    SidePattern sides,
    Tempo tempo,
    LoadKind loadKind,
    @Nullable Double share,
    Set<String> primary,
    Set<String> secondary,
    List<Set<Kit>> kit,
    Demands demands,
    int leastRange,
    Set<JointMotion> ranged,
    Set<Modifier> modifiers,
    List<String> cues,
    List<String> faults,
    int lever,
    @Nullable String figure,
    @Nullable SidePattern also,
    List<Carry> carry,
    @Nullable Support support,
    List<String> words,
    @Nullable Integer bandReach) {

  /** A movement without a band beside a weight. */
  public Movement(
      String id,
      String name,
      String familyId,
      Purpose purpose,
      int rung,
      int difficulty,
      SidePattern sides,
      Tempo tempo,
      LoadKind loadKind,
      @Nullable Double share,
      Set<String> primary,
      Set<String> secondary,
      List<Set<Kit>> kit,
      Demands demands,
      int leastRange,
      Set<JointMotion> ranged,
      Set<Modifier> modifiers,
      List<String> cues,
      List<String> faults,
      int lever,
      @Nullable String figure,
      @Nullable SidePattern also,
      List<Carry> carry,
      @Nullable Support support,
      List<String> words) {
    this(
        id,
        name,
        familyId,
        purpose,
        rung,
        difficulty,
        sides,
        tempo,
        loadKind,
        share,
        primary,
        secondary,
        kit,
        demands,
        leastRange,
        ranged,
        modifiers,
        cues,
        faults,
        lever,
        figure,
        also,
        carry,
        support,
        words,
        null);
  }

  public Movement {
    if (bandReach != null && (loadKind != LoadKind.DUMBBELL || bandReach < 20 || bandReach > 250)) {
      throw new IllegalArgumentException(
          id + ": a band is pulled with weights in the hand only, 20 to 250 cm from the foot");
    }
    if (rung < 1) {
      throw new IllegalArgumentException(id + ": rung starts at 1, was " + rung);
    }
    if (difficulty < 0 || difficulty > 100) {
      throw new IllegalArgumentException(id + ": difficulty 0 to 100, was " + difficulty);
    }
    if (leastRange < 1 || leastRange > 100) {
      throw new IllegalArgumentException(id + ": least range 1 to 100 %, was " + leastRange);
    }
    if (leastRange < 100 && ranged.isEmpty()) {
      throw new IllegalArgumentException(id + ": a least range needs the joints it cuts");
    }
    if (primary.isEmpty() || cues.isEmpty() || faults.isEmpty()) {
      throw new IllegalArgumentException(id + ": muscles, cues and faults must be given");
    }
    if (lever < 0 || lever > 90) {
      throw new IllegalArgumentException(id + ": lever 0 to 90 %, was " + lever);
    }
    if (modifiers.contains(Modifier.SHORTER_LEVER) != lever > 0) {
      throw new IllegalArgumentException(
          id + ": the modifier shorter-lever and the field lever go together");
    }
    if (also != null && (also == SidePattern.BOTH || sides == SidePattern.BOTH || also == sides)) {
      throw new IllegalArgumentException(
          id + ": the other pattern of sides is alternating or one-side, and not the usual one");
    }
    carry = List.copyOf(carry);
    if (loadKind != LoadKind.DUMBBELL && !carry.stream().allMatch(c -> c.body)) {
      throw new IllegalArgumentException(
          id + ": a movement without weights takes one on the body only");
    }
    kit = List.copyOf(kit);
    cues = List.copyOf(cues);
    faults = List.copyOf(faults);
    words = List.copyOf(words);
  }

  /** The same movement on another rung of its family. */
  public Movement onRung(int other) {
    return new Movement(
        id,
        name,
        familyId,
        purpose,
        other,
        difficulty,
        sides,
        tempo,
        loadKind,
        share,
        primary,
        secondary,
        kit,
        demands,
        leastRange,
        ranged,
        modifiers,
        cues,
        faults,
        lever,
        figure,
        also,
        carry,
        support,
        words,
        bandReach);
  }

  /** The ways a weight can be held or carried, the usual one first; empty where none is. */
  public List<Carry> carries() {
    if (!carry.isEmpty() || loadKind != LoadKind.DUMBBELL) {
      return carry;
    }
    return List.of(demands.hands() == 2 ? Carry.EACH_HAND : Carry.ONE_HAND);
  }

  /** Raises, kick-backs and other work of small muscles: about half of what rows take. */
  public boolean smallMuscles() {
    return familyId.equals("raise") || purpose == Purpose.ELBOW_STRAIGHTEN;
  }

  /** Whether it can be done in that pattern of sides. */
  public boolean does(SidePattern pattern) {
    return sides == pattern || also == pattern;
  }

  public Position position() {
    return demands.position();
  }

  /** Primary and secondary muscles together. */
  public Set<String> muscles() {
    Set<String> all = new HashSet<>(primary);
    all.addAll(secondary);
    return all;
  }

  public boolean isHold() {
    return demands.holdSeconds() > 0;
  }
}
