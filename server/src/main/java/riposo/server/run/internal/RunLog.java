package riposo.server.run.internal;

import jakarta.persistence.EntityManager;
import java.time.LocalDate;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import riposo.catalogue.EventDocument;
import riposo.catalogue.RunDocument;
import riposo.core.run.DoneSet;
import riposo.core.run.RunEvent;
import riposo.core.run.RunSheet;
import riposo.core.run.RunState;
import riposo.server.platform.RowsOf;
import riposo.server.platform.Studios;
import riposo.server.run.Runs;

/** The events and sets of runs as they are stored. */
@Component
class RunLog {
  /** A STOP that is somebody's own, and one that is everybody's who was in the run. */
  private static final List<String> STOPS =
      List.of(
          "select new riposo.server.run.internal.RunLog$StopOf(e.personId, e) from RunEvent e"
              + " where e.kind = 'STOP' and e.personId in :clients",
          "select new riposo.server.run.internal.RunLog$StopOf(p.clientId, e) from RunEvent e"
              + " join RunPerson p on p.runId = e.runId"
              + " where e.kind = 'STOP' and e.personId is null and p.clientId in :clients");

  /** A STOP and a client whose it is. */
  record StopOf(UUID clientId, EventRow event) {}

  private final RowsOf<StopOf> stops = new RowsOf<>(this::readStops, StopOf::clientId);

  private final EntityManager em;
  private final Studios studios;

  RunLog(EntityManager em, Studios studios) {
    this.em = em;
    this.studios = studios;
  }

  List<EventRow> rows(UUID runId) {
    return em.createQuery(
            "from RunEvent e where e.runId = :run order by e.at, e.seq", EventRow.class)
        .setParameter("run", runId)
        .getResultList();
  }

  List<RunEvent> events(UUID runId) {
    return rows(runId).stream().map(RunLog::event).toList();
  }

  /** Whether the words after a run are on file for somebody of it. */
  boolean closed(UUID runId, UUID person) {
    return em.createQuery(
                "select count(p) from RunPerson p where p.runId = :run and p.clientId = :person"
                    + " and p.effortAfter is not null",
                Long.class)
            .setParameter("run", runId)
            .setParameter("person", person)
            .getSingleResult()
        > 0;
  }

  /** Those of these ids that are on file, whatever their run. */
  Map<UUID, EventRow> known(Collection<UUID> ids) {
    return ids.isEmpty()
        ? Map.of()
        : em.createQuery("from RunEvent e where e.id in :ids", EventRow.class)
            .setParameter("ids", ids)
            .getResultStream()
            .collect(Collectors.toMap(r -> r.id, r -> r, (a, b) -> a, HashMap::new));
  }

  static RunEvent event(EventRow row) {
    return RunDocument.event(row.body, row.personId);
  }

  EventRow add(UUID runId, RunEvent e, @Nullable String sent) {
    EventRow r = new EventRow();
    r.id = e.id();
    r.runId = runId;
    r.personId = EventDocument.person(e);
    r.device = e.stamp().device();
    r.at = e.at();
    r.seq = e.stamp().seq();
    r.kind = EventDocument.kind(e).name();
    r.body = RunDocument.write(e);
    r.sent = sent;
    r.receivedAt = studios.now();
    em.persist(r);
    return r;
  }

  /** Where a run stands at this moment. */
  RunState state(RunSheet sheet, Collection<RunEvent> events) {
    return RunState.fold(sheet, events, studios.now().toEpochMilli());
  }

  /** Every STOP of a client, withdrawn or not, earliest first. */
  List<EventRow> stops(UUID clientId) {
    return stops.of(clientId).stream().map(StopOf::event).toList();
  }

  void stopsAhead(Collection<UUID> clients) {
    stops.ahead(clients);
  }

  private List<StopOf> readStops(Collection<UUID> clients) {
    return STOPS.stream()
        .flatMap(
            q -> em.createQuery(q, StopOf.class).setParameter("clients", clients).getResultStream())
        .sorted(Comparator.comparing((StopOf s) -> s.event().at).thenComparing(s -> s.event().seq))
        .toList();
  }

  /** Pulses and sets told of a client since a day, in the order they came, by run. */
  Map<UUID, List<RunEvent>> pulsesAndSets(UUID clientId, LocalDate since) {
    return em.createQuery(
            "from RunEvent e where e.personId = :client and e.kind in ('PULSE', 'ENTRY')"
                + " and e.runId in (select s.runId from RunEvent s join RunPerson p on p.runId = s.runId"
                + " where s.personId = :client and s.kind = 'PULSE' and p.clientId = :client"
                + " and p.onDate > :since) order by e.at, e.seq",
            EventRow.class)
        .setParameter("client", clientId)
        .setParameter("since", since)
        .getResultStream()
        .collect(
            Collectors.groupingBy(
                r -> r.runId, Collectors.mapping(RunLog::event, Collectors.toList())));
  }

  /** The family done in each slot of a run by somebody, by slot key. */
  Map<String, String> families(UUID runId, UUID clientId) {
    return em.createQuery(
            "select distinct s.slotKey, s.familyId from RunSet s where s.runId = :run"
                + " and s.clientId = :client",
            Object[].class)
        .setParameter("run", runId)
        .setParameter("client", clientId)
        .getResultStream()
        .collect(Collectors.toMap(r -> (String) r[0], r -> (String) r[1], (a, b) -> b));
  }

  /** The sets of a client from a day to another by run, in the order they were told. */
  Map<UUID, List<DoneSet>> sets(UUID clientId, LocalDate since, LocalDate until) {
    return em.createQuery(
            "select s.runId, s.body from RunSet s where s.clientId = :client"
                + " and s.onDate between :since and :until order by s.place",
            Object[].class)
        .setParameter("client", clientId)
        .setParameter("since", since)
        .setParameter("until", until)
        .getResultStream()
        .collect(
            Collectors.groupingBy(
                r -> (UUID) r[0],
                Collectors.mapping(r -> RunDocument.set((String) r[1]), Collectors.toList())));
  }

  /** The same in lines, in time order. */
  List<Runs.SetLine> setLines(UUID clientId, LocalDate since) {
    return em.createQuery(
            "select new riposo.server.run.Runs$SetLine(s.runId, s.familyId, s.movementId, s.slotKey, s.round,"
                + " s.side, s.grams, s.effort, s.pain) from RunSet s where s.clientId = :client"
                + " and s.onDate >= :since order by s.onDate, s.place",
            Runs.SetLine.class)
        .setParameter("client", clientId)
        .setParameter("since", since)
        .getResultList();
  }

  /** Brings the sets of a run to what its events come to. */
  void write(RunRow run, List<DoneSet> sets) {
    Map<SetRow.Key, SetRow> before =
        em.createQuery("from RunSet s where s.runId = :run", SetRow.class)
            .setParameter("run", run.id)
            .getResultStream()
            .collect(Collectors.toMap(SetRow::key, s -> s));
    for (int i = 0; i < sets.size(); i++) {
      SetRow row = before.remove(SetRow.key(sets.get(i)));
      boolean add = row == null;
      row = add ? new SetRow() : row;
      row.write(run, sets.get(i), i);
      if (add) {
        em.persist(row);
      }
    }
    before.values().forEach(em::remove);
  }

  /** Deletes runs and all that was told of them. */
  void erase(Collection<UUID> runs) {
    for (String rows :
        List.of(
            "RunSet e where e.runId",
            "RunEvent e where e.runId",
            "RunPerson e where e.runId",
            "Run e where e.id")) {
      em.createQuery("delete from " + rows + " in :runs")
          .setParameter("runs", runs)
          .executeUpdate();
    }
  }

  /** Deletes what was told of one person of a run that is others' too. */
  void erase(UUID runId, UUID clientId) {
    em.createQuery("delete from RunSet e where e.runId = :run and e.clientId = :client")
        .setParameter("run", runId)
        .setParameter("client", clientId)
        .executeUpdate();
    em.createQuery("delete from RunEvent e where e.runId = :run and e.personId = :client")
        .setParameter("run", runId)
        .setParameter("client", clientId)
        .executeUpdate();
  }
}
