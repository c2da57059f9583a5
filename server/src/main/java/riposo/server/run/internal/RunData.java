package riposo.server.run.internal;

import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;
import riposo.catalogue.EventDocument;
import riposo.catalogue.RunDocument;
import riposo.core.run.RunSheet;
import riposo.server.client.ClientData;

/** What this module keeps of a client. */
@Component
class RunData implements ClientData {
  private final RunStore store;
  private final PersonStore people;
  private final WithdrawalStore withdrawals;
  private final RunViews views;
  private final RunLog log;

  RunData(
      RunStore store, PersonStore people, WithdrawalStore withdrawals, RunViews views, RunLog log) {
    this.store = store;
    this.people = people;
    this.withdrawals = withdrawals;
    this.views = views;
    this.log = log;
  }

  @Override
  public String part() {
    return "runs";
  }

  @Override
  public int order() {
    return 300;
  }

  /** A run with everything sent for it. */
  record RunExport(RunViews.RunView run, List<EventDocument> events) {}

  @Override
  public Object export(UUID clientId) {
    return people.findByClientIdOrderByOnDateAscCreatedAtAsc(clientId).stream()
        .map(
            p ->
                new RunExport(
                    views.view(store.require(p.runId, "run")),
                    log.events(p.runId).stream().map(EventDocument::of).toList()))
        .toList();
  }

  @Override
  public List<UUID> erase(UUID clientId) {
    List<UUID> gone = new ArrayList<>();
    for (WithdrawalRow w : withdrawals.findByClientId(clientId)) {
      gone.add(w.id);
      withdrawals.delete(w);
    }
    withdrawals.flush();
    for (PersonRow p : people.findByClientIdOrderByOnDateAscCreatedAtAsc(clientId)) {
      people.delete(p);
      people.flush();
      RunRow run = store.require(p.runId, "run");
      RunSheet sheet = RunService.sheet(run);
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
    log.eraseOld(clientId);
    return gone;
  }
}
