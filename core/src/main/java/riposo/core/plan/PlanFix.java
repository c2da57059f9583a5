package riposo.core.plan;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import riposo.core.movement.Movement;
import riposo.core.movement.Tempo;

/**
 * A mend of a remark that can be taken with one key: facts, and the plan with it done.
 *
 * @param a 1-based place of the first slot swapped, or seconds or rounds from
 * @param b 1-based place of the second, or seconds or rounds to
 * @param before the rule's value now
 * @param after the rule's value with the fix
 */
public record PlanFix(
    String rule,
    Kind kind,
    String blockKey,
    int a,
    int b,
    int before,
    int after,
    SessionPlan plan) {
  /** What is done. */
  public enum Kind {
    SWAP,
    LONGER,
    ADD_ROUND,
    SLOWER
  }

  private static final Tempo SLOWER = Tempo.of("3-0-2-0");

  /** Up to so many slots every pair is tried; above it neighbours only. */
  private static final int EVERY_PAIR = 14;

  /**
   * The best mend of a remark, or null when there is none of one key. A swap is offered when it
   * lowers the rule's count and raises no other.
   */
  public static @Nullable PlanFix of(
      PlanCheck check,
      SessionPlan plan,
      Function<SessionPlan, Timeline> compile,
      Function<String, @Nullable Movement> movements) {
    return switch (check.rule()) {
      case PlanCheck.WARM_UP_SHORT -> longer(check, plan, Block.WARM_UP, compile);
      case PlanCheck.COOL_DOWN_SHORT -> longer(check, plan, Block.COOL_DOWN, compile);
      case PlanCheck.ODD_ROUNDS -> round(check, plan);
      case PlanCheck.MANY_REPS -> slower(check, plan);
      default ->
          PlanCheck.ORDER.contains(check.rule()) ? swap(check, plan, compile, movements) : null;
    };
  }

  private static @Nullable PlanFix longer(
      PlanCheck check, SessionPlan plan, Block which, Function<SessionPlan, Timeline> compile) {
    PlanBlock block =
        plan.blocks().stream()
            .filter(b -> b.block() == which && b.format().kind() == FormatKind.IN_TURN)
            .filter(b -> !b.slots().isEmpty())
            .findFirst()
            .orElse(null);
    if (block == null) {
      return null;
    }
    // Longer warm-ups make longer sessions, of which 15 % is more: a few steps settle it.
    SessionPlan longer = plan;
    PlanCheck left = check;
    for (int step = 0; step < 8 && left != null; step++) {
      PlanBlock now = block(longer, block.key());
      int each = (left.wanted() - left.value() + now.slots().size() - 1) / now.slots().size();
      int add = Math.max(5, (each + 4) / 5 * 5);
      longer =
          longer.with(
              now.with(
                  now.slots().stream()
                      .map(
                          s ->
                              s.lasting(
                                  Math.min(600, (s.seconds() == null ? 0 : s.seconds()) + add)))
                      .toList()));
      left = find(PlanCheck.of(compile.apply(longer)), check.rule());
    }
    if (left != null) {
      return null;
    }
    return new PlanFix(
        check.rule(),
        Kind.LONGER,
        block.key(),
        check.value(),
        compile.apply(longer).seconds(which),
        check.value(),
        check.wanted(),
        longer);
  }

  private static @Nullable PlanFix round(PlanCheck check, SessionPlan plan) {
    for (PlanBlock b : plan.blocks()) {
      if (b.slots().isEmpty() || !check.slots().contains(b.slots().get(0).key())) {
        continue;
      }
      for (Param p : new Param[] {Param.ROUNDS, Param.SETS, Param.REPEATS}) {
        Integer now = b.format().values().get(p);
        if (now != null && Format.refusal(p, now + 1) == null) {
          return new PlanFix(
              check.rule(),
              Kind.ADD_ROUND,
              b.key(),
              now,
              now + 1,
              1,
              0,
              plan.with(b.with(b.format().with(p, now + 1))));
        }
      }
    }
    return null;
  }

  private static PlanFix slower(PlanCheck check, SessionPlan plan) {
    SessionPlan slow = plan;
    for (PlanBlock b : plan.blocks()) {
      List<Slot> slots =
          b.slots().stream()
              .map(
                  s ->
                      check.slots().contains(s.key())
                              && (s.tempo() == null || s.tempo().seconds() < SLOWER.seconds())
                          ? new Slot(
                              s.key(),
                              s.movementId(),
                              s.seconds(),
                              s.reps(),
                              SLOWER,
                              s.grams(),
                              s.start(),
                              s.stages(),
                              s.rounds(),
                              s.extra())
                          : s)
              .toList();
      slow = slow.with(b.with(slots));
    }
    return new PlanFix(
        check.rule(), Kind.SLOWER, "", 4, SLOWER.seconds(), check.value(), check.wanted(), slow);
  }

  private static @Nullable PlanFix swap(
      PlanCheck check,
      SessionPlan plan,
      Function<SessionPlan, Timeline> compile,
      Function<String, @Nullable Movement> movements) {
    PlanFix best = null;
    int bestChanges = 0;
    List<PlanCheck> now = PlanCheck.of(plan, compile.apply(plan), movements);
    for (PlanBlock b : plan.blocks()) {
      if (b.block() != Block.WORK) {
        continue;
      }
      int unit = b.format().kind().pairs() ? 2 : 1;
      int units = b.slots().size() / unit;
      for (int i = 0; i < units; i++) {
        for (int j = i + 1; j < units; j++) {
          if (units > EVERY_PAIR && j > i + 1) {
            break;
          }
          List<Slot> slots = new ArrayList<>(b.slots());
          for (int k = 0; k < unit; k++) {
            Collections.swap(slots, i * unit + k, j * unit + k);
          }
          SessionPlan other = plan.with(b.with(slots));
          Timeline t = compile.apply(other);
          List<PlanCheck> then = PlanCheck.of(other, t, movements);
          int after = value(then, check.rule());
          if (after >= check.value() || worse(now, then, check.rule())) {
            continue;
          }
          if (best == null
              || after < best.after
              || after == best.after && t.postureChanges() < bestChanges) {
            best =
                new PlanFix(
                    check.rule(),
                    Kind.SWAP,
                    b.key(),
                    i * unit + 1,
                    j * unit + 1,
                    check.value(),
                    after,
                    other);
            bestChanges = t.postureChanges();
          }
        }
      }
    }
    return best;
  }

  private static boolean worse(List<PlanCheck> now, List<PlanCheck> then, String but) {
    return PlanCheck.ORDER.stream().anyMatch(r -> !r.equals(but) && value(then, r) > value(now, r));
  }

  private static int value(List<PlanCheck> checks, String rule) {
    PlanCheck c = find(checks, rule);
    return c == null ? rule.equals(PlanCheck.FLOOR_TRIPS) ? 1 : 0 : c.value();
  }

  private static @Nullable PlanCheck find(List<PlanCheck> checks, String rule) {
    return checks.stream().filter(c -> c.rule().equals(rule)).findFirst().orElse(null);
  }

  private static PlanBlock block(SessionPlan plan, String key) {
    return plan.blocks().stream().filter(b -> b.key().equals(key)).findFirst().orElseThrow();
  }
}
