package riposo.core.figure;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import riposo.core.figure.Drawing.Disc;
import riposo.core.figure.Drawing.Line;
import riposo.core.figure.Drawing.Role;
import riposo.core.limit.JointMotion;
import riposo.core.movement.Kit;
import riposo.core.movement.LoadKind;
import riposo.core.movement.Modifier;
import riposo.core.movement.Movement;
import riposo.core.movement.Position;
import riposo.core.movement.Variant;

/** The figures of a catalogue and how a movement in a certain form is drawn. Immutable. */
public final class Figures {
  private static final Figure STILL =
      new Figure("still", Figure.View.SIDE, Angles.of(""), Angles.of(""));

  /** A movement drawn twice. */
  public record Sketch(Drawing start, Drawing end) {}

  private final Map<String, Figure> byId = new LinkedHashMap<>();

  /** Throws {@link IllegalArgumentException} naming a key used twice. */
  public Figures(List<Figure> figures) {
    for (Figure f : figures) {
      if (byId.put(f.id(), f) != null) {
        throw new IllegalArgumentException("figure used twice: " + f.id());
      }
    }
  }

  public boolean has(String id) {
    return byId.containsKey(id);
  }

  public List<String> ids() {
    return List.copyOf(byId.keySet());
  }

  /**
   * First and last position of a form of a movement. A figure that is not there leaves the posture
   * alone. Where the range is cut the last position is that of the cut range, and where the full
   * range would have ended is drawn as closed.
   */
  public Sketch draw(Variant v) {
    Movement m = v.movement();
    Figure f = byId.getOrDefault(m.figure() == null ? "" : m.figure(), STILL);
    Set<Kit> kit = EnumSet.noneOf(Kit.class);
    m.kit().forEach(kit::addAll);
    boolean held = v.supported();
    // A wall that no hand touches is behind the back.
    boolean behind =
        kit.contains(Kit.WALL)
            && !kit.contains(Kit.CHAIR)
            && !kit.contains(Kit.COUNTER)
            && m.demands().grip() == 0
            && (f.view() == Figure.View.FRONT || v.degrees(JointMotion.SHOULDER_ELEVATION) == 0);
    Angles start = angles(f.view(), f.start(), v, kit, behind);
    Angles full = angles(f.view(), f.end(), v, kit, behind);
    if (v.modifiers().contains(Modifier.ONE_SIDE)) {
      full = oneSide(start, full);
    }
    Position from = f.start().at() == null ? v.position() : f.start().at();
    Position to = f.end().at() == null ? v.position() : f.end().at();
    boolean same = from == to;
    Angles end = same ? start.toward(full, v.range()) : full;
    int hands = m.loadKind() == LoadKind.DUMBBELL && v.loadable() ? v.handsLoaded() : 0;
    return new Sketch(
        drawing(f.view(), from, start, null, kit, held, behind, hands),
        drawing(
            f.view(), to, end, v.range() < 100 && same ? full : null, kit, held, behind, hands));
  }

  private static Angles angles(
      Figure.View view, Angles figure, Variant v, Set<Kit> kit, boolean behind) {
    Position at = figure.at() == null ? v.position() : figure.at();
    Angles base = Skeleton.base(view, at, kit, behind);
    Angles own = figure;
    if (v.modifiers().contains(Modifier.ARMS_LOW)) {
      own = without(own, "s1", "s2", "e1", "e2");
    }
    if (v.modifiers().contains(Modifier.HOLD_SUPPORT)) {
      own = without(own, "s2", "e2");
      base = Angles.of(view == Figure.View.SIDE ? "s2:40 e2:12" : "s2:32 e2:20").over(base);
    }
    return own.over(base);
  }

  private static Angles without(Angles a, String... joints) {
    Map<String, Double> kept = new LinkedHashMap<>(a.degrees());
    for (String j : joints) {
      kept.remove(j);
    }
    return new Angles(a.at(), kept);
  }

  /** The other arm stays where it began. */
  private static Angles oneSide(Angles start, Angles end) {
    Map<String, Double> all = new LinkedHashMap<>(end.degrees());
    for (String j : new String[] {"s2", "e2"}) {
      all.put(j, start.get(j));
    }
    return new Angles(end.at(), all);
  }

  private static Drawing drawing(
      Figure.View view,
      Position position,
      Angles angles,
      @org.jspecify.annotations.Nullable Angles closed,
      Set<Kit> kit,
      boolean held,
      boolean behind,
      int hands) {
    List<Line> lines = new ArrayList<>();
    List<Disc> discs = new ArrayList<>();
    Skeleton body = new Skeleton(view, position, angles, kit);
    body.room(lines, held, behind);
    if (closed != null) {
      new Skeleton(view, position, closed, kit).body(lines, discs, Role.CLOSED, Role.CLOSED);
    }
    body.body(lines, discs, Role.BODY, Role.FAR);
    body.weights(lines, hands);
    return new Drawing(lines, discs);
  }
}
