package riposo.server.tolerance.internal;

import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.catalogue.JudgementDocument;
import riposo.core.adapt.Standing;
import riposo.core.tolerance.Change;
import riposo.core.tolerance.FamilySession;
import riposo.core.tolerance.History;
import riposo.core.tolerance.Judgement;
import riposo.core.tolerance.Leaves;
import riposo.core.tolerance.Overriding;
import riposo.core.tolerance.Rejudging;
import riposo.core.tolerance.Verdict;
import riposo.core.tolerance.VerdictStatus;
import riposo.core.wording.VerdictWords;
import riposo.server.checkin.CheckIns;
import riposo.server.movement.Movements;
import riposo.server.platform.Audit;
import riposo.server.platform.Json;
import riposo.server.platform.Problems;
import riposo.server.platform.StudioContext;
import riposo.server.platform.Studios;
import riposo.server.run.Runs;
import riposo.server.tolerance.Verdicts;

/** Reaches verdicts as runs end and mornings are answered, and takes what is decided on them. */
@Service
@Transactional
class ToleranceService implements Verdicts {
  /** Later sessions of a family that a verdict rests on: three running are looked at. */
  private static final int RESTS_ON = 2;

  private final Movements movements;
  private final VerdictStore store;
  private final Reckoner reckoner;
  private final Json json;
  private final Audit audit;
  private final Studios studios;

  ToleranceService(
      VerdictStore store,
      Reckoner reckoner,
      Movements movements,
      Json json,
      Audit audit,
      Studios studios) {
    this.movements = movements;
    this.store = store;
    this.reckoner = reckoner;
    this.json = json;
    this.audit = audit;
    this.studios = studios;
  }

  @EventListener
  void onClosed(Runs.RunClosed e) {
    judge(e.clientId(), e.runId(), null, false);
  }

  @EventListener
  void onStopped(Runs.RunStopped e) {
    judge(e.clientId(), e.runId(), null, false);
  }

  /** A set was told, corrected or taken back after the words that closed the session. */
  @EventListener
  void onCorrected(Runs.RunCorrected e) {
    judge(e.clientId(), e.runId(), "a set was told or corrected afterwards", false);
  }

  /**
   * After the check-in the later verdict replaces the earlier, unless it was decided already and
   * stays the same.
   */
  @EventListener
  void onAnswered(CheckIns.Answered e) {
    judge(e.clientId(), e.runId(), null, true);
  }

  /**
   * Judges a run, and those after it that rest on it: the next two of each family and its newest.
   * In which order runs and mornings come in changes nothing.
   *
   * @param again why it is reckoned anew; null where that is the usual course
   * @param morning a check-in was told
   */
  private void judge(UUID clientId, UUID runId, @Nullable String again, boolean morning) {
    Reckoner.Case of = reckoner.around(clientId, runId);
    takenBack(of, runId);
    History first = of.history();
    for (String family : first.families().keySet()) {
      History history = first;
      List<FamilySession> all = first.of(family);
      int at = index(all, runId);
      for (int i = at; i >= 0 && i < all.size(); i++) {
        boolean rests = i <= at + RESTS_ON || i == all.size() - 1;
        boolean known = i == at || of.row(all.get(i).runId(), family).isPresent();
        if (rests && known) {
          List<FamilySession> upTo = history.of(family).subList(0, i + 1);
          keep(of, family, upTo.get(i), of.judge(family, upTo), again, morning);
          // a later session of the family rests on what was just kept
          history = i + 1 < all.size() ? of.history() : history;
        }
      }
    }
  }

  /** A family of which every set of the run was taken back has no verdict of it any more. */
  private void takenBack(Reckoner.Case of, UUID runId) {
    History history = of.history();
    for (VerdictRow row : of.rows) {
      if (row.runId.equals(runId)
          && !row.stops()
          && row.status != VerdictStatus.ENDED
          && !row.takenBack()
          && history.session(row.familyId, runId).isEmpty()) {
        row.status = VerdictStatus.SUPERSEDED;
        row.outcome = null;
        row.again = VerdictRow.TAKEN_BACK;
        store.saveAndFlush(row);
      }
    }
  }

  private static int index(List<FamilySession> all, UUID runId) {
    for (int i = 0; i < all.size(); i++) {
      if (all.get(i).runId().equals(runId)) {
        return i;
      }
    }
    return -1;
  }

  /** Keeps a verdict: a STAY is settled by itself, the others wait for the professional. */
  private void keep(
      Reckoner.Case of,
      String familyId,
      FamilySession last,
      Judgement j,
      @Nullable String again,
      boolean morning) {
    List<VerdictRow> known = of.rows;
    VerdictRow row = of.row(last.runId(), familyId).orElse(null);
    Rejudging.Known before = row == null || row.takenBack() ? null : row.known();
    if (row == null) {
      row = new VerdictRow();
      row.createdAt = studios.now();
      row.clientId = of.client.id();
      row.runId = last.runId();
      row.familyId = familyId;
      row.onDate = last.date();
      row.askedId = last.last().askedId();
    } else {
      of.wrote(familyId); // what it left until now is not read again
    }
    VerdictRow mine = row;
    boolean overtaken =
        known.stream().anyMatch(v -> v.familyId.equals(familyId) && VerdictRow.after(v, mine));
    Rejudging anew = Rejudging.of(before, j, overtaken);
    if (anew instanceof Rejudging.Stays stays) {
      if (stays.renewed()) {
        row.judgement = JudgementDocument.write(j);
      }
      return;
    }
    Rejudging.Becomes now = (Rejudging.Becomes) anew;
    if (before != null && again != null) {
      row.again = again + ": it was " + verdictWords(before) + " before";
      audit.changed(
          "reckoned anew", "verdict", row.id, familyId + ": " + row.again, of.client.id());
    }
    if (row.takenBack()) {
      row.again = null;
    }
    if (morning && before != null) {
      Verdict was = row.beforeMorning == null ? row.verdict : row.beforeMorning;
      row.beforeMorning = was == j.verdict() ? null : was;
    }
    row.judgement = JudgementDocument.write(j);
    row.verdict = j.verdict();
    row.status = now.status();
    row.decided = null;
    row.decidedOn = null;
    row.decidedBy = null;
    row.reason = null;
    row.taken = null;
    // A decided standing stays in force until the new verdict is decided.
    if (now.reopened()) {
      row.outcome = null;
    }
    if (now.status() == VerdictStatus.SETTLED) {
      row.decided = Verdict.STAY;
      row.decidedOn = studios.today();
      row.decidedBy = "settled by itself";
      // a session cut for a day says nothing of where the client stands
      row.outcome = last.cut() ? null : json.write(standing(of, row, last, j.change()));
    }
    store.saveAndFlush(row);
    of.wrote(familyId);
    of.keep(row);
    for (VerdictRow older : known) {
      if (older.familyId.equals(familyId)
          && Rejudging.overtakes(older.status, older.verdict)
          && VerdictRow.after(row, older)) {
        older.status = VerdictStatus.SUPERSEDED;
      }
    }
  }

  private static String verdictWords(Rejudging.Known before) {
    Verdict v = before.decided() == null ? before.verdict() : before.decided();
    return v.name().toLowerCase(Locale.ROOT).replace('_', ' ');
  }

  /** Where a decision leaves the client; staying keeps a tempo and a number already agreed. */
  private Standing standing(Reckoner.Case of, VerdictRow row, FamilySession last, Change change) {
    return Leaves.of(
        of.standing(row.familyId),
        last,
        row.familyId,
        Objects.requireNonNull(row.decided),
        change,
        studios.today());
  }

  VerdictRow require(UUID id) {
    return store.require(id, "verdict");
  }

  /**
   * Decides a verdict. Step up is refused while limits, kit or the client's flag rule it out.
   *
   * @param way another of the changes it offers; null for the one it proposes
   */
  void decide(VerdictRow row, Verdict wanted, Change.@Nullable Kind way, @Nullable String reason) {
    decide(reckoner.around(row.clientId, row.runId), row, wanted, way, reason);
  }

  private void decide(
      Reckoner.Case of,
      VerdictRow row,
      Verdict wanted,
      Change.@Nullable Kind way,
      @Nullable String reason) {
    if (row.stops() && wanted != Verdict.STOP_AND_REFER) {
      throw refused(Overriding.Bar.STOP_STAYS);
    }
    if (!row.stops()
        && of.rows.stream()
            .anyMatch(v -> v.familyId.equals(row.familyId) && VerdictRow.after(v, row))) {
      throw Problems.refused("superseded", "A later run has its own verdict; decide that one.");
    }
    History history = of.history();
    FamilySession last = session(history, row);
    Judgement now = of.proposal(row, history);
    boolean same = now.verdict() == row.verdict;
    boolean accepts = same && wanted == row.verdict;
    if (!same && wanted == row.verdict && reason == null) {
      throw Problems.refused(
          "no-longer-so",
          "Limits, kit or the record have changed since: "
              + new VerdictWords(movements.wording()).judgement(now));
    }
    if (!accepts && reason == null) {
      throw Problems.field("/reason", "Deciding otherwise needs its reason.");
    }
    // what was settled before is offered by the limits and the kit of today
    boolean waiting = row.status == VerdictStatus.WAITING;
    Change offered = way == null ? now.change() : waiting ? now.way(way) : null;
    Change change = accepts && offered != null ? offered : otherwise(of, row, last, wanted, way);
    row.judgement = JudgementDocument.write(now);
    row.verdict = now.verdict();
    row.status = accepts ? VerdictStatus.ACCEPTED : VerdictStatus.OVERRIDDEN;
    row.decided = wanted;
    row.reason = reason;
    row.decidedOn = studios.today();
    row.decidedBy = StudioContext.who();
    row.taken = change.kind();
    of.wrote(row.familyId);
    row.outcome = json.write(standing(of, row, last, change));
    store.saveAndFlush(row);
    of.wrote(row.familyId);
    audit.changed(
        accepts ? "accepted" : "overrode",
        "verdict",
        row.id,
        row.familyId + ": " + row.verdict + (accepts ? "" : " → " + wanted + ", " + reason),
        row.clientId);
  }

  private static FamilySession session(History history, VerdictRow row) {
    return history
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
    Reckoner.Case of = reckoner.around(row.clientId, row.runId);
    FamilySession last = session(of.history(), row);
    row.status = VerdictStatus.ENDED;
    row.endedBy = by.trim();
    row.endedOn = on;
    row.endedReason = reason.trim();
    row.decided = Verdict.EASE;
    of.wrote(row.familyId);
    row.outcome =
        json.write(standing(of, row, last, Overriding.down(last, of.steps(row.familyId, last))));
    store.saveAndFlush(row);
    audit.changed(
        "ended",
        "verdict",
        row.id,
        row.familyId + ": stop ended by the word of " + row.endedBy + ", " + row.endedReason,
        row.clientId);
  }

  private static Change otherwise(
      Reckoner.Case of,
      VerdictRow row,
      FamilySession last,
      Verdict wanted,
      Change.@Nullable Kind way) {
    Overriding o =
        Overriding.of(wanted, row.stops(), last, of.steps(row.familyId, last), of.tolerance(), way);
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

  /** Accepts what a verdict proposes; what is no longer so waits on, with its sentence. */
  private void accept(Reckoner.Case late, VerdictRow v) {
    boolean known = late.history().session(v.familyId, v.runId).isPresent();
    Reckoner.Case of = known ? late : reckoner.around(v.clientId, v.runId);
    if (of.proposal(v, of.history()).verdict() == v.verdict) {
      decide(of, v, v.verdict, null, null);
    }
  }

  @Override
  public void acceptAll(UUID clientId) {
    Reckoner.Case late = reckoner.of(clientId);
    for (VerdictRow v : late.rows) {
      if (v.status == VerdictStatus.WAITING) {
        accept(late, v);
      }
    }
  }
}
