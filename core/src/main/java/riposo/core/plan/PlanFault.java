package riposo.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.function.Function;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import riposo.core.movement.Modifier;
import riposo.core.movement.Movement;
import riposo.core.movement.SidePattern;

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
    return new Slot(
        s.key(),
        s.movementId(),
        s.seconds(),
        counts ? s.reps() : null,
        s.tempo(),
        s.grams(),
        s.start(),
        stages,
        rounds,
        s.extra(),
        s.sides(),
        s.hold());
  }

  private interface Told {
    void at(String field, String words);
  }

  private record Finder(Format f, Slot slot, Told told) {
    void find(Function<String, @Nullable Movement> movements) {
      stages();
      counts();
      for (Movement m : asked(movements)) {
        sides(m);
        phrase(m);
        hold(m);
      }
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
