package riposo.core.limit;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Getting down to the floor and up: which way is open under which limits, and what closes it. */
class FloorWayTest {
  private static final LocalDate DAY = LocalDate.of(2026, 11, 26);
  private static final int FLOOR = Axis.FLOOR_WAY.cell(Side.BOTH);

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

  /** "axis cap", "axis cap left", "axis cap F": ADVISED unless F. */
  private static List<Limit> limits(String text) {
    List<Limit> all = new ArrayList<>();
    for (String one : text.isBlank() ? new String[0] : text.split(";")) {
      List<String> p = List.of(one.trim().split(" "));
      all.add(
          limit(
              p.get(0),
              p.contains("left") ? Side.LEFT : p.contains("right") ? Side.RIGHT : Side.BOTH,
              Integer.parseInt(p.get(1)),
              p.contains("F") ? Strength.FIRM : Strength.ADVISED));
    }
    return all;
  }

  private static Set<FloorWay> ways(String text) {
    Set<FloorWay> all = EnumSet.noneOf(FloorWay.class);
    for (String w : text.split(",")) {
      switch (w.trim()) {
        case "half" -> all.add(FloorWay.HALF_KNEELING);
        case "chair" -> all.add(FloorWay.CHAIR);
        default -> {}
      }
    }
    return all;
  }

  @ParameterizedTest(name = "{0}, pad {1}, seen {2}: {3}")
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
          | no | - | half, chair
          joint.knee-flexion.loaded 90 | no | - | chair
          joint.knee-flexion.loaded 90 right | no | - | chair
          joint.knee-flexion.any 100 left | no | - | -
          joint.knee-flexion.any 119 | no | - | chair
          joint.hip-flexion.any 90 F | no | - | -
          joint.hip-flexion.any 95 F | no | - | chair
          joint.hip-flexion.any 94 left F | no | half, chair | -
          joint.wrist-extension.loaded 30 | no | - | chair
          joint.wrist-extension.loaded 30 left | no | - | half, chair
          bearing.arm 0 left | no | - | half
          bearing.arm 10 right | no | - | half
          bearing.arm 0 left; joint.wrist-extension.loaded 30 right | no | - | -
          bearing.arm 0 | no | - | -
          bearing.leg 60 left | no | - | half, chair
          bearing.leg 60 | no | - | chair
          bearing.leg 0 right F | no | - | -
          act.split-stance 0 | no | - | chair
          act.uneven-legs 0; balance.supported 1 | no | - | -
          balance.supported 2 | no | - | half, chair
          balance.supported 1 | no | half | half
          balance.supported 1 F | no | half, chair | -
          pressure 0 | no | - | -
          pressure 1 | no | - | half, chair
          effort 3 | no | - | -
          effort 3 | no | chair | chair
          kneel.bare 0 | no | - | -
          kneel.bare 0 | yes | - | half, chair
          kneel.bare 0 | no | half | half
          position.half-kneeling 0 | no | - | chair
          position.kneeling 0; position.half-kneeling 0 | yes | - | -
          position.kneeling 0; position.half-kneeling 0 | yes | half, chair | -
          surface.floor 0 | no | half, chair | -
          transfer.floor 0 | no | - | -
          transfer.floor 0 | no | chair | chair
          transfer.floor 0 F | no | half, chair | -
          act.leg-work 0 F | no | half, chair | -
          joint.knee-flexion.any 60 | no | half | half
          """)
  void eachWayIsTriedAsItsOwnDemand(String said, String pad, String seen, String open) {
    Caps caps =
        Caps.on(DAY, limits(said == null ? "" : said))
            .with(new Caps.Floor(pad.equals("yes"), ways(seen), false));
    assertThat(caps.floorWays()).isEqualTo(ways(open));
    assertThat(caps.cap(FLOOR)).isEqualTo(ways(open).isEmpty() ? 0 : Integer.MAX_VALUE);
    assertThat(caps.floorClosed().isEmpty()).isEqualTo(!ways(open).isEmpty());
  }

  @Test
  void aClosedFloorNamesWhatClosesEachWay() {
    Caps caps = Caps.on(DAY, limits("joint.hip-flexion.any 90 right F; act.split-stance 0"));
    int[] demand = new int[Axis.CELLS];
    demand[FLOOR] = 1;
    assertThat(caps.forbids(demand)).isTrue();
    assertThat(
            Broken.of(caps, demand).stream().map(b -> b.way() + " " + b.axisId() + " " + b.asked()))
        .containsExactlyInAnyOrder(
            "HALF_KNEELING act.split-stance 1",
            "HALF_KNEELING joint.hip-flexion.any 100",
            "CHAIR joint.hip-flexion.any 95");
  }

  @Test
  void theFloorAsSuchIsNamedOnceForBothWays() {
    Caps caps = Caps.on(DAY, limits("surface.floor 0 F; transfer.floor 0"));
    assertThat(caps.floorClosed())
        .extracting(Broken::axisId)
        .containsExactlyInAnyOrder("surface.floor", "transfer.floor");
    assertThat(caps.floorClosed()).allMatch(b -> b.way() == null);
  }

  @ParameterizedTest(name = "{0}, group {1}: {2}")
  @CsvSource({
    "transfer.floor 0, false, true",
    "transfer.floor 0, true, false",
    "transfer.floor 0 F, false, false",
    "transfer.floor 0 F, true, false",
    "transfer.floor 1 F, false, true",
    "surface.standing 0, true, true"
  })
  void gettingDownIsTrainedOneToOneUnlessAFirmWordClosesIt(
      String said, boolean group, boolean open) {
    int[] demand = new int[Axis.CELLS];
    demand[Axis.act(Act.FLOOR_TRAINING).cell(Side.BOTH)] = 1;
    Caps caps = Caps.on(DAY, limits(said)).with(new Caps.Floor(false, Set.of(), group));
    assertThat(caps.forbids(demand)).isEqualTo(!open);
    assertThat(Broken.of(caps, demand).isEmpty()).isEqualTo(open);
  }

  @ParameterizedTest
  @CsvSource({
    "roll 0 left, true",
    "roll 0 right, true",
    "roll 0, false",
    "roll 0 left; roll 0 right, false"
  })
  void risingGoesOverWhicheverSideIsOpen(String said, boolean open) {
    int[] demand = new int[Axis.CELLS];
    demand[Axis.RISE_ROLL.cell(Side.BOTH)] = 1;
    Caps caps = Caps.on(DAY, limits(said));
    assertThat(caps.forbids(demand)).isEqualTo(!open);
    assertThat(Broken.of(caps, demand)).extracting(Broken::limitId).hasSize(open ? 0 : 2);
  }

  /**
   * Over every axis, three at a time: forbidding and naming agree, and a limit only ever closes.
   */
  @Test
  void whatIsForbiddenIsNamedAndMoreLimitsNeverOpenAWay() {
    Random r = new Random(20261126);
    List<Axis> axes = Axis.all();
    int[] demand = new int[Axis.CELLS];
    demand[FLOOR] = 1;
    int closed = 0;
    for (int i = 0; i < 20_000; i++) {
      List<Limit> some = new ArrayList<>();
      for (int j = 0; j < 3; j++) {
        Axis a = axes.get(r.nextInt(axes.size()));
        some.add(
            limit(
                a.id,
                a.sided ? Side.values()[r.nextInt(3)] : Side.BOTH,
                r.nextInt(Math.min(a.greatest, 120) + 1),
                r.nextBoolean() ? Strength.FIRM : Strength.ADVISED));
      }
      Set<FloorWay> seen =
          EnumSet.allOf(FloorWay.class).stream()
              .filter(w -> r.nextInt(3) == 0)
              .collect(Collectors.toSet());
      Caps.Floor floor = new Caps.Floor(r.nextBoolean(), seen, false);
      Caps caps = Caps.on(DAY, some).with(floor);
      assertThat(caps.forbids(demand)).isEqualTo(!Broken.of(caps, demand).isEmpty());
      Set<FloorWay> fewer = Caps.on(DAY, some.subList(0, 2)).with(floor).floorWays();
      assertThat(fewer).containsAll(caps.floorWays());
      Set<FloorWay> unseen = new HashSet<>(Caps.on(DAY, some).padded(floor.pad()).floorWays());
      assertThat(caps.floorWays())
          .as("a way seen is never closed by having been")
          .containsAll(unseen);
      closed += caps.floorWays().isEmpty() ? 1 : 0;
    }
    assertThat(closed).as("both happen").isBetween(1_000, 19_000);
  }

  @ParameterizedTest(name = "seen {0}, pregnant {1}, ended {2}, asked {3}: {4}")
  @CsvSource(
      nullValues = "-",
      value = {
        "2026-05-26, false, -, 2026-11-26, true",
        "2026-05-25, false, -, 2026-11-26, false",
        "2026-11-26, false, -, 2026-11-26, true",
        "2026-11-27, false, -, 2026-11-26, false",
        "2026-10-15, true, -, 2026-11-26, true",
        "2026-10-14, true, -, 2026-11-26, false",
        "2026-10-14, false, -, 2026-11-26, true",
        "2026-11-01, false, 2026-11-10, 2026-11-26, false",
        "2026-11-01, false, 2026-11-01, 2026-11-26, false",
        "2026-11-01, false, 2026-10-31, 2026-11-26, true",
        "2026-11-01, false, 2026-11-26, 2026-11-26, false",
        "2026-11-01, false, 2026-11-27, 2026-11-26, true"
      })
  void aWaySeenIsGoodForHalfAYearOrSixWeeksAndEndsWithAFall(
      LocalDate seen, boolean pregnant, LocalDate ended, LocalDate day, boolean holds) {
    WaySeen way = new WaySeen(FloorWay.CHAIR, seen, "a hand under the arm");
    assertThat(way.holds(day, pregnant, ended == null ? List.of() : List.of(ended)))
        .isEqualTo(holds);
  }
}
