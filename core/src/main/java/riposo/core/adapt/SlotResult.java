package riposo.core.adapt;

import java.util.List;

/**
 * A slot resolved for one client on one date.
 *
 * @param targetId the movement asked for
 * @param parts one entry with side BOTH, or one LEFT and one RIGHT
 * @param rejections every nearer movement and why not, nearest first; the movement asked for comes
 *     first when it could not be done as asked
 * @param next the next two permitted movements
 */
public record SlotResult(
    String targetId,
    List<Performed> parts,
    Cost cost,
    List<Rejection> rejections,
    List<Alternative> next) {

  /** The same with other parts done: the cost stays that of the slot's own choice. */
  SlotResult with(List<Performed> done) {
    return new SlotResult(targetId, done, cost, rejections, next);
  }

  public boolean asAsked() {
    return cost.equals(Cost.NONE);
  }

  public boolean allRest() {
    return parts.stream().allMatch(Performed::isRest);
  }
}
