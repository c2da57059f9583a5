package riposo.core.movement;

import java.util.List;

/**
 * Movements that train the same thing, ordered by rung, gentlest first.
 *
 * @param words everyday and gym words it is looked for by; lower case
 * @param tasks what it is for: one or two tasks of the day; none in a family nobody described
 */
public record Family(
    String id,
    String name,
    Purpose purpose,
    List<String> words,
    List<Task> tasks,
    List<Movement> rungs) {
  public Family {
    if (rungs.isEmpty()) {
      throw new IllegalArgumentException(id + ": a family needs at least one movement");
    }
    for (int i = 1; i < rungs.size(); i++) {
      if (rungs.get(i).rung() <= rungs.get(i - 1).rung()) {
        throw new IllegalArgumentException(
            id
                + ": rungs must rise, but "
                + rungs.get(i).id()
                + " follows "
                + rungs.get(i - 1).id());
      }
      if (rungs.get(i).difficulty() < rungs.get(i - 1).difficulty()) {
        throw new IllegalArgumentException(
            id + ": " + rungs.get(i).id() + " is a higher rung but less difficult");
      }
    }
    rungs = List.copyOf(rungs);
    words = List.copyOf(words);
    tasks = List.copyOf(tasks);
  }

  /** A family with no words and no tasks of its own. */
  public Family(String id, String name, Purpose purpose, List<Movement> rungs) {
    this(id, name, purpose, List.of(), List.of(), rungs);
  }

  /** The same family with other movements. */
  public Family of(List<Movement> others) {
    return new Family(id, name, purpose, words, tasks, others);
  }
}
