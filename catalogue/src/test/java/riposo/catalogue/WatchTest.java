package riposo.catalogue;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import riposo.core.group.Participant;
import riposo.core.group.Watch;
import riposo.core.limit.Axis;
import riposo.core.limit.Caps;
import riposo.core.limit.Limit;
import riposo.core.limit.Side;
import riposo.core.limit.Strength;
import riposo.core.movement.Catalogue;
import riposo.core.movement.Kit;
import riposo.core.movement.Position;
import riposo.core.movement.Variant;
import riposo.core.plan.Mobility;
import riposo.core.wording.Wording;

/** Who needs watching at which slot, and why. */
class WatchTest {
  private static final LocalDate DAY = LocalDate.of(2026, 11, 25);
  private static final Catalogue ALL = CatalogueReader.shipped();

  private static List<Watch> watch(
      String movement, Mobility mobility, Position from, int rest, Limit... limits) {
    Participant who =
        new Participant(
            new UUID(1, 1),
            Caps.on(DAY, List.of(limits)),
            EnumSet.allOf(Kit.class),
            Map.of(),
            Map.of(),
            mobility);
    Variant v = ALL.variants(ALL.movement(movement)).get(0);
    return Watch.of(who, "s", v, from, rest);
  }

  private static Limit limit(String axis, int cap, Strength strength) {
    return new Limit(UUID.randomUUID(), axis, Side.BOTH, cap, strength, "physio", DAY, null, null);
  }

  private static Limit knee(int cap, Side side) {
    return new Limit(
        UUID.randomUUID(),
        "joint.knee-flexion.loaded",
        side,
        cap,
        Strength.FIRM,
        "physio",
        DAY,
        null,
        null);
  }

  @ParameterizedTest(name = "{0} from {1}, {2}, rest {3} s: {4}")
  @CsvSource({
    "supine-bridge, STANDING, USUAL, 30, ''",
    "supine-bridge, STANDING, USUAL, 15, ''",
    "supine-bridge, STANDING, SLOW, 30, 'changes posture slowly, 10 s more than the rest; getting down or up takes 40 s, stay near'",
    "squat, SUPINE, SLOW, 60, 'getting down or up takes 40 s, stay near'",
    "squat, STANDING, SLOW, 0, ''",
    "squat, , SLOW, 0, ''",
  })
  void theWayThere(String movement, Position from, Mobility mobility, int rest, String words) {
    assertThat(
            String.join(
                "; ", watch(movement, mobility, from, rest).stream().map(Wording::watch).toList()))
        .isEqualTo(words);
  }

  @Test
  void theEdgeOfALimit() {
    int balance = ALL.movement("one-leg-stand").demands().balance();
    assertThat(
            watch(
                "one-leg-stand",
                Mobility.USUAL,
                null,
                0,
                limit("balance.unsupported", balance, Strength.ADVISED),
                limit("balance.supported", balance, Strength.ADVISED)))
        .extracting(Watch::kind)
        .containsExactly(Watch.Kind.BALANCE_EDGE);
    int effort = ALL.movement("squat").demands().effort();
    assertThat(watch("squat", Mobility.USUAL, null, 0, limit("effort", effort, Strength.FIRM)))
        .extracting(Wording::watch)
        .containsExactly("effort just at the limit, " + effort);
    assertThat(watch("squat", Mobility.USUAL, null, 0, limit("effort", effort, Strength.ADVISED)))
        .as("an advised limit is no edge to watch")
        .isEmpty();
    Axis bend = Axis.of("joint.knee-flexion.loaded");
    int knee = ALL.variants(ALL.movement("squat")).get(0).whole()[bend.cell(Side.LEFT)];
    assertThat(
            Stream.of(Side.values())
                .flatMap(s -> watch("squat", Mobility.USUAL, null, 0, knee(knee, s)).stream())
                .map(Wording::watch))
        .as("the side is named, and never looks like another word")
        .containsExactlyInAnyOrder(
            "left " + bend.words + " just at the limit, " + knee + "°",
            "right " + bend.words + " just at the limit, " + knee + "°",
            bend.words + " just at the limit, " + knee + "°");
    assertThat(watch("squat", Mobility.USUAL, null, 0, limit("effort", effort + 1, Strength.FIRM)))
        .isEmpty();
  }
}
