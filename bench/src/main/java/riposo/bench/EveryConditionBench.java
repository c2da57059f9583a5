package riposo.bench;

import java.time.LocalDate;
import java.util.EnumSet;
import java.util.HashMap;
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
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import riposo.catalogue.CatalogueReader;
import riposo.core.adapt.Adapter;
import riposo.core.adapt.OpenMap;
import riposo.core.adapt.Situation;
import riposo.core.limit.Caps;
import riposo.core.limit.Limit;
import riposo.core.movement.Kit;
import riposo.core.screening.Assessment;
import riposo.core.screening.Question;
import riposo.core.screening.Screening;

/** A client with every condition at once: from the answers to the limits, and to what is open. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 4, time = 2)
@Fork(1)
public class EveryConditionBench {
  private static final LocalDate TODAY = LocalDate.of(2026, 11, 24);
  private final Map<String, String> answers = new HashMap<>();
  private Adapter adapter;
  private List<Limit> limits;

  @Setup
  public void prepare() {
    adapter = new Adapter(CatalogueReader.shipped());
    for (Question q : Screening.questions()) {
      switch (q.kind()) {
        case YES_NO -> answers.put(q.id(), q.protective() ? "no" : "yes");
        case SIDE -> answers.put(q.id(), "both");
        case CHOICE -> answers.put(q.id(), q.options().get(0).value());
        default -> {}
      }
    }
    answers.put("pregnancy.due", TODAY.plusDays(100).toString());
    answers.put("birth.date", TODAY.minusDays(300).toString());
    limits =
        Screening.assess(answers, TODAY).proposals().stream()
            .map(
                p ->
                    new Limit(
                        UUID.randomUUID(),
                        p.axisId(),
                        p.side(),
                        p.cap(),
                        p.strength(),
                        p.source(),
                        p.from(),
                        p.until(),
                        null))
            .toList();
  }

  /** Findings, proposed limits and what to measure, from about a hundred answers. */
  @Benchmark
  public Assessment assess() {
    return Screening.assess(answers, TODAY);
  }

  /** All limits combined, and every movement of the catalogue tried with its modifiers. */
  @Benchmark
  public OpenMap open() {
    return OpenMap.of(
        adapter, new Situation(Caps.on(TODAY, limits), EnumSet.allOf(Kit.class), Map.of()));
  }
}
