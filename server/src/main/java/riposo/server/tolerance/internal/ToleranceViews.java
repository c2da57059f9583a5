package riposo.server.tolerance.internal;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import riposo.core.limit.Side;
import riposo.core.movement.Family;
import riposo.core.movement.Movement;
import riposo.core.run.DoneSet;
import riposo.core.tolerance.FamilySession;
import riposo.core.tolerance.History;
import riposo.core.tolerance.Judgement;
import riposo.core.tolerance.Verdict;
import riposo.core.wording.Wording;
import riposo.server.client.Clients;
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

  private final ToleranceService service;
  private final Runs runs;
  private final Clients clients;
  private final Movements movements;

  ToleranceViews(ToleranceService service, Runs runs, Clients clients, Movements movements) {
    this.service = service;
    this.runs = runs;
    this.clients = clients;
    this.movements = movements;
  }

  ToleranceView view(UUID clientId) {
    Clients.Client client = clients.require(clientId);
    List<VerdictRow> rows = service.rows(clientId);
    History history = service.history(client, rows);
    List<FamilyRow> families = new ArrayList<>();
    for (Map.Entry<String, List<FamilySession>> f : history.families().entrySet()) {
      families.add(
          family(
              f.getKey(),
              f.getValue(),
              rows.stream().filter(v -> v.familyId.equals(f.getKey())).toList()));
    }
    List<Runs.Summary> all = runs.summaries(clientId);
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

  private FamilyRow family(String id, List<FamilySession> sessions, List<VerdictRow> rows) {
    List<VerdictView> record = rows.stream().map(v -> view(v, sessions)).toList();
    FamilySession last = sessions.get(sessions.size() - 1);
    Optional<Family> family =
        movements.catalogue().families().stream().filter(x -> x.id().equals(id)).findFirst();
    return new FamilyRow(
        id,
        family.map(Family::name).orElse(id),
        name(last.last().movementId()),
        family.map(x -> x.rungs().size()).orElse(0),
        sessions.stream().map(this::point).toList(),
        record.stream()
            .filter(VerdictView::stops)
            .findFirst()
            .orElse(record.isEmpty() ? null : record.get(record.size() - 1)),
        record);
  }

  /** One verdict with what it rests on. */
  VerdictView view(VerdictRow row) {
    Clients.Client client = clients.require(row.clientId);
    return view(row, service.history(client, service.rows(row.clientId)).of(row.familyId));
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

  private VerdictView view(VerdictRow v, List<FamilySession> history) {
    Judgement j = v.judgement();
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
