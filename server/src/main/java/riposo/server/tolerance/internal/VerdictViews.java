package riposo.server.tolerance.internal;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import riposo.core.limit.Side;
import riposo.core.movement.Family;
import riposo.core.run.DoneSet;
import riposo.core.tolerance.Aftermath;
import riposo.core.tolerance.Change;
import riposo.core.tolerance.FamilySession;
import riposo.core.tolerance.History;
import riposo.core.tolerance.Judgement;
import riposo.core.tolerance.Verdict;
import riposo.core.tolerance.VerdictStatus;
import riposo.core.wording.VerdictWords;
import riposo.core.wording.Wording;
import riposo.server.movement.Movements;

/** Verdicts and what was decided on them, as they are shown. */
@Component
class VerdictViews {
  /**
   * A verdict as shown.
   *
   * @param ways other changes that may be taken; empty once it is decided
   * @param strength the estimate behind it; null where it cannot be made
   * @param between what weight would be a step at most; null where none is wanted
   * @param again why it was reckoned anew; null where it was not
   * @param taken the change taken, in a few words; null while undecided
   * @param changed limits, kit or the record have changed since: it can no longer be accepted
   */
  record VerdictView(
      UUID id,
      long version,
      UUID runId,
      LocalDate date,
      Verdict verdict,
      String rule,
      String source,
      String sentence,
      String changeKind,
      List<String> restsOn,
      String status,
      @Nullable Verdict decided,
      @Nullable String reason,
      @Nullable String decidedBy,
      @Nullable LocalDate decidedOn,
      boolean stops,
      @Nullable Ended ended,
      List<ChangeOffer> ways,
      @Nullable String strength,
      @Nullable String between,
      @Nullable String again,
      @Nullable String taken,
      boolean changed) {}

  /** The recorded word that ended a stop and refer. */
  record Ended(LocalDate on, String by, String reason) {}

  /**
   * A change that may be taken.
   *
   * @param kind as a decision names it
   * @param words in a few words
   */
  record ChangeOffer(Change.Kind kind, String words) {}

  /**
   * A decision against the verdict, and how it went.
   *
   * @param said what the record said
   * @param decided what was decided instead
   * @param since what the next sessions came to
   */
  record OverrideView(
      UUID id,
      String familyId,
      String family,
      LocalDate on,
      Verdict said,
      Verdict decided,
      @Nullable String by,
      @Nullable String reason,
      String since,
      Aftermath.Reading reading) {}

  private final Movements movements;

  VerdictViews(Movements movements) {
    this.movements = movements;
  }

  /** Decisions against the verdict whose sessions are known here, newest first. */
  List<OverrideView> overrides(Reckoner.Case of, History history) {
    return of.rows.stream()
        .filter(v -> v.status == VerdictStatus.OVERRIDDEN && v.decided != null)
        .filter(v -> history.session(v.familyId, v.runId).isPresent())
        .sorted((a, b) -> VerdictRow.after(a, b) ? -1 : VerdictRow.after(b, a) ? 1 : 0)
        .map(
            v -> {
              Aftermath a = Aftermath.of(history.of(v.familyId), v.runId, of.client.usualPain());
              return new OverrideView(
                  v.id,
                  v.familyId,
                  family(v.familyId),
                  v.decidedOn == null ? v.onDate : v.decidedOn,
                  v.verdict,
                  Objects.requireNonNull(v.decided),
                  v.decidedBy,
                  v.reason,
                  VerdictWords.aftermath(a),
                  a.reading());
            })
        .toList();
  }

  /** The name of a family; its id where nobody knows it any more. */
  String family(String id) {
    return movements.catalogue().families().stream()
        .filter(x -> x.id().equals(id))
        .findFirst()
        .map(Family::name)
        .orElse(id);
  }

  /** A set in words. */
  static String words(DoneSet e) {
    List<String> w = new ArrayList<>();
    w.add(
        "set "
            + e.round()
            + (e.side() == Side.BOTH ? "" : " " + e.side().name().toLowerCase(Locale.ROOT)));
    if (e.reps() != null) {
      w.add(e.reps() + " reps" + (e.targetReps() == null ? "" : " of " + e.targetReps()));
    }
    if (e.grams() != null) {
      w.add(e.grams() == 0 ? "no weight" : Wording.kg(e.grams()));
    }
    if (e.effort() != null) {
      w.add("effort " + e.effort());
    }
    if (e.pain() != null) {
      w.add("pain " + e.pain() + (e.painWhere() == null ? "" : " " + e.painWhere()));
    }
    return String.join(", ", w);
  }

  /** One verdict with what it rests on. */
  VerdictView view(VerdictRow v, Reckoner.Case of, History history) {
    Judgement j = of.proposal(v, history);
    VerdictWords words = new VerdictWords(movements.wording());
    boolean open = v.status == VerdictStatus.WAITING || v.status == VerdictStatus.SETTLED;
    boolean newest = of.newest(v.familyId).filter(x -> x.id.equals(v.id)).isPresent();
    FamilySession session = history.session(v.familyId, v.runId).orElse(null);
    Change taken = v.taken == null ? null : v.judgement().way(v.taken);
    return new VerdictView(
        v.id,
        v.version,
        v.runId,
        v.onDate,
        v.verdict,
        j.rule().id,
        j.rule().source,
        taken == null ? words.judgement(j) : words.taken(j, taken),
        j.change().kind().name(),
        restsOn(v, j, history),
        v.status.name(),
        v.decided,
        v.reason,
        v.decidedBy,
        v.decidedOn,
        v.stops(),
        v.endedOn == null || v.endedBy == null || v.endedReason == null
            ? null
            : new Ended(v.endedOn, v.endedBy, v.endedReason),
        open && newest
            ? j.ways().stream().map(c -> new ChangeOffer(c.kind(), words.way(c))).toList()
            : List.of(),
        session == null || v.verdict != Verdict.STEP_UP ? null : VerdictWords.strength(session),
        open && newest && session != null && v.verdict == Verdict.STEP_UP
            ? VerdictWords.between(j, of.steps(v.familyId, session).percent())
            : null,
        v.again,
        taken == null ? null : words.way(taken),
        j.verdict() != v.verdict);
  }

  private static String second(FamilySession s) {
    FamilySession.Second second = s.second();
    if (second == null) {
      return "";
    }
    return second.answer() == null
        ? ", at 72 h not answered"
        : ", at 72 h pain " + second.answer().pain();
  }

  private static List<String> restsOn(VerdictRow v, Judgement j, History history) {
    List<String> rests = new ArrayList<>();
    for (FamilySession s : history.of(v.familyId)) {
      if (j.runs().contains(s.runId())) {
        String next =
            s.nextDay() == null
                ? "no check-in"
                : "next morning pain "
                    + s.nextDay().pain()
                    + ", "
                    + s.nextDay().compared().name().toLowerCase(Locale.ROOT)
                    + second(s);
        rests.add(
            Wording.day(s.date())
                + ": "
                + s.entries().stream().map(VerdictViews::words).collect(Collectors.joining("; "))
                + "; "
                + next);
      }
    }
    return rests;
  }
}
