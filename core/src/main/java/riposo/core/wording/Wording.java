package riposo.core.wording;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import riposo.core.adapt.AdaptedPlan;
import riposo.core.adapt.AdaptedSlot;
import riposo.core.adapt.BandGrip;
import riposo.core.adapt.Ceiling;
import riposo.core.adapt.Comparison;
import riposo.core.adapt.Cost;
import riposo.core.adapt.Performed;
import riposo.core.adapt.PlanKit;
import riposo.core.adapt.PlanMark;
import riposo.core.adapt.Reach;
import riposo.core.adapt.RestStretch;
import riposo.core.adapt.SessionFit;
import riposo.core.adapt.Standing;
import riposo.core.adapt.Turn;
import riposo.core.group.CountedRest;
import riposo.core.group.Instead;
import riposo.core.group.Watch;
import riposo.core.kit.Band;
import riposo.core.limit.Axis;
import riposo.core.limit.Broken;
import riposo.core.limit.FloorWay;
import riposo.core.limit.JointMotion;
import riposo.core.limit.Limit;
import riposo.core.limit.Loading;
import riposo.core.limit.Side;
import riposo.core.limit.Strength;
import riposo.core.movement.Catalogue;
import riposo.core.movement.Effect;
import riposo.core.movement.Kit;
import riposo.core.movement.Modifier;
import riposo.core.movement.Movement;
import riposo.core.movement.Soundness;
import riposo.core.plan.BlockOrder;
import riposo.core.plan.PlanCheck;
import riposo.core.plan.PlanFix;
import riposo.core.plan.Segment;
import riposo.core.plan.SessionPlan;
import riposo.core.plan.Stage;
import riposo.core.plan.Timeline;
import riposo.core.plan.Upper;
import riposo.core.run.RunSheet;

/** Sentences from facts, plain and short, to a colleague. Numbers carry their units. */
public final class Wording {
  /** Where nothing is open. */
  private static final String REST = "Rest and breathe";

  private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM", Locale.ENGLISH);
  private static final DateTimeFormatter WEEKDAY =
      DateTimeFormatter.ofPattern("EEEE d MMM", Locale.ENGLISH);
  private static final List<String> SPINE = List.of("none", "mid range", "end range");
  private static final List<String> BALANCE =
      List.of("seated", "wide stance", "narrow or staggered stance", "one leg", "one leg moving");
  private static final List<String> IMPACT =
      List.of("walking pace", "brisk step", "low hop", "jump");
  private static final List<String> TRUNK =
      List.of(
          "back supported, arms low",
          "upright, arms alike below the shoulder",
          "overhead, reaching, turning or one-sided",
          "leaning out");
  private static final List<String> PRESSURE =
      List.of("none, unloaded", "light load", "plank or heavy press", "near-maximal");
  private final Catalogue catalogue;

  public Wording(Catalogue catalogue) {
    this.catalogue = catalogue;
  }

  public static String day(LocalDate date) {
    return DAY.format(date);
  }

  /** Grams as kilograms: "2.5 kg". */
  public static String kg(int grams) {
    return BigDecimal.valueOf(grams, 3).stripTrailingZeros().toPlainString() + " kg";
  }

  /** An amount on an axis with its unit or level in words. */
  public static String amount(Axis axis, int value) {
    return switch (axis.unit) {
      case DEGREES -> value + "°";
      case GRAMS -> kg(value);
      case PERCENT -> value + " %";
      case SECONDS -> value + " s";
      case MINUTES -> value + " min";
      case PER_WEEK -> value + " a week";
      case BPM -> value + " bpm";
      case LEAST_MINUTES -> (60 - value) + " min";
      case CLOSED -> "closed";
      case LEVEL -> {
        if (axis.id.startsWith("spine.")) {
          yield SPINE.get(Math.min(value, 2));
        }
        if (axis.id.startsWith("balance.")) {
          yield BALANCE.get(Math.min(value, 4));
        }
        if (axis == Axis.TRUNK) {
          yield TRUNK.get(Math.min(value, 3));
        }
        if (axis == Axis.PRESSURE) {
          yield PRESSURE.get(Math.min(value, 3));
        }
        yield axis == Axis.IMPACT ? IMPACT.get(Math.min(value, 3)) : String.valueOf(value);
      }
    };
  }

  /** A limit in a few words: "right arm raised under load ≤ 80°", "no dip". */
  public static String limit(String axisId, Side side, int cap) {
    Axis axis = Axis.of(axisId);
    String words = side(side) + axis.words;
    if (axis == Axis.WORK_PER_REST) {
      return cap == 100
          ? "rest at least as long as work"
          : "work at most " + cap + " % of the rest";
    }
    if (axis.unit == Axis.Unit.CLOSED) {
      return "no " + closed(axis, side).replaceFirst("^(a|an|the) ", "");
    }
    if (axis.unit == Axis.Unit.LEAST_MINUTES) {
      return axis.words + " ≥ " + amount(axis, cap);
    }
    return cap == 0
            && axis.unit == Axis.Unit.LEVEL
            && (axis.id.startsWith("spine.") || axis == Axis.PRESSURE)
        ? "no " + words
        : words + " ≤ " + amount(axis, cap);
  }

  /** What is closed, with its side where it has one: "rolling over the left side". */
  private static String closed(Axis axis, Side side) {
    return side == Side.BOTH
        ? axis.words
        : axis.words.replaceFirst("the (side|foot)", "the " + side(side) + "$1");
  }

  /** "left ", "right ", and nothing for both. */
  public static String side(Side side) {
    return side == Side.BOTH ? "" : side.name().toLowerCase(Locale.ROOT) + " ";
  }

  /**
   * One broken limit: "asks for 100° of knee bend on the left; limit 60° (physio letter, until 12
   * Feb)".
   */
  public static String broken(Broken b) {
    Axis axis = Axis.of(b.axisId());
    String on = b.side() == Side.BOTH ? "" : " on the " + b.side().name().toLowerCase(Locale.ROOT);
    String until =
        b.reviewDue()
            ? ", review due since " + day(java.util.Objects.requireNonNull(b.until()))
            : b.until() == null ? ", until reviewed" : ", until " + day(b.until());
    String who =
        " (" + b.source() + until + (b.strength() == Strength.FIRM ? ", firm" : ", advised") + ")";
    if (axis.unit == Axis.Unit.LEAST_MINUTES) {
      return "has a "
          + axis.words
          + " of "
          + amount(axis, b.asked())
          + "; at least "
          + amount(axis, b.cap())
          + who;
    }
    String asks =
        b.way() == null ? "asks for " : "asks, on the way down " + b.way().words + ", for ";
    return axis.unit == Axis.Unit.CLOSED
        ? asks + closed(axis, b.side()) + ", which is closed" + who
        : asks
            + amount(axis, b.asked())
            + " of "
            + axis.words
            + on
            + "; limit "
            + amount(axis, b.cap())
            + who;
  }

  /** What a way to the floor asks of the body. */
  public static String asks(FloorWay way) {
    int[] v = way.demands(false).get(0);
    int left = v[Axis.BEARING_ARM.cell(Side.LEFT)];
    boolean both = left > 0 && v[Axis.BEARING_ARM.cell(Side.RIGHT)] > 0;
    return "knee bend "
        + v[Axis.joint(JointMotion.KNEE_FLEXION, Loading.FREE).cell(Side.LEFT)]
        + "°, hip bend "
        + v[Axis.joint(JointMotion.HIP_FLEXION, Loading.FREE).cell(Side.LEFT)]
        + "°, "
        + left
        + " % of weight on "
        + (both ? "each arm" : "one arm")
        + ", a hand on support";
  }

  /** All broken limits as sentences, the same limit on both sides said once. */
  public static List<String> broken(List<Broken> all) {
    Map<String, Broken> merged = new LinkedHashMap<>();
    for (Broken b : all) {
      merged.merge(
          b.limitId() + "/" + b.asked() + "/" + b.way(),
          b,
          (x, y) ->
              new Broken(
                  x.axisId(),
                  Side.BOTH,
                  x.asked(),
                  x.cap(),
                  x.limitId(),
                  x.strength(),
                  x.source(),
                  x.until(),
                  x.reviewDue(),
                  x.way()));
    }
    return merged.values().stream().map(Wording::broken).toList();
  }

  /**
   * What is missing for a movement.
   *
   * @param unmeasured of it, what is there but waits for a fact about the client
   */
  public static String missing(Set<Kit> missing, Set<Kit> unmeasured) {
    String kit =
        missing.stream()
            .filter(k -> !unmeasured.contains(k))
            .sorted()
            .map(k -> k.words)
            .collect(Collectors.joining(" and "));
    List<String> all = new ArrayList<>();
    if (missing.stream().anyMatch(unmeasured::contains)) {
      all.add(
          "waits: the knee height is not recorded, needed to know whether this seat is high enough");
    }
    if (!kit.isEmpty()) {
      all.add("needs " + kit + ", not in this kit");
    }
    return String.join("; ", all);
  }

  /** In what a movement is harder than asked, where no limit closes it. */
  public static String harder(Reach.Over o) {
    Axis axis = Axis.of(o.axisId());
    if (axis == Axis.FLOOR) {
      return "is done on the floor, and no trip there was asked for";
    }
    if (axis == Axis.LOAD_FROM_FLOOR) {
      return "takes a weight from the floor, which was not asked for";
    }
    return "asks for "
        + amount(axis, o.asks())
        + " of "
        + axis.words
        + "; what was asked leaves "
        + amount(axis, o.most());
  }

  public static String above(Ceiling c) {
    return c.rung() == 0
        ? "the family is stopped since " + day(c.decidedOn()) + " until reviewed"
        : "above where the client stands: rung " + c.rung() + ", accepted " + day(c.decidedOn());
  }

  /** A modifier of a movement, with the share of load a shorter lever takes off. */
  public static String modifier(Modifier m, Movement of) {
    return m == Modifier.SHORTER_LEVER
        ? m.words + ", " + of.lever() + " % of the load off"
        : m.words;
  }

  /** "balance without support: one leg to seated". */
  public static String effect(Effect e) {
    Axis axis = Axis.of(e.axisId());
    return axis.unit == Axis.Unit.CLOSED
        ? (e.to() == 0 ? "no " : "")
            + axis.words.replaceFirst(e.to() == 0 ? "^(a|an|the) " : "^$", "")
        : side(e.side())
            + axis.words
            + ": "
            + amount(axis, e.from())
            + " to "
            + amount(axis, e.to());
  }

  /** "knee bend of 80° or more", "work with the legs". */
  public static String least(String axisId, int least) {
    Axis axis = Axis.of(axisId);
    return axis.unit == Axis.Unit.CLOSED
        ? axis.words
        : axis.words + " of " + amount(axis, least) + " or more";
  }

  /** A demand below what the posture implies. */
  public static String doubt(Soundness.Doubt d) {
    Axis axis = Axis.of(d.axisId());
    return axis.unit == Axis.Unit.CLOSED
        ? "the posture implies " + axis.words + ", which is not claimed"
        : "claims "
            + amount(axis, d.asked())
            + " of "
            + axis.words
            + "; the posture implies "
            + amount(axis, d.least())
            + " or more";
  }

  /** "counter push-up, narrow hands, feet wider"; "rest and breathe". */
  public String performed(Performed p) {
    if (p.movementId() == null) {
      return REST;
    }
    StringBuilder s = new StringBuilder(catalogue.movement(p.movementId()).name());
    p.modifiers().forEach(m -> s.append(", ").append(modified(m, p.range())));
    return s.toString();
  }

  /** The parts of a slot: "left One-arm press; right Forward punch, low". */
  public String parts(List<Performed> parts) {
    return parts.stream().map(p -> side(p.side()) + performed(p)).collect(Collectors.joining("; "));
  }

  /** What fills a rest: "Arm across the chest, 20 s a side, a mild pull". */
  public String stretch(RestStretch x) {
    if (x.none() != null || x.form() == null || x.sides() == null) {
      return x.none() == RestStretch.None.SHORT
          ? "no stretch, the rests are too short for one: rest still"
          : "no stretch of what is worked here is open in this posture: rest still";
    }
    return stretch(performed(x.form()), x.seconds(), x.sides());
  }

  /** The same of a stretch by its name. */
  public static String stretch(String name, int seconds, RestStretch.Sided sides) {
    return name
        + ", "
        + seconds
        + " s"
        + switch (sides) {
          case AT_ONCE -> "";
          case EACH -> " a side";
          case ONE_A_REST -> ", one side a rest";
        }
        + ", a mild pull";
  }

  /** An option above what is asked: "Chair dip, one leg out", "the same, slower". */
  public String upper(Upper u) {
    return u.movementId() != null
        ? catalogue.find(u.movementId()).map(Movement::name).orElse(u.movementId())
        : u.grams() != null ? "the same with " + kg(u.grams()) : "the same, slower";
  }

  /** Which band, how it is fixed and where it is gripped: what a hand feels at the end. */
  public static String band(BandGrip g) {
    Band.Grip grip = g.grip();
    if (g.beside() != null) {
      return beside(g, g.beside());
    }
    if (grip == null || g.band() == null) {
      return g.none() == BandGrip.None.UNMEASURED
          ? "no band here is measured, so no grip is reckoned: the lightest, held long"
          : "every band here pulls harder than wanted or allowed, even held long: leave it out, no"
              + " weight is a proper dose";
    }
    return "“"
        + g.band()
        + "” "
        + hold(g.hold())
        + (g.asked() ? "" : ", for under both it pulls too hard")
        + ", gripped "
        + grip.gripCm()
        + " cm from there: about "
        + kg(Math.round(grip.force().grams() / 100f) * 100)
        + " at the end"
        + (grip.force().estimated() ? ", an estimate from one point" : "")
        + (g.recorded()
            ? ""
            : ", reckoned for " + g.statureCm() + " cm, as the stature is not recorded")
        + (grip.force().warning() == null ? "" : "; " + grip.force().warning());
  }

  /** A band pulled with a weight. */
  private static String beside(BandGrip g, int grams) {
    Band.Grip grip = g.grip();
    if (grip == null || g.band() == null) {
      return "the band beside the weight is left out: "
          + (g.none() == BandGrip.None.UNMEASURED
              ? "none here is measured"
              : "none here pulls as little, or is allowed");
    }
    int pull = Math.round(grip.force().grams() / 50f) * 50;
    return "“"
        + g.band()
        + "” as well, "
        + (g.hold() == Band.Hold.WHOLE ? "one end" : "its middle")
        + " under one foot, gripped "
        + grip.gripCm()
        + " cm from there: about "
        + kg(pull)
        + " more at the end, "
        + kg(grams + pull)
        + " with the weight"
        + (grip.force().estimated() ? ", an estimate from one point" : "")
        + (g.recorded()
            ? ""
            : ", reckoned for " + g.statureCm() + " cm, as the stature is not recorded");
  }

  private static String hold(Band.Hold hold) {
    return switch (hold) {
      case ONE_FOOT -> "under one foot";
      case TWO_FEET -> "under both feet";
      case WHOLE -> "over its whole length";
    };
  }

  /** A weight of a plan's kit: "2 kg pair", "two weights, 3 kg together". */
  public static String taken(PlanKit.Taken t) {
    return t.together()
        ? "two weights, " + kg(t.grams()) + " together"
        : kg(t.grams()) + (t.count() == 2 ? " pair" : "");
  }

  /** Things of which one will do: "a solid chair or a counter". */
  public static String anyOf(Set<Kit> any) {
    return any.stream().sorted().map(k -> k.words).collect(Collectors.joining(" or "));
  }

  /** A share of body weight in words: "about a third of body weight". */
  public static String share(double share) {
    String[][] near = {
      {"0.25", "a quarter"},
      {"0.33", "a third"},
      {"0.5", "half"},
      {"0.67", "two thirds"},
      {"0.75", "three quarters"}
    };
    for (String[] n : near) {
      if (Math.abs(share - Double.parseDouble(n[0])) <= 0.04) {
        return "about " + n[1] + " of body weight";
      }
    }
    return "about " + Math.round(share * 100) + " % of body weight";
  }

  /** When and how long: "from 5:00, 2 × 40 s, rest 20 s, left then right". */
  public static String times(Timeline t, String slotKey) {
    List<Segment> work =
        t.segments().stream()
            .filter(g -> g.slotKey().equals(slotKey) && g.kind() == Segment.Kind.WORK)
            .toList();
    if (work.isEmpty()) {
      return "";
    }
    List<String> parts = new ArrayList<>();
    parts.add("from " + clock(work.get(0).start()));
    int least = work.stream().mapToInt(Segment::length).min().orElseThrow();
    int most = work.stream().mapToInt(Segment::length).max().orElseThrow();
    parts.add(
        work.size()
            + " × "
            + (least == most ? String.valueOf(least) : least + " to " + most)
            + " s");
    t.segments().stream()
        .filter(g -> g.slotKey().equals(slotKey) && g.kind() == Segment.Kind.REST)
        .mapToInt(Segment::length)
        .max()
        .ifPresent(r -> parts.add("rest " + r + " s"));
    List<String> sides =
        work.stream()
            .map(Segment::side)
            .filter(x -> x != Side.BOTH)
            .distinct()
            .map(x -> x.name().toLowerCase(Locale.ROOT))
            .toList();
    if (!sides.isEmpty()) {
      parts.add(String.join(" then ", sides));
    }
    return String.join(", ", parts);
  }

  /** Why the slot is as it is, in one or more short sentences; empty when it is as asked. */
  public List<String> reasons(AdaptedSlot slot) {
    if (slot.gone()) {
      return List.of(
          "“" + slot.askedId() + "” is no longer in the catalogue: replace it in the plan.");
    }
    List<String> reasons = new ArrayList<>();
    Standing standing = slot.standing();
    if (standing != null) {
      reasons.add(standing(standing));
      reasons.addAll(leftOut(standing, slot));
    }
    if (slot.released()) {
      reasons.add("Your own choice was let go: a limit, a verdict or the kit no longer allows it.");
    }
    if (slot.pinned()) {
      reasons.add("Your own choice.");
      Wording.broken(slot.overridden())
          .forEach(b -> reasons.add("Passed with your reason: " + b + "."));
    }
    String asked = catalogue.movement(slot.askedId()).name();
    if (!slot.result().asAsked() || !slot.askedBroken().isEmpty()) {
      Wording.broken(slot.askedBroken()).forEach(b -> reasons.add(asked + " " + b + "."));
    }
    if (!slot.askedMissing().isEmpty()) {
      reasons.add(asked + " " + missing(slot.askedMissing(), slot.unmeasured()) + ".");
    }
    if (slot.result().allRest()) {
      reasons.add("Nothing of this purpose or its neighbours is open today: rest and breathe.");
    } else {
      for (Performed p : slot.result().parts()) {
        if (p.movementId() == null) {
          reasons.add(
              "Nothing of this purpose is open on the "
                  + side(p.side()).trim()
                  + ": that side rests.");
        } else if (catalogue.movement(p.movementId()).purpose() != slot.purpose()) {
          reasons.add(
              "Nothing of this purpose is open; "
                  + catalogue.movement(p.movementId()).purpose().words
                  + " is the nearest.");
        }
      }
    }
    if (slot.cut() != null) {
      reasons.add(cut(slot.cut()));
    }
    if (slot.turn() != null) {
      reasons.add(turn(slot.turn()));
    }
    return reasons.stream().distinct().toList();
  }

  /** "Held 20 s, asked 40 s: hold ≤ 20 s (today’s check)." */
  private static String cut(AdaptedSlot.HoldCut c) {
    String held = "Held " + c.now() + " s at a time, not " + c.asked() + " s";
    List<String> by = broken(c.by());
    return by.isEmpty()
        ? held + ": the form done has shorter holds."
        : held + ": it " + by.get(0) + ".";
  }

  /**
   * What a work-for-rest cap makes of the session: "works 15 of each 30 s", "the count stays and
   * the rest is as long as the work"; null where it changes nothing.
   */
  public static @Nullable String work(AdaptedPlan a) {
    List<String> all = new ArrayList<>();
    AdaptedPlan.WorkShare share = a.workShare();
    if (share != null) {
      all.add("works " + share.seconds() + " of each " + share.of() + " s");
    }
    if (a.restGrows()) {
      all.add(REST_GROWS);
    }
    return all.isEmpty()
        ? null
        : String.join(", and ", all) + ": rest at least as long as the limit asks";
  }

  /**
   * What a group's counted work does for somebody who needs the longer rest.
   *
   * @param over whose session it would make too long, by name; null where it does not
   */
  public static String counted(CountedRest r, @Nullable String over) {
    CountedRest.Over first = r.first();
    return first == null
        ? "sets the rest of counted work for all: as long as the work"
        : "does every other set of counted work: a rest as long as the work would pass "
            + first.minutes()
            + " min, the most for "
            + over;
  }

  /** What counted work does under a work-for-rest cap. */
  public static final String REST_GROWS = "the count stays and the rest grows in counted work";

  /** "Fits with 1 round at most: 24:10", "fits without Hinged row and Squat: 28:00". */
  public String fit(SessionFit f, SessionPlan plan) {
    Integer rounds = f.rounds();
    if (rounds != null) {
      return "Fits with "
          + counted(rounds, "round", "rounds")
          + " of the work at most: "
          + clock(f.seconds())
          + ".";
    }
    List<String> names =
        plan.allSlots().stream()
            .filter(x -> f.out().contains(x.key()))
            .map(x -> name(x.movementId()))
            .toList();
    return "Fits without " + listed(names) + ": " + clock(f.seconds()) + ".";
  }

  /** "a", "a and b", "a, b and c". */
  public static String listed(List<String> names) {
    int n = names.size();
    return n < 2
        ? String.join("", names)
        : String.join(", ", names.subList(0, n - 1)) + " and " + names.get(n - 1);
  }

  /** What the session as a whole makes of a slot. */
  private String turn(Turn t) {
    String own = t.own().stream().map(this::performed).collect(Collectors.joining(" and "));
    return switch (t.kind()) {
      case VARIED -> "By itself " + own + ", which comes already; this is the nearest other.";
      case REPEATED -> "Comes twice today: nothing else is as near.";
      case TOGETHER -> "By itself " + own + "; chosen so that the floor is gone to once.";
    };
  }

  /** What a verdict gave and is not done here. */
  private static List<String> leftOut(Standing s, AdaptedSlot slot) {
    List<String> all = new ArrayList<>();
    boolean more = slot.doses().stream().anyMatch(d -> d.sets() != null && d.rounds() > d.sets());
    if (s.more() != null && !s.stopped() && !more) {
      all.add(
          "The set more is left out here: it is for sets and repetitions of one who trains alone,"
              + " and not on a cut day, after a gap, or where the session would be too long.");
    }
    // where the kit or a limit leaves none, that is said with the band itself
    if (s.pull() != null && !s.stopped() && slot.band() == null) {
      all.add(
          "The band beside the weight is left out here: it is for one who trains alone, with the"
              + " weight it was put by, and not on a cut day or after a gap.");
    }
    return all;
  }

  private String standing(Standing s) {
    String date = day(s.decidedOn());
    if (s.stopped()) {
      return "Stopped and referred on " + date + ": closed until reviewed.";
    }
    String verdict = s.verdict().toLowerCase(Locale.ROOT).replace('_', ' ');
    return (s.verdict().equals("STAY") ? "From the verdict of " : "From the verdict accepted ")
        + date
        + ": "
        + verdict
        + ", "
        + name(s.movementId())
        + (s.grams() == null ? "" : s.grams() == 0 ? ", no weight" : ", " + kg(s.grams()))
        + (s.reps() == null ? "" : ", " + DoseWords.reps(s.reps()))
        + (s.tempo() == null ? "" : ", tempo " + s.tempo())
        + (s.more() == null
            ? ""
            : s.more() == 1 ? ", one set more" : ", " + s.more() + " sets more")
        + (s.pull() == null ? "" : ", a band as well")
        + ".";
  }

  String name(String movementId) {
    return catalogue.find(movementId).map(Movement::name).orElse(movementId);
  }

  /** "Since Tuesday 17 Nov: 2 slots opened, 1 closed." */
  public static String since(Comparison c) {
    return "Since "
        + WEEKDAY.format(c.from())
        + ": "
        + (c.slots().isEmpty() ? "nothing changed" : counts(c))
        + ".";
  }

  /** With a capital at its beginning. */
  public static String capital(String words) {
    return words.isEmpty() ? words : Character.toUpperCase(words.charAt(0)) + words.substring(1);
  }

  /** "1 verdict", "3 verdicts". */
  public static String counted(long n, String one, String many) {
    return n + " " + (n == 1 ? one : many);
  }

  /** "2 slots opened, 1 closed, 3 doses changed". */
  public static String counts(Comparison c) {
    List<String> parts = new ArrayList<>();
    count(parts, c.count(Comparison.Kind.OPENED), "opened");
    count(parts, c.count(Comparison.Kind.CLOSED), "closed");
    count(parts, c.count(Comparison.Kind.OTHER), "took another form");
    count(parts, c.count(Comparison.Kind.ASKED), "asked for otherwise");
    count(parts, c.count(Comparison.Kind.GONE), "gone from the plan");
    int doses = c.count(Comparison.Kind.DOSE);
    if (doses > 0) {
      parts.add(doses + (doses == 1 ? " dose" : " doses") + " changed");
    }
    return parts.isEmpty() ? "no slot differs" : String.join(", ", parts);
  }

  private static void count(List<String> parts, int n, String what) {
    if (n > 0) {
      parts.add(n + (parts.isEmpty() ? n == 1 ? " slot " : " slots " : " ") + what);
    }
  }

  /** What the two were reckoned from that differs, one sentence each. */
  public static List<String> causes(Comparison c) {
    List<String> all = new ArrayList<>();
    c.ended().forEach(l -> all.add("No longer holds: " + limit(l) + "."));
    c.begun().forEach(l -> all.add("Holds now: " + limit(l) + "."));
    if (!c.kitNew().isEmpty()) {
      all.add("In the kit now: " + kit(c.kitNew()) + ".");
    }
    if (!c.kitGone().isEmpty()) {
      all.add("No longer in the kit: " + kit(c.kitGone()) + ".");
    }
    if (c.weightsChanged()) {
      all.add("The weights at hand changed.");
    }
    if (c.planChanged()) {
      all.add("The plan itself was changed.");
    }
    if (c.easedChanged()) {
      all.add("Today’s check cuts the dose.");
    }
    if (c.fromSeconds() != c.toSeconds()) {
      all.add(
          "The session takes "
              + clock(c.toSeconds())
              + " instead of "
              + clock(c.fromSeconds())
              + ".");
    }
    return all;
  }

  private static String limit(Limit l) {
    return limit(l.axisId(), l.side(), l.cap())
        + " ("
        + l.source()
        + (l.until() == null ? ", until reviewed" : ", until " + day(l.until()))
        + (l.strength() == Strength.FIRM ? ", firm)" : ", advised)");
  }

  private static String kit(Set<Kit> kit) {
    return kit.stream().sorted().map(k -> k.words).collect(Collectors.joining(", "));
  }

  /** A marked slot in words: what is done and at which dose. */
  public String slot(PlanMark.SlotMark s) {
    List<String> all = new ArrayList<>();
    for (int i = 0; i < s.parts().size(); i++) {
      Performed p = s.parts().get(i);
      all.add(
          side(p.side())
              + (p.movementId() != null && catalogue.find(p.movementId()).isEmpty()
                  ? p.movementId()
                  : performed(p))
              + " · "
              + DoseWords.dose(s.doses().get(i)));
    }
    return String.join("; ", all);
  }

  /** What a choice gave up, in the order it is weighed, nothing given up left out. */
  public static List<String> givenUp(List<Performed> parts, Cost c) {
    List<String> all = new ArrayList<>();
    if (c.purpose() > 0 && parts.stream().anyMatch(Performed::isRest)) {
      all.add(
          parts.stream().allMatch(Performed::isRest) ? "purpose: rest" : "purpose: one side rests");
    } else if (c.purpose() > 0) {
      all.add(c.purpose() <= 2 ? "purpose: a neighbouring one" : "purpose: only the same muscles");
    }
    if (c.muscles() > 0) {
      all.add("muscles: " + half(c.muscles()) + " of the primary ones missed or only helped");
    }
    if (c.kind() > 0) {
      all.add(
          "kind: "
              + switch ((c.kind() + 1) / 2) {
                case Cost.CUT -> "the same movement with less of it";
                case Cost.FAMILY -> "another of the family";
                default -> "another family";
              });
    }
    if (c.range() > 0) {
      all.add("range: " + half(c.range()) + " % of it");
    }
    if (c.position() > 0) {
      all.add("position: another posture than asked");
    }
    if (c.distance() > 0) {
      all.add("distance: " + half(c.distance()) + " points of difficulty below what is asked");
    }
    if (c.modifiers() > 0) {
      all.add("modifiers: " + half(c.modifiers()));
    }
    return all;
  }

  /** Costs count both sides; said for one. */
  private static String half(int both) {
    return both % 2 == 0 ? String.valueOf(both / 2) : both / 2 + ".5";
  }

  public static String check(PlanCheck c) {
    return switch (c.rule()) {
      case PlanCheck.WARM_UP_SHORT ->
          "Warm-up "
              + clock(c.value())
              + " is short: "
              + clock(c.wanted())
              + " is wanted (5 min or 15 %).";
      case PlanCheck.COOL_DOWN_SHORT ->
          "Cool-down " + clock(c.value()) + " is short: " + clock(c.wanted()) + " is wanted.";
      case PlanCheck.FLOOR_TRIPS -> c.value() + " trips to the floor.";
      case PlanCheck.REGION_TWICE ->
          times(c.value(), "the same region twice running")
              + ": let one rest while the other works.";
      case PlanCheck.HARD_TWICE ->
          times(c.value(), "two hard slots for one muscle in a row") + " (effort 5 or more each).";
      case PlanCheck.SMALL_FIRST -> "A small group comes before a big one: big first, while fresh.";
      case PlanCheck.BICEPS_FIRST -> "Elbow bend before a pull: the arms tire before the back.";
      case PlanCheck.ODD_ROUNDS ->
          "Sides by round and "
              + c.value()
              + (c.value() == 1 ? " round" : " rounds")
              + ": one side gets more. An even number is wanted.";
      case PlanCheck.ONE_SIDE ->
          times(c.value(), "one side only")
              + ": recorded, and left out of left against right ("
              + clock(c.wanted())
              + ").";
      case PlanCheck.SIDES_UNEQUAL ->
          (c.value() > c.wanted() ? "Left" : "Right")
              + " gets more: left "
              + clock(c.value())
              + ", right "
              + clock(c.wanted())
              + ".";
      case PlanCheck.OVERHEAD_LONG ->
          "Arms overhead for "
              + clock(c.value())
              + " of work in a row; over "
              + clock(c.wanted())
              + " raises the pulse, mind heart and lung clients.";
      case PlanCheck.PUSH_PULL ->
          "Push "
              + clock(c.value())
              + " against pull "
              + clock(c.wanted())
              + ": more than twice the other.";
      case PlanCheck.ONE_WEIGHT ->
          kg(c.value())
              + " is asked of all: small muscles take about half of what rows take, about "
              + kg(c.wanted())
              + ".";
      case PlanCheck.MANY_REPS ->
          c.value() + " repetitions in an interval; eight to ten done well is the usual aim.";
      case PlanCheck.GONE ->
          c.value() == 1
              ? "A movement is no longer in the catalogue: replace it."
              : c.value() + " movements are no longer in the catalogue: replace them.";
      default -> throw new IllegalArgumentException("unknown rule " + c.rule());
    };
  }

  private static String times(int n, String what) {
    return n == 1
        ? Character.toUpperCase(what.charAt(0)) + what.substring(1)
        : n + " times " + what;
  }

  /** A stage of a staged set: "4 × full range, 2-0-2-0", "8 pulses low", "hold high, 4 counts". */
  public static String stage(Stage s) {
    String range = s.range().name().toLowerCase(Locale.ROOT);
    return switch (s.kind()) {
      case REPS -> s.count() + " × " + range + " range, " + s.tempo();
      case PULSES -> s.count() + " pulses " + (s.range() == Stage.Part.FULL ? "" : range).trim();
      case HOLD -> "hold " + range + ", " + s.counts() + " counts";
    };
  }

  /** A fix in words: "Swap 4 and 5: 2 trips to the floor fewer". */
  public static String fix(PlanFix f) {
    return switch (f.kind()) {
      case SWAP -> "Swap " + f.a() + " and " + f.b() + ": " + gain(f);
      case LONGER ->
          (f.rule().equals(PlanCheck.WARM_UP_SHORT) ? "Warm-up " : "Cool-down ")
              + clock(f.a())
              + " to "
              + clock(f.b());
      case ADD_ROUND -> "One round more: " + f.b() + ", both sides alike";
      case SLOWER -> "Lower in 3 s, lift in 2: 5 s a repetition";
    };
  }

  private static String gain(PlanFix f) {
    int less = f.before() - f.after();
    return switch (f.rule()) {
      case PlanCheck.FLOOR_TRIPS ->
          less + (less == 1 ? " trip to the floor fewer" : " trips to the floor fewer");
      case PlanCheck.OVERHEAD_LONG -> clock(less) + " less overhead in a row";
      case PlanCheck.REGION_TWICE -> f.after() == 0 ? "no region twice running" : less + " fewer";
      case PlanCheck.HARD_TWICE -> f.after() == 0 ? "no hard pair left" : less + " fewer";
      default -> f.after() == 0 ? "big groups first" : less + " fewer";
    };
  }

  /** What somebody does without a weight: "takes a band: Seated band row". */
  public String instead(Instead i) {
    return switch (i.kind()) {
      case BAND -> "takes a band: " + performed(java.util.Objects.requireNonNull(i.band()));
      case OTHER_ORDER ->
          "goes in the other order: this one while the others do "
              + name(java.util.Objects.requireNonNull(i.otherId()));
      case NO_WEIGHT -> "works with no weight, a proper dose";
    };
  }

  /** Why somebody needs watching: "changes posture slowly, 20 s more than the rest". */
  public static String watch(Watch w) {
    return switch (w.kind()) {
      case SLOW_CHANGE -> "changes posture slowly, " + w.value() + " s more than the rest";
      case FLOOR -> "getting down or up takes " + w.value() + " s, stay near";
      case BALANCE_EDGE, FIRM_EDGE -> {
        Axis axis = Axis.of(java.util.Objects.requireNonNull(w.axisId()));
        yield side(w.side()) + axis.words + " just at the limit, " + amount(axis, w.value());
      }
    };
  }

  /** What a better order gains: "trips to the floor 3 to 1, posture changes 9 to 5". */
  public static String gained(BlockOrder.Found f) {
    BlockOrder.Cost a = f.before();
    BlockOrder.Cost b = f.after();
    List<String> parts = new ArrayList<>();
    gained(parts, "trips to the floor", a.floorTrips(), b.floorTrips());
    gained(parts, "same region twice running", a.regionTwice(), b.regionTwice());
    gained(parts, "posture changes", a.postureChanges(), b.postureChanges());
    gained(parts, "small group before big", a.smallFirst(), b.smallFirst());
    gained(parts, "upper or lower twice running", a.halfTwice(), b.halfTwice());
    return parts.isEmpty() ? "No order is better than this one." : String.join(", ", parts) + ".";
  }

  private static void gained(List<String> parts, String what, int before, int after) {
    if (before != after) {
      parts.add(what + " " + before + " to " + after);
    }
  }

  /** Seconds as minutes and seconds: "19:40". */
  public static String clock(int seconds) {
    return seconds / 60 + ":" + String.format(Locale.ROOT, "%02d", seconds % 60);
  }

  /** What is done, by its name as it was at the start of the run. */
  public static String form(RunSheet.Form f) {
    return f.name() == null
        ? REST
        : Stream.concat(Stream.of(name(f)), how(f).stream()).collect(Collectors.joining(", "));
  }

  /** What is done alone, without how: "Squat to chair". */
  public static String name(RunSheet.Form f) {
    return f.name() == null ? REST : f.name();
  }

  /** How it is done, change by change: "hand on support". */
  public static List<String> how(RunSheet.Form f) {
    return f.name() == null
        ? List.of()
        : f.modifiers().stream().map(m -> modified(m, f.range())).toList();
  }

  private static String modified(Modifier m, int range) {
    return m == Modifier.RANGE ? "to " + range + " % of the range" : m.words;
  }
}
