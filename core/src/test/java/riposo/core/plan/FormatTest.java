package riposo.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static riposo.core.plan.TimelineTest.format;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Today's dose on every format: one set less and longer rests, or once. */
class FormatTest {
  @ParameterizedTest(name = "{0} {1}: eased {2}, once {3}")
  @CsvSource({
    "INTERVALS, WORK=40 REST=20 ROUNDS=3, WORK=40 REST=30 ROUNDS=2, WORK=40 REST=30 ROUNDS=1",
    "INTERVALS, WORK=40 REST=25 ROUNDS=1, WORK=40 REST=38 ROUNDS=1, WORK=40 REST=38 ROUNDS=1",
    "INTERVALS, WORK=40 REST=250 ROUNDS=2, WORK=40 REST=300 ROUNDS=1, WORK=40 REST=300 ROUNDS=1",
    "PAIRED, WORK=45 REST=15 ROUNDS=2, WORK=45 REST=23 ROUNDS=1, WORK=45 REST=23 ROUNDS=1",
    "BLOCKS, WORK=30 REST=20 ROUNDS=2 SIZE=5 LONG_REST=45, WORK=30 REST=30 ROUNDS=1 SIZE=5 LONG_REST=68, WORK=30 REST=30 ROUNDS=1 SIZE=5 LONG_REST=68",
    "BURSTS, WORK=20 REST=10 ROUNDS=8, WORK=20 REST=15 ROUNDS=4, WORK=20 REST=15 ROUNDS=4",
    "LADDER, 60/50/40, 50/40, 40/",
    "STRENGTH_PULSE, WORK=60 BURST=30 REST=0 ROUNDS=2, WORK=60 BURST=30 REST=0 ROUNDS=1, WORK=60 BURST=30 REST=0 ROUNDS=1",
    "SETS, SETS=3 REPS=10 REST=45 BETWEEN=30, SETS=2 REPS=10 REST=68 BETWEEN=45, SETS=1 REPS=10 REST=68 BETWEEN=45",
    "HOLDS, HOLD=10 REST=10 REPEATS=5 DROP_LAST_REST=1, HOLD=10 REST=15 REPEATS=4 DROP_LAST_REST=1, HOLD=10 REST=15 REPEATS=1 DROP_LAST_REST=1",
    "GATHER, TOTAL=30 SET_SIZE=5 REST=20, TOTAL=25 SET_SIZE=5 REST=30, TOTAL=5 SET_SIZE=5 REST=30",
    "ROUNDS_POSSIBLE, CAP=1200 REPS=10, CAP=960 REPS=10, CAP=180 REPS=10",
    "THROUGH_DAY, REPS=10 TIMES=3, REPS=10 TIMES=2, REPS=10 TIMES=1",
    "WALK_IN, ON=90 OFF=30 REPEATS=4, ON=90 OFF=45 REPEATS=3, ON=90 OFF=45 REPEATS=1",
    "BY_COUNT, ROUNDS=3 REST=60, ROUNDS=2 REST=90, ROUNDS=1 REST=90",
    "STAGED, ROUNDS=2 REST=45, ROUNDS=1 REST=68, ROUNDS=1 REST=68",
    "GROWING, WORK=60 PAIR=4 REST=30 ROUNDS=2, WORK=60 PAIR=4 REST=45 ROUNDS=1, WORK=60 PAIR=4 REST=45 ROUNDS=1",
    "PHRASE, REPEATS=8 REST=20 LRB, REPEATS=7 REST=30 LRB, REPEATS=4 REST=30 LRB",
    "IN_TURN, '', '', ''",
  })
  void todaysDose(FormatKind kind, String asked, String eased, String once) {
    assertThat(format(kind, asked).eased()).isEqualTo(format(kind, eased));
    assertThat(format(kind, asked).once()).isEqualTo(format(kind, once));
  }

  @Test
  void aFormatSaysItsNumbers() {
    assertThat(Format.intervals(40, 20, 2).words())
        .isEqualTo("intervals, in order: work 40 s, rest 20 s, rounds 2");
    assertThat(format(FormatKind.LADDER, "60/50").words()).isEqualTo("ladder: 60/50 s");
    assertThat(format(FormatKind.HOLDS, "HOLD=10 REST=5 REPEATS=3 DROP_LAST_REST=1").words())
        .isEqualTo("timed holds: hold 10 s, rest 5 s, repeats 3, no rest after the last");
    assertThat(format(FormatKind.PHRASE, "REPEATS=8 REST=0 LRB").words())
        .endsWith("left, right, both");
    assertThat(Format.refusal(Param.ROUNDS, 21))
        .isEqualTo("rounds must lie between 1 and 20, was 21");
    assertThat(Format.refusal(Param.ROUNDS, 20)).isNull();
  }

  @ParameterizedTest(name = "work {0} rest {1} under {2} %: {3}")
  @CsvSource({
    "20, 10, 100, 15",
    "45, 30, 100, 37",
    "40, 60, 100, 40",
    "60, 0, 100, 30",
    "30, 30, 50, 20",
    "41, 0, 100, 20"
  })
  void workWithinACapRoundsDown(int work, int rest, int cap, int within) {
    assertThat(Format.workWithin(work, rest, cap)).isEqualTo(within);
    assertThat(Format.workWithin(work, rest, Integer.MAX_VALUE)).isEqualTo(work);
  }
}
