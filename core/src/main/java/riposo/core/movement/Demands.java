package riposo.core.movement;

import java.util.List;
import java.util.Set;
import riposo.core.limit.Act;
import riposo.core.limit.Axis;

/**
 * What a movement asks of the body, on every axis, in the levels of {@link riposo.core.limit.Axis}.
 *
 * @param supported true when a hand is on a support, which selects the with-support balance cap
 * @param leastGrams the smallest external weight per hand with which the movement still is itself;
 *     0 when no weight will do
 * @param hands how many hands hold a weight, 0 to 2
 * @param holdSeconds still effort of one hold, 0 for a moving exercise
 * @param head the head axes asked for
 * @param trunk what the trunk holds up, 0 to 3; see {@link Axis#TRUNK}
 */
public record Demands(
    Position position,
    List<JointDemand> joints,
    List<SpineDemand> spine,
    int impact,
    int balance,
    boolean supported,
    List<BearingDemand> bearing,
    int leastGrams,
    int hands,
    boolean overhead,
    int holdSeconds,
    int pressure,
    Set<Axis> head,
    int grip,
    int effort,
    int complexity,
    int trunk,
    Set<Act> acts) {

  public Demands {
    check("impact", impact, 3);
    check("balance", balance, 4);
    check("hold", holdSeconds, 600);
    check("pressure", pressure, 3);
    check("grip", grip, 3);
    check("effort", effort, 10);
    check("complexity", complexity, 3);
    check("trunk", trunk, 3);
    check("hands", hands, 2);
    joints = List.copyOf(joints);
    spine = List.copyOf(spine);
    bearing = List.copyOf(bearing);
    head = Set.copyOf(head);
    acts = Set.copyOf(acts);
  }

  /** From a narrow stance on, balance is part of the work: house rule. */
  public boolean unsteady() {
    return balance >= 2;
  }

  private static void check(String what, int value, int greatest) {
    if (value < 0 || value > greatest) {
      throw new IllegalArgumentException(
          what + " must lie between 0 and " + greatest + ", was " + value);
    }
  }
}
