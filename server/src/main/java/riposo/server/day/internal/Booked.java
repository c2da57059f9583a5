package riposo.server.day.internal;

import java.time.LocalTime;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.UUID;

/**
 * A time on the day sheet that is taken.
 *
 * @param seconds how long it takes
 * @param who the clients in it
 * @param name of the client, or of the group
 */
record Booked(UUID id, LocalTime from, int seconds, List<UUID> who, String name) {
  private int start() {
    return from.toSecondOfDay();
  }

  private boolean overlaps(Booked other) {
    return start() < other.start() + other.seconds && other.start() < start() + seconds;
  }

  /** What else is at the same time as one of them: somebody booked twice first. */
  static List<String> clashes(UUID id, List<Booked> all) {
    Booked own = all.stream().filter(b -> b.id.equals(id)).findFirst().orElse(null);
    if (own == null) {
      return List.of();
    }
    List<String> twice = new ArrayList<>();
    List<String> beside = new ArrayList<>();
    for (Booked b : all) {
      if (b == own || !own.overlaps(b)) {
        continue;
      }
      if (Collections.disjoint(own.who, b.who)) {
        beside.add("At the same time: " + b.name + ", " + b.from + ".");
      } else {
        twice.add(
            "Booked twice: "
                + own.name
                + (b.name.equals(own.name) ? " has another session" : " is in " + b.name)
                + " at "
                + b.from
                + ".");
      }
    }
    twice.addAll(beside);
    return twice;
  }
}
