package riposo.server.tolerance.internal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import riposo.core.kit.Band;
import riposo.core.kit.Room;
import riposo.core.limit.Side;
import riposo.core.movement.Kit;
import riposo.core.plan.Format;
import riposo.core.plan.FormatKind;
import riposo.core.plan.Param;
import riposo.core.plan.SessionPlan;
import riposo.core.plan.Slot;
import riposo.core.run.Entry;
import riposo.core.run.RunEvent;
import riposo.core.run.RunSheet;
import riposo.core.tolerance.Aftermath;
import riposo.core.tolerance.Change;
import riposo.core.tolerance.NextDay;
import riposo.core.tolerance.Verdict;
import riposo.core.tolerance.VerdictStatus;
import riposo.core.typed.Days;
import riposo.server.PathDesk;
import riposo.server.platform.Problems;

/** What weight next, over weeks: a step too big, a gap, a correction, a decision seen again. */
@SpringBootTest
class NextLoadTest extends PathDesk {
  @Autowired DecisionService decisions;
  @Autowired VerdictStore store;

  private ToleranceViews.ToleranceView view() {
    return in(() -> decisions.show(client, null));
  }

  private VerdictViews.VerdictView verdict(String family) {
    VerdictViews.VerdictView v =
        view().families().stream()
            .filter(f -> f.familyId().equals(family))
            .findFirst()
            .orElseThrow()
            .verdict();
    assertThat(v).as(family).isNotNull();
    return v;
  }

  private void decide(String family, Verdict verdict, Change.Kind way, String reason) {
    VerdictViews.VerdictView v = verdict(family);
    in(
        () ->
            decisions.decide(
                v.id(), v.version(), new DecisionService.VerdictDecision(verdict, way, reason)));
  }

  private UUID settled(int day, int effort, int pain, int over) {
    day(day);
    UUID run = session(effort, pain, over);
    day(day + 1);
    morning(run, 0, NextDay.Compared.SAME);
    return run;
  }

  /** Until the pull is two over at a weight that was found: 2 kg, and 3 kg is too big. */
  private void toTheStep() {
    screened();
    settled(0, 5, 0, 2);
    acceptAll();
    settled(3, 5, 0, 2);
    acceptAll();
    settled(6, 5, 0, 2);
  }

  /** Until squat and push are two over twice running: nothing is decided yet. */
  private void twice() {
    screened();
    settled(0, 5, 0, 2);
    settled(3, 5, 0, 2);
  }

  /** A room at home with 2 kg, 3 kg and this. */
  private void kit(List<Room.StandIn> standIns, List<Band> bands) {
    in(
        () -> {
          Room home =
              new Room(
                  List.of(new Room.Chair("chair", 45, false, false, true, false, 2)),
                  List.of(
                      new Room.Dumbbell(new java.math.BigDecimal("2"), Room.MassUnit.KG, 2),
                      new Room.Dumbbell(new java.math.BigDecimal("3"), Room.MassUnit.KG, 2)),
                  standIns,
                  bands,
                  List.of(20),
                  true,
                  90,
                  Set.of(Kit.MAT),
                  List.of());
          clients.setRoom(client, clients.addRoom("Home", client, home));
          return true;
        });
  }

  @Test
  void aBottleInTheKitSolvesAStepTooBig() {
    toTheStep();
    VerdictViews.VerdictView big = verdict("pull");
    assertThat(big.verdict()).isEqualTo(Verdict.STEP_UP);
    assertThat(big.sentence())
        .contains("3 kg is a step too big (+50 %)", "reps at 2 kg", "lowering slowly, 4 s");
    assertThat(big.between())
        .isEqualTo("A weight between would do: a bottle filled to weigh up to 2.1 kg.");
    assertThat(big.ways()).extracting(VerdictViews.ChangeOffer::kind).contains(Change.Kind.HOLD);
    assertThat(slot("s2").proposed().sentence()).isEqualTo(big.sentence());
    kit(List.of(new Room.StandIn(Room.StandIn.Kind.BOTTLE, 2100, 2)), List.of());
    VerdictViews.VerdictView now = verdict("pull");
    assertThat(now.sentence()).contains("Proposes 2.1 kg");
    assertThat(now.between()).isNull();
    decide("pull", Verdict.STEP_UP, null, null);
    assertThat(standing("pull").grams()).isEqualTo(2100);
    assertThat(slot("s2").parts().get(0).dose().grams()).isEqualTo(2100);
    assertThat(slot("s2").parts().get(0).doseText()).contains("2.1 l water bottle");
  }

  @Test
  void anotherOfTheWaysOfferedIsTakenWithoutAReasonAndAClosedOneIsRefused() {
    toTheStep();
    assertThatThrownBy(() -> decide("pull", Verdict.STEP_UP, Change.Kind.TWO_IN_ONE, null))
        .isInstanceOf(Problems.class)
        .hasMessageContaining("closes this change");
    decide("pull", Verdict.STEP_UP, Change.Kind.HOLD, null);
    assertThat(standing("pull").tempo()).endsWith("-2");
    VerdictViews.VerdictView v = verdict("pull");
    assertThat(v.status()).isEqualTo("ACCEPTED");
    assertThat(v.taken()).isEqualTo("hold 2 s at the hardest point");
    day(9);
    session(5, 0, 0);
    assertThat(view().families())
        .filteredOn(f -> f.familyId().equals("pull"))
        .singleElement()
        .satisfies(
            f ->
                assertThat(f.marks().get(f.marks().size() - 1).label())
                    .as("a change that is no weight is written on the line too")
                    .isEqualTo("2 kg, held"));
  }

  /** Two sets of ten hinged rows, with 2 kg, 3 kg and a long band. */
  private void rowsInSets() {
    Map<Param, Integer> two =
        Map.of(Param.SETS, 2, Param.REPS, 10, Param.REST, 60, Param.BETWEEN, 60);
    plan =
        in(
            () ->
                plans.add(
                    "Rows",
                    SessionPlan.of(
                        List.of(),
                        List.of(new Slot("s1", "hinged-row", null)),
                        new Format(FormatKind.SETS, two, List.of(), List.of()),
                        List.of())));
    kit(
        List.of(),
        List.of(
            new Band(
                "green",
                190,
                List.of(new Band.Measured(50, 1000), new Band.Measured(100, 1800)),
                false,
                1)));
  }

  @Test
  void aSetMoreAndThenABandAreTakenOneByOneAndStandInTheNextSession() {
    rowsInSets();
    toTheStep();
    assertThat(kinds("pull")).contains(Change.Kind.MORE_SETS, Change.Kind.BAND_BESIDE);
    decide("pull", Verdict.STEP_UP, Change.Kind.MORE_SETS, null);
    assertThat(verdict("pull").taken()).isEqualTo("one set more, 3 in all");
    assertThat(slot("s1").parts().get(0).doseText()).startsWith("3 × 10 reps, 2 kg in each hand");
    settled(9, 5, 0, 2);
    assertThat(verdict("pull").verdict()).as("done once with a set more").isEqualTo(Verdict.STAY);
    assertThat(verdict("pull").sentence()).contains("it counts from the second on");
    assertThat(label("pull")).as("on the line too").isEqualTo("2 kg, one set more");
    settled(12, 5, 0, 2);
    assertThat(kinds("pull"))
        .contains(Change.Kind.BAND_BESIDE)
        .doesNotContain(Change.Kind.MORE_SETS);
    decide("pull", Verdict.STEP_UP, Change.Kind.BAND_BESIDE, null);
    assertThat(slot("s1").parts().get(0).doseText())
        .startsWith("3 × 10 reps, 2 kg in each hand and the band “green”");
    assertThat(slot("s1").band()).contains("“green” as well", "2.2 kg with the weight");
    UUID run = settled(15, 5, 2, 0);
    assertThat(in(() -> runs.sheet(run)).people().get(0).slots().get(0).parts().get(0).dose())
        .satisfies(d -> assertThat(d.rounds()).isEqualTo(3))
        .satisfies(d -> assertThat(d.beside()).isEqualTo("green"));
    assertThat(label("pull")).isEqualTo("2 kg, a band as well");
    assertThat(verdict("pull").verdict()).isEqualTo(Verdict.EASE);
    acceptAll();
    assertThat(standing("pull"))
        .as("with less weight both go")
        .satisfies(s -> assertThat(s.more()).isNull())
        .satisfies(s -> assertThat(s.pull()).isNull());
  }

  /** What the line of a family says at its newest session. */
  private @Nullable String label(String family) {
    return view().families().stream()
        .filter(f -> f.familyId().equals(family))
        .map(f -> f.marks().get(f.marks().size() - 1).label())
        .findFirst()
        .orElseThrow();
  }

  private List<Change.Kind> kinds(String family) {
    return verdict(family).ways().stream().map(VerdictViews.ChangeOffer::kind).toList();
  }

  @Test
  void whatTheRecordRulesOutSinceIsNotAcceptedAnyMore() {
    twice();
    String before = verdict("push").changeKind();
    assertThat(before).isEqualTo("RUNG_UP");
    in(
        () -> {
          clients.setNoProgression(client, true);
          return true;
        });
    assertThat(verdict("push").changed()).isTrue();
    assertThatThrownBy(() -> decide("push", Verdict.STEP_UP, null, null))
        .isInstanceOfSatisfying(
            Problems.class, p -> assertThat(p.code()).isEqualTo("no-longer-so"));
    acceptAll();
    assertThat(verdict("push").status()).as("accepting all leaves it").isEqualTo("WAITING");
    assertThat(slot("s3").proposed().open()).isFalse();
  }

  @Test
  void threeWeeksAwayCutEachFamilyUntilTwoSessionsAreDone() {
    toTheStep();
    acceptAll();
    String movement = slot("s2").parts().get(0).movementId();
    day(6 + 15);
    assertThat(slot("s2").weight().words()).contains("1.6 kg", "20 % off for the gap");
    assertThat(slot("s2").parts().get(0).dose().grams()).as("down to the kit").isZero();
    assertThat(slot("s2").parts().get(0).movementId()).isEqualTo(movement);
    day(6 + 25);
    assertThat(slot("s2").gap())
        .startsWith("25 days since the last")
        .contains("40 % off and a rung down", "until 2 sessions");
    assertThat(slot("s2").parts().get(0).movementId()).as("a rung down").isNotEqualTo(movement);
    assertThat(slot("s3").parts().get(0).movementId())
        .as("not the rung stepped to")
        .isNotEqualTo(standing("push").movementId());
    settled(31, 4, 0, 2);
    acceptAll();
    assertThat(slot("s1").gap()).contains("until 1 more session");
    settled(34, 4, 0, 2);
    assertThat(verdict("sit-stand").sentence()).contains("the usual repetitions come back first");
    assertThat(slot("s1").gap()).isNull();
  }

  @Test
  void sixWeeksAwayAskForAScreening() {
    toTheStep();
    day(6 + 41);
    assertThat(in(() -> screening.of(client)).findings()).isEmpty();
    day(6 + 42);
    assertThat(in(() -> screening.of(client)).findings())
        .extracting(f -> f.rule())
        .containsExactly("standing.rescreen.gap");
    assertThat(slot("s2").gap()).contains("the start dose");
    screened();
    assertThat(in(() -> screening.of(client)).findings()).isEmpty();
  }

  @Test
  void aSetCorrectedAfterTheVerdictReckonsItAnewAndSaysSo() {
    twice();
    acceptAll();
    UUID run = verdict("sit-stand").runId();
    assertThat(verdict("sit-stand").decided()).isEqualTo(Verdict.STEP_UP);
    in(
        () -> {
          RunSheet sheet = runs.sheet(run);
          UUID who = sheet.people().get(0).id();
          Entry hurt = Entry.of("s1", 2, Side.BOTH).pain(4, "knee");
          runs.record(run, List.of(new RunEvent.Logged(stamp(clock.millis(), 1000), who, hurt)));
          return true;
        });
    VerdictViews.VerdictView v = verdict("sit-stand");
    assertThat(v.verdict()).isEqualTo(Verdict.EASE);
    assertThat(v.status()).isEqualTo("WAITING");
    assertThat(v.again())
        .isEqualTo("a set was told or corrected afterwards: it was step up before");
    assertThat(verdict("push").status()).as("the others stay").isEqualTo("ACCEPTED");
  }

  @Test
  void inWhichOrderTheMorningsAreAnsweredChangesNothing() {
    List<List<String>> seen = new ArrayList<>();
    for (List<Integer> order : List.of(List.of(0, 1, 2), List.of(2, 1, 0), List.of(1, 2, 0))) {
      client = in(() -> clients.add(who("Ada Path", riposo.core.tolerance.School.PAIN_FREE)));
      screened();
      List<UUID> three = new ArrayList<>();
      for (int i = 0; i < 3; i++) {
        day(i);
        three.add(session(5, 0, 2));
      }
      day(3);
      order.forEach(i -> morning(three.get(i), 0, NextDay.Compared.SAME));
      seen.add(
          in(
                  () ->
                      store.findByClientIdAndOnDateBetweenOrderByOnDateAscCreatedAtAsc(
                          client, Days.FIRST, Days.LAST))
              .stream()
              .map(v -> v.onDate + " " + v.familyId + " " + v.verdict + " " + v.status)
              .sorted()
              .toList());
      day(0);
    }
    assertThat(seen.get(1)).isEqualTo(seen.get(0)).anyMatch(s -> s.contains("STEP_UP WAITING"));
    assertThat(seen.get(2)).isEqualTo(seen.get(0));
  }

  @Test
  void aDecisionAgainstTheVerdictIsSeenAgainWithHowItWent() {
    twice();
    decide("sit-stand", Verdict.STAY, null, "a hard week at home");
    VerdictViews.OverrideView early = view().overrides().get(0);
    assertThat(early.said()).isEqualTo(Verdict.STEP_UP);
    assertThat(early.decided()).isEqualTo(Verdict.STAY);
    assertThat(early.reason()).isEqualTo("a hard week at home");
    assertThat(early.reading()).isEqualTo(Aftermath.Reading.TOO_EARLY);
    settled(9, 5, 0, 0);
    settled(12, 5, 0, 0);
    VerdictViews.OverrideView later = view().overrides().get(0);
    assertThat(later.since())
        .isEqualTo(
            "2 sessions since: pain 0 of 10, 2 of 2 mornings answered and settled. It went well.");
    assertThat(later.by()).isEqualTo("tester");
  }

  @Test
  void setsTakenBackLeaveNoVerdictToDecide() {
    toTheStep();
    UUID run = verdict("calf").runId();
    in(
        () -> {
          UUID who = runs.sheet(run).people().get(0).id();
          List<RunEvent> back = new ArrayList<>();
          runs.state(run).entries().stream()
              .map(k -> k.entry())
              .filter(e -> e.slotKey().equals("s5"))
              .map(e -> Entry.of("s5", e.round(), e.side()))
              .map(e -> e.telling(new Entry.Telling(null, null, null, null, true)))
              .forEach(
                  e ->
                      back.add(
                          new RunEvent.Logged(stamp(clock.millis(), 1000 + back.size()), who, e)));
          assertThat(back).isNotEmpty();
          runs.record(run, back);
          return true;
        });
    assertThat(
            in(
                () ->
                    store.findByClientIdAndOnDateBetweenOrderByOnDateAscCreatedAtAsc(
                        client, Days.FIRST, Days.LAST)))
        .filteredOn(v -> v.runId.equals(run) && v.familyId.equals("calf"))
        .singleElement()
        .satisfies(
            v -> {
              assertThat(v.status).isEqualTo(VerdictStatus.SUPERSEDED);
              assertThat(v.again).isEqualTo("every set of it was taken back");
            });
    in(
        () -> {
          UUID who = runs.sheet(run).people().get(0).id();
          Entry hurt = Entry.of("s5", 1, Side.BOTH).reps(10).effort(5).pain(4, "calf");
          runs.record(run, List.of(new RunEvent.Logged(stamp(clock.millis(), 2000), who, hurt)));
          return true;
        });
    assertThat(verdict("calf").verdict())
        .as("told again, it is judged again")
        .isEqualTo(Verdict.EASE);
    assertThat(verdict("calf").status()).isEqualTo("WAITING");
    assertThat(verdict("calf").again()).isNull();
  }

  @Test
  void aChangeThatWasTakenIsNotSaidAnyMoreWhenItsVerdictIsReachedAnew() {
    toTheStep();
    decide("pull", Verdict.STEP_UP, Change.Kind.HOLD, null);
    UUID run = verdict("pull").runId();
    in(
        () -> {
          UUID who = runs.sheet(run).people().get(0).id();
          Entry hurt = Entry.of("s2", 1, Side.BOTH).pain(4, "elbow");
          runs.record(run, List.of(new RunEvent.Logged(stamp(clock.millis(), 3000), who, hurt)));
          return true;
        });
    assertThat(verdict("pull").verdict()).isEqualTo(Verdict.EASE);
    assertThat(verdict("pull").taken()).isNull();
    assertThat(in(() -> store.taken(client, java.time.LocalDate.EPOCH))).isEmpty();
  }
}
