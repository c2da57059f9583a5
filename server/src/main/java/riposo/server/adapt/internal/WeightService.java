package riposo.server.adapt.internal;

import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.Objects;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.adapt.AdaptedSlot;
import riposo.core.adapt.ClientDay;
import riposo.core.adapt.Performed;
import riposo.core.dose.WeightChoice;
import riposo.core.plan.SessionPlan;
import riposo.core.wording.Wording;
import riposo.server.adapt.AdaptedPlans;
import riposo.server.client.Clients;
import riposo.server.plan.Plans;
import riposo.server.platform.Audit;
import riposo.server.platform.Problems;
import riposo.server.platform.Studios;

/** A weight the professional sets for a slot of a client's plan, inside the caps. */
@Service
@Transactional
class WeightService {
  /**
   * A weight.
   *
   * @param grams as printed on it
   * @param today for today only; else from now on
   */
  record WeightForm(
      @NotNull(message = "Say how heavy.")
          @Min(value = 100, message = "A weight is 0.1 to 100 kg.")
          @Max(value = 100_000, message = "A weight is 0.1 to 100 kg.")
          Integer grams,
      boolean today,
      @Nullable @Size(max = 400, message = "At most 400 characters.") String reason) {}

  private final AdaptService desk;
  private final Clients clients;
  private final Plans plans;
  private final WeightStore store;
  private final Audit audit;
  private final Studios studios;

  WeightService(
      AdaptService desk,
      Clients clients,
      Plans plans,
      WeightStore store,
      Audit audit,
      Studios studios) {
    this.desk = desk;
    this.clients = clients;
    this.plans = plans;
    this.store = store;
    this.audit = audit;
    this.studios = studios;
  }

  AdaptedPlans.AdaptedView set(
      UUID clientId, UUID planId, String key, @Nullable UUID room, WeightForm form) {
    clients.requireActive(clientId);
    LocalDate today = studios.today();
    ClientDay day = desk.day(clientId, planId, today, room);
    AdaptedSlot slot =
        desk.adapt(planId, day).slots().stream()
            .filter(s -> s.slotKey().equals(key))
            .findFirst()
            .orElseThrow(() -> Problems.notFound("slot", key));
    SessionPlan.Asked at =
        plans.require(planId).plan().asked().stream()
            .filter(a -> a.key().equals(key))
            .findFirst()
            .orElseThrow(() -> Problems.notFound("slot", key));
    WeightChoice said = desk.planAdapter().choice(at, slot, form.grams(), day);
    String reason = form.reason() == null || form.reason().isBlank() ? null : form.reason().trim();
    refuse(said, form.grams(), reason);
    WeightRow row =
        store.findByClientIdAndPlanIdAndSlotKey(clientId, planId, key).orElseGet(WeightRow::new);
    row.createdAt = studios.now();
    row.clientId = clientId;
    row.planId = planId;
    row.slotKey = key;
    row.movementId = done(slot);
    row.grams = form.grams();
    row.onDate = today;
    row.today = form.today();
    row.reason = reason;
    store.saveAndFlush(row);
    audit.changed(
        "set",
        "weight",
        row.id,
        key
            + ": "
            + Wording.kg(row.grams)
            + (row.today ? " for today" : " from now on")
            + (reason == null ? "" : ": " + reason),
        clientId);
    return desk.view(clientId, planId, today);
  }

  private static String done(AdaptedSlot slot) {
    return slot.result().parts().stream()
        .map(Performed::movementId)
        .filter(Objects::nonNull)
        .findFirst()
        .orElseThrow();
  }

  private static void refuse(@Nullable WeightChoice said, int grams, @Nullable String reason) {
    if (said == null) {
      throw Problems.field("/grams", "What is done here takes no weight.");
    }
    if (said instanceof WeightChoice.NotInKit n) {
      throw Problems.field(
          "/grams",
          Wording.kg(grams)
              + " is not in this kit, or there are too few of them. There "
              + (n.kit().isEmpty()
                  ? "are none."
                  : (n.kit().size() == 1 ? "is " : "are ")
                      + n.kit().stream().map(Wording::kg).collect(Collectors.joining(", "))
                      + "."));
    }
    if (said instanceof WeightChoice.OverCap o) {
      throw Problems.field(
          "/grams",
          Wording.kg(grams)
              + " is over what this client’s limits leave here: "
              + (o.most() < 100 ? "no weight" : Wording.kg(o.most()) + " at most")
              + ". A limit is never passed.");
    }
    if (said instanceof WeightChoice.EasedToday e) {
      throw Problems.field(
          "/grams",
          "A verdict of today eased this family: no more than "
              + (e.history() == 0 ? "no weight" : Wording.kg(e.history()))
              + " before tomorrow.");
    }
    if (said instanceof WeightChoice.WantsReason w && reason == null) {
      throw Problems.field(
          "/reason",
          Wording.kg(grams)
              + " is more than one step of this kit over "
              + (w.history() == 0 ? "no weight" : Wording.kg(w.history()))
              + ", the next is "
              + Wording.kg(w.step())
              + ": say why.");
    }
  }

  AdaptedPlans.AdaptedView release(UUID clientId, UUID planId, String key) {
    clients.require(clientId);
    store
        .findByClientIdAndPlanIdAndSlotKey(clientId, planId, key)
        .ifPresent(
            w -> {
              store.delete(w);
              audit.changed("released", "weight", w.id, key, clientId);
            });
    store.flush();
    return desk.view(clientId, planId, studios.today());
  }
}
