package riposo.server.review.internal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import riposo.core.limit.Limit;
import riposo.core.limit.Side;
import riposo.core.limit.Strength;
import riposo.core.review.Course;
import riposo.core.tolerance.NextDay;
import riposo.server.PathDesk;
import riposo.server.client.ClientData;
import riposo.server.diary.Diary;
import riposo.server.platform.Problems;
import riposo.server.review.Reviews;
import riposo.server.review.internal.ReviewForms.PointKind;

/** A review: what it looks at, what is decided in it, and what is kept. */
@SpringBootTest
class ReviewServiceTest extends PathDesk {
  @Autowired ReviewService reviews;
  @Autowired Diary diary;
  @Autowired List<ClientData> kept;

  private ReviewService.ReviewView review;

  private void settled(int day, int over) {
    day(day);
    UUID run = session(5, 0, over);
    day(day + 1);
    morning(run, 0, NextDay.Compared.SAME);
    acceptAll();
  }

  private void begun() {
    screened();
    settled(0, 2);
    settled(3, 2);
    settled(6, 2);
    settled(9, 2);
    review = in(() -> reviews.open(client));
  }

  private static ReviewForms.PointForm point(PointKind kind, String words) {
    return new ReviewForms.PointForm(kind, words, null, null, null, null, null, null);
  }

  private void decide(ReviewForms.PointForm f) {
    review = in(() -> reviews.decide(review.id(), review.version(), f));
  }

  private ReviewService.Point newest() {
    return review.points().get(review.points().size() - 1);
  }

  @Test
  void factsAreCountedFromTheRecord() {
    begun();
    in(() -> diary.note(client, Diary.Kind.MEDICINE, studios.today(), null, "halved"));
    ReviewFacts f = in(() -> reviews.facts(client));
    assertThat(f.held()).isEqualTo(4);
    assertThat(f.answered()).isEqualTo(4);
    assertThat(f.worse()).isZero();
    assertThat(f.weeks().stream().mapToInt(ReviewFacts.Week::sessions).sum()).isEqualTo(4);
    assertThat(f.marks()).extracting(Diary.Mark::words).containsExactly("halved");
    assertThat(f.courses())
        .filteredOn(c -> c.familyId().equals("sit-stand"))
        .singleElement()
        .satisfies(
            c -> {
              assertThat(c.course().sessions()).isEqualTo(4);
              assertThat(c.course().way()).isEqualTo(Course.Way.UP);
              assertThat(c.before()).isNotEqualTo(c.now());
              assertThat(c.steps()).hasSize(4);
              assertThat(c.rule()).contains("tolerance.");
            });
  }

  @Test
  void whatIsDecidedTakesEffectAtOnceAndIsKeptWithItsDay() {
    begun();
    UUID other = in(() -> plans.add("Other", plans.require(plan).plan()));
    in(() -> appointments.add(client, plan, studios.today(), LocalTime.of(10, 0)));
    in(() -> appointments.add(client, plan, studios.today().plusDays(3), LocalTime.of(10, 0)));
    decide(point(PointKind.GOAL, "  walk to the harbour "));
    assertThat(in(() -> clients.require(client)).goal()).isEqualTo("walk to the harbour");
    assertThat(newest().became()).isEqualTo("the first goal");
    decide(
        new ReviewForms.PointForm(
            PointKind.LIMIT,
            "sore after overhead work",
            "joint.shoulder-elevation.loaded",
            Side.RIGHT,
            90,
            in(() -> studios.today()).plusDays(20),
            null,
            null));
    Limit set = in(() -> limits.of(client)).get(0);
    assertThat(set.strength()).as("never firmer than advised").isEqualTo(Strength.ADVISED);
    assertThat(set.source()).contains("review of").contains("tester");
    decide(new ReviewForms.PointForm(PointKind.PLAN, null, null, null, null, null, other, null));
    assertThat(newest().became())
        .as("today's session stays as it was prepared")
        .isEqualTo("1 coming session goes by it");
    decide(new ReviewForms.PointForm(PointKind.EFFORT, null, null, null, null, null, null, 5));
    assertThat(in(() -> clients.require(client)).goalEffort()).isEqualTo(5);
    decide(point(PointKind.OTHER, "ring the daughter"));
    assertThat(review.points()).hasSize(5).allSatisfy(p -> assertThat(p.by()).isEqualTo("tester"));
  }

  @Test
  void aClosedReviewKeepsWhatWasFoundAndIsChangedNoMore() {
    begun();
    review =
        in(
            () ->
                reviews.close(
                    review.id(), review.version(), new ReviewForms.CloseForm("Well done")));
    ReviewFacts then = review.facts();
    settled(12, 2);
    ReviewService.ReviewView later = in(() -> reviews.one(review.id()));
    assertThat(later.facts()).isEqualTo(then);
    assertThat(later.words()).isEqualTo("Well done");
    assertThatThrownBy(() -> decide(point(PointKind.OTHER, "too late")))
        .isInstanceOfSatisfying(
            Problems.class, p -> assertThat(p.code()).isEqualTo("review-closed"));
    ReviewService.ReviewView next = in(() -> reviews.open(client));
    assertThat(next.id()).isNotEqualTo(review.id());
    assertThat(next.facts().from()).isEqualTo(then.to());
    assertThat(in(() -> reviews.open(client)).id()).as("two taps open one").isEqualTo(next.id());
  }

  @Test
  void itIsDueSixWeeksAfterTheFirstSessionAndAfterTheLastReview() {
    assertThatThrownBy(() -> in(() -> reviews.open(client)))
        .isInstanceOfSatisfying(Problems.class, p -> assertThat(p.code()).isEqualTo("no-session"));
    screened();
    settled(0, 0);
    LocalDate first = in(() -> studios.today()).minusDays(1);
    assertThat(in(() -> reviews.of(client)).due()).isEqualTo(first.plusWeeks(6));
    day(41);
    session(5, 0, 0);
    assertThat(due()).isEmpty();
    day(42);
    assertThat(due()).containsExactly(new Reviews.Due(client, first.plusWeeks(6), false));
    review = in(() -> reviews.open(client));
    assertThat(review.asked()).as("it was due").isFalse();
    assertThat(due()).extracting(Reviews.Due::open).containsExactly(true);
    in(() -> reviews.close(review.id(), review.version(), new ReviewForms.CloseForm(null)));
    assertThat(due()).isEmpty();
    assertThat(in(() -> reviews.of(client)).due()).isEqualTo(first.plusWeeks(12));
    day(84);
    assertThat(due()).as("nobody trained for six weeks").isEmpty();
  }

  private List<Reviews.Due> due() {
    return in(() -> reviews.due(List.of(client), studios.today()));
  }

  @ParameterizedTest(name = "{0}: {1}")
  @CsvSource({
    "GOAL, /words",
    "LIMIT, /axisId",
    "PLAN, /planId",
    "EFFORT, /effort",
    "OTHER, /words"
  })
  void aPointWithoutWhatItNeedsIsRefusedAtItsFieldAndNothingIsKept(PointKind kind, String at) {
    begun();
    assertThatThrownBy(() -> decide(point(kind, kind == PointKind.LIMIT ? "x" : " ")))
        .isInstanceOfSatisfying(
            Problems.class,
            p -> assertThat(p.fields()).extracting(Problems.Field::pointer).containsExactly(at));
    assertThat(in(() -> reviews.one(review.id())).points()).isEmpty();
  }

  @Test
  void aReviewHoldsThirtyPoints() {
    begun();
    for (int i = 0; i < 30; i++) {
      decide(point(PointKind.OTHER, "point " + i));
    }
    assertThatThrownBy(() -> decide(point(PointKind.OTHER, "one more")))
        .isInstanceOfSatisfying(
            Problems.class, p -> assertThat(p.code()).isEqualTo("too-many-points"));
    assertThat(in(() -> reviews.one(review.id())).points()).hasSize(30);
  }

  @Test
  void aLimitThatCannotBeIsRefusedAndThePointIsNotKept() {
    begun();
    assertThatThrownBy(
            () ->
                decide(
                    new ReviewForms.PointForm(
                        PointKind.LIMIT, "x", "no.such.axis", Side.BOTH, 1, null, null, null)))
        .isInstanceOf(Problems.class);
    assertThat(in(() -> reviews.one(review.id())).points()).isEmpty();
    assertThat(in(() -> limits.of(client))).isEmpty();
  }

  @Test
  void aClientErasedWhileAReviewIsOpenTakesItAlong() {
    begun();
    ClientData mine =
        kept.stream().filter(k -> k.part().equals("reviews")).findFirst().orElseThrow();
    assertThat(in(() -> mine.erase(client))).containsExactly(review.id());
    assertThatThrownBy(() -> decide(point(PointKind.GOAL, "gone")))
        .isInstanceOfSatisfying(Problems.class, p -> assertThat(p.code()).isEqualTo("not-found"));
    assertThat(in(() -> clients.require(client)).goal()).as("nothing took effect").isNull();
  }
}
