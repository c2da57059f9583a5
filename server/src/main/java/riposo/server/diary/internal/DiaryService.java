package riposo.server.diary.internal;

import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.run.RunState;
import riposo.core.tolerance.NextDay;
import riposo.core.trend.Before;
import riposo.core.trend.Point;
import riposo.core.wording.BeforeWords;
import riposo.core.wording.MorningWords;
import riposo.core.wording.Wording;
import riposo.server.checkin.CheckIns;
import riposo.server.client.Clients;
import riposo.server.diary.Diary;
import riposo.server.movement.Movements;
import riposo.server.platform.Audit;
import riposo.server.platform.Problems;
import riposo.server.platform.StudioContext;
import riposo.server.platform.Studios;
import riposo.server.run.Runs;
import riposo.server.screening.Readiness;
import riposo.server.screening.TodayChecks;

/** Puts together what happened beside the sessions, and what was different before a day. */
@Service
@Transactional
class DiaryService implements Diary {
  /** What is kept here; the rest is known from elsewhere and is told there. */
  static final Set<Kind> OWN = EnumSet.of(Kind.MEDICINE, Kind.HOLIDAY, Kind.HARD_DAY, Kind.NOTE);

  /** Days looked back over for what was marked before a day. */
  private static final int MARKED = Before.NEAR;

  /** An entry as sent. */
  record EntryForm(
      @NotNull(message = "Say what it is about.") Kind kind,
      @NotNull(message = "Give the day.") LocalDate on,
      @Nullable LocalDate until,
      @Nullable @Size(max = 400, message = "At most 400 characters.") String words) {}

  /**
   * What was different before a day.
   *
   * @param marked what else is in the diary of the 14 days before
   * @param caution that none of it is said to be the cause
   */
  record DayBefore(LocalDate on, List<String> lines, List<Mark> marked, String caution) {}

  private final DiaryStore store;
  private final Clients clients;
  private final Runs runs;
  private final Readiness readiness;
  private final TodayChecks checks;
  private final CheckIns checkIns;
  private final Movements movements;
  private final Audit audit;
  private final Studios studios;

  DiaryService(
      DiaryStore store,
      Clients clients,
      Runs runs,
      Readiness readiness,
      TodayChecks checks,
      CheckIns checkIns,
      Movements movements,
      Audit audit,
      Studios studios) {
    this.store = store;
    this.clients = clients;
    this.runs = runs;
    this.readiness = readiness;
    this.checks = checks;
    this.checkIns = checkIns;
    this.movements = movements;
    this.audit = audit;
    this.studios = studios;
  }

  @Override
  @Transactional(readOnly = true)
  public List<Mark> marks(UUID clientId, LocalDate from) {
    clients.require(clientId);
    List<Mark> all = new ArrayList<>();
    for (DiaryRow r : store.findByClientIdOrderByOnDate(clientId)) {
      LocalDate last = r.untilDate == null ? r.onDate : r.untilDate;
      if (!last.isBefore(from)) {
        all.add(mark(r));
      }
    }
    for (Readiness.Event e : readiness.happened(clientId)) {
      if (!e.on().isBefore(from)) {
        all.add(
            known(
                Kind.valueOf(e.kind().name()),
                e.on(),
                Wording.capital(e.kind().words),
                e.note(),
                "recorded by " + e.recordedBy()));
      }
    }
    for (TodayChecks.Felt f : checks.felt(clientId, from)) {
      if (f.hardYesterday()) {
        all.add(
            known(
                Kind.HARD_DAY,
                f.date().minusDays(1),
                "A hard day",
                null,
                "told before the session of " + Wording.day(f.date())));
      }
    }
    for (CheckIns.Answer a : checkIns.answersOf(clientId, from)) {
      if (speaks(a.told())) {
        all.add(
            new Mark(
                null,
                a.told().signs().isEmpty() ? Kind.MORNING : Kind.SYMPTOM,
                a.on(),
                null,
                a.kind() == CheckIns.Kind.SECOND ? "Third day after" : "Morning after",
                MorningWords.answer(a.told()),
                "check-in after "
                    + Wording.day(a.session())
                    + (a.askedBy() == null ? "" : ", asked by " + a.askedBy()),
                worse(a.told())));
      }
    }
    for (Runs.SessionLine l : runs.lines(clientId, from)) {
      if (l.status() == RunState.Status.STOPPED) {
        all.add(
            known(Kind.STOPPED, l.date(), "Session stopped", l.note(), "session, " + l.planName()));
      } else if (l.note() != null && !l.note().isBlank()) {
        all.add(known(Kind.NOTE, l.date(), "After the session", l.note(), l.planName()));
      }
    }
    all.sort(Comparator.comparing(Mark::on).thenComparing(Mark::kind));
    return all;
  }

  /** What is worth a mark: a morning that was worse, a sign, or words. */
  private static boolean speaks(NextDay a) {
    return worse(a) || a.more().words() != null;
  }

  private static boolean worse(NextDay a) {
    return a.compared() == NextDay.Compared.WORSE
        || a.moreTired()
        || !a.signs().isEmpty()
        || a.more().swelling() == NextDay.Swelling.PASSED;
  }

  private static Mark known(
      Kind kind, LocalDate on, String title, @Nullable String words, String from) {
    return new Mark(null, kind, on, null, title, words, from, kind.grave);
  }

  private static Mark mark(DiaryRow r) {
    return new Mark(
        r.id,
        r.kind,
        r.onDate,
        r.untilDate,
        Wording.capital(r.kind.words),
        r.words,
        "noted by " + r.toldBy,
        false);
  }

  /** Loads, effort, sleep, new movements, a time away, and what else was marked. */
  @Transactional(readOnly = true)
  DayBefore before(UUID clientId, LocalDate on) {
    clients.require(clientId);
    if (on.isAfter(studios.today())) {
      throw Problems.field("/on", "That day is not over yet: " + on + ".");
    }
    LocalDate since = on.minusDays(Before.NEAR + Before.FAR);
    List<Point> sleep = new ArrayList<>();
    List<Point> energy = new ArrayList<>();
    for (TodayChecks.Felt f : checks.felt(clientId, since)) {
      point(sleep, f.date(), f.sleep());
      point(energy, f.date(), f.energy());
    }
    for (CheckIns.Answer a : checkIns.answersOf(clientId, since)) {
      point(sleep, a.on(), a.told().more().sleep());
      point(energy, a.on(), a.told().more().energy());
    }
    Before b = Before.of(on, done(clientId), sleep, energy);
    List<Mark> marked =
        marks(clientId, on.minusDays(MARKED)).stream().filter(m -> m.on().isBefore(on)).toList();
    return new DayBefore(
        on, new BeforeWords(movements.wording()).lines(b), marked, BeforeWords.NO_CAUSE);
  }

  private static void point(List<Point> points, LocalDate day, @Nullable Integer value) {
    if (value != null) {
      points.add(new Point(day, value));
    }
  }

  private List<Before.Done> done(UUID clientId) {
    Map<UUID, Set<String>> movements = new LinkedHashMap<>();
    for (Runs.SetLine s : runs.setLines(clientId, LocalDate.EPOCH)) {
      movements.computeIfAbsent(s.runId(), k -> new TreeSet<>()).add(s.movementId());
    }
    return runs.lines(clientId, LocalDate.EPOCH).stream()
        .filter(l -> l.status().ended())
        .map(
            l ->
                new Before.Done(
                    l.date(),
                    l.effort(),
                    l.load(),
                    Objects.requireNonNullElse(movements.get(l.runId()), Set.of())))
        .toList();
  }

  @Override
  public UUID note(
      UUID clientId, Kind kind, LocalDate on, @Nullable LocalDate until, @Nullable String words) {
    return add(clientId, new EntryForm(kind, on, until, words)).id;
  }

  DiaryRow add(UUID clientId, EntryForm f) {
    Clients.Client client = clients.requireActive(clientId);
    LocalDate today = studios.today();
    String words = f.words() == null || f.words().isBlank() ? null : f.words().strip();
    if (!OWN.contains(f.kind())) {
      throw Problems.field(
          "/kind",
          Wording.capital(f.kind().words)
              + ": record it as something that happened, so that it counts for training.");
    }
    if (f.kind() == Kind.NOTE && words == null) {
      throw Problems.field("/words", "Write the note.");
    }
    LocalDate latest = f.kind() == Kind.HOLIDAY ? today.plusYears(1) : today;
    LocalDate earliest = today.minusYears(5);
    if (f.on().isAfter(latest)
        || f.on().isBefore(earliest)
        || f.on().isBefore(client.birthDate())) {
      throw Problems.field(
          "/on",
          "Give a day from "
              + earliest
              + (f.kind() == Kind.HOLIDAY ? " to a year ahead" : " to today")
              + ", not "
              + f.on()
              + ".");
    }
    if (f.until() != null
        && (f.until().isBefore(f.on()) || f.until().isAfter(f.on().plusYears(1)))) {
      throw Problems.field(
          "/until", "It ends on or after " + f.on() + " and within a year, not " + f.until() + ".");
    }
    DiaryRow row = new DiaryRow();
    row.createdAt = studios.now();
    row.clientId = clientId;
    row.kind = f.kind();
    row.onDate = f.on();
    row.untilDate = f.until() == null || f.until().equals(f.on()) ? null : f.until();
    row.words = words;
    row.toldBy = StudioContext.who();
    store.saveAndFlush(row);
    audit.changed("noted", "diary entry", row.id, title(row), clientId);
    return row;
  }

  void remove(UUID clientId, UUID id) {
    DiaryRow row = store.require(id, "diary entry");
    if (!row.clientId.equals(clientId)) {
      throw Problems.notFound("diary entry", id);
    }
    store.delete(row);
    audit.changed("removed", "diary entry", id, title(row), clientId);
  }

  private static String title(DiaryRow row) {
    return row.kind.name().toLowerCase(Locale.ROOT) + ", " + row.onDate;
  }
}
