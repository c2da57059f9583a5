package riposo.core.group;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.core.adapt.Performed;
import riposo.core.adapt.SlotResult;
import riposo.core.limit.Broken;

/**
 * A plan in lanes for a group.
 *
 * @param lanes how many lanes there are
 * @param home the lane each person follows in most slots
 */
public record LaneSheet(int lanes, List<SlotLanes> slots, Map<UUID, Integer> home) {
  /**
   * One slot in lanes.
   *
   * @param key the slot's key, with its round where the round changes it
   * @param shown the movement each lane shows; null where a lane shows none of its own
   * @param follows who follows which lane, and in which form of its movement
   * @param alone who cannot follow any lane
   * @param changed the lanes kept from before were not enough and were searched anew
   */
  public record SlotLanes(
      String key,
      String askedId,
      List<@Nullable String> shown,
      List<Follow> follows,
      List<Alone> alone,
      boolean changed) {
    public @Nullable Follow of(UUID person) {
      return follows.stream().filter(f -> f.person().equals(person)).findFirst().orElse(null);
    }
  }

  /** Somebody in a lane, doing its movement in a form that breaks no limit. */
  public record Follow(UUID person, int lane, Performed form) {}

  /**
   * Somebody whom no lane serves, or whose lane was chosen by hand and does not.
   *
   * @param own the person's own nearest alternative
   * @param broken what the lane chosen by hand would break; empty when no lane was
   */
  public record Alone(UUID person, SlotResult own, List<Broken> broken) {}
}
