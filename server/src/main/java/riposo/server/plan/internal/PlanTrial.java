package riposo.server.plan.internal;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.plan.BlockOrder;
import riposo.core.plan.FormatKind;
import riposo.core.plan.Param;
import riposo.core.plan.PlanBlock;
import riposo.core.plan.PlanCheck;
import riposo.core.plan.PlanFault;
import riposo.core.plan.PlanFix;
import riposo.core.plan.PlanTotals;
import riposo.core.plan.SessionPlan;
import riposo.core.plan.Slot;
import riposo.core.plan.Timeline;
import riposo.core.wording.Wording;
import riposo.server.movement.Movements;
import riposo.server.platform.Problems;

/** A plan tried out before it is kept: its time, its checks, a better order. Nothing is stored. */
@Service
@Transactional(readOnly = true)
class PlanTrial {
  /** A plan to look at. */
  record PlanQuestion(@NotNull(message = "A plan needs its blocks.") SessionPlan plan) {}

  /** A mend that one key takes. */
  record PlanMend(String words, SessionPlan plan) {}

  /** A remark, the slots it is about, and its mend where there is one. */
  record Remark(String rule, String words, List<String> slots, @Nullable PlanMend fix) {}

  /**
   * What a slot asks for that cannot be: the plan is not kept so.
   *
   * @param field of the slot, such as "sides" or "rounds/0/reps"
   */
  record FaultView(String slotKey, String field, String words) {}

  /** What a plan comes to before it is stored. */
  record Compiled(
      Timeline timeline,
      PlanTotals totals,
      List<Remark> checks,
      List<FaultView> faults,
      List<BlockView> blocks) {}

  /** A block's own time, in seconds; its format in words; whether its order can be searched. */
  record BlockView(String key, int seconds, int work, String words, boolean orders) {}

  /** A number of a format. */
  record ParamView(Param id, String words, String unit, int least, int greatest) {}

  /** A format to choose. */
  record FormatView(
      FormatKind id,
      String words,
      List<ParamView> params,
      boolean ladder,
      boolean phrase,
      boolean pairs,
      boolean counted,
      boolean ownReps,
      int effortRaise) {}

  /** A question for the best order of one block. */
  record OrderQuestion(
      @NotNull(message = "A plan needs its blocks.") SessionPlan plan,
      @NotBlank(message = "Say which block.") String blockKey) {}

  /** The best order: what it gains, and the plan with it. */
  record OrderView(boolean better, String words, List<Integer> order, SessionPlan plan) {}

  private final Movements movements;
  private final StoredPlan stored;

  PlanTrial(Movements movements, StoredPlan stored) {
    this.movements = movements;
    this.stored = stored;
  }

  @Transactional(readOnly = true)
  List<FormatView> formats() {
    List<FormatView> all = new ArrayList<>();
    for (FormatKind k : FormatKind.values()) {
      all.add(
          new FormatView(
              k,
              k.words,
              k.params.stream()
                  .map(p -> new ParamView(p, p.words, p.unit, p.least, p.greatest))
                  .toList(),
              k == FormatKind.LADDER,
              k == FormatKind.PHRASE,
              k.pairs(),
              k.counted(),
              k.ownReps(),
              k.effortRaise));
    }
    return all;
  }

  Compiled preview(PlanQuestion q) {
    SessionPlan plan = q.plan();
    Timeline t = compiled(plan);
    List<Remark> checks =
        movements.planAdapter().checks(plan, t).stream()
            .map(c -> new Remark(c.rule(), Wording.check(c), c.slots(), fix(c, plan)))
            .toList();
    List<BlockView> blocks = new ArrayList<>();
    for (PlanBlock b : plan.blocks()) {
      Set<String> keys = new HashSet<>();
      b.slots().forEach(s -> keys.add(s.key()));
      int seconds = 0;
      int work = 0;
      for (var g : t.segments()) {
        if (keys.contains(base(g.slotKey()))) {
          seconds += g.length();
          work += g.kind().name().equals("WORK") ? g.length() : 0;
        }
      }
      blocks.add(new BlockView(b.key(), seconds, work, b.format().words(), BlockOrder.searched(b)));
    }
    return new Compiled(
        t, PlanTotals.of(plan, t, movements.planAdapter()::find), checks, faults(plan), blocks);
  }

  private List<FaultView> faults(SessionPlan plan) {
    return PlanFault.of(plan, movements.planAdapter()::find).stream()
        .map(
            f ->
                new FaultView(
                    plan.blocks().get(f.block()).slots().get(f.slot()).key(), f.field(), f.words()))
        .toList();
  }

  private static String base(String key) {
    int at = key.indexOf('@');
    return at < 0 ? key : key.substring(0, at);
  }

  private @Nullable PlanMend fix(PlanCheck c, SessionPlan plan) {
    PlanFix f =
        PlanFix.of(c, plan, movements.planAdapter()::planned, movements.planAdapter()::find);
    return f == null ? null : new PlanMend(Wording.fix(f), f.plan());
  }

  /** The best order of a block by exact search; nothing is stored. */
  OrderView order(OrderQuestion q) {
    SessionPlan plan = q.plan();
    int at = -1;
    for (int i = 0; i < plan.blocks().size(); i++) {
      at = plan.blocks().get(i).key().equals(q.blockKey()) ? i : at;
    }
    if (at < 0) {
      throw Problems.field("/blockKey", "This plan has no block “" + q.blockKey() + "”.");
    }
    PlanBlock block = plan.blocks().get(at);
    int index = at;
    BlockOrder.Found found =
        Problems.at(
            "/blockKey",
            () ->
                BlockOrder.best(
                    block,
                    movements.planAdapter().edge(slots(plan), index, -1),
                    movements.planAdapter().edge(slots(plan), index, 1),
                    movements.planAdapter()::find));
    List<Slot> slots = found.order().stream().map(block.slots()::get).toList();
    return new OrderView(
        found.better(), Wording.gained(found), found.order(), plan.with(block.with(slots)));
  }

  private static List<List<Slot>> slots(SessionPlan plan) {
    return plan.blocks().stream().map(PlanBlock::slots).toList();
  }

  /** Compiles, and refuses what is longer than a session may be. */
  Timeline compiled(SessionPlan plan) {
    Timeline t = movements.planAdapter().planned(plan);
    if (t.total() > SessionPlan.LONGEST) {
      throw Problems.field(
          "/plan/blocks",
          "A session lasts 3 h at most, this one "
              + t.total() / 3600
              + " h "
              + t.total() % 3600 / 60
              + " min. Take out rounds or slots.");
    }
    return t;
  }
}
