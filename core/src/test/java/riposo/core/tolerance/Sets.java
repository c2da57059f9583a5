package riposo.core.tolerance;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.core.dose.Dose;
import riposo.core.limit.Side;
import riposo.core.movement.Modifier;
import riposo.core.run.DoneSet;
import riposo.core.run.Entry;

/** A session of a family for tests, set by set; whole, unhurt and settled unless said otherwise. */
public final class Sets {
  private static final UUID WHO = new UUID(0, 7);
  private final LocalDate day;
  private final List<DoneSet> sets = new ArrayList<>();
  private Set<Modifier> support = Set.of();
  private @Nullable NextDay next = new NextDay(0, NextDay.Compared.SAME, false, Set.of());
  private FamilySession.@Nullable Second second;
  private @Nullable Verdict decided;
  private Change.@Nullable Kind taken;
  private int painBefore;
  private boolean cut;
  private int target = 10;
  private int round;

  private Sets(LocalDate day) {
    this.day = day;
  }

  public static Sets on(LocalDate day) {
    return new Sets(day);
  }

  public Sets target(int reps) {
    target = reps;
    return this;
  }

  public Sets support(Modifier... with) {
    support = Set.of(with);
    return this;
  }

  public Sets next(@Nullable NextDay answer) {
    next = answer;
    return this;
  }

  public Sets second(FamilySession.@Nullable Second asked) {
    second = asked;
    return this;
  }

  public Sets morning(int pain) {
    return next(new NextDay(pain, NextDay.Compared.SAME, false, Set.of()));
  }

  public Sets before(int pain) {
    painBefore = pain;
    return this;
  }

  public Sets decided(Verdict verdict) {
    decided = verdict;
    return this;
  }

  public Sets taken(Change.@Nullable Kind change) {
    taken = change;
    return this;
  }

  public Sets cut() {
    cut = true;
    return this;
  }

  /** A set told whole; null leaves a number untold. */
  public Sets set(
      Side side,
      @Nullable Integer grams,
      @Nullable Integer reps,
      @Nullable Integer effort,
      @Nullable Integer pain) {
    return set(
        "row",
        grams,
        Entry.of("s1", side == Side.RIGHT ? round : ++round, side)
            .grams(grams)
            .reps(reps)
            .effort(effort)
            .pain(pain, null));
  }

  public Sets set(String movement, @Nullable Integer grams, Entry entry) {
    sets.add(
        new DoneSet(
            WHO,
            movement,
            new DoneSet.Form(movement, support, 100, entry.side()),
            "pull",
            new Dose(2, target, null, grams, 1, null, false),
            entry));
    return this;
  }

  public FamilySession session() {
    return new FamilySession(
        UUID.nameUUIDFromBytes(day.toString().getBytes(java.nio.charset.StandardCharsets.UTF_8)),
        day,
        sets,
        painBefore,
        false,
        cut,
        null,
        false,
        false,
        next,
        second,
        decided,
        taken);
  }
}
