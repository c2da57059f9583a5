package riposo.core.run;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class StopSignTest {
  @ParameterizedTest(name = "{0}: first {1}")
  @CsvSource({
    "PREGNANT, CHEST CALF BLEEDING_PREGNANT CONTRACTIONS FLUID UNSETTLED HEADACHE WEAKNESS BELLY BABY",
    "AFTER_BIRTH, CHEST CALF BLEEDING_BIRTH HEADACHE_BIRTH FEVER_BIRTH WOUND",
    "DIABETES, LOW_DROWSY LOW_SUGAR",
    "SPINE_HIGH, DYSREFLEXIA",
    "LYMPHOEDEMA, SWELLING",
    "OPERATION, CALF WOUND",
    "THINNER, HEAD_KNOCK"
  })
  void thisClientsSignsComeFirst(StopFor who, String first) {
    List<String> want = Arrays.asList(first.split(" "));
    assertThat(StopSign.panel(Set.of(who)).stream().limit(want.size()).map(Enum::name))
        .isEqualTo(want);
  }

  @Test
  void everySignIsOnThePanelOnceWhoeverItIs() {
    for (int bits = 0; bits < 1 << StopFor.values().length; bits++) {
      Set<StopFor> who = EnumSet.noneOf(StopFor.class);
      for (StopFor f : StopFor.values()) {
        if ((bits >> f.ordinal() & 1) == 1) {
          who.add(f);
        }
      }
      assertThat(StopSign.panel(who)).containsExactlyInAnyOrder(StopSign.values());
    }
    assertThat(StopSign.panel(Set.of()).get(0)).isEqualTo(StopSign.NOT_BREATHING);
  }

  @ParameterizedTest
  @EnumSource(StopSign.class)
  void everySignSaysWhatToDoFirstAndWhereItIsFrom(StopSign s) {
    assertThat(s.aid.words).hasSizeGreaterThan(20).endsWith(".");
    assertThat(s.aid.source).isNotBlank();
    if (s.after == StopSign.After.EMERGENCY) {
      assertThat(s.aid.words.toLowerCase(java.util.Locale.ROOT))
          .containsAnyOf("emergency call", "call maternity");
    }
  }

  @Test
  void onlyWhatIsNoEmergencyIsAskedFirstOrSettledBySugar() {
    assertThat(Arrays.stream(StopSign.values()).filter(s -> s.after == StopSign.After.ASK_FIRST))
        .containsExactlyInAnyOrder(
            StopSign.SWELLING, StopSign.WOUND, StopSign.JOINT, StopSign.FALL_MINOR);
    assertThat(Arrays.stream(StopSign.values()).filter(s -> s.after == StopSign.After.GLUCOSE))
        .containsExactly(StopSign.LOW_SUGAR);
    assertThat(StopSign.of("NEVER_HEARD_OF", "nor of this")).isEqualTo(StopSign.OTHER);
    assertThat(StopSign.OTHER.after).isEqualTo(StopSign.After.EMERGENCY);
  }
}
