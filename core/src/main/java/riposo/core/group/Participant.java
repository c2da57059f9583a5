package riposo.core.group;

import java.util.EnumSet;
import java.util.Map;
import java.util.UUID;
import riposo.core.adapt.Ceiling;
import riposo.core.adapt.ClientDay;
import riposo.core.adapt.Kitbag;
import riposo.core.adapt.Situation;
import riposo.core.adapt.Standing;
import riposo.core.limit.Caps;
import riposo.core.movement.Kit;
import riposo.core.plan.Mobility;

/**
 * Somebody in a group, on its day and in its room.
 *
 * @param kit what of the room this person may use
 * @param ceilings how far accepted verdicts let each family go
 * @param standings accepted verdicts by family id
 */
public record Participant(
    UUID id,
    Caps caps,
    java.util.Set<Kit> kit,
    Map<String, Ceiling> ceilings,
    Map<String, Standing> standings,
    Mobility mobility) {
  public Participant {
    // one bed serves one person, and getting down is practised one to one
    EnumSet<Kit> shared = EnumSet.noneOf(Kit.class);
    shared.addAll(kit);
    shared.remove(Kit.BED);
    kit = java.util.Set.copyOf(shared);
    caps = caps.with(new Caps.Floor(kit.contains(Kit.PAD), caps.floor().seen(), true));
    ceilings = Map.copyOf(ceilings);
    standings = Map.copyOf(standings);
  }

  /** A client of the day, with what the room has for them. */
  public static Participant of(ClientDay day) {
    return new Participant(
        day.clientId(),
        day.caps(),
        day.kit().items(),
        day.ceilings(),
        day.standings(),
        day.mobility());
  }

  /** A client's day as one of a group has it: no bed, and getting down is not practised. */
  public static ClientDay shared(ClientDay day) {
    Kitbag kit = day.kit();
    EnumSet<Kit> items = EnumSet.noneOf(Kit.class);
    items.addAll(kit.items());
    items.remove(Kit.BED);
    return day.with(of(day).caps())
        .with(new Kitbag(items, kit.weights(), kit.unmeasured(), kit.bands()));
  }

  /** What holds for this person in a format that raises the effort by so much. */
  public Situation situation(int effortRaise) {
    return new Situation(caps.raised(effortRaise), kit, ceilings);
  }
}
