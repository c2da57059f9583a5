package riposo.core.screening;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class StartGateTest {
  private static final Finding ASK = new Finding("a", Outcome.ASK_FIRST, "Ask.", "test", null);
  private static final Finding CLEAR =
      new Finding("c", Outcome.CLEARANCE_ONLY, "Clear.", "test", null);
  private static final Finding LIMIT =
      new Finding("l", Outcome.READY_WITH_LIMITS, "Limit.", "test", null);

  @ParameterizedTest(name = "screened {0}, {1}, undecided {2}, stopped {3}: {4}")
  @CsvSource({
    "true, READY, 0, , ",
    "true, READY_WITH_LIMITS, 0, , ",
    "true, ASK_FIRST, 0, , ",
    "true, READY, 1, , UNDECIDED",
    "true, ASK_FIRST, 1, , UNDECIDED",
    "true, READY, 0, Stopped., STOPPED_TODAY",
    "true, ASK_FIRST, 2, Stopped., STOPPED_TODAY",
    "true, CLEARANCE_ONLY, 0, , CLEARANCE_ONLY",
    "true, CLEARANCE_ONLY, 3, Stopped., CLEARANCE_ONLY",
    "false, , 0, , NOT_SCREENED",
    "false, ASK_FIRST, 0, , NOT_SCREENED",
    "false, CLEARANCE_ONLY, 0, , CLEARANCE_ONLY"
  })
  void whatNoReasonPasses(
      boolean screened,
      @Nullable Outcome outcome,
      int undecided,
      @Nullable String stopped,
      StartGate.@Nullable Bar bar) {
    StartGate.Closed closed =
        StartGate.closed(screened, outcome, List.of(LIMIT, CLEAR), undecided, stopped);
    assertThat(closed == null ? null : closed.bar()).isEqualTo(bar);
    if (closed != null) {
      assertThat(closed.why()).isNotEmpty().noneMatch(String::isBlank);
      assertThat(closed.sentence()).isNotBlank();
    }
  }

  @Test
  void theReasonNamedIsThatOfTheWorstOutcome() {
    assertThat(StartGate.worst(List.of(LIMIT, ASK, CLEAR, CLEAR))).containsExactly("Clear.");
    assertThat(StartGate.worst(List.of(ASK, LIMIT))).containsExactly("Ask.");
    assertThat(StartGate.worst(List.of())).isEmpty();
  }
}
