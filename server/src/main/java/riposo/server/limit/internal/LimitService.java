package riposo.server.limit.internal;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
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
import riposo.server.client.Attachments;
import riposo.server.client.Clients;
import riposo.server.limit.Limits;
import riposo.server.platform.Audit;
import riposo.server.platform.Owned;
import riposo.server.platform.Problems;
import riposo.server.platform.ReadAhead;
import riposo.server.platform.RowsOf;
import riposo.server.platform.Studios;
import riposo.server.platform.Versions;

/** Limits added, changed, lifted. A change is a new limit that replaces the old one. */
@Service
@Transactional
class LimitService implements Limits, Clients.SitterSource, ReadAhead.Part {

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

  /** Lifting an ADVISED limit. */
  record Lift(
      @NotBlank(message = "Say why it is lifted.")
          @Size(max = 400, message = "At most 400 characters.")
          String reason) {}

  private final LimitViews views;
  private final LimitStore store;
  private final Clients clients;
  private final Audit audit;
  private final Studios studios;
  private final Attachments attachments;
  private final FloorService floor;
  private final RowsOf<LimitRow> rows;

  LimitService(
      LimitStore store,
      Clients clients,
      Audit audit,
      Studios studios,
      Attachments attachments,
      FloorService floor,
      LimitViews views) {
    this.views = views;
    this.store = store;
    this.clients = clients;
    this.audit = audit;
    this.studios = studios;
    this.attachments = attachments;
    this.floor = floor;
    this.rows = new RowsOf<>(store::findByClientIdInOrderById, r -> r.clientId);
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

  @Override
  public List<Limit> of(UUID clientId) {
    return rows.of(clientId).stream().map(LimitRow::toCore).toList();
  }

  @Override
  public void readAhead(Collection<UUID> clients, ReadAhead.For what) {
    rows.ahead(clients);
    if (what == ReadAhead.For.TRAINING) {
      floor.readAhead(clients);
    }
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
        LimitViews.words(row) + " (" + row.source + ", " + row.strength + ")",
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

  LimitViews.LimitView create(UUID clientId, LimitForm f) {
    UUID id = add(clientId, newLimit(f));
    return views.view(store.require(id, "limit"), studios.today());
  }

  /** Replaces a limit. A FIRM one may be made tighter here; only a clearance loosens it. */
  LimitViews.LimitView change(UUID id, long version, LimitForm f) {
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
    return views.view(row, studios.today());
  }

  LimitViews.LimitView lift(UUID id, long version, Lift body) {
    LimitRow row = current(id, version, body);
    if (row.strength == Strength.FIRM) {
      throw firm();
    }
    lift(row, body.reason());
    return views.view(row, studios.today());
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
    Versions.same(row, version, () -> views.view(row, studios.today()), sent);
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
    audit.changed("lifted", "limit", row.id, LimitViews.words(row) + ": " + reason, row.clientId);
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
}
