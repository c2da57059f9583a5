package riposo.core.tolerance;

import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * How it went after a decision against the verdict: the next sessions of the family, four at most.
 *
 * @param sessions how many there were
 * @param leastPain of those where pain was told; null where it was told in none
 * @param mostPain the greatest
 * @param answered mornings answered
 * @param settled of them those on which nothing was worse
 * @param worse the first verdict since that eases or stops; null where none does
 */
public record Aftermath(
    int sessions,
    @Nullable Integer leastPain,
    @Nullable Integer mostPain,
    int answered,
    int settled,
    @Nullable Verdict worse,
    Reading reading) {
  /** Sessions looked at. */
  public static final int SESSIONS = 4;

  private static final int ENOUGH = 2;

  /** What it comes to. */
  public enum Reading {
    /** Fewer than two sessions since. */
    TOO_EARLY,
    /** Pain told and at or under the usual, mornings answered and settled, nothing eased. */
    WELL,
    /** Eased or stopped since. */
    WORSE,
    /** Something was not told, or a morning was not settled. */
    UNCLEAR
  }

  /**
   * @param all the family's sessions in time order
   * @param decided the run whose verdict was decided otherwise
   * @param usualPain of the client, 0 to 10
   */
  public static Aftermath of(List<FamilySession> all, UUID decided, int usualPain) {
    int at = 0;
    while (at < all.size() && !all.get(at).runId().equals(decided)) {
      at++;
    }
    List<FamilySession> since =
        at >= all.size() ? List.of() : all.subList(at + 1, Math.min(all.size(), at + 1 + SESSIONS));
    List<Integer> pains =
        since.stream()
            .filter(s -> s.pain().isPresent())
            .map(s -> s.pain().getAsInt())
            .sorted()
            .toList();
    int answered = (int) since.stream().filter(s -> s.nextDay() != null).count();
    int settled = (int) since.stream().filter(FamilySession::settled).count();
    Verdict worse =
        since.stream()
            .map(FamilySession::verdict)
            .filter(v -> v == Verdict.EASE || v == Verdict.STOP_AND_REFER)
            .findFirst()
            .orElse(null);
    boolean known = pains.size() == since.size() && settled == since.size();
    boolean fine = known && pains.stream().allMatch(p -> p <= usualPain);
    return new Aftermath(
        since.size(),
        pains.isEmpty() ? null : pains.get(0),
        pains.isEmpty() ? null : pains.get(pains.size() - 1),
        answered,
        settled,
        worse,
        worse != null
            ? Reading.WORSE
            : since.size() < ENOUGH ? Reading.TOO_EARLY : fine ? Reading.WELL : Reading.UNCLEAR);
  }
}
