package riposo.core.limit;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import java.util.Random;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A firm limit is only ever tightened by hand; an advised one is loosened with a reason. */
class ReplacementTest {
  private static final LocalDate TODAY = LocalDate.of(2026, 11, 26);
  private static final String KNEE = "joint.knee-flexion.any";

  private static Limit limit(
      String axis, Side side, int cap, Strength strength, int from, Integer until) {
    return new Limit(
        UUID.randomUUID(),
        axis,
        side,
        cap,
        strength,
        "table",
        TODAY.plusDays(from),
        until == null ? null : TODAY.plusDays(until),
        null);
  }

  @ParameterizedTest(
      name = "{0} {1} {2} from {3} until {4} by {5} {6} {7} {8} from {9} until {10}: {11}")
  @CsvSource({
    // a firm one: same or tighter, never later, never weaker, never elsewhere
    "FIRM, LEFT, 60, -9, , FIRM, knee, LEFT, 60, -9, , FREE",
    "FIRM, LEFT, 60, -9, , FIRM, knee, LEFT, 50, 0, , FREE",
    "FIRM, LEFT, 60, -9, , FIRM, knee, BOTH, 60, 0, , FREE",
    "FIRM, LEFT, 60, -9, , FIRM, knee, LEFT, 61, 0, , CLEARANCE_WANTED",
    "FIRM, LEFT, 60, -9, , FIRM, knee, RIGHT, 50, 0, , CLEARANCE_WANTED",
    "FIRM, BOTH, 60, -9, , FIRM, knee, LEFT, 50, 0, , CLEARANCE_WANTED",
    "FIRM, LEFT, 60, -9, , ADVISED, knee, LEFT, 50, 0, , CLEARANCE_WANTED",
    "FIRM, LEFT, 60, -9, , FIRM, hip, LEFT, 50, 0, , CLEARANCE_WANTED",
    "FIRM, LEFT, 60, -9, , FIRM, knee, LEFT, 60, 1, , CLEARANCE_WANTED",
    "FIRM, LEFT, 60, 5, , FIRM, knee, LEFT, 60, 5, , FREE",
    "FIRM, LEFT, 60, 5, , FIRM, knee, LEFT, 60, 6, , CLEARANCE_WANTED",
    // past its day a firm one waits for a review and stays on: its last day loosens nothing
    "FIRM, LEFT, 60, -9, 30, FIRM, knee, LEFT, 60, 0, 10, FREE",
    // an advised one: whatever gets looser wants a word
    "ADVISED, LEFT, 60, -9, , ADVISED, knee, LEFT, 60, -9, , FREE",
    "ADVISED, LEFT, 60, -9, , ADVISED, knee, LEFT, 50, -9, , FREE",
    "ADVISED, LEFT, 60, -9, , FIRM, knee, BOTH, 60, -9, , FREE",
    "ADVISED, LEFT, 60, -9, 9, ADVISED, knee, LEFT, 60, -9, 20, FREE",
    "ADVISED, LEFT, 60, -9, , FIRM, knee, LEFT, 60, -9, 5, FREE",
    "ADVISED, LEFT, 60, -9, , ADVISED, knee, LEFT, 61, -9, , REASON_WANTED",
    "ADVISED, LEFT, 60, -9, , ADVISED, knee, RIGHT, 60, -9, , REASON_WANTED",
    "ADVISED, LEFT, 60, -9, , ADVISED, hip, LEFT, 60, -9, , REASON_WANTED",
    "ADVISED, LEFT, 60, -9, , ADVISED, knee, LEFT, 60, -8, , REASON_WANTED",
    "ADVISED, LEFT, 60, -9, , ADVISED, knee, LEFT, 60, -9, 5, REASON_WANTED",
    "ADVISED, LEFT, 60, -9, 9, ADVISED, knee, LEFT, 60, -9, 8, REASON_WANTED",
  })
  void whatItTakes(
      Strength was,
      Side wasSide,
      int wasCap,
      int wasFrom,
      Integer wasUntil,
      Strength strength,
      String joint,
      Side side,
      int cap,
      int from,
      Integer until,
      Replacement expected) {
    Limit old = limit(KNEE, wasSide, wasCap, was, wasFrom, wasUntil);
    String axis = joint.equals("knee") ? KNEE : "joint.hip-flexion.any";
    assertThat(Replacement.of(old, limit(axis, side, cap, strength, from, until), TODAY))
        .isEqualTo(expected);
  }

  /** Of 20,000 seeded changes, those let through loosen nothing on any day to come. */
  @Test
  void whatIsFreeLoosensNoSideOnNoDay() {
    Axis knee = Axis.of(KNEE);
    int free = 0;
    for (int seed = 0; seed < 20_000; seed++) {
      Random r = new Random(seed);
      Limit old = some(r);
      Limit wanted = some(r);
      if (Replacement.of(old, wanted, TODAY) != Replacement.FREE) {
        continue;
      }
      free++;
      for (int d = 0; d < 40; d++) {
        LocalDate day = TODAY.plusDays(d);
        for (Side side : List.of(Side.LEFT, Side.RIGHT)) {
          Caps before = Caps.on(day, List.of(old));
          Caps after = Caps.on(day, List.of(wanted));
          assertThat(after.cap(knee, side))
              .as("seed %d, day %d, %s: %s by %s", seed, d, side, old, wanted)
              .isLessThanOrEqualTo(before.cap(knee, side));
          assertThat(after.firmOnly().cap(knee, side))
              .as("seed %d, firm, day %d, %s", seed, d, side)
              .isLessThanOrEqualTo(before.firmOnly().cap(knee, side));
        }
      }
    }
    assertThat(free).isGreaterThan(500);
  }

  private static Limit some(Random r) {
    int from = r.nextInt(20) - 10;
    return limit(
        KNEE,
        Side.values()[r.nextInt(3)],
        50 + r.nextInt(3),
        Strength.values()[r.nextInt(2)],
        from,
        r.nextBoolean() ? null : from + r.nextInt(30));
  }
}
