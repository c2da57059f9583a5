package riposo.server.tolerance.internal;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.adapt.ClientDay;
import riposo.core.adapt.Standing;
import riposo.core.run.DoneRun;
import riposo.core.screening.Outcome;
import riposo.core.tolerance.Change;
import riposo.core.tolerance.FamilySession;
import riposo.core.tolerance.History;
import riposo.core.tolerance.Judgement;
import riposo.core.tolerance.NextDay;
import riposo.core.tolerance.Steps;
import riposo.core.tolerance.Tolerance;
import riposo.core.tolerance.Verdict;
import riposo.core.tolerance.VerdictStatus;
import riposo.core.typed.Days;
import riposo.server.adapt.ClientDays;
import riposo.server.checkin.CheckIns;
import riposo.server.client.Clients;
import riposo.server.movement.Movements;
import riposo.server.platform.Studios;
import riposo.server.run.Runs;
import riposo.server.screening.Readiness;

/** Puts together what a client's verdicts are reckoned from, once for all of their families. */
@Component
@Transactional(readOnly = true)
class Reckoner {
  /** Days of sessions a verdict is reckoned from: none looks further back. */
  static final int WINDOW = 120;

  private final VerdictStore store;
  private final Runs runs;
  private final CheckIns checkIns;
  private final Clients clients;
  private final ClientDays days;
  private final Readiness readiness;
  private final Movements movements;
  private final Studios studios;
  private final StandingReader source;

  Reckoner(
      VerdictStore store,
      Runs runs,
      CheckIns checkIns,
      Clients clients,
      ClientDays days,
      Readiness readiness,
      Movements movements,
      Studios studios,
      StandingReader source) {
    this.store = store;
    this.runs = runs;
    this.checkIns = checkIns;
    this.clients = clients;
    this.days = days;
    this.readiness = readiness;
    this.movements = movements;
    this.studios = studios;
    this.source = source;
  }

  /** A client's runs, mornings and verdicts of late: four months up to the newest session. */
  Case of(UUID clientId) {
    return since(clientId, window(clientId));
  }

  /**
   * The same, with the mornings of the sessions from a day on, however long ago.
   *
   * @param newest the day of the newest session
   * @param shown the first day that is shown
   */
  Case of(UUID clientId, LocalDate newest, LocalDate shown) {
    LocalDate since = newest.minusDays(WINDOW);
    return since(clientId, since, shown.isBefore(since) ? shown : since);
  }

  private LocalDate window(UUID clientId) {
    return runs.trained(List.of(clientId)).stream()
        .findFirst()
        .map(Runs.Trained::newest)
        .orElseGet(studios::today)
        .minusDays(WINDOW);
  }

  /** The same, with every session from a day on, however long ago. */
  Case showing(UUID clientId, LocalDate shown) {
    LocalDate since = window(clientId);
    return since(clientId, shown.isBefore(since) ? shown : since);
  }

  /** The same, from four months before a run on. */
  Case around(UUID clientId, UUID runId) {
    LocalDate day = runs.day(runId, clientId);
    return since(clientId, day == null ? window(clientId) : day.minusDays(WINDOW));
  }

  /** The same from a day on. */
  Case since(UUID clientId, LocalDate since) {
    return since(clientId, since, since);
  }

  private Case since(UUID clientId, LocalDate since, LocalDate mornings) {
    return between(clientId, since, Days.LAST, mornings);
  }

  /**
   * What the verdicts of some days of long ago rest on; of later ones only where each family
   * stands.
   *
   * @param first the first of these days; sessions are read from {@link #WINDOW} before on
   */
  Case between(UUID clientId, LocalDate first, LocalDate last) {
    return between(clientId, first.minusDays(WINDOW), last, first.minusDays(WINDOW));
  }

  private Case between(UUID clientId, LocalDate since, LocalDate until, LocalDate mornings) {
    return new Case(
        clients.require(clientId),
        runs.history(clientId, since, until),
        checkIns.mornings(clientId, mornings),
        rows(clientId, since, until));
  }

  /**
   * Those from a day to another, and whatever their day those that stop or wait and the newest of
   * each family; in time order.
   */
  private List<VerdictRow> rows(UUID clientId, LocalDate since, LocalDate until) {
    Map<UUID, VerdictRow> all = new HashMap<>();
    store
        .findByClientIdAndOnDateBetweenOrderByOnDateAscCreatedAtAsc(clientId, since, until)
        .forEach(v -> all.put(v.id, v));
    store
        .findByClientIdAndStatusIn(clientId, List.of(VerdictStatus.WAITING))
        .forEach(v -> all.put(v.id, v));
    store.stops(clientId).forEach(v -> all.put(v.id, v));
    store.newest(clientId).forEach(v -> all.put(v.id, v));
    List<VerdictRow> sorted = new ArrayList<>(all.values());
    sorted.sort(Comparator.comparing((VerdictRow v) -> v.onDate).thenComparing(v -> v.createdAt));
    return sorted;
  }

  private record Of(UUID run, String family) {}

  /** What there is to reckon from; the rows are read live, so that a new verdict counts at once. */
  final class Case {
    final Clients.Client client;
    final List<DoneRun> runs;
    final Map<UUID, NextDay> answers;
    private final Map<UUID, FamilySession.Second> seconds;
    final List<VerdictRow> rows;
    private final Map<Of, VerdictRow> byRun = new HashMap<>();
    private final Map<String, VerdictRow> newest = new HashMap<>();
    private @Nullable Map<String, Standing> standings;
    private final Set<String> written = new HashSet<>();
    private @Nullable ClientDay day;
    private @Nullable Tolerance tolerance;
    private boolean careful;

    Case(
        Clients.Client client,
        List<DoneRun> runs,
        CheckIns.Mornings mornings,
        List<VerdictRow> rows) {
      this.client = client;
      this.runs = runs;
      this.answers = mornings.next();
      this.seconds = mornings.seconds();
      this.rows = rows;
      rows.forEach(
          v -> {
            byRun.putIfAbsent(new Of(v.runId, v.familyId), v);
            newest(v);
          });
    }

    private void newest(VerdictRow row) {
      newest.merge(row.familyId, row, (a, b) -> VerdictRow.after(b, a) ? b : a);
    }

    /** What the runs and mornings say, with what was decided of them up to now. */
    History history() {
      return History.of(
          runs,
          answers,
          seconds,
          client.usualPain(),
          new History.Decided() {
            @Override
            public @Nullable Verdict of(UUID run, String family) {
              return row(run, family)
                  .map(v -> v.decided == null ? v.verdict : v.decided)
                  .orElse(null);
            }

            @Override
            public Change.@Nullable Kind taken(UUID run, String family) {
              return row(run, family).map(v -> v.taken).orElse(null);
            }
          });
    }

    /** The verdict on a family in a run. */
    Optional<VerdictRow> row(UUID run, String family) {
      return Optional.ofNullable(byRun.get(new Of(run, family)));
    }

    /** Takes in a verdict that was just written. */
    void keep(VerdictRow row) {
      if (byRun.putIfAbsent(new Of(row.runId, row.familyId), row) == null) {
        rows.add(row);
        newest(row);
      }
    }

    /** The newest verdict of a family. */
    Optional<VerdictRow> newest(String family) {
      return Optional.ofNullable(newest.get(family));
    }

    /**
     * Where the client stands in a family; null where nothing is decided yet. Read once for all
     * families, and anew for one of which something was written.
     */
    @Nullable Standing standing(String family) {
      if (standings == null || written.contains(family)) {
        standings = source.standings(client.id());
        written.clear();
      }
      return standings.get(family);
    }

    /** A verdict of a family was written. */
    void wrote(String family) {
      written.add(family);
    }

    ClientDay day() {
      if (day == null) {
        day = days.of(client.id(), studios.today());
      }
      return day;
    }

    Tolerance tolerance() {
      if (tolerance == null) {
        Readiness.ClientStanding standing = readiness.of(client.id());
        Outcome outcome = standing.outcome();
        careful = !standing.conditions().isEmpty();
        tolerance =
            new Tolerance(
                client.school(),
                client.usualPain(),
                client.goalEffort(),
                client.noProgression(),
                outcome == Outcome.ASK_FIRST || outcome == Outcome.CLEARANCE_ONLY);
      }
      return tolerance;
    }

    /** What limits, kit and decisions of today leave open from a session. */
    Steps steps(String family, FamilySession last) {
      tolerance();
      ClientDay today = day();
      Standing standing = today.standings().get(family);
      return Steps.from(
              last,
              movements.catalogue(),
              movements.adapter(),
              today.limitsAndKit(),
              today.kit().weights(),
              standing,
              careful)
          .bands(
              last,
              movements.adapter(),
              today.limitsAndKit(),
              standing,
              today.kit().bands(),
              today.build());
    }

    /** The verdict on the last of the sessions, by the limits and kit of today. */
    Judgement judge(String family, List<FamilySession> upTo) {
      return tolerance().judge(upTo, steps(family, upTo.get(upTo.size() - 1)));
    }

    /**
     * What a verdict proposes now: while it waits and is the family's newest it is reckoned by the
     * limits and the kit of today, else it is as it was kept.
     */
    Judgement proposal(VerdictRow row, History history) {
      List<FamilySession> upTo = history.upTo(row.familyId, row.runId);
      boolean open =
          row.status == VerdictStatus.WAITING
              && row.verdict != Verdict.STOP_AND_REFER
              && newest(row.familyId).filter(v -> v.id.equals(row.id)).isPresent();
      if (!open || upTo.isEmpty()) {
        return row.judgement();
      }
      return judge(row.familyId, upTo);
    }
  }
}
