package riposo.core.tolerance;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import riposo.core.dose.Dose;
import riposo.core.limit.Side;
import riposo.core.run.DoneSet;
import riposo.core.run.Entry;

/** Every decision of one's own: to what it leads, or why it is refused. */
class OverridingTest {
  private static final Tolerance USUAL = new Tolerance(School.PAIN_FREE, 0, 6, false, false);
  private static final Tolerance FLAGGED = new Tolerance(School.PAIN_FREE, 0, 6, true, false);
  private static final Tolerance ASKING = new Tolerance(School.PAIN_FREE, 0, 6, false, true);

  private static FamilySession at(Integer grams) {
    DoneSet set =
        new DoneSet(
            UUID.randomUUID(),
            "asked",
            new DoneSet.Form("here", Set.of(), 100, Side.BOTH),
            "family",
            new Dose(1, 10, null, grams, 2, null, false),
            Entry.of("s1", 1, Side.BOTH));
    return new FamilySession(
        UUID.randomUUID(),
        LocalDate.of(2026, 11, 1),
        List.of(set),
        null,
        false,
        false,
        null,
        false,
        null,
        null);
  }

  private static Steps steps(
      String next, boolean blocked, String previous, Integer up, Integer down, boolean slow) {
    return new Steps(next, blocked, previous, up, 500, down, slow);
  }

  static Stream<Arguments> cases() {
    Steps all = steps("next", false, "before", 2000, 1000, false);
    Steps none = steps(null, false, null, null, null, false);
    return Stream.of(
        row(Verdict.STAY, false, 1500, all, USUAL, new Change.None("here", 1500)),
        row(Verdict.STOP_AND_REFER, false, 1500, all, USUAL, new Change.Stop("here", 1500)),
        row(Verdict.STOP_AND_REFER, true, null, all, USUAL, new Change.Stop("here", null)),
        row(Verdict.EASE, false, 1500, all, USUAL, new Change.LoadDown("here", 1000, 1500)),
        row(Verdict.EASE, false, 1500, none, USUAL, new Change.LoadDown("here", 0, 1500)),
        row(Verdict.EASE, false, 0, all, USUAL, new Change.RungDown("before")),
        row(Verdict.EASE, false, null, none, USUAL, new Change.RungDown("here")),
        row(Verdict.STEP_UP, false, 1500, all, USUAL, new Change.LoadUp("here", 2000, 1500, null)),
        row(Verdict.STEP_UP, false, null, all, USUAL, new Change.RungUp("next", null)),
        row(Verdict.STEP_UP, false, null, none, USUAL, new Change.Slower("here", null, null)),
        row(Verdict.STEP_UP, false, 1500, all, FLAGGED, Overriding.Bar.NO_PROGRESSION),
        row(Verdict.STEP_UP, false, 1500, all, ASKING, Overriding.Bar.ASK_OPEN),
        row(
            Verdict.STEP_UP,
            false,
            null,
            steps(null, true, null, null, null, false),
            USUAL,
            Overriding.Bar.LIMIT_IN_THE_WAY),
        row(
            Verdict.STEP_UP,
            false,
            null,
            steps(null, false, null, null, null, true),
            USUAL,
            Overriding.Bar.NO_STEP_LEFT),
        Arguments.of(
            Verdict.STEP_UP, false, 1500, all, USUAL, Change.Kind.HOLD, Overriding.Bar.NOT_OPEN),
        Arguments.of(
            Verdict.STEP_UP,
            false,
            1500,
            all,
            USUAL,
            Change.Kind.SLOWER,
            new Change.Slower("here", 1500, new Change.Step(2000, 25))),
        Arguments.of(
            Verdict.STEP_UP,
            false,
            1500,
            all,
            USUAL,
            Change.Kind.RUNG_UP,
            new Change.RungUp("next", 1500)),
        Arguments.of(
            Verdict.STAY,
            false,
            1500,
            all,
            USUAL,
            Change.Kind.SLOWER,
            new Change.Slower("here", 1500, null)),
        Arguments.of(
            Verdict.STAY,
            false,
            1500,
            all,
            FLAGGED,
            Change.Kind.SLOWER,
            Overriding.Bar.NO_PROGRESSION),
        row(Verdict.STAY, true, null, all, USUAL, Overriding.Bar.STOP_STAYS),
        row(Verdict.EASE, true, null, all, USUAL, Overriding.Bar.STOP_STAYS),
        row(Verdict.STEP_UP, true, null, all, USUAL, Overriding.Bar.STOP_STAYS));
  }

  private static Arguments row(
      Verdict wanted, boolean stops, Integer grams, Steps steps, Tolerance t, Object expected) {
    return Arguments.of(wanted, stops, grams, steps, t, null, expected);
  }

  @ParameterizedTest(name = "{0}, stopped {1}, {2} g, {3}, {5}")
  @MethodSource("cases")
  void everyDecisionLeadsWhereItShould(
      Verdict wanted,
      boolean stops,
      Integer grams,
      Steps steps,
      Tolerance t,
      Change.Kind way,
      Object expected) {
    Overriding o = Overriding.of(wanted, stops, at(grams), steps, t, way);
    assertThat(o)
        .isEqualTo(
            expected instanceof Change c
                ? new Overriding.To(c)
                : new Overriding.Refused((Overriding.Bar) expected));
  }

  @Test
  void everyBarIsMetAbove() {
    Set<Overriding.Bar> met = EnumSet.noneOf(Overriding.Bar.class);
    cases()
        .flatMap(a -> Arrays.stream(a.get()))
        .filter(Overriding.Bar.class::isInstance)
        .forEach(b -> met.add((Overriding.Bar) b));
    assertThat(met).containsExactlyInAnyOrder(Overriding.Bar.values());
  }

  @Test
  void theCodesOfTheApiStay() {
    assertThat(Overriding.Bar.values())
        .extracting(b -> b.code)
        .containsExactly(
            "stop-stays",
            "no-progression",
            "ask-open",
            "limit-in-the-way",
            "no-step-left",
            "way-closed");
  }
}
