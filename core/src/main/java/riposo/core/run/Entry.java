package riposo.core.run;

import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.core.limit.Side;
import riposo.core.movement.Modifier;
import riposo.core.quantity.Effort;
import riposo.core.quantity.Pain;

/**
 * A logged set, or what is newly known of one. Missing is null, never 0: it leaves what was logged
 * before.
 *
 * @param slotKey of the run's sheet
 * @param round 0 to 999
 */
public record Entry(
    String slotKey,
    int round,
    Side side,
    Work work,
    Strain strain,
    Hurt hurt,
    Form form,
    Telling telling) {
  /** More than any hand holds. */
  static final int MOST_GRAMS = 100_000;

  public Entry {
    if (slotKey == null || side == null) {
      throw new IllegalArgumentException("an entry names its slot and side");
    }
    if (round < 0 || round > 999) {
      throw new IllegalArgumentException("round must lie between 0 and 999, was " + round);
    }
  }

  /** An entry that says nothing yet. */
  public static Entry of(String slotKey, int round, Side side) {
    return new Entry(
        slotKey,
        round,
        side,
        Work.NOTHING,
        Strain.NOTHING,
        Hurt.NOTHING,
        Form.NOTHING,
        Telling.OWN);
  }

  public Entry work(Work other) {
    return new Entry(slotKey, round, side, other, strain, hurt, form, telling);
  }

  public Entry strain(Strain other) {
    return new Entry(slotKey, round, side, work, other, hurt, form, telling);
  }

  public Entry hurt(Hurt other) {
    return new Entry(slotKey, round, side, work, strain, other, form, telling);
  }

  public Entry form(Form other) {
    return new Entry(slotKey, round, side, work, strain, hurt, other, telling);
  }

  public Entry telling(Telling other) {
    return new Entry(slotKey, round, side, work, strain, hurt, form, other);
  }

  public Entry reps(@Nullable Integer reps) {
    return work(new Work(reps, work.seconds, work.hands, work.parts));
  }

  /** The same weight in each hand; null leaves it open. */
  public Entry grams(@Nullable Integer grams) {
    return work(
        new Work(work.reps, work.seconds, grams == null ? null : Hands.same(grams), work.parts));
  }

  public Entry effort(@Nullable Integer effort) {
    return strain(
        new Strain(effort == null ? null : new Effort(effort), strain.breathless, strain.talk));
  }

  public Entry pain(@Nullable Integer pain, @Nullable String where) {
    return hurt(
        new Hurt(
            pain == null ? null : new Pain(pain), hurt.first, hurt.later, hurt.after, where, null));
  }

  public Entry formLost(@Nullable Boolean lost) {
    return form(new Form(lost, form.fault, form.support, form.touchDowns, form.grabs));
  }

  /** What is known once this has been said after an earlier entry of the same set. */
  Entry over(Entry earlier) {
    return new Entry(
        slotKey,
        round,
        side,
        work.over(earlier.work),
        strain.over(earlier.strain),
        hurt.over(earlier.hurt),
        form.over(earlier.form),
        telling.over(earlier.telling));
  }

  /**
   * The weight in each hand.
   *
   * @param left grams, 0 for none
   * @param right grams, 0 for none
   */
  public record Hands(int left, int right) {
    public Hands {
      within("grams", left, MOST_GRAMS);
      within("grams", right, MOST_GRAMS);
    }

    public static Hands same(int grams) {
      return new Hands(grams, grams);
    }

    public int heavier() {
      return Math.max(left, right);
    }
  }

  /**
   * A part of a set done at one weight: 8 at 3 kg, then 4 at 2 kg.
   *
   * @param reps 0 to 500
   * @param seconds 0 to 3600, of a hold
   */
  public record Part(@Nullable Integer reps, @Nullable Integer seconds, @Nullable Hands hands) {
    public Part {
      within("reps", reps, 500);
      within("seconds", seconds, 3600);
    }
  }

  /**
   * What was done: in one go, or in parts, which then say all of it.
   *
   * @param reps full repetitions, 0 to 500
   * @param seconds of a hold, 0 to 3600
   * @param parts in the order they were done; empty when it was done in one go
   */
  public record Work(
      @Nullable Integer reps, @Nullable Integer seconds, @Nullable Hands hands, List<Part> parts) {
    public static final Work NOTHING = new Work(null, null, null, List.of());

    public Work {
      within("reps", reps, 500);
      within("seconds", seconds, 3600);
      parts = List.copyOf(parts);
      if (parts.size() > 20) {
        throw new IllegalArgumentException("a set has at most 20 parts, was " + parts.size());
      }
      if (!parts.isEmpty() && (reps != null || seconds != null || hands != null)) {
        throw new IllegalArgumentException(
            "a set told in parts has its repetitions and weights in them");
      }
    }

    Work over(Work earlier) {
      if (!parts.isEmpty() || !earlier.parts.isEmpty() && !equals(NOTHING)) {
        return this;
      }
      if (!earlier.parts.isEmpty()) {
        return earlier;
      }
      return new Work(
          later(reps, earlier.reps),
          later(seconds, earlier.seconds),
          later(hands, earlier.hands),
          List.of());
    }
  }

  /** What still comes over the lips, asked in a rest. */
  public enum Talk {
    SENTENCES,
    PHRASES,
    WORDS
  }

  /**
   * How hard it was.
   *
   * @param breathless on the same scale of 0 to 10
   * @param talk null when not asked
   */
  public record Strain(@Nullable Effort effort, @Nullable Effort breathless, @Nullable Talk talk) {
    public static final Strain NOTHING = new Strain(null, null, null);

    Strain over(Strain earlier) {
      return new Strain(
          later(effort, earlier.effort),
          later(breathless, earlier.breathless),
          later(talk, earlier.talk));
    }
  }

  /**
   * What hurt.
   *
   * @param during the greatest of the set
   * @param first at the first repetitions
   * @param later further into the set
   * @param after once it was done
   * @param where at most 60 characters
   * @param worse what makes it worse, at most 200 characters
   */
  public record Hurt(
      @Nullable Pain during,
      @Nullable Pain first,
      @Nullable Pain later,
      @Nullable Pain after,
      @Nullable String where,
      @Nullable String worse) {
    public static final Hurt NOTHING = new Hurt(null, null, null, null, null, null);

    public Hurt {
      text("where it hurts", where, 60);
      text("what makes it worse", worse, 200);
    }

    Hurt over(Hurt earlier) {
      return new Hurt(
          Entry.later(during, earlier.during),
          Entry.later(first, earlier.first),
          Entry.later(later, earlier.later),
          Entry.later(after, earlier.after),
          Entry.later(where, earlier.where),
          Entry.later(worse, earlier.worse));
    }

    /** The greatest pain told of the set; null when none was told, which is not 0. */
    public @Nullable Integer greatest() {
      Pain worst = null;
      for (Pain p : new Pain[] {during, first, later, after}) {
        if (p != null && (worst == null || p.compareTo(worst) > 0)) {
          worst = p;
        }
      }
      return worst == null ? null : worst.value();
    }
  }

  /**
   * How it was done.
   *
   * @param fault which fault when form was lost, at most 200 characters
   * @param support the modifiers used; null where it was done as the sheet says
   * @param touchDowns times a foot or hand touched down to keep balance, 0 to 99
   * @param grabs times the support was grabbed, 0 to 99
   */
  public record Form(
      @Nullable Boolean lost,
      @Nullable String fault,
      @Nullable Set<Modifier> support,
      @Nullable Integer touchDowns,
      @Nullable Integer grabs) {
    public static final Form NOTHING = new Form(null, null, null, null, null);

    public Form {
      text("the fault", fault, 200);
      within("touch-downs", touchDowns, 99);
      within("grabs", grabs, 99);
      support = support == null ? null : Set.copyOf(support);
    }

    Form over(Form earlier) {
      return new Form(
          later(lost, earlier.lost),
          later(fault, earlier.fault),
          later(support, earlier.support),
          later(touchDowns, earlier.touchDowns),
          later(grabs, earlier.grabs));
    }
  }

  /**
   * What is told beside it, and by whom.
   *
   * @param stoppedEarly why the set ended early, at most 200 characters
   * @param note at most 400 characters
   * @param corrects the event of an entry that this one stands in for; that one is then left out
   * @param askedBy who asked, where it is not who leads, at most 120 characters
   * @param notDone the set was not done after all; whatever is told of it later says it was
   */
  public record Telling(
      @Nullable String stoppedEarly,
      @Nullable String note,
      @Nullable UUID corrects,
      @Nullable String askedBy,
      boolean notDone) {
    public static final Telling OWN = new Telling(null, null, null, null, false);

    public Telling {
      text("why it ended early", stoppedEarly, 200);
      text("a note", note, 400);
      text("who asked", askedBy, 120);
    }

    Telling over(Telling earlier) {
      return new Telling(
          later(stoppedEarly, earlier.stoppedEarly),
          later(note, earlier.note),
          null,
          later(askedBy, earlier.askedBy),
          notDone);
    }
  }

  private static <T> @Nullable T later(@Nullable T now, @Nullable T before) {
    return now != null ? now : before;
  }

  private static void within(String what, @Nullable Integer value, int greatest) {
    if (value != null && (value < 0 || value > greatest)) {
      throw new IllegalArgumentException(
          what + " must lie between 0 and " + greatest + ", was " + value);
    }
  }

  private static void text(String what, @Nullable String value, int most) {
    if (value != null && value.length() > most) {
      throw new IllegalArgumentException(
          what + " takes at most " + most + " characters, was " + value.length());
    }
  }
}
