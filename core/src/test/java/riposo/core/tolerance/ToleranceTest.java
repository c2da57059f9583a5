package riposo.core.tolerance;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.params.provider.Arguments.arguments;

import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import riposo.core.dose.Dose;
import riposo.core.limit.Side;
import riposo.core.movement.Modifier;
import riposo.core.run.DoneSet;
import riposo.core.run.Entry;

class ToleranceTest {
  private static final UUID WHO = UUID.randomUUID();
  private static final Tolerance PAIN_FREE = new Tolerance(School.PAIN_FREE, 0, 6, false, false);
  private static final Tolerance MONITORED = new Tolerance(School.MONITORED, 0, 6, false, false);
  private static final Steps OPEN = new Steps("next", false, "previous", 2000, 500, 500, false);
  private static final NextDay FINE = new NextDay(0, NextDay.Compared.SAME, false, Set.of());

  private static FamilySession session(
      Integer effort, Integer pain, Integer reps, NextDay next, Verdict decided) {
    return new Made().effort(effort).pain(pain).reps(reps).next(next).decided(decided).session();
  }

  /** A session of the family, whole and unhurt unless said otherwise. */
  private static final class Made {
    private LocalDate date = LocalDate.of(2026, 11, 1);
    private Integer effort = 5;
    private Integer pain = 0;
    private Integer reps = 12;
    private Integer grams = 1900;
    private String movement = "here";
    private Set<Modifier> support = Set.of();
    private int range = 100;
    private Side side = Side.BOTH;
    private NextDay next = FINE;
    private Verdict decided;
    private boolean sign;
    private boolean finding;
    private boolean cut;
    private Integer cap;

    Made date(int day) {
      date = LocalDate.of(2026, 11, day);
      return this;
    }

    Made effort(Integer x) {
      effort = x;
      return this;
    }

    Made pain(Integer x) {
      pain = x;
      return this;
    }

    Made reps(Integer x) {
      reps = x;
      return this;
    }

    Made grams(Integer x) {
      grams = x;
      return this;
    }

    Made movement(String x) {
      movement = x;
      return this;
    }

    Made support(Modifier... x) {
      support = Set.of(x);
      return this;
    }

    Made range(int x) {
      range = x;
      return this;
    }

    Made side(Side x) {
      side = x;
      return this;
    }

    Made next(NextDay x) {
      next = x;
      return this;
    }

    Made decided(Verdict x) {
      decided = x;
      return this;
    }

    Made sign() {
      sign = true;
      cut = true;
      return this;
    }

    Made cut() {
      cut = true;
      return this;
    }

    Made finding() {
      finding = true;
      return this;
    }

    Made cap(int x) {
      cap = x;
      return this;
    }

    FamilySession session() {
      DoneSet e =
          new DoneSet(
              WHO,
              "asked",
              new DoneSet.Form(movement, support, range, side),
              "family",
              new Dose(2, 10, null, null, 2, null, false),
              Entry.of("s1", 1, side).effort(effort).pain(pain, null).reps(reps).grams(grams),
              finding,
              false);
      return new FamilySession(
          UUID.randomUUID(), date, List.of(e), 0, sign, cut, cap, false, next, decided);
    }
  }

  private static Made day(int n) {
    return new Made().date(n);
  }

  /** Each row: what is not as it must be, and what the record then says of it. */
  static Stream<Arguments> never() {
    NextDay worse = new NextDay(0, NextDay.Compared.WORSE, false, Set.of());
    Tolerance usual3 = new Tolerance(School.MONITORED, 3, 6, false, false);
    Steps lighter = new Steps("next", false, null, 1000, 500, null, false);
    return Stream.of(
        arguments("nothing is in the way", PAIN_FREE, day(1), day(8), OPEN, null),
        arguments("nine days between", PAIN_FREE, day(1), day(10), OPEN, null),
        arguments("ten days between", PAIN_FREE, day(1), day(11), OPEN, NoStep.GAP),
        arguments(
            "pain not logged first",
            PAIN_FREE,
            day(1).pain(null),
            day(8),
            OPEN,
            NoStep.PAIN_NOT_LOGGED),
        arguments(
            "pain not logged last",
            PAIN_FREE,
            day(1),
            day(8).pain(null),
            OPEN,
            NoStep.PAIN_NOT_LOGGED),
        arguments(
            "first morning not asked",
            PAIN_FREE,
            day(1).next(null),
            day(8),
            OPEN,
            NoStep.NOT_ASKED),
        arguments(
            "last morning not asked", PAIN_FREE, day(1), day(8).next(null), OPEN, NoStep.NOT_ASKED),
        arguments("morning worse", PAIN_FREE, day(1).next(worse), day(8), OPEN, NoStep.NOT_SETTLED),
        arguments(
            "a weight found before", PAIN_FREE, day(1).finding(), day(8), OPEN, NoStep.FINDING),
        arguments("a weight found now", PAIN_FREE, day(1), day(8).finding(), OPEN, NoStep.FINDING),
        arguments("eased or short before", PAIN_FREE, day(1).cut(), day(8), OPEN, NoStep.CUT),
        arguments("eased or short now", PAIN_FREE, day(1), day(8).cut(), OPEN, NoStep.CUT),
        arguments("stopped by a sign before", PAIN_FREE, day(1).sign(), day(8), OPEN, NoStep.CUT),
        arguments(
            "support differs",
            PAIN_FREE,
            day(1).support(Modifier.HOLD_SUPPORT),
            day(8),
            OPEN,
            NoStep.OTHER_FORM),
        arguments("range differs", PAIN_FREE, day(1).range(70), day(8), OPEN, NoStep.OTHER_FORM),
        arguments(
            "side differs",
            PAIN_FREE,
            day(1).side(Side.LEFT),
            day(8).side(Side.RIGHT),
            OPEN,
            NoStep.OTHER_FORM),
        arguments(
            "movement differs",
            PAIN_FREE,
            day(1).movement("other"),
            day(8),
            OPEN,
            NoStep.OTHER_FORM),
        arguments("weight differs", PAIN_FREE, day(1).grams(1000), day(8), OPEN, NoStep.OTHER_FORM),
        arguments("pain at the usual", usual3, day(1).pain(2), day(8).pain(2), OPEN, null),
        arguments(
            "pain one over the usual",
            MONITORED,
            day(1),
            day(8).pain(1),
            OPEN,
            NoStep.PAIN_OVER_USUAL),
        arguments(
            "3 at the usual, only two sessions",
            usual3,
            day(1).pain(3),
            day(8).pain(3),
            OPEN,
            NoStep.PAIN_NOT_FALLING),
        arguments(
            "a flag",
            new Tolerance(School.PAIN_FREE, 0, 6, true, false),
            day(1),
            day(8),
            OPEN,
            NoStep.FLAG),
        arguments(
            "an open ask",
            new Tolerance(School.PAIN_FREE, 0, 6, false, true),
            day(1),
            day(8),
            OPEN,
            NoStep.ASK_OPEN),
        arguments(
            "no weight to one that is not the lightest",
            PAIN_FREE,
            day(1).grams(0),
            day(8).grams(0),
            lighter,
            NoStep.NOT_LIGHTEST),
        arguments(
            "a limit in the way",
            PAIN_FREE,
            day(1),
            day(8),
            new Steps(null, true, null, null, 500, null, false),
            NoStep.NO_WAY));
  }

  @ParameterizedTest(name = "{0}")
  @MethodSource("never")
  void theRepetitionsAloneNeverStepUp(
      String what, Tolerance t, Made before, Made now, Steps steps, NoStep why) {
    Judgement j = t.judge(List.of(before.session(), now.session()), steps);
    assertThat(j.verdict()).isEqualTo(why == null ? Verdict.STEP_UP : Verdict.STAY);
    assertThat(j.noStep()).isEqualTo(why == null ? List.of() : List.of(why));
  }

  @ParameterizedTest(name = "pain {0}, {1}, {2}: {3}")
  @CsvSource({"5, 4, 3, STEP_UP", "4, 4, 3, STEP_UP", "3, 3, 3, STAY", "3, 4, 3, STAY"})
  void painOfThreeStepsUpOnlyWhileItFalls(int first, int second, int third, Verdict verdict) {
    Tolerance usual5 = new Tolerance(School.MONITORED, 5, 6, false, false);
    List<FamilySession> three =
        List.of(
            day(1).pain(first).session(),
            day(5).pain(second).session(),
            day(9).pain(third).session());
    assertThat(usual5.judge(three, OPEN).verdict()).isEqualTo(verdict);
  }

  @ParameterizedTest(name = "effort {0}, cap {1}, goal 6: {2}")
  @CsvSource({
    "6, 6, STEP_UP, STEP_UP",
    "5, 5, STEP_UP, STEP_UP",
    "4, 5, STEP_UP, STEP_UP",
    "6, 5, EASE, EASE_OVER_CAP",
    "7, 8, STAY, STAY",
    "9, 8, EASE, EASE_OVER_CAP"
  })
  void theLowerOfGoalAndCapHolds(int effort, int cap, Verdict verdict, Rule rule) {
    Judgement j =
        PAIN_FREE.judge(
            List.of(
                day(1).effort(Math.min(effort, cap)).cap(cap).session(),
                day(8).effort(effort).cap(cap).session()),
            OPEN);
    assertThat(j.verdict()).isEqualTo(verdict);
    assertThat(j.rule()).isEqualTo(rule);
  }

  @Test
  void fromNoWeightTheLightestInKitComesNext() {
    Steps lightest = new Steps("next", false, null, 500, 500, null, false);
    Change c =
        PAIN_FREE
            .judge(List.of(day(1).grams(0).session(), day(8).grams(0).session()), lightest)
            .change();
    assertThat(List.of(c.kind(), c.grams())).isEqualTo(List.of(Change.Kind.LOAD_UP, 500));
  }

  private static NextDay morning(int pain) {
    return new NextDay(pain, NextDay.Compared.SAME, false, Set.of());
  }

  @ParameterizedTest(name = "pain {0}, morning {1}: pain-free {2}, monitored {3}")
  @CsvSource({
    "0, 0, STAY, STAY",
    "1, 0, EASE_PAIN_FREE, STAY",
    "2, 0, EASE_PAIN_FREE, STAY",
    "3, 0, EASE_PAIN_FREE, STAY",
    "3, 1, EASE_PAIN_FREE, EASE_MONITORED",
    "5, 0, EASE_PAIN_FREE, STAY",
    "6, 0, EASE_PAIN_FREE, EASE_MONITORED",
    "7, 0, EASE_PAIN_FREE, EASE_MONITORED",
    "8, 0, STOP_PAIN, STOP_PAIN",
    "0, 1, STAY, STAY",
    "0, 2, EASE_MORNING, EASE_MORNING",
    "0, 8, STOP_PAIN, STOP_PAIN"
  })
  void schoolsOfPain(int pain, int next, Rule free, Rule monitored) {
    List<FamilySession> one = List.of(session(5, pain, 10, morning(next), null));
    assertThat(PAIN_FREE.judge(one, OPEN).rule()).isEqualTo(free);
    assertThat(MONITORED.judge(one, OPEN).rule()).isEqualTo(monitored);
  }

  @ParameterizedTest(name = "reps {0} and {1}, effort {2}, answered {3}: {4}")
  @CsvSource({
    "12, 12, 6, true, STEP_UP",
    "12, 11, 6, true, STAY",
    "11, 12, 6, true, STAY",
    "12, 12, 7, true, STAY",
    "12, 12, 6, false, STAY"
  })
  void twoForTwoNeedsBothSessionsAndAnsweredMornings(
      int first, int second, int effort, boolean answered, Verdict verdict) {
    List<FamilySession> two =
        List.of(
            session(effort, 0, first, FINE, Verdict.STAY),
            session(effort, 0, second, answered ? FINE : null, null));
    assertThat(PAIN_FREE.judge(two, OPEN).verdict()).isEqualTo(verdict);
    assertThat(new Tolerance(School.PAIN_FREE, 0, 6, true, false).judge(two, OPEN).verdict())
        .as("no-progression rules stepping up out")
        .isEqualTo(Verdict.STAY);
  }

  @Test
  void aMovementThatLeftTheCatalogueHasNoWayUp() {
    Judgement j = PAIN_FREE.judge(List.of(day(1).session(), day(8).session()), Steps.NONE);
    assertThat(j.verdict()).isEqualTo(Verdict.STAY);
    assertThat(j.noStep()).containsExactly(NoStep.NO_WAY);
  }

  /** Right ends a round earlier than left: its last set counts as much. */
  @ParameterizedTest
  @CsvSource({"12, 12, STEP_UP", "12, 11, STAY", "11, 12, STAY"})
  void theLastSetOfEachSideCountsThoughOneEndedEarlier(int left, int right, Verdict verdict) {
    List<FamilySession> two =
        Stream.of(1, 8)
            .map(
                n -> {
                  FamilySession s = day(n).session();
                  List<DoneSet> sets =
                      List.of(
                          round(s, 1, Side.LEFT, 12),
                          round(s, 1, Side.RIGHT, right),
                          round(s, 2, Side.LEFT, left));
                  return new FamilySession(
                      s.runId(), s.date(), sets, 0, false, false, null, false, FINE, null);
                })
            .toList();
    assertThat(PAIN_FREE.judge(two, OPEN).verdict()).isEqualTo(verdict);
  }

  private static DoneSet round(FamilySession of, int round, Side side, int reps) {
    DoneSet e = of.last();
    return new DoneSet(
        WHO,
        e.askedId(),
        new DoneSet.Form(e.movementId(), e.form().support(), e.form().range(), side),
        e.familyId(),
        e.asked(),
        Entry.of(e.slotKey(), round, side)
            .effort(e.effort())
            .pain(e.pain(), null)
            .reps(reps)
            .grams(e.grams()));
  }

  @Test
  void theOneChangeIsWeightThenRungThenSlower() {
    List<FamilySession> two = List.of(session(5, 0, 12, FINE, null), session(5, 0, 12, FINE, null));
    Change load = PAIN_FREE.judge(two, OPEN).change();
    assertThat(List.of(load.kind(), load.grams())).isEqualTo(List.of(Change.Kind.LOAD_UP, 2000));
    Change big =
        PAIN_FREE.judge(two, new Steps("next", false, null, 3000, 500, null, false)).change();
    assertThat(List.of(big.kind(), big.tempo())).isEqualTo(List.of(Change.Kind.SLOWER, "4-0-2-0"));
    assertThat(
            PAIN_FREE
                .judge(two, new Steps("next", false, null, null, 500, null, false))
                .change()
                .kind())
        .isEqualTo(Change.Kind.RUNG_UP);
    assertThat(PAIN_FREE.judge(two, new Steps(null, true, null, null, 500, null, false)).verdict())
        .as("a limit in the way")
        .isEqualTo(Verdict.STAY);
  }

  @Test
  void aStepTooBigTakesTheNextRungOnceLoweringSlowlyIsUsedUp() {
    List<FamilySession> two = List.of(session(5, 0, 12, FINE, null), session(5, 0, 12, FINE, null));
    Change change =
        PAIN_FREE.judge(two, new Steps("next", false, null, 3000, 500, null, true)).change();
    assertThat(List.of(change.kind(), change.movementId()))
        .isEqualTo(List.of(Change.Kind.RUNG_UP, "next"));
    assertThat(PAIN_FREE.judge(two, new Steps(null, false, null, 3000, 500, null, true)).verdict())
        .isEqualTo(Verdict.STAY);
    assertThat(PAIN_FREE.judge(two, new Steps(null, false, null, null, 500, null, true)).verdict())
        .isEqualTo(Verdict.STAY);
  }

  @Test
  void twoEasesWithoutReliefStopAndOneWithReliefDoesNot() {
    FamilySession eased = session(5, 3, 10, FINE, Verdict.EASE);
    assertThat(PAIN_FREE.judge(List.of(eased, session(5, 3, 10, FINE, null)), OPEN).rule())
        .isEqualTo(Rule.STOP_TWO_EASES);
    assertThat(PAIN_FREE.judge(List.of(eased, session(5, 1, 10, FINE, null)), OPEN).rule())
        .isEqualTo(Rule.EASE_PAIN_FREE);
  }

  @Test
  void otherRoadsToEaseAndStop() {
    assertThat(rule(session(8, 0, 10, FINE, null), session(8, 0, 10, FINE, null)))
        .isEqualTo(Rule.EASE_EFFORT);
    assertThat(rule(session(5, 0, 10, morning(1), null), session(5, 0, 10, morning(1), null)))
        .isEqualTo(Rule.EASE_MORNING_TWICE);
    NextDay tired = new NextDay(0, NextDay.Compared.SAME, true, Set.of());
    assertThat(rule(session(5, 0, 10, tired, null))).isEqualTo(Rule.EASE_FATIGUE);
    NextDay sign = new NextDay(0, NextDay.Compared.SAME, false, Set.of(NextDay.Sign.NUMBNESS));
    assertThat(rule(session(5, 0, 10, sign, null))).isEqualTo(Rule.STOP_NEW_SIGN);
    assertThat(rule(day(1).sign().next(null).session())).isEqualTo(Rule.STOP_SIGN);
  }

  private static Rule rule(FamilySession... sessions) {
    return PAIN_FREE.judge(List.of(sessions), OPEN).rule();
  }

  @Test
  void easeTakesOneStepDownAndNoWeightIsAProperDose() {
    List<FamilySession> sore = List.of(session(5, 2, 10, FINE, null));
    assertThat(PAIN_FREE.judge(sore, OPEN).change().grams()).isEqualTo(500);
    assertThat(
            PAIN_FREE
                .judge(sore, new Steps(null, false, null, null, 500, null, false))
                .change()
                .grams())
        .isZero();
  }
}
