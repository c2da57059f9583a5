package riposo.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import riposo.core.wording.DoseWords;

class AskedTest {
  @ParameterizedTest(name = "{0}: {4}")
  @CsvSource(
      delimiter = '|',
      nullValues = "-",
      textBlock =
          """
          IN_TURN         | ''                                         | - | -          | 60 s
          INTERVALS       | WORK=40 REST=20 ROUNDS=2                   | - | BY_ROUND   | 2 × 40 s, rest 20 s, one side a round
          LADDER          | 50/40/30                                   | - | -          | 50, 40, 30 s
          SETS            | SETS=2 REPS=10 REST=30 BETWEEN=30          | - | -          | 2 sets of 10 reps
          SETS            | SETS=1 REPS=10 REST=30 BETWEEN=30          | 1 | ONE_ONLY   | 1 set of 1 rep, left only
          BY_COUNT        | ROUNDS=3 REST=20                           | 8 | -          | 3 rounds of 8 reps
          HOLDS           | HOLD=20 REST=10 REPEATS=3 DROP_LAST_REST=1 | - | -          | 3 holds of 20 s
          ROUNDS_POSSIBLE | CAP=300 REPS=5                             | - | -          | 5 reps a round
          THROUGH_DAY     | REPS=10 TIMES=2                            | - | -          | 10 reps at a time
          """)
  void whatAPlanAsksOfASlotHasAWordToEveryNumber(
      FormatKind kind, String format, Integer reps, Sides sides, String words) {
    SessionPlan plan =
        new SessionPlan(
            List.of(
                PlanBlock.of(
                    "b",
                    kind == FormatKind.IN_TURN ? Block.WARM_UP : Block.WORK,
                    TimelineTest.format(kind, format),
                    List.of(slot(kind == FormatKind.IN_TURN ? 60 : null, reps, sides)))),
            null);
    assertThat(DoseWords.asked(plan.asked().get(0))).isEqualTo(words);
  }

  @ParameterizedTest(name = "{0}: {2}, then {3}")
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
          INTERVALS | WORK=40 REST=20 ROUNDS=3          | 2 × 40 s, rest 20 s | 1 × 40 s, rest 20 s
          LADDER    | 50/40/30                          | 50, 30 s            | 40 s
          SETS      | SETS=3 REPS=10 REST=30 BETWEEN=30 | 2 sets of 10 reps   | 1 set of 6 reps
          """)
  void aRoundThatDiffersIsCountedForItself(
      FormatKind kind, String format, String first, String second) {
    RoundChange other =
        new RoundChange(2, "n", kind == FormatKind.SETS ? (Integer) 6 : null, null, null);
    Slot slot = new Slot("s", "m", null).changing(List.of(other));
    PlanBlock block =
        PlanBlock.of("b", Block.WORK, TimelineTest.format(kind, format), List.of(slot));
    assertThat(new SessionPlan(List.of(block), null).asked())
        .extracting(DoseWords::asked)
        .containsExactly(first, second);
  }

  @Test
  void aSlotOfShortBurstsTakesHalfTheRoundsOfItsPair() {
    PlanBlock block =
        PlanBlock.of(
            "b",
            Block.WORK,
            TimelineTest.format(FormatKind.BURSTS, "WORK=20 REST=10 ROUNDS=8"),
            List.of(new Slot("s", "m", null), new Slot("t", "n", null)));
    assertThat(new SessionPlan(List.of(block), null).asked())
        .extracting(DoseWords::asked)
        .containsOnly("4 × 20 s, rest 10 s");
  }

  private static Slot slot(Integer seconds, Integer reps, Sides sides) {
    Slot s = new Slot("s", "m", seconds).with(p -> p.reps = reps);
    return sides == null ? s : s.sides(sides);
  }
}
