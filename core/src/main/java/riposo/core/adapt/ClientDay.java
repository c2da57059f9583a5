package riposo.core.adapt;

import java.util.Map;
import java.util.UUID;
import riposo.core.dose.Build;
import riposo.core.dose.Gap;
import riposo.core.dose.Weights;
import riposo.core.limit.Caps;
import riposo.core.plan.Mobility;

/**
 * A client on a day: everything that decides what may be done, put together once. The stair, the
 * desk, the sheet, the card, today's check, tolerance and the start all read it, so that they
 * cannot disagree.
 *
 * @param caps the limits of the day combined, with the ways to the floor that were seen to go well
 * @param kit what is at hand, in the client's own place or in a room
 * @param standings where decided verdicts leave each family, by id
 * @param ceilings how far they let each family go, by id
 * @param firm those of the ceilings that no choice by hand passes
 * @param weights what is known of the client's weights
 * @param build mass and stature, as far as they are recorded
 * @param gaps families that come back from a gap, by id
 * @param today what today's check leaves of the dose; as planned where there is none
 */
public record ClientDay(
    UUID clientId,
    Caps caps,
    Kitbag kit,
    Map<String, Standing> standings,
    Map<String, Ceiling> ceilings,
    Map<String, Ceiling> firm,
    Mobility mobility,
    Weights weights,
    Build build,
    Map<String, Gap> gaps,
    TodayDose today) {
  public ClientDay {
    standings = Map.copyOf(standings);
    ceilings = Map.copyOf(ceilings);
    firm = Map.copyOf(firm);
    gaps = Map.copyOf(gaps);
  }

  /**
   * What the stair shows and a choice by hand may take: limits, kit, stopped and eased families.
   *
   * @param effortRaise by how much the slot's format raises the effort
   */
  public Situation byHand(int effortRaise) {
    return new Situation(caps.raised(effortRaise), kit.items(), firm);
  }

  /** What the plan takes by itself: every ceiling as well. */
  Situation planned(int effortRaise, Caps dosed, Map<String, Ceiling> today) {
    return new Situation(dosed.raised(effortRaise), kit.items(), today);
  }

  /** Limits and kit alone, whatever was decided on a family. */
  public Situation limitsAndKit() {
    return new Situation(caps, kit.items(), Map.of());
  }

  /** The same under other limits: some lifted in thought. */
  public ClientDay with(Caps other) {
    return new ClientDay(
        clientId, other, kit, standings, ceilings, firm, mobility, weights, build, gaps, today);
  }

  /** The same with other kit at hand. */
  public ClientDay with(Kitbag other) {
    return new ClientDay(
        clientId, caps, other, standings, ceilings, firm, mobility, weights, build, gaps, today);
  }

  /** The same with what today's check leaves. */
  public ClientDay with(TodayDose other) {
    return new ClientDay(
        clientId, caps, kit, standings, ceilings, firm, mobility, weights, build, gaps, other);
  }

  /** The same with what is known of the weights. */
  public ClientDay with(Weights other) {
    return new ClientDay(
        clientId, caps, kit, standings, ceilings, firm, mobility, other, build, gaps, today);
  }

  /** The same with what is recorded of the body. */
  public ClientDay with(Build other) {
    return new ClientDay(
        clientId, caps, kit, standings, ceilings, firm, mobility, weights, other, gaps, today);
  }
}
