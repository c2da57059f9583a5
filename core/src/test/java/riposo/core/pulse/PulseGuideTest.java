package riposo.core.pulse;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import riposo.core.screening.PulseFacts;

class PulseGuideTest {
  private static PulseGuide guide(
      int age, @Nullable Integer rest, @Nullable Integer measured, boolean older, PulseFacts f) {
    return PulseGuide.of(new PulseGuide.Facts(age, rest, measured, older, f, false, null));
  }

  @ParameterizedTest(name = "age {0}: {1} or {2}, on a beta-blocker {3}")
  @CsvSource({"62, 165, 158, 121", "20, 194, 200, 150", "80, 152, 140, 108", "63, 164, 157, 120"})
  void maximaByAge(int age, int tanaka, int older, int brawner) {
    assertThat(guide(age, null, null, false, PulseFacts.NONE).maximum()).isEqualTo(tanaka);
    assertThat(guide(age, null, null, true, PulseFacts.NONE).maximum()).isEqualTo(older);
    PulseFacts beta = new PulseFacts(List.of("a medicine slows the pulse"), true, null, null);
    assertThat(guide(age, null, null, true, beta).maximum()).isEqualTo(brawner);
    assertThat(guide(age, null, 150, true, beta).maximum()).isEqualTo(150);
  }

  @Test
  void bothTrapsAreCaught() {
    // age 62, resting 82: half of the maximum is the resting pulse
    PulseGuide g = guide(62, 82, null, false, PulseFacts.NONE);
    assertThat(g.read(99)).isEqualTo(new PulseGuide.Reading(99, 60, 20, false));
    assertThat(g.ranges())
        .extracting(
            r -> r.name() + " " + r.scale() + " " + r.from() + "-" + r.to() + " " + r.usable())
        .containsExactly(
            "light of maximum 94-104 true",
            "light of reserve 107-114 true",
            "moderate of maximum 106-125 true",
            "moderate of reserve 115-131 true");
    assertThat(g.warnings()).isEmpty();
    PulseGuide high = guide(62, 88, null, false, PulseFacts.NONE);
    assertThat(high.ranges()).filteredOn(r -> !r.usable()).hasSize(1);
    assertThat(high.warnings()).hasSize(1).allMatch(w -> w.contains("use reserve"));
    // at resting + 10 exactly it still means something
    assertThat(guide(62, 84, null, false, PulseFacts.NONE).warnings()).isEmpty();
    assertThat(guide(62, 85, null, false, PulseFacts.NONE).warnings()).hasSize(1);
  }

  @Test
  void offRemovesTargetsNeverCaps() {
    PulseFacts f = new PulseFacts(List.of("a pacemaker or defibrillator"), false, 170, null);
    PulseGuide g = guide(60, 70, null, false, f);
    assertThat(g.ranges()).isEmpty();
    assertThat(g.cap()).isEqualTo(150);
    assertThat(g.read(150).overCap()).isFalse();
    assertThat(g.read(151).overCap()).isTrue();
    assertThat(g.warnings()).anyMatch(w -> w.contains("targets are off"));
  }

  @ParameterizedTest(name = "device {0}, clinic {1}, event {2}: cap {3}")
  @CsvSource({
    "170, , false, 150",
    "170, 155, false, 155",
    "170, 160, false, 160",
    "170, 161, false, 160",
    "170, 169, false, 160",
    "170, 120, false, 120",
    ", 130, false, 130",
    ", , true, 90",
    "170, , true, 90",
    ", 85, true, 85",
    ", , false,"
  })
  void caps(
      @Nullable Integer rate, @Nullable Integer clinic, boolean event, @Nullable Integer cap) {
    PulseFacts f = new PulseFacts(List.of(), false, rate, null);
    assertThat(PulseGuide.of(new PulseGuide.Facts(60, 70, null, false, f, event, clinic)).cap())
        .isEqualTo(cap);
  }

  @Test
  void withoutARestingPulseTheCapAfterAnEventIsAskedFor() {
    PulseGuide g =
        PulseGuide.of(new PulseGuide.Facts(60, null, null, false, PulseFacts.NONE, true, null));
    assertThat(g.cap()).isNull();
    assertThat(g.warnings()).anyMatch(w -> w.contains("resting is not recorded"));
    assertThat(g.read(100).ofReserve()).isNull();
    assertThatThrownBy(() -> guide(60, 170, 165, false, PulseFacts.NONE))
        .hasMessageContaining("170");
    assertThatThrownBy(() -> g.read(12)).hasMessageContaining("12 bpm");
  }
}
