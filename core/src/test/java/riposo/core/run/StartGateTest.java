package riposo.core.run;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import riposo.core.limit.Axis;
import riposo.core.limit.Broken;
import riposo.core.limit.Side;
import riposo.core.limit.Strength;
import riposo.core.screening.Finding;
import riposo.core.screening.Outcome;
import riposo.core.today.TodayCheck;

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
        StartGate.closed(
            new StartGate.Who(screened, outcome, List.of(LIMIT, CLEAR), undecided, stopped));
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

  private static final String PROBLEM = "The session asks for 40 min.";
  private static final String OFTEN = "This week asks for 3 sessions.";

  private static StartGate.Who who(Outcome outcome) {
    return new StartGate.Who(true, outcome, List.of(LIMIT, ASK), 0, null);
  }

  private static TodayCheck.Result check(TodayCheck.Dose dose) {
    return new TodayCheck.Result(
        Outcome.READY, List.of(), List.of(), dose, List.of("tired"), null, false, false);
  }

  private static StartGate.Session session(
      int seconds, @Nullable Strength session, @Nullable Strength week) {
    Broken b =
        new Broken(
            Axis.SESSION_WEEK.id,
            Side.BOTH,
            3,
            2,
            UUID.randomUUID(),
            week == null ? Strength.ADVISED : week,
            "ours",
            null,
            false,
            null);
    return new StartGate.Session(
        seconds,
        session == null ? List.of() : List.of(PROBLEM),
        session,
        week == null ? List.of() : List.of(new StartGate.Week(b, OFTEN)));
  }

  /** Each row: what is asked for, the bar that shuts it, and what a reason must pass. */
  @ParameterizedTest(
      name = "{0}, group {1}, check {2}, picked {3}, {4} s, {5}/{6}, reason {7}: {8}")
  @CsvSource(
      nullValues = "-",
      value = {
        "READY, false, AS_PLANNED, -, 600, -, -, false, -, ''",
        "READY, true, AS_PLANNED, -, 600, -, -, false, -, ''",
        "READY, false, EASED, -, 600, -, -, false, -, ''",
        "READY, false, EASED, SHORT, 600, -, -, false, -, ''",
        "READY, false, EASED, AS_PLANNED, 600, -, -, false, REASON_WANTED, picked",
        "READY, false, EASED, AS_PLANNED, 600, -, -, true, -, picked",
        "READY, false, SHORT, EASED, 600, -, -, false, REASON_WANTED, picked",
        "READY, false, NOT_TODAY, -, 600, -, -, true, NOT_TODAY, ''",
        "READY, false, NOT_TODAY, AS_PLANNED, 600, -, -, true, NOT_TODAY, ''",
        "READY, false, AS_PLANNED, NOT_TODAY, 600, -, -, true, NOT_TODAY, ''",
        "ASK_FIRST, false, AS_PLANNED, -, 600, -, -, false, REASON_WANTED, Ask.",
        "ASK_FIRST, false, AS_PLANNED, -, 600, -, -, true, -, Ask.",
        "ASK_FIRST, true, AS_PLANNED, -, 600, -, -, true, ASK_FIRST, ''",
        "CLEARANCE_ONLY, false, AS_PLANNED, -, 600, -, -, true, CLEARANCE_ONLY, ''",
        "CLEARANCE_ONLY, true, AS_PLANNED, -, 600, -, -, true, CLEARANCE_ONLY, ''",
        "READY, false, AS_PLANNED, -, 0, -, -, true, NO_CLOCK, ''",
        "READY, false, AS_PLANNED, -, 600, FIRM, -, true, FIRM_SESSION, ''",
        "READY, false, AS_PLANNED, -, 600, ADVISED, -, false, REASON_WANTED, 40 min",
        "READY, false, AS_PLANNED, -, 600, ADVISED, -, true, -, 40 min",
        "READY, false, AS_PLANNED, -, 600, -, FIRM, true, FIRM_WEEK, ''",
        "READY, false, AS_PLANNED, -, 600, -, ADVISED, false, REASON_WANTED, 3 sessions",
        "READY, true, AS_PLANNED, -, 600, -, ADVISED, true, -, 3 sessions"
      })
  void whoMayStartAndWhyNot(
      Outcome outcome,
      boolean group,
      TodayCheck.Dose checked,
      TodayCheck.@Nullable Dose picked,
      int seconds,
      @Nullable Strength session,
      @Nullable Strength week,
      boolean reason,
      StartGate.@Nullable Bar bar,
      String passes) {
    StartGate.Answer a =
        StartGate.start(
            who(outcome),
            group,
            check(checked),
            session(seconds, session, week),
            new StartGate.Wish(picked, reason));
    if (a instanceof StartGate.Shut s) {
      assertThat(s.closed().bar()).isEqualTo(bar);
      assertThat(s.closed().why()).isNotEmpty().anyMatch(w -> w.contains(passes));
    } else {
      StartGate.Open open = (StartGate.Open) a;
      assertThat(bar).isNull();
      assertThat(open.dose()).isEqualTo(picked == null ? checked : picked);
      assertThat(String.join(" ", open.passed())).contains(passes);
      assertThat(open.passed().isEmpty()).isEqualTo(passes.isEmpty());
    }
  }

  /** A reason passes nothing more than the same start without one names. */
  @Test
  void nothingIsPassedThatWasNotNamed() {
    for (Outcome o : List.of(Outcome.READY, Outcome.ASK_FIRST)) {
      for (TodayCheck.Dose picked : TodayCheck.Dose.values()) {
        for (Strength s : new Strength[] {null, Strength.ADVISED, Strength.FIRM}) {
          StartGate.Session session = session(600, s, Strength.ADVISED);
          TodayCheck.Result check = check(TodayCheck.Dose.EASED);
          StartGate.Answer without =
              StartGate.start(who(o), false, check, session, new StartGate.Wish(picked, false));
          StartGate.Answer with =
              StartGate.start(who(o), false, check, session, new StartGate.Wish(picked, true));
          if (with instanceof StartGate.Open open) {
            assertThat(((StartGate.Shut) without).closed().why()).isEqualTo(open.passed());
          } else {
            assertThat(without).isEqualTo(with);
          }
        }
      }
    }
  }

  @ParameterizedTest
  @CsvSource({"0, false", "719, false", "720, true", "5000, true"})
  void anOpenRunIsLeftOpenAfterTwelveHoursWithoutAWord(int minutes, boolean left) {
    Instant heard = Instant.parse("2026-11-26T08:00:00Z");
    assertThat(StartGate.leftOpen(heard, heard.plus(Duration.ofMinutes(minutes)))).isEqualTo(left);
  }

  @Test
  void theCodesOfTheApiStay() {
    assertThat(StartGate.Bar.values())
        .extracting(b -> b.code)
        .containsExactly(
            "not-screened",
            "clearance-only",
            "stopped-today",
            "undecided",
            "ask-first",
            "run-open",
            "not-today",
            "no-clock",
            "firm-limit",
            "firm-limit",
            "reason-wanted");
  }
}
