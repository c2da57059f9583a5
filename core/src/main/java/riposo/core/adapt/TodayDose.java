package riposo.core.adapt;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import riposo.core.limit.Axis;
import riposo.core.limit.Caps;
import riposo.core.limit.Limit;
import riposo.core.limit.Side;
import riposo.core.limit.Strength;
import riposo.core.plan.Block;
import riposo.core.plan.PlanBlock;
import riposo.core.plan.SessionPlan;
import riposo.core.plan.Timeline;
import riposo.core.today.TodayCheck;

/**
 * How today cuts a plan . It only ever adds caps and takes work away.
 *
 * @param effortCap greatest effort today; null when none
 * @param noLongHolds still effort 20 s at most
 * @param wobbly the unsupported balance cap is one lower
 */
public record TodayDose(
    TodayCheck.Dose dose, @Nullable Integer effortCap, boolean noLongHolds, boolean wobbly) {
  public static final TodayDose AS_PLANNED =
      new TodayDose(TodayCheck.Dose.AS_PLANNED, null, false, false);

  /** A short session's length, warm-up included, in seconds. */
  static final int SHORT_SECONDS = 600;

  static final int SHORT_WORK = 3;
  private static final String SOURCE = "today's check";

  public boolean cut() {
    return dose == TodayCheck.Dose.EASED || dose == TodayCheck.Dose.SHORT;
  }

  /** The caps of the day with today's added. */
  public Caps caps(Caps caps) {
    List<Limit> more = new ArrayList<>();
    if (effortCap != null) {
      more.add(limit(Axis.EFFORT, effortCap, caps.day()));
    }
    if (noLongHolds) {
      more.add(limit(Axis.HOLD, 20, caps.day()));
    }
    if (wobbly) {
      int now = Math.min(Axis.BALANCE.greatest, caps.cap(Axis.BALANCE, Side.BOTH));
      more.add(limit(Axis.BALANCE, Math.max(0, now - 1), caps.day()));
    }
    return more.isEmpty() ? caps : caps.plus(more);
  }

  private static Limit limit(Axis axis, int cap, LocalDate day) {
    UUID id = new UUID(day.toEpochDay(), axis.id.hashCode());
    return new Limit(id, axis.id, Side.BOTH, cap, Strength.FIRM, SOURCE, day, day, null);
  }

  /** One set less and rests half as long again; a short one is one round. */
  PlanBlock block(PlanBlock b) {
    if (!cut() || b.block() != Block.WORK) {
      return b;
    }
    return b.with(dose == TodayCheck.Dose.SHORT ? b.format().once() : b.format().eased());
  }

  /**
   * The plan as today leaves it. A short one keeps the warm-up, the first three movements of the
   * work (two where they belong in pairs) and the cool-down as far as ten minutes go.
   */
  SessionPlan plan(SessionPlan plan, Function<SessionPlan, Timeline> compile) {
    if (!cut()) {
      return plan;
    }
    List<PlanBlock> blocks = new ArrayList<>();
    int left = dose == TodayCheck.Dose.SHORT ? SHORT_WORK : Integer.MAX_VALUE;
    for (PlanBlock b : plan.blocks()) {
      PlanBlock eased = b;
      if (b.block() == Block.WORK) {
        int keep = Math.min(left, b.slots().size());
        keep -= b.format().kind().needsPairs() ? keep % 2 : 0;
        left -= keep;
        if (keep == 0) {
          continue;
        }
        eased = block(b.with(b.slots().subList(0, keep)));
      }
      blocks.add(eased);
    }
    SessionPlan today = new SessionPlan(blocks, plan.beat());
    while (dose == TodayCheck.Dose.SHORT && compile.apply(today).total() > SHORT_SECONDS) {
      PlanBlock last = blocks.get(blocks.size() - 1);
      if (last.block() != Block.COOL_DOWN || last.slots().size() < 2) {
        break;
      }
      blocks.set(blocks.size() - 1, last.with(last.slots().subList(0, last.slots().size() - 1)));
      today = new SessionPlan(blocks, plan.beat());
    }
    return today;
  }

  /** A fifth less weight, before it is rounded down to kit. */
  int grams(int grams) {
    return cut() ? grams * 4 / 5 : grams;
  }
}
