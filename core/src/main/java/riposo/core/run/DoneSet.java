package riposo.core.run;

import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.core.dose.Dose;
import riposo.core.dose.Held;
import riposo.core.dose.Sided;
import riposo.core.dose.WeightFinding;
import riposo.core.limit.Side;
import riposo.core.movement.Carry;
import riposo.core.movement.Modifier;
import riposo.core.quantity.Effort;

/**
 * One logged set joined with what the run asked of it: what was done, in which form, and how it
 * went. Missing is null, never 0.
 *
 * @param person whose set
 * @param askedId the movement the plan asked for
 * @param form what was done
 * @param familyId of the movement done, as it was then
 * @param asked the dose of the sheet
 * @param entry what was told of it
 * @param finding it was one of the first sets, in which a weight is found: no step towards more
 * @param overCap more was held than the limits of the day left: kept as told
 */
public record DoneSet(
    UUID person,
    String askedId,
    Form form,
    String familyId,
    Dose asked,
    Entry entry,
    boolean finding,
    boolean overCap) {
  /** A set at a weight that is known, and permitted. */
  public DoneSet(UUID person, String askedId, Form form, String familyId, Dose asked, Entry entry) {
    this(person, askedId, form, familyId, asked, entry, false, false);
  }

  /**
   * What was done, whatever came of it: two sets of the same form can be compared.
   *
   * @param support the modifiers it was done with
   * @param range percent of the full range
   */
  public record Form(String movementId, Set<Modifier> support, int range, Side side) {
    public Form {
      support = Set.copyOf(support);
    }
  }

  /** An entry joined with its slot as the sheet asks it; empty where that is rest. */
  static Optional<DoneSet> of(UUID person, RunSheet.Slot slot, Entry entry) {
    return of(person, slot, entry, Doing.AS_ASKED);
  }

  /** An entry joined with what was done in its slot; empty where that is rest. */
  static Optional<DoneSet> of(UUID person, RunSheet.Slot slot, Entry entry, Doing doing) {
    RunSheet.Part part = slot.part(doing, entry.side());
    RunSheet.Form done = part.form();
    String movement = done.movementId();
    String family = done.familyId();
    if (movement == null || family == null) {
      return Optional.empty();
    }
    Set<Modifier> used = entry.form().support();
    Form form =
        new Form(
            movement,
            used == null ? Set.copyOf(done.modifiers()) : used,
            done.range(),
            entry.side());
    WeightFinding f = part.finding();
    boolean finding = f != null && entry.round() <= f.sets();
    Dose asked = doing.grams() == null ? part.dose() : part.dose().grams(doing.grams());
    return Optional.of(
        new DoneSet(
            person,
            slot.askedId(),
            form,
            family,
            asked,
            entry,
            finding,
            part.over(entry.side(), entry.work())));
  }

  public String slotKey() {
    return entry.slotKey();
  }

  public int round() {
    return entry.round();
  }

  public Side side() {
    return entry.side();
  }

  public String movementId() {
    return form.movementId();
  }

  /** Repetitions the dose asked for; null where they were not counted. */
  public @Nullable Integer targetReps() {
    return asked.reps();
  }

  /** Repetitions done, of a set in parts those at its first weight; null when not told. */
  public @Nullable Integer reps() {
    return entry.work().parts().isEmpty()
        ? entry.work().reps()
        : entry.work().parts().get(0).reps();
  }

  /**
   * Weight per hand in grams, the heavier hand's, of a set in parts its first; as asked when not
   * told, null where none is taken.
   */
  public @Nullable Integer grams() {
    Entry.Hands hands =
        entry.work().parts().isEmpty() ? entry.work().hands() : entry.work().parts().get(0).hands();
    return hands == null ? asked.grams() : (Integer) hands.heavier();
  }

  /**
   * Weight side by side in grams, of a set of one side that side's on both; null where none is
   * taken.
   */
  public @Nullable Sided sides() {
    Integer grams = grams();
    if (grams == null) {
      return null;
    }
    if (side() != Side.BOTH) {
      return Sided.same(grams);
    }
    Entry.Hands told =
        entry.work().parts().isEmpty() ? entry.work().hands() : entry.work().parts().get(0).hands();
    Held held = asked.weight();
    return told != null
        ? new Sided(told.left(), told.right())
        : held == null ? Sided.same(grams) : new Sided(held.left(), held.right());
  }

  /** How the weight is held; null where none is taken. */
  public @Nullable Carry carry() {
    Held held = asked.weight();
    return held == null ? null : held.way();
  }

  /** 0 to 10; null when not told. */
  public @Nullable Integer effort() {
    Effort e = entry.strain().effort();
    return e == null ? null : (Integer) e.value();
  }

  /** The greatest pain of the set, 0 to 10; null when not told. */
  public @Nullable Integer pain() {
    return entry.hurt().greatest();
  }

  public @Nullable String painWhere() {
    return entry.hurt().where();
  }

  /** Form was lost; false too when it was not said. */
  public boolean formLost() {
    return Boolean.TRUE.equals(entry.form().lost());
  }
}
