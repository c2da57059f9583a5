package riposo.server.group;

import java.time.LocalDate;
import java.time.LocalTime;
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
   */
  record Due(
      UUID id,
      String name,
      LocalTime time,
      String plan,
      int seconds,
      List<UUID> who,
      int people,
      int apart) {}

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

  /** The groups that meet on that day, by time. */
  List<Due> meetings(LocalDate day);
}
