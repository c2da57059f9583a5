package riposo.core.tolerance;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** The life of a verdict: what was decided stays, a stop ends by a word only. */
class RejudgingTest {
  private static Judgement judged(Verdict verdict, Rule rule) {
    return new Judgement(
        verdict,
        rule,
        new Grounds.Plain(),
        List.of(UUID.randomUUID()),
        new Change.None("squat", null));
  }

  private static String words(Rejudging r) {
    if (r instanceof Rejudging.Stays s) {
      return s.renewed() ? "stays, renewed" : "stays";
    }
    Rejudging.Becomes b = (Rejudging.Becomes) r;
    return b.status() + (b.reopened() ? ", reopened" : "");
  }

  @ParameterizedTest(name = "{0}, overtaken {1}: {2}")
  @CsvSource({
    "STEP_UP, false, WAITING",
    "STEP_UP, true, SUPERSEDED",
    "EASE, false, WAITING",
    "EASE, true, SUPERSEDED",
    "STAY, false, SETTLED",
    "STAY, true, SETTLED",
    "STOP_AND_REFER, false, WAITING",
    // a stop is never laid aside, however late it is heard of
    "STOP_AND_REFER, true, WAITING",
  })
  void theFirstTime(Verdict verdict, boolean overtaken, String expected) {
    assertThat(words(Rejudging.of(null, judged(verdict, Rule.STAY), overtaken)))
        .isEqualTo(expected);
  }

  @ParameterizedTest(name = "{0} {1} {2} by {3}, now {4} by {5}: {6}")
  @CsvSource({
    // waits: the new sum counts
    "WAITING, STEP_UP, , STEP_UP, EASE, EASE_MORNING, WAITING",
    "WAITING, EASE, , EASE_EFFORT, STAY, STAY, SETTLED",
    "WAITING, STEP_UP, , STEP_UP, STOP_AND_REFER, STOP_PAIN, WAITING",
    "SETTLED, STAY, STAY, STAY, STEP_UP, STEP_UP, WAITING",
    "SUPERSEDED, STEP_UP, , STEP_UP, EASE, EASE_MORNING, WAITING",
    // decided, and the sum says the same: it stays, with the new numbers
    "ACCEPTED, STEP_UP, STEP_UP, STEP_UP, STEP_UP, STEP_UP, 'stays, renewed'",
    "OVERRIDDEN, STEP_UP, STAY, STEP_UP, STEP_UP, STEP_UP, 'stays, renewed'",
    "SETTLED, STAY, STAY, STAY, STAY, STAY, 'stays, renewed'",
    // decided, and the sum says otherwise: it is to be decided anew
    "ACCEPTED, STEP_UP, STEP_UP, STEP_UP, EASE, EASE_MORNING, WAITING",
    "OVERRIDDEN, STAY, STEP_UP, STAY, EASE, EASE_MORNING, WAITING",
    // a stop that was decided ends by a word, never by a new sum
    "ACCEPTED, STOP_AND_REFER, STOP_AND_REFER, STOP_PAIN, STAY, STAY, stays",
    "OVERRIDDEN, STAY, STOP_AND_REFER, STAY, EASE, EASE_MORNING, stays",
    "ACCEPTED, STOP_AND_REFER, STOP_AND_REFER, STOP_PAIN, STOP_AND_REFER, STOP_PAIN, 'stays, renewed'",
    // unless the STOP behind it was tapped in error: what it left standing goes with it
    "ACCEPTED, STOP_AND_REFER, STOP_AND_REFER, STOP_SIGN, STAY, STAY, 'SETTLED, reopened'",
    "WAITING, STOP_AND_REFER, , STOP_SIGN, EASE, EASE_EFFORT, 'WAITING, reopened'",
    // what a word has ended stays ended
    "ENDED, STOP_AND_REFER, EASE, STOP_SIGN, STAY, STAY, stays",
    "ENDED, STOP_AND_REFER, EASE, STOP_PAIN, STOP_AND_REFER, STOP_PAIN, 'stays, renewed'",
  })
  void judgedAgain(
      VerdictStatus status,
      Verdict verdict,
      Verdict decided,
      Rule rule,
      Verdict now,
      Rule by,
      String expected) {
    Rejudging.Known known = new Rejudging.Known(status, verdict, decided, rule);
    assertThat(words(Rejudging.of(known, judged(now, by), false))).isEqualTo(expected);
  }

  @ParameterizedTest
  @EnumSource(VerdictStatus.class)
  void onlyWhatWaitsIsLaidAsideAndNeverAStop(VerdictStatus status) {
    for (Verdict v : Verdict.values()) {
      assertThat(Rejudging.overtakes(status, v))
          .as("%s %s", status, v)
          .isEqualTo(status == VerdictStatus.WAITING && v != Verdict.STOP_AND_REFER);
    }
  }

  /** Whatever was there: once a stop was decided, only STOP, an ended word or an error leave it. */
  @Test
  void noSumEverEndsADecidedStop() {
    for (VerdictStatus status : VerdictStatus.values()) {
      for (Verdict verdict : Verdict.values()) {
        for (Rule rule : Rule.values()) {
          for (Rule by : Rule.values()) {
            for (Verdict now : List.of(Verdict.STAY, Verdict.EASE, Verdict.STEP_UP)) {
              if (rule == Rule.STOP_SIGN && by != Rule.STOP_SIGN) {
                continue; // withdrawn
              }
              Rejudging r =
                  Rejudging.of(
                      new Rejudging.Known(status, verdict, Verdict.STOP_AND_REFER, rule),
                      judged(now, by),
                      false);
              assertThat(r)
                  .as("%s %s by %s, now %s by %s", status, verdict, rule, now, by)
                  .isInstanceOf(Rejudging.Stays.class);
            }
          }
        }
      }
    }
  }
}
