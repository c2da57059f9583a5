package riposo.server.limit.internal;

import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.limit.Broken;
import riposo.core.limit.Caps;
import riposo.core.limit.FloorWay;
import riposo.core.limit.Limit;
import riposo.core.limit.WaySeen;
import riposo.core.movement.Kit;
import riposo.core.wording.Wording;
import riposo.server.client.Clients;
import riposo.server.limit.FloorEvents;
import riposo.server.platform.Audit;
import riposo.server.platform.Problems;
import riposo.server.platform.RowsOf;
import riposo.server.platform.StudioContext;
import riposo.server.platform.Studios;

/**
 * How a client gets to the floor and up: which way is open today, and which was seen to go well.
 */
@Service
@Transactional
class FloorService {
  /**
   * A way seen to go well.
   *
   * @param until the last day it is good for if nothing ends it before
   * @param holds whether it holds today
   * @param ended why it no longer does; null while it holds
   */
  record SeenView(
      UUID id,
      LocalDate on,
      String help,
      LocalDate until,
      boolean holds,
      @Nullable String ended,
      String by) {}

  /**
   * A way to the floor.
   *
   * @param asks what it asks of the body, in words
   * @param closedBy what closes it, a sentence each; empty when it is open
   * @param seeingOpens closed, and seeing it go well would open it
   * @param seen the last time it was seen to go well; null for never
   */
  record WayView(
      FloorWay way,
      String words,
      String asks,
      boolean open,
      List<String> closedBy,
      boolean seeingOpens,
      @Nullable SeenView seen) {}

  /**
   * The floor for a client today.
   *
   * @param pad whether the client's kit has a knee pad, which goes with the way
   * @param onceUp the wish to stay up for the rest of a session once up from the floor
   */
  record FloorView(boolean open, boolean pad, boolean onceUp, List<WayView> ways) {}

  /** The wish to stay up, as sent. */
  record OnceUp(@NotNull(message = "Say whether it is wished.") Boolean onceUp) {}

  /** A way seen to go well, as sent. */
  record SeenForm(
      @NotNull(message = "Choose the way.") FloorWay way,
      @NotNull(message = "Give the day it was seen.") LocalDate on,
      @NotNull @Size(max = 200, message = "At most 200 characters.") String help) {}

  private final FloorWayStore store;
  private final FloorWishStore wishes;
  private final LimitStore limits;
  private final Clients clients;
  private final Studios studios;
  private final Audit audit;
  private final ObjectProvider<FloorEvents> events;
  private final RowsOf<FloorWayRow> seenWays;
  private final RowsOf<FloorWishRow> wished;

  FloorService(
      FloorWayStore store,
      FloorWishStore wishes,
      LimitStore limits,
      Clients clients,
      Studios studios,
      Audit audit,
      ObjectProvider<FloorEvents> events) {
    this.store = store;
    this.wishes = wishes;
    this.limits = limits;
    this.clients = clients;
    this.studios = studios;
    this.audit = audit;
    this.events = events;
    this.seenWays = new RowsOf<>(store::findByClientIdInOrderBySeenOnDesc, r -> r.clientId);
    this.wished = new RowsOf<>(wishes::findByClientIdIn, r -> r.clientId);
  }

  /** The ways seen to go well that hold for the client on a day. */
  Set<FloorWay> seen(UUID clientId, LocalDate day) {
    EnumSet<FloorWay> holding = EnumSet.noneOf(FloorWay.class);
    List<FloorWayRow> rows = standing(clientId);
    if (!rows.isEmpty()) {
      boolean pregnant = pregnant(clientId);
      List<LocalDate> ends = ends(clientId);
      for (FloorWayRow r : rows) {
        if (r.toCore().holds(day, pregnant, ends)) {
          holding.add(r.way);
        }
      }
    }
    return holding;
  }

  /** Whether the client is to stay up once up. */
  boolean onceUp(UUID clientId) {
    return wished.of(clientId).stream().anyMatch(w -> w.onceUp);
  }

  private List<FloorWayRow> standing(UUID clientId) {
    return seenWays.of(clientId).stream().filter(r -> r.withdrawnOn == null).toList();
  }

  void readAhead(Collection<UUID> clients) {
    seenWays.ahead(clients);
    wished.ahead(clients);
  }

  private boolean pregnant(UUID clientId) {
    FloorEvents source = events.getIfAvailable();
    return source != null && source.pregnant(clientId);
  }

  private List<LocalDate> ends(UUID clientId) {
    FloorEvents source = events.getIfAvailable();
    return source == null ? List.of() : source.ends(clientId);
  }

  @Transactional(readOnly = true)
  FloorView floor(UUID clientId) {
    Clients.Client c = clients.require(clientId);
    LocalDate today = studios.today();
    List<FloorWayRow> rows = standing(clientId);
    boolean pregnant = !rows.isEmpty() && pregnant(clientId);
    List<LocalDate> ends = rows.isEmpty() ? List.of() : ends(clientId);
    boolean pad = c.kit().items().contains(Kit.PAD);
    List<Limit> all = limits.findByClientId(clientId).stream().map(LimitRow::toCore).toList();
    Caps caps = Caps.on(today, all).with(new Caps.Floor(pad, seen(clientId, today), false));
    List<WayView> ways = new ArrayList<>();
    for (FloorWay way : FloorWay.values()) {
      ways.add(
          new WayView(
              way,
              way.words,
              Wording.asks(way),
              caps.floorWays().contains(way),
              Wording.broken(caps.closing(way).stream().map(Broken::ofTheWay).toList()),
              !caps.floorWays().contains(way)
                  && caps.with(new Caps.Floor(pad, Set.of(way), false)).floorWays().contains(way),
              rows.stream()
                  .filter(r -> r.way == way)
                  .findFirst()
                  .map(r -> view(r, today, pregnant, ends))
                  .orElse(null)));
    }
    return new FloorView(!caps.floorWays().isEmpty(), pad, onceUp(clientId), ways);
  }

  private static SeenView view(
      FloorWayRow r, LocalDate today, boolean pregnant, List<LocalDate> ends) {
    WaySeen w = r.toCore();
    LocalDate until = w.until(pregnant);
    boolean holds = w.holds(today, pregnant, ends);
    String ended =
        holds
            ? null
            : today.isAfter(until)
                ? "seen too long ago: good until " + Wording.day(until)
                : "ended by a fall, an operation or a flare since";
    return new SeenView(r.id, r.seenOn, r.help, until, holds, ended, r.recordedBy);
  }

  /** Records a way seen to go well. */
  FloorView record(UUID clientId, SeenForm f) {
    clients.requireActive(clientId);
    LocalDate today = studios.today();
    if (f.on().isAfter(today) || f.on().isBefore(today.minusMonths(WaySeen.MONTHS))) {
      throw Problems.field(
          "/on", "Give a day within the last " + WaySeen.MONTHS + " months, not " + f.on() + ".");
    }
    FloorWayRow row = new FloorWayRow();
    row.createdAt = studios.now();
    row.clientId = clientId;
    row.way = f.way();
    row.seenOn = f.on();
    row.help = f.help().strip();
    row.recordedBy = StudioContext.who();
    store.saveAndFlush(row);
    audit.changed(
        "recorded",
        "way to the floor",
        row.id,
        row.way.words
            + " seen to go well on "
            + Wording.day(row.seenOn)
            + (row.help.isEmpty() ? ", without help" : ", with help: " + row.help),
        clientId);
    return floor(clientId);
  }

  /** Asks for staying up once up, or no longer. */
  FloorView wish(UUID clientId, OnceUp wish) {
    clients.requireActive(clientId);
    FloorWishRow row = wishes.findByClientId(clientId).orElseGet(FloorWishRow::new);
    if (row.clientId == null) {
      row.createdAt = studios.now();
      row.clientId = clientId;
    }
    row.onceUp = wish.onceUp();
    wishes.saveAndFlush(row);
    audit.changed(
        "set",
        "wish",
        row.id,
        row.onceUp ? "once up, stay up" : "down to the floor again as planned",
        clientId);
    return floor(clientId);
  }

  /** Takes a record back, such as one made by mistake. */
  FloorView withdraw(UUID clientId, UUID id) {
    clients.requireActive(clientId);
    FloorWayRow row = store.require(id, "way to the floor");
    if (!row.clientId.equals(clientId)) {
      throw Problems.notFound("way to the floor", id);
    }
    if (row.withdrawnOn == null) {
      row.withdrawnOn = studios.today();
      row.withdrawnBy = StudioContext.who();
      store.saveAndFlush(row);
      audit.changed("took back", "way to the floor", row.id, row.way.words, clientId);
    }
    return floor(clientId);
  }
}
