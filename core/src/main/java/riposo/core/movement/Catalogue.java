package riposo.core.movement;

import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import riposo.core.limit.Caps;
import riposo.core.limit.Side;

/** All families and movements, with every variant made ready for the search. Immutable. */
public final class Catalogue {
  private final Map<String, Family> families = new LinkedHashMap<>();
  private final Map<String, Movement> movements = new LinkedHashMap<>();
  private final Map<String, List<Variant>> variants = new HashMap<>();
  private final Map<String, Map<Set<Modifier>, Variant>> bySet = new HashMap<>();
  private final Map<String, int[]> least = new HashMap<>();
  private final Set<String> retired;

  /** Throws {@link IllegalArgumentException} naming a family or movement id used twice. */
  public Catalogue(List<Family> families) {
    this(families, Set.of());
  }

  /**
   * The same with movements that are known by name and offered no more.
   *
   * @param retired their ids
   */
  public Catalogue(List<Family> families, Set<String> retired) {
    this.retired = Set.copyOf(retired);
    for (Family family : families) {
      if (this.families.put(family.id(), family) != null) {
        throw new IllegalArgumentException("family id used twice: " + family.id());
      }
      for (Movement movement : family.rungs()) {
        if (movements.put(movement.id(), movement) != null) {
          throw new IllegalArgumentException("movement id used twice: " + movement.id());
        }
        List<Variant> all = variantsOf(movement);
        variants.put(movement.id(), all);
        Map<Set<Modifier>, Variant> set = new HashMap<>();
        all.forEach(v -> set.put(set(v.modifiers()), v));
        bySet.put(movement.id(), set);
        least.put(movement.id(), Variant.least(all));
      }
    }
  }

  private static List<Variant> variantsOf(Movement movement) {
    Draft draft = new Draft(movement);
    List<Modifier> fitting =
        Modifier.inOrder(movement.modifiers()).stream().filter(m -> m.fits(draft)).toList();
    List<Variant> all = new ArrayList<>();
    int n = fitting.size();
    for (int size = 0; size <= Math.min(Modifier.MOST, n); size++) {
      for (int bits = 0; bits < 1 << n; bits++) {
        if (Integer.bitCount(bits) == size) {
          EnumSet<Modifier> set = EnumSet.noneOf(Modifier.class);
          for (int i = 0; i < n; i++) {
            if ((bits & 1 << i) != 0) {
              set.add(fitting.get(i));
            }
          }
          // RANGE is laid on by the search, which knows the caps of the day.
          if (set.remove(Modifier.RANGE)) {
            continue;
          }
          all.add(Variant.of(movement, set, 100));
        }
      }
    }
    return List.copyOf(all);
  }

  public List<Family> families() {
    return List.copyOf(families.values());
  }

  public List<Movement> movements() {
    return List.copyOf(movements.values());
  }

  /** Whether the movement is offered no more. */
  public boolean retired(String movementId) {
    return retired.contains(movementId);
  }

  public Optional<Movement> find(String movementId) {
    return Optional.ofNullable(movements.get(movementId));
  }

  /** The movement of that id; throws {@link IllegalArgumentException} naming an unknown one. */
  public Movement movement(String id) {
    return find(id).orElseThrow(() -> new IllegalArgumentException("unknown movement: " + id));
  }

  public Family family(String id) {
    Family family = families.get(id);
    if (family == null) {
      throw new IllegalArgumentException("unknown family: " + id);
    }
    return family;
  }

  /** Every variant without a range cut, fewest modifiers first. The first has none. */
  public List<Variant> variants(Movement movement) {
    List<Variant> known = variants.get(movement.id());
    if (known == null) {
      throw new IllegalArgumentException("unknown movement: " + movement.id());
    }
    return known;
  }

  /**
   * The movement with these modifiers, in any order; one that is made ready where there is.
   *
   * @param range percentage of range kept, 100 unless RANGE is among the modifiers
   * @throws IllegalArgumentException where the movement is unknown or does not take them
   */
  public Variant variant(String movementId, Collection<Modifier> modifiers, int range) {
    Movement movement = movement(movementId);
    EnumSet<Modifier> all = set(modifiers);
    EnumSet<Modifier> uncut = EnumSet.copyOf(all);
    boolean cut = uncut.remove(Modifier.RANGE);
    Variant whole = Objects.requireNonNull(bySet.get(movementId)).get(uncut);
    Variant known = whole == null ? null : whole.known(cut, range);
    return known == null ? Variant.of(movement, all, range) : known;
  }

  private static EnumSet<Modifier> set(Collection<Modifier> modifiers) {
    EnumSet<Modifier> set = EnumSet.noneOf(Modifier.class);
    set.addAll(modifiers);
    return set;
  }

  /**
   * The least that any form of the movement asks for, cell by cell, on either side and in the
   * shortest useful range: where that passes a cap, no form is permitted. Not to be changed.
   */
  public int[] least(Movement movement) {
    int[] known = least.get(movement.id());
    if (known == null) {
      throw new IllegalArgumentException("unknown movement: " + movement.id());
    }
    return known;
  }

  /**
   * The variant with the longest useful range inside the caps, RANGE added to its modifiers; empty
   * when no joint that can be cut is over its cap, the range left is not useful, or the modifiers
   * are already as many as allowed.
   */
  public Optional<Variant> shortened(Variant variant, Caps caps, Side working) {
    Movement movement = variant.movement();
    if (movement.leastRange() == 100
        || !movement.modifiers().contains(Modifier.RANGE)
        || variant.modifiers().size() >= Modifier.MOST) {
      return Optional.empty();
    }
    Variant cut = variant.cutTo(caps, working);
    return cut == variant ? Optional.empty() : Optional.of(cut);
  }
}
