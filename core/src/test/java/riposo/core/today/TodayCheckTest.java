package riposo.core.today;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.time.Duration;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import riposo.core.screening.Assessment.SugarRules;
import riposo.core.screening.Finding;
import riposo.core.screening.Outcome;
import riposo.core.screening.Pressure;
import riposo.core.screening.ReadingKind;
import riposo.core.screening.TodayFacts;
import riposo.core.today.TodayCheck.Dose;
import riposo.core.today.TodayCheck.Given;
import riposo.core.today.TodayCheck.Needs;
import riposo.core.today.TodayCheck.Result;
import riposo.core.today.TodayCheck.Sign;
import riposo.core.tolerance.School;

/** Every line of today's readings and today's dose: at it, just under, just over. */
class TodayCheckTest {

  /** Needs written as words: "maternity type1 low spine usual120 lung sat95 chemo bone pain2". */
  static Needs needs(String words) {
    List<String> w = List.of(words.split(" "));
    Integer usual = null;
    int pain = 0;
    Integer saturation = null;
    for (String s : w) {
      if (s.matches("sat\\d+")) {
        saturation = Integer.valueOf(s.substring(3));
      } else if (s.matches("usual\\d+")) {
        usual = Integer.valueOf(s.substring(5));
      } else if (s.matches("pain\\d+")) {
        pain = Integer.parseInt(s.substring(4));
      }
    }
    return new Needs(
        EnumSet.noneOf(ReadingKind.class),
        w.contains("maternity"),
        w.contains("spine"),
        usual,
        new SugarRules(w.contains("type1"), w.contains("low"), w.contains("sglt2")),
        true,
        w.contains("monitored") ? School.MONITORED : School.PAIN_FREE,
        pain,
        List.of(),
        new TodayFacts(
            w.contains("lung"),
            w.contains("chemo"),
            w.contains("bone"),
            w.contains("replaced"),
            w.contains("diabetes")),
        saturation,
        w.contains("resting"));
  }

  private static Needs with(Needs n, boolean maternity, CareLine... lines) {
    return new Needs(
        n.required(),
        maternity,
        n.highSpine(),
        n.usualSystolic(),
        n.sugar(),
        n.steadiness(),
        n.school(),
        n.usualPain(),
        List.of(lines),
        n.facts(),
        n.usualSaturation(),
        n.restingPulseWanted());
  }

  /** What was given: "bp=180/90 pulse=101 irregular sat=87 glucose=13.9 ketones=0.6 UNWELL". */
  static Given given(String words) {
    Pressure p = null;
    Integer pulse = null;
    Integer sat = null;
    Glucose glucose = null;
    BigDecimal ketones = null;
    BigDecimal temperature = null;
    int sleep = 7;
    int energy = 7;
    int pain = 0;
    Set<Sign> signs = EnumSet.noneOf(Sign.class);
    for (String s : words.trim().split(" ")) {
      String v = s.substring(s.indexOf('=') + 1);
      switch (s.substring(0, Math.max(0, s.indexOf('=')))) {
        case "bp" ->
            p = new Pressure(Integer.parseInt(v.split("/")[0]), Integer.parseInt(v.split("/")[1]));
        case "pulse" -> pulse = Integer.valueOf(v);
        case "sat" -> sat = Integer.valueOf(v);
        case "glucose" -> glucose = Glucose.mmol(v);
        case "mgdl" -> glucose = Glucose.mgdl(v);
        case "ketones" -> ketones = new BigDecimal(v);
        case "temp" -> temperature = new BigDecimal(v);
        case "sleep" -> sleep = Integer.parseInt(v);
        case "energy" -> energy = Integer.parseInt(v);
        case "pain" -> pain = Integer.parseInt(v);
        default -> {
          if (s.matches("[A-Z_]+")) {
            signs.add(Sign.valueOf(s));
          }
        }
      }
    }
    if (signs.isEmpty() && !words.contains("unasked")) {
      signs.add(Sign.NONE);
    }
    List<String> w = Arrays.asList(words.trim().split(" "));
    return new Given(
        p,
        pulse,
        w.contains("irregular"),
        sat,
        glucose,
        ketones,
        w.contains("severe"),
        temperature,
        sleep,
        energy,
        pain,
        w.contains("wobbly"),
        w.contains("hard"),
        signs);
  }

  @ParameterizedTest(name = "[{0}] {1}: {2} {3}")
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
      - | - | GO | AS_PLANNED
      - | unasked | STILL_OPEN | AS_PLANNED
      - | bp=120/80 unasked | STILL_OPEN | AS_PLANNED
      - | bp=159/99 | GO | AS_PLANNED
      - | bp=160/99 | CAUTION | EASED
      - | bp=159/100 | CAUTION | EASED
      - | bp=179/109 | CAUTION | EASED
      - | bp=180/90 | NOT_TODAY | NOT_TODAY
      - | bp=150/110 | NOT_TODAY | NOT_TODAY
      - | bp=180/90 CHEST_HEAD_VISION_NERVE | URGENT | NOT_TODAY
      - | bp=120/80 CHEST_HEAD_VISION_NERVE | URGENT | NOT_TODAY
      - | bp=120/80 AS_USUAL | GO | AS_PLANNED
      - | bp=179/109 AS_USUAL | CAUTION | EASED
      - | bp=180/90 AS_USUAL | URGENT | NOT_TODAY
      - | bp=120/80 HEADACHE | CAUTION | EASED
      - | bp=180/90 HEADACHE | URGENT | NOT_TODAY
      - | bp=120/80 UPPER_BELLY | CAUTION | EASED
      - | bp=90/60 DIZZY | CAUTION | EASED
      - | bp=89/60 DIZZY | NOT_TODAY | NOT_TODAY
      - | DIZZY | STILL_OPEN | EASED
      - | bp=90/60 | GO | AS_PLANNED
      - | bp=89/60 | CAUTION | EASED
      - | bp=80/60 | CAUTION | EASED
      - | bp=79/60 | NOT_TODAY | NOT_TODAY
      maternity | bp=139/89 | GO | AS_PLANNED
      maternity | bp=140/80 | NOT_TODAY | NOT_TODAY
      maternity | bp=130/90 | NOT_TODAY | NOT_TODAY
      maternity | bp=160/80 | URGENT | NOT_TODAY
      maternity | bp=140/90 UPPER_BELLY | URGENT | NOT_TODAY
      maternity | bp=140/90 CHEST_HEAD_VISION_NERVE | URGENT | NOT_TODAY
      maternity | bp=140/90 HEADACHE | URGENT | NOT_TODAY
      maternity | bp=139/89 HEADACHE | NOT_TODAY | NOT_TODAY
      maternity | bp=120/80 UPPER_BELLY | NOT_TODAY | NOT_TODAY
      - | pulse=99 | GO | AS_PLANNED
      - | pulse=100 | CAUTION | EASED
      - | pulse=100 UNWELL | CAUTION | EASED
      - | pulse=101 UNWELL | NOT_TODAY | NOT_TODAY
      - | pulse=120 | CAUTION | EASED
      - | pulse=121 | NOT_TODAY | NOT_TODAY
      - | irregular | NOT_TODAY | NOT_TODAY
      - | pulse=40 | GO | AS_PLANNED
      - | pulse=39 | NOT_TODAY | NOT_TODAY
      - | pulse=49 DIZZY | NOT_TODAY | NOT_TODAY
      - | bp=120/80 pulse=50 DIZZY | CAUTION | EASED
      spine usual100 | bp=119/70 | GO | AS_PLANNED
      spine usual100 | bp=119/70 FLUSHED | URGENT | NOT_TODAY
      spine usual100 | FLUSHED | URGENT | NOT_TODAY
      spine usual100 | bp=120/70 | NOT_TODAY | NOT_TODAY
      spine usual100 | bp=120/70 HEADACHE | URGENT | NOT_TODAY
      spine usual100 | bp=139/70 | NOT_TODAY | NOT_TODAY
      spine usual100 | bp=140/70 | URGENT | NOT_TODAY
      spine usual135 | bp=149/70 | GO | AS_PLANNED
      spine usual135 | bp=150/70 | URGENT | NOT_TODAY
      spine usual88 | bp=85/50 | GO | AS_PLANNED
      spine usual110 | bp=91/50 | GO | AS_PLANNED
      spine usual110 | bp=90/50 | CAUTION | EASED
      spine usual110 | bp=90/50 DIZZY | NOT_TODAY | NOT_TODAY
      spine usual110 | bp=80/50 | NOT_TODAY | NOT_TODAY
      - | bp=140/70 FLUSHED | CAUTION | EASED
      - | sat=92 | GO | AS_PLANNED
      - | sat=91 | NOT_TODAY | NOT_TODAY
      lung | sat=87 | NOT_TODAY | NOT_TODAY
      lung | sat=88 | CAUTION | EASED
      lung | sat=91 | CAUTION | EASED
      lung | sat=92 | GO | AS_PLANNED
      lung sat91 | sat=89 | GO | AS_PLANNED
      lung sat91 | sat=88 | CAUTION | EASED
      lung sat90 | sat=87 | NOT_TODAY | NOT_TODAY
      chemo | temp=37.9 | GO | AS_PLANNED
      chemo | temp=38.0 | URGENT | NOT_TODAY
      chemo | UNWELL | URGENT | NOT_TODAY
      chemo | FEVER | URGENT | NOT_TODAY
      - | UNWELL | CAUTION | EASED
      - | HOT_JOINT | NOT_TODAY | NOT_TODAY
      - | HOT_JOINT temp=37.9 | NOT_TODAY | NOT_TODAY
      - | HOT_JOINT temp=38.0 | URGENT | NOT_TODAY
      - | HOT_JOINT FEVER | URGENT | NOT_TODAY
      replaced | HOT_REPLACED | URGENT | NOT_TODAY
      - | GROIN | CAUTION | EASED
      bone | GROIN | NOT_TODAY | NOT_TODAY
      - | GROIN FALLEN | NOT_TODAY | NOT_TODAY
      - | FALLEN | CAUTION | EASED
      - | NO_WEIGHT | URGENT | NOT_TODAY
      diabetes | HOT_FOOT | NOT_TODAY | NOT_TODAY
      low | glucose=16.7 | CAUTION | EASED
      low | glucose=16.8 | NOT_TODAY | NOT_TODAY
      low | glucose=16.8 ketones=0.2 | NOT_TODAY | NOT_TODAY
      resting | - | STILL_OPEN | AS_PLANNED
      low | glucose=3.8 | NOT_TODAY | NOT_TODAY
      low | glucose=3.9 | CAUTION | EASED
      low | glucose=5.0 | CAUTION | EASED
      low | glucose=5.1 | GO | AS_PLANNED
      low | glucose=13.9 | GO | AS_PLANNED
      low | glucose=14.0 | CAUTION | EASED
      low | glucose=14.0 ketones=0.5 | CAUTION | EASED
      low | glucose=14.0 ketones=0.6 | CAUTION | EASED
      low | glucose=14.0 ketones=1.4 | CAUTION | EASED
      low | glucose=14.0 ketones=1.5 | NOT_TODAY | NOT_TODAY
      low | glucose=14.0 UNWELL | NOT_TODAY | NOT_TODAY
      low type1 | glucose=14.0 | NOT_TODAY | NOT_TODAY
      low type1 | glucose=13.9 | GO | AS_PLANNED
      low type1 | glucose=14.0 ketones=0.5 | CAUTION | EASED
      low | severe | NOT_TODAY | NOT_TODAY
      sglt2 | glucose=6.0 UNWELL | NOT_TODAY | NOT_TODAY
      sglt2 | glucose=6.0 UNWELL ketones=0.3 | CAUTION | EASED
      low | mgdl=251 | CAUTION | EASED
      low | mgdl=250 | GO | AS_PLANNED
      low | mgdl=70 | NOT_TODAY | NOT_TODAY
      low | mgdl=71 | CAUTION | EASED
      - | temp=37.9 | GO | AS_PLANNED
      - | temp=38.0 | NOT_TODAY | NOT_TODAY
      - | FEVER | NOT_TODAY | NOT_TODAY
      - | COLD | CAUTION | EASED
      - | NEW_PAIN | CAUTION | EASED
      - | EMERGENCY | URGENT | NOT_TODAY
      - | sleep=4 energy=4 pain=0 | GO | AS_PLANNED
      - | sleep=3 | CAUTION | EASED
      - | energy=3 | CAUTION | EASED
      - | energy=2 sleep=3 | CAUTION | SHORT
      - | energy=1 | NOT_TODAY | NOT_TODAY
      - | pain=1 | CAUTION | EASED
      pain1 | pain=1 | GO | AS_PLANNED
      monitored | pain=5 | GO | AS_PLANNED
      monitored | pain=6 | CAUTION | EASED
      monitored | pain=6 sleep=3 | CAUTION | SHORT
      monitored pain6 | pain=7 | NOT_TODAY | NOT_TODAY
      monitored pain7 | pain=7 | GO | AS_PLANNED
      monitored pain7 | pain=8 | NOT_TODAY | NOT_TODAY
      - | pain=7 | NOT_TODAY | NOT_TODAY
      pain6 | pain=6 | GO | AS_PLANNED
      - | hard | CAUTION | EASED
      """)
  void everyLine(String needs, String said, Outcome outcome, Dose dose) {
    Result r = TodayCheck.assess(needs(needs), given(said));
    assertThat(List.of(r.outcome(), r.dose())).isEqualTo(List.of(outcome, dose));
    assertThat(r.findings()).allMatch(f -> !f.source().isBlank() && f.text().endsWith("."));
    if (dose != Dose.AS_PLANNED && r.findings().isEmpty()) {
      assertThat(r.doseReasons()).isNotEmpty();
    }
  }

  @Test
  void aPressureCautionCapsEffortAndHoldsAndWobblyLowersBalance() {
    Result r = TodayCheck.assess(needs("-"), given("bp=165/90 wobbly"));
    assertThat(List.of(r.effortCap(), r.noLongHolds(), r.wobbly()))
        .isEqualTo(List.of(5, true, true));
    assertThat(TodayCheck.assess(needs("-"), given("bp=150/90")).effortCap()).isNull();
  }

  @Test
  void aRequiredReadingNotTakenIsNamedWithItsUnit() {
    Needs n =
        new Needs(
            EnumSet.allOf(ReadingKind.class),
            false,
            true,
            null,
            SugarRules.NONE,
            false,
            School.PAIN_FREE,
            0,
            List.of(),
            TodayFacts.NONE,
            null,
            false);
    Given nothing =
        new Given(
            null, null, false, null, null, null, false, null, null, null, null, false, false,
            Set.of());
    assertThat(TodayCheck.assess(n, nothing).missing())
        .hasSize(9)
        .contains("blood pressure, mmHg", "glucose, mmol/L", "pain now, 0 to 10");
    assertThat(TodayCheck.assess(n, nothing).outcome()).isEqualTo(Outcome.STILL_OPEN);
    assertThat(TodayCheck.assess(needs("-"), given("-")).missing()).isEmpty();
  }

  @Test
  void nothingIsGoWhileAnythingIsWanted() {
    for (ReadingKind kind : ReadingKind.values()) {
      Needs n = needs("-");
      Needs wants =
          new Needs(
              EnumSet.of(kind),
              false,
              false,
              null,
              n.sugar(),
              false,
              School.PAIN_FREE,
              0,
              List.of(),
              TodayFacts.NONE,
              null,
              false);
      assertThat(TodayCheck.assess(wants, given("-")).outcome()).isEqualTo(Outcome.STILL_OPEN);
      assertThat(TodayCheck.assess(wants, given("FEVER")).outcome())
          .as("what is worse is said at once")
          .isEqualTo(Outcome.NOT_TODAY);
    }
  }

  @ParameterizedTest(name = "{0} {1} by {2}: {3} is {4}")
  @CsvSource({
    "SYSTOLIC_HIGH, 150, , bp=150/80, NOT_TODAY",
    "SYSTOLIC_HIGH, 150, , bp=149/80, GO",
    "SYSTOLIC_HIGH, 190, Dr. Ek, bp=185/80, CAUTION",
    "SYSTOLIC_HIGH, 190, Dr. Ek, bp=190/80, NOT_TODAY",
    "SYSTOLIC_HIGH, 190, Dr. Ek, bp=185/110, NOT_TODAY",
    "SYSTOLIC_HIGH, 190, Dr. Ek, bp=185/80 CHEST_HEAD_VISION_NERVE, URGENT",
    "SYSTOLIC_HIGH, 230, Dr. Ek, bp=199/80, CAUTION",
    "SYSTOLIC_HIGH, 230, Dr. Ek, bp=200/80, NOT_TODAY",
    "DIASTOLIC_HIGH, 125, Dr. Ek, bp=150/110, NOT_TODAY",
    "PULSE_LOW, 45, , pulse=45, NOT_TODAY",
    "PULSE_LOW, 34, Dr. Ek, pulse=36, CAUTION",
    "PULSE_HIGH, 130, Dr. Ek, pulse=125, CAUTION",
    "SATURATION_LOW, 90, , sat=90, NOT_TODAY",
    "SATURATION_LOW, 84, Dr. Ek, sat=86, CAUTION",
    "GLUCOSE_LOW, 6, , glucose=6.0, NOT_TODAY",
    "GLUCOSE_HIGH, 12, , glucose=12.1, NOT_TODAY"
  })
  void aCarePlanTightensAndLoosensOnlyWithAClinician(
      CareLine.Kind kind, String value, @Nullable String by, String said, Outcome outcome) {
    CareLine line =
        new CareLine(
            kind, new BigDecimal(value), by, by == null ? null : LocalDate.of(2026, 11, 2));
    Needs n = needs("-");
    Needs with = with(n, false, line);
    assertThat(TodayCheck.assess(with, given(said)).outcome()).isEqualTo(outcome);
    if (line.loosens()) {
      assertThatThrownBy(() -> new CareLine(kind, line.value(), null, null))
          .hasMessageContaining("clinician");
      Needs pregnant = with(n, true, line);
      assertThat(TodayCheck.assess(pregnant, given(said)).outcome())
          .isGreaterThanOrEqualTo(TodayCheck.assess(n, given(said)).outcome());
    }
  }

  @ParameterizedTest(name = "[{0}] and {1}: [{2}]")
  @CsvSource({
    "'', 160, 160",
    "'', 180, 180",
    "'', 190, ''",
    "140, 160, 140",
    "160, 140, 140",
    "140, 140, 140",
    "195, 190, 190",
    "195, 170, 170",
    "140 195, 170, 140 195",
  })
  void aLineAddedToACarePlanOnlyTightensIt(String before, String more, String after) {
    CareLine other = new CareLine(CareLine.Kind.PULSE_HIGH, new BigDecimal("100"), null, null);
    List<CareLine> lines = new ArrayList<>(systolic(before));
    lines.add(0, other);
    List<CareLine> left = CareLine.tightened(lines, systolic(more).get(0));
    assertThat(left).contains(other);
    assertThat(left).filteredOn(l -> l != other).isEqualTo(systolic(after));
  }

  private static List<CareLine> systolic(String values) {
    return Arrays.stream(values.split(" "))
        .filter(v -> !v.isEmpty())
        .map(
            v ->
                new CareLine(
                    CareLine.Kind.SYSTOLIC_HIGH,
                    new BigDecimal(v),
                    "Dr. Ek",
                    LocalDate.of(2026, 11, 2)))
        .toList();
  }

  @Test
  void noWordLoosensPressurePastTwoHundredOrTheLinesOfAHighInjury() {
    LocalDate day = LocalDate.of(2026, 11, 2);
    assertThat(
            new CareLine(CareLine.Kind.SYSTOLIC_HIGH, new BigDecimal("200"), "Dr. Ek", day)
                .tooLoose())
        .isNull();
    assertThat(
            new CareLine(CareLine.Kind.SYSTOLIC_HIGH, new BigDecimal("201"), "Dr. Ek", day)
                .tooLoose())
        .contains("200 mmHg");
    assertThat(
            new CareLine(CareLine.Kind.DIASTOLIC_HIGH, new BigDecimal("111"), "Dr. Ek", day)
                .tooLoose())
        .contains("110 mmHg");
    CareLine loose =
        new CareLine(CareLine.Kind.SYSTOLIC_HIGH, new BigDecimal("195"), "Dr. Ek", day);
    Given high = given("bp=185/80");
    assertThat(TodayCheck.assess(with(needs("spine usual170"), false, loose), high).outcome())
        .isEqualTo(Outcome.URGENT);
  }

  @ParameterizedTest(name = "[{0}] {1} leaves {2}")
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
      - | - |
      - | FEVER |
      - | bp=185/90 |
      bone | GROIN | ASK_FIRST
      - | HOT_JOINT | ASK_FIRST
      diabetes | HOT_FOOT | ASK_FIRST
      - | EMERGENCY | CLEARANCE_ONLY
      maternity | bp=160/80 | CLEARANCE_ONLY
      """)
  void whatAClinicianHasToSeeOutlivesTheDay(String needs, String said, @Nullable Outcome leaves) {
    assertThat(TodayCheck.leaves(TodayCheck.assess(needs(needs), given(said)))).isEqualTo(leaves);
  }

  @Test
  void moreSignsNeverImproveToday() {
    for (int seed = 0; seed < 300; seed++) {
      Random random = new Random(seed);
      String base =
          "bp="
              + (80 + random.nextInt(110))
              + "/"
              + (40 + random.nextInt(35))
              + " pulse="
              + (35 + random.nextInt(95))
              + " glucose="
              + (2 + random.nextInt(18))
              + " sleep="
              + random.nextInt(11)
              + " energy="
              + random.nextInt(11)
              + " pain="
              + random.nextInt(11);
      Needs n = needs(random.nextBoolean() ? "maternity low" : "low type1 sglt2 monitored");
      List<Sign> signs = new ArrayList<>(List.of(Sign.values()));
      java.util.Collections.shuffle(signs, random);
      Result before = TodayCheck.assess(n, given(base));
      String said = base;
      for (Sign s : signs) {
        said += " " + s;
        Result after = TodayCheck.assess(n, given(said));
        assertThat(after.outcome())
            .as("seed %d %s", seed, said)
            .isGreaterThanOrEqualTo(before.outcome());
        assertThat(after.dose()).as("seed %d %s", seed, said).isGreaterThanOrEqualTo(before.dose());
        before = after;
      }
      // double submit: the same answers give the same result
      assertThat(TodayCheck.assess(n, given(said))).isEqualTo(before);
      assertThat(before.findings().stream().map(Finding::rule).collect(Collectors.toSet()))
          .contains("today.sign.emergency");
    }
  }

  @ParameterizedTest(name = "{0}, {1} min later {2}: {3}")
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
          glucose=3.8 | 14 | glucose=5.6 | counts 15 minutes after it
          glucose=3.8 | 15 | glucose=5.0 | a new reading over 5.0 is wanted
          glucose=3.8 | 15 | sleep=7 | a new reading over 5.0 is wanted
          glucose=3.8 | 15 | glucose=5.1 |
          glucose=3.9 | 0 | glucose=3.9 |
          """)
  void aLowOpensWithAReadingOverFiveAfterFifteenMinutes(
      String low, int minutes, String now, @Nullable String why) {
    Result before = TodayCheck.assess(needs("low"), given(low));
    String wait = TodayCheck.waitAfterLow(before, Duration.ofMinutes(minutes), given(now));
    if (why == null) {
      assertThat(wait).isNull();
    } else {
      assertThat(wait).contains(why);
    }
  }

  @Test
  void whatCannotBeRightIsRefused() {
    assertThatThrownBy(() -> given("pulse=300")).hasMessageContaining("300");
    assertThatThrownBy(() -> given("sat=101")).hasMessageContaining("101");
    assertThatThrownBy(() -> given("glucose=0.4")).hasMessageContaining("mmol/L");
    assertThatThrownBy(() -> given("mgdl=5")).hasMessageContaining("mg/dL");
    assertThatThrownBy(() -> given("temp=25")).hasMessageContaining("25");
    assertThatThrownBy(() -> given("energy=11")).hasMessageContaining("11");
    assertThat(Glucose.mmol("5.4")).hasToString("5.4 mmol/L (97 mg/dL)");
  }
}
