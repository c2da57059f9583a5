package riposo.server.run.internal;

import jakarta.persistence.EntityManager;
import jakarta.persistence.Tuple;
import java.time.LocalDate;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import riposo.catalogue.RunDocument;
import riposo.core.dose.Held;
import riposo.core.dose.LastWeight;
import riposo.core.dose.Sided;
import riposo.core.limit.Side;
import riposo.core.movement.Modifier;
import riposo.core.run.DoneSet;
import riposo.server.adapt.WeightSource;
import riposo.server.platform.ReadAhead;
import riposo.server.platform.RowsOf;
import riposo.server.platform.Studios;

/** Reads the weights last used from the sets. */
@Component
class LastWeights implements WeightSource, ReadAhead.Part {
  // grouped by the studio too, so that the database goes from one movement to the next
  private static final String SETS =
      "select s from RunSet s join (select n.clientId as client, n.weightedId as movement, max(n.onDate) as day"
          + " from RunSet n where n.clientId in :clients"
          + " group by n.studioId, n.clientId, n.weightedId) t"
          + " on s.clientId = t.client and s.weightedId = t.movement and s.onDate = t.day"
          + " order by s.onDate, s.place";

  private static final String DAYS =
      "select t.client as client, t.family as family, t.day as day,"
          + " (select y.onDate from RunSet y where y.clientId = t.client and y.familyId = t.family"
          + " and y.onDate < t.day order by y.onDate desc limit 1) as before"
          + " from (select n.clientId as client, n.familyId as family, max(n.onDate) as day"
          + " from RunSet n where n.clientId in :clients and n.onDate <= :day"
          + " group by n.studioId, n.clientId, n.familyId) t order by t.family";

  /** The newest day on which a family was done, and the one before; null where there is none. */
  private record FamilyDay(
      UUID clientId, String family, LocalDate day, @Nullable LocalDate before) {}

  private final EntityManager em;
  private final Studios studios;
  private final RowsOf<SetRow> sets = new RowsOf<>(this::newest, s -> s.clientId);
  private final RowsOf<FamilyDay> today = new RowsOf<>(this::daysToNow, FamilyDay::clientId);

  LastWeights(EntityManager em, Studios studios) {
    this.em = em;
    this.studios = studios;
  }

  @Override
  public void readAhead(Collection<UUID> clients, ReadAhead.For what) {
    if (what == ReadAhead.For.TRAINING) {
      sets.ahead(clients);
      today.ahead(clients);
    }
  }

  private List<SetRow> newest(Collection<UUID> clients) {
    return em.createQuery(SETS, SetRow.class).setParameter("clients", clients).getResultList();
  }

  private List<FamilyDay> daysToNow(Collection<UUID> clients) {
    return days(clients, studios.today());
  }

  private List<FamilyDay> days(Collection<UUID> clients, LocalDate day) {
    return em
        .createQuery(DAYS, Tuple.class)
        .setParameter("clients", clients)
        .setParameter("day", day)
        .getResultList()
        .stream()
        .map(
            t ->
                new FamilyDay(
                    t.get("client", UUID.class),
                    t.get("family", String.class),
                    t.get("day", LocalDate.class),
                    t.get("before", LocalDate.class)))
        .toList();
  }

  @Override
  @Transactional(readOnly = true)
  public List<LastWeight> lastWeights(UUID clientId) {
    Map<Object, LastWeight> last = new HashMap<>();
    for (SetRow r : sets.of(clientId)) {
      DoneSet s = RunDocument.set(r.body);
      Held asked = s.asked().weight();
      Integer grams = s.grams();
      if (asked != null && grams != null) {
        Set<Modifier> support = s.form().support();
        last.merge(
            List.of(r.movementId, support, asked.way()),
            new LastWeight(r.movementId, support, asked.way(), grams, r.onDate, s.sides()),
            (before, now) -> onSides(before, now, s.side()));
      }
    }
    return List.copyOf(last.values());
  }

  /** A later set of one side leaves what the other side was done with. */
  private static LastWeight onSides(LastWeight before, LastWeight now, Side side) {
    if (side == Side.BOTH || before.sides() == null) {
      return now;
    }
    Sided sides = before.sides().with(side, now.grams());
    return new LastWeight(
        now.movementId(), now.support(), now.carry(), sides.heavier(), now.on(), sides);
  }

  @Override
  @Transactional(readOnly = true)
  public Map<String, List<LocalDate>> lastDays(UUID clientId, LocalDate day) {
    Map<String, List<LocalDate>> days = new HashMap<>();
    // none lies after today, so what was done up to a later day is what was done up to today
    List<FamilyDay> done =
        day.isBefore(studios.today()) ? days(List.of(clientId), day) : today.of(clientId);
    for (FamilyDay d : done) {
      days.put(d.family(), d.before() == null ? List.of(d.day()) : List.of(d.day(), d.before()));
    }
    return days;
  }
}
