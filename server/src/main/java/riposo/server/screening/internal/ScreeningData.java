package riposo.server.screening.internal;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Component;
import riposo.server.client.ClientData;

/** Screenings, drafts, decisions, clearances, events and today's checks of a client. */
@Component
class ScreeningData implements ClientData {
  private final ScreeningStores.Screenings screenings;
  private final ScreeningStores.Decisions decisions;
  private final ScreeningStores.Drafts drafts;
  private final ScreeningStores.Clearances clearances;
  private final ScreeningStores.Events events;
  private final ScreeningStores.Checks checks;
  private final ScreeningService taking;
  private final ScreeningViews views;
  private final ClearanceService clearing;
  private final TodayService today;

  ScreeningData(
      ScreeningStores.Screenings screenings,
      ScreeningStores.Decisions decisions,
      ScreeningStores.Drafts drafts,
      ScreeningStores.Clearances clearances,
      ScreeningStores.Events events,
      ScreeningStores.Checks checks,
      ScreeningService taking,
      ScreeningViews views,
      ClearanceService clearing,
      TodayService today) {
    this.screenings = screenings;
    this.decisions = decisions;
    this.drafts = drafts;
    this.clearances = clearances;
    this.events = events;
    this.checks = checks;
    this.taking = taking;
    this.views = views;
    this.clearing = clearing;
    this.today = today;
  }

  @Override
  public String part() {
    return "screening";
  }

  @Override
  public int order() {
    return 600;
  }

  @Override
  public Object export(UUID clientId) {
    Map<String, Object> all = new LinkedHashMap<>();
    all.put("screenings", views.list(clientId));
    all.put("draft", taking.draft(clientId));
    all.put("clearances", clearing.list(clientId));
    all.put("happened", clearing.happened(clientId));
    all.put("todayChecks", today.of(clientId));
    return all;
  }

  @Override
  public List<UUID> erase(UUID clientId) {
    List<UUID> gone = new ArrayList<>();
    List<ScreeningRow> taken = screenings.findByClientIdOrderByNumberDesc(clientId);
    for (ScreeningRow s : taken) {
      gone.addAll(decisions.erase(decisions.findByScreeningId(s.id)));
    }
    gone.addAll(screenings.erase(taken));
    gone.addAll(drafts.erase(drafts.findByClientId(clientId).stream().toList()));
    gone.addAll(clearances.erase(clearances.findByClientIdOrderByGivenOnDesc(clientId)));
    gone.addAll(events.erase(events.findByClientIdOrderByOnDateDesc(clientId)));
    gone.addAll(checks.erase(checks.findByClientIdOrderByCreatedAtDesc(clientId)));
    return gone;
  }
}
