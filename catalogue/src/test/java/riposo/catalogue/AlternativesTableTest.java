package riposo.catalogue;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import riposo.core.adapt.Adapter;
import riposo.core.adapt.Performed;
import riposo.core.adapt.SlotResult;
import riposo.core.limit.Axis;
import riposo.core.limit.Broken;
import riposo.core.limit.Limit;
import riposo.core.limit.Side;
import riposo.core.limit.Strength;
import riposo.core.movement.Modifier;
import riposo.core.movement.Movement;
import riposo.core.movement.Position;
import riposo.core.plan.Format;

/**
 * The rows of the table of handbook 4 that the catalogue reaches. Limits are "axis cap" or "axis
 * cap side"; the expected part is "movement" or "side:movement", with "+modifier" where one is
 * wanted.
 */
class AlternativesTableTest {
  private static final Adapter ADAPTER = new Adapter(CatalogueReader.shipped());

  @ParameterizedTest(name = "{0} under {1}")
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
          reverse-lunge-arms-up | joint.knee-flexion.any 60; joint.shoulder-elevation.any 80 | split-dip
          overhead-press | joint.shoulder-elevation.any 80 right | left:one-arm-press, right:forward-punch+one-side
          chair-dip | act.dip 0; joint.shoulder-elevation.loaded 80 | seated-kick-back
          floor-push-up | pressure 1; position.prone 0; position.supine 0 | chair-seat-push-up
          floor-push-up | joint.wrist-extension.any 30 | reclined-dumbbell-press
          supine-bridge | surface.floor 0 | kick-back-held
          supine-dumbbell-press | position.supine 0 | supine-dumbbell-press+recline
          seated-twist | spine.rotation.loaded 0; spine.flexion.loaded 0; spine.rotation.any 1; spine.flexion.any 1 | hip-to-hip-pass
          cat-cow | spine.flexion.loaded 0; spine.flexion.any 1 | chest-opening
          crossed-leg-stretch | joint.hip-flexion.any 90 right; joint.hip-adduction.any 0 right; joint.hip-rotation.any 0 right | left:crossed-leg-stretch, right:knee-to-chest+range
          hop-jack | impact 0 | step-jack
          opposite-arm-leg | kneel.bare 0 | opposite-arm-leg+pad
          forearm-plank | hold 20; position.floor-plank 0; spine.flexion.loaded 0 | bench-plank+short-holds
          plank-row | joint.wrist-extension.any 30; surface.floor 0 | hinged-row
          one-leg-reach | balance.unsupported 2; balance.supported 4 | one-leg-reach+hold-support
          squat | bearing.leg 0 right; surface.standing 0 | seated-knee-extension
          stand-hands | bearing.arm 0; load.total 4500 | stand-raised
          chair-tap | joint.hip-flexion.any 90 | stand-raised
          curl-up | pressure 1; act.sit-up 0; act.double-leg-lift 0 | seated-knee-lift
          reverse-lunge | act.split-stance 0; act.uneven-legs 0; act.one-leg-stance 0; act.wide-hips 0; balance.unsupported 1 | counter-squat
          squat-to-press | surface.standing 0; surface.floor 0; act.leg-work 0 | seated-one-arm-press
          overhead-press | joint.shoulder-elevation.any 90 left; load.total 4500 | left:forward-punch+one-side, right:one-arm-press
          forearm-plank | pressure 0 | seated-anti-rotation
          cross-behind-lunge | balance.unsupported 1; complexity 1; act.crossing 0 | side-tap+hold-support
          kneeling-push-up | position.kneeling 0; position.half-kneeling 0; kneel.bare 0 | chair-seat-push-up
          squat | effort 4 | counter-squat
          """)
  void rowGivesAnAcceptableAlternative(String asked, String limits, String expected) {
    SlotResult result = ADAPTER.resolve(asked, RandomLimits.all(limits(limits)));
    assertThat(
            result.parts().stream()
                .map(AlternativesTableTest::show)
                .collect(Collectors.joining(", ")))
        .isEqualTo(expected);
    assertThat(result.rejections()).isNotEmpty();
  }

  @Test
  void aReasonNamesAskedLimitAndSource() {
    List<Limit> limits = limits("joint.shoulder-elevation.any 80 right");
    SlotResult r = ADAPTER.resolve("overhead-press", RandomLimits.all(limits));
    Broken b = r.rejections().get(0).broken().get(0);
    assertThat(r.rejections().get(0).movementId()).isEqualTo("overhead-press");
    assertThat(List.of(b.side(), b.asked(), b.cap(), b.source()))
        .isEqualTo(List.of(Side.RIGHT, 170, 80, "table"));
  }

  @Test
  void everyStandingSlotHasASeatedAnswerOfTheSamePurposeInTheChairLane() {
    List<Limit> chair = limits("surface.standing 0; surface.floor 0");
    for (Movement m : ADAPTER.catalogue().movements()) {
      if (m.position().height >= 3) {
        List<Performed> parts = ADAPTER.resolve(m.id(), RandomLimits.all(chair)).parts();
        assertThat(parts).as(m.id()).noneMatch(Performed::isRest);
        for (Performed p : parts) {
          Movement chosen = ADAPTER.catalogue().movement(String.valueOf(p.movementId()));
          assertThat(chosen.purpose()).as(m.id()).isEqualTo(m.purpose());
          assertThat(chosen.position()).as(m.id()).isEqualTo(Position.CHAIR);
        }
      }
    }
  }

  @Test
  void aHeartClientWorksTheFirstHalfOfWorkAndRest() {
    assertThat(Format.workWithin(20, 10, 100)).isEqualTo(15);
  }

  @Test
  void nothingOpenIsRestAndBreatheSaidPlainly() {
    List<Limit> none = limits("surface.standing 0; surface.floor 0; surface.chair 0");
    SlotResult r = ADAPTER.resolve("squat", RandomLimits.all(none));
    assertThat(r.allRest()).isTrue();
    assertThat(r.rejections()).allMatch(j -> !j.broken().isEmpty()).hasSizeGreaterThan(10);
  }

  private static String show(Performed p) {
    String mods = p.modifiers().stream().map(m -> "+" + id(m)).collect(Collectors.joining());
    String side = p.side() == Side.BOTH ? "" : p.side().name().toLowerCase() + ":";
    return side + p.movementId() + mods;
  }

  private static String id(Modifier m) {
    return m.name().toLowerCase().replace('_', '-');
  }

  private static List<Limit> limits(String text) {
    List<Limit> list = new ArrayList<>();
    for (String one : text.split(";")) {
      String[] p = one.trim().split(" ");
      list.add(
          new Limit(
              UUID.nameUUIDFromBytes(one.getBytes()),
              Axis.of(p[0]).id,
              p.length > 2 ? Side.valueOf(p[2].toUpperCase()) : Side.BOTH,
              Integer.parseInt(p[1]),
              Strength.FIRM,
              "table",
              LocalDate.of(2026, 1, 1),
              null,
              null));
    }
    return list;
  }

  @Test
  void aCatalogueWithMistakesNamesFileAndFieldAndLoadsNothing() {
    String bad =
        "id: push\nname: P\npurpose: push\nmovements:\n  - {id: x, name: X, rung: 1, difficulty: 200}\n";
    assertThat(
            org.junit.jupiter.api.Assertions.assertThrows(
                    CatalogueException.class,
                    () -> new CatalogueReader().read(Map.of("own.yaml", bad)))
                .problems())
        .anyMatch(p -> p.contains("own.yaml") && p.contains("difficulty"))
        .anyMatch(p -> p.contains("demands"));
  }

  @Test
  void theCatalogueIsWideEnoughAndItsModifiersLowerDemands() {
    assertThat(ADAPTER.catalogue().families()).hasSizeGreaterThanOrEqualTo(14);
    assertThat(ADAPTER.catalogue().movements()).hasSizeGreaterThanOrEqualTo(70);
    Set<String> mayRise = Set.of("balance.supported", "position.reclined", "position.standing");
    for (Movement m : ADAPTER.catalogue().movements()) {
      int[] bare = ADAPTER.catalogue().variants(m).get(0).whole();
      ADAPTER
          .catalogue()
          .variants(m)
          .forEach(
              v -> {
                int[] cells = v.whole();
                for (int i = 0; i < cells.length; i++) {
                  if (!mayRise.contains(Axis.ofCell(i).id)) {
                    assertThat(cells[i])
                        .as("%s %s %s", m.id(), v.modifiers(), Axis.ofCell(i))
                        .isLessThanOrEqualTo(bare[i]);
                  }
                }
              });
    }
    assertThat(Arrays.asList(Modifier.values())).hasSize(16);
  }
}
