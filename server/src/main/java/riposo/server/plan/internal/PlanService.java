package riposo.server.plan.internal;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
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
import riposo.core.adapt.PlanAdapter;
import riposo.core.movement.Catalogue;
import riposo.core.plan.IntervalsInOrder;
import riposo.core.plan.PlanCheck;
import riposo.core.plan.SessionPlan;
import riposo.core.plan.Slot;
import riposo.core.plan.Timeline;
import riposo.core.wording.Wording;
import riposo.server.plan.Plans;
import riposo.server.platform.Audit;
import riposo.server.platform.Json;
import riposo.server.platform.Problems;
import riposo.server.platform.Studios;
import riposo.server.platform.Versions;

/** Session plans: list, build with a live timeline, store. */
@RestController
@RequestMapping(value = "/api/plans", produces = "application/json")
@Transactional
class PlanService implements Plans {
  /** One slot as sent. */
  record SlotForm(
      @NotBlank(message = "A slot needs its key.")
          @Size(max = 40, message = "At most 40 characters.")
          String key,
      @NotBlank(message = "Choose a movement.") @Size(max = 40, message = "At most 40 characters.")
          String movementId,
      @Nullable Integer seconds) {}

  /** A plan as sent; numbers are checked where they are used, with a sentence at the field. */
  record PlanForm(
      @NotBlank(message = "Give the plan a name.")
          @Size(max = 120, message = "At most 120 characters.")
          String name,
      @NotNull @Size(max = 200, message = "At most 200 slots.") List<@Valid SlotForm> warmUp,
      @NotNull @Size(max = 200, message = "At most 200 slots.") List<@Valid SlotForm> work,
      int workSeconds,
      int restSeconds,
      int rounds,
      @NotNull @Size(max = 200, message = "At most 200 slots.") List<@Valid SlotForm> coolDown) {}

  /** What a plan comes to before it is stored. */
  record Compiled(Timeline timeline, List<String> checks) {}

  private final PlanStore store;
  private final PlanAdapter adapter;
  private final Catalogue catalogue;
  private final Json json;
  private final Audit audit;
  private final Studios studios;

  PlanService(
      PlanStore store,
      PlanAdapter adapter,
      Catalogue catalogue,
      Json json,
      Audit audit,
      Studios studios) {
    this.store = store;
    this.adapter = adapter;
    this.catalogue = catalogue;
    this.json = json;
    this.audit = audit;
    this.studios = studios;
  }

  @Override
  @GetMapping
  public List<Plan> all() {
    return store.findAll().stream()
        .map(this::view)
        .sorted(Comparator.comparing(Plan::name))
        .toList();
  }

  @Override
  @GetMapping("/{id}")
  public Plan require(@PathVariable UUID id) {
    return view(store.require(id, "plan"));
  }

  @PostMapping("/preview")
  Compiled preview(@Valid @RequestBody PlanForm form) {
    Timeline t = adapter.planned(plan(form));
    return new Compiled(t, checks(t));
  }

  @PostMapping
  ResponseEntity<Plan> create(@Valid @RequestBody PlanForm form) {
    return ResponseEntity.status(201).body(require(add(form.name().trim(), plan(form))));
  }

  @PutMapping("/{id}")
  Plan change(
      @PathVariable UUID id,
      @RequestHeader(name = "If-Match", required = false) @Nullable String ifMatch,
      @Valid @RequestBody PlanForm form) {
    PlanRow row = store.require(id, "plan");
    if (row.version != Versions.of(ifMatch)) {
      throw Problems.stale(view(row), form);
    }
    row.body = json.write(plan(form));
    row.name = form.name().trim();
    store.saveAndFlush(row);
    audit.changed("changed", "plan", id, row.name);
    return view(row);
  }

  @Override
  public UUID add(String name, SessionPlan plan) {
    PlanRow row = new PlanRow();
    row.createdAt = studios.now();
    row.name = name;
    row.body = json.write(plan);
    store.saveAndFlush(row);
    audit.changed("added", "plan", row.id, name);
    return row.id;
  }

  private SessionPlan plan(PlanForm f) {
    IntervalsInOrder format =
        Problems.at(
            "/workSeconds",
            () -> new IntervalsInOrder(f.workSeconds(), f.restSeconds(), f.rounds()));
    return Problems.at(
        "/work",
        () ->
            new SessionPlan(
                slots(f.warmUp(), "/warmUp"),
                slots(f.work(), "/work"),
                format,
                slots(f.coolDown(), "/coolDown")));
  }

  private List<Slot> slots(List<SlotForm> forms, String pointer) {
    java.util.ArrayList<Slot> slots = new java.util.ArrayList<>();
    for (int i = 0; i < forms.size(); i++) {
      SlotForm f = forms.get(i);
      if (catalogue.find(f.movementId()).isEmpty()) {
        throw Problems.field(
            pointer + "/" + i + "/movementId", "There is no movement “" + f.movementId() + "”.");
      }
      slots.add(
          Problems.at(
              pointer + "/" + i + "/seconds",
              () ->
                  new Slot(f.key(), f.movementId(), pointer.equals("/work") ? null : f.seconds())));
    }
    return slots;
  }

  private Plan view(PlanRow r) {
    SessionPlan plan = json.read(r.body, SessionPlan.class);
    Timeline t = adapter.planned(plan);
    return new Plan(r.id, r.version, r.name, plan, t, checks(t));
  }

  private static List<String> checks(Timeline t) {
    return PlanCheck.of(t).stream().map(Wording::check).toList();
  }
}
