package riposo.server.adapt.internal;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.adapt.AdaptedPlan;
import riposo.core.adapt.AdaptedSlot;
import riposo.core.adapt.Ceiling;
import riposo.core.adapt.ClientDay;
import riposo.core.adapt.Kitbag;
import riposo.core.adapt.Performed;
import riposo.core.adapt.Situation;
import riposo.core.adapt.StairRung;
import riposo.core.adapt.Standing;
import riposo.core.limit.Broken;
import riposo.core.limit.Caps;
import riposo.core.limit.Side;
import riposo.core.limit.Strength;
import riposo.core.movement.Modifier;
import riposo.core.movement.Movement;
import riposo.core.movement.Variant;
import riposo.core.wording.DoseWords;
import riposo.core.wording.Wording;
import riposo.server.adapt.AdaptedPlans;
import riposo.server.adapt.ClientDays;
import riposo.server.client.Clients;
import riposo.server.movement.Movements;
import riposo.server.plan.Plans;
import riposo.server.platform.Audit;
import riposo.server.platform.Json;
import riposo.server.platform.Problems;
import riposo.server.platform.Studios;

/** A family's stair at the desk, and the professional's own choice on it. */
@Service
@Transactional
class StairService {
  /** A step of a stair as shown. */
  record StairView(
      String movementId,
      String name,
      int rung,
      boolean open,
      boolean here,
      String note,
      List<String> closedBy,
      boolean firm,
      List<String> modifiers) {}

  /** A family's stair, hardest first. */
  record Stair(
      String familyId, String familyName, List<StairView> rungs, List<ModifierView> modifiers) {}

  /** A modifier the standing movement accepts. */
  record ModifierView(
      Modifier id, String words, boolean on, boolean possible, List<String> changes) {}

  /**
   * A choice: the movement, and the modifiers when they are chosen by hand.
   *
   * @param modifiers null to take the fewest that open the movement
   */
  record Choose(
      @NotBlank(message = "Choose a movement.") String movementId,
      @Nullable @Size(max = 3, message = "At most three modifiers.") List<Modifier> modifiers,
      @Nullable @Size(max = 400, message = "At most 400 characters.") String reason) {}

  private final AdaptService desk;
  private final Movements movements;
  private final Clients clients;
  private final Plans plans;
  private final ClientDays days;
  private final PinStore pins;
  private final Json json;
  private final Audit audit;
  private final Studios studios;

  StairService(
      AdaptService desk,
      Movements movements,
      Clients clients,
      Plans plans,
      ClientDays days,
      PinStore pins,
      Json json,
      Audit audit,
      Studios studios) {
    this.desk = desk;
    this.movements = movements;
    this.clients = clients;
    this.plans = plans;
    this.days = days;
    this.pins = pins;
    this.json = json;
    this.audit = audit;
    this.studios = studios;
  }

  /** The stair of the family that the slot stands in now. */
  @Transactional(readOnly = true)
  Stair stair(UUID clientId, UUID planId, String key, @Nullable String family) {
    ClientDay day = days.of(clientId, studios.today());
    AdaptedSlot slot = settled(desk.adapt(planId, day), key);
    String familyId = family == null ? desk.stairFamily(slot) : family;
    if (movements.catalogue().families().stream().noneMatch(f -> f.id().equals(familyId))) {
      throw Problems.notFound("family", familyId);
    }
    Situation situation = day.byHand(raise(planId, key));
    Kitbag kit = day.kit();
    List<StairView> rungs = new ArrayList<>();
    for (StairRung r : movements.adapter().stair(familyId, situation)) {
      Movement m = movements.catalogue().movement(r.movementId());
      List<String> closed = new ArrayList<>();
      if (!r.open()) {
        closed.addAll(Wording.broken(r.broken()));
        if (!r.missing().isEmpty()) {
          closed.add(Wording.missing(r.missing(), kit.unmeasured()));
        }
        if (r.above() != null) {
          closed.add(Wording.above(r.above()));
        }
      }
      rungs.add(
          0,
          new StairView(
              m.id(),
              m.name(),
              r.rung(),
              r.open(),
              slot.result().parts().stream().anyMatch(p -> m.id().equals(p.movementId())),
              m.share() == null
                  ? m.position().id().replace('-', ' ')
                  : DoseWords.share(m.share(), day.build()),
              closed,
              r.firm() || !r.missing().isEmpty(),
              r.modifiers().stream()
                  .map(x -> x == Modifier.RANGE ? "to " + r.range() + " % of the range" : x.words)
                  .toList()));
    }
    return new Stair(
        familyId, movements.catalogue().family(familyId).name(), rungs, modifiers(slot, situation));
  }

  private List<ModifierView> modifiers(AdaptedSlot slot, Situation situation) {
    Performed at = slot.result().parts().get(0);
    if (slot.result().parts().size() != 1 || at.movementId() == null) {
      return List.of();
    }
    Movement m = movements.catalogue().movement(at.movementId());
    List<ModifierView> views = new ArrayList<>();
    for (Modifier x : Modifier.inOrder(m.modifiers())) {
      Set<Modifier> with = new HashSet<>(at.modifiers());
      boolean on = !with.add(x);
      if (on) {
        with.remove(x);
      }
      boolean possible;
      try {
        Performed p = formed(m, with, situation.caps());
        possible =
            on
                ? movements.adapter().broken(p, situation.caps()).isEmpty()
                : movements.adapter().missing(p, situation).isEmpty();
      } catch (IllegalArgumentException e) {
        possible = false;
      }
      if (on || possible) {
        views.add(
            new ModifierView(
                x,
                Wording.modifier(x, m),
                on,
                possible,
                x == Modifier.RANGE
                    ? List.of("cut to the limit, " + m.leastRange() + " % is still useful")
                    : x.effects(m).stream().map(Wording::effect).toList()));
      }
    }
    return views;
  }

  /** Pins a choice. A FIRM limit is never passed; an ADVISED one only with a reason on record. */
  AdaptedPlans.AdaptedView choose(
      UUID clientId, UUID planId, String key, @Nullable UUID room, Choose body) {
    LocalDate today = studios.today();
    ClientDay day = days.at(clientId, today, room);
    settled(desk.adapt(planId, day), key);
    Movement m =
        movements
            .catalogue()
            .find(body.movementId())
            .orElseThrow(
                () ->
                    Problems.field(
                        "/movementId", "There is no movement “" + body.movementId() + "”."));
    Situation s = day.byHand(raise(planId, key));
    Standing standing = day.standings().get(m.familyId());
    Ceiling ceiling = s.ceilings().get(m.familyId());
    if (standing != null && ceiling != null && !standing.stopped() && m.rung() > ceiling.rung()) {
      throw Problems.refused(
          "eased-family", m.name() + " lies " + Wording.above(ceiling) + ", eased.");
    }
    if (standing != null && standing.stopped()) {
      throw Problems.refused(
          "stopped-family",
          "This family was stopped on "
              + Wording.day(standing.decidedOn())
              + " and stays closed until reviewed.");
    }
    Performed form;
    if (body.modifiers() == null) {
      Performed open = movements.adapter().open(m.id(), s);
      if (open == null) {
        open = movements.adapter().open(m.id(), s.withCaps(s.caps().firmOnly()));
      }
      form = open == null ? new Performed(Side.BOTH, m.id(), List.of(), 100) : open;
    } else {
      form = Problems.at("/modifiers", () -> formed(m, Set.copyOf(body.modifiers()), s.caps()));
    }
    Set<riposo.core.movement.Kit> missing = movements.adapter().missing(form, s);
    if (!missing.isEmpty()) {
      throw Problems.refused(
          "missing-kit", m.name() + " " + Wording.missing(missing, day.kit().unmeasured()) + ".");
    }
    List<Broken> broken = movements.adapter().broken(form, s.caps());
    List<String> sentences =
        Wording.broken(broken).stream().map(x -> m.name() + " " + x + ".").toList();
    if (broken.stream().anyMatch(b -> b.strength() == Strength.FIRM)) {
      throw Problems.refused(
          "firm-limit", "A firm limit closes this; only a clearance lifts it.", sentences);
    }
    String reason = body.reason() == null || body.reason().isBlank() ? null : body.reason().trim();
    if (!broken.isEmpty() && reason == null) {
      throw Problems.refused(
          "reason-wanted", "An advised limit closes this; say why you pass it.", sentences);
    }
    // a choice made anew is of today: what a gap makes of an older one does not hold for it
    pins.findByClientIdAndPlanIdAndSlotKey(clientId, planId, key)
        .ifPresent(
            older -> {
              pins.delete(older);
              pins.flush();
            });
    PinRow row = new PinRow();
    row.createdAt = studios.now();
    row.clientId = clientId;
    row.planId = planId;
    row.slotKey = key;
    row.parts = json.write(List.of(form));
    row.overridden = json.write(broken.stream().map(Broken::limitId).distinct().toList());
    row.reason = reason;
    pins.saveAndFlush(row);
    audit.changed(
        "chose",
        "slot",
        row.id,
        key
            + ": "
            + movements.wording().performed(form)
            + (reason == null ? "" : ", passing advised limits: " + reason),
        clientId);
    return desk.view(clientId, planId, today);
  }

  AdaptedPlans.AdaptedView release(UUID clientId, UUID planId, String key) {
    clients.require(clientId);
    pins.findByClientIdAndPlanIdAndSlotKey(clientId, planId, key)
        .ifPresent(
            p -> {
              pins.delete(p);
              audit.changed("released", "slot", p.id, key, clientId);
            });
    pins.flush();
    return desk.view(clientId, planId, studios.today());
  }

  /** The form; a shorter range is as long as the limits leave it, or 70 % where none cuts it. */
  private Performed formed(Movement m, Set<Modifier> modifiers, Caps caps) {
    int range = 100;
    if (modifiers.contains(Modifier.RANGE)) {
      Set<Modifier> rest = new HashSet<>(modifiers);
      rest.remove(Modifier.RANGE);
      range =
          movements
              .catalogue()
              .shortened(Variant.of(m, rest, 100), caps, Side.BOTH)
              .map(Variant::range)
              .orElse(Math.max(m.leastRange(), 70));
    }
    Variant v = Variant.of(m, modifiers, range);
    return new Performed(Side.BOTH, m.id(), Modifier.inOrder(v.modifiers()), range);
  }

  /**
   * By how much the format of a slot raises the effort: the stair reckons with it as the plan does.
   */
  private int raise(UUID planId, String key) {
    return plans.require(planId).plan().asked().stream()
        .filter(a -> a.key().equals(key))
        .findFirst()
        .map(a -> a.block().effortRaise(a.index()))
        .orElse(0);
  }

  private static AdaptedSlot settled(AdaptedPlan plan, String key) {
    return plan.slots().stream()
        .filter(s -> s.slotKey().equals(key))
        .findFirst()
        .orElseThrow(() -> Problems.notFound("slot", key));
  }
}
