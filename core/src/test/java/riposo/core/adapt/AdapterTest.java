package riposo.core.adapt;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import riposo.core.limit.Axis;
import riposo.core.limit.Broken;
import riposo.core.limit.Caps;
import riposo.core.limit.Limit;
import riposo.core.limit.Side;
import riposo.core.limit.Strength;
import riposo.core.movement.Kit;
import riposo.core.movement.Modifier;
import riposo.core.movement.Movement;
import riposo.core.movement.Variant;

/** The search on a catalogue reckoned by hand: each row is one rule of the choice. */
class AdapterTest {
  private static final LocalDate DAY = LocalDate.of(2026, 11, 26);
  private final Adapter adapter = new Adapter(SmallCatalogue.ALL);

  private static Limit limit(String axis, Side side, int cap, Strength strength) {
    return new Limit(
        UUID.nameUUIDFromBytes((axis + side + cap + strength).getBytes()),
        axis,
        side,
        cap,
        strength,
        "table",
        DAY,
        null,
        null);
  }

  /** Limits written "pressure=0 joint.knee-flexion.any:LEFT=60". */
  private static List<Limit> limits(String words) {
    List<Limit> all = new ArrayList<>();
    for (String w : words.isBlank() ? new String[0] : words.split(" ")) {
      String[] at = w.split("[:=]");
      Side side = at.length == 3 ? Side.valueOf(at[1]) : Side.BOTH;
      all.add(limit(at[0], side, Integer.parseInt(at[at.length - 1]), Strength.ADVISED));
    }
    return all;
  }

  private static Situation situation(List<Limit> limits, Set<Kit> kit) {
    return new Situation(Caps.on(DAY, limits), kit, Map.of());
  }

  private static String words(List<Performed> parts) {
    return parts.stream()
        .map(
            p ->
                (p.side() == Side.BOTH ? "" : p.side() + " ")
                    + (p.isRest() ? "rest" : p.movementId())
                    + p.modifiers().stream().map(m -> " " + m).collect(Collectors.joining())
                    + (p.range() < 100 ? " " + p.range() : ""))
        .collect(Collectors.joining(" + "));
  }

  @ParameterizedTest(name = "{0} under [{1}] without [{2}]: {3}")
  @CsvSource({
    // nothing in the way, or nothing that it asks for
    "squat, '', '', squat",
    "squat, impact=0, '', squat",
    // the same movement eased before any other: 60 % of its range counts as the same, less as cut
    "squat, joint.knee-flexion.any=60, '', squat RANGE 60",
    "squat, joint.knee-flexion.any=50, '', squat RANGE 50",
    "squat, balance.unsupported=0, '', squat HOLD_SUPPORT",
    "squat, balance.unsupported=0 joint.knee-flexion.any=70, '', squat HOLD_SUPPORT RANGE 70",
    // no longer useful: the family, nearest rung first, never harder than asked
    "squat, joint.knee-flexion.any=40, '', knee-lift",
    "squat, balance.unsupported=0 balance.supported=0, '', sit-to-stand",
    "squat, surface.standing=0, '', knee-lift",
    "jump-squat, impact=0, '', squat",
    // the purpose before the posture: on the floor only where the floor was asked
    "bridge, transfer.floor=0, '', hip-back",
    "hip-back, surface.standing=0, '', hip-push",
    // kit is as hard as a limit
    "floor-push, transfer.floor=0, COUNTER, wall-push",
    "floor-push, transfer.floor=0, COUNTER WALL, press",
    "press, '', DUMBBELLS, counter-push",
    // a part of it swapped, on both sides alike
    "floor-push, joint.wrist-extension.any=10, '', floor-push FISTS",
    // one side closed: the other does what was asked
    "press, joint.shoulder-elevation.any:LEFT=80, '', LEFT low-raise ONE_SIDE + RIGHT press ONE_SIDE",
    // nothing at all
    "squat, effort=0, '', rest",
  })
  void theNearestThatIsOpen(String asked, String limits, String without, String expected) {
    Set<Kit> kit = EnumSet.copyOf(SmallCatalogue.KIT);
    for (String k : without == null || without.isBlank() ? new String[0] : without.split(" ")) {
      kit.remove(Kit.valueOf(k));
    }
    List<Limit> all = limits(limits == null ? "" : limits);
    assertThat(words(adapter.resolve(asked, situation(all, kit)).parts())).isEqualTo(expected);
  }

  @ParameterizedTest(name = "{0} under {1} costs {2} {3} {4} {5} {6} {7} {8}")
  @CsvSource({
    "squat, impact=0, 0, 0, 0, 0, 0, 0, 0",
    "squat, joint.knee-flexion.any=60, 0, 0, 0, 80, 0, 0, 2",
    "squat, joint.knee-flexion.any=50, 0, 0, 2, 100, 0, 0, 2",
    "squat, surface.standing=0, 0, 0, 4, 0, 2, 40, 0",
    "jump-squat, impact=0, 0, 0, 4, 0, 0, 20, 0",
    "squat, effort=0, 18, 0, 0, 0, 0, 0, 0",
  })
  void whatItGivesUpIsCountedForEachSide(
      String asked,
      String limits,
      int purpose,
      int muscles,
      int kind,
      int range,
      int position,
      int distance,
      int modifiers) {
    assertThat(adapter.resolve(asked, situation(limits(limits), SmallCatalogue.KIT)).cost())
        .isEqualTo(new Cost(purpose, muscles, kind, range, position, distance, modifiers));
  }

  @Test
  void aCeilingHoldsTheChoiceAndTheStairAlike() {
    Situation eased =
        new Situation(
            Caps.open(DAY),
            SmallCatalogue.KIT,
            Map.of("sit-stand", new Ceiling("sit-stand", 2, DAY)));
    assertThat(words(adapter.resolve("jump-squat", eased).parts())).isEqualTo("sit-to-stand");
    assertThat(adapter.stair("sit-stand", eased))
        .extracting(StairRung::open)
        .containsExactly(true, true, false, false);
  }

  @Test
  void theStairSaysFirmOnlyWhereNoReasonOpensIt() {
    Situation s =
        situation(
            List.of(
                limit("impact", Side.BOTH, 0, Strength.ADVISED),
                limit("joint.knee-flexion.any", Side.BOTH, 40, Strength.FIRM)),
            SmallCatalogue.KIT);
    List<StairRung> stair = adapter.stair("sit-stand", s);
    assertThat(stair).extracting(StairRung::open).containsExactly(true, false, false, false);
    assertThat(stair).extracting(StairRung::firm).containsExactly(false, true, true, true);
    Situation impact = situation(limits("impact=0"), SmallCatalogue.KIT);
    assertThat(adapter.stair("sit-stand", impact)).extracting(StairRung::firm).containsOnly(false);
  }

  @Test
  void whatIsNotInTheCatalogueIsRefusedByName() {
    Situation open = situation(List.of(), SmallCatalogue.KIT);
    assertThatThrownBy(() -> adapter.resolve("moon-walk", open))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("moon-walk");
  }

  private static List<Limit> some(Random r, boolean sided) {
    List<Axis> axes = Axis.all();
    List<Limit> all = new ArrayList<>();
    for (int i = 0; i < 1 + r.nextInt(4); i++) {
      Axis a = axes.get(r.nextInt(axes.size()));
      Side side = sided && a.sided ? Side.values()[r.nextInt(3)] : Side.BOTH;
      all.add(
          limit(a.id, side, r.nextInt(Math.min(a.greatest, 120) + 1), Strength.values()[i % 2]));
    }
    return all;
  }

  /** Over four thousand seeded limit sets, every movement each time. */
  @Test
  void nothingBrokenIsChosenAndNoOpenFormIsNearer() {
    int changed = 0;
    for (int seed = 0; seed < 4_000; seed++) {
      Random r = new Random(seed);
      List<Limit> limits = some(r, seed % 2 == 0);
      Set<Kit> kit = EnumSet.copyOf(SmallCatalogue.KIT);
      if (r.nextBoolean()) {
        kit.remove(Kit.values()[r.nextInt(Kit.values().length)]);
      }
      Situation s = situation(limits, kit);
      for (Movement m : SmallCatalogue.ALL.movements()) {
        SlotResult result = adapter.resolve(m.id(), s);
        for (Performed p : result.parts()) {
          assertThat(adapter.broken(p, s.caps())).as("seed %d, %s", seed, m.id()).isEmpty();
          assertThat(adapter.missing(p, s)).as("seed %d, %s", seed, m.id()).isEmpty();
        }
        changed += result.asAsked() ? 0 : 1;
        Cost least = least(m, s);
        assertThat(result.cost())
            .as("seed %d, %s: %s under %s", seed, m.id(), result.parts(), limits)
            .isLessThanOrEqualTo(least);
        if (!s.caps().sided()) {
          assertThat(result.cost()).as("seed %d, %s", seed, m.id()).isEqualTo(least);
        }
      }
    }
    assertThat(changed).isGreaterThan(5_000);
  }

  /** The least that any whole form costs that breaks nothing and lacks nothing, or rest. */
  private Cost least(Movement asked, Situation s) {
    Cost least = Cost.REST.plus(Cost.REST);
    for (Adapter.StandIn c : adapter.standIns(asked.id())) {
      for (Variant form : c.forms()) {
        // a shorter range is there for the joints' caps: what else is closed stays closed
        boolean joints =
            Broken.of(s.caps(), form.whole()).stream()
                .allMatch(b -> b.axisId().startsWith("joint."));
        for (int range = 100; range >= (joints ? c.movement().leastRange() : 100); range--) {
          Set<Modifier> with = EnumSet.noneOf(Modifier.class);
          with.addAll(form.modifiers());
          if (range < 100) {
            with.add(Modifier.RANGE);
          }
          if (with.size() > Modifier.MOST) {
            continue;
          }
          Performed p = new Performed(Side.BOTH, c.movement().id(), List.copyOf(with), range);
          Variant v = Variant.of(c.movement(), with, range);
          if (Broken.of(s.caps(), v.whole()).isEmpty() && adapter.missing(p, s).isEmpty()) {
            Cost one = adapter.cost(c, p);
            Cost both = one.plus(one);
            least = both.compareTo(least) < 0 ? both : least;
          }
        }
      }
    }
    return least;
  }

  @Test
  void aLimitMoreNeverCheapensAndOneLessNeverCosts() {
    int dearer = 0;
    for (int seed = 0; seed < 2_000; seed++) {
      Random r = new Random(seed);
      List<Limit> limits = some(r, true);
      List<Limit> fewer = limits.subList(0, limits.size() - 1);
      for (Movement m : SmallCatalogue.ALL.movements()) {
        Cost with = adapter.resolve(m.id(), situation(limits, SmallCatalogue.KIT)).cost();
        Cost without = adapter.resolve(m.id(), situation(fewer, SmallCatalogue.KIT)).cost();
        assertThat(without).as("seed %d, %s", seed, m.id()).isLessThanOrEqualTo(with);
        dearer += without.compareTo(with) < 0 ? 1 : 0;
      }
    }
    assertThat(dearer).isGreaterThan(1_000);
  }
}
