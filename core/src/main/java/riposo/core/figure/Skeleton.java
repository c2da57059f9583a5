package riposo.core.figure;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import riposo.core.figure.Drawing.Disc;
import riposo.core.figure.Drawing.Line;
import riposo.core.figure.Drawing.Role;
import riposo.core.movement.Kit;
import riposo.core.movement.Position;

/**
 * A body of straight segments put into a posture by its joint angles. Lengths are those of an adult
 * of about 1.70 m in centimetres, rounded.
 */
final class Skeleton {
  private static final double TRUNK = 50;
  private static final double UPPER_ARM = 28;
  private static final double FOREARM = 34;
  private static final double THIGH = 42;
  private static final double SHANK = 42;
  private static final double FOOT = 15;
  private static final double HEAD = 10;
  private static final double SEAT = 46;
  private static final double STEP = 20;
  private static final double SADDLE = 84;

  private static final Map<Position, Angles> BASE = new EnumMap<>(Position.class);

  static {
    BASE.put(Position.SUPINE, Angles.of("t-90 h45 k90 s8 e8"));
    BASE.put(Position.RECLINED, Angles.of("t-55 h70 k85 s8 e8"));
    BASE.put(Position.PRONE, Angles.of("t90 s150 e20 k0"));
    BASE.put(Position.SIDE_LYING, Angles.of("t-90 h12 k14 s70 e10"));
    BASE.put(Position.ALL_FOURS, Angles.of("t68 s68 h68 k90"));
    BASE.put(Position.KNEELING, Angles.of("k90 s5 e8"));
    BASE.put(Position.HALF_KNEELING, Angles.of("h1:90 k1:90 h2:0 k2:90 s8 e8"));
    BASE.put(Position.FLOOR_PLANK, Angles.of("t63 s63"));
    BASE.put(Position.LONG_SITTING, Angles.of("t-10 h80 s5 e8"));
    BASE.put(Position.CHAIR, Angles.of("h90 k90 s8 e15"));
    BASE.put(Position.RAISED_PLANK, Angles.of("t35 s80"));
    BASE.put(Position.STANDING_SUPPORTED, Angles.of("s1:3 e1:8 s2:40 e2:12"));
    BASE.put(Position.STANDING, Angles.of("s3 e8"));
    BASE.put(Position.ONE_LEG, Angles.of("s3 e8"));
    BASE.put(Position.STEPPING, Angles.of("s3 e8"));
  }

  /** A point; y grows downward. */
  private record P(double x, double y) {
    P along(double degrees, double length) {
      double a = Math.toRadians(degrees);
      return new P(x + Math.sin(a) * length, y + Math.cos(a) * length);
    }

    P shifted(double dx, double dy) {
      return new P(x + dx, y + dy);
    }
  }

  private final Figure.View view;
  private final Position position;
  private final Set<Kit> kit;
  private final P[] arm1;
  private final P[] arm2;
  private final P[] leg1;
  private final P[] leg2;
  private final List<P> trunk = new ArrayList<>();
  private final P head;

  /** The angles of a posture nobody moves in. */
  static Angles base(Figure.View view, Position p, Set<Kit> kit, boolean wallBehind) {
    if (view == Figure.View.FRONT) {
      return p == Position.STANDING_SUPPORTED && !wallBehind
          ? Angles.of("s1:6 e1:4 h3 s2:32 e2:20")
          : Angles.of(p == Position.CHAIR ? "s10 e-12 h4" : "s7 e3 h3");
    }
    if (p == Position.STANDING_SUPPORTED && wallBehind) {
      return Angles.of("s3 e8");
    }
    Angles base = Objects.requireNonNull(BASE.getOrDefault(p, BASE.get(Position.STANDING)));
    if (p == Position.RAISED_PLANK) {
      return kit.contains(Kit.WALL) && !kit.contains(Kit.CHAIR)
          ? Angles.of("t14 s88 e4")
          : kit.contains(Kit.CHAIR) ? Angles.of("t47 s80") : base;
    }
    return base;
  }

  /**
   * @param angles every joint, posture laid under
   * @param kit what the movement needs in the room, for what the body meets
   */
  Skeleton(Figure.View view, Position position, Angles angles, Set<Kit> kit) {
    this.view = view;
    this.position = position;
    this.kit = kit;
    double t = angles.get("t");
    P hip = new P(0, 0);
    if (view == Figure.View.SIDE) {
      P neck = hip.along(180 - t, TRUNK);
      bend(hip, neck, angles.get("c"));
      head = neck.along(180 - t - angles.get("n"), HEAD + 5);
      arm1 = arm(neck, -t + angles.get("s1"), angles.get("e1"), 1);
      arm2 = arm(neck, -t + angles.get("s2"), angles.get("e2"), 1);
      leg1 = legSide(hip, -t + angles.get("h1"), angles.get("k1"), angles.get("f1"));
      leg2 = legSide(hip, -t + angles.get("h2"), angles.get("k2"), angles.get("f2"));
    } else {
      P neck = hip.along(180 - t, TRUNK);
      P across = new P(Math.cos(Math.toRadians(t)), Math.sin(Math.toRadians(t)));
      P right = neck.shifted(across.x() * 14, across.y() * 14 + 3);
      P left = neck.shifted(-across.x() * 14, -across.y() * 14 + 3);
      trunk.addAll(List.of(left, right, neck, hip, hip.shifted(-8, 0), hip.shifted(8, 0)));
      head = neck.along(180 - t - angles.get("n"), HEAD + 5);
      arm1 = arm(right, angles.get("s1") - t, angles.get("e1"), 1);
      arm2 = arm(left, angles.get("s2") + t, angles.get("e2"), -1);
      leg1 = legFront(hip.shifted(8, 0), angles.get("h1"), angles.get("k1"), 1);
      leg2 = legFront(hip.shifted(-8, 0), angles.get("h2"), angles.get("k2"), -1);
    }
    settle();
  }

  private void bend(P hip, P neck, double round) {
    if (round == 0) {
      trunk.addAll(List.of(hip, neck));
      return;
    }
    double dx = (neck.x() - hip.x()) / TRUNK;
    double dy = (neck.y() - hip.y()) / TRUNK;
    for (int i = 0; i <= 8; i++) {
      double u = i / 8.0;
      double off = -round * 4 * u * (1 - u);
      // to the back of somebody who faces right: the left of the way from hip to neck
      trunk.add(new P(hip.x() + dx * TRUNK * u - dy * -off, hip.y() + dy * TRUNK * u + dx * -off));
    }
  }

  private static P[] arm(P shoulder, double upper, double elbow, int way) {
    P e = shoulder.along(way * upper, UPPER_ARM);
    return new P[] {shoulder, e, e.along(way * (upper + elbow), FOREARM)};
  }

  private static P[] legSide(P hip, double thigh, double knee, double ankle) {
    P k = hip.along(thigh, THIGH);
    double shank = thigh - knee;
    P a = k.along(shank, SHANK);
    double foot = shank < -60 ? shank : (Math.abs(shank) < 60 ? 90 : shank + 90) - ankle;
    return new P[] {hip, k, a, a.along(foot, FOOT)};
  }

  private P[] legFront(P hip, double out, double knee, int way) {
    boolean seated = position == Position.CHAIR;
    P k = hip.along(way * out * (seated ? 2 : 1), seated ? 2 : THIGH);
    P a = k.along(way * ((seated ? 0 : out) + knee), SHANK);
    return new P[] {hip, k, a, a.shifted(way * 8, 2)};
  }

  private boolean lyingFront() {
    return view == Figure.View.FRONT && position.onFloor();
  }

  /** Lies down what lies, and puts the lowest point on the ground or the hips on the seat. */
  private void settle() {
    if (lyingFront()) {
      each(p -> new P(p.y(), -p.x()));
    }
    double drop =
        position == Position.CHAIR
            ? -seat() - trunkHip().y()
            : -all().stream().mapToDouble(P::y).max().orElse(0) - (position.onFloor() ? 3 : 0);
    if (position == Position.RECLINED) {
      drop = Math.min(drop, -8 - trunkHip().y());
    }
    if (onStep()) {
      drop -= STEP;
    }
    double lift = drop;
    double mid =
        (all().stream().mapToDouble(P::x).max().orElse(0)
                + all().stream().mapToDouble(P::x).min().orElse(0))
            / 2;
    each(p -> p.shifted(-mid, lift));
  }

  /** A saddle is higher than a chair, so that the leg can reach down. */
  private double seat() {
    return kit.contains(Kit.BIKE) ? SADDLE : SEAT;
  }

  /** Up on the step: the leading foot is not lifted above the other. */
  private boolean onStep() {
    return position == Position.STEPPING && leg1[2].y() > leg2[2].y() - 10;
  }

  private P trunkHip() {
    return view == Figure.View.SIDE ? trunk.get(0) : trunk.get(3);
  }

  private final List<P> moved = new ArrayList<>();
  private P movedHead = new P(0, 0);

  private List<P> all() {
    List<P> all = new ArrayList<>(trunk);
    for (P[] limb : new P[][] {arm1, arm2, leg1, leg2}) {
      all.addAll(List.of(limb));
    }
    P h = moved.isEmpty() ? head : movedHead;
    all.add(h.shifted(0, HEAD));
    all.add(h.shifted(0, -HEAD));
    return all;
  }

  private void each(java.util.function.UnaryOperator<P> by) {
    movedHead = by.apply(moved.isEmpty() ? head : movedHead);
    moved.add(movedHead);
    trunk.replaceAll(by);
    for (P[] limb : new P[][] {arm1, arm2, leg1, leg2}) {
      for (int i = 0; i < limb.length; i++) {
        limb[i] = by.apply(limb[i]);
      }
    }
  }

  /** The body alone, in one role. */
  void body(List<Line> lines, List<Disc> discs, Role near, Role far) {
    lines.add(line(far, leg2));
    lines.add(line(far, arm2));
    if (view == Figure.View.SIDE) {
      lines.add(line(near, trunk.toArray(P[]::new)));
    } else {
      lines.add(line(near, trunk.get(0), trunk.get(1)));
      lines.add(line(near, trunk.get(2), trunk.get(3)));
      lines.add(line(near, trunk.get(4), trunk.get(5)));
    }
    lines.add(line(near, leg1));
    lines.add(line(near, arm1));
    discs.add(new Disc(near, movedHead.x(), movedHead.y(), HEAD));
  }

  /** Ground and what the body meets. */
  void room(List<Line> lines, boolean supported, boolean wallBehind) {
    lines.add(line(Role.GROUND, new P(-98, 0), new P(98, 0)));
    P hip = trunkHip();
    P hand = arm2[2];
    switch (position) {
      case CHAIR -> {
        double back = view == Figure.View.SIDE ? hip.x() - 15 : hip.x() - 20;
        double front = hip.x() + (view == Figure.View.SIDE ? 24 : 20);
        double seat = -seat() + 5;
        lines.add(line(Role.PROP, new P(back, seat), new P(front, seat)));
        lines.add(line(Role.PROP, new P(front - 2, seat), new P(front - 2, 0)));
        lines.add(
            line(
                Role.PROP,
                new P(back, 0),
                new P(back, view == Figure.View.SIDE ? seat - 42 : seat)));
      }
      case RAISED_PLANK -> support(lines, arm1[2]);
      case STANDING_SUPPORTED, HALF_KNEELING -> {
        if (wallBehind) {
          double x = Math.min(hip.x(), trunk.get(trunk.size() - 1).x()) - 8;
          double at = view == Figure.View.SIDE ? x : 45;
          lines.add(line(Role.PROP, new P(at, 0), new P(at, -150)));
        } else {
          support(lines, hand);
        }
      }
      case STEPPING -> {
        P foot = leg1[2];
        if (foot.y() < -10) {
          lines.add(
              line(
                  Role.PROP,
                  new P(foot.x() - 14, 0),
                  new P(foot.x() - 14, foot.y() + 2),
                  new P(foot.x() + 22, foot.y() + 2),
                  new P(foot.x() + 22, 0)));
        }
      }
      case RECLINED -> {
        P neck = trunk.get(trunk.size() - 1);
        lines.add(
            line(
                Role.PROP,
                hip.shifted(-2, 6),
                neck.shifted(-2, 8),
                new P(neck.x() - 2, 0),
                new P(hip.x(), 0)));
      }
      default -> {
        if (supported && position.height >= 3) {
          support(lines, hand);
        }
      }
    }
  }

  private void support(List<Line> lines, P hand) {
    if (kit.contains(Kit.WALL) && !kit.contains(Kit.CHAIR) && !kit.contains(Kit.COUNTER)) {
      double x = hand.x() + 3;
      lines.add(line(Role.PROP, new P(x, 0), new P(x, -150)));
      return;
    }
    int way = view == Figure.View.FRONT && hand.x() < 0 ? -1 : 1;
    P top = hand.shifted(0, 3);
    lines.add(line(Role.PROP, top.shifted(-way * 5, 0), top.shifted(way * 16, 0)));
    lines.add(line(Role.PROP, top.shifted(way * 14, 0), new P(top.x() + way * 14, 0)));
  }

  /** A small bar across each hand that holds a weight. */
  void weights(List<Line> lines, int hands) {
    if (hands > 0) {
      weight(lines, arm1);
    }
    if (hands > 1) {
      weight(lines, arm2);
    }
  }

  private static void weight(List<Line> lines, P[] arm) {
    P h = arm[2];
    lines.add(line(Role.WEIGHT, h.shifted(-8, 0), h.shifted(8, 0)));
  }

  private static Line line(Role role, P... points) {
    List<Double> xy = new ArrayList<>();
    for (P p : points) {
      xy.add(Math.round(p.x() * 10) / 10.0);
      xy.add(Math.round(p.y() * 10) / 10.0);
    }
    return new Line(role, xy);
  }
}
