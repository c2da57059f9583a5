package riposo.server.screening.internal;

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
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.limit.Limit;
import riposo.core.limit.Proposal;
import riposo.core.limit.Strength;
import riposo.core.screening.Assessment;
import riposo.core.screening.Question;
import riposo.core.screening.Screening;
import riposo.core.screening.Signature;
import riposo.core.wording.Wording;
import riposo.server.client.Clients;
import riposo.server.limit.Limits;
import riposo.server.platform.Audit;
import riposo.server.platform.Json;
import riposo.server.platform.Problems;
import riposo.server.platform.Stamps;
import riposo.server.platform.StudioContext;
import riposo.server.platform.Studios;

/** Screenings, their drafts, and proposals decided one by one. */
@Service
@Transactional
class ScreeningService {
  /** Answers so far, by question id. */
  record Answers(
      @NotNull @Size(max = 200, message = "At most 200 answers.")
          Map<String, @Size(max = 40, message = "At most 40 characters.") String> answers) {}

  /**
   * A screening read to the client and agreed.
   *
   * @param onBehalf who signs where the name is not the client's own
   */
  record Signed(
      @NotNull @Size(max = 200, message = "At most 200 answers.")
          Map<String, @Size(max = 40, message = "At most 40 characters.") String> answers,
      @NotBlank(message = "The client signs with a typed name.")
          @Size(max = 120, message = "At most 120 characters.")
          String signedClient,
      @Nullable @Size(max = 120, message = "At most 120 characters.") String onBehalf) {}

  /** What to do with a proposed limit. */
  record ProposalDecision(
      @NotBlank String key,
      @NotNull
          @Pattern(regexp = "ACCEPTED|CHANGED|DECLINED", message = "Accept, change or decline.")
          String decision,
      @Nullable Integer cap,
      @Nullable LocalDate from,
      @Nullable LocalDate until,
      @Nullable @Size(max = 400, message = "At most 400 characters.") String reason) {}

  /** Proposals to accept in one go. */
  record AcceptKeys(
      @NotEmpty(message = "Say which proposals.") @Size(max = 200, message = "At most 200 at once.")
          List<@NotBlank String> keys) {}

  /**
   * A screening as taken.
   *
   * @param fresh false where it was sent before and nothing happened between
   */
  record Taken(ScreeningViews.ScreeningView screening, boolean fresh) {}

  private final ScreeningViews views;
  private final ScreeningStores.Screenings screenings;
  private final ScreeningStores.Decisions decisions;
  private final ScreeningStores.Drafts drafts;
  private final ScreeningStores.Events events;
  private final Clients clients;
  private final Limits limits;
  private final Json json;
  private final Audit audit;
  private final Studios studios;
  private final Stamps stamps;

  ScreeningService(
      ScreeningStores.Screenings screenings,
      ScreeningStores.Decisions decisions,
      ScreeningStores.Drafts drafts,
      ScreeningStores.Events events,
      Clients clients,
      Limits limits,
      Json json,
      Audit audit,
      Studios studios,
      Stamps stamps,
      ScreeningViews views) {
    this.views = views;
    this.screenings = screenings;
    this.decisions = decisions;
    this.drafts = drafts;
    this.events = events;
    this.clients = clients;
    this.limits = limits;
    this.json = json;
    this.audit = audit;
    this.studios = studios;
    this.stamps = stamps;
  }

  @Transactional(readOnly = true)
  List<Question> questions() {
    return Screening.questions();
  }

  /** The outcome so far; nothing is stored. */
  ScreeningViews.Preview preview(Answers body) {
    return ScreeningViews.preview(Screening.assess(body.answers(), studios.today()), List.of());
  }

  Taken take(UUID clientId, Signed body) {
    Clients.Client client = clients.requireActive(clientId);
    LocalDate today = studios.today();
    Signature signature = new Signature(body.signedClient(), body.onBehalf());
    Map<String, String> answers = Screening.dated(body.answers(), today);
    Assessment a = Screening.assess(answers, today);
    if (!a.complete()) {
      List<Problems.Field> fields = new ArrayList<>();
      a.errors().forEach((id, text) -> fields.add(new Problems.Field("/answers/" + id, text)));
      a.missing()
          .forEach(id -> fields.add(new Problems.Field("/answers/" + id, "Not answered yet.")));
      throw Problems.fields(fields);
    }
    String refusal = signature.refusal(client.name());
    if (refusal != null) {
      throw Problems.field("/onBehalf", refusal);
    }
    String signed = signature.words(client.name());
    List<ScreeningRow> earlier = screenings.findByClientIdOrderByNumberDesc(clientId);
    ScreeningRow last = earlier.isEmpty() ? null : earlier.get(0);
    if (last != null
        && last.takenOn.equals(today)
        && last.questionSet == Screening.SET
        && last.signedClient.equals(signed)
        && asked(a, answers).equals(json.read(last.answers, StandingService.ANSWERS))
        && events.findByClientIdOrderByOnDateDesc(clientId).stream()
            .noneMatch(h -> h.createdAt.isAfter(last.createdAt))) {
      // sent twice, and nothing happened between: the same screening, not a new version
      return new Taken(views.view(last, earlier.size() > 1 ? earlier.get(1) : null), false);
    }
    ScreeningRow row = new ScreeningRow();
    row.createdAt = studios.now();
    row.questionSet = Screening.SET;
    row.clientId = clientId;
    row.number = earlier.isEmpty() ? 1 : earlier.get(0).number + 1;
    row.takenOn = today;
    row.answers = json.write(asked(a, answers));
    row.assessment = json.write(a);
    row.signedClient = signed;
    row.signedProfessional = StudioContext.who();
    screenings.saveAndFlush(row);
    drafts.findByClientId(clientId).ifPresent(drafts::delete);
    clients.setNoProgression(clientId, a.noProgression());
    audit.changed(
        "signed",
        "screening",
        row.id,
        "version " + row.number + ", " + a.standing() + " / " + a.today(),
        clientId);
    return new Taken(views.view(row, earlier.isEmpty() ? null : earlier.get(0)), true);
  }

  private static Map<String, String> asked(Assessment a, Map<String, String> answers) {
    Map<String, String> asked = new LinkedHashMap<>();
    for (String id : a.visible()) {
      String answer = answers.get(id);
      if (answer != null && !answer.isBlank()) {
        asked.put(id, answer);
      }
    }
    return asked;
  }

  void acceptAll(UUID screeningId) {
    ScreeningRow row = screenings.require(screeningId, "screening");
    for (Proposal p : json.read(row.assessment, Assessment.class).proposals()) {
      decide(screeningId, accepted(p.key()));
    }
  }

  private static ProposalDecision accepted(String key) {
    return new ProposalDecision(key, "ACCEPTED", null, null, null, null);
  }

  /** The screening half done, or nothing yet. */
  @Transactional(readOnly = true)
  ScreeningViews.DraftView draft(UUID clientId) {
    clients.require(clientId);
    return drafts
        .findByClientId(clientId)
        .map(views::view)
        .orElse(new ScreeningViews.DraftView(null, Map.of(), null, null));
  }

  /** Keeps a screening half done; If-Match carries the version it was read with, none at first. */
  ScreeningViews.DraftView keep(UUID clientId, @Nullable Long version, Answers body) {
    clients.requireActive(clientId);
    DraftRow row = drafts.findByClientId(clientId).orElse(null);
    if (row != null && (version == null || row.version != version)) {
      throw Problems.stale(views.view(row), body);
    }
    if (row == null && version != null) {
      // signed or thrown away meanwhile: a late save brings no draft back
      throw Problems.stale(new ScreeningViews.DraftView(null, Map.of(), null, null), body);
    }
    if (row == null) {
      row = new DraftRow();
      row.createdAt = studios.now();
      row.clientId = clientId;
    }
    row.answers = json.write(body.answers());
    row.changedAt = studios.now();
    row.changedBy = StudioContext.who();
    drafts.saveAndFlush(row);
    return views.view(row);
  }

  /** Throws the draft away. */
  void discard(UUID clientId) {
    clients.require(clientId);
    drafts.findByClientId(clientId).ifPresent(drafts::delete);
  }

  /** Accepts several proposals at once, each recorded on its own. */
  List<ScreeningViews.ProposalView> accept(UUID id, AcceptKeys body) {
    return body.keys().stream().distinct().map(k -> decide(id, accepted(k))).toList();
  }

  /** The limit that says the same already and ends no earlier; null where none does. */
  private @Nullable UUID holds(UUID clientId, Proposal p) {
    LocalDate today = studios.today();
    return limits.of(clientId).stream()
        .filter(l -> l.activeOn(today) && l.axisId().equals(p.axisId()) && l.side() == p.side())
        .filter(l -> l.cap() == p.cap() && l.strength() == p.strength())
        // one that is lifted from some day to come does not go on holding
        .filter(l -> l.liftedFrom() == null)
        .filter(l -> l.until() == null || p.until() != null && !l.until().isBefore(p.until()))
        .map(Limit::id)
        .findFirst()
        .orElse(null);
  }

  /** Accepts, changes or declines one proposal of a screening. */
  ScreeningViews.ProposalView decide(UUID id, ProposalDecision body) {
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
      LocalDate from = changed && body.from() != null ? body.from() : p.from();
      LocalDate until = changed && body.until() != null ? body.until() : p.until();
      if (p.strength() == Strength.FIRM
          && (cap > p.cap()
              || from.isAfter(p.from())
              || until != null && (p.until() == null || until.isBefore(p.until())))) {
        throw Problems.refused(
            "firm-limit",
            "This limit is firm by the law of the condition: it can be set tighter here; only a recorded clearance lifts or loosens it.");
      }
      String source = p.condition() + ", screening " + Wording.day(row.takenOn);
      UUID holds = changed ? null : holds(row.clientId, p);
      d.limitId =
          holds != null
              ? holds
              : limits.add(
                  row.clientId,
                  new Limits.NewLimit(
                      p.axisId(),
                      p.side(),
                      cap,
                      p.strength(),
                      source,
                      changed ? p.why() + " Changed: " + d.reason : p.why(),
                      from,
                      until,
                      p.review()));
    } else if (p.strength() == Strength.FIRM) {
      throw Problems.refused(
          "firm-limit",
          "This limit is firm by the law of the condition: accept it, then lift it by the clinician's recorded word.");
    }
    decisions.saveAndFlush(d);
    stamps.touch(row.clientId);
    audit.changed("decided", "proposal", d.id, p.key() + " " + d.decision, row.clientId);
    return ScreeningViews.proposal(p, decisions.findByScreeningId(id));
  }
}
