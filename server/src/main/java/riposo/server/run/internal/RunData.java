package riposo.server.run.internal;

import jakarta.persistence.EntityManager;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;
import riposo.server.client.ClientData;
import riposo.server.run.Runs;

/** What this module keeps of a client. */
@Component
class RunData implements ClientData {
  private final RunStore store;
  private final WithdrawalStore withdrawals;
  private final RunService service;
  private final EntityManager em;

  RunData(RunStore store, WithdrawalStore withdrawals, RunService service, EntityManager em) {
    this.store = store;
    this.withdrawals = withdrawals;
    this.service = service;
    this.em = em;
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
  record RunExport(Runs.Run run, List<riposo.core.run.RunEvent> events) {}

  @Override
  public Object export(UUID clientId) {
    return service.of(clientId).stream().map(r -> new RunExport(r, service.list(r.id()))).toList();
  }

  @Override
  public List<UUID> erase(UUID clientId) {
    List<UUID> gone = new ArrayList<>();
    for (WithdrawalRow w : withdrawals.findByClientId(clientId)) {
      gone.add(w.id);
      withdrawals.delete(w);
    }
    withdrawals.flush();
    for (RunRow r : store.findByClientIdOrderByOnDateAscCreatedAtAsc(clientId)) {
      em.createQuery("delete from RunEvent e where e.runId = :run")
          .setParameter("run", r.id)
          .executeUpdate();
      gone.add(r.id);
      store.delete(r);
    }
    store.flush();
    return gone;
  }
}
