package riposo.server.limit.internal;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.TreeMap;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.limit.Axis;
import riposo.core.limit.Caps;
import riposo.core.limit.Limit;
import riposo.core.limit.Side;
import riposo.core.limit.Strength;
import riposo.core.wording.Wording;
import riposo.server.client.Attachments;
import riposo.server.client.Clients;
import riposo.server.platform.Problems;
import riposo.server.platform.Studios;

/**
 * Limits as shown: one, all of a client, those of a date combined, and the axes they are set on.
 */
@Service
@Transactional(readOnly = true)
class LimitViews {
  /** A limit as shown. */
  record LimitView(
      UUID id,
      long version,
      String axisId,
      String axisWords,
      String unit,
      Side side,
      int cap,
      String words,
      Strength strength,
      String source,
      @Nullable String why,
      LocalDate from,
      @Nullable LocalDate until,
      @Nullable LocalDate review,
      State state,
      @Nullable LocalDate liftedFrom,
      @Nullable String liftedReason,
      @Nullable UUID replaces,
      Attachments.@Nullable Attachment attachment) {}

  /** Where a limit stands today. */
  enum State {
    ACTIVE,
    REVIEW_DUE,
    LATER,
    ENDED,
    LIFTED
  }

  /** An axis that a limit can be set on. */
  record AxisView(String id, String words, String unit, boolean sided, int greatest) {}

  /** What one axis and side comes to on a date, and the limit that decides it. */
  record CombinedRow(
      String axisId,
      String axisWords,
      Side side,
      int cap,
      String words,
      UUID limitId,
      Strength strength,
      String source,
      @Nullable LocalDate until,
      boolean reviewDue,
      int looser) {}

  /** A day on which the limits change, and how. */
  record ChangeDay(LocalDate date, List<String> begins, List<String> ends) {}

  /** All limits of a date combined, and the days before and after it on which they change. */
  record Combined(LocalDate date, List<CombinedRow> rows, List<ChangeDay> changes) {}

  /** A limit in words, before it is set. */
  record LimitWords(String words) {}

  private final LimitStore store;
  private final Clients clients;
  private final Studios studios;
  private final Attachments attachments;

  LimitViews(LimitStore store, Clients clients, Studios studios, Attachments attachments) {
    this.store = store;
    this.clients = clients;
    this.studios = studios;
    this.attachments = attachments;
  }

  /** The limits of any date combined: the lowest cap per axis and side, and which limit it is. */
  @Transactional(readOnly = true)
  Combined on(UUID clientId, @Nullable LocalDate date) {
    clients.require(clientId);
    LocalDate today = studios.today();
    LocalDate day = date == null ? today : date;
    if (day.isBefore(today.minusYears(5)) || day.isAfter(today.plusYears(5))) {
      throw Problems.field(
          "/date", "Limits are shown five years back and ahead; " + day + " is not.");
    }
    List<Limit> all = store.findByClientId(clientId).stream().map(LimitRow::toCore).toList();
    Caps caps = Caps.on(day, all);
    List<CombinedRow> rows = new ArrayList<>();
    for (int cell = 0; cell < Axis.CELLS; cell++) {
      if (Axis.ofCell(cell).isDerived()) {
        continue; // follows from the others
      }
      List<Limit> behind = caps.cap(cell) == Integer.MAX_VALUE ? List.of() : caps.behind(cell);
      if (behind.isEmpty()) {
        continue;
      }
      Limit by = behind.get(0);
      Axis axis = Axis.ofCell(cell);
      Side side = Axis.sideOfCell(cell);
      int last = rows.size() - 1;
      if (side == Side.RIGHT
          && last >= 0
          && rows.get(last).axisId().equals(axis.id)
          && rows.get(last).limitId().equals(by.id())) {
        rows.set(last, row(axis, Side.BOTH, caps, by));
      } else {
        rows.add(row(axis, side, caps, by));
      }
    }
    TreeMap<LocalDate, ChangeDay> changes = new TreeMap<>();
    for (Limit l : all) {
      String words = Wording.limit(l.axisId(), l.side(), l.cap());
      mark(changes, l.from(), words, true, today);
      LocalDate end =
          l.liftedFrom() != null
              ? l.liftedFrom()
              : l.strength() == Strength.ADVISED && l.until() != null
                  ? l.until().plusDays(1)
                  : null;
      if (end != null) {
        mark(changes, end, words, false, today);
      } else if (l.until() != null) {
        // a firm limit never lapses: past its letter it waits for a review
        mark(changes, l.until().plusDays(1), "review due, still on: " + words, true, today);
      }
    }
    return new Combined(day, rows, List.copyOf(changes.values()));
  }

  private static void mark(
      TreeMap<LocalDate, ChangeDay> changes,
      LocalDate day,
      String words,
      boolean begins,
      LocalDate today) {
    if (day.isBefore(today.minusDays(60)) || day.isAfter(today.plusDays(400))) {
      return;
    }
    ChangeDay c =
        changes.computeIfAbsent(day, d -> new ChangeDay(d, new ArrayList<>(), new ArrayList<>()));
    (begins ? c.begins() : c.ends()).add(words);
  }

  private static CombinedRow row(Axis axis, Side side, Caps caps, Limit by) {
    Side one = side == Side.BOTH && axis.sided ? Side.LEFT : side;
    int cap = caps.cap(axis.cell(one));
    int looser =
        (int)
            caps.active().stream()
                .filter(l -> l.axis() == axis && l.side().covers(one) && !l.id().equals(by.id()))
                .count();
    return new CombinedRow(
        axis.id,
        axis.words,
        side,
        cap,
        Wording.limit(axis.id, side, cap),
        by.id(),
        by.strength(),
        by.source(),
        by.until(),
        by.reviewDueOn(caps.day()),
        looser);
  }

  @Transactional(readOnly = true)
  List<AxisView> axes() {
    return Axis.all().stream()
        .map(a -> new AxisView(a.id, a.words, a.unit.name(), a.sided, a.greatest))
        .toList();
  }

  @Transactional(readOnly = true)
  LimitWords words(String axisId, Side side, int cap) {
    if (!Axis.exists(axisId)) {
      throw Problems.field("/axisId", "There is no such demand axis: " + axisId + ".");
    }
    Axis axis = Axis.of(axisId);
    if (cap < 0 || cap > axis.greatest) {
      throw Problems.field(
          "/cap", "It lies between 0 and " + Wording.amount(axis, axis.greatest) + ".");
    }
    return new LimitWords(Wording.limit(axisId, axis.sided ? side : Side.BOTH, cap));
  }

  @Transactional(readOnly = true)
  List<LimitView> list(UUID clientId) {
    clients.require(clientId);
    LocalDate today = studios.today();
    return store.findByClientId(clientId).stream()
        .map(r -> view(r, today))
        .sorted(
            Comparator.comparing(LimitView::state)
                .thenComparing(LimitView::strength)
                .thenComparing(LimitView::words))
        .toList();
  }

  static String words(LimitRow r) {
    return Wording.limit(r.axis, r.side, r.cap);
  }

  LimitView view(LimitRow r, LocalDate today) {
    Limit l = r.toCore();
    Axis axis = l.axis();
    State state =
        r.liftedFrom != null && !today.isBefore(r.liftedFrom)
            ? State.LIFTED
            : l.reviewDueOn(today)
                ? State.REVIEW_DUE
                : l.activeOn(today)
                    ? State.ACTIVE
                    : today.isBefore(r.from) ? State.LATER : State.ENDED;
    return new LimitView(
        r.id,
        r.version,
        r.axis,
        axis.words,
        axis.unit.name(),
        r.side,
        r.cap,
        words(r),
        r.strength,
        r.source,
        r.why,
        r.from,
        r.until,
        r.review,
        state,
        r.liftedFrom,
        r.liftedReason,
        r.replaces,
        attachments.of(r.clientId, r.attachmentId));
  }
}
