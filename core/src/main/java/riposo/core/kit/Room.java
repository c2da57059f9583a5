package riposo.core.kit;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import riposo.core.adapt.Kitbag;
import riposo.core.dose.Weight;
import riposo.core.movement.Kit;

/**
 * What is in a studio room or a client's home.
 *
 * @param stepCm heights of the steps there
 * @param counterCm height of a counter to lean on; null when there is none
 * @param things mats, pads, cushions, wedges, towels, balls
 * @param machines named only; no movement of the catalogue asks for one yet
 */
public record Room(
    List<Chair> chairs,
    List<Dumbbell> dumbbells,
    List<StandIn> standIns,
    List<Band> bands,
    List<Integer> stepCm,
    boolean wall,
    @Nullable Integer counterCm,
    Set<Kit> things,
    List<String> machines) {

  /** A chair; heights in cm. */
  public record Chair(
      String name,
      int seatCm,
      boolean arms,
      boolean wheels,
      boolean solid,
      boolean ownWheelchair,
      int count) {
    public Chair {
      range("seat height", seatCm, 20, 90, " cm");
      range("chairs", count, 1, 500, "");
    }

    /** Why it is not used, in words; null when it is. */
    public @Nullable String refused() {
      return ownWheelchair
          ? null
          : wheels
              ? name + " has wheels: not usable, it rolls away under effort."
              : !solid ? name + " is soft: only for reclining." : null;
    }
  }

  /** A dumbbell as printed. */
  public record Dumbbell(BigDecimal printed, MassUnit unit, int count) {
    public Dumbbell {
      if (printed.signum() <= 0 || printed.compareTo(BigDecimal.valueOf(200)) > 0) {
        throw new IllegalArgumentException(
            "a weight of " + printed.toPlainString() + " " + unit.words + " cannot be right");
      }
      range("dumbbells", count, 1, 200, "");
    }

    /** Grams, rounded up, so that a cap is never passed by rounding. */
    public int grams() {
      return unit.grams(printed);
    }

    /** "5 lb". */
    public String words() {
      return printed.stripTrailingZeros().toPlainString() + " " + unit.words;
    }
  }

  /** Units a weight is printed in; 1 lb = 0.45359237 kg exactly. */
  public enum MassUnit {
    KG("kg", "1000"),
    LB("lb", "453.59237");

    public final String words;
    private final BigDecimal factor;

    MassUnit(String words, String factor) {
      this.words = words;
      this.factor = new BigDecimal(factor);
    }

    public int grams(BigDecimal printed) {
      return printed.multiply(factor).setScale(0, RoundingMode.CEILING).intValueExact();
    }

    /** Grams shown in this unit with two decimals at most. */
    public String show(int grams) {
      return BigDecimal.valueOf(grams)
              .divide(factor, 2, RoundingMode.HALF_UP)
              .stripTrailingZeros()
              .toPlainString()
          + " "
          + words;
    }
  }

  /**
   * Something from the house that stands in for a weight.
   *
   * @param millilitres of a bottle, or grams of a bag or backpack; ignored for a can
   */
  public record StandIn(Kind kind, int amount, int count) {
    /** Kinds of stand-in. */
    public enum Kind {
      CAN_400("full 400 g can"),
      BOTTLE("water bottle"),
      BAG("bag of rice"),
      BACKPACK("backpack with books");

      public final String words;

      Kind(String words) {
        this.words = words;
      }
    }

    public StandIn {
      if (kind != Kind.CAN_400) {
        range(kind.words, amount, 100, 30_000, kind == Kind.BOTTLE ? " ml" : " g");
      }
      range(kind.words, count, 1, 50, "");
    }

    /** A full 400 g can is about 0.45 kg; a bottle its litres in kg; a bag what it weighs. */
    public int grams() {
      return kind == Kind.CAN_400 ? 450 : amount;
    }

    public String words() {
      return kind == Kind.BOTTLE
          ? BigDecimal.valueOf(amount, 3).stripTrailingZeros().toPlainString() + " l " + kind.words
          : kind == Kind.CAN_400 ? kind.words : MassUnit.KG.show(amount) + " " + kind.words;
    }
  }

  /** What a client needs of the room. */
  public record Sitter(@Nullable Integer kneeCm, boolean noLowChair, boolean latexOff) {
    public static final Sitter ANYONE = new Sitter(null, false, false);
  }

  /**
   * What can be used of a room, and what is refused and why.
   *
   * @param printed the printed words of each weight, by grams
   */
  public record Usable(Kitbag bag, List<String> refused, List<Printed> printed) {}

  /** A weight with what is printed on it or what it is. */
  public record Printed(int grams, String words) {}

  private static void range(String what, int v, int least, int most, String unit) {
    if (v < least || v > most) {
      throw new IllegalArgumentException(
          what + " of " + v + unit + " cannot be right: " + least + " to " + most + unit);
    }
  }

  public Room {
    chairs = list(chairs);
    dumbbells = list(dumbbells);
    standIns = list(standIns);
    bands = list(bands);
    stepCm = list(stepCm);
    things = things == null ? Set.of() : Set.copyOf(things);
    machines = list(machines);
    stepCm.forEach(s -> range("a step", s, 2, 60, " cm"));
    if (counterCm != null) {
      range("a counter", counterCm, 50, 140, " cm");
    }
  }

  private static <T> List<T> list(@Nullable List<T> given) {
    return given == null ? List.of() : List.copyOf(given);
  }

  /** What this client may use here. */
  public Usable usableBy(Sitter who) {
    Set<Kit> items = EnumSet.noneOf(Kit.class);
    for (Kit k : things) {
      if (k != Kit.CHAIR && k != Kit.BAND && k != Kit.DUMBBELLS && k != Kit.STEP) {
        items.add(k);
      }
    }
    List<String> refused = new ArrayList<>();
    boolean unmeasured = false;
    for (Chair c : chairs) {
      String why = c.refused();
      if (why == null && who.noLowChair() && !c.ownWheelchair()) {
        unmeasured |= who.kneeCm() == null;
        why =
            who.kneeCm() == null
                ? c.name()
                    + ": a seat above knee height is wanted and the knee height is not recorded."
                : c.seatCm() <= who.kneeCm()
                    ? c.name()
                        + ": seat "
                        + c.seatCm()
                        + " cm, at or below the knee at "
                        + who.kneeCm()
                        + " cm; a 5 cm cushion is a rung."
                    : null;
      }
      if (why == null) {
        items.add(Kit.CHAIR);
      } else {
        refused.add(why);
      }
    }
    List<Band> usable = new ArrayList<>();
    for (Band b : bands) {
      if (b.latex() && who.latexOff()) {
        refused.add(b.name() + " is latex: off for this client.");
      } else {
        items.add(Kit.BAND);
        usable.add(b);
      }
    }
    if (!stepCm.isEmpty()) {
      items.add(Kit.STEP);
    }
    if (wall) {
      items.add(Kit.WALL);
    }
    if (counterCm != null) {
      items.add(Kit.COUNTER);
    }
    List<Weight> weights = new ArrayList<>();
    List<Printed> printed = new ArrayList<>();
    dumbbells.forEach(d -> add(weights, printed, d.grams(), d.count(), d.words()));
    standIns.forEach(s -> add(weights, printed, s.grams(), s.count(), s.words()));
    if (!weights.isEmpty()) {
      items.add(Kit.DUMBBELLS);
    }
    Set<Kit> unknown = unmeasured && !items.contains(Kit.CHAIR) ? Set.of(Kit.CHAIR) : Set.of();
    return new Usable(
        new Kitbag(items, weights, unknown, usable), List.copyOf(refused), List.copyOf(printed));
  }

  private static void add(
      List<Weight> weights, List<Printed> printed, int grams, int count, String words) {
    weights.add(new Weight(grams, count));
    printed.add(new Printed(grams, words));
  }
}
