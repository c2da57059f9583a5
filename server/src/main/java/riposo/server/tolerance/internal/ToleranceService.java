package riposo.server.tolerance.internal;

import java.time.LocalDate;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.catalogue.JudgementDocument;
import riposo.core.adapt.ClientDay;
import riposo.core.adapt.Standing;
import riposo.core.screening.Outcome;
import riposo.core.tolerance.Change;
import riposo.core.tolerance.FamilySession;
import riposo.core.tolerance.History;
import riposo.core.tolerance.Judgement;
import riposo.core.tolerance.Overriding;
import riposo.core.tolerance.Rejudging;
import riposo.core.tolerance.Steps;
import riposo.core.tolerance.Tolerance;
import riposo.core.tolerance.Verdict;
import riposo.core.tolerance.VerdictStatus;
import riposo.server.adapt.ClientDays;
import riposo.server.checkin.CheckIns;
import riposo.server.client.Clients;
import riposo.server.movement.Movements;
import riposo.server.platform.Audit;
import riposo.server.platform.Json;
import riposo.server.platform.Problems;
import riposo.server.platform.StudioContext;
import riposo.server.platform.Studios;
import riposo.server.run.Runs;
import riposo.server.screening.Readiness;
import riposo.server.tolerance.Verdicts;

/** Reaches verdicts as runs end and mornings are answered, and takes what is decided on them. */
@Service
@Transactional
class ToleranceService implements Verdicts {
  private final Movements movements;
  private final VerdictStore store;
  private final StandingReader standings;
  private final Runs runs;
  private final CheckIns checkIns;
  private final Clients clients;
  private final ClientDays days;
  private final Readiness readiness;
  private final Json json;
  private final Audit audit;
  private final Studios studios;

  ToleranceService(
      VerdictStore store,
      StandingReader standings,
      Runs runs,
      CheckIns checkIns,
      Clients clients,
      ClientDays days,
      Readiness readiness,
      Movements movements,
      Json json,
      Audit audit,
      Studios studios) {
    this.movements = movements;
    this.store = store;
    this.standings = standings;
    this.runs = runs;
    this.checkIns = checkIns;
    this.clients = clients;
    this.days = days;
    this.readiness = readiness;
    this.json = json;
    this.audit = audit;
    this.studios = studios;
  }

  @EventListener
  void onClosed(Runs.RunClosed e) {
    judge(e.clientId(), e.runId());
  }

  @EventListener
  void onStopped(Runs.RunStopped e) {
    judge(e.clientId(), e.runId());
  }

  /**
   * After the check-in the later verdict replaces the earlier, unless it was decided already and
   * stays the same.
   */
  @EventListener
  void onAnswered(CheckIns.Answered e) {
    judge(e.clientId(), e.runId());
  }

  private void judge(UUID clientId, UUID runId) {
    Clients.Client client = clients.require(clientId);
    List<VerdictRow> known = rows(clientId);
    History history = history(client, known);
    Tolerance tolerance = tolerance(client);
    ClientDay day = today(clientId);
    for (String family : history.families().keySet()) {
      List<FamilySession> upTo = history.upTo(family, runId);
      if (!upTo.isEmpty()) {
        FamilySession last = upTo.get(upTo.size() - 1);
        keep(clientId, family, last, tolerance.judge(upTo, steps(day, family, last)), known);
      }
    }
  }

  List<VerdictRow> rows(UUID clientId) {
    return store.findByClientIdOrderByOnDateAscCreatedAtAsc(clientId);
  }

  private Tolerance tolerance(Clients.Client client) {
    Outcome outcome = readiness.of(client.id()).outcome();
    return new Tolerance(
        client.school(),
        client.usualPain(),
        client.goalEffort(),
        client.noProgression(),
        outcome == Outcome.ASK_FIRST || outcome == Outcome.CLEARANCE_ONLY);
  }

  /** Keeps a verdict: a STAY is settled by itself, the others wait for the professional. */
  private void keep(
      UUID clientId, String familyId, FamilySession last, Judgement j, List<VerdictRow> known) {
    VerdictRow row =
        known.stream()
            .filter(v -> v.runId.equals(last.runId()) && v.familyId.equals(familyId))
            .findFirst()
            .orElse(null);
    Rejudging.Known before = row == null ? null : row.known();
    if (row == null) {
      row = new VerdictRow();
      row.createdAt = studios.now();
      row.clientId = clientId;
      row.runId = last.runId();
      row.familyId = familyId;
      row.onDate = last.date();
      row.askedId = last.last().askedId();
    }
    VerdictRow mine = row;
    boolean overtaken = known.stream().anyMatch(v -> v.familyId.equals(familyId) && after(v, mine));
    Rejudging again = Rejudging.of(before, j, overtaken);
    if (again instanceof Rejudging.Stays stays) {
      if (stays.renewed()) {
        row.judgement = JudgementDocument.write(j);
      }
      return;
    }
    Rejudging.Becomes now = (Rejudging.Becomes) again;
    row.judgement = JudgementDocument.write(j);
    row.verdict = j.verdict();
    row.status = now.status();
    row.decided = null;
    row.decidedOn = null;
    row.decidedBy = null;
    row.reason = null;
    // A decided standing stays in force until the new verdict is decided.
    if (now.reopened()) {
      row.outcome = null;
    }
    if (now.status() == VerdictStatus.SETTLED) {
      row.decided = Verdict.STAY;
      row.decidedOn = studios.today();
      row.decidedBy = "settled by itself";
      // a session cut for a day says nothing of where the client stands
      row.outcome = last.cut() ? null : json.write(standing(row, j.change()));
    }
    store.saveAndFlush(row);
    for (VerdictRow older : known) {
      if (older.familyId.equals(familyId)
          && Rejudging.overtakes(older.status, older.verdict)
          && after(row, older)) {
        older.status = VerdictStatus.SUPERSEDED;
      }
    }
  }

  private static boolean after(VerdictRow a, VerdictRow b) {
    return !a.id.equals(b.id)
        && (a.onDate.isAfter(b.onDate)
            || a.onDate.equals(b.onDate) && a.createdAt.isAfter(b.createdAt));
  }

  /** Where a decision leaves the client; staying keeps a tempo and a number already agreed. */
  private Standing standing(VerdictRow row, Change change) {
    Verdict decided = Objects.requireNonNull(row.decided);
    Standing before = standings.standings(row.clientId).get(row.familyId);
    Standing kept =
        decided == Verdict.STAY && before != null && before.movementId().equals(change.movementId())
            ? before
            : null;
    return new Standing(
        row.familyId,
        row.askedId,
        change.movementId(),
        change.grams(),
        kept == null ? change.reps() : kept.reps(),
        kept == null ? change.tempo() : kept.tempo(),
        decided.name(),
        decided == Verdict.STOP_AND_REFER,
        studios.today());
  }

  /** What a client's runs and mornings say, with what was decided of them. */
  History history(Clients.Client client, List<VerdictRow> verdicts) {
    return History.of(
        runs.history(client.id()),
        checkIns.answers(client.id()),
        client.usualPain(),
        (run, family) ->
            verdicts.stream()
                .filter(v -> v.runId.equals(run) && v.familyId.equals(family))
                .findFirst()
                .map(v -> v.decided == null ? v.verdict : v.decided)
                .orElse(null));
  }

  private Steps steps(ClientDay day, String familyId, FamilySession last) {
    return Steps.from(
        last.last(),
        movements.catalogue(),
        movements.adapter(),
        day.limitsAndKit(),
        day.kit().weights(),
        day.standings().get(familyId));
  }

  private ClientDay today(UUID clientId) {
    return days.of(clientId, studios.today());
  }

  VerdictRow require(UUID id) {
    return store.require(id, "verdict");
  }

  /** Decides a verdict. Step up is refused while limits, kit or the client's flag rule it out. */
  void decide(VerdictRow row, Verdict wanted, @Nullable String reason) {
    List<VerdictRow> rows = rows(row.clientId);
    Clients.Client client = clients.require(row.clientId);
    if (row.stops() && wanted != Verdict.STOP_AND_REFER) {
      throw refused(Overriding.Bar.STOP_STAYS);
    }
    if (!row.stops()
        && rows.stream().anyMatch(v -> v.familyId.equals(row.familyId) && after(v, row))) {
      throw Problems.refused("superseded", "A later run has its own verdict; decide that one.");
    }
    boolean accepts = wanted == row.verdict;
    if (!accepts && reason == null) {
      throw Problems.field("/reason", "Deciding otherwise needs its reason.");
    }
    FamilySession last = session(client, row, rows);
    Change change = accepts ? row.judgement().change() : otherwise(client, row, last, wanted);
    row.status = accepts ? VerdictStatus.ACCEPTED : VerdictStatus.OVERRIDDEN;
    row.decided = wanted;
    row.reason = reason;
    row.decidedOn = studios.today();
    row.decidedBy = StudioContext.who();
    row.outcome = json.write(standing(row, change));
    store.saveAndFlush(row);
    audit.changed(
        accepts ? "accepted" : "overrode",
        "verdict",
        row.id,
        row.familyId + ": " + row.verdict + (accepts ? "" : " → " + wanted + ", " + reason),
        row.clientId);
  }

  private FamilySession session(Clients.Client client, VerdictRow row, List<VerdictRow> rows) {
    return history(client, rows)
        .session(row.familyId, row.runId)
        .orElseThrow(() -> Problems.notFound("run of this verdict", row.runId));
  }

  private static Problems refused(Overriding.Bar bar) {
    return Problems.refused(bar.code, bar.sentence);
  }

  /**
   * Ends a stop and refer by a recorded word. The family opens again a step below where it was
   * stopped.
   */
  void end(VerdictRow row, String by, LocalDate on, String reason) {
    if (!row.stops()) {
      throw Problems.refused("no-stop", "No stop and refer stands here.");
    }
    if (on.isAfter(studios.today()) || on.isBefore(row.onDate)) {
      throw Problems.field(
          "/on", "The word lies between the stop, " + row.onDate + ", and today, not " + on + ".");
    }
    Clients.Client client = clients.require(row.clientId);
    FamilySession last = session(client, row, rows(row.clientId));
    row.status = VerdictStatus.ENDED;
    row.endedBy = by.trim();
    row.endedOn = on;
    row.endedReason = reason.trim();
    row.decided = Verdict.EASE;
    row.outcome =
        json.write(
            standing(
                row, Overriding.down(last.last(), steps(today(client.id()), row.familyId, last))));
    store.saveAndFlush(row);
    audit.changed(
        "ended",
        "verdict",
        row.id,
        row.familyId + ": stop ended by the word of " + row.endedBy + ", " + row.endedReason,
        row.clientId);
  }

  private Change otherwise(
      Clients.Client client, VerdictRow row, FamilySession last, Verdict wanted) {
    Overriding o =
        Overriding.of(
            wanted,
            row.stops(),
            last.last(),
            steps(today(client.id()), row.familyId, last),
            tolerance(client));
    if (o instanceof Overriding.Refused r) {
      throw refused(r.bar());
    }
    return ((Overriding.To) o).change();
  }

  @Override
  @Transactional(readOnly = true)
  public List<Waiting> waiting() {
    return store.waiting();
  }

  @Override
  public void acceptAll(UUID clientId) {
    for (VerdictRow v : rows(clientId)) {
      if (v.status == VerdictStatus.WAITING) {
        decide(v, v.verdict, null);
      }
    }
  }
}
