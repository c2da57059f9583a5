package riposo.server.tolerance.internal;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import riposo.core.dose.Gap;
import riposo.core.limit.Side;
import riposo.core.movement.Family;
import riposo.core.movement.Movement;
import riposo.core.run.DoneSet;
import riposo.core.tolerance.Aftermath;
import riposo.core.tolerance.Change;
import riposo.core.tolerance.FamilySession;
import riposo.core.tolerance.History;
import riposo.core.tolerance.Judgement;
import riposo.core.tolerance.Verdict;
import riposo.core.tolerance.VerdictStatus;
import riposo.core.trend.FamilyTrends;
import riposo.core.wording.TrendWords;
import riposo.core.wording.VerdictWords;
import riposo.core.wording.Wording;
import riposo.server.movement.Movements;
import riposo.server.run.Runs;

/** Tolerance as it is shown: the sentences made of the facts on file. */
@Component
class ToleranceViews {
  /** One session in a family's row. */
  record Point(
      UUID runId,
      LocalDate date,
      int rung,
      String movement,
      @Nullable Integer effort,
      @Nullable Integer pain,
      @Nullable Integer nextMorning,
      boolean answered,
      List<String> entries) {}

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
      List<WayView> ways,
      @Nullable String strength,
      @Nullable String between,
      @Nullable String again,
      @Nullable String taken,
      boolean changed) {}

  /**
   * A change that may be taken.
   *
   * @param kind as a decision names it
   * @param words in a few words
   */
  record WayView(Change.Kind kind, String words) {}

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

  /** The recorded word that ended a stop and refer. */
  record Ended(LocalDate on, String by, String reason) {}

  /** A family's row. */
  record FamilyRow(
      String familyId,
      String family,
      String current,
      int rungs,
      List<Point> points,
      @Nullable VerdictView verdict,
      List<VerdictView> record,
      List<TrendWords.Line> trends,
      @Nullable String gap) {}

  /** A client's tolerance. */
  record ToleranceView(
      int sessions,
      @Nullable LocalDate since,
      String school,
      int waiting,
      List<FamilyRow> families,
      List<OverrideView> overrides) {}

  private final Reckoner reckoner;
  private final Runs runs;
  private final Movements movements;

  ToleranceViews(Reckoner reckoner, Runs runs, Movements movements) {
    this.reckoner = reckoner;
    this.runs = runs;
    this.movements = movements;
  }

  ToleranceView view(UUID clientId) {
    Reckoner.Case of = reckoner.of(clientId);
    History history = of.history();
    Map<UUID, Map<String, Integer>> pulses = runs.workPulses(clientId);
    Map<String, List<VerdictRow>> byFamily =
        of.rows.stream().collect(Collectors.groupingBy(v -> v.familyId));
    List<FamilyRow> families = new ArrayList<>();
    for (Map.Entry<String, List<FamilySession>> f : history.families().entrySet()) {
      families.add(
          family(of, history, f.getKey(), byFamily.getOrDefault(f.getKey(), List.of()), pulses));
    }
    List<Runs.Summary> all = runs.summaries(clientId);
    return new ToleranceView(
        all.size(),
        all.isEmpty() ? null : all.get(0).date(),
        of.client.school().name(),
        (int)
            families.stream()
                .filter(f -> f.verdict() != null && f.verdict().status().equals("WAITING"))
                .count(),
        families,
        overrides(of, history));
  }

  /** Decisions against the verdict, newest first. */
  private List<OverrideView> overrides(Reckoner.Case of, History history) {
    return of.rows.stream()
        .filter(v -> v.status == VerdictStatus.OVERRIDDEN && v.decided != null)
        .sorted((a, b) -> VerdictRow.after(a, b) ? -1 : VerdictRow.after(b, a) ? 1 : 0)
        .map(
            v -> {
              Aftermath a = Aftermath.of(history.of(v.familyId), v.runId, of.client.usualPain());
              return new OverrideView(
                  v.id,
                  v.familyId,
                  familyName(v.familyId),
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

  private String familyName(String id) {
    return movements.catalogue().families().stream()
        .filter(x -> x.id().equals(id))
        .findFirst()
        .map(Family::name)
        .orElse(id);
  }

  private FamilyRow family(
      Reckoner.Case of,
      History history,
      String id,
      List<VerdictRow> rows,
      Map<UUID, Map<String, Integer>> pulses) {
    List<FamilySession> sessions = history.of(id);
    List<VerdictView> record = rows.stream().map(v -> view(v, of, history)).toList();
    FamilySession last = sessions.get(sessions.size() - 1);
    Map<UUID, Integer> own = new HashMap<>();
    pulses.forEach(
        (run, at) -> {
          Integer pulse = at.get(id);
          if (pulse != null) {
            own.put(run, pulse);
          }
        });
    Gap gap = of.day().gaps().get(id);
    return new FamilyRow(
        id,
        familyName(id),
        name(last.last().movementId()),
        movements.catalogue().families().stream()
            .filter(x -> x.id().equals(id))
            .findFirst()
            .map(x -> x.rungs().size())
            .orElse(0),
        sessions.stream().map(this::point).toList(),
        record.stream()
            .filter(VerdictView::stops)
            .findFirst()
            .orElse(record.isEmpty() ? null : record.get(record.size() - 1)),
        record,
        TrendWords.lines(FamilyTrends.of(sessions, own)),
        gap == null ? null : VerdictWords.gap(gap));
  }

  /** One verdict with what it rests on. */
  VerdictView view(VerdictRow row) {
    Reckoner.Case of = reckoner.of(row.clientId);
    return view(row, of, of.history());
  }

  private Point point(FamilySession s) {
    return new Point(
        s.runId(),
        s.date(),
        movements.catalogue().find(s.last().movementId()).map(Movement::rung).orElse(0),
        name(s.last().movementId()),
        s.effort().isPresent() ? (Integer) s.effort().getAsInt() : null,
        s.pain().isPresent() ? (Integer) s.pain().getAsInt() : null,
        s.nextDay() == null ? null : s.nextDay().pain(),
        s.nextDay() != null,
        s.entries().stream().map(ToleranceViews::words).toList());
  }

  private String name(String movementId) {
    return movements.catalogue().find(movementId).map(Movement::name).orElse(movementId);
  }

  private static String words(DoneSet e) {
    List<String> w = new ArrayList<>();
    w.add(
        "set "
            + e.round()
            + (e.side() == Side.BOTH
                ? ""
                : " " + e.side().name().toLowerCase(java.util.Locale.ROOT)));
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

  private VerdictView view(VerdictRow v, Reckoner.Case of, History history) {
    Judgement j = of.proposal(v, history);
    VerdictWords words = new VerdictWords(movements.wording());
    boolean changed = j.verdict() != v.verdict;
    boolean open = v.status == VerdictStatus.WAITING || v.status == VerdictStatus.SETTLED;
    boolean newest = of.newest(v.familyId).filter(x -> x.id.equals(v.id)).isPresent();
    FamilySession session = history.session(v.familyId, v.runId).orElse(null);
    Change taken = v.taken == null ? null : v.judgement().way(v.taken);
    List<String> rests = new ArrayList<>();
    for (FamilySession s : history.of(v.familyId)) {
      if (j.runs().contains(s.runId())) {
        String next =
            s.nextDay() == null
                ? "no check-in"
                : "next morning pain "
                    + s.nextDay().pain()
                    + ", "
                    + s.nextDay().compared().name().toLowerCase(java.util.Locale.ROOT);
        rests.add(
            Wording.day(s.date())
                + ": "
                + s.entries().stream().map(ToleranceViews::words).collect(Collectors.joining("; "))
                + "; "
                + next);
      }
    }
    return new VerdictView(
        v.id,
        v.version,
        v.runId,
        v.onDate,
        v.verdict,
        j.rule().id,
        j.rule().source,
        words.judgement(j),
        j.change().kind().name(),
        rests,
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
            ? j.ways().stream().map(c -> new WayView(c.kind(), words.way(c))).toList()
            : List.of(),
        session == null || v.verdict != Verdict.STEP_UP ? null : VerdictWords.strength(session),
        open && newest && session != null && v.verdict == Verdict.STEP_UP
            ? VerdictWords.between(j, of.steps(v.familyId, session).percent())
            : null,
        v.again,
        taken == null ? null : words.way(taken),
        changed);
  }
}
