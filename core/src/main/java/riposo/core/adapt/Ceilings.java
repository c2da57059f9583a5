package riposo.core.adapt;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import riposo.core.dose.Gap;
import riposo.core.movement.Catalogue;
import riposo.core.movement.LoadKind;
import riposo.core.movement.Movement;
import riposo.core.plan.Block;
import riposo.core.plan.SessionPlan;
import riposo.core.plan.Slot;

/** How far each family may go: by verdicts, after a gap, and on a day that is eased. */
final class Ceilings {
  private final Catalogue catalogue;

  Ceilings(Catalogue catalogue) {
    this.catalogue = catalogue;
  }

  /** What holds today in a plan: those of the client's day, a gap and today's check with them. */
  Map<String, Ceiling> today(SessionPlan plan, ClientDay day, LocalDate on) {
    Map<String, Ceiling> ceilings = new HashMap<>(day.ceilings());
    fromAsked(plan, day, ceilings);
    if (day.today().cut()) {
      rungDown(plan, ceilings, on);
    }
    return ceilings;
  }

  /**
   * How far verdicts let each family go. A stopped family is closed and an eased one held below
   * what was asked even though the movement itself has left the catalogue.
   */
  Map<String, Ceiling> of(Map<String, Standing> standings) {
    Map<String, Ceiling> ceilings = new HashMap<>();
    for (Standing s : standings.values()) {
      Integer rung = rung(s);
      if (rung != null) {
        ceilings.put(s.familyId(), new Ceiling(s.familyId(), rung, s.decidedOn()));
      }
    }
    return ceilings;
  }

  /** Those of the ceilings that no choice by hand passes: stopped and eased families. */
  Map<String, Ceiling> firm(Map<String, Standing> standings) {
    Map<String, Standing> firm = new HashMap<>(standings);
    firm.values().removeIf(s -> !s.stopped() && !s.verdict().equals("EASE"));
    return of(firm);
  }

  private @Nullable Integer rung(Standing s) {
    if (s.stopped()) {
      return 0;
    }
    Movement stood = find(s.movementId());
    if (stood != null) {
      return stood.rung();
    }
    Movement asked = find(s.askedId());
    return asked != null && s.verdict().equals("EASE")
        ? (Integer) Math.max(1, asked.rung() - 1)
        : null;
  }

  /**
   * Those of a day with the gaps its families come back from: after a long one a rung lower than
   * where the family was left.
   */
  Map<String, Ceiling> back(ClientDay day, Map<String, Gap> gaps) {
    Map<String, Ceiling> ceilings = new HashMap<>(day.ceilings());
    gaps.forEach(
        (family, gap) -> {
          Ceiling at = ceilings.get(family);
          if (at != null && lowers(gap, day.standings().get(family))) {
            ceilings.put(family, new Ceiling(family, under(family, at.rung()), day.caps().day()));
          }
        });
    return ceilings;
  }

  /** Whether a gap takes a rung off: it is long, and where the client stands is from before it. */
  private static boolean lowers(Gap gap, @Nullable Standing standing) {
    return gap.rungDown() && (standing == null || gap.cuts(standing.known()));
  }

  /** A rung lower, where the family has one; a closed one stays closed. */
  private int under(String family, int rung) {
    return catalogue.families().stream().anyMatch(f -> f.id().equals(family))
            && catalogue.family(family).rungs().stream().anyMatch(m -> m.rung() < rung)
        ? rung - 1
        : rung;
  }

  /** After a long gap in a family of which nothing was decided: a rung under what is asked. */
  private void fromAsked(SessionPlan plan, ClientDay day, Map<String, Ceiling> ceilings) {
    Map<String, Integer> asked = new HashMap<>();
    for (Slot slot : plan.slots(Block.WORK)) {
      Movement m = find(slot.movementId());
      if (m != null) {
        asked.merge(m.familyId(), m.rung(), Math::min);
      }
    }
    asked.forEach(
        (family, rung) -> {
          Gap gap = day.gaps().get(family);
          if (gap != null && lowers(gap, null) && !day.ceilings().containsKey(family)) {
            ceilings.put(family, new Ceiling(family, under(family, rung), day.caps().day()));
          }
        });
  }

  /** Movements of the work block that take no weight go down a rung where there is one. */
  private void rungDown(SessionPlan plan, Map<String, Ceiling> ceilings, LocalDate day) {
    for (Slot slot : plan.slots(Block.WORK)) {
      Movement m = find(slot.movementId());
      if (m == null) {
        continue;
      }
      Ceiling now = ceilings.get(m.familyId());
      int at = now == null ? m.rung() : Math.min(now.rung(), m.rung());
      int least =
          catalogue.family(m.familyId()).rungs().stream().mapToInt(Movement::rung).min().orElse(at);
      if (m.loadKind() == LoadKind.NONE && at > least) {
        ceilings.put(m.familyId(), new Ceiling(m.familyId(), at - 1, day));
      }
    }
  }

  private @Nullable Movement find(String id) {
    return catalogue.find(id).orElse(null);
  }
}
