package riposo.server.adapt;

import java.util.Optional;
import java.util.UUID;
import riposo.core.adapt.TodayDose;

/** What today's check leaves of the dose. */
public interface TodaySource {
  /** The dose of the newest check of today; empty without one. */
  Optional<TodayDose> today(UUID clientId);
}
