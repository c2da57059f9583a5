package riposo.server.adapt.internal;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.adapt.Comparison;
import riposo.core.adapt.Performed;
import riposo.core.adapt.PlanMark;
import riposo.core.adapt.TodayDose;
import riposo.core.limit.Limit;
import riposo.core.limit.Strength;
import riposo.core.movement.Movement;
import riposo.core.wording.Wording;
import riposo.server.adapt.TodaySource;
import riposo.server.client.Clients;
import riposo.server.limit.Limits;
import riposo.server.movement.Movements;
import riposo.server.plan.Plans;
import riposo.server.platform.Json;
import riposo.server.platform.Problems;
import riposo.server.platform.Studios;
import tools.jackson.core.JacksonException;

/** What changes: between dates, clients, with today's check, without a limit, over a week. */
@Service
class CompareService {
  /** A slot that differs. */
  record ChangeView(
      String key,
      String purpose,
      String asked,
      Comparison.Kind kind,
      @Nullable String before,
      @Nullable String after) {}

  /**
   * Two adapted plans side by side.
   *
   * @param words the whole in one line
   * @param causes what they were reckoned from that differs
   * @param same how many slots do not differ
   * @param caution what has to be said with it; null for nothing
   */
  record ComparisonView(
      String title,
      String words,
      List<String> causes,
      List<ChangeView> changes,
      int same,
      @Nullable String caution) {}

  /** What has changed since the plan was last looked at; null the first time. */
  record SinceView(@Nullable ComparisonView since) {}

  /** One day of a week: how the plan stands and what is new that day. */
  record DayColumn(
      LocalDate date, int totalSeconds, int swaps, int rests, ComparisonView sinceDayBefore) {}

  private final AdaptService adapt;
  private final Movements movements;
  private final Clients clients;
  private final Limits limits;
  private final Plans plans;
  private final MarkStore marks;
  private final TodaySource today;
  private final Json json;
  private final Studios studios;

  CompareService(
      AdaptService adapt,
      Movements movements,
      Clients clients,
      Limits limits,
      Plans plans,
      MarkStore marks,
      TodaySource today,
      Json json,
      Studios studios) {
    this.adapt = adapt;
    this.movements = movements;
    this.clients = clients;
    this.limits = limits;
    this.plans = plans;
    this.marks = marks;
    this.today = today;
    this.json = json;
    this.studios = studios;
  }

  /**
   * Notes the adapted plan as seen today and says what changed since it was seen on a day before.
   */
  @Transactional
  SinceView seen(UUID clientId, UUID planId) {
    LocalDate day = studios.today();
    PlanMark now = mark(clientId, planId, day);
    String body = json.write(now);
    MarkRow row =
        marks.findByClientIdAndPlanIdAndOnDate(clientId, planId, day).orElseGet(MarkRow::new);
    if (!body.equals(row.body)) {
      row.createdAt = studios.now();
      row.clientId = clientId;
      row.planId = planId;
      row.onDate = day;
      row.body = body;
      try {
        marks.saveAndFlush(row);
      } catch (DataIntegrityViolationException e) {
        throw Problems.refused(
            "seen-twice", "Somebody else opened this plan just now; look again.");
      }
    }
    return new SinceView(
        marks
            .findFirstByClientIdAndPlanIdAndOnDateBeforeOrderByOnDateDesc(clientId, planId, day)
            .flatMap(this::read)
            .map(m -> Comparison.of(m, now))
            .map(c -> view("Since you last looked", Wording.since(c), c, null))
            .orElse(null));
  }

  /** A mark as stored; empty when it names what is no longer known, such as an axis. */
  private Optional<PlanMark> read(MarkRow row) {
    try {
      return Optional.of(json.read(row.body, PlanMark.class));
    } catch (JacksonException e) {
      return Optional.empty();
    }
  }

  @Transactional(readOnly = true)
  ComparisonView dates(UUID clientId, UUID planId, LocalDate from, LocalDate to) {
    near("/from", from);
    near("/to", to);
    Comparison c = Comparison.of(mark(clientId, planId, from), mark(clientId, planId, to));
    return view(
        Wording.day(from) + " and " + Wording.day(to),
        capital(Wording.counts(c)) + ".",
        c,
        "Dates are reckoned with the kit, the plan and the choices of today; only the limits differ.");
  }

  @Transactional(readOnly = true)
  ComparisonView people(UUID clientId, UUID planId, UUID other) {
    LocalDate day = studios.today();
    String one = clients.require(clientId).name();
    String two = clients.require(other).name();
    Comparison c = Comparison.of(mark(clientId, planId, day), mark(other, planId, day));
    return view(
        one + " and " + two,
        two
            + ": "
            + Wording.counts(c)
                .replace("opened", "nearer to the plan")
                .replace("closed", "further from it")
            + ".",
        c,
        null);
  }

  /** The plan with what today's check leaves of it; a 409 problem without a check today. */
  @Transactional(readOnly = true)
  ComparisonView today(UUID clientId, UUID planId) {
    LocalDate day = studios.today();
    clients.require(clientId);
    TodayDose dose =
        today
            .today(clientId)
            .orElseThrow(() -> Problems.refused("no-check-today", "No check was made today yet."));
    Comparison c =
        Comparison.of(
            mark(clientId, planId, day), adapt.mark(clientId, planId, day, dose, Set.of()));
    return view("With today’s check", capital(Wording.counts(c)) + ".", c, null);
  }

  /** What lifting limits would change. Nothing is lifted by asking. */
  @Transactional(readOnly = true)
  ComparisonView whatIf(UUID clientId, UUID planId, List<UUID> lift) {
    LocalDate day = studios.today();
    Map<UUID, Limit> known =
        limits.of(clientId).stream().collect(Collectors.toMap(Limit::id, l -> l, (a, b) -> a));
    List<String> words = new ArrayList<>();
    boolean firm = false;
    for (UUID id : lift) {
      Limit l = known.get(id);
      if (l == null) {
        throw Problems.notFound("limit", id);
      }
      firm |= l.strength() == Strength.FIRM;
      words.add(Wording.limit(l.axisId(), l.side(), l.cap()));
    }
    Comparison c =
        Comparison.of(
            mark(clientId, planId, day),
            adapt.mark(clientId, planId, day, TodayDose.AS_PLANNED, Set.copyOf(lift)));
    return view(
        "Without “" + String.join("” and “", words) + "”",
        capital(Wording.counts(c)) + ".",
        c,
        firm
            ? "A thought only: a firm limit is lifted by a recorded clearance and by nothing else."
            : "A thought only: an advised limit is lifted on the Limits page, with a reason.");
  }

  /** Seven days from a date, each against the day before. */
  @Transactional(readOnly = true)
  List<DayColumn> week(UUID clientId, UUID planId, @Nullable LocalDate from) {
    LocalDate first = from == null ? studios.today() : from;
    near("/from", first);
    List<DayColumn> days = new ArrayList<>();
    PlanMark before = mark(clientId, planId, first.minusDays(1));
    for (int i = 0; i < 7; i++) {
      PlanMark m = mark(clientId, planId, first.plusDays(i));
      Comparison c = Comparison.of(before, m);
      days.add(
          new DayColumn(
              m.date(),
              m.totalSeconds(),
              (int)
                  m.slots().stream()
                      .filter(s -> !s.cost().equals(riposo.core.adapt.Cost.NONE))
                      .count(),
              (int)
                  m.slots().stream()
                      .filter(s -> s.parts().stream().allMatch(Performed::isRest))
                      .count(),
              view(Wording.day(m.date()), capital(Wording.counts(c)) + ".", c, null)));
      before = m;
    }
    return days;
  }

  private PlanMark mark(UUID clientId, UUID planId, LocalDate day) {
    return adapt.mark(clientId, planId, day, TodayDose.AS_PLANNED, Set.of());
  }

  private void near(String field, LocalDate day) {
    LocalDate now = studios.today();
    if (day.isBefore(now.minusYears(5)) || day.isAfter(now.plusYears(5))) {
      throw Problems.field(field, "Shown five years back and ahead; " + day + " is not.");
    }
  }

  private static String capital(String s) {
    return s.substring(0, 1).toUpperCase(Locale.ROOT) + s.substring(1);
  }

  private ComparisonView view(String title, String words, Comparison c, @Nullable String caution) {
    Wording wording = movements.wording();
    return new ComparisonView(
        title,
        words,
        Wording.causes(c),
        c.slots().stream()
            .map(
                s -> {
                  // a slot differs because it is in one of the two, or in both
                  PlanMark.SlotMark any =
                      Objects.requireNonNull(s.after() == null ? s.before() : s.after());
                  Movement asked = movements.planAdapter().find(any.askedId());
                  return new ChangeView(
                      s.key(),
                      asked == null ? "" : asked.purpose().words,
                      asked == null ? any.askedId() : asked.name(),
                      s.kind(),
                      s.before() == null ? null : wording.slot(s.before()),
                      s.after() == null ? null : wording.slot(s.after()));
                })
            .toList(),
        c.same(),
        caution);
  }
}
