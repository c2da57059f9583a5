package riposo.server.review.internal;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.limit.Limit;
import riposo.core.limit.Strength;
import riposo.core.run.RunState;
import riposo.core.screening.Finding;
import riposo.core.tolerance.NextDay;
import riposo.core.wording.Wording;
import riposo.server.checkin.CheckIns;
import riposo.server.client.Clients;
import riposo.server.diary.Diary;
import riposo.server.limit.Limits;
import riposo.server.platform.Studios;
import riposo.server.run.Runs;
import riposo.server.screening.Readiness;
import riposo.server.tolerance.Courses;

/** Puts together what a review looks at. */
@Component
@Transactional(readOnly = true)
class FactsReader {
  private static final int WEEK = 7;

  private final Clients clients;
  private final Runs runs;
  private final Courses courses;
  private final CheckIns checkIns;
  private final Diary diary;
  private final Limits limits;
  private final Readiness readiness;
  private final Studios studios;

  FactsReader(
      Clients clients,
      Runs runs,
      Courses courses,
      CheckIns checkIns,
      Diary diary,
      Limits limits,
      Readiness readiness,
      Studios studios) {
    this.clients = clients;
    this.runs = runs;
    this.courses = courses;
    this.checkIns = checkIns;
    this.diary = diary;
    this.limits = limits;
    this.readiness = readiness;
    this.studios = studios;
  }

  ReviewFacts read(UUID clientId, LocalDate from, LocalDate to) {
    Clients.Client client = clients.require(clientId);
    List<Runs.SessionLine> lines =
        runs.lines(clientId, from).stream().filter(l -> !l.date().isAfter(to)).toList();
    Map<UUID, NextDay> told = checkIns.mornings(clientId).next();
    List<NextDay> mornings =
        lines.stream().map(l -> told.get(l.runId())).filter(Objects::nonNull).toList();
    List<Limit> all = limits.of(clientId);
    List<Courses.FamilyCourse> families = courses.of(clientId, from, to);
    Readiness.ClientStanding standing = readiness.of(clientId);
    Studios.Studio studio = studios.current();
    return new ReviewFacts(
        client.name(),
        client.age(),
        client.facts(),
        Stream.concat(Stream.ofNullable(client.goal()), client.record().goals().stream())
            .distinct()
            .toList(),
        client.school().name(),
        client.usualPain(),
        client.goalEffort(),
        studio.name(),
        studio.phone(),
        studio.emergencyNumber(),
        from,
        to,
        lines.size(),
        mornings.size(),
        (int)
            mornings.stream()
                .filter(m -> m.compared() == NextDay.Compared.WORSE || !m.signs().isEmpty())
                .count(),
        weeks(lines, from, to),
        (int) lines.stream().filter(l -> l.status() == RunState.Status.STOPPED).count(),
        families,
        diary.marks(clientId, from).stream()
            .filter(m -> !m.on().isAfter(to) && (m.grave() || m.entryId() != null))
            .toList(),
        all.stream()
            .filter(l -> !l.from().isBefore(from) && !l.from().isAfter(to) && stands(l))
            .map(FactsReader::line)
            .toList(),
        all.stream()
            .filter(l -> l.activeOn(from) && !l.activeOn(to))
            .map(FactsReader::line)
            .toList(),
        all.stream().filter(l -> l.activeOn(to)).map(FactsReader::line).toList(),
        standing.findings().stream().map(Finding::text).toList(),
        families.stream()
            .filter(f -> f.verdict() != null)
            .map(f -> f.family() + ": " + f.verdict())
            .toList());
  }

  /** One that was taken back on its first day never held. */
  private static boolean stands(Limit l) {
    return l.liftedFrom() == null || l.liftedFrom().isAfter(l.from());
  }

  private static List<ReviewFacts.Week> weeks(
      List<Runs.SessionLine> lines, LocalDate from, LocalDate to) {
    List<ReviewFacts.Week> weeks = new ArrayList<>();
    // counted back from the last day, so that the last week is a whole one
    int over = (int) ((ChronoUnit.DAYS.between(from, to) + 1) % WEEK);
    LocalDate next = from.plusDays(over);
    if (over > 0) {
      weeks.add(week(lines, from, next));
    }
    for (; !next.isAfter(to); next = next.plusDays(WEEK)) {
      weeks.add(week(lines, next, next.plusDays(WEEK)));
    }
    return weeks;
  }

  private static ReviewFacts.Week week(
      List<Runs.SessionLine> lines, LocalDate first, LocalDate end) {
    List<Runs.SessionLine> held =
        lines.stream().filter(l -> !l.date().isBefore(first) && l.date().isBefore(end)).toList();
    return new ReviewFacts.Week(first, held.size(), load(held));
  }

  private static @Nullable Integer load(List<Runs.SessionLine> held) {
    int sum = 0;
    for (Runs.SessionLine l : held) {
      Integer load = l.load();
      if (load == null) {
        return null;
      }
      sum += load;
    }
    return sum;
  }

  private static ReviewFacts.LimitLine line(Limit l) {
    return new ReviewFacts.LimitLine(
        Wording.limit(l.axisId(), l.side(), l.cap()),
        l.strength() == Strength.FIRM,
        l.source(),
        l.from(),
        l.until());
  }
}
