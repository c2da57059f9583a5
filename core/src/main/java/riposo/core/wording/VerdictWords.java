package riposo.core.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import riposo.core.dose.Gap;
import riposo.core.dose.Loads;
import riposo.core.limit.Side;
import riposo.core.run.DoneSet;
import riposo.core.tolerance.Aftermath;
import riposo.core.tolerance.Change;
import riposo.core.tolerance.FamilySession;
import riposo.core.tolerance.Grounds;
import riposo.core.tolerance.Judgement;
import riposo.core.tolerance.NoStep;
import riposo.core.tolerance.Rule;
import riposo.core.tolerance.Verdict;

/**
 * Verdicts, changes and gaps in sentences.
 *
 * @param words for the names of movements
 */
public record VerdictWords(Wording words) {
  /** The verdict's evidence and the one change it proposes. */
  public String judgement(Judgement j) {
    String why = grounds(j);
    String change = change(j.change());
    return change.isEmpty() ? why : why + " " + change;
  }

  /** The evidence, and the change that was taken. */
  public String taken(Judgement j, Change taken) {
    return grounds(j) + " Taken: " + way(taken) + ".";
  }

  private static String grounds(Judgement j) {
    Grounds g = j.grounds();
    if (g instanceof Grounds.Pain x) {
      return "Pain " + x.pain() + " of 10, over 7.";
    } else if (g instanceof Grounds.NewSigns) {
      return "A new sign at the check-in.";
    } else if (g instanceof Grounds.Eases) {
      return "Two eases in a row without relief.";
    } else if (g instanceof Grounds.OverUsual x) {
      return "Pain " + x.pain() + " of 10, usual " + x.usual() + " (pain-free school).";
    } else if (g instanceof Grounds.Monitored x) {
      return "Pain "
          + x.pain()
          + " of 10"
          + (x.rise() == null ? "" : ", next morning " + signed(x.rise()))
          + " (monitored school).";
    } else if (g instanceof Grounds.Morning x) {
      return j.rule() == Rule.EASE_MORNING_TWICE
          ? "Next morning worse by 1 twice running."
          : "Next morning worse by " + x.rise() + ".";
    } else if (g instanceof Grounds.OverCap x) {
      return "Effort " + x.effort() + ", over the limit of " + x.cap() + ".";
    } else if (g instanceof Grounds.OverGoal x) {
      return "Effort " + x.effort() + " twice, goal " + x.goal() + ".";
    } else if (g instanceof Grounds.TwoForTwo x) {
      return x.target() == null
          ? "Holds done at effort " + x.effort() + " twice, mornings settled."
          : x.reps()
              + " reps for "
              + x.target()
              + " asked at effort "
              + x.effort()
              + " twice, mornings settled.";
    } else if (g instanceof Grounds.Otherwise x) {
      return stay(x, j.noStep());
    }
    return j.rule() == Rule.EASE_FATIGUE
        ? "More tired the next day: half the dose."
        : "The run ended at the stop panel.";
  }

  private static String stay(Grounds.Otherwise g, List<NoStep> noStep) {
    if (!noStep.isEmpty()) {
      return "The repetitions are there, but "
          + String.join("; ", noStep.stream().map(n -> n.words).toList())
          + ".";
    }
    List<String> parts = new ArrayList<>();
    if (g.flagged()) {
      parts.add("No stepping up while exertion makes the next day worse.");
    }
    if (g.steadyDays() != null) {
      parts.add(
          "The same for "
              + g.steadyDays() / 7
              + " weeks without trouble: a change of it may be taken.");
    }
    if (!g.answered()) {
      parts.add("No check-in yet, and unknown is not good.");
    }
    if (g.reps() != null && !g.flagged()) {
      parts.add(g.reps() + " reps; " + g.wanted() + " twice running would step up.");
    }
    return parts.isEmpty() ? "Nothing calls for a change." : String.join(" ", parts);
  }

  private static String signed(int n) {
    return n > 0 ? "+" + n : String.valueOf(n);
  }

  /** A change in the room of a mark on a line. */
  public static String mark(Change.Kind kind) {
    return switch (kind) {
      case SLOWER -> "slower";
      case HOLD -> "held";
      case LESS_SUPPORT -> "less support";
      case TWO_IN_ONE -> "two in one hand";
      case MORE_SETS -> "one set more";
      case BAND_BESIDE -> "a band as well";
      case MORE_REPS -> "more reps";
      default -> kind.name().toLowerCase(Locale.ROOT).replace('_', ' ');
    };
  }

  /** The change in words; empty for none. */
  public String change(Change c) {
    if (c instanceof Change.LoadUp x) {
      return "Proposes "
          + Wording.kg(
              x.side() == Side.BOTH || x.sides() == null ? x.grams() : x.sides().of(x.side()))
          + (x.side() == Side.BOTH ? "" : " " + side(x.side()))
          + " for "
          + words.name(x.movementId())
          + (x.equalReps() == null
              ? "."
              : ": " + x.equalReps() + " reps now equal it, and are done.");
    } else if (c instanceof Change.TwoInOne x) {
      return "Proposes " + Wording.kg(x.grams()) + " as two weights in one hand.";
    } else if (c instanceof Change.RungUp x) {
      return "Proposes the next rung: " + words.name(x.movementId()) + ".";
    } else if (c instanceof Change.Slower x) {
      return tooBig(x.tooBig(), x.grams(), "Proposes lowering slowly, 4 s.");
    } else if (c instanceof Change.Hold x) {
      return tooBig(x.tooBig(), x.grams(), "Proposes a hold of 2 s at the hardest point.");
    } else if (c instanceof Change.LessSupport x) {
      return "Proposes it without " + x.support().words + ".";
    } else if (c instanceof Change.MoreSets x) {
      return tooBig(x.tooBig(), x.grams(), "Proposes one set more, " + x.sets() + " in all.");
    } else if (c instanceof Change.BandBeside x) {
      return tooBig(
          x.tooBig(),
          x.grams(),
          "Proposes a band beside the weight, about " + pull(x) + " at the end.");
    } else if (c instanceof Change.MoreReps x) {
      return "Proposes "
          + x.reps()
          + " reps where "
          + x.from()
          + " were agreed: what was taken off comes back before anything is added.";
    } else if (c instanceof Change.LoadDown x) {
      return "Proposes "
          + (x.grams() == 0 ? "no weight, a proper dose" : Wording.kg(x.grams()))
          + ".";
    } else if (c instanceof Change.RungDown x) {
      return "Proposes a rung down: " + words.name(x.movementId()) + ".";
    } else if (c instanceof Change.FewerReps) {
      return "Proposes half the repetitions.";
    } else if (c instanceof Change.HalveSession) {
      return "Proposes half the dose and nothing added.";
    } else if (c instanceof Change.Stop x) {
      return "Stop " + words.name(x.movementId()) + " and refer.";
    }
    return "";
  }

  /** Why the next weight is no step, with the arithmetic, and what is proposed instead. */
  private static String tooBig(
      Change.@Nullable Step step, @Nullable Integer grams, String instead) {
    if (step == null) {
      return instead;
    }
    String now = grams == null || grams == 0 ? "now" : "at " + Wording.kg(grams);
    int up = grams == null || grams == 0 ? 0 : (step.grams() - grams) * 100 / grams;
    return Wording.kg(step.grams())
        + " is a step too big"
        + (up == 0 ? "" : " (+" + up + " %)")
        + ", the same as "
        + step.equalReps()
        + " reps "
        + now
        + ". "
        + instead;
  }

  /** A way on in a few words, to choose by: "1.5 kg", "lower slowly, 4 s". */
  public String way(Change c) {
    if (c instanceof Change.LoadUp x) {
      return Wording.kg(x.grams()) + (x.side() == Side.BOTH ? "" : " " + side(x.side()));
    } else if (c instanceof Change.TwoInOne x) {
      return Wording.kg(x.grams()) + ", two in one hand";
    } else if (c instanceof Change.RungUp x) {
      return "next rung: " + words.name(x.movementId());
    } else if (c instanceof Change.Slower) {
      return "lower slowly, 4 s";
    } else if (c instanceof Change.Hold) {
      return "hold 2 s at the hardest point";
    } else if (c instanceof Change.LessSupport x) {
      return "without " + x.support().words;
    } else if (c instanceof Change.MoreSets x) {
      return "one set more, " + x.sets() + " in all";
    } else if (c instanceof Change.BandBeside x) {
      return "a band as well, about " + pull(x) + " at the end";
    } else if (c instanceof Change.MoreReps x) {
      return x.reps() + " reps";
    }
    String words = change(c);
    return words.isEmpty() ? "as it is" : words;
  }

  private static String pull(Change.BandBeside x) {
    return Wording.kg(Math.round(x.pull() / 50f) * 50);
  }

  private static String side(Side s) {
    return s.name().toLowerCase(Locale.ROOT);
  }

  /** What a gap takes off a family, and what ends it. */
  public static String gap(Gap g) {
    String off =
        g.anew()
            ? "the start dose, a rung down"
            : g.rungDown() ? g.cut() + " % off and a rung down" : g.cut() + " % off";
    return g.days()
        + " days "
        + (g.until() == null
            ? "since the last, " + Wording.day(g.from())
            : "without it until " + Wording.day(g.until()))
        + ": "
        + off
        + ", until "
        + (g.toGo() == 1 ? "1 more session" : g.toGo() + " sessions")
        + " of it "
        + (g.toGo() == 1 ? "is" : "are")
        + " done.";
  }

  /** How it went after a decision against the verdict. */
  public static String aftermath(Aftermath a) {
    if (a.sessions() == 0) {
      return "No session of it since.";
    }
    String pain =
        a.mostPain() == null || a.leastPain() == null
            ? "pain not told"
            : "pain "
                + (a.leastPain().equals(a.mostPain())
                    ? a.mostPain()
                    : a.leastPain() + " to " + a.mostPain())
                + " of 10";
    String known =
        a.sessions()
            + (a.sessions() == 1 ? " session since: " : " sessions since: ")
            + pain
            + ", "
            + a.settled()
            + " of "
            + a.sessions()
            + (a.sessions() == 1 ? " morning" : " mornings")
            + " answered and settled";
    return known
        + switch (a.reading()) {
          case TOO_EARLY -> ". Too early to tell.";
          case WELL -> ". It went well.";
          case UNCLEAR -> ". Not clear.";
          case WORSE -> a.worse() == Verdict.EASE ? ", then eased." : ", then stopped.";
        };
  }

  /** The estimate of strength behind a step: never tested. */
  public static @Nullable String strength(FamilySession s) {
    DoneSet last = s.last();
    Integer grams = last.grams();
    Integer reps = last.reps();
    Integer effort = last.effort();
    Integer one =
        grams == null || reps == null || effort == null || last.formLost()
            ? null
            : Loads.strength(grams, reps, effort);
    return one == null || grams == null
        ? null
        : Wording.kg(Math.round(one / 100f) * 100)
            + " for one repetition, estimated from "
            + reps
            + " at "
            + Wording.kg(grams)
            + " and effort "
            + effort
            + " (Epley; never tested)";
  }

  /**
   * What would be a step at most where the next weight in kit is one too big: a bottle, or a can
   * beside what is held; null where there is nothing to say.
   */
  public static @Nullable String between(Judgement j, int percent) {
    Change c = j.change();
    Change.Step big = c.tooBig();
    Integer now = c.grams();
    if (big == null || now == null || now == 0) {
      return null;
    }
    int most = now * (100 + percent) / 100;
    return "A weight between would do: a bottle filled to weigh up to "
        + Wording.kg(most / 50 * 50 > now ? most / 50 * 50 : most)
        + (most - now >= 450 ? ", or a full can beside it." : ".");
  }
}
