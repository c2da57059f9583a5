package riposo.server.limit.internal;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import riposo.core.limit.Axis;
import riposo.core.limit.Limit;
import riposo.core.limit.Side;
import riposo.core.limit.Strength;
import riposo.core.wording.Wording;
import riposo.server.client.Clients;
import riposo.server.limit.Limits;
import riposo.server.platform.Audit;
import riposo.server.platform.Problems;
import riposo.server.platform.Studios;
import riposo.server.platform.Versions;

/** Limits: list, add, change, lift. A change is a new limit that replaces the old one. */
@RestController
@RequestMapping(value = "/api", produces = "application/json")
@Transactional
class LimitService implements Limits {
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
      @Nullable UUID replaces) {}

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
      int cap,
      @NotNull Strength strength,
      @NotBlank(message = "Say who set it.") @Size(max = 200, message = "At most 200 characters.")
          String source,
      @Nullable @Size(max = 400, message = "At most 400 characters.") String why,
      @NotNull(message = "Give the first day.") LocalDate from,
      @Nullable LocalDate until) {}

  /** Lifting an ADVISED limit. */
  record Lift(
      @NotBlank(message = "Say why it is lifted.")
          @Size(max = 400, message = "At most 400 characters.")
          String reason) {}

  private final LimitStore store;
  private final Clients clients;
  private final Audit audit;
  private final Studios studios;

  LimitService(LimitStore store, Clients clients, Audit audit, Studios studios) {
    this.store = store;
    this.clients = clients;
    this.audit = audit;
    this.studios = studios;
  }

  @Override
  public List<Limit> of(UUID clientId) {
    return store.findByClientId(clientId).stream().map(LimitRow::toCore).toList();
  }

  @Override
  public UUID add(UUID clientId, NewLimit n) {
    if (!Axis.exists(n.axisId())) {
      throw Problems.field("/axisId", "There is no such demand axis: " + n.axisId() + ".");
    }
    LimitRow row = new LimitRow();
    row.createdAt = studios.now();
    row.clientId = clients.require(clientId).id();
    row.axis = n.axisId();
    row.side = n.side();
    row.cap = n.cap();
    row.strength = n.strength();
    row.source = n.source();
    row.why = n.why();
    row.from = n.from();
    row.until = n.until();
    row.review = n.review();
    if (n.until() != null && n.until().isBefore(n.from())) {
      throw Problems.field(
          "/until", "The last day " + n.until() + " lies before the first day " + n.from() + ".");
    }
    Problems.at("/cap", row::toCore);
    store.saveAndFlush(row);
    audit.changed(
        "set", "limit", row.id, words(row) + " (" + row.source + ", " + row.strength + ")");
    return row.id;
  }

  @GetMapping("/axes")
  List<AxisView> axes() {
    return Axis.all().stream()
        .map(a -> new AxisView(a.id, a.words, a.unit.name(), a.sided, a.greatest))
        .toList();
  }

  @GetMapping("/clients/{clientId}/limits")
  List<LimitView> list(@PathVariable UUID clientId) {
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

  @PostMapping("/clients/{clientId}/limits")
  ResponseEntity<LimitView> create(@PathVariable UUID clientId, @Valid @RequestBody LimitForm f) {
    UUID id = add(clientId, newLimit(f));
    return ResponseEntity.status(201).body(view(store.require(id, "limit"), studios.today()));
  }

  /** Replaces a limit. A FIRM one may be made tighter here; only a clearance loosens it. */
  @PutMapping("/limits/{id}")
  LimitView change(
      @PathVariable UUID id,
      @RequestHeader(name = "If-Match", required = false) @Nullable String ifMatch,
      @Valid @RequestBody LimitForm f) {
    LimitRow old = current(id, ifMatch, f);
    if (old.strength == Strength.FIRM) {
      boolean tighter =
          f.strength() == Strength.FIRM
              && f.axisId().equals(old.axis)
              && (f.side() == old.side || f.side() == Side.BOTH)
              && f.cap() <= old.cap
              && !f.from().isAfter(old.from.isAfter(studios.today()) ? old.from : studios.today());
      if (!tighter) {
        throw firm();
      }
    }
    UUID fresh = add(old.clientId, newLimit(f));
    LimitRow row = store.require(fresh, "limit");
    row.replaces = old.id;
    lift(old, "replaced");
    return view(row, studios.today());
  }

  @PostMapping("/limits/{id}/lift")
  LimitView lift(
      @PathVariable UUID id,
      @RequestHeader(name = "If-Match", required = false) @Nullable String ifMatch,
      @Valid @RequestBody Lift body) {
    LimitRow row = current(id, ifMatch, body);
    if (row.strength == Strength.FIRM) {
      throw firm();
    }
    lift(row, body.reason());
    return view(row, studios.today());
  }

  private LimitRow current(UUID id, @Nullable String ifMatch, Object sent) {
    LimitRow row = store.require(id, "limit");
    if (row.version != Versions.of(ifMatch)) {
      throw Problems.stale(view(row, studios.today()), sent);
    }
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
    audit.changed("lifted", "limit", row.id, words(row) + ": " + reason);
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
        f.until());
  }

  private static String words(LimitRow r) {
    return Wording.limit(r.axis, r.side, r.cap);
  }

  private static LimitView view(LimitRow r, LocalDate today) {
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
        r.replaces);
  }
}
