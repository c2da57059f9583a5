package riposo.core.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import riposo.core.dose.Build;
import riposo.core.dose.Dose;
import riposo.core.dose.FoundWeight;
import riposo.core.dose.HeightShare;
import riposo.core.dose.Held;
import riposo.core.kit.Room;
import riposo.core.movement.Carry;
import riposo.core.plan.Format;
import riposo.core.plan.Param;
import riposo.core.plan.SessionPlan;
import riposo.core.plan.Sides;
import riposo.core.plan.Slot;

/** Doses as one says them, every number with its unit and what it counts. */
public final class DoseWords {
  private DoseWords() {}

  /**
   * The dose, with what is printed on the weight where that is not kilograms, and a share of body
   * weight in kilograms where the mass is recorded.
   */
  public static String dose(Dose d, List<Room.Printed> printed, Build build) {
    return dose(d, build) + printed(d, printed);
  }

  private static String printed(Dose d, List<Room.Printed> printed) {
    Integer grams = d.grams();
    return grams == null || grams == 0
        ? ""
        : printed.stream()
            .filter(p -> p.grams() == grams && !p.words().endsWith(" kg"))
            .findFirst()
            .map(p -> " (" + p.words() + ")")
            .orElse("");
  }

  /**
   * What a plan asks of a slot in the rounds it is asked for so, for nobody in particular: "2 × 40
   * s, rest 20 s", "2 sets of 10 reps, one side a round".
   */
  public static String asked(SessionPlan.Asked a) {
    Sides sides = a.slot().sides();
    return work(a)
        + (sides == null
            ? ""
            : ", "
                + (sides == Sides.ONE_ONLY
                    ? Wording.side(a.slot().startSide()) + "only"
                    : sides.words));
  }

  private static String work(SessionPlan.Asked a) {
    Format f = a.block().format();
    Slot slot = a.slot();
    Integer own = slot.reps();
    return switch (f.kind()) {
      case IN_TURN -> slot.seconds() + " s";
      case LADDER -> String.join(", ", ladder(a)) + " s";
      case SETS -> of(a.rounds(), "set", reps(own == null ? f.get(Param.REPS) : own));
      case HOLDS -> {
        Integer hold = slot.hold();
        yield of(a.rounds(), "hold", (hold == null ? f.get(Param.HOLD) : hold) + " s");
      }
      case GATHER -> reps(f.get(Param.TOTAL)) + ", " + f.get(Param.SET_SIZE) + " at a time";
      case ROUNDS_POSSIBLE -> reps(own == null ? f.get(Param.REPS) : own) + " a round";
      case THROUGH_DAY -> reps(own == null ? f.get(Param.REPS) : own) + " at a time";
      case WALK_IN -> f.get(Param.ON) + " s on, " + f.get(Param.OFF) + " s off";
      case BY_COUNT -> of(a.rounds(), "round", reps(own == null ? 1 : own));
      case STAGED -> "in stages";
      case PHRASE -> f.get(Param.REPEATS) == 1 ? "1 phrase" : f.get(Param.REPEATS) + " phrases";
      case STRENGTH_PULSE ->
          a.index() % 2 == 0 ? f.get(Param.WORK) + " s" : f.get(Param.BURST) + " s burst";
      default -> a.rounds() + " × " + f.get(Param.WORK) + " s, rest " + f.get(Param.REST) + " s";
    };
  }

  /** The work of the rounds the slot is asked for so, in s. */
  private static List<String> ladder(SessionPlan.Asked a) {
    Slot whole = a.block().slots().get(a.index());
    List<Integer> all = a.block().format().ladder();
    return IntStream.rangeClosed(1, all.size())
        .filter(round -> whole.keyAt(round).equals(a.key()))
        .mapToObj(round -> String.valueOf(all.get(round - 1)))
        .toList();
  }

  /** "1 set of 10 reps", "3 holds of 20 s". */
  private static String of(int n, String what, String each) {
    return n + " " + what + (n == 1 ? "" : "s") + " of " + each;
  }

  /** "2 × 8 reps each side, 2 kg in each hand", "2 × 20 s hold, about a third of body weight". */
  public static String dose(Dose d) {
    return dose(d, Build.UNKNOWN);
  }

  private static String dose(Dose d, Build build) {
    String of = d.rounds() + " × ";
    if (d.counts() != null) {
      of += counts(d.counts());
    } else if (d.holdSeconds() != null) {
      of += held(d, d.holdSeconds());
    } else if (d.series() != null) {
      of = series(d.series());
    } else if (d.reps() != null) {
      of += (d.seconds() == null ? "" : d.seconds() + " s, about ") + reps(d.reps());
    } else {
      return of + "rest";
    }
    return of + turns(d) + with(d, build);
  }

  /** As one would say it: "2 rounds of 40 s, about 10 reps on each side, 1 kg in each hand". */
  public static String said(Dose d, List<Room.Printed> printed, Build build) {
    String rounds = d.rounds() == 1 ? "once" : d.rounds() + " rounds";
    if (d.holdSeconds() == null && d.reps() == null) {
      return rounds + ": rest and breathe";
    }
    String what = rounds + (d.rounds() == 1 ? ", " : " of ");
    String about = d.seconds() == null ? "" : d.seconds() + " s, about ";
    if (d.counts() != null) {
      what += counts(d.counts());
    } else if (d.holdSeconds() != null) {
      what += held(d, d.holdSeconds());
    } else if (d.series() != null) {
      what = d.seconds() == null ? series(d.series()) : "about " + series(d.series());
    } else if (d.reps() != null) {
      what += about + reps(d.reps());
    }
    return what
        + turns(d).replace(" each side", " on each side")
        + with(d, build)
        + printed(d, printed);
  }

  /** "40 s hold"; "40 s in holds of 15 s" where one hold is shorter than the time for it. */
  private static String held(Dose d, int hold) {
    Integer seconds = d.seconds();
    return seconds == null || seconds <= hold
        ? hold + " s hold"
        : seconds + " s in holds of " + hold + " s";
  }

  /** "15, then 10 reps", "1, 2, 3, 4, 5 reps". */
  private static String series(List<Integer> counts) {
    List<String> all = counts.stream().map(String::valueOf).toList();
    return (all.size() == 2 ? all.get(0) + ", then " + all.get(1) : String.join(", ", all))
        + " reps";
  }

  /** "1 rep", "10 reps". */
  static String reps(int n) {
    return n == 1 ? "1 rep" : n + " reps";
  }

  /** "28 full, 16 in part, 8 pulses, 4 s held": what is not there is not said. */
  private static String counts(Dose.Counts c) {
    List<String> all = new ArrayList<>();
    count(all, c.full(), " full");
    count(all, c.part(), " in part");
    count(all, c.pulses(), c.pulses() == 1 ? " pulse" : " pulses");
    count(all, c.holdSeconds(), " s held");
    return String.join(", ", all);
  }

  private static void count(List<String> all, int n, String words) {
    if (n > 0) {
      all.add(n + words);
    }
  }

  private static String turns(Dose d) {
    Dose.Turns t = d.turns();
    if (t == null) {
      return "";
    }
    return switch (t) {
      case EACH -> " each side";
      case IN_TURN -> ", sides in turn";
      case BY_ROUND -> ", one side a round";
      case LEFT -> ", left only";
      case RIGHT -> ", right only";
    };
  }

  private static String with(Dose d, Build build) {
    Held held = d.held();
    Integer grams = d.grams();
    if (held != null && held.differs()) {
      return ", " + hands(held);
    }
    if (held != null && held.heavier() > 0) {
      return ", " + Wording.kg(held.heavier()) + " " + carried(held.way()) + beside(d);
    }
    if (grams != null) {
      return grams == 0
          ? ", no weight"
          : ", "
              + Wording.kg(grams)
              + (d.hands() == 2 ? " in each hand" : " in one hand")
              + beside(d);
    }
    return d.band() ? ", with the band" : at(d.at()) + share(d, build);
  }

  private static String beside(Dose d) {
    return d.beside() == null ? "" : " and the band “" + d.beside() + "”";
  }

  /** ", hands at 45 cm", ", seat 50 cm". */
  private static String at(Dose.@Nullable At at) {
    return at == null ? "" : ", " + at.kind().words + " " + at.cm() + " cm";
  }

  private static String share(Dose d, Build build) {
    Double share = d.share();
    if (share == null) {
      return "";
    }
    Dose.At at = d.at();
    HeightShare.Basis basis = at == null ? null : at.basis();
    return ", " + share(share, build) + (basis == null ? "" : " (" + basis.words + ")");
  }

  /** "about 34 kg of body weight" where the mass is recorded, else "about half of body weight". */
  public static String share(double share, Build build) {
    Integer mass = build.massKg();
    return mass == null
        ? Wording.share(share)
        : "about " + Math.round(share * mass) + " kg of body weight";
  }

  private static String carried(Carry way) {
    return switch (way) {
      case EACH_HAND -> "in each hand";
      case ONE_HAND -> "in one hand";
      case BOTH_HANDS -> "in both hands together";
      case TWO_IN_ONE -> "in one hand, two weights";
      case THIGHS -> "on each thigh";
      case HIPS -> "on the hips";
      case BACKPACK -> "in a backpack";
    };
  }

  /** "right 2 kg, left no weight": the heavier hand first. */
  private static String hands(Held h) {
    String left = "left " + (h.left() == 0 ? "no weight" : Wording.kg(h.left()));
    String right = "right " + (h.right() == 0 ? "no weight" : Wording.kg(h.right()));
    return h.left() > h.right() ? left + ", " + right : right + ", " + left;
  }

  /**
   * Why a weight is what it is: "1 kg: lightest in kit, to be found", "2 kg: set by you on 24 Nov".
   * Where caps, the plan or today leave less, that is said.
   *
   * @param given what is held in the end, in grams
   */
  public static String found(FoundWeight f, int given, Function<String, String> names) {
    String grams = f.grams() == 0 ? "no weight" : Wording.kg(f.grams());
    String less =
        given < f.grams()
            ? "; the caps, the plan, today or the kit leave "
                + (given == 0 ? "none" : Wording.kg(given))
            : "";
    String on = f.on() == null ? "" : Wording.day(f.on());
    String gap = f.cutPercent() == 0 ? "" : ", " + f.cutPercent() + " % off for the gap since";
    String why =
        switch (f.why()) {
          case SET_TODAY -> "set for today by hand";
          case SET -> "set by hand on " + on + gap;
          case VERDICT -> "from the verdict of " + on + gap;
          case LAST -> "the last weight, " + on + gap;
          case RELATIVE ->
              "from "
                  + names.apply(String.valueOf(f.of()))
                  + " at "
                  + Wording.kg(f.ofGrams() == null ? 0 : f.ofGrams())
                  + " on "
                  + on
                  + " by its share, a fifth off"
                  + gap
                  + ", down to the kit; to be found";
          case LIGHTEST -> "lightest in kit, to be found";
        };
    return grams + ": " + why + less + ".";
  }
}
