package riposo.server.tolerance.internal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import riposo.core.tolerance.NextDay;
import riposo.server.PathDesk;
import riposo.server.platform.Problems;

/** What the page of tolerance is drawn from: true time, a line a family, what was not told. */
@SpringBootTest
class StripsTest extends PathDesk {
  @Autowired DecisionService decisions;

  /** Two sessions that step the squat up, two weeks away, one after that without its morning. */
  @BeforeEach
  void weeks() {
    screened();
    for (int day : new int[] {0, 3}) {
      day(day);
      var run = session(5, 0, 2);
      day(day + 1);
      morning(run, 0, NextDay.Compared.SAME);
    }
    acceptAll();
    day(18);
    session(6, 1, 0);
  }

  private ToleranceViews.ToleranceView view(Integer weeks) {
    return in(() -> decisions.show(client, weeks));
  }

  @Test
  void sessionsCarryTheirLoadAndDaysWithoutOneAreAway() {
    ToleranceViews.ToleranceView v = view(12);
    assertThat(v.from()).as("the first session").isEqualTo(v.today().minusDays(18));
    assertThat(v.list()).extracting(s -> s.answered()).containsExactly(true, true, false);
    assertThat(v.list())
        .allSatisfy(
            s -> {
              assertThat(s.minutes()).isEqualTo(s.load() / s.effort()).isPositive();
              assertThat(s.how()).isEqualTo(ToleranceViews.HeldHow.WHOLE);
            });
    assertThat(v.away())
        .containsExactly(
            new ToleranceViews.TimeAway(v.today().minusDays(14), v.today().minusDays(1), 14));
    assertThat(v.summary().answered()).isEqualTo(2);
  }

  @Test
  void whatWasBookedAndNotHeldIsCountedByDaysBeforeToday() {
    assertThat(view(12).summary().missed()).as("nothing booked").isZero();
    LocalDate today = view(12).today();
    in(
        () -> {
          // held, before the first, today, to come; then two that were not held, one of them twice
          for (int ago : new int[] {18, 15, 19, 0, -3, 8, 8, 1}) {
            appointments.add(client, plan, today.minusDays(ago), LocalTime.of(9, 0));
          }
          return true;
        });
    assertThat(view(12).summary().missed()).isEqualTo(2);
    assertThat(view(1).summary().missed()).as("in the week shown").isEqualTo(1);
  }

  @Test
  void aLineIsLabelledWhereItChangesAndTellsNothingThatWasNotTold() {
    ToleranceViews.FamilyRow squat =
        view(12).families().stream()
            .filter(f -> f.familyId().equals("sit-stand"))
            .findFirst()
            .orElseThrow();
    assertThat(squat.marks()).extracting(m -> m.at()).containsExactly(0, 1, 2);
    assertThat(squat.marks()).extracting(m -> m.label() != null).containsExactly(true, false, true);
    assertThat(squat.marks().get(2).level()).isGreaterThan(squat.marks().get(0).level());
    assertThat(squat.levels()).isEqualTo(2);
    assertThat(squat.marks()).extracting(m -> m.morning()).containsExactly(0, 0, null);
    assertThat(squat.marks()).extracting(m -> m.effort()).containsExactly(5, 5, 6);
    assertThat(squat.gap()).contains("15 days without it", "20 % off");
  }

  @Test
  void aYearShowsSessionsOlderThanWhatAVerdictRestsOn() {
    day(200);
    screened();
    session(5, 0, 0);
    assertThat(view(52).list()).hasSize(4);
    assertThat(view(52).families())
        .filteredOn(f -> f.familyId().equals("sit-stand"))
        .singleElement()
        .satisfies(
            f ->
                assertThat(f.marks())
                    .extracting(m -> m.morning())
                    .as("mornings of long ago too")
                    .startsWith(0, 0));
    assertThat(in(() -> decisions.family(client, "sit-stand", 52)).points()).hasSize(4);
    assertThat(in(() -> decisions.family(client, "sit-stand", 12)).points()).hasSize(1);
  }

  @Test
  void aSpanLeavesOutWhatIsBeforeItButNothingThatWaits() {
    ToleranceViews.ToleranceView week = view(1);
    assertThat(week.list()).hasSize(1);
    assertThat(week.sessions()).as("in all").isEqualTo(3);
    assertThat(week.families()).extracting(f -> f.marks().size()).containsOnly(1);
    assertThat(week.waiting()).isEqualTo(view(null).waiting()).isPositive();
    day(60);
    ToleranceViews.ToleranceView later = view(1);
    assertThat(later.list()).isEmpty();
    assertThat(later.waiting()).as("it waits on").isEqualTo(week.waiting());
    assertThat(later.families()).extracting(f -> f.current()).containsOnly("not done in this span");
  }

  @Test
  void oneFamilyTellsEverySessionWithWhatWasAskedAndDone() {
    FamilyViews.FamilyView f = in(() -> decisions.family(client, "sit-stand", 12));
    assertThat(f.points()).hasSize(3);
    assertThat(f.points()).extracting(p -> p.same()).containsExactly(false, false, true);
    assertThat(f.points().get(0).done()).isEqualTo(f.points().get(0).asked() + 2);
    assertThat(f.points().get(2).pain()).isEqualTo(1);
    assertThat(f.points().get(2).rise()).as("no morning, no rise").isNull();
    assertThat(f.record()).extracting(r -> r.date()).isSortedAccordingTo((a, b) -> b.compareTo(a));
    assertThat(f.trends()).extracting(t -> t.sentence()).contains("Pain during: too few to tell.");
    assertThatThrownBy(() -> in(() -> decisions.family(client, "none-such", 12)))
        .isInstanceOfSatisfying(
            Problems.class, p -> assertThat(p.getMessage()).contains("no such family"));
    List<String> other = view(12).families().stream().map(x -> x.familyId()).toList();
    assertThat(other).doesNotHaveDuplicates().contains("sit-stand", "pull", "push");
  }
}
