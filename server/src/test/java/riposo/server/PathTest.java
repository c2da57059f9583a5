package riposo.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.time.LocalTime;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.boot.test.context.SpringBootTest;
import riposo.core.adapt.AdaptedPlan;
import riposo.core.adapt.Standing;
import riposo.core.limit.Limit;
import riposo.core.limit.Side;
import riposo.core.limit.Strength;
import riposo.core.run.Doing;
import riposo.core.run.Entry;
import riposo.core.run.RunEvent;
import riposo.core.run.RunSheet;
import riposo.core.run.RunState;
import riposo.core.run.Stamp;
import riposo.core.screening.Outcome;
import riposo.core.screening.Pressure;
import riposo.core.screening.Question;
import riposo.core.screening.Screening;
import riposo.core.tolerance.NextDay;
import riposo.server.limit.Limits;
import riposo.server.platform.Problems;
import riposo.server.platform.StudioContext;

/** The modules together over weeks: what one session teaches the next. */
@SpringBootTest
class PathTest extends PathDesk {
  @Test
  void twoGoodSessionsStepUpAndTheNextPlanStartsThere() {
    screened();
    UUID first = session(5, 0, 2);
    day(1);
    morning(first, 0, NextDay.Compared.SAME);
    acceptAll();
    day(3);
    UUID second = session(5, 0, 2);
    day(4);
    assertThat(standing("sit-stand").verdict()).as("not before the check-in").isEqualTo("STAY");
    morning(second, 0, NextDay.Compared.BETTER);
    acceptAll();
    assertThat(standing("sit-stand").verdict()).isEqualTo("STEP_UP");
    assertThat(standing("sit-stand").movementId()).isEqualTo("door-handle-squat");
    assertThat(slot("s1").parts().get(0).movementId()).isEqualTo("door-handle-squat");
    assertThat(standing("pull").verdict())
        .as("the first two sets found the weight: no step yet")
        .isEqualTo("STAY");
    day(6);
    UUID third = session(5, 0, 2);
    day(7);
    morning(third, 0, NextDay.Compared.SAME);
    acceptAll();
    assertThat(standing("pull").tempo())
        .as("2 kg to 3 kg is a step too big: lower slowly")
        .isEqualTo("4-0-2-0");
    assertThat(slot("s2").reasons().get(0)).contains("step up", "tempo 4-0-2-0");
    assertThat(slot("s2").parts().get(0).dose().reps()).as("fewer in the same time").isEqualTo(6);
  }

  @Test
  void painEasesAndTwiceWithoutReliefStops() {
    screened();
    UUID run = session(5, 3, 0);
    day(1);
    morning(run, 0, NextDay.Compared.SAME);
    acceptAll();
    assertThat(standing("sit-stand").verdict()).isEqualTo("EASE");
    assertThat(slot("s1").parts().get(0).movementId()).isNotEqualTo("counter-squat");
    day(3);
    session(5, 3, 0);
    Standing stop = standing("sit-stand");
    assertThat(stop.verdict()).as("holds before anyone decides").isEqualTo("STOP_AND_REFER");
    assertThat(stop.stopped()).isTrue();
    assertThat(slot("s1").reasons().get(0)).contains("closed until reviewed");
  }

  @Test
  void aNewSignAtTheCheckInReplacesAnAcceptedVerdict() {
    screened();
    UUID run = session(5, 0, 0);
    acceptAll();
    assertThat(standing("push").verdict()).isEqualTo("STAY");
    day(1);
    morning(run, 0, NextDay.Compared.SAME, NextDay.Sign.NUMBNESS);
    assertThat(standing("push").stopped()).isTrue();
    assertThat(in(() -> verdicts.waiting()))
        .anyMatch(w -> w.clientId().equals(client) && w.count() == 5 && w.stops() == 5);
  }

  @Test
  void worseTheDayAfterExertionNeverStepsUp() {
    screened("energy.any", "yes", "fatigue.after", "yes");
    assertThat(in(() -> clients.require(client)).noProgression()).isTrue();
    for (int i = 0; i < 3; i++) {
      day(8 * i);
      UUID run = in(() -> runs.start(client, plan, GOOD, "a trial, agreed with the physio"));
      RunSheet.Person who = in(() -> runs.sheet(run)).people().get(0);
      assertThat(who.effortCap()).isEqualTo(3);
      assertThat(who.share()).isEqualTo(new AdaptedPlan.WorkShare(30, 60));
      over(run);
    }
    assertThat(standing("sit-stand")).isNull();
    assertThatThrownBy(() -> in(() -> runs.start(client, plan, GOOD, null)))
        .isInstanceOf(Problems.class)
        .hasMessageContaining("reason");
  }

  @Test
  void moreSessionsThanTheLimitAllowsWantAReason() {
    screened();
    in(
        () ->
            limits.add(
                client,
                new Limits.NewLimit(
                    "session.week",
                    Side.BOTH,
                    2,
                    Strength.ADVISED,
                    "ours",
                    null,
                    studios.today(),
                    null,
                    null)));
    over(in(() -> runs.start(client, plan, GOOD, null)));
    over(in(() -> runs.start(client, plan, GOOD, null)));
    assertThatThrownBy(() -> in(() -> runs.start(client, plan, GOOD, null)))
        .hasMessageContaining("reason");
    in(
        () ->
            limits.add(
                client,
                new Limits.NewLimit(
                    "session.week",
                    Side.BOTH,
                    2,
                    Strength.FIRM,
                    "doctor",
                    null,
                    studios.today(),
                    null,
                    null)));
    assertThatThrownBy(() -> in(() -> runs.start(client, plan, GOOD, "anyway")))
        .hasMessageContaining("firm");
    day(7);
    assertThat(in(() -> runs.start(client, plan, GOOD, null))).isNotNull();
  }

  @Test
  void aPregnancyClosesFlatPositionsTheDayWeek16Begins() {
    LocalDate due = in(studios::today).plusDays(280 - 15 * 7 - 6);
    screened("birth.any", "yes", "pregnancy.now", "yes", "pregnancy.due", due.toString());
    Limit supine =
        in(() -> limits.of(client)).stream()
            .filter(l -> l.axisId().equals("position.supine"))
            .findFirst()
            .orElseThrow();
    assertThat(supine.activeOn(in(studios::today))).isFalse();
    assertThat(supine.activeOn(in(studios::today).plusDays(1))).isTrue();
    assertThat(in(() -> screening.of(client)).gestation()).isEqualTo("15+6");
    assertThatThrownBy(() -> in(() -> runs.start(client, plan, GOOD, null)))
        .hasMessageContaining("blood pressure");
    assertThatThrownBy(() -> in(() -> runs.start(client, plan, with(new Pressure(140, 80)), null)))
        .hasMessageContaining("maternity");
    assertThat(in(() -> runs.start(client, plan, with(new Pressure(118, 74)), null))).isNotNull();
    day(1);
    assertThat(in(() -> screening.of(client)).gestation()).isEqualTo("16+0");
  }

  @Test
  void aClearanceOnlyFindingIsNotUndoneByALaterNo() {
    screened("heart.ever", "yes", "aneurysm", "yes");
    day(30);
    screened();
    assertThat(in(() -> screening.of(client)).outcome()).isEqualTo(Outcome.CLEARANCE_ONLY);
    assertThatThrownBy(() -> in(() -> runs.start(client, plan, GOOD, "a new screening says no")))
        .hasMessageContaining("clearance");
  }

  @Test
  void undecidedProposalsHoldTheStart() {
    Map<String, String> answers = new HashMap<>();
    Screening.questions().stream()
        .filter(q -> q.kind() == Question.Kind.YES_NO)
        .forEach(q -> answers.put(q.id(), "no"));
    answers.put("joint.any", "yes");
    answers.put("knee.pain", "yes");
    answers.put("knee.side", "left");
    in(() -> screening.take(client, answers, "Ada Path"));
    assertThat(in(() -> limits.of(client))).as("nothing is applied silently").isEmpty();
    assertThatThrownBy(() -> in(() -> runs.start(client, plan, GOOD, null)))
        .hasMessageContaining("not decided");
  }

  @Test
  void eventsFromTwoDevicesAgreeWhateverComesFirst() {
    screened();
    UUID run = in(() -> runs.start(client, plan, GOOD, null));
    long t = clock.millis();
    RunEvent start = new RunEvent.Start(stamp(t, 0));
    Entry set = Entry.of("s1", 1, Side.BOTH);
    RunEvent tablet = new RunEvent.Logged(stamp(t + 10, 1), client, set.effort(4).reps(9));
    RunEvent phone =
        new RunEvent.Logged(
            new Stamp(UUID.randomUUID(), "phone", t + 20, 1),
            client,
            set.effort(5).pain(1, "knee"));
    for (List<RunEvent> sent :
        List.of(List.of(phone), List.of(tablet, start), List.of(start, phone, tablet))) {
      in(
          () -> {
            runs.record(run, sent);
            return true;
          });
    }
    RunState s = in(() -> runs.state(run));
    assertThat(s.status()).isEqualTo(RunState.Status.RUNNING);
    assertThat(s.entries())
        .containsExactly(
            new RunState.Known(client, set.effort(5).pain(1, "knee").reps(9), Doing.AS_ASKED));
  }

  @Test
  void anEventIdOfAnotherRunIsRefused() {
    screened();
    UUID one = over(in(() -> runs.start(client, plan, GOOD, null)));
    UUID two = in(() -> runs.start(client, plan, GOOD, null));
    RunEvent e = new RunEvent.Start(stamp(clock.millis(), 0));
    in(
        () -> {
          runs.record(one, List.of(e));
          return true;
        });
    assertThatThrownBy(
            () ->
                in(
                    () -> {
                      runs.record(two, List.of(e));
                      return true;
                    }))
        .hasMessageContaining("another run");
    assertThat(in(() -> runs.state(two)).status()).isEqualTo(RunState.Status.READY);
  }

  @Test
  void anotherStudioFindsNothingThroughTheModulesEither() {
    screened();
    UUID other = studios.create("Other", "UTC", "112");
    StudioContext.within(
        other,
        "stranger",
        () -> {
          assertThat(clients.all()).isEmpty();
          assertThat(plans.all()).isEmpty();
          assertThatThrownBy(() -> clients.require(client)).isInstanceOf(Problems.class);
          assertThatThrownBy(() -> plans.require(plan)).isInstanceOf(Problems.class);
          assertThatThrownBy(() -> appointments.add(client, plan, studios.today(), LocalTime.NOON))
              .isInstanceOf(Problems.class);
          assertThat(limits.of(client)).isEmpty();
          assertThat(standings.standings(client)).isEmpty();
          assertThat(verdicts.waiting()).isEmpty();
          return true;
        });
    assertThatThrownBy(() -> clients.all())
        .as("a thread without a studio sees nothing")
        .isInstanceOf(Problems.class);
  }

  @Test
  void aScreeningThatSaysTheSameAgainSetsNoLimitTwice() {
    String[] shoulder = {
      "joint.any", "yes", "shoulder.pain", "yes", "shoulder.side", "right", "shoulder.kind", "stiff"
    };
    screened(shoulder);
    int once = in(() -> limits.of(client)).size();
    assertThat(once).isPositive();
    day(30);
    screened(shoulder);
    assertThat(in(() -> limits.of(client))).hasSize(once);
    assertThat(in(() -> screening.of(client)).undecided()).as("all of it is decided").isZero();
    screened(
        "joint.any",
        "yes",
        "shoulder.pain",
        "yes",
        "shoulder.side",
        "left",
        "shoulder.kind",
        "stiff");
    assertThat(in(() -> limits.of(client)))
        .as("the other side is another limit")
        .hasSizeGreaterThan(once);
  }
}
