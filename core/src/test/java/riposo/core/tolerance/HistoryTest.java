package riposo.core.tolerance;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import riposo.core.dose.Dose;
import riposo.core.limit.Side;
import riposo.core.run.DoneRun;
import riposo.core.run.DoneSet;
import riposo.core.run.Entry;
import riposo.core.run.StopSign;
import riposo.core.today.TodayCheck;

class HistoryTest {
  private static final UUID WHO = UUID.randomUUID();
  private static final NextDay SORE = new NextDay(3, NextDay.Compared.WORSE, false, Set.of());

  private static DoneSet set(String family, Integer pain) {
    return new DoneSet(
        WHO,
        "asked",
        new DoneSet.Form(family + "-1", Set.of(), 100, Side.BOTH),
        family,
        new Dose(1, 10, null, null, 0, null, false),
        Entry.of(family, 1, Side.BOTH).pain(pain, null));
  }

  private static DoneRun run(TodayCheck.Dose dose, Set<StopSign.After> stopped, DoneSet... sets) {
    return new DoneRun(
        UUID.randomUUID(), LocalDate.of(2026, 11, 1), 0, dose, null, stopped, List.of(sets));
  }

  private static History of(DoneRun run, int usual) {
    return History.of(List.of(run), Map.of(run.id(), SORE), Map.of(), usual, (r, f) -> null);
  }

  /** Who answers for a sore morning: the family that hurt; both or none: everyone. */
  @ParameterizedTest
  @CsvSource({
    "4, 0, 0, true, false", "0, 4, 0, false, true", "4, 4, 0, true, true",
    "0, 0, 0, true, true", "2, 1, 2, true, true", "3, 2, 2, true, false"
  })
  void theMorningIsLaidAtTheDoorOfWhatHurt(
      int push, int pull, int usual, boolean pushAnswers, boolean pullAnswers) {
    DoneRun run = run(TodayCheck.Dose.AS_PLANNED, Set.of(), set("push", push), set("pull", pull));
    History h = of(run, usual);
    assertThat(h.of("push").get(0).morningRise().isPresent()).isEqualTo(pushAnswers);
    assertThat(h.of("pull").get(0).morningRise().isPresent()).isEqualTo(pullAnswers);
  }

  @Test
  void painThatWasNotToldIsNotNoPain() {
    DoneRun run = run(TodayCheck.Dose.AS_PLANNED, Set.of(), set("push", 4), set("pull", null));
    assertThat(of(run, 0).of("pull").get(0).pain()).isEmpty();
  }

  @ParameterizedTest
  @CsvSource({
    "AS_PLANNED, , false, false",
    "EASED, , true, false",
    "SHORT, , true, false",
    ", , false, false",
    "AS_PLANNED, GLUCOSE, true, false",
    "AS_PLANNED, ASK_FIRST, true, true",
    "AS_PLANNED, EMERGENCY, true, true"
  })
  void whatCutARunAndWhatWasASign(
      TodayCheck.Dose dose, StopSign.After stop, boolean cut, boolean sign) {
    FamilySession s =
        of(run(dose, stop == null ? Set.of() : Set.of(stop), set("push", 0)), 0).of("push").get(0);
    assertThat(s.cut()).isEqualTo(cut);
    assertThat(s.stoppedBySign()).isEqualTo(sign);
  }

  @Test
  void aFamilyIsReadUpToARunAndNoFurther() {
    DoneRun one = run(TodayCheck.Dose.AS_PLANNED, Set.of(), set("push", 0));
    DoneRun two = run(TodayCheck.Dose.AS_PLANNED, Set.of(), set("push", 0), set("pull", 0));
    History h = History.of(List.of(one, two), Map.of(), Map.of(), 0, (r, f) -> Verdict.STAY);
    assertThat(h.upTo("push", one.id())).extracting(FamilySession::runId).containsExactly(one.id());
    assertThat(h.upTo("push", two.id())).hasSize(2);
    assertThat(h.upTo("pull", one.id())).as("that run had none of it").isEmpty();
    assertThat(h.session("pull", two.id())).isPresent();
    assertThat(h.of("push").get(0).verdict()).isEqualTo(Verdict.STAY);
  }
}
