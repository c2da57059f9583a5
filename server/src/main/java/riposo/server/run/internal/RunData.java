package riposo.server.run.internal;

import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;
import riposo.catalogue.EventDocument;
import riposo.catalogue.RunDocument;
import riposo.core.run.RunEvent;
import riposo.core.run.RunSheet;
import riposo.server.client.ClientData;
import riposo.server.platform.Json;
import riposo.server.platform.RunsOfBefore;
import tools.jackson.databind.JsonNode;

/** What this module keeps of a client. */
@Component
class RunData implements ClientData {
  private final RunStore store;
  private final PersonStore people;
  private final WithdrawalStore withdrawals;
  private final RunViews views;
  private final RunLog log;
  private final RunsOfBefore before;
  private final Json json;

  RunData(
      RunStore store,
      PersonStore people,
      WithdrawalStore withdrawals,
      RunViews views,
      RunLog log,
      RunsOfBefore before,
      Json json) {
    this.store = store;
    this.people = people;
    this.withdrawals = withdrawals;
    this.views = views;
    this.log = log;
    this.before = before;
    this.json = json;
  }

  @Override
  public String part() {
    return "runs";
  }

  @Override
  public int order() {
    return 300;
  }

  /** A run as it is shown, and the whole of it as the open document "riposo-run/1". */
  record RunExport(RunViews.RunView run, JsonNode document) {}

  @Override
  public Object export(UUID clientId) {
    return people.findByClientIdOrderByOnDateAscCreatedAtAsc(clientId).stream()
        .map(p -> export(store.require(p.runId, "run"), clientId))
        .toList();
  }

  /** The run as this client had it: of a group nothing of the others. */
  private RunExport export(RunRow run, UUID clientId) {
    List<RunEvent> own =
        log.events(run.id).stream()
            .filter(
                e -> {
                  UUID whose = EventDocument.person(e);
                  return whose == null || whose.equals(clientId);
                })
            .toList();
    RunDocument d = new RunDocument(run.sheet().just(clientId), own);
    return new RunExport(views.view(run, clientId), json.read(d.write(), JsonNode.class));
  }

  @Override
  public List<UUID> erase(UUID clientId) {
    List<UUID> gone = new ArrayList<>(withdrawals.erase(withdrawals.findByClientId(clientId)));
    for (PersonRow p : people.findByClientIdOrderByOnDateAscCreatedAtAsc(clientId)) {
      people.delete(p);
      people.flush();
      RunRow run = store.require(p.runId, "run");
      RunSheet sheet = run.sheet();
      if (sheet.people().size() > 1) {
        // what the others did stays theirs
        log.erase(run.id, clientId);
        run.sheet = RunDocument.write(sheet.without(clientId));
        gone.add(p.id);
      } else {
        log.erase(run.id);
        store.delete(run);
        gone.add(run.id);
      }
    }
    store.flush();
    before.erase(clientId);
    return gone;
  }
}
