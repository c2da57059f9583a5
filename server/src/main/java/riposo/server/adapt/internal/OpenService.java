package riposo.server.adapt.internal;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.adapt.OpenMap;
import riposo.core.adapt.PlanKit;
import riposo.core.adapt.Situation;
import riposo.core.limit.Caps;
import riposo.core.limit.Limit;
import riposo.core.movement.Kit;
import riposo.core.movement.Movement;
import riposo.core.wording.Wording;
import riposo.server.adapt.AdaptedPlans;
import riposo.server.adapt.ClientDays;
import riposo.server.client.Clients;
import riposo.server.movement.Movements;
import riposo.server.plan.Plans;
import riposo.server.platform.Problems;
import riposo.server.platform.Studios;

/** What is open to a client on a date, and what a plan takes where the client trains. */
@Service
@Transactional(readOnly = true)
class OpenService {
  /** A limit and what it closes, in words. */
  record CloserView(
      UUID limitId, String words, String source, boolean firm, int breaks, int alone) {}

  /** A purpose with nothing open, and what to do instead. */
  record ShutView(String purpose, List<String> limits, @Nullable String nearest) {}

  /** What is open on a date. */
  record OpenView(
      LocalDate date,
      int open,
      int all,
      List<OpenMap.FamilyOpen> families,
      List<CloserView> closers,
      List<ShutView> shut) {}

  /**
   * One thing a plan needs.
   *
   * @param words such as "a solid chair or a counter"
   * @param slots what asks for it
   * @param here the thing at hand that serves; null when it is missing
   */
  record NeedView(String words, List<String> slots, @Nullable String here) {}

  /**
   * What a plan takes where the client trains.
   *
   * @param weights the weights of the doses, as many as are wanted at once
   * @param lacking what the plan as asked would need and is not here: done without
   * @param refused what is there and cannot be used, and why
   */
  record NeedsView(
      String place,
      List<NeedView> needs,
      List<String> weights,
      List<NeedView> lacking,
      List<String> refused) {}

  private final Movements movements;
  private final Clients clients;
  private final ClientDays days;
  private final Plans plans;
  private final AdaptedPlans adapted;
  private final Studios studios;

  OpenService(
      Movements movements,
      Clients clients,
      ClientDays days,
      Plans plans,
      AdaptedPlans adapted,
      Studios studios) {
    this.movements = movements;
    this.clients = clients;
    this.days = days;
    this.plans = plans;
    this.adapted = adapted;
    this.studios = studios;
  }

  OpenView open(UUID clientId, @Nullable LocalDate date) {
    LocalDate today = studios.today();
    LocalDate day = date == null ? today : date;
    if (day.isBefore(today.minusYears(5)) || day.isAfter(today.plusYears(5))) {
      throw Problems.field("/date", "Shown five years back and ahead; " + day + " is not.");
    }
    Situation situation = days.of(clientId, day).limitsAndKit();
    Caps caps = situation.caps();
    OpenMap map = OpenMap.of(movements.adapter(), situation);
    Map<UUID, Limit> byId = caps.active().stream().collect(Collectors.toMap(Limit::id, l -> l));
    return new OpenView(
        day,
        map.open(),
        map.all(),
        map.families(),
        map.closers().stream()
            .map(
                x -> {
                  Limit l = Objects.requireNonNull(byId.get(x.limitId()));
                  return new CloserView(
                      l.id(),
                      Wording.limit(l.axisId(), l.side(), l.cap()),
                      l.source(),
                      l.strength() == riposo.core.limit.Strength.FIRM,
                      x.breaks(),
                      x.alone());
                })
            .toList(),
        map.shut().stream()
            .map(
                x ->
                    new ShutView(
                        x.purpose().words,
                        x.limits().stream()
                            .map(byId::get)
                            .map(l -> Wording.limit(l.axisId(), l.side(), l.cap()))
                            .toList(),
                        x.nearest() == null ? null : x.nearest().words))
            .toList());
  }

  /**
   * What the adapted plan takes and what serves for it here, and what the plan asked for beside.
   */
  NeedsView needs(UUID clientId, UUID planId) {
    Clients.Client c = clients.require(clientId);
    Set<Kit> here = c.kit().items();
    PlanKit kit = PlanKit.of(adapted.adapt(clientId, planId, studios.today()), movements.adapter());
    List<Movement> asked =
        plans.require(planId).plan().allSlots().stream()
            .flatMap(s -> movements.catalogue().find(s.movementId()).stream())
            .toList();
    Clients.RoomName room = c.room();
    return new NeedsView(
        room == null ? "own kit, the quick list" : room.name(),
        kit.needs().stream().map(n -> need(n, here)).toList(),
        kit.weights().stream().map(Wording::taken).toList(),
        PlanKit.asked(asked).stream()
            .filter(n -> n.anyOf().stream().noneMatch(here::contains))
            .map(n -> need(n, here))
            .toList(),
        c.refusedKit());
  }

  private NeedView need(PlanKit.Need n, Set<Kit> here) {
    return new NeedView(
        Wording.anyOf(n.anyOf()),
        n.movements().stream().map(id -> movements.catalogue().movement(id).name()).toList(),
        n.anyOf().stream()
            .sorted()
            .filter(here::contains)
            .findFirst()
            .map(k -> k.words)
            .orElse(null));
  }
}
