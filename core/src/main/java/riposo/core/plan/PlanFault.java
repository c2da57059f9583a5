package riposo.core.plan;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.function.Function;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import riposo.core.movement.Carry;
import riposo.core.movement.LoadKind;
import riposo.core.movement.Modifier;
import riposo.core.movement.Movement;
import riposo.core.movement.SidePattern;
import riposo.core.movement.Support;

/**
 * Something a plan asks for that its format or its movement cannot hold: refused, never dropped.
 *
 * @param block index of the block
 * @param slot index of the slot in it
 * @param field of the slot: "stages", "rounds/0/reps"
 * @param words what is wrong and what would do, a sentence
 */
public record PlanFault(int block, int slot, String field, String words) {

  /** Every fault, in plan order; a movement that is not found is not judged. */
  public static List<PlanFault> of(
      SessionPlan plan, Function<String, @Nullable Movement> movements) {
    List<PlanFault> all = new ArrayList<>();
    for (int b = 0; b < plan.blocks().size(); b++) {
      PlanBlock block = plan.blocks().get(b);
      for (int s = 0; s < block.slots().size(); s++) {
        Slot slot = block.slots().get(s);
        int bi = b;
        int si = s;
        new Finder(block.format(), slot, (f, w) -> all.add(new PlanFault(bi, si, f, w)))
            .find(movements);
      }
    }
    return all;
  }

  /** The plan without what its formats cannot hold and never did. */
  public static SessionPlan without(SessionPlan plan) {
    SessionPlan out = plan;
    for (PlanBlock b : plan.blocks()) {
      out = out.with(b.with(b.slots().stream().map(s -> without(b.format().kind(), s)).toList()));
    }
    return out;
  }

  private static Slot without(FormatKind kind, Slot s) {
    boolean counts = kind.ownReps();
    List<RoundChange> rounds =
        s.rounds().stream()
            .flatMap(r -> counts || r.reps() == null ? Stream.of(r) : r.uncounted().stream())
            .toList();
    List<Stage> stages =
        kind == FormatKind.STAGED ? s.stages().stream().map(Stage::plain).toList() : List.of();
    return s.with(
        p -> {
          p.reps = counts ? s.reps() : null;
          p.stages = stages;
          p.rounds = rounds;
        });
  }

  private interface Told {
    void at(String field, String words);
  }

  private record Finder(Format f, Slot slot, Told told) {
    void find(Function<String, @Nullable Movement> movements) {
      stages();
      counts();
      weight();
      ramp();
      for (Movement m : asked(movements)) {
        sides(m);
        phrase(m);
        hold(m);
        carry(m);
        height(m);
        band(m);
      }
      upper(movements);
    }

    /** The movements of the slot, over its rounds. */
    private List<Movement> asked(Function<String, @Nullable Movement> movements) {
      List<Movement> all = new ArrayList<>();
      for (int r = 1; r <= Math.max(1, f.rounds()); r++) {
        Movement m = movements.apply(slot.at(r).movementId());
        if (m != null && !all.contains(m)) {
          all.add(m);
        }
      }
      return all;
    }

    private void stages() {
      if (f.kind() != FormatKind.STAGED && !slot.stages().isEmpty()) {
        told.at(
            "stages",
            "Stages belong to a staged set; "
                + f.kind().words
                + " cannot hold them. Take them out, or make the block a staged set.");
      }
      for (int i = 0; i < slot.stages().size(); i++) {
        Stage s = slot.stages().get(i);
        if (s.kind() == Stage.Kind.PULSES && s.tempo().seconds() != 1) {
          told.at("stages/" + i + "/tempo", "A pulse is one count: 1-0-0-0.");
        }
      }
    }

    private void counts() {
      boolean counted = f.kind().ownReps();
      String words =
          "No repetitions of its own here: in the format “"
              + f.kind().words
              + "” the "
              + (f.kind().counted() || f.kind() == FormatKind.STAGED ? "block" : "clock")
              + " decides how many.";
      if (!counted && slot.reps() != null) {
        told.at("reps", words);
      }
      for (int i = 0; i < slot.rounds().size(); i++) {
        if (!counted && slot.rounds().get(i).reps() != null) {
          told.at("rounds/" + i + "/reps", words);
        }
      }
    }

    /** The rounds of a ramp: never lighter, never quicker, and something grows. */
    private void ramp() {
      if (slot.ramp() == null) {
        return;
      }
      if (f.rounds() < 2) {
        told.at("ramp", "Sets that build up need two rounds or more; here there is one.");
        return;
      }
      boolean grows = false;
      for (int r = 2; r <= f.rounds(); r++) {
        Slot before = slot.at(r - 1);
        Slot now = slot.at(r);
        int lighter = grams(before) - grams(now);
        int quicker = seconds(before) - seconds(now);
        if (lighter > 0) {
          told.at(
              "ramp",
              "Sets that build up never take less: round "
                  + r
                  + " asks for "
                  + kg(grams(now))
                  + " after "
                  + kg(grams(before))
                  + ".");
        }
        if (quicker > 0) {
          told.at(
              "ramp",
              "Sets that build up are never quicker: round " + r + " is, at " + now.tempo() + ".");
        }
        grows |= lighter < 0 || quicker < 0 || !before.movementId().equals(now.movementId());
      }
      if (!grows) {
        told.at("ramp", "Nothing builds up: give a round more weight or a slower tempo.");
      }
    }

    /** What a round asks for; without a word it is as much as history and caps leave. */
    private static int grams(Slot s) {
      return s.grams() == null ? Integer.MAX_VALUE : s.grams();
    }

    private static int seconds(Slot s) {
      return s.tempo() == null ? 0 : s.tempo().seconds();
    }

    private static String kg(int grams) {
      return grams == Integer.MAX_VALUE
          ? "the client’s own weight"
          : BigDecimal.valueOf(grams, 3).stripTrailingZeros().toPlainString() + " kg";
    }

    private void weight() {
      if (slot.grams() != null && slot.grams() == 0) {
        told.at(
            "grams",
            "A weight is 0.1 to 100 kg. For none leave it out, or give a round of several none.");
      }
    }

    private void height(Movement m) {
      Integer cm = slot.height();
      Support s = m.support();
      if (cm == null || s != null && s.reaches(cm)) {
        return;
      }
      told.at(
          "height",
          s == null
              ? m.name() + " leans on, rises from and steps on to nothing: it has no height."
              : m.name()
                  + " is done with "
                  + s.kind().words
                  + " "
                  + (s.least() == s.most() ? "" : s.least() + " to ")
                  + s.most()
                  + " cm; "
                  + cm
                  + " cm is "
                  + (cm > 200 || cm < 1 ? "out of reach." : "another movement."));
    }

    private void band(Movement m) {
      if (slot.band() != null && m.loadKind() != LoadKind.BAND) {
        told.at("band", m.name() + " takes no band: name a movement with one, or leave it out.");
      }
    }

    /** What is above what is asked must be above it, and be something it can be. */
    private void upper(Function<String, @Nullable Movement> movements) {
      Upper upper = slot.upper();
      Movement asked = movements.apply(slot.movementId());
      if (upper == null || asked == null) {
        return;
      }
      if (upper.slower() != null && !asked.modifiers().contains(Modifier.SLOWER)) {
        told.at("upper", asked.name() + " has no slower form: name another movement.");
      }
      Integer grams = upper.grams();
      if (grams != null && asked.carries().isEmpty()) {
        told.at("upper", asked.name() + " takes no weight: name another movement.");
      } else if (grams != null && slot.carry() == null && asked.loadKind() != LoadKind.DUMBBELL) {
        told.at(
            "upper",
            "Say how "
                + asked.name()
                + " carries a weight, "
                + asked.carries().get(0).words
                + ", before it is an option.");
      } else if (grams != null && slot.grams() != null && grams <= slot.grams()) {
        told.at(
            "upper",
            "An upper option of "
                + kg(grams)
                + " is not above the "
                + kg(slot.grams())
                + " asked.");
      }
      Movement above = upper.movementId() == null ? null : movements.apply(upper.movementId());
      if (upper.movementId() != null && above == null) {
        told.at("upper", "The upper option is no longer in the catalogue: name another.");
      } else if (above != null && above.difficulty() <= asked.difficulty()) {
        told.at(
            "upper",
            above.name()
                + " is not above "
                + asked.name()
                + ": difficulty "
                + above.difficulty()
                + " of 100 against "
                + asked.difficulty()
                + ".");
      } else if (above != null
          && f.kind() == FormatKind.PHRASE
          && above.sides() == SidePattern.BOTH
          && !above.modifiers().contains(Modifier.ONE_SIDE)) {
        told.at("upper", above.name() + " works both sides at once: a phrase needs another.");
      }
    }

    private void carry(Movement m) {
      Carry asked = slot.carry();
      if (asked == null || m.carries().contains(asked)) {
        return;
      }
      told.at(
          "carry",
          m.carries().isEmpty()
              ? m.name() + " takes no weight."
              : m.name()
                  + " takes no weight “"
                  + asked.words
                  + "”. It can be: "
                  + String.join(", ", m.carries().stream().map(c -> c.words).toList())
                  + ".");
    }

    private void sides(Movement m) {
      Sides asked = slot.sides();
      if (asked == null) {
        return;
      }
      if (f.kind() == FormatKind.PHRASE) {
        told.at("sides", "A phrase names its sides itself.");
      } else if (Sides.of(m).isEmpty()) {
        told.at("sides", m.name() + " works both sides at once: there are no sides to choose.");
      } else if (!asked.fits(m)) {
        told.at(
            "sides",
            m.name()
                + " cannot be done “"
                + asked.words
                + "”. It can: "
                + String.join(", ", Sides.of(m).stream().map(s -> s.words).toList())
                + ".");
      } else if (asked == Sides.IN_TURN && f.kind() == FormatKind.HOLDS) {
        told.at("sides", "A hold takes one side at a time: one side, then the other.");
      }
    }

    private void phrase(Movement m) {
      boolean sided = m.sides() != SidePattern.BOTH || m.modifiers().contains(Modifier.ONE_SIDE);
      if (f.kind() == FormatKind.PHRASE && !sided) {
        told.at(
            "movement",
            m.name() + " works both sides at once: a phrase of left and right needs another.");
      }
    }

    private void hold(Movement m) {
      Integer hold = slot.hold();
      if (hold == null) {
        return;
      }
      if (!m.isHold() && f.kind() != FormatKind.HOLDS) {
        told.at("hold", m.name() + " is not held: a hold belongs to timed holds.");
      }
      Integer within = f.kind() == FormatKind.IN_TURN ? slot.seconds() : f.values().get(Param.WORK);
      if (within != null && hold > within) {
        told.at(
            "hold",
            "A hold of " + hold + " s does not fit in " + Objects.requireNonNull(within) + " s.");
      }
    }
  }
}
