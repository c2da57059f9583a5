package riposo.server.group;

import java.time.LocalDate;
import java.time.LocalTime;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** Groups, for the other modules. */
public interface Groups {
  /**
   * A group meeting on a day, for the day sheet.
   *
   * @param who is to be there
   * @param apart how many of them are not started with the group
   */
  record Due(
      UUID id,
      String name,
      LocalTime time,
      String plan,
      int seconds,
      List<UUID> who,
      int people,
      int apart) {
    /** The same with how many stay out. */
    public Due withApart(int n) {
      return new Due(id, name, time, plan, seconds, who, people, n);
    }
  }

  /** Adds a group; returns its id. */
  UUID add(
      String name,
      UUID roomId,
      UUID planId,
      int lanes,
      @Nullable Integer weekday,
      @Nullable LocalTime time,
      List<UUID> members);

  /** A meeting of a group somebody belongs to. */
  record Next(LocalDate date, LocalTime time, String name) {}

  /** The first meeting from that day on of each client who is in a group that meets every week. */
  Map<UUID, Next> next(LocalDate from);

  /** The groups that meet on that day, by time; who stays out of it is not looked at. */
  List<Due> meetings(LocalDate day);

  /** The same of each of these days. */
  Map<LocalDate, List<Due>> meetings(Collection<LocalDate> days);
}
