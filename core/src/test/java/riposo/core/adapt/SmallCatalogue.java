package riposo.core.adapt;

import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import riposo.core.limit.Act;
import riposo.core.limit.JointMotion;
import riposo.core.limit.Loading;
import riposo.core.movement.BearingDemand;
import riposo.core.movement.Catalogue;
import riposo.core.movement.Demands;
import riposo.core.movement.Family;
import riposo.core.movement.JointDemand;
import riposo.core.movement.Kit;
import riposo.core.movement.LoadKind;
import riposo.core.movement.Modifier;
import riposo.core.movement.Movement;
import riposo.core.movement.Part;
import riposo.core.movement.Position;
import riposo.core.movement.Purpose;
import riposo.core.movement.SidePattern;
import riposo.core.movement.Tempo;

/**
 * A catalogue small enough to reckon by hand: five families, fifteen movements, each with the few
 * demands that tell it from the others.
 *
 * <pre>
 * sit-stand  knee-lift (chair) · sit-to-stand (chair, knee 90) · squat (standing, knee 100) · jump-squat (impact 2)
 * hips       hip-push (chair) · hip-back (standing, a hand on support) · bridge (floor)
 * push       wall-push (bears 20 %) · counter-push (40 %) · floor-push (floor, 60 %, wrist 80)
 * overhead   low-raise (elevation 80) · press (dumbbells, elevation 170)
 * pull       seated-row (chair, band) · hinged-row (dumbbells, bending free) · prone-row (floor)
 * </pre>
 */
public final class SmallCatalogue {
  private SmallCatalogue() {}

  public static final Catalogue ALL =
      new Catalogue(
          List.of(
              family(
                  "sit-stand",
                  Purpose.SIT_STAND,
                  new Build("knee-lift", 10, Position.CHAIR, "thighs").effort(3).kit(Kit.CHAIR),
                  new Build("sit-to-stand", 20, Position.CHAIR, "thighs")
                      .joint(JointMotion.KNEE_FLEXION, 90)
                      .effort(4)
                      .kit(Kit.CHAIR)
                      .act(Act.STAND_UP),
                  new Build("squat", 35, Position.STANDING, "thighs")
                      .joint(JointMotion.KNEE_FLEXION, 100)
                      .effort(5)
                      .balance(1)
                      .cut(50, JointMotion.KNEE_FLEXION)
                      .takes(Modifier.HOLD_SUPPORT),
                  new Build("jump-squat", 60, Position.STANDING, "thighs")
                      .joint(JointMotion.KNEE_FLEXION, 100)
                      .effort(8)
                      .balance(2)
                      .impact(2)),
              family(
                  "hips",
                  Purpose.HIPS,
                  new Build("hip-push", 12, Position.CHAIR, "seat").effort(2).kit(Kit.CHAIR),
                  new Build("hip-back", 22, Position.STANDING_SUPPORTED, "seat")
                      .effort(3)
                      .balance(1)
                      .kit(Kit.CHAIR, Kit.COUNTER)
                      .act(Act.ONE_LEG_STANCE)
                      .oneSide(),
                  new Build("bridge", 30, Position.SUPINE, "seat").effort(4).pressure(1)),
              family(
                  "push",
                  Purpose.PUSH,
                  new Build("wall-push", 10, Position.RAISED_PLANK, "chest", "triceps")
                      .bears(20)
                      .effort(3)
                      .kit(Kit.WALL),
                  new Build("counter-push", 25, Position.RAISED_PLANK, "chest", "triceps")
                      .bears(40)
                      .effort(4)
                      .kit(Kit.COUNTER),
                  new Build("floor-push", 50, Position.FLOOR_PLANK, "chest", "triceps")
                      .bears(60)
                      .joint(JointMotion.WRIST_EXTENSION, 80)
                      .effort(6)
                      .pressure(2)
                      .takes(Modifier.FISTS)),
              family(
                  "overhead",
                  Purpose.PUSH_OVERHEAD,
                  new Build("low-raise", 15, Position.STANDING, "shoulders")
                      .added(JointMotion.SHOULDER_ELEVATION, 80)
                      .effort(3)
                      .weighs(500)
                      .takes(Modifier.NO_WEIGHT, Modifier.ONE_SIDE),
                  new Build("press", 30, Position.STANDING, "shoulders")
                      .added(JointMotion.SHOULDER_ELEVATION, 170)
                      .effort(5)
                      .overhead()
                      .weighs(500)
                      .cut(60, JointMotion.SHOULDER_ELEVATION)
                      .takes(Modifier.ONE_SIDE)),
              family(
                  "pull",
                  Purpose.PULL,
                  new Build("seated-row", 15, Position.CHAIR, "upper back")
                      .effort(3)
                      .kit(Kit.BAND)
                      .act(Act.BAND_LATEX),
                  new Build("hinged-row", 30, Position.STANDING, "upper back")
                      .effort(5)
                      .weighs(1000)
                      .pressure(1)
                      .act(Act.BENT_OVER_FREE)
                      .takes(Modifier.HOLD_SUPPORT),
                  new Build("prone-row", 40, Position.PRONE, "upper back")
                      .effort(5)
                      .act(Act.BELLY_DOWN))));

  /** Everything but a bed. */
  public static final Set<Kit> KIT = Set.copyOf(EnumSet.complementOf(EnumSet.of(Kit.BED)));

  private static Family family(String id, Purpose purpose, Build... rungs) {
    return new Family(
        id,
        id,
        purpose,
        Stream.iterate(0, i -> i < rungs.length, i -> i + 1)
            .map(i -> rungs[i].movement(id, purpose, i + 1))
            .toList());
  }

  /** One movement with nothing asked but what is said. */
  private static final class Build {
    private final String id;
    private final int difficulty;
    private final Position position;
    private final Set<String> primary;
    private final Set<String> secondary;
    private final java.util.List<JointDemand> joints = new java.util.ArrayList<>();
    private final java.util.List<BearingDemand> bearing = new java.util.ArrayList<>();
    private final Set<Act> acts = EnumSet.noneOf(Act.class);
    private final Set<Modifier> modifiers = EnumSet.noneOf(Modifier.class);
    private final Set<JointMotion> ranged = EnumSet.noneOf(JointMotion.class);
    private List<Set<Kit>> kit = List.of();
    private SidePattern sides = SidePattern.BOTH;
    private LoadKind load = LoadKind.NONE;
    private int leastRange = 100;
    private int effort;
    private int balance;
    private int impact;
    private int pressure;
    private int grams;
    private boolean overhead;

    Build(String id, int difficulty, Position position, String primary, String... secondary) {
      this.id = id;
      this.difficulty = difficulty;
      this.position = position;
      this.primary = Set.of(primary);
      this.secondary = Set.of(secondary);
    }

    Build joint(JointMotion motion, int degrees) {
      joints.add(new JointDemand(motion, degrees, Loading.OWN, Part.BOTH));
      return this;
    }

    Build added(JointMotion motion, int degrees) {
      joints.add(new JointDemand(motion, degrees, Loading.ADDED, Part.BOTH));
      return this;
    }

    Build bears(int percent) {
      bearing.add(new BearingDemand(true, percent, Part.BOTH));
      return this;
    }

    Build effort(int level) {
      effort = level;
      return this;
    }

    Build balance(int level) {
      balance = level;
      return this;
    }

    Build impact(int level) {
      impact = level;
      return this;
    }

    Build pressure(int level) {
      pressure = level;
      return this;
    }

    Build overhead() {
      overhead = true;
      return this;
    }

    Build oneSide() {
      sides = SidePattern.ONE_SIDE;
      return this;
    }

    Build weighs(int least) {
      grams = least;
      load = LoadKind.DUMBBELL;
      return kit(Kit.DUMBBELLS);
    }

    Build kit(Kit... any) {
      kit = List.of(Stream.of(any).collect(Collectors.toSet()));
      return this;
    }

    Build act(Act act) {
      acts.add(act);
      return this;
    }

    Build takes(Modifier... all) {
      modifiers.addAll(List.of(all));
      return this;
    }

    Build cut(int least, JointMotion motion) {
      leastRange = least;
      ranged.add(motion);
      return takes(Modifier.RANGE);
    }

    Movement movement(String family, Purpose purpose, int rung) {
      Demands demands =
          new Demands(
              position,
              joints,
              List.of(),
              impact,
              balance,
              position == Position.STANDING_SUPPORTED,
              bearing,
              grams,
              grams > 0 ? 2 : 0,
              overhead,
              0,
              pressure,
              Set.of(),
              0,
              effort,
              0,
              0,
              acts);
      return new Movement(
          id,
          id,
          family,
          purpose,
          rung,
          difficulty,
          sides,
          Tempo.of("2-0-2-0"),
          load,
          null,
          primary,
          secondary,
          kit,
          demands,
          leastRange,
          ranged,
          modifiers,
          List.of("cue"),
          List.of("fault"),
          0,
          null,
          null,
          List.of(),
          null,
          List.of());
    }
  }
}
