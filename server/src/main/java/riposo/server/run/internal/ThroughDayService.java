package riposo.server.run.internal;

import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.plan.FormatKind;
import riposo.core.plan.Param;
import riposo.core.plan.PlanBlock;
import riposo.core.screening.Finding;
import riposo.core.screening.Outcome;
import riposo.core.wording.Wording;
import riposo.server.adapt.AdaptedPlans;
import riposo.server.client.Clients;
import riposo.server.plan.Plans;
import riposo.server.platform.Audit;
import riposo.server.platform.Problems;
import riposo.server.platform.Studios;
import riposo.server.screening.Readiness;

/** Small doses spread over a day, ticked off on the client's page. */
@Service
@Transactional
class ThroughDayService {
  /** A plan to give. */
  record Give(
      @NotNull(message = "Choose a plan.") UUID planId,
      @Nullable LocalDate from,
      @Nullable LocalDate until) {}

  /** A tick, or one taken back. */
  record TickForm(
      @NotNull(message = "Give the date.") LocalDate date,
      @NotBlank(message = "Say which dose.") String slotKey,
      @Min(value = 1, message = "Doses are counted from 1.") int number,
      boolean on) {}

  /** One movement's doses of the day. */
  record DoseView(
      String slotKey,
      String title,
      String doseText,
      List<String> cues,
      List<String> reasons,
      boolean rest,
      int times,
      List<Integer> ticked) {}

  /** Days of the last week with how many doses were done. */
  record DoneView(LocalDate date, int done) {}

  /**
   * A plan through the day on one date.
   *
   * @param closed why nothing may be done now, in words; null when it is open
   */
  record DayPlanView(
      UUID id,
      UUID planId,
      String planName,
      LocalDate date,
      @Nullable Integer daysAWeek,
      List<DoseView> doses,
      int done,
      int all,
      List<DoneView> week,
      @Nullable String closed) {}

  private final DayPlanStore store;
  private final TickStore ticks;
  private final Clients clients;
  private final Plans plans;
  private final AdaptedPlans adapted;
  private final Readiness readiness;
  private final Audit audit;
  private final Studios studios;

  ThroughDayService(
      DayPlanStore store,
      TickStore ticks,
      Clients clients,
      Plans plans,
      AdaptedPlans adapted,
      Readiness readiness,
      Audit audit,
      Studios studios) {
    this.store = store;
    this.ticks = ticks;
    this.clients = clients;
    this.plans = plans;
    this.adapted = adapted;
    this.readiness = readiness;
    this.audit = audit;
    this.studios = studios;
  }

  @Transactional(readOnly = true)
  List<DayPlanView> of(UUID clientId, @Nullable LocalDate date) {
    clients.require(clientId);
    LocalDate day = date == null ? studios.today() : date;
    List<DayPlanView> all = new ArrayList<>();
    for (DayPlanRow p : store.findByClientId(clientId)) {
      if (!p.from.isAfter(day) && (p.until == null || !p.until.isBefore(day))) {
        all.add(view(p, day));
      }
    }
    return all;
  }

  List<DayPlanView> give(UUID clientId, Give body) {
    clients.requireActive(clientId);
    Plans.Plan plan = plans.require(body.planId());
    if (times(plan).isEmpty()) {
      throw Problems.field("/planId", plan.name() + " has no doses through the day.");
    }
    LocalDate from = body.from() == null ? studios.today() : body.from();
    if (body.until() != null && body.until().isBefore(from)) {
      throw Problems.field("/until", "The last day comes before the first.");
    }
    boolean has =
        store.findByClientId(clientId).stream()
            .anyMatch(
                p ->
                    p.planId.equals(body.planId()) && (p.until == null || !p.until.isBefore(from)));
    if (has) {
      throw Problems.refused("given-already", plan.name() + " is given already.");
    }
    DayPlanRow row = new DayPlanRow();
    row.createdAt = studios.now();
    row.clientId = clientId;
    row.planId = body.planId();
    row.from = from;
    row.until = body.until();
    store.saveAndFlush(row);
    audit.changed("gave", "day plan", row.id, plan.name(), clientId);
    return of(clientId, null);
  }

  /** Ends a plan yesterday: today nothing is asked any more; what was ticked stays. */
  List<DayPlanView> end(UUID clientId, UUID id) {
    DayPlanRow row = row(clientId, id);
    row.until = studios.today().minusDays(1);
    store.saveAndFlush(row);
    audit.changed("ended", "day plan", id, plans.require(row.planId).name(), clientId);
    return of(clientId, null);
  }

  DayPlanView tick(UUID clientId, UUID id, TickForm body) {
    clients.requireActive(clientId);
    DayPlanRow row = row(clientId, id);
    if (body.date().isAfter(studios.today())) {
      throw Problems.field("/date", "What is still to come is not ticked off.");
    }
    DayPlanView view = view(row, body.date());
    DoseView dose =
        view.doses().stream()
            .filter(d -> d.slotKey().equals(body.slotKey()))
            .findFirst()
            .orElseThrow(() -> Problems.field("/slotKey", "This plan has no such dose."));
    if (body.number() > dose.times()) {
      throw Problems.field("/number", dose.times() + " times a day, not more.");
    }
    if (body.on() && view.closed() != null) {
      throw Problems.refused("closed", view.closed());
    }
    TickRow known =
        ticks
            .findByClientIdAndPlanIdAndSlotKeyAndOnDateAndNumber(
                clientId, row.planId, body.slotKey(), body.date(), body.number())
            .orElse(null);
    if (body.on() && known == null) {
      TickRow t = new TickRow();
      t.createdAt = studios.now();
      t.clientId = clientId;
      t.planId = row.planId;
      t.slotKey = body.slotKey();
      t.onDate = body.date();
      t.number = body.number();
      t.movement = dose.title().substring(0, Math.min(160, dose.title().length()));
      ticks.saveAndFlush(t);
    } else if (!body.on() && known != null) {
      ticks.delete(known);
      ticks.flush();
    }
    return view(row, body.date());
  }

  private DayPlanRow row(UUID clientId, UUID id) {
    DayPlanRow row = store.require(id, "day plan");
    if (!row.clientId.equals(clientId)) {
      throw Problems.notFound("day plan", id);
    }
    return row;
  }

  /** Times a day of each slot that has no clock. */
  private static Map<String, Integer> times(Plans.Plan plan) {
    Map<String, Integer> times = new HashMap<>();
    for (PlanBlock b : plan.plan().blocks()) {
      if (b.format().kind() == FormatKind.THROUGH_DAY) {
        b.slots().forEach(s -> times.put(s.keyAt(1), b.format().get(Param.TIMES)));
      }
    }
    return times;
  }

  private DayPlanView view(DayPlanRow row, LocalDate day) {
    Plans.Plan plan = plans.require(row.planId);
    Map<String, Integer> times = times(plan);
    Map<String, List<Integer>> ticked = new HashMap<>();
    Map<LocalDate, Integer> done = new HashMap<>();
    for (TickRow t :
        ticks.findByClientIdAndPlanIdAndOnDateBetween(
            row.clientId, row.planId, day.minusDays(6), day)) {
      done.merge(t.onDate, 1, Integer::sum);
      if (t.onDate.equals(day)) {
        ticked.computeIfAbsent(t.slotKey, x -> new ArrayList<>()).add(t.number);
      }
    }
    List<DoseView> doses = new ArrayList<>();
    for (AdaptedPlans.SlotView s : adapted.view(row.clientId, row.planId, day).slots()) {
      Integer n = times.get(s.key());
      if (n != null) {
        doses.add(
            new DoseView(
                s.key(),
                s.title(),
                s.parts().get(0).dose().reps() == null
                    ? s.parts().get(0).doseText()
                    : s.parts().get(0).dose().reps() + " repetitions",
                s.parts().get(0).cues(),
                s.reasons(),
                s.rest(),
                n,
                ticked.getOrDefault(s.key(), List.of()).stream().sorted().toList()));
      }
    }
    List<DoneView> week = new ArrayList<>();
    for (int i = 6; i >= 0; i--) {
      week.add(new DoneView(day.minusDays(i), done.getOrDefault(day.minusDays(i), 0)));
    }
    return new DayPlanView(
        row.id,
        row.planId,
        plan.name(),
        day,
        plan.plan().blocks().stream()
            .filter(b -> b.format().kind() == FormatKind.THROUGH_DAY)
            .findFirst()
            .map(PlanBlock::daysAWeek)
            .orElse(null),
        doses,
        done.getOrDefault(day, 0),
        doses.stream().filter(d -> !d.rest()).mapToInt(DoseView::times).sum(),
        week,
        closed(row.clientId));
  }

  private @Nullable String closed(UUID clientId) {
    Readiness.ClientStanding s = readiness.of(clientId);
    Outcome o = s.outcome();
    if (o == null) {
      return "No screening on file: screen first.";
    }
    if (s.undecided() > 0) {
      return Wording.counted(s.undecided(), "proposed limit is", "proposed limits are")
          + " not decided yet.";
    }
    return o == Outcome.ASK_FIRST || o == Outcome.CLEARANCE_ONLY
        ? s.findings().stream()
            .filter(f -> f.outcome() == o)
            .map(Finding::text)
            .findFirst()
            .orElse("Ask first.")
        : null;
  }
}
