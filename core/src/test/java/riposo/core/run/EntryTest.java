package riposo.core.run;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

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
import riposo.core.movement.Modifier;
import riposo.core.quantity.Pain;

/** What can be told of a set, and what it comes to beside what was asked. */
class EntryTest {
  private static final Entry SET = Entry.of("s1", 1, Side.BOTH);
  private static final String LONG = "x".repeat(401);

  static Stream<Arguments> cannotBe() {
    return Stream.<Arguments>of(
        Arguments.of("effort must lie between 0 and 10, was 11", (Runnable) () -> SET.effort(11)),
        Arguments.of("pain must lie between 0 and 10, was -1", run(() -> SET.pain(-1, null))),
        Arguments.of("where it hurts takes at most 60", run(() -> SET.pain(1, LONG))),
        Arguments.of("reps must lie between 0 and 500, was 501", run(() -> SET.reps(501))),
        Arguments.of("grams must lie between 0 and 100000", run(() -> SET.grams(100_001))),
        Arguments.of("round must lie", run(() -> Entry.of("s1", 1000, Side.BOTH))),
        Arguments.of("names its slot and side", run(() -> Entry.of("s1", 1, null))),
        Arguments.of(
            "in them",
            run(() -> new Entry.Work(8, null, null, List.of(new Entry.Part(8, null, null))))),
        Arguments.of(
            "at most 20 parts",
            run(
                () ->
                    new Entry.Work(
                        null,
                        null,
                        null,
                        java.util.Collections.nCopies(21, new Entry.Part(1, null, null))))),
        Arguments.of(
            "touch-downs must lie between 0 and 99",
            run(() -> new Entry.Form(null, null, null, 100, null))),
        Arguments.of(
            "the fault takes at most 200", run(() -> new Entry.Form(null, LONG, null, null, null))),
        Arguments.of(
            "why it ended early takes at most 200",
            run(() -> new Entry.Telling(LONG, null, null, null, false))),
        Arguments.of(
            "a note takes at most 400",
            run(() -> new Entry.Telling(null, LONG, null, null, false))));
  }

  private static Runnable run(Runnable r) {
    return r;
  }

  @ParameterizedTest(name = "{0}")
  @MethodSource("cannotBe")
  void whatCannotBeRightIsRefusedBySentence(String sentence, Runnable make) {
    assertThatIllegalArgumentException().isThrownBy(make::run).withMessageContaining(sentence);
  }

  @Test
  void anEntryDoesNotCorrectItself() {
    Stamp s = new Stamp(UUID.randomUUID(), "a", 1, 0);
    Entry e = SET.telling(new Entry.Telling(null, null, s.id(), null, false));
    assertThatIllegalArgumentException()
        .isThrownBy(() -> new RunEvent.Logged(s, UUID.randomUUID(), e));
  }

  private static RunSheet.Slot slot(Side... sides) {
    List<RunSheet.Part> parts =
        Stream.of(sides)
            .map(
                s ->
                    new RunSheet.Part(
                        new RunSheet.Form(
                            s,
                            s == Side.RIGHT ? null : "row",
                            s == Side.RIGHT ? null : "pull",
                            s == Side.RIGHT ? null : "Row",
                            40,
                            List.of(Modifier.NO_WEIGHT),
                            100),
                        new Dose(2, 10, null, 2000, 2, null, false),
                        null,
                        null,
                        null,
                        List.of()))
            .toList();
    return new RunSheet.Slot(
        "s1",
        riposo.core.plan.Block.WORK,
        "asked",
        parts,
        false,
        Set.of(),
        List.of(),
        List.of(),
        List.of(),
        null,
        null,
        null);
  }

  private static DoneSet done(Entry e) {
    return DoneSet.of(UUID.randomUUID(), slot(Side.BOTH), e).orElseThrow();
  }

  @Test
  void missingIsNotZeroAndTheWeightAskedStandsWhereNoneIsTold() {
    DoneSet silent = done(SET);
    assertThat(silent.pain()).isNull();
    assertThat(silent.effort()).isNull();
    assertThat(silent.reps()).isNull();
    assertThat(silent.grams()).isEqualTo(2000);
    DoneSet zero = done(SET.pain(0, null).effort(0).reps(0).grams(0));
    assertThat(List.of(zero.pain(), zero.effort(), zero.reps(), zero.grams()))
        .isEqualTo(List.of(0, 0, 0, 0));
  }

  @Test
  void theGreatestPainOfASetCountsWhereverItWasTold() {
    Entry.Hurt hurt = new Entry.Hurt(new Pain(1), new Pain(4), null, new Pain(6), null, null);
    assertThat(done(SET.hurt(hurt)).pain()).isEqualTo(6);
  }

  @Test
  void ofASetInPartsTheFirstWeightCounts() {
    Entry.Part eight = new Entry.Part(8, null, new Entry.Hands(3000, 1000));
    Entry.Part four = new Entry.Part(4, null, Entry.Hands.same(1000));
    DoneSet d = done(SET.work(new Entry.Work(null, null, null, List.of(eight, four))));
    assertThat(List.of(d.reps(), d.grams())).isEqualTo(List.of(8, 3000));
  }

  @Test
  void supportThatWasUsedMakesItAnotherForm() {
    Entry used = SET.form(new Entry.Form(null, null, Set.of(Modifier.HOLD_ON), null, 2));
    assertThat(done(SET).form().support()).containsExactly(Modifier.NO_WEIGHT);
    assertThat(done(used).form()).isNotEqualTo(done(SET).form());
  }

  @Test
  void aSideThatRestsIsNoSet() {
    RunSheet.Slot split = slot(Side.LEFT, Side.RIGHT);
    UUID who = UUID.randomUUID();
    assertThat(DoneSet.of(who, split, Entry.of("s1", 1, Side.LEFT))).isPresent();
    assertThat(DoneSet.of(who, split, Entry.of("s1", 1, Side.RIGHT))).isEmpty();
  }
}
