package riposo.core.tolerance;

import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.OptionalInt;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import riposo.core.limit.Side;
import riposo.core.run.DoneSet;
import riposo.core.tolerance.Change.Kind;

/**
 * What one run says about one family.
 *
 * @param entries the sets of that family in that run, at least one
 * @param painBefore pain before the run; null when not asked
 * @param stoppedBySign true when a sign of the stop panel that stands ended the run; a low that
 *     sugar settled is no such sign
 * @param cut true when today's dose was eased or short, or the run was stopped for whatever reason:
 *     such a session is no step towards more
 * @param effortCap greatest effort the run allowed; null when nothing capped it
 * @param othersHurt true when another family of the run was painful and this one was not: the next
 *     morning is then laid at the other's door
 * @param fewerForGap a gap cut the count of what was done: nothing was held, and it is one of the
 *     first two sessions after it
 * @param nextDay the check-in; null when not answered
 * @param second the second check-in, at 72 h; null where none was asked for
 * @param verdict what was decided after this run (accepted or overridden), or waits to be; null
 *     where there is none
 * @param taken the change that was decided on after this run; null while none was
 */
public record FamilySession(
    UUID runId,
    LocalDate date,
    List<DoneSet> entries,
    @Nullable Integer painBefore,
    boolean stoppedBySign,
    boolean cut,
    @Nullable Integer effortCap,
    boolean othersHurt,
    boolean fewerForGap,
    @Nullable NextDay nextDay,
    @Nullable Second second,
    @Nullable Verdict verdict,
    @Nullable Kind taken) {
  /**
   * A second check-in, asked for.
   *
   * @param answer null while it is not answered
   */
  public record Second(@Nullable NextDay answer) {}

  /** A session whose count no gap cut, and without a second check-in. */
  public FamilySession(
      UUID runId,
      LocalDate date,
      List<DoneSet> entries,
      @Nullable Integer painBefore,
      boolean stoppedBySign,
      boolean cut,
      @Nullable Integer effortCap,
      boolean othersHurt,
      @Nullable NextDay nextDay,
      @Nullable Verdict verdict) {
    this(
        runId,
        date,
        entries,
        painBefore,
        stoppedBySign,
        cut,
        effortCap,
        othersHurt,
        false,
        nextDay,
        null,
        verdict,
        null);
  }

  public FamilySession {
    if (entries.isEmpty()) {
      throw new IllegalArgumentException("a family session needs at least one entry");
    }
    entries = List.copyOf(entries);
  }

  /** Greatest pain during; empty when none was logged. */
  public OptionalInt pain() {
    return entries.stream().filter(e -> e.pain() != null).mapToInt(DoneSet::pain).max();
  }

  /** Greatest effort; empty when none was logged. */
  public OptionalInt effort() {
    return entries.stream().filter(e -> e.effort() != null).mapToInt(DoneSet::effort).max();
  }

  /** The movement of the last set. */
  public DoneSet last() {
    return entries.get(entries.size() - 1);
  }

  /**
   * The last set of each slot on each side, latest round first: a side that ended a round earlier
   * counts too.
   */
  public List<DoneSet> lastSets() {
    return entries.stream()
        .filter(
            e ->
                entries.stream()
                    .noneMatch(
                        x ->
                            x.slotKey().equals(e.slotKey())
                                && x.side() == e.side()
                                && x.round() > e.round()))
        .sorted(
            Comparator.comparing(DoneSet::round)
                .reversed()
                .thenComparing(e -> e.side() == Side.BOTH ? 0 : 1))
        .toList();
  }

  /** The forms it was done in. */
  public Set<DoneSet.Form> forms() {
    return entries.stream().map(DoneSet::form).collect(Collectors.toUnmodifiableSet());
  }

  /** What was answered afterwards: the next day, at 72 h. */
  public List<NextDay> answered() {
    return Stream.of(nextDay, second == null ? null : second.answer())
        .filter(Objects::nonNull)
        .toList();
  }

  /** New signs of any of the answers. */
  public Set<NextDay.Sign> newSigns() {
    return answered().stream()
        .flatMap(a -> a.signs().stream())
        .collect(Collectors.toUnmodifiableSet());
  }

  /** Tired out of proportion the next day or at 72 h. */
  public boolean moreTired() {
    return answered().stream().anyMatch(NextDay::moreTired);
  }

  /** The worse of next day and 72 h, minus before the run; empty when either is missing. */
  public OptionalInt morningRise() {
    return painBefore == null || othersHurt
        ? OptionalInt.empty()
        : answered().stream().mapToInt(a -> a.pain() - painBefore).max();
  }

  /** A second check-in was asked for and is not answered. */
  public boolean secondOpen() {
    return second != null && second.answer() == null;
  }

  /** True only when all that was asked is answered and nothing got worse. Unknown is not good. */
  public boolean settled() {
    Integer before = painBefore;
    return nextDay != null
        && before != null
        && !secondOpen()
        && answered().stream().allMatch(a -> a.settled(before));
  }
}
