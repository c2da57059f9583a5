package riposo.bench;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import riposo.catalogue.CatalogueReader;
import riposo.core.adapt.Adapter;
import riposo.core.adapt.PlanAdapter;
import riposo.core.group.LaneSheet;
import riposo.core.group.Lanes;
import riposo.core.group.Participant;
import riposo.core.limit.Caps;
import riposo.core.limit.Limit;
import riposo.core.limit.Side;
import riposo.core.limit.Strength;
import riposo.core.movement.Kit;
import riposo.core.plan.Block;
import riposo.core.plan.BlockOrder;
import riposo.core.plan.Format;
import riposo.core.plan.Mobility;
import riposo.core.plan.PlanBlock;
import riposo.core.plan.SessionPlan;
import riposo.core.plan.Slot;

/**
 * Lanes for 30 people and 14 slots over the whole catalogue, each person with one to five limits of
 * their own; and the order of a block of 12 slots in 3 rounds.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 3)
@Measurement(iterations = 4, time = 3)
@Fork(1)
public class GroupBench {
  private static final LocalDate DAY = LocalDate.of(2026, 11, 25);
  private static final List<String> ASKED =
      List.of(
          "march",
          "squat",
          "hinged-row",
          "floor-push-up",
          "overhead-press",
          "seated-twist",
          "one-leg-stand",
          "supine-bridge",
          "forearm-plank",
          "reverse-lunge",
          "curl",
          "chair-dip",
          "one-leg-heel-raise",
          "cat-cow");
  private static final List<Object[]> LIMITS =
      List.of(
          new Object[] {"surface.standing", Side.BOTH, 0},
          new Object[] {"transfer.floor", Side.BOTH, 0},
          new Object[] {"balance.unsupported", Side.BOTH, 1},
          new Object[] {"joint.shoulder-elevation.loaded", Side.RIGHT, 80},
          new Object[] {"joint.shoulder-elevation.loaded", Side.LEFT, 90},
          new Object[] {"joint.knee-flexion.loaded", Side.BOTH, 60},
          new Object[] {"pressure", Side.BOTH, 1},
          new Object[] {"effort", Side.BOTH, 4},
          new Object[] {"grip", Side.LEFT, 0},
          new Object[] {"spine.flexion.loaded", Side.BOTH, 0},
          new Object[] {"spine.rotation.any", Side.BOTH, 1},
          new Object[] {"impact", Side.BOTH, 0},
          new Object[] {"kneel.bare", Side.BOTH, 0});

  @Param({"3", "4"})
  int lanes;

  private Lanes search;
  private PlanAdapter plans;
  private SessionPlan plan;
  private List<Participant> people;
  private PlanBlock block;

  @Setup
  public void prepare() {
    Adapter adapter = new Adapter(CatalogueReader.shipped());
    search = new Lanes(adapter);
    plans = new PlanAdapter(adapter);
    List<Slot> slots = new ArrayList<>();
    ASKED.stream()
        .filter(a -> adapter.catalogue().find(a).isPresent())
        .forEach(a -> slots.add(new Slot("s" + slots.size(), a, null)));
    while (slots.size() < 14) {
      slots.add(new Slot("s" + slots.size(), "side-raise", null));
    }
    plan = SessionPlan.of(List.of(), slots, Format.intervals(40, 20, 1), List.of());
    block =
        PlanBlock.of(
            "b", Block.WORK, Format.intervals(40, 20, 3), slots.subList(0, BlockOrder.MOST));
    people = new ArrayList<>();
    java.util.Random r = new java.util.Random(20261125);
    for (int i = 0; i < 30; i++) {
      List<Limit> limits = new ArrayList<>();
      for (int n = 1 + r.nextInt(5); n > 0; n--) {
        Object[] l = LIMITS.get(r.nextInt(LIMITS.size()));
        limits.add(
            new Limit(
                new UUID(i, n),
                (String) l[0],
                (Side) l[1],
                (Integer) l[2],
                Strength.ADVISED,
                "bench",
                DAY,
                null,
                null));
      }
      people.add(
          new Participant(
              new UUID(9, i),
              Caps.on(DAY, limits),
              EnumSet.allOf(Kit.class),
              Map.of(),
              Map.of(),
              Mobility.USUAL));
    }
  }

  @Benchmark
  public LaneSheet thirtyPeopleFourteenSlots() {
    return search.plan(plan, people, lanes);
  }

  @Benchmark
  public BlockOrder.Found orderOfTwelve() {
    return BlockOrder.best(block, null, null, plans::find);
  }
}
