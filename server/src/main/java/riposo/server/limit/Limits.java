package riposo.server.limit;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.core.limit.Caps;
import riposo.core.limit.Limit;
import riposo.core.limit.Side;
import riposo.core.limit.Strength;

/** Limits of clients, for the other modules. */
public interface Limits {
  /** Everything needed to set a limit. */
  record NewLimit(
      String axisId,
      Side side,
      int cap,
      Strength strength,
      String source,
      @Nullable String why,
      LocalDate from,
      @Nullable LocalDate until,
      @Nullable LocalDate review,
      @Nullable UUID attachmentId,
      @Nullable UUID clearanceId) {
    public NewLimit(
        String axisId,
        Side side,
        int cap,
        Strength strength,
        String source,
        @Nullable String why,
        LocalDate from,
        @Nullable LocalDate until,
        @Nullable LocalDate review) {
      this(axisId, side, cap, strength, source, why, from, until, review, null, null);
    }
  }

  /** All limits of a client, past and lifted ones included. */
  List<Limit> of(UUID clientId);

  /**
   * The limits that hold for a client on a day, combined, with the ways to the floor that have been
   * seen to go well.
   */
  Caps caps(UUID clientId, LocalDate day);

  /** Sets a limit; returns its id. A 422 problem when it cannot be right. */
  UUID add(UUID clientId, NewLimit limit);

  /** Lifts a limit of the client, FIRM or not, on a clearance's word. */
  void liftBy(UUID clientId, UUID limitId, UUID clearanceId, String reason);
}
