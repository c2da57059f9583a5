package riposo.server.screening.internal;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.http.ResponseEntity;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import riposo.core.limit.Axis;
import riposo.core.limit.Proposal;
import riposo.core.screening.Assessment;
import riposo.core.screening.Clearance;
import riposo.core.screening.Finding;
import riposo.core.screening.Gestation;
import riposo.core.screening.OpenFinding;
import riposo.core.screening.Outcome;
import riposo.core.screening.Question;
import riposo.core.screening.Screening;
import riposo.core.wording.Wording;
import riposo.server.client.Clients;
import riposo.server.limit.Limits;
import riposo.server.platform.Audit;
import riposo.server.platform.Json;
import riposo.server.platform.Problems;
import riposo.server.platform.StudioContext;
import riposo.server.platform.Studios;
import riposo.server.screening.Readiness;
import tools.jackson.core.type.TypeReference;

/** Screenings, proposals decided one by one, clearances, and the standing outcome. */
@RestController
@RequestMapping(value = "/api", produces = "application/json")
@Transactional
class ScreeningService implements Readiness {
  private static final TypeReference<Map<String, String>> ANSWERS = new TypeReference<>() {};
  private static final TypeReference<Set<String>> RULES = new TypeReference<>() {};

  /** Answers so far, by question id. */
  record Answers(
      @NotNull @Size(max = 100, message = "At most 100 answers.")
          Map<String, @Size(max = 40, message = "At most 40 characters.") String> answers) {}

  /** A signed screening. */
  record Signed(
      @NotNull @Size(max = 100, message = "At most 100 answers.")
          Map<String, @Size(max = 40, message = "At most 40 characters.") String> answers,
      @NotBlank(message = "The client signs with a typed name.")
          @Size(max = 120, message = "At most 120 characters.")
          String signedClient) {}

  /** A proposal with what was decided. */
  record ProposalView(
      String key,
      String condition,
      String axisId,
      String words,
      String unit,
      int cap,
      int greatest,
      String why,
      String source,
      LocalDate from,
      @Nullable LocalDate until,
      LocalDate review,
      @Nullable String decision,
      @Nullable String reason) {}

  /** An assessment as shown while answering. */
  record Preview(
      Outcome standing,
      Outcome today,
      List<Finding> findings,
      List<ProposalView> proposals,
      List<String> visible,
      List<String> missing,
      Map<String, String> errors,
      @Nullable String gestation) {}

  /** A saved screening. */
  record ScreeningView(
      UUID id,
      int number,
      LocalDate takenOn,
      Map<String, String> answers,
      Preview assessment,
      String signedClient,
      String signedProfessional,
      List<String> changes) {}

  /** What to do with a proposed limit. */
  record ProposalDecision(
      @NotBlank String key,
      @NotNull
          @Pattern(regexp = "ACCEPTED|CHANGED|DECLINED", message = "Accept, change or decline.")
          String decision,
      @Nullable Integer cap,
      @Nullable LocalDate until,
      @Nullable @Size(max = 400, message = "At most 400 characters.") String reason) {}

  /** A clearance as sent. */
  record ClearanceForm(
      @NotBlank(message = "Say what they are: doctor, midwife, physiotherapist.")
          @Size(max = 40, message = "At most 40 characters.")
          String role,
      @NotBlank(message = "Give their name.") @Size(max = 120, message = "At most 120 characters.")
          String name,
      @NotNull(message = "Give the date.") LocalDate givenOn,
      @NotNull(message = "Give the last day it is good for.") LocalDate validUntil,
      @NotEmpty(message = "Say which findings it covers.") Set<String> covers,
      @Nullable @Size(max = 400, message = "At most 400 characters.") String note) {}

  /** A clearance as shown. */
  record ClearanceView(
      UUID id,
      String role,
      String name,
      LocalDate givenOn,
      LocalDate validUntil,
      Set<String> covers,
      @Nullable String note,
      boolean expired) {}

  private final ScreeningStores.Screenings screenings;
  private final ScreeningStores.Decisions decisions;
  private final ScreeningStores.Clearances clearances;
  private final Clients clients;
  private final Limits limits;
  private final Json json;
  private final Audit audit;
  private final Studios studios;
  private final ObjectProvider<StopEvents> stops;

  ScreeningService(
      ScreeningStores.Screenings screenings,
      ScreeningStores.Decisions decisions,
      ScreeningStores.Clearances clearances,
      Clients clients,
      Limits limits,
      Json json,
      Audit audit,
      Studios studios,
      ObjectProvider<StopEvents> stops) {
    this.screenings = screenings;
    this.decisions = decisions;
    this.clearances = clearances;
    this.clients = clients;
    this.limits = limits;
    this.json = json;
    this.audit = audit;
    this.studios = studios;
    this.stops = stops;
  }

  @GetMapping("/screening/questions")
  List<Question> questions() {
    return Screening.questions();
  }

  /** The outcome so far; nothing is stored. */
  @PostMapping("/screening/preview")
  Preview preview(@Valid @RequestBody Answers body) {
    return preview(Screening.assess(body.answers(), studios.today()), List.of());
  }

  @PostMapping("/clients/{clientId}/screenings")
  ResponseEntity<ScreeningView> take(@PathVariable UUID clientId, @Valid @RequestBody Signed body) {
    clients.require(clientId);
    LocalDate today = studios.today();
    Assessment a = Screening.assess(body.answers(), today);
    if (!a.complete()) {
      List<Problems.Field> fields = new ArrayList<>();
      a.errors().forEach((id, text) -> fields.add(new Problems.Field("/answers/" + id, text)));
      a.missing()
          .forEach(id -> fields.add(new Problems.Field("/answers/" + id, "Not answered yet.")));
      throw Problems.fields(fields);
    }
    List<ScreeningRow> earlier = screenings.findByClientIdOrderByNumberDesc(clientId);
    ScreeningRow row = new ScreeningRow();
    row.createdAt = studios.now();
    row.clientId = clientId;
    row.number = earlier.isEmpty() ? 1 : earlier.get(0).number + 1;
    row.takenOn = today;
    Map<String, String> asked = new LinkedHashMap<>();
    a.visible()
        .forEach(
            id -> {
              if (body.answers().get(id) != null && !body.answers().get(id).isBlank()) {
                asked.put(id, body.answers().get(id));
              }
            });
    row.answers = json.write(asked);
    row.assessment = json.write(a);
    row.signedClient = body.signedClient().trim();
    row.signedProfessional = StudioContext.who();
    screenings.saveAndFlush(row);
    clients.setNoProgression(clientId, a.noProgression());
    audit.changed(
        "signed",
        "screening",
        row.id,
        "version " + row.number + ", " + a.standing() + " / " + a.today());
    return ResponseEntity.status(201).body(view(row, earlier.isEmpty() ? null : earlier.get(0)));
  }

  @Override
  public UUID take(UUID clientId, Map<String, String> answers, String signedClient) {
    return java.util.Objects.requireNonNull(
            take(clientId, new Signed(answers, signedClient)).getBody())
        .id();
  }

  @Override
  public void acceptAll(UUID screeningId) {
    ScreeningRow row = screenings.require(screeningId, "screening");
    for (Proposal p : json.read(row.assessment, Assessment.class).proposals()) {
      decide(screeningId, new ProposalDecision(p.key(), "ACCEPTED", null, null, null));
    }
  }

  @GetMapping("/clients/{clientId}/screenings")
  List<ScreeningView> list(@PathVariable UUID clientId) {
    clients.require(clientId);
    List<ScreeningRow> rows = screenings.findByClientIdOrderByNumberDesc(clientId);
    List<ScreeningView> views = new ArrayList<>();
    for (int i = 0; i < rows.size(); i++) {
      views.add(view(rows.get(i), i + 1 < rows.size() ? rows.get(i + 1) : null));
    }
    return views;
  }

  /** Accepts, changes or declines one proposal of a screening. */
  @PostMapping("/screenings/{id}/decisions")
  ProposalView decide(@PathVariable UUID id, @Valid @RequestBody ProposalDecision body) {
    ScreeningRow row = screenings.require(id, "screening");
    Assessment a = json.read(row.assessment, Assessment.class);
    Proposal p =
        a.proposals().stream()
            .filter(x -> x.key().equals(body.key()))
            .findFirst()
            .orElseThrow(() -> Problems.field("/key", "This screening proposed no such limit."));
    List<DecisionRow> decided = decisions.findByScreeningId(id);
    if (decided.stream().anyMatch(d -> d.proposalKey.equals(body.key()))) {
      throw Problems.refused("already-decided", "This proposal is decided already.");
    }
    DecisionRow d = new DecisionRow();
    d.createdAt = studios.now();
    d.screeningId = id;
    d.proposalKey = p.key();
    d.decision = body.decision();
    d.reason = body.reason() == null || body.reason().isBlank() ? null : body.reason().trim();
    if (!body.decision().equals("ACCEPTED") && d.reason == null) {
      throw Problems.field("/reason", "A change or a refusal needs its reason.");
    }
    if (!body.decision().equals("DECLINED")) {
      boolean changed = body.decision().equals("CHANGED");
      int cap = changed && body.cap() != null ? body.cap() : p.cap();
      LocalDate until = changed && body.until() != null ? body.until() : p.until();
      String source = p.condition() + ", screening " + Wording.day(row.takenOn);
      d.limitId =
          limits.add(
              row.clientId,
              new Limits.NewLimit(
                  p.axisId(),
                  p.side(),
                  cap,
                  p.strength(),
                  source,
                  changed ? p.why() + " Changed: " + d.reason : p.why(),
                  p.from(),
                  until,
                  p.review()));
    }
    decisions.saveAndFlush(d);
    audit.changed("decided", "proposal", d.id, p.key() + " " + d.decision);
    return proposal(p, decisions.findByScreeningId(id));
  }

  @GetMapping("/clients/{clientId}/clearances")
  List<ClearanceView> clearances(@PathVariable UUID clientId) {
    clients.require(clientId);
    LocalDate today = studios.today();
    return clearances.findByClientIdOrderByGivenOnDesc(clientId).stream()
        .map(
            c ->
                new ClearanceView(
                    c.id,
                    c.role,
                    c.name,
                    c.givenOn,
                    c.validUntil,
                    json.read(c.covers, RULES),
                    c.note,
                    c.validUntil.isBefore(today)))
        .toList();
  }

  @PostMapping("/clients/{clientId}/clearances")
  ResponseEntity<ClientStanding> clear(
      @PathVariable UUID clientId, @Valid @RequestBody ClearanceForm f) {
    clients.require(clientId);
    LocalDate today = studios.today();
    if (f.givenOn().isAfter(today)) {
      throw Problems.field("/givenOn", "The clearance is dated " + f.givenOn() + ", after today.");
    }
    if (f.validUntil().isBefore(f.givenOn())) {
      throw Problems.field("/validUntil", "It ends before it begins.");
    }
    if (f.validUntil().isAfter(f.givenOn().plusMonths(12))) {
      throw Problems.field("/validUntil", "A clearance is good for 12 months at most.");
    }
    Set<String> open =
        findings(clientId).stream().map(x -> x.finding().rule()).collect(Collectors.toSet());
    for (String rule : f.covers()) {
      if (!open.contains(rule)) {
        throw Problems.field("/covers", "There is no finding " + rule + " to cover.");
      }
    }
    ClearanceRow row = new ClearanceRow();
    row.createdAt = studios.now();
    row.clientId = clientId;
    row.role = f.role().trim();
    row.name = f.name().trim();
    row.givenOn = f.givenOn();
    row.validUntil = f.validUntil();
    row.covers = json.write(f.covers());
    row.note = f.note();
    clearances.saveAndFlush(row);
    audit.changed(
        "recorded", "clearance", row.id, row.role + " " + row.name + " covers " + f.covers());
    return ResponseEntity.status(201).body(of(clientId));
  }

  @GetMapping("/clients/{clientId}/readiness")
  @Override
  public ClientStanding of(@PathVariable UUID clientId) {
    clients.require(clientId);
    LocalDate today = studios.today();
    List<ScreeningRow> rows = screenings.findByClientIdOrderByNumberDesc(clientId);
    List<OpenFinding> all = findings(clientId);
    List<Clearance> cleared =
        clearances.findByClientIdOrderByGivenOnDesc(clientId).stream()
            .map(c -> new Clearance(c.givenOn, c.validUntil, json.read(c.covers, RULES)))
            .toList();
    List<Finding> open = OpenFinding.standing(all, cleared, today);
    if (rows.isEmpty()) {
      return new ClientStanding(
          null,
          open.isEmpty() ? null : OpenFinding.outcome(open, false),
          open,
          false,
          false,
          null,
          0);
    }
    ScreeningRow last = rows.get(0);
    Assessment a = json.read(last.assessment, Assessment.class);
    Map<String, String> answers = json.read(last.answers, ANSWERS);
    boolean hasLimits = limits.of(clientId).stream().anyMatch(l -> l.activeOn(today));
    String gestation = null;
    if (answers.get("pregnancy.due") != null) {
      try {
        gestation = Gestation.on(today, LocalDate.parse(answers.get("pregnancy.due"))).toString();
      } catch (IllegalArgumentException e) {
        gestation = "past 42+0";
      }
    }
    boolean maternity =
        gestation != null
            || List.of("yes", "unsure").contains(answers.getOrDefault("birth.recent", "no"));
    int undecided = a.proposals().size() - decisions.findByScreeningId(last.id).size();
    return new ClientStanding(
        last.takenOn,
        OpenFinding.outcome(open, hasLimits || !a.proposals().isEmpty()),
        open,
        a.pressureReading(),
        maternity,
        gestation,
        undecided);
  }

  private List<OpenFinding> findings(UUID clientId) {
    List<OpenFinding> all = new ArrayList<>();
    boolean newest = true;
    for (ScreeningRow row : screenings.findByClientIdOrderByNumberDesc(clientId)) {
      for (Finding f : json.read(row.assessment, Assessment.class).findings()) {
        all.add(new OpenFinding(f, row.takenOn, newest));
      }
      newest = false;
    }
    stops.ifAvailable(
        s ->
            s.stopDays(clientId)
                .forEach(
                    day ->
                        all.add(
                            new OpenFinding(
                                new Finding(
                                    OpenFinding.STOP_EVENT,
                                    Outcome.CLEARANCE_ONLY,
                                    "A run ended at the stop panel on "
                                        + Wording.day(day)
                                        + ": a clearance dated after it is wanted.",
                                    "handbook 2 and 8, the stricter",
                                    null),
                                day,
                                true))));
    return all;
  }

  private ScreeningView view(ScreeningRow r, @Nullable ScreeningRow before) {
    Map<String, String> answers = json.read(r.answers, ANSWERS);
    List<String> changes = new ArrayList<>();
    if (before != null) {
      Map<String, String> old = json.read(before.answers, ANSWERS);
      for (Question q : Screening.questions()) {
        String a = old.getOrDefault(q.id(), "–");
        String b = answers.getOrDefault(q.id(), "–");
        if (!a.equals(b)) {
          changes.add(q.text() + " " + a + " → " + b);
        }
      }
    }
    return new ScreeningView(
        r.id,
        r.number,
        r.takenOn,
        answers,
        preview(json.read(r.assessment, Assessment.class), decisions.findByScreeningId(r.id)),
        r.signedClient,
        r.signedProfessional,
        changes);
  }

  private static Preview preview(Assessment a, List<DecisionRow> decided) {
    return new Preview(
        a.standing(),
        a.today(),
        a.findings(),
        a.proposals().stream().map(p -> proposal(p, decided)).toList(),
        a.visible(),
        a.missing(),
        a.errors(),
        a.gestation());
  }

  private static ProposalView proposal(Proposal p, List<DecisionRow> decided) {
    DecisionRow d =
        decided.stream().filter(x -> x.proposalKey.equals(p.key())).findFirst().orElse(null);
    Axis axis = Axis.of(p.axisId());
    return new ProposalView(
        p.key(),
        p.condition(),
        p.axisId(),
        Wording.limit(p.axisId(), p.side(), p.cap()),
        axis.unit.name(),
        p.cap(),
        axis.greatest,
        p.why(),
        p.source(),
        p.from(),
        p.until(),
        p.review(),
        d == null ? null : d.decision,
        d == null ? null : d.reason);
  }
}
