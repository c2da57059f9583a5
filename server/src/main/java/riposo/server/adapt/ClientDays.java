package riposo.server.adapt;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.adapt.ClientDay;
import riposo.core.adapt.Kitbag;
import riposo.core.dose.Gap;
import riposo.core.dose.Weights;
import riposo.core.plan.Region;
import riposo.server.client.Clients;
import riposo.server.limit.Limits;
import riposo.server.movement.Movements;

/** The one assembler of a client on a day; nothing else in the server builds a situation. */
@Component
@Transactional(readOnly = true)
public class ClientDays {
  private final Clients clients;
  private final Limits limits;
  private final StandingSource standings;
  private final WeightSource weights;
  private final Movements movements;

  ClientDays(
      Clients clients,
      Limits limits,
      StandingSource standings,
      WeightSource weights,
      Movements movements) {
    this.clients = clients;
    this.limits = limits;
    this.standings = standings;
    this.weights = weights;
    this.movements = movements;
  }

  /** The client on that day, in the place of their own; as planned. */
  public ClientDay of(UUID clientId, LocalDate day) {
    return of(clientId, day, clients.require(clientId).kit());
  }

  /** The client on that day in a room of the studio; as planned. */
  public ClientDay inRoom(UUID clientId, LocalDate day, UUID roomId) {
    return of(clientId, day, clients.usable(clientId, roomId).bag());
  }

  /** The client on that day in a room, or in the place of their own where none is given. */
  public ClientDay at(UUID clientId, LocalDate day, @Nullable UUID roomId) {
    return roomId == null ? of(clientId, day) : inRoom(clientId, day, roomId);
  }

  private ClientDay of(UUID clientId, LocalDate day, Kitbag kit) {
    Map<String, Gap> gaps = new HashMap<>();
    weights
        .lastDays(clientId, day)
        .forEach(
            (family, days) -> {
              Gap gap = Gap.of(days, day);
              if (gap != null && cut(family)) {
                gaps.put(family, gap);
              }
            });
    ClientDay whole =
        movements
            .planAdapter()
            .day(
                clientId,
                limits.caps(clientId, day),
                kit,
                standings.standings(clientId),
                clients.require(clientId).mobility())
            .with(new Weights(weights.lastWeights(clientId), Map.of()))
            .with(clients.require(clientId).record().build());
    return movements.planAdapter().back(whole, gaps);
  }

  /** Whether a gap takes something off a family: mobility and breathing keep their dose. */
  private boolean cut(String family) {
    return movements.catalogue().families().stream()
        .anyMatch(f -> f.id().equals(family) && Region.of(f.purpose()) != Region.EASE);
  }
}
