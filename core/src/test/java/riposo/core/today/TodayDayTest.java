package riposo.core.today;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import riposo.core.screening.Finding;
import riposo.core.screening.Outcome;
import riposo.core.today.TodayCheck.Needs;
import riposo.core.today.TodayCheck.Result;
import riposo.core.today.TodayCheck.Sign;

/** The checks of one day together. */
class TodayDayTest {
  private static final Instant NINE = Instant.parse("2026-11-24T09:00:00Z");

  /** Checks written "minute said; minute said": the last as the day leaves it. */
  private static Result day(String needs, String checks) {
    Needs n = TodayCheckTest.needs(needs);
    List<TodayDay.Kept> all = new ArrayList<>();
    for (String one : checks.split(";")) {
      String[] parts = one.trim().split(" ", 2);
      TodayCheck.Given g = TodayCheckTest.given(parts[1]);
      all.add(
          new TodayDay.Kept(
              NINE.plusSeconds(60L * Integer.parseInt(parts[0])), g, TodayCheck.assess(n, g)));
    }
    int last = all.size() - 1;
    return TodayDay.with(all.subList(0, last), all.get(last));
  }

  @ParameterizedTest(name = "[{0}] {1}: {2}")
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
      - | 0 bp=120/80 | GO
      - | 0 bp=182/90; 5 bp=150/90 | GO
      - | 0 bp=182/90; 4 bp=150/90 | NOT_TODAY
      - | 0 bp=182/90; 5 bp=181/90; 10 bp=150/90 | GO
      - | 0 bp=182/90; 5 bp=181/90; 10 bp=181/90; 15 bp=150/90 | NOT_TODAY
      - | 0 bp=182/90; 3 bp=150/90; 5 bp=150/90 | GO
      - | 0 bp=182/90; 9 sleep=7 | NOT_TODAY
      - | 0 bp=120/80; 60 bp=121/80; 120 bp=122/80; 180 bp=123/80 | GO
      - | 0 pulse=121; 5 pulse=90 | GO
      - | 0 pulse=121; 5 pulse=121; 10 pulse=122; 15 pulse=90 | NOT_TODAY
      - | 0 pulse=80 irregular; 5 pulse=80 | NOT_TODAY
      lung | 0 sat=87; 5 sat=92 | GO
      lung | 0 sat=87; 2 sat=92 | NOT_TODAY
      - | 0 bp=182/90; 5 bp=150/90 pulse=121 | NOT_TODAY
      maternity | 0 bp=142/80; 5 bp=120/80 | NOT_TODAY
      maternity | 0 bp=120/80 HEADACHE; 30 bp=120/80 | NOT_TODAY
      maternity | 0 bp=161/80; 5 bp=120/80 | URGENT
      - | 0 EMERGENCY; 60 sleep=7 | URGENT
      - | 0 FEVER; 60 sleep=7 | NOT_TODAY
      - | 0 temp=38.2; 60 temp=37.0 | NOT_TODAY
      bone | 0 GROIN; 60 sleep=7 | NOT_TODAY
      - | 0 energy=1; 60 energy=7 | NOT_TODAY
      - | 0 pain=8; 60 pain=0 | NOT_TODAY
      - | 0 UNWELL; 60 sleep=7 | GO
      - | 0 bp=120/80 DIZZY; 20 bp=120/80 | GO
      - | 0 NEW_PAIN; 60 COLD | CAUTION
      low | 0 glucose=14.0 ketones=1.6; 60 glucose=9.0 | NOT_TODAY
      low | 0 glucose=14.0 ketones=1.6; 60 glucose=9.0 ketones=0.4 | GO
      low | 0 glucose=17.0 ketones=0.4; 60 ketones=0.4 | NOT_TODAY
      low | 0 ketones=1.5; 60 glucose=9.0 | NOT_TODAY
      sglt2 | 0 ketones=1.5 UNWELL; 60 sleep=7 | NOT_TODAY
      sglt2 | 0 UNWELL; 60 sleep=7 | NOT_TODAY
      sglt2 | 0 UNWELL; 60 ketones=0.3 | GO
      low | 0 glucose=17.0; 60 sleep=7 | NOT_TODAY
      low | 0 severe; 60 glucose=9.0 | NOT_TODAY
      """)
  void aLaterCheckDecidesAboutItsReadingsOnly(String needs, String checks, Outcome outcome) {
    Result r = day(needs, checks);
    assertThat(r.outcome()).isEqualTo(outcome);
    if (outcome.compareTo(Outcome.NOT_TODAY) >= 0) {
      assertThat(r.dose()).isEqualTo(TodayCheck.Dose.NOT_TODAY);
    }
  }

  @Test
  void whatStaysSaysThatItIsFromEarlier() {
    assertThat(day("-", "0 FEVER; 60 sleep=7").findings())
        .extracting(Finding::text)
        .containsExactly("Earlier today: Fever, a chest infection or vomiting: not today.");
  }

  /** Seeded days: one urgent thing, whatever is said after it, whenever. */
  @Test
  void nothingUrgentIsUndoneByCheckingAgain() {
    for (int seed = 0; seed < 200; seed++) {
      Random random = new Random(seed);
      String urgent =
          List.of("EMERGENCY", "CHEST_HEAD_VISION_NERVE", "NO_WEIGHT", "HOT_REPLACED")
              .get(random.nextInt(4));
      StringBuilder checks = new StringBuilder("0 " + urgent);
      int minute = 0;
      for (int i = 0; i <= random.nextInt(5); i++) {
        minute += random.nextInt(40);
        checks.append("; ").append(minute).append(" sleep=8 bp=120/80 ");
        if (random.nextInt(3) == 0) {
          checks.append(Sign.values()[random.nextInt(Sign.values().length)]);
        }
      }
      assertThat(day("-", checks.toString()).outcome())
          .as("seed %d %s", seed, checks)
          .isEqualTo(Outcome.URGENT);
    }
  }
}
