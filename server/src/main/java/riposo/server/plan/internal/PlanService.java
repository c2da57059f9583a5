package riposo.server.plan.internal;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.catalogue.PlanDocument;
import riposo.core.adapt.PlanAdapter;
import riposo.core.plan.PlanFault;
import riposo.core.plan.PlanTotals;
import riposo.core.plan.RoundChange;
import riposo.core.plan.SessionPlan;
import riposo.core.plan.Slot;
import riposo.core.plan.Timeline;
import riposo.core.wording.Wording;
import riposo.server.movement.Movements;
import riposo.server.plan.Plans;
import riposo.server.platform.Archive;
import riposo.server.platform.Audit;
import riposo.server.platform.Json;
import riposo.server.platform.OncePerRead;
import riposo.server.platform.Problems;
import riposo.server.platform.Stamped;
import riposo.server.platform.StudioContext;
import riposo.server.platform.Studios;
import riposo.server.platform.Versions;
import tools.jackson.core.type.TypeReference;

/** Session plans kept, with their versions and starting points. */
@Service
@Transactional
class PlanService implements Plans {
  /** A plan as sent; the plan's own numbers are checked by core, with a sentence at the field. */
  record PlanForm(
      @NotBlank(message = "Give the plan a name.")
          @Size(max = 120, message = "At most 120 characters.")
          String name,
      @Nullable @Size(max = 12, message = "At most 12 tags.")
          List<
                  @NotBlank(message = "A tag has at least one character.")
                  @Size(max = 40, message = "At most 40 characters.") String>
              tags,
      @Nullable @Size(max = 400, message = "At most 400 characters.") String note,
      @NotNull(message = "A plan needs its blocks.") SessionPlan plan) {}

  /** A version in the list of a plan's versions. */
  record PlanVersionView(int number, String name, java.time.Instant at, String by) {}

  /** A plan as it was. */
  record PlanVersion(int number, String name, SessionPlan plan, Timeline timeline) {}

  /** A starting point: copied, never edited. */
  record StartView(
      String name, List<String> tags, @Nullable String note, SessionPlan plan, Timeline timeline) {}

  /** A name to copy under. */
  record CopyForm(
      @NotBlank(message = "Give the copy a name.")
          @Size(max = 120, message = "At most 120 characters.")
          String name) {}

  private record Under(long version, PlanAdapter adapter) {}

  private final Stamped<UUID, Under, Plan> known = new Stamped<>(2_000);
  private final PlanTrial trial;
  private final Movements movements;
  private final PlanStore store;
  private final PlanVersionStore versions;
  private final StoredPlan stored;
  private final Json json;
  private final Audit audit;
  private final Archive archive;
  private final Studios studios;

  PlanService(
      PlanStore store,
      PlanVersionStore versions,
      StoredPlan stored,
      Movements movements,
      Json json,
      Audit audit,
      Archive archive,
      Studios studios,
      PlanTrial trial) {
    this.trial = trial;
    this.movements = movements;
    this.store = store;
    this.versions = versions;
    this.stored = stored;
    this.json = json;
    this.audit = audit;
    this.archive = archive;
    this.studios = studios;
  }

  @Override
  public List<Plan> all() {
    return list(false);
  }

  @Transactional(readOnly = true)
  List<Plan> list(boolean archived) {
    return store.findAll().stream()
        .filter(r -> archived == r.archived())
        .map(this::view)
        .sorted(Comparator.comparing(Plan::name))
        .toList();
  }

  @Override
  @Transactional(readOnly = true)
  public Plan require(UUID id) {
    return OncePerRead.of(Plan.class, id, () -> kept(store.require(id, "plan")));
  }

  Plan create(PlanForm form) {
    known(form.plan(), Set.of());
    trial.compiled(form.plan());
    return require(add(form));
  }

  Plan change(UUID id, long version, PlanForm form) {
    PlanRow row = store.require(id, "plan");
    Versions.same(row, version, () -> view(row), form);
    // A movement that went from the catalogue may stay where it was until it is replaced.
    known(form.plan(), new HashSet<>(gone(stored.read(row.body))));
    trial.compiled(form.plan());
    if (versions.findByPlanIdOrderByNumberDesc(id).isEmpty()) {
      keep(row); // a plan from before versions were kept
    }
    fill(row, form);
    store.saveAndFlush(row);
    keep(row);
    audit.changed("changed", "plan", id, row.name);
    return view(row);
  }

  @Override
  public UUID add(String name, SessionPlan plan) {
    return add(new PlanForm(name, List.of(), null, plan));
  }

  @Override
  public UUID addStartingPoint(String name) {
    PlanDocument d = start(name);
    return add(new PlanForm(d.name(), d.tags(), d.note(), d.plan()));
  }

  UUID add(PlanForm form) {
    PlanRow row = new PlanRow();
    row.createdAt = studios.now();
    fill(row, form);
    store.saveAndFlush(row);
    keep(row);
    audit.changed("added", "plan", row.id, row.name);
    return row.id;
  }

  private void fill(PlanRow row, PlanForm form) {
    row.name = form.name().trim();
    row.tags =
        json.write(
            form.tags() == null
                ? List.of()
                : form.tags().stream().map(String::trim).distinct().toList());
    row.note = form.note() == null || form.note().isBlank() ? null : form.note().trim();
    row.body = stored.write(form.plan());
  }

  private void keep(PlanRow row) {
    List<PlanVersionRow> before = versions.findByPlanIdOrderByNumberDesc(row.id);
    PlanVersionRow v = new PlanVersionRow();
    v.createdAt = studios.now();
    v.planId = row.id;
    v.number = before.isEmpty() ? 1 : before.get(0).number + 1;
    v.name = row.name;
    v.body = row.body;
    v.changedBy = StudioContext.who();
    versions.saveAndFlush(v);
  }

  @Transactional(readOnly = true)
  List<PlanVersionView> versions(UUID id) {
    store.require(id, "plan");
    return versions.findByPlanIdOrderByNumberDesc(id).stream()
        .map(v -> new PlanVersionView(v.number, v.name, v.createdAt, v.changedBy))
        .toList();
  }

  @Transactional(readOnly = true)
  PlanVersion version(UUID id, int number) {
    store.require(id, "plan");
    PlanVersionRow v =
        versions
            .findByPlanIdAndNumber(id, number)
            .orElseThrow(() -> Problems.notFound("version", number));
    SessionPlan plan = stored.read(v.body);
    return new PlanVersion(v.number, v.name, plan, movements.planAdapter().planned(plan));
  }

  Plan archive(UUID id) {
    return view(archive.set(store, id, "plan", true));
  }

  Plan restore(UUID id) {
    return view(archive.set(store, id, "plan", false));
  }

  Plan copy(UUID id, CopyForm form) {
    PlanRow row = store.require(id, "plan");
    UUID made = add(new PlanForm(form.name(), tags(row), row.note, stored.read(row.body)));
    return require(made);
  }

  @Transactional(readOnly = true)
  List<StartView> startingPoints() {
    return movements.startingPoints().stream()
        .map(
            d ->
                new StartView(
                    d.name(),
                    d.tags(),
                    d.note(),
                    d.plan(),
                    movements.planAdapter().planned(d.plan())))
        .toList();
  }

  Plan copyStart(CopyForm form) {
    return require(addStartingPoint(form.name()));
  }

  private PlanDocument start(String name) {
    return movements.startingPoints().stream()
        .filter(d -> d.name().equals(name))
        .findFirst()
        .orElseThrow(() -> Problems.notFound("starting point", name));
  }

  private void known(SessionPlan plan, Set<String> but) {
    List<Problems.Field> unknown = new ArrayList<>();
    for (int i = 0; i < plan.blocks().size(); i++) {
      List<Slot> slots = plan.blocks().get(i).slots();
      for (int k = 0; k < slots.size(); k++) {
        String at = "/plan/blocks/" + i + "/slots/" + k;
        unknown(slots.get(k).movementId(), but, at + "/movementId", unknown);
        for (RoundChange r : slots.get(k).rounds()) {
          if (r.movementId() != null) {
            unknown(r.movementId(), but, at + "/rounds", unknown);
          }
        }
      }
    }
    for (PlanFault f : PlanFault.of(plan, movements.planAdapter()::find)) {
      unknown.add(
          new Problems.Field(
              "/plan/blocks/" + f.block() + "/slots/" + f.slot() + "/" + f.field(), f.words()));
    }
    if (!unknown.isEmpty()) {
      throw Problems.fields(unknown);
    }
  }

  private void unknown(String id, Set<String> but, String at, List<Problems.Field> unknown) {
    if (movements.planAdapter().find(id) == null && !but.contains(id)) {
      unknown.add(new Problems.Field(at, "There is no movement “" + id + "”."));
    }
  }

  private List<String> gone(SessionPlan plan) {
    return plan.asked().stream()
        .map(a -> a.slot().movementId())
        .filter(m -> movements.planAdapter().find(m) == null)
        .distinct()
        .toList();
  }

  private List<String> tags(PlanRow r) {
    return json.read(r.tags, new TypeReference<List<String>>() {});
  }

  /** The plan as it was read before, while neither it nor the catalogue changed. */
  private Plan kept(PlanRow r) {
    return known.of(r.id, new Under(r.version, movements.planAdapter()), () -> view(r));
  }

  private Plan view(PlanRow r) {
    SessionPlan plan = stored.read(r.body);
    Timeline t = movements.planAdapter().planned(plan);
    return new Plan(
        r.id,
        r.version,
        r.name,
        tags(r),
        r.note,
        r.archivedOn,
        plan,
        t,
        PlanTotals.of(plan, t, movements.planAdapter()::find),
        movements.planAdapter().checks(plan, t).stream().map(Wording::check).toList(),
        gone(plan));
  }
}
