package riposo.server.review;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;

/** Reviews, for the other modules. */
public interface Reviews {
  /**
   * A client whose review is due.
   *
   * @param since the day it is due from
   * @param open it was begun and not closed
   */
  record Due(UUID clientId, LocalDate since, boolean open) {}

  /** Holds a review as the page does, with a word for the client, and closes it at once. */
  UUID hold(UUID clientId, String words);

  /** Who of these is due on a day, or has one open. */
  List<Due> due(List<UUID> clients, LocalDate day);

  /** The sessions that are set, kept by another module. */
  interface PlanChange {
    /** Has the coming sessions of a client go by another plan; returns how many. */
    int change(UUID clientId, UUID planId);
  }
}
