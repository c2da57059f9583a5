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
import riposo.core.wording.Wording;

/**
 * Every row of the table of alternatives. Limits are "axis cap" or "axis cap side"; an acceptable
 * answer is "movement" or "side:movement", with "+modifier" where one is wanted; the reason is how
 * the sentence on the movement asked for begins.
 */
class AlternativesTableTest {
  private static final Adapter ADAPTER = new Adapter(CatalogueReader.shipped());

  @ParameterizedTest(name = "{0} under {1}")
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
          reverse-lunge-arms-up | joint.knee-flexion.any 60; joint.shoulder-elevation.any 80 | reverse-lunge-arms-up+range+arms-low / split-dip / counter-squat+range | asks for 90° of knee bend; limit 60°
          overhead-press | joint.shoulder-elevation.any 80 right | left:overhead-press+one-side, right:forward-punch+one-side | asks for 170° of arm raised on the right; limit 80°
          chair-dip | SHOULDER | seated-kick-back | asks for a dip, which is closed
          floor-push-up | week 27 | chair-seat-push-up / counter-push-up / wall-push-up | asks for plank or heavy press of trunk pressure; limit light load
          floor-push-up | ELBOW_WRIST_HAND | counter-push-up+fists / chair-back-push-up+fists / reclined-dumbbell-press / band-press-seated | asks for 80° of wrist bent back under load; limit 30°
          supine-bridge | surface.floor 0 | kick-back-held / seated-squeeze / seated-heel-press | asks for the floor, which is closed
          supine-dumbbell-press | week 24 | supine-dumbbell-press+recline / reclined-dumbbell-press / band-press-seated | asks for lying flat on the back, which is closed
          supine-dumbbell-press | week 16 | supine-dumbbell-press+recline / reclined-dumbbell-press / band-press-seated | asks for lying flat on the back, which is closed
          seated-twist | LOW_BONE_DENSITY | hip-to-hip-pass / seated-anti-rotation / band-anti-rotation / stir / seated-stir | asks for end range of spine turn; limit mid range
          cat-cow | LOW_BONE_DENSITY | chest-opening / chest-opening-standing / seated-hinge | asks for end range of spine bend; limit mid range
          crossed-leg-stretch | HIP_BACK right | left:crossed-leg-stretch, right:knee-to-chest+range / left:crossed-leg-stretch, right:seated-squeeze | asks for 20° of leg past the midline on the right; limit 0°
          hop-jack | impact 0 | step-jack / seated-jack | asks for jump of impact; limit walking pace
          opposite-arm-leg | kneel.bare 0 | opposite-arm-leg+pad | asks for kneeling without a pad, which is closed
          forearm-plank | LOW_BACK | forearm-plank+short-holds / bench-plank+short-holds | asks for 45 s of still effort; limit 20 s
          plank-row | joint.wrist-extension.any 30; surface.floor 0 | hinged-row / four-way-row / wide-row / supported-row | asks for 70° of wrist bent back; limit 30°
          one-leg-reach | balance.unsupported 2; balance.supported 4 | one-leg-reach+hold-support | asks for one leg moving of balance without support; limit narrow or staggered stance
          one-leg-small-squat | FALLS | one-leg-small-squat+hold-support | asks for one leg of balance without support; limit wide stance
          cross-step | FALLS | cross-step+hold-support+toe-down | asks for one leg moving of balance without support; limit wide stance
          squat-hop | impact 0 | squat-tiptoes / squat | asks for low hop of impact; limit walking pace
          lunge-switch-hop | impact 0 | lunge-switch-hop+step-not-hop / lunge-switch-step+step-not-hop / reverse-lunge | asks for jump of impact; limit walking pace
          lunge-kick-back | joint.hip-flexion.any 90 F | lunge-kick-back+range | asks for 95° of hip bend; limit 90°
          lying-twist | HIP_BACK right | side-reach / hip-to-hip-pass | asks for 20° of leg past the midline on the right; limit 0°
          lying-twist | VERTEBRA | side-reach / hip-to-hip-pass | asks for end range of spine turn; limit mid range
          lying-twist | VERTIGO | side-reach / hip-to-hip-pass | asks for a quick turn of the head, which is closed
          supine-bridge | PELVIC_GIRDLE | kick-back-held / seated-squeeze / seated-heel-press | asks, on the way down through half-kneeling, for a split stance, which is closed
          supine-bridge | joint.hip-flexion.any 90 F | kick-back-held / seated-squeeze / seated-heel-press | asks, on the way down through a chair, for 95° of hip bend; limit 90°
          supine-bridge | STERNOTOMY 6 weeks | kick-back-held / seated-squeeze / seated-heel-press | asks for the floor, which is closed
          supine-bridge | STROKE | kick-back-held / seated-squeeze / seated-heel-press | asks for getting down to the floor and up, which is closed
          supine-bridge | FALLS | kick-back-held / seated-squeeze / seated-heel-press | asks for getting down to the floor and up, which is closed
          floor-shoulder-squat | VERTEBRA | goblet-squat / counter-squat | asks for lifting a weight from the floor, which is closed
          seated-punch-up | joint.shoulder-elevation.loaded 80 | seated-punch-up+range / seated-punch-across / forward-punch | asks for 150° of arm raised under load; limit 80°
          stand-hands | STERNOTOMY 6 weeks | stand-raised | asks for 15 % of weight on the arm; limit 0 %
          heel-raise-held | LEG_LOST left | ankle-circles / left:rest, right:ankle-circles / band-foot-press / left:rest, right:band-foot-press | asks for work or stretch of the left foot, which is closed
          band-foot-press | LEG_LOST left | left:rest, right:band-foot-press | asks for work or stretch of the left foot, which is closed
          goal-post-press | TRUNK_NONE | goal-post-press+hold-on / goal-post-press+strapped | asks for overhead, reaching, turning or one-sided of trunk control; limit back supported, arms low
          squat | LEG_SPARED right | seated-knee-extension / seated-squeeze | asks for 50 % of weight on the leg on the right; limit 0 %
          stand-hands | STERNOTOMY 8 weeks | stand-raised | asks for 15 % of weight on the arm; limit 0 %
          chair-tap | HIP_BACK | stand-raised / stand-chair+higher-seat | asks for 105° of hip bend; limit 90°
          curl-up | PELVIC_FLOOR | seated-knee-lift | asks for a sit-up, which is closed
          reverse-lunge | PELVIC_GIRDLE | counter-squat / chair-tap / chair-tap+hold-support | asks for a split stance, which is closed
          squat-to-press | WHEELCHAIR; NO_LEG_FUNCTION; TRUNK_NONE; SPINE_HIGH | seated-one-arm-press+hold-on / seated-one-arm-press+strapped | asks for work with the legs, which is closed
          overhead-press | DEVICE_NEW left 3 weeks | left:forward-punch+one-side, right:overhead-press+one-side | asks for 170° of arm raised on the left; limit 90°
          forearm-plank | DIABETES_EYES | seated-anti-rotation / seated-brace / brace-lying | asks for 45 s of still effort; limit 10 s
          cross-behind-lunge | PARKINSON | side-tap+hold-support | asks for 2 of parts to coordinate; limit 1
          kneeling-push-up | KNEE_REPLACED right | chair-seat-push-up / counter-push-up | asks for kneeling, which is closed
          squat | effort 4 | squat+slower / counter-squat | asks for 5 of effort; limit 4
          """)
  void rowGivesAnAcceptableAlternativeAndItsReason(
      String asked, String limits, String acceptable, String reason) {
    SlotResult result = ADAPTER.resolve(asked, Said.situation(limits));
    assertThat(
            result.parts().stream()
                .map(AlternativesTableTest::show)
                .collect(Collectors.joining(", ")))
        .isIn((Object[]) acceptable.split(" / "));
    assertThat(result.rejections().get(0).movementId()).isEqualTo(asked);
    assertThat(Wording.broken(result.rejections().get(0).broken()))
        .anyMatch(s -> s.startsWith(reason));
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
    List<Limit> chair = limits("surface.standing 0; surface.floor 0; surface.bed 0");
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
    List<Limit> none =
        limits("surface.standing 0; surface.floor 0; surface.chair 0; surface.bed 0");
    SlotResult r = ADAPTER.resolve("squat", RandomLimits.all(none));
    assertThat(r.allRest()).isTrue();
    assertThat(r.rejections()).allMatch(j -> !j.broken().isEmpty()).hasSizeGreaterThan(10);
  }

  private static String show(Performed p) {
    String mods = p.modifiers().stream().map(m -> "+" + id(m)).collect(Collectors.joining());
    String side = p.side() == Side.BOTH ? "" : p.side().name().toLowerCase() + ":";
    return side + (p.isRest() ? "rest" : p.movementId()) + mods;
  }

  private static String id(Modifier m) {
    return m.name().toLowerCase().replace('_', '-');
  }

  static List<Limit> limits(String text) {
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
    assertThat(ADAPTER.catalogue().families()).hasSizeGreaterThanOrEqualTo(28);
    assertThat(ADAPTER.catalogue().movements()).hasSizeGreaterThanOrEqualTo(200);
    Set<String> mayRise =
        Set.of(
            "balance.supported",
            "position.reclined",
            "position.standing",
            "position.standing-supported",
            "surface.bed");
    // hands that help carry, forearms bend the elbow: stated where the modifier is
    Map<Modifier, Set<String>> mayRiseWith =
        Map.of(
            Modifier.HELP_RISING,
            Set.of(
                "bearing.arm",
                "grip",
                "joint.wrist-extension.any",
                "joint.wrist-extension.loaded",
                "joint.shoulder-extension.any",
                "joint.shoulder-extension.loaded"),
            Modifier.HOLD_ON,
            Set.of("grip", "act.one-handed-load"),
            Modifier.LEFT_EMPTY,
            Set.of("act.one-handed-load", "trunk"),
            Modifier.RIGHT_EMPTY,
            Set.of("act.one-handed-load", "trunk"),
            Modifier.ONE_SIDE,
            Set.of("act.one-handed-load", "trunk"),
            Modifier.FOREARMS,
            Set.of(
                "joint.elbow-flexion.any",
                "joint.elbow-flexion.loaded",
                "joint.elbow-flexion.added"));
    for (Movement m : ADAPTER.catalogue().movements()) {
      int[] bare = ADAPTER.catalogue().variants(m).get(0).whole();
      ADAPTER
          .catalogue()
          .variants(m)
          .forEach(
              v -> {
                int[] cells = v.whole();
                for (int i = 0; i < cells.length; i++) {
                  String axis = Axis.ofCell(i).id;
                  if (!mayRise.contains(axis)
                      && v.modifiers().stream()
                          .noneMatch(x -> mayRiseWith.getOrDefault(x, Set.of()).contains(axis))) {
                    assertThat(cells[i])
                        .as("%s %s %s", m.id(), v.modifiers(), Axis.ofCell(i))
                        .isLessThanOrEqualTo(bare[i]);
                  }
                }
              });
    }
    assertThat(Arrays.asList(Modifier.values())).hasSize(27);
  }
}
