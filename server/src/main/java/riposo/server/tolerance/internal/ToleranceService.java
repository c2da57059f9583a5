package riposo.server.tolerance.internal;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.context.event.EventListener;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import riposo.core.adapt.Situation;
import riposo.core.adapt.Standing;
import riposo.core.dose.Loads;
import riposo.core.limit.Caps;
import riposo.core.limit.Side;
import riposo.core.movement.Family;
import riposo.core.movement.Movement;
import riposo.core.movement.Variant;
import riposo.core.run.DoneSet;
import riposo.core.run.StopSign;
import riposo.core.screening.Outcome;
import riposo.core.tolerance.Change;
import riposo.core.tolerance.FamilySession;
import riposo.core.tolerance.Judgement;
import riposo.core.tolerance.NextDay;
import riposo.core.tolerance.Rule;
import riposo.core.tolerance.Steps;
import riposo.core.tolerance.Tolerance;
import riposo.core.tolerance.Verdict;
import riposo.core.wording.Wording;
import riposo.server.checkin.CheckIns;
import riposo.server.client.Clients;
import riposo.server.limit.Limits;
import riposo.server.movement.Movements;
import riposo.server.platform.Audit;
import riposo.server.platform.Json;
import riposo.server.platform.Problems;
import riposo.server.platform.StudioContext;
import riposo.server.platform.Studios;
import riposo.server.platform.Versions;
import riposo.server.run.Runs;
import riposo.server.screening.Readiness;
import riposo.server.tolerance.Verdicts;

/** Tolerance over time: verdicts per family, decided by the professional. */
@RestController
@RequestMapping(value = "/api", produces = "application/json")
@Transactional
class ToleranceService implements Verdicts {
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

  /** A verdict as shown. */
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
      @Nullable Ended ended) {}

  /** The recorded word that ended a stop and refer. */
  record Ended(LocalDate on, String by, String reason) {}

  /** A recorded word that ends a stop and refer: a clinician's, or one's own for a false alarm. */
  record EndForm(
      @NotBlank(message = "Say whose word it is.")
          @Size(max = 160, message = "At most 160 characters.")
          String by,
      @NotNull(message = "Give the date of the word.") LocalDate on,
      @NotBlank(message = "Say what was cleared.")
          @Size(max = 400, message = "At most 400 characters.")
          String reason) {}

  /** A family's row. */
  record FamilyRow(
      String familyId,
      String family,
      String current,
      int rungs,
      List<Point> points,
      @Nullable VerdictView verdict,
      List<VerdictView> record) {}

  /** A client's tolerance. */
  record ToleranceView(
      int sessions,
      @Nullable LocalDate since,
      String school,
      int waiting,
      List<FamilyRow> families) {}

  /** Accept the verdict, or decide otherwise with a reason. */
  record VerdictDecision(
      @NotNull(message = "Choose a verdict.") Verdict verdict,
      @Nullable @Size(max = 400, message = "At most 400 characters.") String reason) {}

  private final Movements movements;
  private final VerdictStore store;
  private final StandingReader standings;
  private final Runs runs;
  private final CheckIns checkIns;
  private final Clients clients;
  private final Limits limits;
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
      Limits limits,
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
    this.limits = limits;
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
    List<VerdictRow> known = store.findByClientIdOrderByOnDateAscCreatedAtAsc(clientId);
    Map<String, List<FamilySession>> families = history(client, known);
    Tolerance tolerance =
        new Tolerance(
            client.school(),
            client.usualPain(),
            client.goalEffort(),
            client.noProgression(),
            askOpen(clientId));
    for (Map.Entry<String, List<FamilySession>> f : families.entrySet()) {
      List<FamilySession> upTo = new ArrayList<>();
      for (FamilySession s : f.getValue()) {
        upTo.add(s);
        if (s.runId().equals(runId)) {
          break;
        }
      }
      FamilySession last = upTo.get(upTo.size() - 1);
      if (last.runId().equals(runId)) {
        Judgement j = tolerance.judge(upTo, steps(client, f.getKey(), last));
        keep(clientId, f.getKey(), last, j, known);
      }
    }
  }

  private boolean askOpen(UUID clientId) {
    Outcome outcome = readiness.of(clientId).outcome();
    return outcome == Outcome.ASK_FIRST || outcome == Outcome.CLEARANCE_ONLY;
  }

  /** Keeps a verdict: a STAY is settled by itself, the others wait for the professional. */
  private void keep(
      UUID clientId, String familyId, FamilySession last, Judgement j, List<VerdictRow> known) {
    VerdictRow row =
        known.stream()
            .filter(v -> v.runId.equals(last.runId()) && v.familyId.equals(familyId))
            .findFirst()
            .orElse(null);
    if (row == null) {
      row = new VerdictRow();
      row.createdAt = studios.now();
      row.clientId = clientId;
      row.runId = last.runId();
      row.familyId = familyId;
      row.onDate = last.date();
      row.askedId = last.last().askedId();
    } else {
      boolean withdrawn =
          json.read(row.judgement, Judgement.class).rule() == Rule.STOP_SIGN
              && j.rule() != Rule.STOP_SIGN;
      boolean decidedStop =
          row.decided == Verdict.STOP_AND_REFER && j.verdict() != Verdict.STOP_AND_REFER;
      if (row.status == VerdictRow.Status.ENDED
          || row.status != VerdictRow.Status.WAITING && row.verdict == j.verdict()
          || decidedStop && !withdrawn) {
        // decided already; a stop that was decided ends by a recorded word, not by a new sum
        if (row.verdict == j.verdict()) {
          row.judgement = json.write(j);
        }
        return;
      }
      if (withdrawn) {
        row.outcome = null;
      }
    }
    row.judgement = json.write(j);
    row.verdict = j.verdict();
    row.status = VerdictRow.Status.WAITING;
    row.decided = null;
    row.decidedOn = null;
    row.decidedBy = null;
    row.reason = null;
    // A decided standing stays in force until the new verdict is decided.
    VerdictRow kept = row;
    boolean overtaken = known.stream().anyMatch(v -> v.familyId.equals(familyId) && after(v, kept));
    if (overtaken && j.verdict() != Verdict.STAY && j.verdict() != Verdict.STOP_AND_REFER) {
      row.status = VerdictRow.Status.SUPERSEDED;
    }
    if (j.verdict() == Verdict.STAY) {
      row.status = VerdictRow.Status.SETTLED;
      row.decided = Verdict.STAY;
      row.decidedOn = studios.today();
      row.decidedBy = "settled by itself";
      // a session cut for a day says nothing of where the client stands
      row.outcome = last.cut() ? null : json.write(standing(row, j.change()));
    }
    store.saveAndFlush(row);
    for (VerdictRow older : known) {
      if (older.familyId.equals(familyId)
          && older.status == VerdictRow.Status.WAITING
          && older.verdict != Verdict.STOP_AND_REFER
          && after(row, older)) {
        older.status = VerdictRow.Status.SUPERSEDED;
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
    Verdict decided = java.util.Objects.requireNonNull(row.decided);
    Standing before = standings.standings(row.clientId).get(row.familyId);
    boolean kept =
        decided == Verdict.STAY
            && before != null
            && before.movementId().equals(change.movementId());
    return new Standing(
        row.familyId,
        row.askedId,
        change.movementId(),
        change.grams(),
        kept ? before.reps() : change.reps(),
        kept ? before.tempo() : change.tempo(),
        decided.name(),
        decided == Verdict.STOP_AND_REFER,
        studios.today());
  }

  private Map<String, List<FamilySession>> history(
      Clients.Client client, List<VerdictRow> verdicts) {
    Map<UUID, NextDay> answers = checkIns.answers(client.id());
    Map<String, List<FamilySession>> families = new LinkedHashMap<>();
    int usual = client.usualPain();
    for (Runs.Run run : runs.of(client.id())) {
      Map<String, List<DoneSet>> byFamily =
          run.sets().stream()
              .collect(
                  Collectors.groupingBy(
                      DoneSet::familyId, LinkedHashMap::new, Collectors.toList()));
      boolean anyPain = byFamily.values().stream().anyMatch(l -> hurts(l, usual));
      boolean sign = run.stopped().stream().anyMatch(a -> a != StopSign.After.GLUCOSE);
      byFamily.forEach(
          (family, entries) -> {
            Verdict decided =
                verdicts.stream()
                    .filter(v -> v.runId.equals(run.id()) && v.familyId.equals(family))
                    .findFirst()
                    .map(v -> v.decided == null ? v.verdict : v.decided)
                    .orElse(null);
            families
                .computeIfAbsent(family, k -> new ArrayList<>())
                .add(
                    new FamilySession(
                        run.id(),
                        run.date(),
                        entries,
                        run.today().painBefore(),
                        sign,
                        run.cut(),
                        run.adapted().effortCap(),
                        anyPain && !hurts(entries, usual),
                        answers.get(run.id()),
                        decided));
          });
    }
    return families;
  }

  private static boolean hurts(List<DoneSet> entries, int usual) {
    return entries.stream().anyMatch(e -> e.pain() != null && e.pain() > usual);
  }

  private Steps steps(Clients.Client client, String familyId, FamilySession last) {
    Movement at = movements.catalogue().find(last.last().movementId()).orElse(null);
    if (at == null) {
      return Steps.NONE;
    }
    Caps caps = limits.caps(client.id(), studios.today());
    Situation s = new Situation(caps, client.kit().items(), Map.of());
    String next = null;
    boolean higher = false;
    String previous = null;
    for (Movement m : movements.catalogue().family(at.familyId()).rungs()) {
      if (movements.catalogue().retired(m.id())) {
        continue; // offered no more
      }
      boolean open = movements.adapter().open(m.id(), s) != null;
      if (m.rung() > at.rung() && next == null) {
        higher = true;
        next = open ? m.id() : null;
      } else if (m.rung() < at.rung() && open) {
        previous = m.id();
      }
    }
    Integer grams = last.last().grams();
    Integer up = null;
    Integer down = null;
    Integer lightest = null;
    if (grams != null) {
      Variant v = movements.catalogue().variants(at).get(0);
      int hands = Math.max(1, v.handsLoaded());
      int cap = Loads.capGrams(v, Side.BOTH, caps);
      var above = Loads.above(grams, hands, client.kit().weights());
      up = above.isPresent() && above.getAsInt() <= cap ? (Integer) above.getAsInt() : null;
      var below = Loads.below(grams, hands, client.kit().weights());
      down = below.isPresent() ? (Integer) below.getAsInt() : null;
      var least = Loads.lightest(hands, client.kit().weights());
      lightest = least.isPresent() ? (Integer) least.getAsInt() : null;
    }
    Standing standing = standings.standings(client.id()).get(familyId);
    boolean retired = movements.catalogue().retired(at.id());
    boolean slow =
        retired
            || standing != null
                && standing.movementId().equals(at.id())
                && standing.tempo() != null;
    if (retired) {
      up = null; // no more of what is offered no more: only another rung leads up
    }
    return new Steps(next, higher && next == null, previous, up, lightest, down, slow);
  }

  @GetMapping("/clients/{clientId}/tolerance")
  ToleranceView view(@PathVariable UUID clientId) {
    Clients.Client client = clients.require(clientId);
    List<VerdictRow> rows = store.findByClientIdOrderByOnDateAscCreatedAtAsc(clientId);
    Map<String, List<FamilySession>> history = history(client, rows);
    List<FamilyRow> families = new ArrayList<>();
    for (Map.Entry<String, List<FamilySession>> f : history.entrySet()) {
      List<Point> points = f.getValue().stream().map(this::point).toList();
      List<VerdictView> record =
          rows.stream()
              .filter(v -> v.familyId.equals(f.getKey()))
              .map(v -> view(v, f.getValue()))
              .toList();
      FamilySession last = f.getValue().get(f.getValue().size() - 1);
      Optional<Family> family =
          movements.catalogue().families().stream()
              .filter(x -> x.id().equals(f.getKey()))
              .findFirst();
      families.add(
          new FamilyRow(
              f.getKey(),
              family.map(Family::name).orElse(f.getKey()),
              name(last.last().movementId()),
              family.map(x -> x.rungs().size()).orElse(0),
              points,
              record.stream()
                  .filter(VerdictView::stops)
                  .findFirst()
                  .orElse(record.isEmpty() ? null : record.get(record.size() - 1)),
              record));
    }
    List<Runs.Run> all = runs.of(clientId);
    return new ToleranceView(
        all.size(),
        all.isEmpty() ? null : all.get(0).date(),
        client.school().name(),
        (int)
            families.stream()
                .filter(f -> f.verdict() != null && f.verdict().status().equals("WAITING"))
                .count(),
        families);
  }

  /** Decides a verdict. Step up is refused while limits, kit or the client's flag rule it out. */
  @PostMapping("/verdicts/{id}/decision")
  ToleranceView decide(
      @PathVariable UUID id,
      @RequestHeader(name = "If-Match", required = false) @Nullable String ifMatch,
      @Valid @RequestBody VerdictDecision body) {
    VerdictRow row = store.require(id, "verdict");
    List<VerdictRow> rows = store.findByClientIdOrderByOnDateAscCreatedAtAsc(row.clientId);
    Clients.Client client = clients.require(row.clientId);
    List<FamilySession> history = history(client, rows).getOrDefault(row.familyId, List.of());
    if (row.version != Versions.of(ifMatch)) {
      throw Problems.stale(view(row, history), body);
    }
    if (row.stops() && body.verdict() != Verdict.STOP_AND_REFER) {
      throw Problems.refused(
          "stop-stays",
          "A stop and refer is not overridden: it ends by a recorded word, a clinician’s, or yours for a cleared false alarm.");
    }
    if (!row.stops()
        && rows.stream().anyMatch(v -> v.familyId.equals(row.familyId) && after(v, row))) {
      throw Problems.refused("superseded", "A later run has its own verdict; decide that one.");
    }
    boolean accepts = body.verdict() == row.verdict;
    String reason = body.reason() == null || body.reason().isBlank() ? null : body.reason().trim();
    if (!accepts && reason == null) {
      throw Problems.field("/reason", "Deciding otherwise needs its reason.");
    }
    FamilySession last =
        history.stream()
            .filter(s -> s.runId().equals(row.runId))
            .findFirst()
            .orElseThrow(() -> Problems.notFound("run of this verdict", row.runId));
    Judgement j = json.read(row.judgement, Judgement.class);
    Change change = accepts ? j.change() : otherwise(client, row, last, body.verdict());
    row.status = accepts ? VerdictRow.Status.ACCEPTED : VerdictRow.Status.OVERRIDDEN;
    row.decided = body.verdict();
    row.reason = reason;
    row.decidedOn = studios.today();
    row.decidedBy = StudioContext.who();
    row.outcome = json.write(standing(row, change));
    store.saveAndFlush(row);
    audit.changed(
        accepts ? "accepted" : "overrode",
        "verdict",
        id,
        row.familyId + ": " + row.verdict + (accepts ? "" : " → " + body.verdict() + ", " + reason),
        row.clientId);
    return view(row.clientId);
  }

  /**
   * Ends a stop and refer by a recorded word. The family opens again a step below where it was
   * stopped.
   */
  @PostMapping("/verdicts/{id}/end")
  ToleranceView end(
      @PathVariable UUID id,
      @RequestHeader(name = "If-Match", required = false) @Nullable String ifMatch,
      @Valid @RequestBody EndForm body) {
    VerdictRow row = store.require(id, "verdict");
    Clients.Client client = clients.require(row.clientId);
    List<FamilySession> history =
        history(client, store.findByClientIdOrderByOnDateAscCreatedAtAsc(row.clientId))
            .getOrDefault(row.familyId, List.of());
    if (row.version != Versions.of(ifMatch)) {
      throw Problems.stale(view(row, history), body);
    }
    if (!row.stops()) {
      throw Problems.refused("no-stop", "No stop and refer stands here.");
    }
    if (body.on().isAfter(studios.today()) || body.on().isBefore(row.onDate)) {
      throw Problems.field(
          "/on",
          "The word lies between the stop, " + row.onDate + ", and today, not " + body.on() + ".");
    }
    FamilySession last =
        history.stream()
            .filter(s -> s.runId().equals(row.runId))
            .findFirst()
            .orElseThrow(() -> Problems.notFound("run of this verdict", row.runId));
    row.status = VerdictRow.Status.ENDED;
    row.endedBy = body.by().trim();
    row.endedOn = body.on();
    row.endedReason = body.reason().trim();
    row.decided = Verdict.EASE;
    row.outcome = json.write(standing(row, otherwise(client, row, last, Verdict.EASE)));
    store.saveAndFlush(row);
    audit.changed(
        "ended",
        "verdict",
        id,
        row.familyId + ": stop ended by the word of " + row.endedBy + ", " + row.endedReason,
        row.clientId);
    return view(row.clientId);
  }

  private Change otherwise(
      Clients.Client client, VerdictRow row, FamilySession last, Verdict wanted) {
    Steps steps = steps(client, row.familyId, last);
    DoneSet at = last.last();
    return switch (wanted) {
      case STAY ->
          new Change(Change.Kind.NONE, at.movementId(), at.grams(), null, null, null, null);
      case STOP_AND_REFER ->
          new Change(Change.Kind.STOP, at.movementId(), at.grams(), null, null, null, null);
      case EASE ->
          at.grams() != null && at.grams() > 0
              ? new Change(
                  Change.Kind.LOAD_DOWN,
                  at.movementId(),
                  steps.previousGrams() == null ? 0 : steps.previousGrams(),
                  null,
                  null,
                  at.grams(),
                  null)
              : new Change(
                  Change.Kind.RUNG_DOWN,
                  steps.previousRung() == null ? at.movementId() : steps.previousRung(),
                  null,
                  null,
                  null,
                  null,
                  null);
      case STEP_UP -> {
        if (client.noProgression()) {
          throw Problems.refused(
              "no-progression",
              "Stepping up is ruled out while exertion makes the next day worse.");
        }
        if (askOpen(client.id())) {
          throw Problems.refused(
              "ask-open", "Stepping up is ruled out while a clinician’s word is wanted.");
        }
        if (steps.nextGrams() != null && at.grams() != null) {
          yield new Change(
              Change.Kind.LOAD_UP,
              at.movementId(),
              steps.nextGrams(),
              null,
              null,
              at.grams(),
              null);
        }
        if (steps.nextRung() != null) {
          yield new Change(Change.Kind.RUNG_UP, steps.nextRung(), null, null, null, null, null);
        }
        if (steps.blocked()) {
          throw Problems.refused(
              "limit-in-the-way",
              "A limit or the kit closes the next rung and there is no heavier weight.");
        }
        if (steps.slow()) {
          throw Problems.refused(
              "no-step-left", "Lowered slowly already, and no rung or weight is left to step to.");
        }
        yield new Change(
            Change.Kind.SLOWER,
            at.movementId(),
            at.grams(),
            null,
            Tolerance.SLOW_TEMPO,
            null,
            null);
      }
    };
  }

  @Override
  @Transactional(readOnly = true)
  public List<Waiting> waiting() {
    return store.findByStatus(VerdictRow.Status.WAITING).stream()
        .collect(Collectors.groupingBy(v -> v.clientId, LinkedHashMap::new, Collectors.counting()))
        .entrySet()
        .stream()
        .map(e -> new Waiting(e.getKey(), e.getValue().intValue()))
        .toList();
  }

  @Override
  public void acceptAll(UUID clientId) {
    for (VerdictRow v : store.findByClientIdOrderByOnDateAscCreatedAtAsc(clientId)) {
      if (v.status == VerdictRow.Status.WAITING) {
        decide(v.id, String.valueOf(v.version), new VerdictDecision(v.verdict, null));
      }
    }
  }

  /** Accepts all that waits; what a recorded word must end stays. */
  @PostMapping("/clients/{clientId}/verdicts/accept")
  ToleranceView accept(@PathVariable UUID clientId) {
    clients.require(clientId);
    acceptAll(clientId);
    return view(clientId);
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
        s.entries().stream().map(ToleranceService::words).toList());
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

  private VerdictView view(VerdictRow v, List<FamilySession> history) {
    Judgement j = json.read(v.judgement, Judgement.class);
    List<String> rests = new ArrayList<>();
    for (FamilySession s : history) {
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
                + s.entries().stream()
                    .map(ToleranceService::words)
                    .collect(Collectors.joining("; "))
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
        movements.wording().judgement(j),
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
            : new Ended(v.endedOn, v.endedBy, v.endedReason));
  }
}
