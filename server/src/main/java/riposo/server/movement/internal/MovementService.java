package riposo.server.movement.internal;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.limit.Axis;
import riposo.core.limit.Side;
import riposo.core.movement.Ask;
import riposo.core.movement.Carry;
import riposo.core.movement.Catalogue;
import riposo.core.movement.Family;
import riposo.core.movement.Kit;
import riposo.core.movement.Modifier;
import riposo.core.movement.Movement;
import riposo.core.movement.Soundness;
import riposo.core.movement.Support;
import riposo.core.movement.Variant;
import riposo.core.plan.Region;
import riposo.core.plan.Sides;
import riposo.core.wording.Wording;
import riposo.server.movement.FigureSvg;
import riposo.server.movement.Movements;
import riposo.server.platform.Problems;

/** The catalogue: found, read in full, and drawn. */
@Service
@Transactional(readOnly = true)
class MovementService {
  /**
   * A movement in a list.
   *
   * @param share share of body weight moved; null where it does not apply
   * @param own a movement of the studio's own
   * @param retired offered no more
   * @param sides the ways its two sides may come; empty where both work at once
   * @param support what it leans on, rises from or steps on to, with its heights; null for nothing
   * @param carries how a weight can be held or carried, the usual way first; empty where none is
   * @param words everyday and gym words it is looked for by
   * @param familyWords those of its family
   * @param tasks what it is for: tasks of the day its family serves
   * @param groups which demand groups it has, to filter by: what it does not ask for is not here
   */
  record MovementView(
      String id,
      String name,
      String family,
      String familyName,
      String purpose,
      int rung,
      String position,
      int height,
      int difficulty,
      List<String> cues,
      String region,
      boolean oneSided,
      List<Sides> sides,
      List<Carry> carries,
      @Nullable Support support,
      boolean hold,
      String tempo,
      int effort,
      List<String> kit,
      List<String> demands,
      @Nullable Double share,
      String load,
      boolean own,
      boolean retired,
      List<String> words,
      List<String> familyWords,
      List<String> tasks) {}

  /** One demand in words, with its number. */
  record DemandView(String axisId, String words, String left, String right, boolean both) {}

  /** What a modifier changes. */
  record EffectView(Modifier id, String words, List<String> changes, String needs) {}

  /** A movement in full. */
  record MovementDetail(
      MovementView movement,
      List<DemandView> demands,
      List<EffectView> modifiers,
      List<String> primary,
      List<String> secondary,
      List<String> faults,
      String sides,
      @Nullable String range,
      List<String> doubts,
      @Nullable String after,
      long version) {}

  /** A family's stair for nobody in particular, hardest first. */
  record FamilyStair(
      String id, String name, String purpose, List<String> tasks, List<MovementView> rungs) {}

  private final Movements movements;
  private final OwnMovementStore own;

  MovementService(Movements movements, OwnMovementStore own) {
    this.movements = movements;
    this.own = own;
  }

  List<MovementView> all() {
    return movements.catalogue().movements().stream().map(this::view).toList();
  }

  List<FamilyStair> families() {
    return movements.catalogue().families().stream().map(this::stair).toList();
  }

  FamilyStair family(String id) {
    return movements.catalogue().families().stream()
        .filter(f -> f.id().equals(id))
        .findFirst()
        .map(this::stair)
        .orElseThrow(() -> Problems.notFound("family", id));
  }

  private FamilyStair stair(Family f) {
    List<MovementView> rungs = new ArrayList<>();
    f.rungs().forEach(m -> rungs.add(0, view(m)));
    return new FamilyStair(
        f.id(), f.name(), f.purpose().words, f.tasks().stream().map(t -> t.words).toList(), rungs);
  }

  MovementDetail one(String id) {
    Movement m = find(id);
    OwnMovementRow row = own.findByMovementId(id).orElse(null);
    List<EffectView> effects =
        Modifier.inOrder(m.modifiers()).stream()
            .map(
                x ->
                    new EffectView(
                        x,
                        Wording.modifier(x, m),
                        x == Modifier.RANGE
                            ? List.of("cuts to the limit, " + m.leastRange() + " % is still useful")
                            : x.effects(m).stream().map(Wording::effect).toList(),
                        x.anyOf.isEmpty()
                            ? ""
                            : x.anyOf.stream()
                                .sorted()
                                .map(k -> k.words)
                                .collect(Collectors.joining(" or "))))
            .toList();
    return new MovementDetail(
        view(m),
        demands(m),
        effects,
        m.primary().stream().sorted().toList(),
        m.secondary().stream().sorted().toList(),
        m.faults(),
        m.sides().name().toLowerCase(Locale.ROOT).replace('_', ' '),
        m.leastRange() == 100 ? null : m.leastRange() + " %",
        Soundness.doubts(m).stream().map(Wording::doubt).toList(),
        row == null ? null : OwnMovementService.after(row),
        row == null ? -1 : row.version);
  }

  private Movement find(String id) {
    return movements.catalogue().find(id).orElseThrow(() -> Problems.notFound("movement", id));
  }

  /** Every demand above nothing; one-sided work as it is with the left at work. */
  private static List<DemandView> demands(Movement m) {
    Variant v = Variant.of(m, Set.of(), 100);
    int[] one = v.oneSided() ? v.half(Side.LEFT) : v.whole();
    List<DemandView> list = new ArrayList<>();
    for (Axis a : Axis.all()) {
      int left = one[a.cell(Side.LEFT)];
      int right = a.sided ? one[a.cell(Side.RIGHT)] : left;
      if (left > 0 || right > 0) {
        list.add(
            new DemandView(
                a.id, a.words, Wording.amount(a, left), Wording.amount(a, right), left == right));
      }
    }
    return list;
  }

  /**
   * The movement drawn: first position and last.
   *
   * @param range percentage of range kept; the full range's end is drawn as closed
   */
  String figure(
      String id,
      int range,
      @Nullable List<Modifier> modifiers,
      FigureSvg.Phase phase,
      FigureSvg.Ground ground) {
    Movement m = find(id);
    Set<Modifier> with = EnumSet.noneOf(Modifier.class);
    if (modifiers != null) {
      with.addAll(modifiers);
    }
    Variant v = Problems.at("/range", () -> Variant.of(m, with, range));
    String title =
        m.name()
            + (phase == FigureSvg.Phase.BOTH ? ", start and end" : "")
            + (range < 100 ? ", " + range + " % of the range" : "");
    return FigureSvg.write(movements.figures().draw(v), phase, ground, title);
  }

  /** The keys a movement of one's own may name as its figure. */
  List<String> figures() {
    return movements.figures().ids();
  }

  private MovementView view(Movement m) {
    Catalogue catalogue = movements.catalogue();
    return new MovementView(
        m.id(),
        m.name(),
        m.familyId(),
        catalogue.family(m.familyId()).name(),
        m.purpose().words,
        m.rung(),
        m.position().id(),
        m.position().height,
        m.difficulty(),
        m.cues(),
        Region.of(m).words,
        catalogue.variants(m).get(0).oneSided(),
        Sides.of(m),
        m.carries(),
        m.support(),
        m.isHold(),
        m.tempo().toString(),
        m.demands().effort(),
        m.kit().stream().map(MovementService::anyOf).toList(),
        Ask.of(m).stream().map(a -> a.words).toList(),
        m.share(),
        m.loadKind().name().toLowerCase(Locale.ROOT),
        movements.shipped().find(m.id()).isEmpty(),
        catalogue.retired(m.id()),
        m.words(),
        catalogue.family(m.familyId()).words(),
        catalogue.family(m.familyId()).tasks().stream().map(t -> t.words).toList());
  }

  private static String anyOf(Set<Kit> any) {
    return any.stream().sorted().map(k -> k.words).collect(Collectors.joining(" or "));
  }
}
