package riposo.server.tolerance.internal;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.OptionalInt;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import riposo.core.dose.Gap;
import riposo.core.dose.Sided;
import riposo.core.limit.Side;
import riposo.core.run.DoneSet;
import riposo.core.run.Entry;
import riposo.core.tolerance.FamilySession;
import riposo.core.tolerance.History;
import riposo.core.tolerance.Level;
import riposo.core.trend.FamilyTrends;
import riposo.core.wording.TrendWords;
import riposo.core.wording.VerdictWords;
import riposo.server.platform.Problems;
import riposo.server.platform.Studios;
import riposo.server.run.Runs;
import riposo.server.tolerance.internal.VerdictViews.VerdictView;

/** One family large: every figure of its sessions, and its verdicts. */
@Component
class FamilyViews {
  /**
   * A session of the family; what was not told is null.
   *
   * @param same the form, weight and count of the newest session
   * @param asked repetitions asked of the last set, or seconds of a hold
   * @param done of the last set
   * @param first pain at the first repetitions, {@code later} further on, {@code after} once done
   * @param rise next morning less before the session
   * @param pulse median at the work, beats a minute
   * @param leftDone repetitions or seconds of the last set on the left, {@code rightDone} right
   */
  record SessionPoint(
      UUID runId,
      LocalDate date,
      String movement,
      @Nullable Sided weight,
      boolean same,
      @Nullable Integer effort,
      @Nullable Integer asked,
      @Nullable Integer done,
      @Nullable Integer pain,
      @Nullable Integer first,
      @Nullable Integer later,
      @Nullable Integer after,
      @Nullable Integer morning,
      @Nullable Integer rise,
      @Nullable Integer pulse,
      @Nullable Integer leftDone,
      @Nullable Integer rightDone,
      List<String> sets) {}

  /**
   * A family of a client.
   *
   * @param record its verdicts, newest first
   */
  record FamilyView(
      String familyId,
      String family,
      String current,
      LocalDate today,
      int painLine,
      int aimLow,
      int aimHigh,
      List<SessionPoint> points,
      List<TrendWords.TrendLine> trends,
      @Nullable String gap,
      List<VerdictView> record) {}

  private final Reckoner reckoner;
  private final Runs runs;
  private final VerdictViews verdicts;
  private final ToleranceViews names;
  private final Studios studios;

  FamilyViews(
      Reckoner reckoner, Runs runs, VerdictViews verdicts, ToleranceViews names, Studios studios) {
    this.reckoner = reckoner;
    this.runs = runs;
    this.verdicts = verdicts;
    this.names = names;
    this.studios = studios;
  }

  /**
   * A family over a span.
   *
   * @param weeks up to today; null for all
   */
  FamilyView view(UUID clientId, String family, @Nullable Integer weeks) {
    LocalDate today = studios.today();
    LocalDate from = weeks == null ? LocalDate.EPOCH : today.minusWeeks(weeks).plusDays(1);
    Reckoner.Case shown = reckoner.showing(clientId, from);
    Reckoner.Case of =
        shown.history().of(family).isEmpty() ? reckoner.since(clientId, LocalDate.EPOCH) : shown;
    History history = of.history();
    List<FamilySession> all = history.of(family);
    if (all.isEmpty()) {
      throw Problems.notFound("family with a session", family);
    }
    Map<UUID, Integer> pulses = ToleranceViews.own(runs.workPulses(clientId), family);
    FamilySession newest = all.get(all.size() - 1);
    Gap gap = of.day().gaps().get(family);
    return new FamilyView(
        family,
        verdicts.family(family),
        names.name(newest.last().movementId()),
        today,
        of.client.school().line(of.client.usualPain()),
        Math.max(1, of.client.goalEffort() - 1),
        of.client.goalEffort(),
        all.stream()
            .filter(s -> !s.date().isBefore(from))
            .map(s -> point(s, newest, pulses.get(s.runId())))
            .toList(),
        TrendWords.lines(FamilyTrends.of(all, pulses)),
        gap == null ? null : VerdictWords.gap(gap),
        of.rows.stream()
            .filter(v -> v.familyId.equals(family) && !v.onDate.isBefore(from))
            .sorted(Comparator.comparing((VerdictRow v) -> v.onDate).reversed())
            .map(v -> verdicts.view(v, of, history))
            .toList());
  }

  private SessionPoint point(FamilySession s, FamilySession newest, @Nullable Integer pulse) {
    DoneSet last = s.lastSets().get(0);
    return new SessionPoint(
        s.runId(),
        s.date(),
        names.name(last.movementId()),
        Level.of(s).weight(),
        FamilyTrends.sameWork(s, newest),
        boxed(s.effort()),
        last.targetReps() == null ? last.asked().holdSeconds() : last.targetReps(),
        did(last),
        boxed(s.pain()),
        most(s, Entry.Hurt::first),
        most(s, Entry.Hurt::later),
        most(s, Entry.Hurt::after),
        s.nextDay() == null ? null : (Integer) s.nextDay().pain(),
        boxed(s.morningRise()),
        pulse,
        side(s, Side.LEFT),
        side(s, Side.RIGHT),
        s.entries().stream().map(VerdictViews::words).toList());
  }

  private static @Nullable Integer boxed(OptionalInt o) {
    return o.isPresent() ? (Integer) o.getAsInt() : null;
  }

  private static @Nullable Integer did(DoneSet s) {
    return s.reps() == null ? s.entry().work().seconds() : s.reps();
  }

  private static @Nullable Integer side(FamilySession s, Side side) {
    return s.lastSets().stream()
        .filter(e -> e.side() == side)
        .map(FamilyViews::did)
        .filter(Objects::nonNull)
        .findFirst()
        .orElse(null);
  }

  private interface Told {
    riposo.core.quantity.@Nullable Pain of(Entry.Hurt h);
  }

  private static @Nullable Integer most(FamilySession s, Told told) {
    List<Integer> all = new ArrayList<>();
    for (DoneSet e : s.entries()) {
      riposo.core.quantity.Pain p = told.of(e.entry().hurt());
      if (p != null) {
        all.add(p.value());
      }
    }
    return all.isEmpty() ? null : java.util.Collections.max(all);
  }
}
