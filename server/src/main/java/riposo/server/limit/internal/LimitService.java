package riposo.server.limit.internal;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.TreeMap;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.kit.Room;
import riposo.core.limit.Act;
import riposo.core.limit.Axis;
import riposo.core.limit.Caps;
import riposo.core.limit.Limit;
import riposo.core.limit.Replacement;
import riposo.core.limit.Side;
import riposo.core.limit.Strength;
import riposo.core.wording.Wording;
import riposo.server.client.Attachments;
import riposo.server.client.Clients;
import riposo.server.limit.Limits;
import riposo.server.platform.Audit;
import riposo.server.platform.Owned;
import riposo.server.platform.Problems;
import riposo.server.platform.Studios;
import riposo.server.platform.Versions;

/** Limits: list, add, change, lift. A change is a new limit that replaces the old one. */
@Service
@Transactional
class LimitService implements Limits, Clients.SitterSource {
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

  /** A limit as sent. */
  record LimitForm(
      @NotBlank(message = "Choose what is limited.") String axisId,
      @NotNull(message = "Choose a side.") Side side,
      @NotNull(message = "Give a number.") Integer cap,
      @NotNull Strength strength,
      @NotBlank(message = "Say who set it.") @Size(max = 200, message = "At most 200 characters.")
          String source,
      @Nullable @Size(max = 400, message = "At most 400 characters.") String why,
      @NotNull(message = "Give the first day.") LocalDate from,
      @Nullable LocalDate until,
      @Nullable LocalDate review,
      @Nullable UUID attachmentId) {}

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

  /** Lifting an ADVISED limit. */
  record Lift(
      @NotBlank(message = "Say why it is lifted.")
          @Size(max = 400, message = "At most 400 characters.")
          String reason) {}

  private final LimitStore store;
  private final Clients clients;
  private final Audit audit;
  private final Studios studios;
  private final Attachments attachments;
  private final FloorService floor;

  LimitService(
      LimitStore store,
      Clients clients,
      Audit audit,
      Studios studios,
      Attachments attachments,
      FloorService floor) {
    this.store = store;
    this.clients = clients;
    this.audit = audit;
    this.studios = studios;
    this.attachments = attachments;
    this.floor = floor;
  }

  @Override
  public Caps caps(UUID clientId, LocalDate day) {
    return Caps.on(day, of(clientId))
        .with(new Caps.Floor(false, floor.seen(clientId, day), false, floor.onceUp(clientId)));
  }

  @Override
  public Room.Sitter sitter(UUID clientId, @Nullable Integer kneeCm) {
    Caps caps = Caps.on(studios.today(), of(clientId));
    return new Room.Sitter(
        kneeCm,
        caps.cap(Axis.LOW_CHAIR, Side.BOTH) == 0,
        caps.cap(Axis.act(Act.BAND_LATEX), Side.BOTH) == 0);
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
    List<Limit> all = of(clientId);
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

  @Override
  public List<Limit> of(UUID clientId) {
    return store.findByClientId(clientId).stream().map(LimitRow::toCore).toList();
  }

  @Override
  public UUID add(UUID clientId, NewLimit n) {
    checked(n);
    LimitRow row = new LimitRow();
    row.createdAt = studios.now();
    row.clientId = clients.requireActive(clientId).id();
    row.axis = n.axisId();
    row.side = n.side();
    row.cap = n.cap();
    row.strength = n.strength();
    row.source = n.source();
    row.why = n.why();
    row.from = n.from();
    row.until = n.until();
    row.review =
        n.review() != null
            ? n.review()
            : n.until() != null ? n.until() : studios.today().plusWeeks(12);
    Attachments.Attachment file = attachments.of(clientId, n.attachmentId());
    row.attachmentId = file == null ? null : file.id();
    row.clearanceId = n.clearanceId();
    store.saveAndFlush(row);
    audit.changed(
        "set",
        "limit",
        row.id,
        words(row) + " (" + row.source + ", " + row.strength + ")",
        clientId);
    return row.id;
  }

  /** What was asked for as a limit; a 422 problem at the field that cannot be right. */
  private static Limit checked(NewLimit n) {
    if (!Axis.exists(n.axisId())) {
      throw Problems.field("/axisId", "There is no such demand axis: " + n.axisId() + ".");
    }
    if (n.until() != null && n.until().isBefore(n.from())) {
      throw Problems.field(
          "/until", "The last day " + n.until() + " lies before the first day " + n.from() + ".");
    }
    return Problems.at(
        "/cap",
        () ->
            new Limit(
                Owned.newId(),
                n.axisId(),
                n.side(),
                n.cap(),
                n.strength(),
                n.source(),
                n.from(),
                n.until(),
                null));
  }

  @Transactional(readOnly = true)
  List<AxisView> axes() {
    return Axis.all().stream()
        .map(a -> new AxisView(a.id, a.words, a.unit.name(), a.sided, a.greatest))
        .toList();
  }

  /** A limit in words, before it is set. */
  record LimitWords(String words) {}

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

  LimitView create(UUID clientId, LimitForm f) {
    UUID id = add(clientId, newLimit(f));
    return view(store.require(id, "limit"), studios.today());
  }

  /** Replaces a limit. A FIRM one may be made tighter here; only a clearance loosens it. */
  LimitView change(UUID id, long version, LimitForm f) {
    LimitRow old = current(id, version, f);
    NewLimit wanted = newLimit(f);
    boolean said = f.why() != null && !f.why().isBlank();
    switch (Replacement.of(old.toCore(), checked(wanted), studios.today())) {
      case CLEARANCE_WANTED -> throw firm();
      case REASON_WANTED -> {
        if (!said) {
          throw Problems.field("/why", "This makes the limit looser: say why; the reason is kept.");
        }
      }
      case FREE -> {}
    }
    UUID fresh = add(old.clientId, wanted);
    LimitRow row = store.require(fresh, "limit");
    if (!said) {
      row.why = old.why; // nothing new was said: the reason stays
    }
    row.replaces = old.id;
    lift(old, "replaced");
    return view(row, studios.today());
  }

  LimitView lift(UUID id, long version, Lift body) {
    LimitRow row = current(id, version, body);
    if (row.strength == Strength.FIRM) {
      throw firm();
    }
    lift(row, body.reason());
    return view(row, studios.today());
  }

  @Override
  public void liftBy(UUID clientId, UUID limitId, UUID clearanceId, String reason) {
    LimitRow row = store.require(limitId, "limit");
    if (!row.clientId.equals(clientId)) {
      throw Problems.notFound("limit", limitId);
    }
    if (row.liftedFrom != null) {
      throw Problems.refused(
          "already-lifted", "This limit was lifted on " + row.liftedFrom + " already.");
    }
    row.clearanceId = clearanceId;
    lift(row, reason);
  }

  private LimitRow current(UUID id, long version, Object sent) {
    LimitRow row = store.require(id, "limit");
    Versions.same(row, version, () -> view(row, studios.today()), sent);
    if (row.liftedFrom != null) {
      throw Problems.refused(
          "already-lifted", "This limit was lifted on " + row.liftedFrom + " already.");
    }
    return row;
  }

  private static Problems firm() {
    return Problems.refused(
        "firm-limit", "This limit is firm: only a recorded clearance lifts or loosens it.");
  }

  private void lift(LimitRow row, String reason) {
    row.liftedFrom = studios.today();
    row.liftedReason = reason;
    store.saveAndFlush(row);
    audit.changed("lifted", "limit", row.id, words(row) + ": " + reason, row.clientId);
  }

  private static NewLimit newLimit(LimitForm f) {
    return new NewLimit(
        f.axisId(),
        f.side(),
        f.cap(),
        f.strength(),
        f.source().trim(),
        f.why(),
        f.from(),
        f.until(),
        f.review(),
        f.attachmentId(),
        null);
  }

  private static String words(LimitRow r) {
    return Wording.limit(r.axis, r.side, r.cap);
  }

  private LimitView view(LimitRow r, LocalDate today) {
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
