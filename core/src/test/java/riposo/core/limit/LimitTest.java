package riposo.core.limit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class LimitTest {
  private static final LocalDate TODAY = LocalDate.of(2026, 11, 24);

  private static Limit limit(
      String axis, Side side, int cap, Strength strength, LocalDate from, LocalDate until) {
    return new Limit(UUID.randomUUID(), axis, side, cap, strength, "test", from, until, null);
  }

  @ParameterizedTest(name = "{0}: from {1}, until {2} days from today is {3}, review due {4}")
  @CsvSource({
    "ADVISED, -10, -1, false, false",
    "ADVISED, -10, 0, true, false",
    "ADVISED, -10, 1, true, false",
    "ADVISED, 1, 5, false, false",
    "ADVISED, 0, 5, true, false",
    "FIRM, -10, -1, true, true",
    "FIRM, -10, 0, true, false",
    "FIRM, 1, 5, false, false"
  })
  void aLimitEndedYesterdayDiffersFromOneEndingTodayAndFirmNeverLapses(
      Strength strength, int from, int until, boolean active, boolean due) {
    Limit l =
        limit("pressure", Side.BOTH, 1, strength, TODAY.plusDays(from), TODAY.plusDays(until));
    assertThat(l.activeOn(TODAY)).isEqualTo(active);
    assertThat(l.reviewDueOn(TODAY)).isEqualTo(due);
  }

  @Test
  void theLowestCapOfEachSideWinsInAnyOrder() {
    List<Limit> limits = new ArrayList<>();
    limits.add(limit("joint.knee-flexion.any", Side.BOTH, 90, Strength.ADVISED, TODAY, null));
    limits.add(limit("joint.knee-flexion.any", Side.LEFT, 60, Strength.FIRM, TODAY, null));
    limits.add(limit("pressure", Side.BOTH, 2, Strength.ADVISED, TODAY, null));
    limits.add(limit("pressure", Side.BOTH, 1, Strength.ADVISED, TODAY, null));
    Axis knee = Axis.of("joint.knee-flexion.any");
    for (int seed = 0; seed < 20; seed++) {
      Collections.shuffle(limits, new Random(seed));
      Caps caps = Caps.on(TODAY, limits).plus(limits);
      assertThat(caps.cap(knee, Side.LEFT)).isEqualTo(60);
      assertThat(caps.cap(knee, Side.RIGHT)).isEqualTo(90);
      assertThat(caps.cap(Axis.PRESSURE, Side.BOTH)).isEqualTo(1);
      assertThat(caps.firmOnly().cap(knee, Side.RIGHT)).isEqualTo(Integer.MAX_VALUE);
      assertThat(caps.behind(knee.cell(Side.LEFT))).extracting(Limit::cap).containsOnly(60);
    }
  }

  @Test
  void whatCannotBeRightIsRefusedWithAReason() {
    assertThatThrownBy(() -> limit("no.such", Side.BOTH, 0, Strength.FIRM, TODAY, null))
        .hasMessageContaining("no.such");
    assertThatThrownBy(() -> limit("pressure", Side.LEFT, 0, Strength.FIRM, TODAY, null))
        .hasMessageContaining("no sides");
    assertThatThrownBy(() -> limit("pressure", Side.BOTH, 4, Strength.FIRM, TODAY, null))
        .hasMessageContaining("between 0 and 3");
    assertThatThrownBy(
            () -> limit("pressure", Side.BOTH, 1, Strength.FIRM, TODAY, TODAY.minusDays(1)))
        .hasMessageContaining("before");
  }

  @Test
  void combiningIsOrderFreeAndIdempotentAndYesterdayIsNotToday() {
    java.util.List<Limit> all = new java.util.ArrayList<>();
    for (Condition c : Condition.values()) {
      for (Side side : Side.values()) {
        c.proposals(side, TODAY)
            .forEach(
                p -> all.add(limit(p.axisId(), p.side(), p.cap(), p.strength(), TODAY, p.until())));
      }
    }
    for (int seed = 0; seed < 60; seed++) {
      java.util.Random random = new java.util.Random(seed);
      java.util.List<Limit> some = new java.util.ArrayList<>(all);
      java.util.Collections.shuffle(some, random);
      some = some.subList(0, 1 + random.nextInt(some.size() - 1));
      Caps one = Caps.on(TODAY, some);
      java.util.List<Limit> twice = new java.util.ArrayList<>(some);
      twice.addAll(some);
      java.util.Collections.shuffle(twice, random);
      Caps other = Caps.on(TODAY, twice);
      for (int cell = 0; cell < Axis.CELLS; cell++) {
        assertThat(other.cap(cell)).isEqualTo(one.cap(cell));
        int least = Integer.MAX_VALUE;
        for (Limit l : some) {
          Side side = Axis.sideOfCell(cell);
          if (l.axis() == Axis.ofCell(cell) && (!l.axis().sided || l.side().covers(side))) {
            least = Math.min(least, l.cap());
          }
        }
        // what no limit names follows from others: law by law in FloorWayTest
        if (!Axis.ofCell(cell).isDerived() && Axis.ofCell(cell) != Axis.act(Act.FLOOR_TRAINING)) {
          assertThat(one.cap(cell)).isEqualTo(least);
        }
      }
    }
    Limit ending = limit("impact", Side.BOTH, 0, Strength.ADVISED, TODAY.minusDays(9), TODAY);
    assertThat(Caps.on(TODAY, java.util.List.of(ending)).active()).hasSize(1);
    assertThat(Caps.on(TODAY.plusDays(1), java.util.List.of(ending)).active()).isEmpty();
  }
}
