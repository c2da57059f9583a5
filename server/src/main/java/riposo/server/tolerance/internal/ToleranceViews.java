package riposo.server.tolerance.internal;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Component;
import riposo.core.dose.Gap;
import riposo.core.run.RunState;
import riposo.core.today.TodayCheck;
import riposo.core.tolerance.FamilySession;
import riposo.core.tolerance.History;
import riposo.core.tolerance.VerdictStatus;
import riposo.core.trend.FamilyTrends;
import riposo.core.trend.Point;
import riposo.core.trend.Trend;
import riposo.core.trend.WeekLoad;
import riposo.core.wording.TrendWords;
import riposo.core.wording.VerdictWords;
import riposo.server.client.Clients;
import riposo.server.movement.Movements;
import riposo.server.platform.Stamped;
import riposo.server.platform.Stamps;
import riposo.server.platform.StudioContext;
import riposo.server.platform.Studios;
import riposo.server.run.Runs;
import riposo.server.screening.TodayChecks;
import riposo.server.tolerance.Bookings;
import riposo.server.tolerance.internal.VerdictViews.OverrideView;
import riposo.server.tolerance.internal.VerdictViews.VerdictView;

/** Tolerance as it is shown: the sentences made of the facts on file. */
@Component
class ToleranceViews {
  /** HeldHow a session ended, or was cut. */
  enum HeldHow {
    WHOLE,
    EASED,
    SHORT,
    STOPPED,
    OPEN
  }

  /**
   * A session.
   *
   * @param load effort times minutes; null where one of them is not known
   * @param answered the morning after is
   */
  record HeldSession(
      UUID runId,
      LocalDate date,
      String plan,
      @Nullable Integer effort,
      @Nullable Integer minutes,
      @Nullable Integer load,
      HeldHow how,
      boolean answered) {}

  /** Days without any session: from the day after the last one to the day before the next. */
  record TimeAway(LocalDate from, LocalDate to, int days) {}

  /**
   * A family in one session.
   *
   * @param at which session, by its place in the list
   * @param level how high the line is drawn, from 0
   * @param label weight or movement where it changes; null where it stays
   * @param effort of the last set; null where it was not told
   * @param pain greatest during; null where it was not told
   * @param morning pain the next morning; null where it was not answered
   */
  record FamilyMark(
      int at,
      int level,
      @Nullable String label,
      @Nullable Integer effort,
      @Nullable Integer pain,
      @Nullable Integer morning) {}

  /**
   * A family's strip.
   *
   * @param tasks of the day it is for
   * @param current what is done now
   * @param levels how many there are
   * @param gap what a gap takes off it now; null where there is none
   */
  record FamilyRow(
      String familyId,
      String family,
      List<String> tasks,
      String current,
      int levels,
      List<FamilyMark> marks,
      @Nullable VerdictView verdict,
      List<TrendWords.TrendLine> trends,
      @Nullable String gap) {}

  /**
   * All sessions in words.
   *
   * @param sessions in the span shown
   * @param answered of them those with an answered morning
   * @param missed days on which a session of their own was booked and none held, before today
   * @param prompt the week's load is worth a look
   */
  record SpanSummary(int sessions, int answered, int missed, boolean prompt, List<String> lines) {}

  /**
   * A client's tolerance over a span.
   *
   * @param from the first day of the span
   * @param sessions of the client in all
   * @param since the first of them; null when there is none
   * @param painLine the greatest pain that does not ease
   * @param aimLow lower end of the effort aimed for
   */
  record ToleranceView(
      LocalDate today,
      LocalDate from,
      int sessions,
      @Nullable LocalDate since,
      String school,
      int painLine,
      int aimLow,
      int aimHigh,
      int waiting,
      List<HeldSession> list,
      List<TimeAway> away,
      SpanSummary summary,
      List<FamilyRow> families,
      List<OverrideView> overrides) {
    /** How much there is of it, in marks of the strips; a family with its words counts as 60. */
    int size() {
      return list.size()
          + families.stream().mapToInt(f -> 60 + f.marks().size()).sum()
          + 10 * overrides.size();
    }
  }

  private record Key(UUID clientId, @Nullable Integer weeks) {}

  private record Under(long client, long studio, LocalDate today) {}

  /** Some 30 MB at most: twelve weeks of 500 clients, or five years of 80. */
  private final Stamped<Key, Under, ToleranceView> known =
      new Stamped<>(300_000, ToleranceView::size);

  private final Reckoner reckoner;
  private final VerdictStore store;
  private final Runs runs;
  private final Movements movements;
  private final VerdictViews verdicts;
  private final TodayChecks checks;
  private final Studios studios;
  private final Clients clients;
  private final Stamps stamps;
  private final ObjectProvider<Bookings> bookings;

  ToleranceViews(
      Reckoner reckoner,
      VerdictStore store,
      Runs runs,
      Movements movements,
      VerdictViews verdicts,
      TodayChecks checks,
      Studios studios,
      Clients clients,
      Stamps stamps,
      ObjectProvider<Bookings> bookings) {
    this.reckoner = reckoner;
    this.store = store;
    this.runs = runs;
    this.movements = movements;
    this.verdicts = verdicts;
    this.checks = checks;
    this.studios = studios;
    this.clients = clients;
    this.stamps = stamps;
    this.bookings = bookings;
  }

  /**
   * The tolerance of a client, worked out anew where something of the client or of the studio
   * changed since. What a decision rests on is never taken from here.
   *
   * @param weeks up to today; null for all
   */
  ToleranceView view(UUID clientId, @Nullable Integer weeks) {
    clients.require(clientId);
    LocalDate today = studios.today();
    Map<UUID, Long> now = stamps.of(List.of(clientId));
    Under under =
        new Under(
            now.getOrDefault(clientId, 0L), now.getOrDefault(StudioContext.current(), 0L), today);
    return known.of(
        new Key(clientId, weeks),
        under,
        () -> anew(clientId, weeks, today),
        // while a run goes on it says more than its people and sets do
        view -> view.list().stream().noneMatch(s -> s.how() == HeldHow.OPEN));
  }

  private ToleranceView anew(UUID clientId, @Nullable Integer weeks, LocalDate today) {
    Runs.Trained trained = runs.trained(List.of(clientId)).stream().findFirst().orElse(null);
    LocalDate first = trained == null ? today : trained.first();
    // a span begins with the first session where that is later
    LocalDate start = weeks == null ? first : today.minusWeeks(weeks).plusDays(1);
    LocalDate from = start.isBefore(first) ? first : start;
    LocalDate load = today.minusDays(WeekLoad.SPAN);
    List<Runs.SessionLine> read = runs.lines(clientId, from.isBefore(load) ? from : load);
    Reckoner.Case of = reckoner.of(clientId, trained == null ? today : trained.newest(), from);
    List<Runs.SessionLine> lines = read.stream().filter(l -> !l.date().isBefore(from)).toList();
    History history = of.history();
    Map<UUID, Integer> at = new HashMap<>();
    lines.forEach(l -> at.put(l.runId(), at.size()));
    List<HeldSession> list = lines.stream().map(l -> session(l, of)).toList();
    Map<String, List<Runs.SetLine>> sets = new LinkedHashMap<>();
    for (Runs.SetLine s : runs.setLines(clientId, from)) {
      if (at.containsKey(s.runId())) {
        sets.computeIfAbsent(s.familyId(), k -> new ArrayList<>()).add(s);
      }
    }
    Map<UUID, Map<String, Integer>> pulses = runs.workPulses(clientId);
    Map<String, Map<UUID, String>> changed = new HashMap<>();
    for (VerdictStore.Taken t : store.taken(clientId, from)) {
      changed
          .computeIfAbsent(t.familyId(), k -> new HashMap<>())
          .put(t.runId(), VerdictWords.mark(t.kind()));
    }
    List<FamilyRow> families = new ArrayList<>();
    sets.forEach(
        (family, done) -> families.add(family(of, history, family, done, at, pulses, changed)));
    // what waits or stops is shown however long ago it was done
    of.rows.stream()
        .filter(v -> v.status == VerdictStatus.WAITING || v.stops())
        .map(v -> v.familyId)
        .distinct()
        .filter(family -> !sets.containsKey(family))
        .forEach(
            family -> families.add(family(of, history, family, List.of(), at, pulses, changed)));
    return new ToleranceView(
        today,
        from,
        runs.count(clientId),
        trained == null ? null : first,
        of.client.school().name(),
        of.client.school().line(of.client.usualPain()),
        Math.max(1, of.client.goalEffort() - 1),
        of.client.goalEffort(),
        (int)
            families.stream()
                .filter(f -> f.verdict() != null && f.verdict().status().equals("WAITING"))
                .count(),
        list,
        away(before(clientId, from), lines, from, today),
        summary(clientId, read, first, list, of, from, today),
        families,
        verdicts.overrides(of, history));
  }

  private static HeldSession session(Runs.SessionLine l, Reckoner.Case of) {
    return new HeldSession(
        l.runId(),
        l.date(),
        l.planName(),
        l.effort(),
        l.minutes(),
        l.load(),
        how(l),
        of.answers.containsKey(l.runId()));
  }

  private static HeldHow how(Runs.SessionLine l) {
    return l.status() == RunState.Status.STOPPED
        ? HeldHow.STOPPED
        : !l.status().ended()
            ? HeldHow.OPEN
            : l.dose() == TodayCheck.Dose.EASED
                ? HeldHow.EASED
                : l.dose() == TodayCheck.Dose.SHORT ? HeldHow.SHORT : HeldHow.WHOLE;
  }

  /** The day of the last session before a day; none where there is none. */
  private Stream<LocalDate> before(UUID clientId, LocalDate day) {
    return Stream.ofNullable(runs.lastBefore(clientId, day));
  }

  /**
   * Longer than a gap takes nothing off: between any two sessions, and since the last.
   *
   * @param before the day of the session before those shown
   */
  private static List<TimeAway> away(
      Stream<LocalDate> before, List<Runs.SessionLine> shown, LocalDate from, LocalDate today) {
    List<LocalDate> days =
        Stream.of(before, shown.stream().map(Runs.SessionLine::date), Stream.of(today.plusDays(1)))
            .flatMap(d -> d)
            .distinct()
            .sorted()
            .toList();
    List<TimeAway> away = new ArrayList<>();
    for (int i = 1; i < days.size(); i++) {
      int between = (int) ChronoUnit.DAYS.between(days.get(i - 1), days.get(i));
      boolean last = i == days.size() - 1;
      if ((last ? between - 1 : between) > Gap.FREE && days.get(i).isAfter(from)) {
        away.add(new TimeAway(days.get(i - 1).plusDays(1), days.get(i).minusDays(1), between - 1));
      }
    }
    return away;
  }

  private SpanSummary summary(
      UUID clientId,
      List<Runs.SessionLine> read,
      LocalDate first,
      List<HeldSession> shown,
      Reckoner.Case of,
      LocalDate from,
      LocalDate today) {
    WeekLoad week =
        WeekLoad.of(
            Stream.concat(
                    // of sessions before those read, that there were any; their load is not asked
                    Stream.of(new WeekLoad.Load(first, null))
                        .filter(l -> l.day().isBefore(today.minusDays(WeekLoad.SPAN))),
                    read.stream()
                        .filter(l -> l.status().ended())
                        .map(l -> new WeekLoad.Load(l.date(), l.load())))
                .toList(),
            today);
    List<String> lines = new ArrayList<>();
    lines.add(TrendWords.load(week));
    List<TodayChecks.Felt> felt = checks.felt(clientId, today.minusDays(Trend.SPAN));
    lines.addAll(
        TrendWords.felt(
            Trend.of(
                Trend.What.SLEEP,
                felt.stream()
                    .filter(f -> f.sleep() != null)
                    .map(f -> new Point(f.date(), Objects.requireNonNull(f.sleep())))
                    .toList()),
            Trend.of(
                Trend.What.ENERGY,
                felt.stream()
                    .filter(f -> f.energy() != null)
                    .map(f -> new Point(f.date(), Objects.requireNonNull(f.energy())))
                    .toList())));
    Map<String, Gap> gaps = of.day().gaps();
    if (!gaps.isEmpty()) {
      lines.add(
          gaps.size() == 1
              ? "One family comes back from a gap."
              : gaps.size() + " families come back from a gap.");
    }
    return new SpanSummary(
        shown.size(),
        (int) shown.stream().filter(HeldSession::answered).count(),
        missed(clientId, shown, from, today.minusDays(1)),
        week.prompts(),
        lines);
  }

  /** Days with a session of one's own booked and none held. */
  private int missed(UUID clientId, List<HeldSession> held, LocalDate from, LocalDate until) {
    Set<LocalDate> days = held.stream().map(HeldSession::date).collect(Collectors.toSet());
    return (int)
        bookings.stream()
            .flatMap(b -> b.booked(clientId, from, until).stream())
            .filter(d -> !days.contains(d))
            .distinct()
            .count();
  }

  private FamilyRow family(
      Reckoner.Case of,
      History history,
      String id,
      List<Runs.SetLine> done,
      Map<UUID, Integer> at,
      Map<UUID, Map<String, Integer>> pulses,
      Map<String, Map<UUID, String>> changed) {
    List<FamilySession> sessions = history.of(id);
    Gap gap = of.day().gaps().get(id);
    Levels levels = new Levels(done, movements.catalogue());
    return new FamilyRow(
        id,
        verdicts.family(id),
        movements.catalogue().families().stream()
            .filter(f -> f.id().equals(id))
            .flatMap(f -> f.tasks().stream())
            .map(t -> t.words)
            .toList(),
        done.isEmpty() ? "not done in this span" : name(done.get(done.size() - 1).movementId()),
        levels.count(),
        levels.marks(at, of, changed.getOrDefault(id, Map.of())),
        of.rows.stream()
            .filter(v -> v.familyId.equals(id) && v.stops())
            .findFirst()
            .or(() -> of.newest(id))
            .map(v -> verdicts.view(v, of, history))
            .orElse(null),
        TrendWords.lines(FamilyTrends.of(sessions, own(pulses, id))),
        gap == null ? null : VerdictWords.gap(gap));
  }

  static Map<UUID, Integer> own(Map<UUID, Map<String, Integer>> pulses, String family) {
    Map<UUID, Integer> own = new HashMap<>();
    pulses.forEach(
        (run, by) -> {
          Integer pulse = by.get(family);
          if (pulse != null) {
            own.put(run, pulse);
          }
        });
    return own;
  }

  String name(String movementId) {
    return Levels.name(movements.catalogue(), movementId);
  }
}
