package riposo.catalogue;

import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.core.limit.Side;
import riposo.core.movement.Modifier;
import riposo.core.quantity.Effort;
import riposo.core.quantity.Pain;
import riposo.core.run.Entry;

/**
 * A logged set as it is sent and stored; what is left out is not known, never 0.
 *
 * @param pain the greatest during the set, 0 to 10
 * @param grams weight in each hand, where both hold the same; else left and right
 * @param seconds of a hold
 * @param parts of a set done at several weights; then nothing of that stands beside them
 * @param painWorse what makes it worse
 * @param corrects the event of an entry this one stands in for
 * @param askedBy who asked, where it is not who leads
 * @param notDone it was not done after all
 * @param talk what still came over the lips, asked in a rest
 */
public record EntryDocument(
    @Nullable String slotKey,
    int round,
    @Nullable Side side,
    @Nullable Integer effort,
    @Nullable Integer pain,
    @Nullable String painWhere,
    @Nullable Integer reps,
    @Nullable Integer grams,
    @Nullable Boolean formLost,
    @Nullable Integer left,
    @Nullable Integer right,
    @Nullable Integer seconds,
    @Nullable List<Part> parts,
    @Nullable Integer painFirst,
    @Nullable Integer painLater,
    @Nullable Integer painAfter,
    @Nullable String painWorse,
    @Nullable Integer breathless,
    @Nullable String fault,
    @Nullable Set<Modifier> support,
    @Nullable Integer touchDowns,
    @Nullable Integer grabs,
    @Nullable String stoppedEarly,
    @Nullable String note,
    @Nullable UUID corrects,
    @Nullable String askedBy,
    @Nullable Boolean notDone,
    Entry.@Nullable Talk talk) {
  /** A part of a set done at one weight. */
  public record Part(
      @Nullable Integer reps,
      @Nullable Integer seconds,
      @Nullable Integer grams,
      @Nullable Integer left,
      @Nullable Integer right) {}

  public static EntryDocument of(Entry e) {
    Entry.Work w = e.work();
    return new EntryDocument(
        e.slotKey(),
        e.round(),
        e.side(),
        value(e.strain().effort()),
        value(e.hurt().during()),
        e.hurt().where(),
        w.reps(),
        same(w.hands()),
        e.form().lost(),
        hand(w.hands(), true),
        hand(w.hands(), false),
        w.seconds(),
        w.parts().isEmpty() ? null : w.parts().stream().map(EntryDocument::part).toList(),
        value(e.hurt().first()),
        value(e.hurt().later()),
        value(e.hurt().after()),
        e.hurt().worse(),
        value(e.strain().breathless()),
        e.form().fault(),
        e.form().support(),
        e.form().touchDowns(),
        e.form().grabs(),
        e.telling().stoppedEarly(),
        e.telling().note(),
        e.telling().corrects(),
        e.telling().askedBy(),
        e.telling().notDone() ? Boolean.TRUE : null,
        e.strain().talk());
  }

  /**
   * The entry.
   *
   * @throws IllegalArgumentException with the sentence of what cannot be right
   */
  public Entry toEntry() {
    if (slotKey == null || side == null) {
      throw new IllegalArgumentException("an entry names its slot and side");
    }
    return new Entry(
        slotKey,
        round,
        side,
        new Entry.Work(
            reps,
            seconds,
            hands(grams, left, right),
            parts == null
                ? List.of()
                : parts.stream()
                    .map(p -> new Entry.Part(p.reps, p.seconds, hands(p.grams, p.left, p.right)))
                    .toList()),
        new Entry.Strain(effort(effort), effort(breathless), talk),
        new Entry.Hurt(
            pain(pain), pain(painFirst), pain(painLater), pain(painAfter), painWhere, painWorse),
        new Entry.Form(formLost, fault, support, touchDowns, grabs),
        new Entry.Telling(stoppedEarly, note, corrects, askedBy, Boolean.TRUE.equals(notDone)));
  }

  private static Part part(Entry.Part p) {
    return new Part(
        p.reps(), p.seconds(), same(p.hands()), hand(p.hands(), true), hand(p.hands(), false));
  }

  private static Entry.@Nullable Hands hands(
      @Nullable Integer grams, @Nullable Integer left, @Nullable Integer right) {
    if (grams != null && (left != null || right != null)) {
      throw new IllegalArgumentException("a weight is told for both hands or hand by hand");
    }
    if (grams != null) {
      return Entry.Hands.same(grams);
    }
    if (left == null && right == null) {
      return null;
    }
    if (left == null || right == null) {
      throw new IllegalArgumentException("hand by hand both are told, 0 for an empty one");
    }
    return new Entry.Hands(left, right);
  }

  private static @Nullable Integer same(Entry.@Nullable Hands h) {
    return h == null || h.left() != h.right() ? null : (Integer) h.left();
  }

  private static @Nullable Integer hand(Entry.@Nullable Hands h, boolean left) {
    return h == null || h.left() == h.right() ? null : (Integer) (left ? h.left() : h.right());
  }

  private static @Nullable Effort effort(@Nullable Integer n) {
    return n == null ? null : new Effort(n);
  }

  private static @Nullable Pain pain(@Nullable Integer n) {
    return n == null ? null : new Pain(n);
  }

  private static @Nullable Integer value(@Nullable Effort e) {
    return e == null ? null : (Integer) e.value();
  }

  private static @Nullable Integer value(@Nullable Pain p) {
    return p == null ? null : (Integer) p.value();
  }
}
