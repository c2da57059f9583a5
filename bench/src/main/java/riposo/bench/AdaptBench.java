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
import riposo.core.adapt.AdaptedPlan;
import riposo.core.adapt.Adapter;
import riposo.core.adapt.Kitbag;
import riposo.core.adapt.PlanAdapter;
import riposo.core.dose.Weight;
import riposo.core.limit.Caps;
import riposo.core.limit.Limit;
import riposo.core.limit.Side;
import riposo.core.limit.Strength;
import riposo.core.movement.Catalogue;
import riposo.core.movement.Family;
import riposo.core.movement.Kit;
import riposo.core.movement.Movement;
import riposo.core.plan.Format;
import riposo.core.plan.Mobility;
import riposo.core.plan.SessionPlan;
import riposo.core.plan.Slot;

/**
 * Adapting a plan of twelve slots (one warm-up, ten work, one cool-down) for one client. Memory per
 * adaptation: {@code ./riposo bench AdaptBench -prof gc}, gc.alloc.rate.norm.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 4, time = 2)
@Fork(1)
public class AdaptBench {
  /** Movements in the catalogue: the shipped ones cut or repeated under new ids. */
  @Param({"71", "142", "284", "568"})
  int size;

  private PlanAdapter adapter;
  private SessionPlan plan;
  private Caps caps;
  private Kitbag kit;

  @Setup
  public void prepare() {
    adapter = new PlanAdapter(new Adapter(sized(CatalogueReader.shipped(), size)));
    List<Slot> work = new ArrayList<>();
    for (String id :
        List.of(
            "squat",
            "hinged-row",
            "floor-push-up",
            "overhead-press",
            "seated-twist",
            "one-leg-stand",
            "supine-bridge",
            "forearm-plank",
            "reverse-lunge-arms-up",
            "chair-dip")) {
      work.add(new Slot("s" + work.size(), id, null));
    }
    plan =
        SessionPlan.of(
            List.of(new Slot("w", "march", 300)),
            work,
            Format.intervals(40, 20, 2),
            List.of(new Slot("c", "seated-breathing", 180)));
    caps =
        Caps.on(
            LocalDate.of(2026, 11, 24),
            List.of(
                limit("joint.shoulder-elevation.loaded", Side.RIGHT, 80),
                limit("spine.rotation.loaded", Side.BOTH, 0),
                limit("spine.flexion.loaded", Side.BOTH, 0),
                limit("balance.unsupported", Side.BOTH, 1),
                limit("transfer.floor", Side.BOTH, 0),
                limit("impact", Side.BOTH, 1),
                limit("act.dip", Side.BOTH, 0)));
    kit = new Kitbag(EnumSet.allOf(Kit.class), List.of(new Weight(1000, 2), new Weight(2000, 2)));
  }

  private static Limit limit(String axis, Side side, int cap) {
    return new Limit(
        UUID.nameUUIDFromBytes(axis.getBytes()),
        axis,
        side,
        cap,
        Strength.ADVISED,
        "bench",
        LocalDate.of(2026, 1, 1),
        null,
        null);
  }

  /**
   * Families kept whole where the plan needs them; copies get new ids until the size is reached.
   */
  private static Catalogue sized(Catalogue shipped, int size) {
    List<String> needed =
        List.of(
            "squat",
            "hinged-row",
            "floor-push-up",
            "overhead-press",
            "seated-twist",
            "one-leg-stand",
            "supine-bridge",
            "forearm-plank",
            "reverse-lunge-arms-up",
            "chair-dip",
            "march",
            "seated-breathing");
    List<Family> families = new ArrayList<>();
    int surplus = Math.max(0, shipped.movements().size() - size);
    int count = 0;
    for (Family f : shipped.families()) {
      List<Movement> kept = new ArrayList<>();
      for (Movement m : f.rungs()) {
        if (surplus > 0
            && !needed.contains(m.id())
            && f.rungs().size() - kept.size() > 1
            && m.rung() % 2 == 0) {
          surplus--;
        } else {
          kept.add(m);
        }
      }
      families.add(new Family(f.id(), f.name(), f.purpose(), kept));
      count += kept.size();
    }
    for (int copy = 1; count < size; copy++) {
      for (Family f : shipped.families()) {
        List<Movement> more = new ArrayList<>();
        for (Movement m : f.rungs()) {
          if (count < size) {
            more.add(
                new Movement(
                    m.id() + "-" + copy,
                    m.name(),
                    f.id() + "-" + copy,
                    m.purpose(),
                    m.rung(),
                    m.difficulty(),
                    m.sides(),
                    m.tempo(),
                    m.loadKind(),
                    m.share(),
                    m.primary(),
                    m.secondary(),
                    m.kit(),
                    m.demands(),
                    m.leastRange(),
                    m.ranged(),
                    m.modifiers(),
                    m.cues(),
                    m.faults(),
                    m.lever(),
                    m.figure(),
                    null,
                    List.of(),
                    null,
                    m.words()));
            count++;
          }
        }
        if (!more.isEmpty()) {
          families.add(new Family(f.id() + "-" + copy, f.name(), f.purpose(), more));
        }
      }
    }
    return new Catalogue(families);
  }

  @Benchmark
  public AdaptedPlan adaptTwelveSlots() {
    return adapter.adapt(plan, caps, kit, Map.of(), Map.of(), Mobility.USUAL);
  }
}
