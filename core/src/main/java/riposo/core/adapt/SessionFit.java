package riposo.core.adapt;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import riposo.core.limit.Axis;
import riposo.core.plan.Block;
import riposo.core.plan.FormatKind;
import riposo.core.plan.Param;
import riposo.core.plan.PlanBlock;
import riposo.core.plan.SessionPlan;
import riposo.core.plan.Slot;

/**
 * What would fit where a plan takes longer than a client's session may: the same with fewer rounds,
 * or without the last movements of the work.
 *
 * @param rounds the greatest number of rounds of any work block; null where fewer rounds are kept
 *     by leaving movements out
 * @param out keys of the slots left out, in plan order; empty for fewer rounds
 * @param seconds how long it takes then
 * @param plan the shorter plan
 */
public record SessionFit(
    @Nullable Integer rounds, List<String> out, int seconds, SessionPlan plan) {

  /**
   * The longest that fits by fewer rounds and the longest by fewer movements, as far as there are
   * any; empty too where the session is not too long.
   *
   * @param adapt adapts a plan to the client on the day
   */
  static List<SessionFit> of(
      SessionPlan plan, AdaptedPlan now, Function<SessionPlan, AdaptedPlan> adapt) {
    if (now.session().stream().noneMatch(b -> b.axisId().equals(Axis.SESSION_MINUTES.id))) {
      return List.of();
    }
    List<SessionFit> all = new ArrayList<>();
    int most =
        plan.blocks().stream()
            .filter(b -> b.block() == Block.WORK)
            .mapToInt(SessionFit::rounds)
            .max()
            .orElse(1);
    for (int r = most - 1; r >= 1; r--) {
      if (add(all, fewer(plan, r), r, List.of(), now, adapt)) {
        break;
      }
    }
    List<String> out = new ArrayList<>();
    SessionPlan shorter = plan;
    while (true) {
      SessionPlan next = withoutLast(shorter, out);
      if (next == null || add(all, next, null, out, now, adapt)) {
        break;
      }
      shorter = next;
    }
    return all;
  }

  private static boolean add(
      List<SessionFit> all,
      SessionPlan shorter,
      @Nullable Integer rounds,
      List<String> out,
      AdaptedPlan now,
      Function<SessionPlan, AdaptedPlan> adapt) {
    AdaptedPlan a = adapt.apply(shorter);
    boolean fits =
        a.session().stream()
            .allMatch(
                b ->
                    !b.axisId().equals(Axis.SESSION_MINUTES.id)
                        && now.session().stream().anyMatch(x -> x.axisId().equals(b.axisId())));
    if (fits) {
      all.add(new SessionFit(rounds, List.copyOf(out), a.timeline().total(), shorter));
    }
    return fits;
  }

  /** How often a block comes round, as its own number. */
  private static int rounds(PlanBlock b) {
    Param p = param(b);
    return p == null ? 1 : b.format().get(p);
  }

  private static @Nullable Param param(PlanBlock b) {
    for (Param p : new Param[] {Param.ROUNDS, Param.SETS, Param.REPEATS}) {
      if (b.format().values().containsKey(p)) {
        return p;
      }
    }
    return null;
  }

  private static SessionPlan fewer(SessionPlan plan, int rounds) {
    List<PlanBlock> blocks = new ArrayList<>();
    for (PlanBlock b : plan.blocks()) {
      Param p = param(b);
      if (b.block() != Block.WORK || p == null || b.format().get(p) <= rounds) {
        blocks.add(b);
      } else {
        // short bursts run in fours
        int to = b.format().kind() == FormatKind.BURSTS ? Math.max(4, rounds / 4 * 4) : rounds;
        blocks.add(b.with(b.format().with(p, Math.min(to, b.format().get(p)))));
      }
    }
    return new SessionPlan(blocks, plan.beat());
  }

  /**
   * Without the last movement of the work, the last two where they belong in pairs; null at one.
   */
  private static @Nullable SessionPlan withoutLast(SessionPlan plan, List<String> out) {
    List<PlanBlock> blocks = new ArrayList<>(plan.blocks());
    for (int i = blocks.size() - 1; i >= 0; i--) {
      PlanBlock b = blocks.get(i);
      if (b.block() != Block.WORK || b.slots().isEmpty()) {
        continue;
      }
      int less = b.format().kind().needsPairs() ? 2 : 1;
      int keep = b.slots().size() - less;
      if (keep < 1 && plan.slots(Block.WORK).size() <= less) {
        return null;
      }
      b.slots().subList(Math.max(0, keep), b.slots().size()).stream()
          .map(Slot::key)
          .forEach(k -> out.add(0, k));
      if (keep < 1) {
        blocks.remove(i);
      } else {
        blocks.set(i, b.with(b.slots().subList(0, keep)));
      }
      return new SessionPlan(blocks, plan.beat());
    }
    return null;
  }
}
