package riposo.core.trend;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What was different before a day, at its borders. */
class BeforeTest {
  private static final LocalDate DAY = LocalDate.of(2026, 6, 30);

  private static Before.Done done(int ago, @Nullable Integer effort, String... movements) {
    return new Before.Done(
        DAY.minusDays(ago), effort, effort == null ? null : effort * 30, List.of(movements));
  }

  private static Before of(Before.Done... sessions) {
    return Before.of(DAY, List.of(sessions), List.of(), List.of());
  }

  @ParameterizedTest(name = "{0} days ago is near: {1}, before: {2}")
  @CsvSource({"0,1,0", "13,1,0", "14,0,1", "55,0,1", "56,0,0", "-1,0,0"})
  @DisplayName("14 days up to the day are held against the 42 before those")
  void spans(int ago, int near, int before) {
    Before.Against a = of(done(ago, 6)).effort();
    assertThat(a.nearN()).isEqualTo(near);
    assertThat(a.beforeN()).isEqualTo(before);
  }

  @Test
  @DisplayName("medians, and what was not told is no number")
  void medians() {
    Before.Against a =
        of(done(1, 8), done(3, 6), done(5, null), done(20, 5), done(25, 4), done(30, 3)).effort();
    assertThat(a).isEqualTo(new Before.Against(7.0, 2, 4.0, 3));
    assertThat(a.differs()).isTrue();
    assertThat(of(done(1, null)).effort()).isEqualTo(new Before.Against(null, 0, null, 0));
    assertThat(of(done(1, 5)).effort().differs()).isFalse();
  }

  @Test
  @DisplayName(
      "a movement is new within 14 days of its very first time, never in the first session")
  void firsts() {
    Before b =
        of(
            done(30, 5, "row"),
            done(14, 5, "row", "step-up"),
            done(13, 5, "squat"),
            done(2, 5, "row", "lunge"));
    assertThat(b.firsts()).extracting(Before.First::movementId).containsExactly("squat", "lunge");
    assertThat(of(done(3, 5, "row")).firsts()).as("all of the first session is new").isEmpty();
  }

  @ParameterizedTest(name = "{0} to {1} days ago: away {2}")
  @CsvSource({"12,3,0", "13,3,9", "40,20,19", "41,21,0", "60,0,59"})
  @DisplayName("a time away counts over nine days, and when it ended within 21")
  void away(int left, int back, int days) {
    Before.Away a = of(done(left, 5), done(back, 5)).away();
    assertThat(a == null ? 0 : a.days()).isEqualTo(days);
  }

  @Test
  @DisplayName("the longest of several times away is told")
  void longest() {
    Before.Away a = of(done(45, 5), done(18, 5), done(4, 5)).away();
    assertThat(a).isEqualTo(new Before.Away(DAY.minusDays(44), DAY.minusDays(19), 26));
  }

  @Test
  @DisplayName("sleep and energy are looked at the same way")
  void felt() {
    Before b =
        Before.of(
            DAY,
            List.of(),
            List.of(new Point(DAY.minusDays(2), 3), new Point(DAY.minusDays(20), 7)),
            List.of(new Point(DAY.minusDays(20), 6)));
    assertThat(b.sleep()).isEqualTo(new Before.Against(3.0, 1, 7.0, 1));
    assertThat(b.energy().near()).isNull();
  }

  @Test
  @DisplayName("law: order changes nothing, and nothing after the day does")
  void order() {
    Random random = new Random(7);
    for (int i = 0; i < 500; i++) {
      List<Before.Done> all = new ArrayList<>();
      for (int n = random.nextInt(12); n > 0; n--) {
        Integer effort = random.nextInt(5) == 0 ? null : (Integer) random.nextInt(11);
        all.add(done(random.nextInt(80), effort, "m" + random.nextInt(6)));
      }
      Before b = Before.of(DAY, all, List.of(), List.of());
      Collections.shuffle(all, random);
      all.add(done(-1 - random.nextInt(20), 9, "later"));
      assertThat(Before.of(DAY, all, List.of(), List.of())).isEqualTo(b);
    }
  }
}
