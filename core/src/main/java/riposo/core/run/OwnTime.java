package riposo.core.run;

import java.util.Collection;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.core.plan.Segment;

/** How long one of a run was in it: from when they came until they left or were stopped. */
public final class OwnTime {
  private static final double MINUTE = 60_000;

  private OwnTime() {}

  /**
   * Minutes, rounded, less the pauses of the room; 0 where the clock did not go for them.
   *
   * @param withdrawn stops tapped in error, by id
   * @param asOf the moment up to which a run that goes on is counted
   */
  public static int minutes(
      RunSheet sheet, Collection<RunEvent> events, UUID person, Set<UUID> withdrawn, long asOf) {
    return minutes(
        sheet.timeline().segments(),
        sheet.ids(),
        sheet.person(person).map(RunSheet.Person::joinedAt).orElse(null),
        events,
        person,
        withdrawn,
        asOf);
  }

  /** The same on a clock, for somebody of its people who came at {@code joined}, or began. */
  static int minutes(
      List<Segment> segments,
      Set<UUID> people,
      @Nullable Long joined,
      Collection<RunEvent> events,
      UUID person,
      Set<UUID> withdrawn,
      long asOf) {
    RunState whole = RunState.fold(segments, people, events, asOf);
    long until = whole.endedAt() == null ? asOf : whole.endedAt();
    if (whole.away().containsKey(person)) {
      until = Math.min(until, left(events, person));
    }
    for (RunEvent.Stop s : whole.standing(withdrawn)) {
      if (s.person() == null || s.person().equals(person)) {
        until = Math.min(until, s.at());
      }
    }
    long active = active(segments, people, events, until);
    long before = joined == null ? 0 : active(segments, people, events, Math.min(joined, until));
    return (int) Math.round((active - before) / MINUTE);
  }

  /** When the person last left and did not come back. */
  private static long left(Collection<RunEvent> events, UUID person) {
    return events.stream()
        .filter(e -> e instanceof RunEvent.Away a && a.person().equals(person) && a.why() != null)
        .mapToLong(RunEvent::at)
        .max()
        .orElse(Long.MAX_VALUE);
  }

  private static long active(
      List<Segment> segments, Set<UUID> people, Collection<RunEvent> events, long at) {
    return RunState.fold(segments, people, events.stream().filter(e -> e.at() <= at).toList(), at)
        .activeMs();
  }
}
