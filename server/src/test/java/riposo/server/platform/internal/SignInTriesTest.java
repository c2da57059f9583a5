package riposo.server.platform.internal;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class SignInTriesTest {
  private Instant now = Instant.parse("2027-03-01T09:00:00Z");
  private final SignInTries tries =
      new SignInTries(
          new Clock() {
            @Override
            public ZoneOffset getZone() {
              return ZoneOffset.UTC;
            }

            @Override
            public Clock withZone(java.time.ZoneId zone) {
              return this;
            }

            @Override
            public Instant instant() {
              return now;
            }
          });

  private void pass(Duration by) {
    now = now.plus(by);
  }

  @Test
  void fiveSlipsCostNothingAndThenEachWaitsTwiceAsLongUpToAQuarterOfAnHour() {
    for (int i = 0; i < 5; i++) {
      assertThat(tries.take("ada", "here")).isZero();
    }
    List<Long> waits = new ArrayList<>();
    for (int i = 0; i < 6; i++) {
      Duration wait = tries.take("ada", "here");
      waits.add(wait.toMinutes());
      pass(wait.minusMillis(1));
      assertThat(tries.take("ada", "here")).isEqualTo(Duration.ofMillis(1));
      pass(Duration.ofMillis(1));
      assertThat(tries.take("ada", "here")).isZero();
    }
    assertThat(waits).containsExactly(1L, 2L, 4L, 8L, 15L, 15L);
  }

  @Test
  void aRightOneEndsTheRowAndIsNoneOfTheHour() {
    for (int i = 0; i < 300; i++) {
      assertThat(tries.take("ada", "here")).isZero();
      tries.right("ada", "here");
    }
    for (int i = 0; i < 4; i++) {
      assertThat(tries.take("ada", "here")).isZero();
    }
    assertThat(tries.take("ada", "here")).isZero();
    tries.right("ada", "here");
    assertThat(tries.take("ada", "here")).isZero();
  }

  @Test
  void oneThatWasNotLookedAtCountsForNothing() {
    for (int i = 0; i < 50; i++) {
      assertThat(tries.take("ada", "here")).isZero();
      tries.back("ada", "here");
    }
    for (int i = 0; i < 5; i++) {
      assertThat(tries.take("ada", "here")).isZero();
    }
    assertThat(tries.take("ada", "here")).isPositive();
  }

  @Test
  void anHourWithoutOneBeginsAnew() {
    for (int i = 0; i < 5; i++) {
      tries.take("ada", "here");
    }
    pass(Duration.ofHours(1));
    for (int i = 0; i < 5; i++) {
      assertThat(tries.take("ada", "here")).isZero();
    }
    assertThat(tries.take("ada", "here")).isEqualTo(Duration.ofMinutes(1));
  }

  @Test
  void waitingForOneKeepsNobodyElseFromAnotherPlaceOrForAnotherAccount() {
    for (int i = 0; i < 6; i++) {
      tries.take("ada", "here");
    }
    assertThat(tries.take("ada", "here")).isPositive();
    assertThat(tries.take("ada", "there")).isZero();
    assertThat(tries.take("bea", "here")).isZero();
  }

  @Test
  void howeverManyPlacesAndWhateverThePauseAnAccountIsTriedTwentyTimesInAnyHour() {
    Random random = new Random(18);
    List<Instant> taken = new ArrayList<>();
    for (int i = 0; i < 20_000; i++) {
      pass(Duration.ofSeconds(random.nextInt(20)));
      if (tries.take("ada", "place " + random.nextInt(500)).isZero()) {
        taken.add(now);
      }
    }
    assertThat(taken).hasSizeGreaterThan(20);
    for (Instant from : taken) {
      assertThat(
              taken.stream()
                  .filter(t -> !t.isBefore(from) && t.isBefore(from.plus(Duration.ofHours(1)))))
          .hasSizeLessThanOrEqualTo(SignInTries.ACCOUNT_AN_HOUR);
    }
  }

  @Test
  void aPlaceThatTriesManyAddressesIsHeldUpToo() {
    long taken = 0;
    for (int i = 0; i < 1_000; i++) {
      taken += tries.take("somebody " + i, "here").isZero() ? 1 : 0;
    }
    assertThat(taken).isEqualTo(SignInTries.PLACE_AN_HOUR);
    assertThat(tries.take("ada", "there")).isZero();
    pass(Duration.ofHours(1));
    assertThat(tries.take("ada", "here")).isZero();
  }
}
