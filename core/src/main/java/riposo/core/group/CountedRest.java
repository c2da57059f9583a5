package riposo.core.group;

import java.util.List;
import java.util.UUID;
import java.util.function.IntUnaryOperator;
import org.jspecify.annotations.Nullable;
import riposo.core.limit.Axis;
import riposo.core.limit.Side;
import riposo.core.plan.Block;
import riposo.core.plan.SessionPlan;

/**
 * The rest of a group in counted work. It is as long as anyone present needs; where that would pass
 * somebody's limit on the length of a session, whoever needs it does every other set instead.
 *
 * @param cap work as a percentage of rest that the whole group keeps; {@link Integer#MAX_VALUE}
 *     where nobody asks for more rest, or where they do every other set
 * @param whose who needs the longer rest
 * @param everyOther they do every other set
 * @param over whose session the longer rest would make too long; empty where it does not
 */
public record CountedRest(int cap, List<UUID> whose, boolean everyOther, List<Over> over) {
  /** A limit on the length of a session that would be passed. */
  public record Over(UUID person, int minutes) {}

  private static final int OPEN = Integer.MAX_VALUE;

  /**
   * The rest of a plan's counted work for a group.
   *
   * @param seconds how long the session takes under a cap on counted work
   */
  public static CountedRest of(
      SessionPlan plan, List<Participant> people, IntUnaryOperator seconds) {
    boolean counted =
        plan.blocks().stream()
            .anyMatch(b -> b.block() == Block.WORK && b.format().kind().countKept());
    int cap = people.stream().mapToInt(CountedRest::cap).min().orElse(OPEN);
    if (!counted || cap == OPEN) {
      return new CountedRest(OPEN, List.of(), false, List.of());
    }
    List<UUID> whose = people.stream().filter(p -> cap(p) != OPEN).map(Participant::id).toList();
    int longer = (seconds.applyAsInt(cap) + 59) / 60;
    int now = (seconds.applyAsInt(OPEN) + 59) / 60;
    List<Over> over =
        people.stream()
            .filter(p -> longer > minutes(p) && longer > now)
            .map(p -> new Over(p.id(), minutes(p)))
            .toList();
    return new CountedRest(over.isEmpty() ? cap : OPEN, whose, !over.isEmpty(), over);
  }

  /** The first whose session would be too long; null where none is. */
  public @Nullable Over first() {
    return over.isEmpty() ? null : over.get(0);
  }

  private static int cap(Participant p) {
    return p.caps().cap(Axis.WORK_PER_REST, Side.BOTH);
  }

  private static int minutes(Participant p) {
    return p.caps().cap(Axis.SESSION_MINUTES, Side.BOTH);
  }
}
