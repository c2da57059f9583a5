package riposo.server.run.internal;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;
import riposo.server.client.ClientData;

/** Doses through the day and what was ticked off. */
@Component
class DayData implements ClientData {
  private final DayPlanStore plans;
  private final TickStore ticks;

  DayData(DayPlanStore plans, TickStore ticks) {
    this.plans = plans;
    this.ticks = ticks;
  }

  @Override
  public String part() {
    return "throughTheDay";
  }

  @Override
  public int order() {
    return 70;
  }

  /** A dose ticked off. */
  record Tick(UUID planId, LocalDate date, String movement, int number) {}

  @Override
  public Object export(UUID clientId) {
    return ticks.findByClientId(clientId).stream()
        .map(t -> new Tick(t.planId, t.onDate, t.movement, t.number))
        .toList();
  }

  @Override
  public List<UUID> erase(UUID clientId) {
    List<UUID> gone = new ArrayList<>(ticks.erase(ticks.findByClientId(clientId)));
    gone.addAll(plans.erase(plans.findByClientId(clientId)));
    return gone;
  }
}
