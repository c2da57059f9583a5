package riposo.server.review.internal;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.limit.Side;
import riposo.core.limit.Strength;
import riposo.core.review.ReviewDue;
import riposo.core.wording.Wording;
import riposo.server.client.Clients;
import riposo.server.limit.Limits;
import riposo.server.plan.Plans;
import riposo.server.platform.Audit;
import riposo.server.platform.Json;
import riposo.server.platform.Problems;
import riposo.server.platform.StudioContext;
import riposo.server.platform.Studios;
import riposo.server.platform.Versions;
import riposo.server.review.Reviews;
import riposo.server.run.Runs;
import tools.jackson.core.type.TypeReference;

/** Opens, fills and closes reviews; what is decided in them takes effect at once. */
@Service
@Transactional
class ReviewService implements Reviews {
  private static final TypeReference<List<Point>> POINTS = new TypeReference<>() {};
  private static final int MOST_POINTS = 30;

  /**
   * A point that was decided.
   *
   * @param words what was decided
   * @param became what it became, with its number; null for a point that becomes nothing else
   */
  record Point(
      ReviewForms.PointKind kind, String words, @Nullable String became, LocalDate on, String by) {}

  /** A review in one line. */
  record ReviewLine(
      UUID id,
      LocalDate from,
      LocalDate on,
      boolean asked,
      @Nullable LocalDate closedOn,
      @Nullable String closedBy,
      int points) {}

  /**
   * Reviews of a client, the newest first.
   *
   * @param due the day the next is due, past or to come; null where nobody trains
   * @param openId the one that is open; null where none is
   */
  record ReviewList(
      LocalDate today, @Nullable LocalDate due, @Nullable UUID openId, List<ReviewLine> reviews) {}

  /**
   * A review whole.
   *
   * @param words for the client; null while nothing was written
   */
  record ReviewView(
      UUID id,
      long version,
      UUID clientId,
      boolean asked,
      String openedBy,
      @Nullable LocalDate closedOn,
      @Nullable String closedBy,
      @Nullable String words,
      ReviewFacts facts,
      List<Point> points) {}

  private final ReviewStore store;
  private final FactsReader reader;
  private final Clients clients;
  private final Limits limits;
  private final Plans plans;
  private final Runs runs;
  private final ObjectProvider<PlanChange> planned;
  private final Json json;
  private final Audit audit;
  private final Studios studios;

  ReviewService(
      ReviewStore store,
      FactsReader reader,
      Clients clients,
      Limits limits,
      Plans plans,
      Runs runs,
      ObjectProvider<PlanChange> planned,
      Json json,
      Audit audit,
      Studios studios) {
    this.store = store;
    this.reader = reader;
    this.clients = clients;
    this.limits = limits;
    this.plans = plans;
    this.runs = runs;
    this.planned = planned;
    this.json = json;
    this.audit = audit;
    this.studios = studios;
  }

  @Transactional(readOnly = true)
  ReviewList of(UUID clientId) {
    clients.require(clientId);
    List<ReviewRow> rows = store.findByClientIdOrderByOnDateDescCreatedAtDesc(clientId);
    return new ReviewList(
        studios.today(),
        due(clientId, last(rows)),
        rows.stream().filter(r -> r.closedOn == null).findFirst().map(r -> r.id).orElse(null),
        rows.stream()
            .map(
                r ->
                    new ReviewLine(
                        r.id,
                        r.fromDate,
                        r.onDate,
                        r.asked,
                        r.closedOn,
                        r.closedBy,
                        points(r).size()))
            .toList());
  }

  private static @Nullable LocalDate last(List<ReviewRow> rows) {
    return rows.stream()
        .map(r -> r.closedOn)
        .filter(Objects::nonNull)
        .max(LocalDate::compareTo)
        .orElse(null);
  }

  private @Nullable LocalDate due(UUID clientId, @Nullable LocalDate last) {
    return runs.trained(List.of(clientId)).stream()
        .findFirst()
        .map(t -> ReviewDue.of(t.first(), t.newest(), last, studios.today()))
        .orElse(null);
  }

  @Override
  @Transactional(readOnly = true)
  public List<Due> due(List<UUID> of, LocalDate day) {
    if (of.isEmpty()) {
      return List.of();
    }
    Map<UUID, List<ReviewStore.Line>> known =
        store.lines(of).stream().collect(Collectors.groupingBy(ReviewStore.Line::clientId));
    Map<UUID, Runs.Trained> trained =
        runs.trained(of).stream().collect(Collectors.toMap(Runs.Trained::clientId, t -> t));
    List<Due> all = new ArrayList<>();
    for (UUID client : of) {
      List<ReviewStore.Line> lines = known.getOrDefault(client, List.of());
      LocalDate open =
          lines.stream()
              .filter(l -> l.closedOn() == null)
              .map(ReviewStore.Line::on)
              .findFirst()
              .orElse(null);
      LocalDate last =
          lines.stream()
              .map(ReviewStore.Line::closedOn)
              .filter(Objects::nonNull)
              .max(LocalDate::compareTo)
              .orElse(null);
      Runs.Trained t = trained.get(client);
      LocalDate due =
          open != null || t == null ? open : ReviewDue.of(t.first(), t.newest(), last, day);
      if (due != null && !due.isAfter(day)) {
        all.add(new Due(client, due, open != null));
      }
    }
    return all;
  }

  @Override
  public UUID hold(UUID clientId, String words) {
    ReviewView v = open(clientId);
    return close(v.id(), v.version(), new ReviewForms.CloseForm(words)).id();
  }

  /** Opens one, or goes on with the one that is open. */
  ReviewView open(UUID clientId) {
    clients.requireActive(clientId);
    clients.hold(clientId); // two taps open one
    LocalDate today = studios.today();
    List<ReviewRow> rows = store.findByClientIdOrderByOnDateDescCreatedAtDesc(clientId);
    ReviewRow known = rows.stream().filter(r -> r.closedOn == null).findFirst().orElse(null);
    if (known != null) {
      return view(known);
    }
    LocalDate due = due(clientId, last(rows));
    if (runs.trained(List.of(clientId)).isEmpty()) {
      throw Problems.refused("no-session", "No session on record yet: there is nothing to review.");
    }
    ReviewRow row = new ReviewRow();
    row.createdAt = studios.now();
    row.clientId = clientId;
    row.fromDate = ReviewDue.since(last(rows), today);
    row.onDate = today;
    row.asked = due == null || due.isAfter(today);
    row.openedBy = StudioContext.who();
    store.saveAndFlush(row);
    audit.changed("opened", "review", row.id, row.asked ? "asked for" : "due", clientId);
    return view(row);
  }

  @Transactional(readOnly = true)
  ReviewView one(UUID id) {
    return view(store.require(id, "review"));
  }

  /** What a review of today would look at, without one. */
  @Transactional(readOnly = true)
  ReviewFacts facts(UUID clientId) {
    LocalDate today = studios.today();
    LocalDate last = last(store.findByClientIdOrderByOnDateDescCreatedAtDesc(clientId));
    // one closed a few days ago leaves too little to tell: six weeks then
    LocalDate from = last == null ? today.minusWeeks(ReviewDue.WEEKS) : last;
    LocalDate six = today.minusWeeks(ReviewDue.WEEKS);
    return reader.read(clientId, from.isAfter(six) ? six : ReviewDue.since(last, today), today);
  }

  /** Decides a point: it takes effect in the same transaction, or nothing is kept. */
  ReviewView decide(UUID id, long version, ReviewForms.PointForm f) {
    ReviewRow row = current(id, version, f);
    List<Point> points = new ArrayList<>(points(row));
    if (points.size() >= MOST_POINTS) {
      throw Problems.refused("too-many-points", "A review holds " + MOST_POINTS + " points.");
    }
    points.add(point(row, f));
    row.points = json.write(points);
    store.saveAndFlush(row);
    Point p = points.get(points.size() - 1);
    audit.changed(
        "decided",
        "review point",
        row.id,
        p.words() + (p.became() == null ? "" : ": " + p.became()),
        row.clientId);
    return view(row);
  }

  private Point point(ReviewRow row, ReviewForms.PointForm f) {
    LocalDate today = studios.today();
    String who = StudioContext.who();
    String words = f.words() == null || f.words().isBlank() ? null : f.words().strip();
    return switch (f.kind()) {
      case GOAL -> {
        String goal = wanted("/words", words, "Write the goal, in their words.");
        String before = clients.setGoal(row.clientId, goal);
        yield new Point(
            f.kind(),
            "Goal: " + goal,
            before == null ? "the first goal" : "in place of: " + before,
            today,
            who);
      }
      case EFFORT -> {
        Integer effort = wanted("/effort", f.effort(), "Give the effort aimed for.");
        int before = clients.setGoalEffort(row.clientId, effort);
        yield new Point(
            f.kind(),
            "Effort aimed for: " + effort + " of 10" + (words == null ? "" : ", " + words),
            "it was " + before + "; lower caps win",
            today,
            who);
      }
      case LIMIT -> {
        String axis = wanted("/axisId", f.axisId(), "Choose what is limited.");
        Side side = wanted("/side", f.side(), "Choose a side.");
        Integer cap = wanted("/cap", f.cap(), "Give a number.");
        String source = "review of " + Wording.day(today) + ", " + who;
        limits.add(
            row.clientId,
            new Limits.NewLimit(
                axis, side, cap, Strength.ADVISED, source, words, today, f.until(), null));
        yield new Point(
            f.kind(),
            "Limit: " + Wording.limit(axis, side, cap),
            "holds from today"
                + (f.until() == null ? ", until reviewed" : " to " + Wording.day(f.until())),
            today,
            who);
      }
      case PLAN -> {
        UUID plan = wanted("/planId", f.planId(), "Choose a plan.");
        String name = plans.require(plan).name();
        PlanChange change = planned.getIfAvailable();
        int coming = change == null ? 0 : change.change(row.clientId, plan);
        yield new Point(
            f.kind(),
            "Plan: " + name + (words == null ? "" : ", " + words),
            coming == 0
                ? "no coming session is set yet"
                : Wording.counted(coming, "coming session goes", "coming sessions go") + " by it",
            today,
            who);
      }
      case OTHER ->
          new Point(f.kind(), wanted("/words", words, "Write the point."), null, today, who);
    };
  }

  private static <T> T wanted(String pointer, @Nullable T value, String sentence) {
    if (value == null) {
      throw Problems.field(pointer, sentence);
    }
    return value;
  }

  /** Closes it: what was found and decided is kept as it is today. */
  ReviewView close(UUID id, long version, ReviewForms.CloseForm f) {
    ReviewRow row = current(id, version, f);
    row.onDate = studios.today();
    row.facts = json.write(reader.read(row.clientId, row.fromDate, row.onDate));
    row.words = f.words() == null || f.words().isBlank() ? null : f.words().strip();
    row.closedOn = row.onDate;
    row.closedBy = StudioContext.who();
    store.saveAndFlush(row);
    audit.changed("closed", "review", row.id, points(row).size() + " points", row.clientId);
    return view(row);
  }

  private ReviewRow current(UUID id, long version, Object yours) {
    ReviewRow row = store.require(id, "review");
    Versions.same(row, version, () -> view(row), yours);
    clients.requireActive(row.clientId);
    if (row.closedOn != null) {
      throw Problems.refused(
          "review-closed",
          "This review was closed on " + Wording.day(row.closedOn) + "; open a new one.");
    }
    return row;
  }

  private List<Point> points(ReviewRow row) {
    return json.read(row.points, POINTS);
  }

  private ReviewView view(ReviewRow row) {
    return new ReviewView(
        row.id,
        row.version,
        row.clientId,
        row.asked,
        row.openedBy,
        row.closedOn,
        row.closedBy,
        row.words,
        row.facts == null
            ? reader.read(row.clientId, row.fromDate, studios.today())
            : json.read(row.facts, ReviewFacts.class),
        points(row));
  }
}
