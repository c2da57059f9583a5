package riposo.server.screening.internal;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.limit.Axis;
import riposo.core.limit.Proposal;
import riposo.core.limit.Strength;
import riposo.core.screening.Assessment;
import riposo.core.screening.CareNote;
import riposo.core.screening.Finding;
import riposo.core.screening.Outcome;
import riposo.core.screening.Question;
import riposo.core.screening.Screening;
import riposo.core.wording.Wording;
import riposo.server.client.Clients;
import riposo.server.platform.Json;

/** Screenings as shown, each beside the one before. */
@Service
@Transactional(readOnly = true)
class ScreeningViews {
  /** A proposal with what was decided. */
  record ProposalView(
      String key,
      String condition,
      String axisId,
      String words,
      String unit,
      int cap,
      int greatest,
      Strength strength,
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
      List<CareNote> notes,
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

  /** A screening half done; version to send back with If-Match, null when there is none yet. */
  record DraftView(
      @Nullable Long version,
      Map<String, String> answers,
      @Nullable Instant changedAt,
      @Nullable String changedBy) {}

  private final ScreeningStores.Screenings screenings;
  private final ScreeningStores.Decisions decisions;
  private final Clients clients;
  private final Json json;

  ScreeningViews(
      ScreeningStores.Screenings screenings,
      ScreeningStores.Decisions decisions,
      Clients clients,
      Json json) {
    this.screenings = screenings;
    this.decisions = decisions;
    this.clients = clients;
    this.json = json;
  }

  DraftView view(DraftRow r) {
    return new DraftView(
        r.version, json.read(r.answers, StandingService.ANSWERS), r.changedAt, r.changedBy);
  }

  @Transactional(readOnly = true)
  List<ScreeningView> list(UUID clientId) {
    clients.require(clientId);
    List<ScreeningRow> rows = screenings.findByClientIdOrderByNumberDesc(clientId);
    List<ScreeningView> views = new ArrayList<>();
    for (int i = 0; i < rows.size(); i++) {
      views.add(view(rows.get(i), i + 1 < rows.size() ? rows.get(i + 1) : null));
    }
    return views;
  }

  ScreeningView view(ScreeningRow r, @Nullable ScreeningRow before) {
    Map<String, String> answers = json.read(r.answers, StandingService.ANSWERS);
    List<String> changes = new ArrayList<>();
    if (before != null) {
      Map<String, String> old = json.read(before.answers, StandingService.ANSWERS);
      for (Question q : Screening.questions()) {
        String a = words(q, old.get(q.id()));
        String b = words(q, answers.get(q.id()));
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

  static String words(Question q, @Nullable String answer) {
    if (answer == null) {
      return "not asked";
    }
    return answer.equals("unsure")
        ? "not sure"
        : q.options().stream()
            .filter(o -> o.value().equals(answer))
            .map(Question.Option::words)
            .findFirst()
            .orElse(answer);
  }

  static ProposalView proposal(Proposal p, List<DecisionRow> decided) {
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
        p.strength(),
        p.why(),
        p.source(),
        p.from(),
        p.until(),
        p.review(),
        d == null ? null : d.decision,
        d == null ? null : d.reason);
  }

  static Preview preview(Assessment a, List<DecisionRow> decided) {
    return new Preview(
        a.standing(),
        a.today(),
        a.findings(),
        a.proposals().stream().map(p -> proposal(p, decided)).toList(),
        a.notes() == null ? List.of() : a.notes(),
        a.visible(),
        a.missing(),
        a.errors(),
        a.gestation());
  }
}
