package riposo.server.run.internal;

import jakarta.persistence.EntityManager;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.stream.IntStream;
import org.springframework.stereotype.Component;
import riposo.catalogue.EventDocument;
import riposo.catalogue.RunDocument;
import riposo.core.run.RunEvent;
import riposo.server.client.ClientData;
import riposo.server.platform.Json;
import riposo.server.platform.OncePerRead;
import riposo.server.platform.RunsOfBefore;
import tools.jackson.databind.JsonNode;

/** What this module keeps of a client. */
@Component
class RunData implements ClientData {
  /** After so many runs what was read of them is let go of. */
  private static final int LET_GO = 50;

  private final RunStore store;
  private final PersonStore people;
  private final WithdrawalStore withdrawals;
  private final RunViews views;
  private final RunLog log;
  private final RunsOfBefore before;
  private final EntityManager em;
  private final Json json;

  RunData(
      RunStore store,
      PersonStore people,
      WithdrawalStore withdrawals,
      RunViews views,
      RunLog log,
      RunsOfBefore before,
      EntityManager em,
      Json json) {
    this.store = store;
    this.people = people;
    this.withdrawals = withdrawals;
    this.views = views;
    this.log = log;
    this.before = before;
    this.em = em;
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
    List<UUID> runs = people.runsOf(clientId);
    return (Iterable<RunExport>)
        () ->
            IntStream.range(0, runs.size())
                .mapToObj(
                    i -> {
                      if (i % LET_GO == 0) {
                        em.clear();
                        OncePerRead.letGo();
                      }
                      return export(store.require(runs.get(i), "run"), clientId);
                    })
                .iterator();
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
    List<UUID> runs = people.runsOf(clientId);
    for (int from = 0; from < runs.size(); from += LET_GO) {
      Set<UUID> own = new LinkedHashSet<>(runs.subList(from, Math.min(runs.size(), from + LET_GO)));
      for (RunRow run : store.maybeShared(own, clientId)) {
        if (run.sheet().people().size() > 1) {
          own.remove(run.id);
          gone.add(leave(run, clientId));
        }
      }
      if (!own.isEmpty()) {
        em.flush();
        log.erase(own);
        gone.addAll(own);
      }
      em.flush();
      em.clear();
    }
    before.erase(clientId);
    return gone;
  }

  /** Takes one person out of a run that is others' too: what they did stays theirs. */
  private UUID leave(RunRow run, UUID clientId) {
    PersonRow person = people.findByRunIdAndClientId(run.id, clientId).orElseThrow();
    people.delete(person);
    log.erase(run.id, clientId);
    run.sheet = RunDocument.write(run.sheet().without(clientId));
    return person.id;
  }
}
