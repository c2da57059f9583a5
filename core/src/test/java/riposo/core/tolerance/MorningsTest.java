package riposo.core.tolerance;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import riposo.core.limit.Side;
import riposo.core.tolerance.NextDay.Compared;
import riposo.core.tolerance.NextDay.More;
import riposo.core.tolerance.NextDay.Sign;
import riposo.core.tolerance.NextDay.Swelling;

/** What is answered the next day, changed within the hour, and asked again at 72 h. */
class MorningsTest {
  private static final LocalDate DAY = LocalDate.of(2026, 3, 2);
  private static final NextDay FINE = new NextDay(0, Compared.SAME, false, Set.of());
  private static final Tolerance OF = new Tolerance(School.PAIN_FREE, 0, 6, false, false);

  private static final Steps STEPS =
      new Steps(
          "next",
          false,
          null,
          new Steps.Near(2100, 2100, 500, 500, null, false),
          null,
          null,
          5,
          null,
          null,
          null);

  private static NextDay of(int pain, Sign... signs) {
    return new NextDay(pain, Compared.SAME, false, Set.of(signs));
  }

  /** Two sessions that are two for two, with the answers to the second of them. */
  private static Judgement judged(@Nullable NextDay next, FamilySession.@Nullable Second second) {
    FamilySession before =
        Sets.on(DAY.minusDays(4)).set(Side.BOTH, 2000, 12, 5, 0).next(FINE).session();
    FamilySession now =
        Sets.on(DAY).set(Side.BOTH, 2000, 12, 5, 0).next(next).second(second).session();
    return OF.judge(List.of(before, now), STEPS);
  }

  private static FamilySession.Second second(@Nullable NextDay answer) {
    return new FamilySession.Second(answer);
  }

  @ParameterizedTest(name = "next {0}, 72 h {1}: {2}")
  @CsvSource({
    "0, none, STEP_UP",
    "0, open, STAY",
    "0, 0, STEP_UP",
    "0, 1, STAY",
    "0, 2, EASE",
    "2, 0, EASE",
    "8, 0, STOP_AND_REFER",
    "0, 7, EASE",
    "0, 8, STOP_AND_REFER",
    "none, 0, STAY",
    "none, 2, EASE",
    "none, open, STAY"
  })
  @DisplayName("the worse of next day and 72 h counts, and one asked for and open is no step")
  void worse(String next, String later, Verdict wanted) {
    NextDay first = next.equals("none") ? null : of(Integer.parseInt(next));
    FamilySession.Second second =
        later.equals("none")
            ? null
            : second(later.equals("open") ? null : of(Integer.parseInt(later)));
    assertThat(judged(first, second).verdict()).isEqualTo(wanted);
  }

  @Test
  @DisplayName("several signs stop, wherever they were told; their number is kept")
  void signs() {
    Judgement j = judged(of(0, Sign.NUMBNESS), second(of(0, Sign.GIVING_WAY, Sign.NUMBNESS)));
    assertThat(j.verdict()).isEqualTo(Verdict.STOP_AND_REFER);
    assertThat(j.rule()).isEqualTo(Rule.STOP_NEW_SIGN);
    assertThat(j.grounds()).isEqualTo(new Grounds.NewSigns(2));
  }

  @Test
  @DisplayName("a sign or a pain over 7 taken back within the hour stops all the same")
  void takenBack() {
    NextDay sign = FINE.inPlaceOf(of(0, Sign.NIGHT_PAIN));
    assertThat(sign.takenBack()).containsExactly(Sign.NIGHT_PAIN);
    assertThat(judged(sign, null).verdict()).isEqualTo(Verdict.STOP_AND_REFER);
    assertThat(judged(FINE.inPlaceOf(of(8)), null).rule()).isEqualTo(Rule.STOP_PAIN);
    NextDay twice = FINE.inPlaceOf(FINE.inPlaceOf(of(0, Sign.NUMBNESS)));
    assertThat(twice.signs()).containsExactly(Sign.NUMBNESS);
    // pain that was no stop is simply what it is now
    assertThat(judged(FINE.inPlaceOf(of(7)), null).verdict()).isEqualTo(Verdict.STEP_UP);
  }

  @Test
  @DisplayName("swelling that stays is a sign, one that passed is only not settled")
  void swelling() {
    assertThat(with(Swelling.STAYS).newSigns()).containsExactly(Sign.SWELLING);
    assertThat(judged(with(Swelling.STAYS), null).verdict()).isEqualTo(Verdict.STOP_AND_REFER);
    Judgement passed = judged(with(Swelling.PASSED), null);
    assertThat(passed.verdict()).isEqualTo(Verdict.STAY);
    assertThat(passed.noStep()).containsExactly(NoStep.NOT_SETTLED);
    assertThat(judged(with(Swelling.NONE), null).verdict()).isEqualTo(Verdict.STEP_UP);
  }

  private static NextDay with(Swelling s) {
    return new NextDay(
        0, Compared.SAME, false, Set.of(), new More(null, null, null, null, s, null), null);
  }

  @Test
  @DisplayName("sore muscles, sleep and words are no pain: they change no verdict")
  void soreness() {
    More more = new More("left knee", 9, 1, 2, null, "  stairs were hard  ");
    NextDay said = new NextDay(0, Compared.SAME, false, Set.of(), more, null);
    assertThat(judged(said, null).verdict()).isEqualTo(Verdict.STEP_UP);
    assertThat(more.words()).isEqualTo("stairs were hard");
    assertThat(new More(" ", null, null, null, null, "").words()).isNull();
  }

  @Test
  @DisplayName("numbers off the scale and words too long are refused")
  void refused() {
    assertThatThrownBy(() -> new More(null, 11, null, null, null, null))
        .hasMessageContaining("soreness must lie between 0 and 10");
    assertThatThrownBy(() -> new More(null, null, null, null, null, "x".repeat(501)))
        .hasMessageContaining("at most 500");
  }

  @Test
  @DisplayName("law: a worse answer, next day or at 72 h, never leads to a better verdict")
  void law() {
    Random random = new Random(20261127);
    for (int i = 0; i < 20_000; i++) {
      NextDay next = random.nextInt(6) == 0 ? null : answer(random);
      FamilySession.Second second =
          random.nextInt(3) == 0 ? null : second(random.nextInt(4) == 0 ? null : answer(random));
      Judgement j = judged(next, second);
      NextDay worse = next == null ? null : worse(next, random);
      FamilySession.Second later =
          second == null || second.answer() == null
              ? second
              : second(worse(second.answer(), random));
      assertThat(rank(judged(worse, second)))
          .as("%s to %s, %s", next, worse, second)
          .isGreaterThanOrEqualTo(rank(j));
      assertThat(rank(judged(next, later)))
          .as("%s, %s to %s", next, second, later)
          .isGreaterThanOrEqualTo(rank(j));
      // asked again and not answered is never better than not asked
      if (second == null) {
        assertThat(rank(judged(next, second(null)))).isGreaterThanOrEqualTo(rank(j));
      }
    }
  }

  private static int rank(Judgement j) {
    return List.of(Verdict.STEP_UP, Verdict.STAY, Verdict.EASE, Verdict.STOP_AND_REFER)
        .indexOf(j.verdict());
  }

  private static NextDay answer(Random random) {
    Set<Sign> signs = EnumSet.noneOf(Sign.class);
    if (random.nextInt(8) == 0) {
      signs.add(Sign.values()[random.nextInt(Sign.values().length)]);
    }
    NextDay a =
        new NextDay(
            random.nextInt(4) == 0 ? random.nextInt(11) : 0,
            Compared.values()[random.nextInt(3)],
            random.nextInt(6) == 0,
            signs);
    return random.nextInt(5) == 0 ? a.inPlaceOf(answer(random)) : a;
  }

  private static NextDay worse(NextDay a, Random random) {
    List<NextDay> all = new ArrayList<>();
    if (a.pain() < 10) {
      all.add(new NextDay(a.pain() + 1, a.compared(), a.moreTired(), a.newSigns(), a.more(), a));
    }
    all.add(new NextDay(a.pain(), Compared.WORSE, a.moreTired(), a.newSigns(), a.more(), a));
    all.add(new NextDay(a.pain(), a.compared(), true, a.newSigns(), a.more(), a));
    all.add(new NextDay(a.pain(), a.compared(), a.moreTired(), Set.of(Sign.NUMBNESS), a.more(), a));
    return all.get(random.nextInt(all.size()));
  }
}
