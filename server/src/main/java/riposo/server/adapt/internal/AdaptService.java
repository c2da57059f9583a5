package riposo.server.adapt.internal;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.adapt.AdaptedPlan;
import riposo.core.adapt.AdaptedSlot;
import riposo.core.adapt.ClientDay;
import riposo.core.adapt.Performed;
import riposo.core.adapt.Pin;
import riposo.core.adapt.PlanAdapter;
import riposo.core.adapt.PlanMark;
import riposo.core.adapt.Rejection;
import riposo.core.adapt.TodayDose;
import riposo.core.adapt.UpperOption;
import riposo.core.dose.Build;
import riposo.core.dose.Dose;
import riposo.core.dose.FoundWeight;
import riposo.core.dose.SetWeight;
import riposo.core.kit.Room;
import riposo.core.limit.Broken;
import riposo.core.limit.Caps;
import riposo.core.limit.Strength;
import riposo.core.movement.Movement;
import riposo.core.movement.Task;
import riposo.core.plan.Block;
import riposo.core.plan.SessionPlan;
import riposo.core.run.RunSheet;
import riposo.core.run.RunSheets;
import riposo.core.wording.DoseWords;
import riposo.core.wording.VerdictWords;
import riposo.core.wording.Wording;
import riposo.server.adapt.AdaptedPlans;
import riposo.server.adapt.ClientDays;
import riposo.server.adapt.ProposalSource;
import riposo.server.client.Clients;
import riposo.server.limit.Limits;
import riposo.server.movement.Movements;
import riposo.server.plan.Plans;
import riposo.server.platform.Json;
import riposo.server.platform.ReadAhead;
import riposo.server.platform.RowsOf;
import riposo.server.platform.Studios;
import tools.jackson.core.type.TypeReference;

/** The adapt desk: a plan adapted to a client on a day, as a fact and as shown. */
@Service
@Transactional
class AdaptService implements AdaptedPlans, ReadAhead.Part {

  private final Movements movements;
  private final Clients clients;
  private final Limits limits;
  private final Plans plans;
  private final ClientDays days;
  private final RowsOf<PinRow> pins;
  private final RowsOf<WeightRow> weights;
  private final Json json;
  private final ObjectProvider<ProposalSource> proposals;
  private final Studios studios;

  AdaptService(
      Movements movements,
      Clients clients,
      Limits limits,
      Plans plans,
      ClientDays days,
      PinStore pins,
      WeightStore weights,
      Json json,
      ObjectProvider<ProposalSource> proposals,
      Studios studios) {
    this.movements = movements;
    this.clients = clients;
    this.limits = limits;
    this.plans = plans;
    this.days = days;
    this.pins = new RowsOf<>(pins::findByClientIdInOrderById, r -> r.clientId);
    this.weights = new RowsOf<>(weights::findByClientIdInOrderById, r -> r.clientId);
    this.json = json;
    this.proposals = proposals;
    this.studios = studios;
  }

  @Override
  public AdaptedPlan adapt(UUID clientId, UUID planId, LocalDate date) {
    return adapt(planId, days.of(clientId, date));
  }

  /** The plan as it stands on a day, as a mark to compare, without the limits lifted in thought. */
  PlanMark mark(UUID clientId, UUID planId, LocalDate date, TodayDose today, Set<UUID> lifted) {
    ClientDay day = days.of(clientId, date).with(today);
    Caps caps =
        lifted.isEmpty()
            ? day.caps()
            : Caps.on(
                    date,
                    limits.of(clientId).stream().filter(l -> !lifted.contains(l.id())).toList())
                .with(day.caps().floor());
    return PlanMark.of(
        adapt(planId, day.with(caps)),
        caps,
        day.kit(),
        plans.require(planId).version(),
        today.cut());
  }

  @Override
  public void readAhead(Collection<UUID> clients, ReadAhead.For what) {
    if (what == ReadAhead.For.TRAINING) {
      pins.ahead(clients);
      weights.ahead(clients);
    }
  }

  PlanAdapter planAdapter() {
    return movements.planAdapter();
  }

  /** The client on that day, in a room or their own place, with the weights set for a plan. */
  ClientDay day(UUID clientId, UUID planId, LocalDate date, @Nullable UUID room) {
    return set(planId, days.at(clientId, date, room));
  }

  @Override
  public ClientDay prepared(UUID planId, ClientDay day) {
    return set(planId, day);
  }

  private ClientDay set(UUID planId, ClientDay day) {
    Map<String, SetWeight> set = new HashMap<>();
    for (WeightRow w : weights.of(day.clientId())) {
      if (w.planId.equals(planId)) {
        set.put(w.slotKey, w.fact());
      }
    }
    return day.with(day.weights().with(set));
  }

  @Override
  public AdaptedPlan adapt(UUID planId, ClientDay of) {
    ClientDay day = set(planId, of);
    return movements
        .planAdapter()
        .adapt(plans.require(planId).plan(), day, pinned(planId, day.clientId()));
  }

  @Override
  public Map<String, Pin> pinned(UUID planId, UUID clientId) {
    Map<String, Pin> pinned = new HashMap<>();
    for (PinRow p : pins.of(clientId)) {
      if (!p.planId.equals(planId)) {
        continue;
      }
      pinned.put(
          p.slotKey,
          new Pin(
              p.slotKey,
              json.read(p.parts, new TypeReference<List<Performed>>() {}),
              json.read(p.overridden, new TypeReference<Set<UUID>>() {}),
              studios.day(p.createdAt)));
    }
    return pinned;
  }

  @Transactional(readOnly = true)
  AdaptedView today(UUID clientId, UUID planId, @Nullable LocalDate date) {
    return view(clientId, planId, date == null ? studios.today() : date);
  }

  @Override
  public AdaptedView view(UUID clientId, UUID planId, LocalDate date) {
    Plans.Plan plan = plans.require(planId);
    ClientDay day = days.of(clientId, date);
    AdaptedPlan a = adapt(planId, day);
    Clients.Client client = clients.require(clientId);
    List<Task> wanted = client.tasks();
    Map<String, List<String>> stages = new HashMap<>();
    for (SessionPlan.Asked asked : plan.plan().asked()) {
      if (!asked.slot().stages().isEmpty()) {
        stages.put(asked.key(), asked.slot().stages().stream().map(Wording::stage).toList());
      }
    }
    Map<String, ProposalSource.Proposal> proposed = proposals.getObject().proposals(clientId);
    return new AdaptedView(
        planId,
        plan.name(),
        date,
        a.slots().stream()
            .map(x -> slot(x, client, wanted, stages.get(x.slotKey()), proposed))
            .toList(),
        a.planned(),
        a.timeline(),
        a.checks().stream().map(Wording::check).toList(),
        problems(plan, a, day),
        strength(a),
        a.effortCap(),
        Wording.work(a),
        plan.plan().beat(),
        goals(a, wanted),
        orders(plan.plan(), a));
  }

  @Override
  public Ready ready(UUID clientId, UUID planId, LocalDate date, TodayDose today) {
    Plans.Plan plan = plans.require(planId);
    ClientDay day = days.of(clientId, date).with(today);
    AdaptedPlan a = adapt(planId, day);
    Clients.Client client = clients.require(clientId);
    RunSheet sheet =
        new RunSheets(movements.catalogue(), movements.adapter())
            .one(
                planId,
                plan.name(),
                plan.plan(),
                a,
                day,
                client.goalEffort(),
                client.school().line(client.usualPain()));
    return new Ready(sheet, problems(plan, a, day), strength(a));
  }

  /** What limits on the session say against the plan, and what of it would fit. */
  private List<String> problems(Plans.Plan plan, AdaptedPlan a, ClientDay day) {
    List<String> all = new ArrayList<>();
    Wording.broken(a.session()).forEach(s -> all.add("The session " + s + "."));
    if (!all.isEmpty()) {
      movements
          .planAdapter()
          .fits(plan.plan(), a, day, pinned(plan.id(), day.clientId()))
          .forEach(f -> all.add(movements.wording().fit(f, plan.plan())));
    }
    return all;
  }

  private static @Nullable Strength strength(AdaptedPlan a) {
    return a.session().isEmpty()
        ? null
        : a.session().stream().anyMatch(b -> b.strength() == Strength.FIRM)
            ? Strength.FIRM
            : Strength.ADVISED;
  }

  private SlotView slot(
      AdaptedSlot s,
      Clients.Client client,
      List<Task> wanted,
      @Nullable List<String> stages,
      Map<String, ProposalSource.Proposal> proposed) {
    List<Room.Printed> printed = client.printed();
    Build build = client.record().build();
    List<Task> tasks = tasks(s);
    List<PartView> parts = new ArrayList<>();
    for (int i = 0; i < s.result().parts().size(); i++) {
      Performed p = s.result().parts().get(i);
      Movement m = p.movementId() == null ? null : movements.catalogue().movement(p.movementId());
      parts.add(
          new PartView(
              p.side(),
              p.movementId(),
              m == null ? null : m.familyId(),
              movements.wording().performed(p),
              p.modifiers(),
              p.range(),
              m == null ? List.of("Breathe low, long out") : m.cues(),
              m != null && m.demands().pressure() >= 1,
              s.doses().get(i),
              DoseWords.dose(s.doses().get(i), printed, build)));
    }
    List<RejectionView> rejections =
        s.result().rejections().stream()
            .limit(12)
            .map(
                r ->
                    new RejectionView(
                        r.movementId(),
                        movements.catalogue().movement(r.movementId()).name(),
                        sentences(r, s.unmeasured()),
                        r.mendable()))
            .toList();
    return new SlotView(
        s.slotKey(),
        s.block(),
        s.purpose().words,
        s.askedId(),
        movements.catalogue().find(s.askedId()).map(Movement::name).orElse(s.askedId()),
        s.asPlanned(),
        movements.wording().parts(s.result().parts()),
        movements.wording().reasons(s),
        parts,
        rejections,
        s.result().next().stream()
            .map(
                a ->
                    new AlternativeView(
                        String.valueOf(a.parts().get(0).movementId()),
                        a.parts().get(0).modifiers(),
                        a.parts().get(0).range(),
                        movements.wording().parts(a.parts()),
                        Wording.givenUp(a.parts(), a.cost())))
            .toList(),
        CostView.of(s.result().cost()),
        Wording.givenUp(s.result().parts(), s.result().cost()),
        closers(s),
        s.pinned(),
        s.released(),
        s.result().allRest(),
        stairFamily(s),
        stages,
        weight(s),
        s.stretch() == null ? null : movements.wording().stretch(s.stretch()),
        s.band() == null ? null : Wording.band(s.band()),
        upper(s.upper()),
        tasks.stream().map(t -> t.words).toList(),
        tasks.stream().filter(wanted::contains).map(t -> t.words).toList(),
        s.gap() == null ? null : VerdictWords.gap(s.gap()),
        s.block() == Block.WORK ? proposed(proposed.get(stairFamily(s))) : null);
  }

  private static @Nullable ProposedView proposed(ProposalSource.@Nullable Proposal p) {
    return p == null
        ? null
        : new ProposedView(p.id(), p.version(), p.says(), p.sentence(), p.waits(), p.open());
  }

  /** What is done in a slot is for; empty where it rests. */
  private List<Task> tasks(AdaptedSlot s) {
    return s.result().parts().stream()
        .flatMap(p -> Stream.ofNullable(p.movementId()))
        .map(id -> movements.catalogue().movement(id).familyId())
        .flatMap(f -> movements.catalogue().family(f).tasks().stream())
        .distinct()
        .toList();
  }

  /** Each task that the goal names with what in the work serves it: "climbing stairs: Step-up". */
  private List<String> goals(AdaptedPlan a, List<Task> wanted) {
    return wanted.stream()
        .map(
            t ->
                t.words
                    + ": "
                    + a.slots().stream()
                        .filter(s -> s.block() == Block.WORK && tasks(s).contains(t))
                        .map(s -> movements.wording().parts(s.result().parts()))
                        .distinct()
                        .reduce((x, y) -> x + "; " + y)
                        .orElse("nothing in this plan"))
        .toList();
  }

  private @Nullable UpperView upper(@Nullable UpperOption u) {
    if (u == null) {
      return null;
    }
    Performed form = u.form();
    return new UpperView(
        movements.wording().upper(u.asked()),
        form == null ? null : form.movementId(),
        form == null ? List.of() : form.modifiers(),
        u.asked().grams(),
        u.taken());
  }

  /** Which weight the slot is begun with, and why; null where it takes none. */
  private @Nullable SlotWeight weight(AdaptedSlot s) {
    FoundWeight f = s.found();
    if (f == null) {
      return null;
    }
    int given =
        s.doses().stream()
            .map(Dose::grams)
            .filter(Objects::nonNull)
            .mapToInt(Integer::intValue)
            .max()
            .orElse(0);
    return new SlotWeight(
        given,
        DoseWords.found(
            f, given, id -> movements.catalogue().find(id).map(Movement::name).orElse(id)),
        f.byHand(),
        f.toBeFound());
  }

  /** The limits the movement asked for breaks, each once. */
  private static List<LiftView> closers(AdaptedSlot s) {
    Map<UUID, LiftView> all = new LinkedHashMap<>();
    for (Broken b : s.askedBroken()) {
      all.putIfAbsent(
          b.limitId(),
          new LiftView(
              b.limitId(),
              Wording.limit(b.axisId(), b.side(), b.cap()),
              b.source(),
              b.strength() == Strength.FIRM));
    }
    return List.copyOf(all.values());
  }

  private @Nullable List<ClientOrderView> orders(SessionPlan plan, AdaptedPlan a) {
    List<ClientOrderView> orders =
        movements.planAdapter().orders(plan, a).stream()
            .map(o -> new ClientOrderView(o.blockKey(), o.order(), Wording.gained(o.found())))
            .toList();
    return orders.isEmpty() ? null : orders;
  }

  private static List<String> sentences(Rejection r, Set<riposo.core.movement.Kit> unmeasured) {
    List<String> all = new ArrayList<>(Wording.broken(r.broken()));
    if (!r.missing().isEmpty()) {
      all.add(Wording.missing(r.missing(), unmeasured));
    }
    r.harder().stream().map(Wording::harder).forEach(all::add);
    if (r.above() != null) {
      all.add(Wording.above(r.above()));
    }
    return all;
  }

  String stairFamily(AdaptedSlot slot) {
    return slot.result().parts().stream()
        .flatMap(p -> Stream.ofNullable(p.movementId()))
        .findFirst()
        .map(id -> movements.catalogue().movement(id).familyId())
        .orElseGet(
            () ->
                movements
                    .catalogue()
                    .find(slot.askedId())
                    .map(Movement::familyId)
                    .orElse("breathing"));
  }
}
