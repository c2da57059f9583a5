package riposo.core.review;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import riposo.core.limit.Side;
import riposo.core.review.Course.Way;
import riposo.core.run.Entry;
import riposo.core.tolerance.FamilySession;
import riposo.core.tolerance.NextDay;
import riposo.core.tolerance.Sets;

/** When a review is due, and what it says of a family. */
class ReviewTest {
  private static final LocalDate TODAY = LocalDate.of(2026, 6, 30);

  private static @Nullable LocalDate ago(@Nullable Integer days) {
    return days == null ? null : TODAY.minusDays(days);
  }

  @ParameterizedTest(name = "first {0}, newest {1}, last review {2}: due in {3}")
  @CsvSource({
    "10, 1, , 32",
    "42, 1, , 0",
    "60, 1, , -18",
    "200, 1, 42, 0",
    "200, 1, 41, 1",
    "200, 42, 60, -18",
    "200, 43, 60, ",
    ", , , ",
    "20, 1, 300, 22"
  })
  @DisplayName("six weeks after the last review or the first session, while somebody trains")
  void due(
      @Nullable Integer first,
      @Nullable Integer newest,
      @Nullable Integer last,
      @Nullable Integer due) {
    assertThat(ReviewDue.of(ago(first), ago(newest), ago(last), TODAY))
        .isEqualTo(due == null ? null : TODAY.plusDays(due));
  }

  @ParameterizedTest(name = "last review {0} days ago: looks back {1}")
  @CsvSource({", 42", "43, 42", "42, 42", "41, 41", "0, 0"})
  @DisplayName("it looks back to the last review, six weeks at most")
  void since(@Nullable Integer last, int back) {
    assertThat(ReviewDue.since(ago(last), TODAY)).isEqualTo(TODAY.minusDays(back));
  }

  private static FamilySession done(int day, String movement, @Nullable Integer grams, int pain) {
    return Sets.on(TODAY.minusDays(50L - day))
        .set(
            movement,
            grams,
            Entry.of("s1", 1, Side.BOTH).grams(grams).reps(10).effort(5).pain(pain, null))
        .session();
  }

  private static int rung(String movement) {
    return List.of("gone", "row", "hinged-row", "one-arm-row").indexOf(movement);
  }

  @ParameterizedTest(name = "{0} {1} g to {2} {3} g: {4}")
  @CsvSource({
    "row, 2000, row, 3000, UP",
    "row, 3000, row, 2000, DOWN",
    "row, 2000, row, 2000, SAME",
    "row, 5000, hinged-row, 1000, UP",
    "hinged-row, 1000, row, 5000, DOWN",
    "row, , row, , SAME",
    "row, 0, row, 1000, UP",
    "gone, 1000, row, 5000, SAME",
    "row, 1000, gone, 5000, SAME"
  })
  @DisplayName("rung first, then weight; of a movement that left nothing is said")
  void way(String from, @Nullable Integer before, String to, @Nullable Integer now, Way wanted) {
    Course c =
        Course.of(List.of(done(0, from, before, 0), done(4, to, now, 0)), ReviewTest::rung, 0);
    assertThat(c.way()).isEqualTo(wanted);
  }

  @Test
  @DisplayName("what it cost is counted, and what was not told is not 0")
  void cost() {
    List<FamilySession> all = new ArrayList<>();
    all.add(done(0, "row", 2000, 1));
    all.add(done(4, "row", 2000, 3));
    all.add(
        Sets.on(TODAY)
            .set(Side.BOTH, 2000, 10, 5, null)
            .next(new NextDay(0, NextDay.Compared.SAME, false, Set.of(NextDay.Sign.NUMBNESS)))
            .session());
    all.add(Sets.on(TODAY).set(Side.BOTH, 2000, 10, 5, null).morning(2).session());
    all.add(Sets.on(TODAY).set(Side.BOTH, 2000, 10, 5, null).next(null).session());
    assertThat(Course.of(all, ReviewTest::rung, 1)).isEqualTo(new Course(5, Way.SAME, 3, 1, 4, 2));
    assertThat(Course.of(all.subList(4, 5), ReviewTest::rung, 1).worstPain()).isNull();
  }
}
