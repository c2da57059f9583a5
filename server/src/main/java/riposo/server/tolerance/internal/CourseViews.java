package riposo.server.tolerance.internal;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.movement.Catalogue;
import riposo.core.movement.Movement;
import riposo.core.review.Course;
import riposo.core.tolerance.FamilySession;
import riposo.core.tolerance.History;
import riposo.core.tolerance.Verdict;
import riposo.core.trend.FamilyTrends;
import riposo.core.wording.TrendWords;
import riposo.core.wording.VerdictWords;
import riposo.server.movement.Movements;
import riposo.server.run.Runs;
import riposo.server.tolerance.Courses;

/** Puts a client's families over some days together. */
@Component
@Transactional(readOnly = true)
class CourseViews implements Courses {
  private final Reckoner reckoner;
  private final Runs runs;
  private final Movements movements;
  private final VerdictViews verdicts;

  CourseViews(Reckoner reckoner, Runs runs, Movements movements, VerdictViews verdicts) {
    this.reckoner = reckoner;
    this.runs = runs;
    this.movements = movements;
    this.verdicts = verdicts;
  }

  @Override
  public List<FamilyCourse> of(UUID clientId, LocalDate from, LocalDate to) {
    Map<UUID, LocalDate> days =
        runs.lines(clientId, from).stream()
            .filter(l -> !l.date().isAfter(to))
            .collect(Collectors.toMap(Runs.SessionLine::runId, Runs.SessionLine::date));
    Map<String, List<Runs.SetLine>> sets = new LinkedHashMap<>();
    for (Runs.SetLine s : runs.setLines(clientId, from)) {
      if (days.containsKey(s.runId())) {
        sets.computeIfAbsent(s.familyId(), k -> new ArrayList<>()).add(s);
      }
    }
    Reckoner.Case of = reckoner.since(clientId, from);
    History history = of.history();
    Map<UUID, Map<String, Integer>> pulses = runs.workPulses(clientId);
    List<FamilyCourse> all = new ArrayList<>();
    sets.forEach(
        (family, done) -> {
          List<FamilySession> sessions =
              history.of(family).stream().filter(s -> days.containsKey(s.runId())).toList();
          if (!sessions.isEmpty()) {
            all.add(course(family, done, sessions, days, of, pulses));
          }
        });
    return all;
  }

  private FamilyCourse course(
      String family,
      List<Runs.SetLine> done,
      List<FamilySession> sessions,
      Map<UUID, LocalDate> days,
      Reckoner.Case of,
      Map<UUID, Map<String, Integer>> pulses) {
    Catalogue catalogue = movements.catalogue();
    Levels levels = new Levels(done, catalogue);
    List<Levels.Step> steps = levels.steps();
    List<VerdictRow> rows =
        of.rows.stream()
            .filter(v -> v.familyId.equals(family) && days.containsKey(v.runId) && !v.takenBack())
            .toList();
    VerdictRow newest = rows.stream().reduce((a, b) -> VerdictRow.after(b, a) ? b : a).orElse(null);
    VerdictWords words = new VerdictWords(movements.wording());
    return new FamilyCourse(
        family,
        verdicts.family(family),
        catalogue.families().stream()
            .filter(f -> f.id().equals(family))
            .flatMap(f -> f.tasks().stream())
            .map(t -> t.words)
            .toList(),
        Course.of(
            sessions,
            id -> catalogue.find(id).map(Movement::rung).orElse(0),
            of.client.usualPain()),
        steps.get(0).words(),
        steps.get(steps.size() - 1).words(),
        levels.count(),
        steps.stream()
            .map(
                s ->
                    new CourseStep(
                        java.util.Objects.requireNonNull(days.get(s.runId())), s.level()))
            .toList(),
        (int) rows.stream().filter(v -> v.verdict == Verdict.EASE).count(),
        (int) rows.stream().filter(v -> v.verdict == Verdict.STOP_AND_REFER).count(),
        sessions.get(sessions.size() - 1).entries().stream().map(VerdictViews::words).toList(),
        newest == null ? null : words.judgement(newest.judgement()),
        newest == null
            ? null
            : newest.judgement().rule().id + "; " + newest.judgement().rule().source,
        TrendWords.lines(FamilyTrends.of(sessions, ToleranceViews.own(pulses, family))).stream()
            .filter(TrendWords.TrendLine::speaks)
            .toList());
  }
}
