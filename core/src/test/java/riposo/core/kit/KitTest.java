package riposo.core.kit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import riposo.core.dose.Weight;
import riposo.core.kit.Room.Chair;
import riposo.core.kit.Room.Dumbbell;
import riposo.core.kit.Room.MassUnit;
import riposo.core.kit.Room.Sitter;
import riposo.core.kit.Room.StandIn;
import riposo.core.movement.Kit;

class KitTest {
  private static final Band MEASURED =
      new Band(
          "green",
          150,
          List.of(
              new Band.Measured(100, 2000),
              new Band.Measured(50, 1200),
              new Band.Measured(200, 3400)),
          true,
          3);
  private static final Band ONE =
      new Band("blue", 150, List.of(new Band.Measured(100, 2000)), false, 1);

  @ParameterizedTest(name = "at e {0}: {1} g, checked as {2} g")
  @CsvSource({
    "0, 0, 0",
    "0.25, 600, 600",
    "0.5, 1200, 1200",
    "0.75, 1600, 1600",
    "1, 2000, 2000",
    "1.5, 2700, 2700",
    "2, 3400, 3400",
    "2.01, 3414, 3414",
    "2.5, 4100, 4100"
  })
  void forceIsInterpolatedBetweenMeasuredPoints(double e, int grams, int check) {
    Band.Force f = MEASURED.force(e);
    assertThat(List.of(f.grams(), f.checkGrams())).isEqualTo(List.of(grams, check));
    assertThat(f.warning() != null).isEqualTo(e > 2);
  }

  @Test
  void onePointIsAnEstimateAndCapsSeeHalfAsMuchAgain() {
    assertThat(ONE.force(0.5)).isEqualTo(new Band.Force(1000, 1500, true, null));
    assertThatThrownBy(() -> ONE.force(2.51)).hasMessageContaining("refused");
  }

  @Test
  void theGripNeverPassesTheWantedPullNorTheCap() {
    for (int seed = 0; seed < 300; seed++) {
      Random r = new Random(seed);
      Band b = r.nextBoolean() ? MEASURED : ONE;
      Band.Hold hold = Band.Hold.values()[r.nextInt(3)];
      int reach = 30 + r.nextInt(150);
      int wanted = 200 + r.nextInt(4000);
      int cap = 200 + r.nextInt(5000);
      Band.Grip g = b.grip(hold, 30, reach, wanted, cap);
      if (g != null) {
        assertThat(g.force().grams()).isLessThanOrEqualTo(wanted);
        assertThat(g.force().checkGrams()).isLessThanOrEqualTo(cap);
        assertThat(g.gripCm() + g.spareCm()).isEqualTo(b.perHandCm(hold, 30));
        // one centimetre shorter would pass one of them, or the stretch
        if (g.gripCm() > 5 && (reach - g.gripCm() + 1) / (g.gripCm() - 1.0) <= 2.5) {
          Band.Force next = b.force((reach - g.gripCm() + 1) / (g.gripCm() - 1.0));
          assertThat(next.grams() > wanted || next.checkGrams() > cap).isTrue();
        }
      }
    }
    assertThat(MEASURED.perHandCm(Band.Hold.ONE_FOOT, 30)).isEqualTo(75);
    assertThat(MEASURED.perHandCm(Band.Hold.TWO_FEET, 30)).isEqualTo(60);
    assertThatThrownBy(() -> MEASURED.perHandCm(Band.Hold.TWO_FEET, 145))
        .hasMessageContaining("nothing of the band");
  }

  @ParameterizedTest(name = "{0} {1} is {2} g, shown {3}")
  @CsvSource({
    "5, LB, 2268, 5 lb",
    "10, LB, 4536, 10 lb",
    "2.5, KG, 2500, 2.5 kg",
    "1.50, KG, 1500, 1.5 kg"
  })
  void poundsAreExactAndRoundedUp(String printed, MassUnit unit, int grams, String words) {
    Dumbbell d = new Dumbbell(new BigDecimal(printed), unit, 2);
    assertThat(d.grams()).isEqualTo(grams);
    assertThat(d.words()).isEqualTo(words);
    assertThat(MassUnit.LB.show(2268)).isEqualTo("5 lb");
  }

  private static Room room(Chair... chairs) {
    return new Room(
        List.of(chairs),
        List.of(new Dumbbell(new BigDecimal("5"), MassUnit.LB, 2)),
        List.of(new StandIn(StandIn.Kind.CAN_400, 0, 2), new StandIn(StandIn.Kind.BOTTLE, 1500, 1)),
        List.of(MEASURED),
        List.of(),
        true,
        90,
        Set.of(Kit.MAT),
        List.of());
  }

  @ParameterizedTest(name = "wheels {0}, solid {1}, own wheelchair {2}, seat {3}, knee {4}: {5}")
  @CsvSource({
    "false, true, false, 45, , true",
    "true, true, false, 45, , false",
    "true, true, true, 45, , true",
    "false, false, false, 45, , false",
    "false, true, false, 46, 45, true",
    "false, true, false, 45, 45, false",
    "false, true, false, 50, 0, false"
  })
  void aChairIsUsedOnlyWhenItIsFit(
      boolean wheels, boolean solid, boolean own, int seat, @Nullable Integer knee, boolean used) {
    Chair c = new Chair("the chair", seat, true, wheels, solid, own, 1);
    Sitter who = knee == null ? Sitter.ANYONE : new Sitter(knee == 0 ? null : knee, true, false);
    Room.Usable u = room(c).usableBy(who);
    assertThat(u.bag().items().contains(Kit.CHAIR)).isEqualTo(used);
    assertThat(u.refused()).hasSize(used ? 0 : 1);
  }

  @Test
  void standInsAreWeightsAndLatexGoesForThoseItHarms() {
    Room.Usable u = room().usableBy(new Sitter(null, false, true));
    assertThat(u.bag().weights())
        .containsExactly(new Weight(2268, 2), new Weight(450, 2), new Weight(1500, 1));
    assertThat(u.printed()).extracting(Room.Printed::words).contains("5 lb", "1.5 l water bottle");
    assertThat(u.bag().items()).contains(Kit.WALL, Kit.COUNTER, Kit.MAT).doesNotContain(Kit.BAND);
    assertThat(u.refused()).singleElement().asString().contains("latex");
    assertThat(room().usableBy(Sitter.ANYONE).bag().items()).contains(Kit.BAND);
  }

  @Test
  void whatCannotBeRightIsRefused() {
    assertThatThrownBy(() -> new Chair("c", 10, false, false, true, false, 1))
        .hasMessageContaining("seat height");
    assertThatThrownBy(() -> new Band("b", 100, List.of(), false, 1))
        .hasMessageContaining("points");
    assertThatThrownBy(
            () ->
                new Band(
                    "b",
                    100,
                    List.of(new Band.Measured(50, 900), new Band.Measured(100, 800)),
                    false,
                    1))
        .hasMessageContaining("grow");
    assertThatThrownBy(() -> new Dumbbell(BigDecimal.ZERO, MassUnit.KG, 1))
        .hasMessageContaining("0 kg");
  }
}
