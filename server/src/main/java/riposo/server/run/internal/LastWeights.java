package riposo.server.run.internal;

import jakarta.persistence.EntityManager;
import jakarta.persistence.Tuple;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
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

/** Reads the weights last used from the sets. */
@Component
class LastWeights implements WeightSource {
  private static final String NEWEST =
      "select s.movementId as movement, max(s.onDate) as day from RunSet s"
          + " where s.clientId = :client and s.grams is not null group by s.movementId";
  private static final String SETS =
      "from RunSet s where s.clientId = :client and s.grams is not null and s.onDate in :days"
          + " order by s.onDate, s.place";

  private static final String DAYS =
      "select t.family as family, t.day as day from"
          + " (select s.familyId as family, s.onDate as day,"
          + " row_number() over (partition by s.familyId order by s.onDate desc) as place"
          + " from RunSet s where s.clientId = :client and s.onDate <= :day"
          + " group by s.familyId, s.onDate) t where t.place <= 2 order by t.family, t.day desc";

  private final EntityManager em;

  LastWeights(EntityManager em) {
    this.em = em;
  }

  @Override
  @Transactional(readOnly = true)
  public List<LastWeight> lastWeights(UUID clientId) {
    Map<String, LocalDate> newest = new HashMap<>();
    for (Tuple t :
        em.createQuery(NEWEST, Tuple.class).setParameter("client", clientId).getResultList()) {
      newest.put(t.get("movement", String.class), t.get("day", LocalDate.class));
    }
    if (newest.isEmpty()) {
      return List.of();
    }
    Map<Object, LastWeight> last = new HashMap<>();
    for (SetRow r :
        em.createQuery(SETS, SetRow.class)
            .setParameter("client", clientId)
            .setParameter("days", new TreeSet<>(newest.values()))
            .getResultList()) {
      if (!r.onDate.equals(newest.get(r.movementId))) {
        continue;
      }
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
    for (Tuple t :
        em.createQuery(DAYS, Tuple.class)
            .setParameter("client", clientId)
            .setParameter("day", day)
            .getResultList()) {
      days.computeIfAbsent(t.get("family", String.class), k -> new ArrayList<>())
          .add(t.get("day", LocalDate.class));
    }
    return days;
  }
}
