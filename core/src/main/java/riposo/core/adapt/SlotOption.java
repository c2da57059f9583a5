package riposo.core.adapt;

import java.util.List;
import riposo.core.dose.Dose;

/**
 * Something else that may be done in a slot during the run, judged like the choice itself: under
 * every limit, with the kit at hand, on the clock of the run.
 *
 * @param parts what is done
 * @param doses one for each part
 */
public record SlotOption(Kind kind, List<Performed> parts, List<Dose> doses) {
  /** What it is beside what the slot does. */
  public enum Kind {
    /** Of less difficulty. */
    EASIER,
    /** Of more difficulty, at most a rung above what was asked; never on a day that is cut. */
    HARDER,
    /** Another movement, not harder than asked. */
    SWAP
  }

  public SlotOption {
    parts = List.copyOf(parts);
    doses = List.copyOf(doses);
  }

  /** The same in so many rounds less. */
  SlotOption less(int rounds) {
    return new SlotOption(
        kind, parts, doses.stream().map(d -> d.rounds(d.rounds() - rounds)).toList());
  }
}
